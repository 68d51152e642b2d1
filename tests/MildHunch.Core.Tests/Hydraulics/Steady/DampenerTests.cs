using CsCheck;
using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;
using MildHunch.Core.Simulation;
using static MildHunch.Core.Tests.Setting;

namespace MildHunch.Core.Tests.Hydraulics.Steady;

/// <summary>Gas behind a bladder, around its charge and below it.</summary>
public class DampenerTests
{
    private static readonly Gen<(Dampener Dampener, double Charge)> Any = Gen.Select(Gen.Double[1e-5, 1e-2], Gen.Double[5e5, 200e5])
        .Select((gas, charge) => (Dampener.Create(new Volume(gas), new GaugePressure(charge)), charge));

    /// <summary>A small swing takes up what the closed form V/(γ·p) says.</summary>
    [Fact]
    public void A_small_swing_takes_up_what_the_slope_says() => Gen.Select(Any, Gen.Double[1.1, 4]).Sample((one, over) =>
    {
        var mean = over * one.Charge;
        var slope = one.Dampener.ComplianceM3Pa(mean);
        one.Dampener.ComplianceM3Pa(mean, 1e-3 * mean).ShouldBe(slope, 1e-4 * slope);
    });

    /// <summary>Below its charge it takes up nothing, whatever the swing.</summary>
    [Fact]
    public void Below_its_charge_the_bladder_rests_on_its_stop() =>
        Gen.Select(Any, Gen.Double[0.2, 2], Gen.Double[0.1, 2]).Sample((one, at, swing) =>
    {
        var mean = at * one.Charge;
        one.Dampener.TakenUp(mean, 0.99 * one.Charge).ShouldBeLessThan(1e-12 + (at > 1 ? one.Dampener.Gas.Si : 0));
        if (at + (swing / 2) < 1)
            one.Dampener.ComplianceM3Pa(mean, swing * one.Charge).ShouldBe(0, 1e-18);
    });

    /// <summary>A triplex with one valve held open drops below the charge: its dampener no longer helps, as the time model shows.</summary>
    [Fact]
    public void An_emptied_dampener_lets_the_pressure_swing()
    {
        var pump = Triplex(3, ControlKind.None);
        var soft = Every.Plain(pump, 70, dampener: Dampener.Create(Q<Volume>(100, "mL"), Q<GaugePressure>(60, "bar")));
        var solver = new OperatingPointSolver(pump, soft);
        var dead = Leaking(forward: 20);
        var steady = solver.Solve(dead, 1, 1, OutletCompliance.Typical(soft));
        var means = PumpSimulation.Run(solver, dead, new SimulationPlan { Seconds = 1 }).Means;
        means.SwingPa.ShouldBe(steady.SwingPa, 0.1 * steady.PressurePa);
        var bare = new OperatingPointSolver(pump, Every.Plain(pump, 70)).Solve(dead, 1, 1, OutletCompliance.Typical(soft));
        steady.SwingPa.ShouldBe(bare.SwingPa, 0.02 * bare.SwingPa);
    }
}
