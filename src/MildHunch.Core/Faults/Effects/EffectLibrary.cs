using System.Collections.Frozen;
using MildHunch.Core.Hydraulics.Cycle;

namespace MildHunch.Core.Faults.Effects;

/// <summary>Every effect by its name in the catalogue. Ranges are common practice unless docs/trade.md, Controls, gives them.</summary>
public static class EffectLibrary
{
    private static readonly FrozenDictionary<string, IEffect> ById = new IEffect[]
    {
        new NoEffect(),
        new WeepOnly("weep-only", 0.5e-6),
        new WeepOnly("slow-weep", 0.1e-6),
        new InletRestriction(),
        new GasInInlet("gas-in-inlet", 0.5),
        new GasInInlet("injector-air", 0.3),
        new HotSupply(),
        new SpeedLow("speed-low", 0, 0.4),
        new SpeedLow("coupling", 0, 0.98),
        new SpeedLow("seized", 0.97, 0.98),

        // Leaks of one cylinder, G at severity 0 and 1: G = 1 swallows the whole cylinder.
        new CylinderLeak("forward-leak", LeakStroke.Forward, 0, 3),
        new CylinderLeak("return-leak", LeakStroke.Return, 0, 3),
        new CylinderLeak("stuck-open-return", LeakStroke.Return, 0.75, 3),
        new CylinderLeak("seat-leak-forward", LeakStroke.Forward, 0, 1),
        new CylinderLeak("seat-leak-return", LeakStroke.Return, 0, 1),
        new CylinderLeak("misfit-forward", LeakStroke.Forward, 1, 3),
        new CylinderLeak("misfit-return", LeakStroke.Return, 1, 3),
        new CylinderLeak("seal-leak", LeakStroke.Forward, 0, 1.5, LeakWay.AsSealReturns),
        new CylinderLeak("scored-plunger", LeakStroke.Forward, 0, 1, LeakWay.AsSealReturns, 0.5e-6),
        new CylinderLeak("reversed-seal", LeakStroke.Forward, 0.2, 1.5, LeakWay.AsSealReturns, 0.5e-6),
        new CylinderLeak("cracked-plunger", LeakStroke.Forward, 0, 3, LeakWay.Outside),
        new CylinderLeak("cup-leak", LeakStroke.Forward, 0, 1.5, LeakWay.Outside),
        new CylinderLeak("end-seal-leak", LeakStroke.Forward, 0, 0.8, LeakWay.Outside),
        new CylinderLeak("late-forward", LeakStroke.Forward, 0, 0.3),
        new CylinderLeak("late-return", LeakStroke.Return, 0, 0.3),
        new NoFill(),

        // Orifices, as the share of the flow that goes through them.
        new Orifice("bypass-leak", OrificeWay.Bypass, 0.02, 0.40),
        new Orifice("bypass-stuck", OrificeWay.Bypass, 0.50, 0.95),
        new Orifice("small-bypass", OrificeWay.Bypass, 0.02, 0.15),
        new Orifice("relief-passing", OrificeWay.Bypass, 0.02, 0.30),
        new ReliefLow(),
        new Orifice("outside-leak", OrificeWay.Outside, 0, 0.10),
        new Orifice("cracked-head", OrificeWay.Inside, 0.02, 0.50),
        new HuntingRegulator(),
        new ShiftDip(),
        new SettingLow(),
        new SettingHigh(),
        new HoseFault(),
        new DampenerLost(),
        new NozzleArea("nozzle-wear", 1.02, 1.60),
        new NozzleArea("nozzle-oversize", 1.12, 2.00, always: true),
        new NozzleArea("nozzle-blocked", 0.98, 0.30),
        new GaugeWrong(),
    }.ToFrozenDictionary(e => e.Id);

    /// <summary>All effects.</summary>
    public static IEnumerable<IEffect> All => ById.Values;

    /// <summary>The effect of that id; null for one nobody knows.</summary>
    public static IEffect? Find(string id) => ById.GetValueOrDefault(id);
}
