using CsCheck;
using MildHunch.Core.Faults;
using MildHunch.Core.Faults.Effects;
using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;
using static MildHunch.Core.Tests.Setting;

namespace MildHunch.Core.Tests.Faults;

/// <summary>Every fault of docs/trade.md, Faults laid on a pump that can have it.</summary>
public class FaultLoadTests
{
    /// <summary>The fault catalogue of docs/trade.md, Faults.</summary>
    private static readonly string[] Handbook =
    [
        "no-fault", "supply-restricted", "supply-air-leak", "supply-hot", "speed-low", "inlet-valve-leak", "inlet-valve-stuck-shut",
        "discharge-valve-leak", "valve-seat-oring-leak", "hp-seal-worn", "lp-seal-worn",
        "plunger-scored", "plunger-cracked", "plunger-retainer-seal", "cup-worn", "sleeve-scored", "valve-misfitted", "seal-reversed",
        "head-loose", "valve-cap-oring", "manifold-joint-oring", "head-cracked",
        "unloader-leaking-by", "unloader-set-low", "unloader-stuck-open", "unloader-stuck-shut", "start-valve-stuck-shut",
        "outlet-valve-passing", "unloader-oring-external", "regulator-seat-worn",
        "regulator-diaphragm-cracked", "relief-or-thermal-valve-passing", "start-valve-open", "autostop-switch", "injector-air-or-leak",
        "nozzle-worn", "nozzle-oversize", "nozzle-blocked", "hose-leak-or-restricted",
        "gauge-wrong", "dampener-charge-lost", "oil-seal-leak", "drive-end-knock", "intens-seal-dynamic", "intens-seal-static",
        "intens-inlet-check", "intens-discharge-check", "intens-plunger-scored", "intens-endcap-misaligned",
        "unloader-check-passing", "plunger-oil-seal", "valve-spring-broken", "gas-bound", "plunger-joint-loose", "packing-dry-or-tight",
        "seal-swollen", "relief-lifting", "belt-slip", "drive-end-dry", "oil-condensation", "fitting-leak", "head-cracked-outside",
        "discharge-valve-stuck-open", "discharge-valve-stuck-shut", "seized", "coupling-slips", "foot-valve-leaks", "inlet-pressure-high",
        "injector-outlet-side", "nozzle-streaky", "motor-trips", "intens-face-washed", "intens-cylinder-cracked", "intens-oil-rod-seal",
        "intens-compensator-low", "intens-boost-low", "intens-shift", "intens-piston-seal", "intens-bleed-passing",
    ];

    private static Setup Fitted(Fault fault) => Setup.Create(
        Q<RotationalSpeed>(1450, "rpm"), Nozzle.FromPoint(Q<VolumeFlow>(19.17, "L/min"), Q<GaugePressure>(70, "bar")),
        Q<GaugePressure>(85, "bar"), OutletLine.Rigid,
        supplyPressure: Q<GaugePressure>(fault.Fitted.Contains("pressurised") ? 2 : 0, "bar"),
        dampener: Dampener.Create(Q<Volume>(100, "mL"), Q<GaugePressure>(45, "bar")),
        injector: fault.Fitted.Contains("injector-after") ? InjectorPlace.Outlet : InjectorPlace.Inlet,
        relief: Q<GaugePressure>(105, "bar"));

    private static (ReciprocatingPump Pump, Setup Setup) For(Fault fault)
    {
        if (fault.Arrangements.Contains("intensifier"))
            return (Every.Intensifier(), Every.IntensifierSetup());
        if (fault.Arrangements.Contains("twin-piston") && !fault.Arrangements.Contains("crank-plunger"))
        {
            var twin = Every.Twin(36, 420, ControlKind.None);
            return (twin, Every.Plain(twin, 25));
        }

        var control = fault.Requires.Count > 0 ? Enum.Parse<ControlKind>(fault.Requires[0], true) : ControlKind.Unloader;
        return (
            ReciprocatingPump.Create(
                3, Q<Length>(18, "mm"), Q<Length>(18, "mm"), Q<RotationalSpeed>(1450, "rpm"), Q<GaugePressure>(100, "bar"), control,
                seals: fault.Fitted.Contains("packing") ? SealKind.Packing : SealKind.Lip, startValve: true),
            Fitted(fault));
    }

    private static OperatingPoint With(Fault fault, double severity, Side side = Side.Inlet)
    {
        var (pump, setup) = For(fault);
        var condition = FaultLoad.Lay(Known, pump, setup, [new FaultLoad(fault.Id, severity, 1, side)]);
        return new OperatingPointSolver(pump, setup).Solve(condition, 1, 1, OutletCompliance.Typical(setup));
    }

    [Fact]
    public void All_of_the_handbook_is_there()
    {
        Known.Faults.Select(f => f.Id).Order().ShouldBe(Handbook.Order());
        foreach (var effect in EffectLibrary.All)
            Known.Faults.Any(f => f.Effect == effect.Id || f.DischargeEffect == effect.Id).ShouldBeTrue(effect.Id);
    }

    [Fact]
    public void Worse_is_never_nearer_to_sound() =>
        Gen.Select(Gen.Int[0, Handbook.Length - 1], Gen.Double[0, 0.9], Gen.OneOfConst(Side.Inlet, Side.Discharge)).Sample(
        (which, severity, side) =>
        {
            var fault = Known.Faults[which];
            var (pump, setup) = For(fault);
            var sound = new OperatingPointSolver(pump, setup).Solve(new Condition(), 1, 1, OutletCompliance.Typical(setup));
            double Off(OperatingPoint p) => Math.Abs(p.NozzleFlow - sound.NozzleFlow) / sound.NozzleFlow;
            Off(With(fault, severity + 0.1, side)).ShouldBeGreaterThanOrEqualTo(Off(With(fault, severity, side)) - 2e-3, fault.Id);
        },
        iter: 400);

    /// <summary>What belongs where (common practice, no source): swing, leaks outside, line loss, speed.</summary>
    [Fact]
    public void Each_shows_where_the_trade_looks_for_it()
    {
        OperatingPoint At(string id, double severity = 0.8, Side side = Side.Inlet) =>
            With(Known.Faults.Single(f => f.Id == id), severity, side);
        var sound = At("no-fault");
        At("inlet-valve-stuck-shut", 1).NozzleFlow.ShouldBe(sound.NozzleFlow * 2 / 3, 0.01 * sound.NozzleFlow);
        At("valve-misfitted", 1, Side.Discharge).NozzleFlow.ShouldBe(sound.NozzleFlow * 2 / 3, 0.01 * sound.NozzleFlow);
        At("dampener-charge-lost", 1).SwingPa.ShouldBeGreaterThan(3 * sound.SwingPa);
        At("dampener-charge-lost", 1).PressurePa.ShouldBe(sound.PressurePa, 0.02 * sound.PressurePa);
        At("hose-leak-or-restricted").GunPa.ShouldBeLessThan(0.9 * At("hose-leak-or-restricted").PressurePa);
        At("head-cracked").InnerFlow.ShouldBeGreaterThan(0.2 * sound.SupplyFlow);
        At("head-cracked").SupplyFlow.ShouldBeLessThan(0.8 * sound.SupplyFlow);
        At("lp-seal-worn").OutsideFlow.ShouldBeGreaterThan(0);
        At("lp-seal-worn").NozzleFlow.ShouldBe(sound.NozzleFlow, 1e-9);
        At("manifold-joint-oring", 1).OutsideFlow.ShouldBeGreaterThan(0.05 * sound.NozzleFlow);

        // One drop a minute, of which twenty make a millilitre, is where a leak that shows begins.
        const double drop = 1e-6 / 20 / 60;
        foreach (var leak in new[] { "manifold-joint-oring", "valve-cap-oring", "lp-seal-worn", "regulator-diaphragm-cracked" })
            At(leak, 0).OutsideFlow.ShouldBe(drop, 0.1 * drop, leak);
        At("unloader-stuck-open").BypassFlow.ShouldBeGreaterThan(0.5 * sound.NozzleFlow);
        At("relief-or-thermal-valve-passing").BypassFlow.ShouldBeGreaterThan(0.1 * sound.NozzleFlow);
        At("supply-hot", 1).SupplyFlow.ShouldBe(sound.SupplyFlow, 0.01 * sound.SupplyFlow);
        At("plunger-cracked", 1).OutsideFlow.ShouldBeGreaterThan(0.25 * sound.SupplyFlow);
        At("intens-seal-dynamic").OutsideFlow.ShouldBeGreaterThan(0);
    }

    [Fact]
    public void Several_at_once_and_in_any_order() =>
        Gen.Select(Gen.Int[1, 42], Gen.Int[1, 42], Gen.Double[0, 1], Gen.Double[0, 1], Gen.Int[1, 3]).Sample(
        (first, second, severe, mild, cylinder) =>
        {
            var pump = Triplex();
            var fitted = Fitted(Known.Faults[0]);
            FaultLoad[] loads = [
                new(Known.Faults[first].Id, severe, cylinder), new(Known.Faults[second].Id, mild, 4 - cylinder, Side.Discharge)];
            if (loads.Any(l => !Catalogue.Fits(Known.Faults.Single(f => f.Id == l.Fault), pump, fitted)))
                return;
            var solver = new OperatingPointSolver(pump, fitted);
            var one = solver.Solve(FaultLoad.Lay(Known, pump, fitted, loads), 1, 1, 2e-13);
            var other = solver.Solve(FaultLoad.Lay(Known, pump, fitted, [loads[1], loads[0]]), 1, 1, 2e-13);
            other.PressurePa.ShouldBe(one.PressurePa, 1e-6 * Math.Max(1e5, one.PressurePa));
        },
        iter: 300);

    [Theory]
    [InlineData("intens-seal-dynamic", 0.5, 1, "faults[0].fault")]
    [InlineData("regulator-seat-worn", 0.5, 1, "faults[0].fault")]
    [InlineData("no-such-fault", 0.5, 1, "faults[0].fault")]
    [InlineData("nozzle-worn", 1.5, 1, "faults[0].severity")]
    [InlineData("inlet-valve-leak", 0.5, 4, "faults[0].cylinder")]
    public void What_this_pump_cannot_have_is_refused(string fault, double severity, int cylinder, string field) =>
        Should.Throw<ImpossibleInputException>(() => FaultLoad.Lay(
            Known, Triplex(), Fog2Setup(), [new FaultLoad(fault, severity, cylinder)])).Field.ShouldBe(field);
}
