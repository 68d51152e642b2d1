using CsCheck;
using MildHunch.Core.Expectation;
using MildHunch.Core.Faults.Effects;
using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Pumps;
using static MildHunch.Core.Tests.Setting;

namespace MildHunch.Core.Tests.Faults.Effects;

/// <summary>What each fault does to the readings, as the trade knows it (common practice, no source).</summary>
public class EffectTests
{
    private static readonly OperatingPointSolver Solver = new(Fog2, Fog2Setup());
    private static readonly OperatingPoint Sound = Solver.Solve(new Condition(), 1, 1, 1e-12);

    [Fact]
    public void Nozzle_faults_leave_the_flow_and_move_the_pressure() =>
        Gen.Select(Gen.OneOfConst("nozzle-wear", "nozzle-oversize"), Gen.Double[0.1, 1]).Sample((effect, severity) =>
    {
        var point = With(effect, severity);
        point.SupplyFlow.ShouldBe(Sound.SupplyFlow, 0.01 * Sound.SupplyFlow);
        point.PressurePa.ShouldBeLessThan(0.97 * Sound.PressurePa);
    });

    [Fact]
    public void A_blocked_nozzle_raises_the_pressure_until_the_unloader_opens() => Gen.Double[0.3, 1].Sample(severity =>
    {
        var point = With("nozzle-blocked", severity);
        point.PressurePa.ShouldBeInRange(85e5, 85e5 * (1 + OperatingPointSolver.ControlBand));
        point.BypassFlow.ShouldBeGreaterThan(0);
    });

    [Fact]
    public void Slower_turning_lowers_flow_in_proportion_and_pressure_with_its_square() => Gen.Double[0.1, 1].Sample(severity =>
    {
        var point = With("speed-low", severity);
        var share = point.SpeedHz / Sound.SpeedHz;
        (point.NozzleFlow / Sound.NozzleFlow).ShouldBe(share, 0.005);
        (point.PressurePa / Sound.PressurePa).ShouldBe(share * share, 0.01);
    });

    [Fact]
    public void A_leaking_valve_costs_at_the_most_its_own_cylinder() =>
        Gen.Select(Gen.OneOfConst("forward-leak", "return-leak", "seal-leak"), Gen.Double[0, 1]).Sample((effect, severity) =>
    {
        var point = With(effect, severity);
        (point.SupplyFlow / Sound.SupplyFlow).ShouldBeInRange((2.0 / 3) - 0.01, 1.0001);
    });

    [Fact]
    public void A_dead_discharge_valve_swings_more_than_a_dead_inlet_valve()
    {
        With("return-leak", 1).SwingPa.ShouldBeGreaterThan(With("forward-leak", 1).SwingPa);
        With("forward-leak", 1).SwingPa.ShouldBeGreaterThan(5 * Sound.SwingPa);
    }

    [Fact]
    public void A_restricted_supply_pulls_the_inlet_down_before_it_costs_flow()
    {
        var early = With("inlet-restriction", 0.4);
        early.SupplyFlow.ShouldBe(Sound.SupplyFlow, 0.005 * Sound.SupplyFlow);
        early.InletPa.ShouldBeLessThan(Sound.InletPa - 5e3);
        var late = With("inlet-restriction", 0.9);
        late.SupplyFlow.ShouldBeLessThan(0.7 * Sound.SupplyFlow);
        late.InletPa.ShouldBeGreaterThan(-101_325);
        late.InletPa.ShouldBeLessThan(-0.9e5);
    }

    [Fact]
    public void A_seal_that_returns_to_the_weep_runs_out_and_one_that_returns_to_the_inlet_does_not()
    {
        var weeping = Triplex(seal: SealReturn.Weep);
        var condition = new Condition();
        EffectLibrary.Find("seal-leak")!.Apply(ref condition, 0.8, weeping);
        new OperatingPointSolver(weeping, Fog2Setup()).Solve(condition, 1, 1, 1e-12).OutsideFlow.ShouldBeGreaterThan(0);
        With("seal-leak", 0.8).OutsideFlow.ShouldBe(0);
    }

    /// <summary>30 drops a minute are 0.09 L/h, less than a ten-thousandth of this pump's flow: a drip explains no lost pressure.</summary>
    [Fact]
    public void A_weep_takes_nothing_from_the_pressure() => With("weep-only", 1).PressurePa.ShouldBe(Sound.PressurePa);

    [Fact]
    public void A_wrong_gauge_changes_what_is_shown_and_nothing_else()
    {
        var condition = new Condition();
        EffectLibrary.Find("gauge-wrong")!.Apply(ref condition, 0.25, Fog2);
        var point = Solver.Solve(condition, 1, 1, 1e-12);
        point.PressurePa.ShouldBe(Sound.PressurePa);
        Observables.Pressure.Read(point, condition.GaugeFactor).ShouldBe(Sound.PressurePa / 2, 1);
    }

    [Fact]
    public void Two_faults_at_once_are_worse_than_either()
    {
        var condition = new Condition();
        EffectLibrary.Find("nozzle-wear")!.Apply(ref condition, 0.4, Fog2);
        EffectLibrary.Find("speed-low")!.Apply(ref condition, 0.4, Fog2);
        var both = Solver.Solve(condition, 1, 1, 1e-12).PressurePa;
        both.ShouldBeLessThan(With("nozzle-wear", 0.4).PressurePa);
        both.ShouldBeLessThan(With("speed-low", 0.4).PressurePa);
    }

    private static OperatingPoint With(string effect, double severity)
    {
        var condition = new Condition();
        EffectLibrary.Find(effect)!.Apply(ref condition, severity, Fog2);
        return Solver.Solve(condition, 1, 1, 1e-12);
    }
}
