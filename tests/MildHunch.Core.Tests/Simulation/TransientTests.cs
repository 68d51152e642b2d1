using MathNet.Numerics.LinearAlgebra;
using MathNet.Numerics.OdeSolvers;
using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Numerics;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;
using MildHunch.Core.Simulation;
using static MildHunch.Core.Tests.Setting;

namespace MildHunch.Core.Tests.Simulation;

/// <summary>What happens when something moves, and the integrator against solutions found elsewhere.</summary>
public class TransientTests
{
    private const double StopAt = 0.02;

    // A pump that has stopped with its outlet shut: what is left is a closed volume with whatever leaks.
    private static SimulationResult Stopped(OperatingPointSolver solver, Condition condition, double opening, double seconds = 1) =>
        PumpSimulation.Run(solver, condition, new SimulationPlan
        {
            Seconds = seconds,
            Speed = [new SpeedMove(0, 0)],
            RampSeconds = 0.01,
            Outlet = [new OutletMove(StopAt, opening)],
            SamplesPerSecond = 1000,
        });

    /// <summary>Closed form: C·dp/dt = −k√p gives √p falling in a straight line (docs/trade.md, Standing pressure).</summary>
    [Fact]
    public void A_closed_volume_bleeds_down_as_the_orifice_equation_says()
    {
        var pump = Triplex(control: ControlKind.None);
        var solver = new OperatingPointSolver(pump, Every.Plain(pump, 70));
        var leak = new Condition { OutsideShare = 0.01 };
        var result = Stopped(solver, leak, 0);
        var k = 0.01 * solver.HealthyFlow / Math.Sqrt(solver.HealthyPa);
        var from = result.Samples.First(s => s.Seconds > 0.05);
        foreach (var at in result.Samples.Where(s => s.Seconds > 0.05 && s.HeadPa > 2e5))
        {
            var root = Math.Sqrt(from.HeadPa) - (k * (at.Seconds - from.Seconds) / (2 * OutletCompliance.Typical(solver.Setup)));
            at.HeadPa.ShouldBe(root * root, 0.01 * from.HeadPa);
        }

        result.Samples[^1].HeadPa.ShouldBeLessThan(0.7 * from.HeadPa);
    }

    /// <summary>
    /// Two volumes, a line and a nozzle, without the pump: not stiff, so a fourth-order Runge-Kutta of a reference library gives the
    /// answer.
    /// </summary>
    [Fact]
    public void Two_volumes_run_out_as_a_reference_integrator_has_it()
    {
        var pump = Triplex(control: ControlKind.None);
        var solver = new OperatingPointSolver(pump, Every.Plain(pump, 70));
        var restricted = new Condition { LineLoss = 0.5 };
        var result = Stopped(solver, restricted, 0.05);
        var point = solver.Solve(restricted, 1, 1, OutletCompliance.Typical(solver.Setup));
        var line = point.NozzleFlow / Math.Sqrt(point.PressurePa - point.GunPa);
        var nozzle = 0.05 * solver.Setup.Nozzle.Coefficient;
        var half = OutletCompliance.Typical(solver.Setup) / 2;
        var from = result.Samples.First(s => s.Seconds > 0.05);
        var start = Vector<double>.Build.Dense([from.HeadPa, from.GunPa]);
        const int points = 2000;
        var until = 0.5;
        var reference = RungeKutta.FourthOrder(start, 0, until, points, (_, p) =>
        {
            var through = line * Math.Sign(p[0] - p[1]) * Math.Sqrt(Math.Abs(p[0] - p[1]));
            return Vector<double>.Build.Dense([-through / half, (through - (nozzle * Math.Sqrt(Math.Max(p[1], 0)))) / half]);
        });
        foreach (var share in new[] { 0.1, 0.4, 0.8 })
        {
            var expected = reference[(int)(share * (points - 1))];
            var got = result.Samples.MinBy(s => Math.Abs(s.Seconds - from.Seconds - (share * until)))!;
            got.GunPa.ShouldBe(expected[1], 0.01 * from.GunPa);
            got.HeadPa.ShouldBe(expected[0], 0.01 * from.HeadPa);
        }
    }

    [Fact]
    public void A_closing_gun_spikes_and_a_trapped_pressure_unloader_takes_over()
    {
        var solver = new OperatingPointSolver(Fog2, Fog2Setup());
        var result = PumpSimulation.Run(
            solver, new Condition(), new SimulationPlan { Seconds = 1.2, Outlet = [new OutletMove(0.2, 0), new OutletMove(0.8, 1)] });
        double Between(double from, double to, Func<Sample, double> read) =>
            result.Samples.Where(s => s.Seconds > from && s.Seconds < to).Average(read);
        Between(0.5, 0.75, s => s.HeadPa).ShouldBeLessThan(10e5);
        Between(0.5, 0.75, s => s.GunPa).ShouldBeGreaterThan(70e5);
        Between(1.1, 1.2, s => s.HeadPa).ShouldBe(70e5, 4e5);

        // Above set, but within the 15 % that are normal (common practice).
        result.Means.HighestPa.ShouldBeInRange(85e5, 1.15 * 85e5);
        var stuck = PumpSimulation.Run(
            solver, new Condition { SettingFactor = 2 }, new SimulationPlan { Seconds = 0.8, Outlet = [new OutletMove(0.2, 0)] });
        stuck.Means.HighestPa.ShouldBeGreaterThan(1.5 * 85e5);
    }

    [Fact]
    public void A_regulator_holds_its_setting_when_the_gun_closes()
    {
        var solver = new OperatingPointSolver(Triplex(control: ControlKind.Regulator), Fog2Setup());
        var result = PumpSimulation.Run(solver, new Condition(), new SimulationPlan { Seconds = 0.8, Outlet = [new OutletMove(0.2, 0)] });
        result.Samples.Where(s => s.Seconds > 0.5).Average(s => s.HeadPa).ShouldBe(87.5e5, 2.5e5);
    }

    [Fact]
    public void A_stop_switch_stops_the_motor_and_a_drip_starts_it_again()
    {
        var pump = Every.Axial(12, 2800, ControlKind.AutoStop);
        var solver = new OperatingPointSolver(pump, Every.Plain(pump, 70, setting: Q<GaugePressure>(85, "bar")));
        var shut = new SimulationPlan { Seconds = 3, Outlet = [new OutletMove(0.1, 0)], SamplesPerSecond = 500, RampSeconds = 0.05 };
        var tight = PumpSimulation.Run(solver, new Condition(), shut);
        (tight.Samples[^1].Turns - tight.Samples.First(s => s.Seconds > 1).Turns).ShouldBe(0, 0.01);
        var drips = PumpSimulation.Run(solver, new Condition { OutsideShare = 0.05 }, shut);
        (drips.Samples[^1].Turns - drips.Samples.First(s => s.Seconds > 1).Turns).ShouldBeGreaterThan(1);
    }

    [Fact]
    public void A_pump_starts_from_rest()
    {
        var solver = new OperatingPointSolver(Fog2, Fog2Setup());
        var result = PumpSimulation.Run(solver, new Condition(), new SimulationPlan { Seconds = 2, FromRest = true });
        result.Samples[0].HeadPa.ShouldBe(0);
        result.Means.PressurePa.ShouldBe(70e5, 2e5);
    }

    [Fact]
    public void A_starved_inlet_boils_and_a_wide_one_does_not()
    {
        var solver = new OperatingPointSolver(Fog2, Fog2Setup());
        PumpSimulation.Run(solver, new Condition(), new SimulationPlan()).Means.Cavitates.ShouldBeFalse();
        var starved = PumpSimulation.Run(solver, new Condition { InletCapacity = 0.2 }, new SimulationPlan()).Means;
        starved.Cavitates.ShouldBeTrue();
        starved.LowestInletPa.ShouldBeLessThan(-0.9e5);
    }

    [Fact]
    public void A_dampener_quietens_and_its_loss_brings_the_swing_back()
    {
        var pump = Triplex(5, ControlKind.None);
        var dampener = Dampener.Create(Q<Volume>(300, "mL"), Q<GaugePressure>(42, "bar"));
        var solver = new OperatingPointSolver(pump, Every.Plain(pump, 70, OutletLine.Rigid, dampener: dampener));
        var with = PumpSimulation.Run(solver, new Condition(), new SimulationPlan()).Means;
        var without = PumpSimulation.Run(solver, new Condition { DampenerShare = 0 }, new SimulationPlan()).Means;
        with.SwingPa.ShouldBeLessThan(0.05 * without.SwingPa);
        without.PressurePa.ShouldBe(with.PressurePa, 0.01 * with.PressurePa);
    }

    [Fact]
    public void The_same_plan_gives_the_same_result_and_noise_hangs_on_its_seed()
    {
        var solver = new OperatingPointSolver(Fog2, Fog2Setup());
        SimulationResult Run(double noise, int seed) =>
            PumpSimulation.Run(solver, Leaking(back: 0.4), new SimulationPlan { Seconds = 0.2, NoisePa = noise, Seed = seed });
        Run(0, 1).Samples.ShouldBe(Run(0, 2).Samples);
        Run(1e5, 7).Samples.ShouldBe(Run(1e5, 7).Samples);
        var off = Run(1e5, 7).Samples.Zip(Run(0, 7).Samples, (a, b) => a.HeadPa - b.HeadPa).ToArray();
        off.Average().ShouldBe(0, 2e4);
        Math.Sqrt(off.Average(x => x * x)).ShouldBe(1e5, 1.2e4);
        Run(1e5, 8).Samples.ShouldNotBe(Run(1e5, 7).Samples);
    }

    [Fact]
    public void It_tells_how_far_it_is_and_can_be_cancelled()
    {
        var solver = new OperatingPointSolver(Fog2, Fog2Setup());
        var noted = new Noted();
        PumpSimulation.Run(solver, new Condition(), new SimulationPlan { Seconds = 0.5 }, noted);
        noted.Values.Count.ShouldBeGreaterThan(10);
        noted.Values.ShouldBe(noted.Values.Order());
        noted.Values[^1].ShouldBe(1);
        using var stop = new CancellationTokenSource();
        stop.Cancel();
        Should.Throw<OperationCanceledException>(() => PumpSimulation.Run(
            solver, new Condition(), new SimulationPlan { Seconds = 30 }, cancel: stop.Token));
    }

    [Theory]
    [InlineData(0, 2000, "seconds")]
    [InlineData(1, 1, "samplesPerSecond")]
    [InlineData(60, 100_000, "seconds")]
    public void Plans_that_cannot_be(double seconds, double samples, string field) =>
        Should.Throw<ImpossibleInputException>(() => new SimulationPlan
        {
            Seconds = seconds,
            SamplesPerSecond = samples
        }.Check()).Field.ShouldBe(field);

    /// <summary>The seeded numbers are spread as they should be: mean 0, one sigma 1, about 4.6 % beyond two sigma.</summary>
    [Fact]
    public void Seeded_noise_is_normal()
    {
        var noise = new SeededNoise(5);
        var drawn = Enumerable.Range(0, 40_000).Select(_ => noise.Next()).ToArray();
        drawn.Average().ShouldBe(0, 0.02);
        Math.Sqrt(drawn.Average(x => x * x)).ShouldBe(1, 0.02);
        (drawn.Count(x => Math.Abs(x) > 2) / 40_000.0).ShouldBe(0.0455, 0.004);
    }

    private sealed class Noted : IProgress<double>
    {
        public List<double> Values { get; } = [];

        public void Report(double value) => Values.Add(value);
    }
}
