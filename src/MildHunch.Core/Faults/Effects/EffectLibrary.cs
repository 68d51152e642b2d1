using System.Collections.Frozen;
using MildHunch.Core.Hydraulics;
using MildHunch.Core.Pumps;

namespace MildHunch.Core.Faults.Effects;

/// <summary>Every effect by its name in the catalogue.</summary>
public static class EffectLibrary
{
    private static readonly FrozenDictionary<string, IEffect> ById = new IEffect[]
    {
        new NoEffect(), new InletRestriction(), new GasInInlet(), new SpeedLow(), new ForwardLeak(), new ReturnLeak(), new SealLeak(),
        new WeepOnly(), new BypassLeak(), new SettingLow(), new NozzleWear(), new NozzleOversize(), new NozzleBlocked(), new GaugeWrong(),
    }.ToFrozenDictionary(e => e.Id);

    public static IEffect? Find(string id) => ById.GetValueOrDefault(id);
}

/// <summary>Changes no number.</summary>
public sealed class NoEffect : IEffect
{
    public string Id => "none";

    public bool MovesNumbers => false;

    public void Apply(ref Condition condition, double severity, CrankPump pump)
    {
    }

    public double Size(double severity, CrankPump pump) => 1;
}

/// <summary>Drips outside without taking anything from the delivery.</summary>
public sealed class WeepOnly : IEffect
{
    public string Id => "weep-only";

    public bool MovesNumbers => false;

    public void Apply(ref Condition condition, double severity, CrankPump pump)
    {
    }

    public double Size(double severity, CrankPump pump) => severity / 0.25;
}

/// <summary>Inlet loss up: the flow at which cavitation sets in falls from 3 to 0.4 times the theoretical flow.</summary>
public sealed class InletRestriction : IEffect
{
    public string Id => "inlet-restriction";

    public bool MovesNumbers => true;

    public void Apply(ref Condition condition, double severity, CrankPump pump)
    {
        condition.InletCapacity *= Math.Pow(0.4 / 3, severity);
        if (condition.InletCapacity < 1)
            condition.ExtraSwing += 0.3 * (1 - condition.InletCapacity);
    }

    public double Size(double severity, CrankPump pump) => Math.Max(0, 1 - (3 * Math.Pow(0.4 / 3, severity))) / 0.10;
}

/// <summary>Gas in the inlet: up to half of each stroke.</summary>
public sealed class GasInInlet : IEffect
{
    public string Id => "gas-in-inlet";

    public bool MovesNumbers => true;

    public void Apply(ref Condition condition, double severity, CrankPump pump)
    {
        condition.FillFactor *= 1 - (0.5 * severity);
        condition.ExtraSwing += 0.4 * severity;
    }

    public double Size(double severity, CrankPump pump) => 0.5 * severity / 0.10;
}

/// <summary>Crank slower than believed, up to four tenths.</summary>
public sealed class SpeedLow : IEffect
{
    public string Id => "speed-low";

    public bool MovesNumbers => true;

    public void Apply(ref Condition condition, double severity, CrankPump pump) => condition.SpeedFactor *= 1 - (0.4 * severity);

    public double Size(double severity, CrankPump pump) => 0.4 * severity / 0.10;
}

/// <summary>Leak of one cylinder: G = top · severity², so that small leaks are resolved and large ones reach well past total.</summary>
public abstract class CylinderLeak(string id, double top) : IEffect
{
    public string Id => id;

    public bool MovesNumbers => true;

    public bool Unbalances => true;

    public abstract void Apply(ref Condition condition, double severity, CrankPump pump);

    public double Size(double severity, CrankPump pump) => Delivery.LostShare(Leak(severity)) / 0.25;

    protected double Leak(double severity) => top * severity * severity;
}

/// <summary>Inlet valve: loses on the forward stroke, back to the inlet.</summary>
public sealed class ForwardLeak() : CylinderLeak("forward-leak", 3)
{
    public override void Apply(ref Condition condition, double severity, CrankPump pump) => condition.ForwardLeak += Leak(severity);
}

/// <summary>Discharge valve: draws back on the return stroke.</summary>
public sealed class ReturnLeak() : CylinderLeak("return-leak", 3)
{
    public override void Apply(ref Condition condition, double severity, CrankPump pump) => condition.ReturnLeak += Leak(severity);
}

/// <summary>High-pressure seal: loses on the forward stroke, to the inlet or to the weep as the pump is built.</summary>
public sealed class SealLeak() : CylinderLeak("seal-leak", 1.5)
{
    public override void Apply(ref Condition condition, double severity, CrankPump pump)
    {
        condition.ForwardLeak += Leak(severity);
        condition.ForwardLeakOutside |= pump.SealReturn == SealReturn.Weep;
    }
}

/// <summary>Fixed orifice beside the nozzle: 2 to 40 % of the flow (handbook 2).</summary>
public sealed class BypassLeak : IEffect
{
    public string Id => "bypass-leak";

    public bool MovesNumbers => true;

    public void Apply(ref Condition condition, double severity, CrankPump pump) => condition.BypassShare += Share(severity);

    public double Size(double severity, CrankPump pump) => Share(severity) / 0.10;

    // The range is of the flow that runs with the leak, f; beside a nozzle that passes all of it that is f/(1−f) of Kn.
    private static double Share(double severity)
    {
        var f = 0.02 + (0.38 * severity);
        return f / (1 - f);
    }
}

/// <summary>
/// Control opens too early: from 0.95 down to a tenth of its setting. Handbook 2 ends at 0.3; below that lies a broken
/// spring, and without it "most of the water in the bypass" could not be reached on a pump working near its setting.
/// </summary>
public sealed class SettingLow : IEffect
{
    public string Id => "setting-low";

    public bool MovesNumbers => true;

    public void Apply(ref Condition condition, double severity, CrankPump pump) => condition.SettingFactor *= 0.95 - (0.85 * severity);

    public double Size(double severity, CrankPump pump) => severity / 0.15;
}

/// <summary>Area grown by 2 to 60 %.</summary>
public sealed class NozzleWear : IEffect
{
    public string Id => "nozzle-wear";

    public bool MovesNumbers => true;

    public void Apply(ref Condition condition, double severity, CrankPump pump) => condition.NozzleFactor *= 1.02 + (0.58 * severity);

    public double Size(double severity, CrankPump pump) => (0.02 + (0.58 * severity)) / 0.10;
}

/// <summary>A whole size too large or more: 12 to 100 %.</summary>
public sealed class NozzleOversize : IEffect
{
    public string Id => "nozzle-oversize";

    public bool MovesNumbers => true;

    public void Apply(ref Condition condition, double severity, CrankPump pump) => condition.NozzleFactor *= 1.12 + (0.88 * severity);

    public double Size(double severity, CrankPump pump) => 1;
}

/// <summary>Up to seven tenths of the area lost.</summary>
public sealed class NozzleBlocked : IEffect
{
    public string Id => "nozzle-blocked";

    public bool MovesNumbers => true;

    public void Apply(ref Condition condition, double severity, CrankPump pump) => condition.NozzleFactor *= 0.98 - (0.68 * severity);

    public double Size(double severity, CrankPump pump) => (0.02 + (0.68 * severity)) / 0.10;
}

/// <summary>Shows from nothing (severity 0 of this scale) through true at one half to twice what is there.</summary>
public sealed class GaugeWrong : IEffect
{
    public string Id => "gauge-wrong";

    public bool MovesNumbers => true;

    public void Apply(ref Condition condition, double severity, CrankPump pump) => condition.GaugeFactor *= 2 * severity;

    public double Size(double severity, CrankPump pump) => Told(severity) / 0.10;

    public double Told(double severity) => Math.Abs((2 * severity) - 1);
}
