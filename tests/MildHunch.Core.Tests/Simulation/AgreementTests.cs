using CsCheck;
using MildHunch.Core.Hydraulics.Motion;
using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;
using MildHunch.Core.Simulation;
using static MildHunch.Core.Tests.Setting;

namespace MildHunch.Core.Tests.Simulation;

/// <summary>The time model against the steady one and against what is known in closed form.</summary>
public class AgreementTests
{
    public static TheoryData<string, OutletLine> Arrangements()
    {
        var data = new TheoryData<string, OutletLine>();
        foreach (var (name, _, _) in Every.Arrangement)
        {
            data.Add(name, OutletLine.Hose);
            data.Add(name, OutletLine.Rigid);
        }

        return data;
    }

    /// <summary>
    /// Healthy pumps of every arrangement: mean flow within 1 %, mean pressure within 2 %, energy within 1 %, steps fine enough.
    /// </summary>
    [Theory]
    [MemberData(nameof(Arrangements))]
    public void Healthy_pumps_agree(string name, OutletLine line)
    {
        var (_, pump, bar) = Every.Arrangement.Single(a => a.Name == name);
        var solver = new OperatingPointSolver(pump, Every.Plain(pump, bar, line));
        var steady = solver.Solve(new Condition(), 1, 1, OutletCompliance.Typical(solver.Setup));
        var plan = new SimulationPlan { Seconds = 8 / pump.RatedSpeed.Si };
        var means = PumpSimulation.Run(solver, new Condition(), plan).Means;
        means.NozzleFlow.ShouldBe(steady.NozzleFlow, 0.01 * steady.NozzleFlow);
        means.PressurePa.ShouldBe(steady.PressurePa, 0.02 * steady.PressurePa);
        means.Energy.Out.ShouldBe(means.Energy.In, 0.01 * means.Energy.In);
        var finer = PumpSimulation.Run(solver, new Condition(), plan with { StepsPerTurn = 2 * PumpSimulation.CrankSteps }).Means;
        finer.PressurePa.ShouldBe(means.PressurePa, 0.002 * means.PressurePa);
        finer.SwingPa.ShouldBe(means.SwingPa, 0.02 * means.SwingPa);
    }

    /// <summary>Peaks open a control that the mean pressure would leave shut: what the bypass takes is read off the turn itself.</summary>
    [Theory]
    [InlineData(1, 600, 0.2)]
    [InlineData(2, 300, 0.15)]
    [InlineData(1, 420, 0.3)]
    public void Peaks_cut_by_a_control_agree(int cylinders, double rpm, double shareOfSwing)
    {
        var pump = ReciprocatingPump.Create(
            cylinders, Q<Length>(24, "mm"), Q<Length>(24, "mm"), Q<RotationalSpeed>(rpm, "rpm"), Q<GaugePressure>(120, "bar"),
            ControlKind.Unloader);
        var bare = new OperatingPointSolver(pump, Every.Plain(pump, 60)).Solve(new Condition(), 1, 1, 1.6e-12);
        var solver = new OperatingPointSolver(
            pump, Every.Plain(pump, 60, setting: Q<GaugePressure>((bare.PressurePa + (shareOfSwing * bare.SwingPa)) / 1e5, "bar")));
        var steady = solver.Solve(new Condition(), 1, 1, OutletCompliance.Typical(solver.Setup));
        var means = PumpSimulation.Run(solver, new Condition(), new SimulationPlan { Seconds = 8 / pump.RatedSpeed.Si }).Means;
        steady.PressurePa.ShouldBeLessThan(solver.Setup.ControlSetting!.Value.Si);
        steady.BypassFlow.ShouldBeGreaterThan(0.02 * steady.SupplyFlow);
        means.BypassFlow.ShouldBe(steady.BypassFlow, 0.02 * steady.SupplyFlow);
        means.PressurePa.ShouldBe(steady.PressurePa, 0.03 * steady.PressurePa);
    }

    [Fact]
    public void An_intensifier_agrees()
    {
        var solver = new OperatingPointSolver(Every.Intensifier(), Every.IntensifierSetup());
        var steady = solver.Solve(new Condition(), 1, 1, OutletCompliance.Typical(solver.Setup));
        var plan = new SimulationPlan { Seconds = 8 };
        var means = PumpSimulation.Run(solver, new Condition(), plan).Means;
        means.NozzleFlow.ShouldBe(steady.NozzleFlow, 0.01 * steady.NozzleFlow);
        means.PressurePa.ShouldBe(steady.PressurePa, 0.02 * steady.PressurePa);
        means.SpeedHz.ShouldBe(steady.SpeedHz, 0.02 * steady.SpeedHz);
        means.Energy.Out.ShouldBe(means.Energy.In, 0.01 * means.Energy.In);
        var finer = PumpSimulation.Run(solver, new Condition(), plan with { StepsPerTurn = 2 * PumpSimulation.OilSteps }).Means;
        finer.PressurePa.ShouldBe(means.PressurePa, 0.002 * means.PressurePa);
        finer.SwingPa.ShouldBe(means.SwingPa, 0.02 * means.SwingPa);
    }

    /// <summary>Area ratio: what the oil pushes with comes out at the water end, less the packings' friction.</summary>
    [Fact]
    public void An_intensifier_holds_its_area_ratio()
    {
        var pump = Every.Intensifier();
        pump.OilRatio.ShouldBe(((105.0 * 105) - (22 * 22)) / (22 * 22), 1e-9);
        var point = new OperatingPointSolver(pump, Every.IntensifierSetup()).Solve(new Condition(), 1, 1, 1e-12);
        point.PressurePa.ShouldBeInRange(0.94 * 180e5 * pump.OilRatio, 180e5 * pump.OilRatio);
    }

    /// <summary>The end whose seal leaks runs its stroke fast under load (docs/trade.md, Pumps).</summary>
    [Fact]
    public void A_leaking_end_strokes_fast()
    {
        var solver = new OperatingPointSolver(Every.Intensifier(), Every.IntensifierSetup());
        var strokes = PumpSimulation.Run(solver, Leaking(forward: 0.3), new SimulationPlan { Seconds = 6 }).Means.StrokeSeconds!;
        strokes[0].ShouldBeLessThan(0.8 * strokes[1]);
        var sound = PumpSimulation.Run(solver, new Condition(), new SimulationPlan { Seconds = 6 }).Means.StrokeSeconds!;
        sound[0].ShouldBe(sound[1], 0.02 * sound[1]);
    }

    /// <summary>Without slip a healthy pump gives Qt less compression within 0.5 % (docs/trade.md, In time).</summary>
    [Theory]
    [InlineData(1)]
    [InlineData(3)]
    [InlineData(5)]
    public void Without_slip_the_theoretical_flow_comes_out(int cylinders)
    {
        var pump = ReciprocatingPump.Create(
            cylinders, Q<Length>(18, "mm"), Q<Length>(18, "mm"), Q<RotationalSpeed>(1450, "rpm"), Q<GaugePressure>(100, "bar"),
            ControlKind.None, slip: 0);
        var solver = new OperatingPointSolver(pump, Every.Plain(pump, 70));
        var means = PumpSimulation.Run(solver, new Condition(), new SimulationPlan { Seconds = 0.4 }).Means;
        var expected = Delivery.TheoreticalFlow(pump, pump.RatedSpeed.Si) * (1 - (means.PressurePa / 2.2e9));
        means.NozzleFlow.ShouldBe(expected, 0.005 * expected);
    }

    /// <summary>One inlet or discharge valve held open gives (n−1)/n of the healthy flow within 2 % (docs/trade.md, In time).</summary>
    [Theory]
    [InlineData(3, true)]
    [InlineData(3, false)]
    [InlineData(4, true)]
    [InlineData(5, false)]
    [InlineData(7, true)]
    public void A_valve_held_open_costs_one_cylinder(int cylinders, bool inlet)
    {
        var pump = Triplex(cylinders, ControlKind.None);
        var solver = new OperatingPointSolver(pump, Every.Plain(pump, 70));
        var plan = new SimulationPlan { Seconds = 0.5 };
        var sound = PumpSimulation.Run(solver, new Condition(), plan).Means.NozzleFlow;
        var open = PumpSimulation.Run(solver, inlet ? Leaking(forward: 50) : Leaking(back: 50), plan).Means.NozzleFlow;
        (open / sound).ShouldBe((cylinders - 1.0) / cylinders, 0.02 * (cylinders - 1.0) / cylinders);
    }

    /// <summary>Faults of one piece, as the steady model has them, on a hose.</summary>
    [Fact]
    public void Single_faults_agree_too()
    {
        var starved = new Condition();
        starved.Starve(1, 0.5);
        Condition[] faults = [
            Leaking(forward: 0.5), Leaking(back: 0.5), new Condition { BypassShare = 0.3 }, new Condition { CrackShare = 0.3 },
            new Condition { FillFactor = 0.8 }, new Condition { InletCapacity = 0.25 }, starved, new Condition { NozzleFactor = 1.3 }];
        var pump = Triplex();
        var solver = new OperatingPointSolver(pump, Fog2Setup());
        foreach (var fault in faults)
        {
            var steady = solver.Solve(fault, 1, 1, OutletCompliance.Typical(solver.Setup));
            var means = PumpSimulation.Run(solver, fault, new SimulationPlan { Seconds = 0.4 }).Means;
            means.NozzleFlow.ShouldBe(steady.NozzleFlow, 0.015 * steady.NozzleFlow);
            means.PressurePa.ShouldBe(steady.PressurePa, 0.025 * steady.PressurePa);
        }
    }

    /// <summary>
    /// A leak follows the pressure, which on rigid pipe and with few cylinders swings by more than its mean. The unloader stays shut
    /// here.
    /// </summary>
    [Theory]
    [InlineData(1, OutletLine.Hose)]
    [InlineData(1, OutletLine.Rigid)]
    [InlineData(2, OutletLine.Rigid)]
    [InlineData(3, OutletLine.Rigid)]
    [InlineData(4, OutletLine.Rigid)]
    public void A_leak_agrees_however_far_the_pressure_swings(int cylinders, OutletLine line)
    {
        var pump = Triplex(cylinders, ControlKind.None);
        var solver = new OperatingPointSolver(pump, Every.Plain(pump, 70, line));
        var two = Leaking(forward: 1.5);
        if (cylinders > 2)
            two.LeakBack(1, 1.5);
        foreach (var fault in new[] {
            Leaking(forward: 0.3), Leaking(forward: 1), Leaking(forward: 3), Leaking(back: 0.3), Leaking(back: 1), two })
        {
            var steady = solver.Solve(fault, 1, 1, OutletCompliance.Typical(solver.Setup));
            var means = PumpSimulation.Run(solver, fault, new SimulationPlan { Seconds = 0.6 }).Means;
            means.NozzleFlow.ShouldBe(steady.NozzleFlow, 0.02 * solver.HealthyFlow);
            means.PressurePa.ShouldBe(steady.PressurePa, 0.02 * solver.HealthyPa);
            means.SwingPa.ShouldBe(steady.SwingPa, 0.05 * solver.HealthyPa);
        }
    }

    /// <summary>
    /// With hardly any softness and no slip the flow at the nozzle ripples as the kinematics say (ripple table of pump handbooks).
    /// </summary>
    [Theory]
    [InlineData(3)]
    [InlineData(5)]
    public void The_closed_form_ripple_is_met(int cylinders)
    {
        var pump = ReciprocatingPump.Create(
            cylinders, Q<Length>(40, "mm"), Q<Length>(60, "mm"), Q<RotationalSpeed>(120, "rpm"), Q<GaugePressure>(10, "bar"),
            ControlKind.None, clearance: 0.05, slip: 0);
        var solver = new OperatingPointSolver(pump, Every.Plain(pump, 3, OutletLine.Rigid));
        var means = PumpSimulation.Run(solver, new Condition(), new SimulationPlan { Seconds = 2, StepsPerTurn = 2880 }).Means;
        var ripple = FlowRipple.Of(PumpMotion.Of(pump, 2));
        ((means.HighestNozzleFlow / means.NozzleFlow) - 1).ShouldBe(ripple.AboveMean, 0.006);
        (1 - (means.LowestNozzleFlow / means.NozzleFlow)).ShouldBe(ripple.BelowMean, 0.012);
    }

    /// <summary>Random systems of every arrangement, sound or lame: every step is solved and no figure is senseless.</summary>
    [Fact]
    public void Every_system_runs() => Every.System.Sample(
        (solver, condition, _) =>
        {
            var result = PumpSimulation.Run(
                solver, condition,
                new SimulationPlan
                {
                    Seconds = Math.Min(20, 2 / solver.Setup.Speed.Si),
                    SamplesPerSecond = 100,
                    StepsPerTurn = solver.Pump.OilPistonDiameter is null ? 360 : 2000
                });
            double.IsFinite(result.Means.PressurePa + result.Means.NozzleFlow + result.Means.SwingPa + result.Means.Energy.Out)
                .ShouldBeTrue();
            result.Means.LowestInletPa.ShouldBeGreaterThan(-1.02e5);
            result.Samples.ShouldAllBe(s => s.HeadPa > -1.2e5 && s.HeadPa < 1e10);
        },
        iter: 150);

    /// <summary>
    /// Two cylinders with a dead one on a stiff line: the time model falls on the balance that the steady one finds (the question of
    /// more than one).
    /// </summary>
    [Fact]
    public void A_duplex_with_a_dead_valve_settles_where_the_balance_says()
    {
        var pump = Triplex(2, ControlKind.None);
        var solver = new OperatingPointSolver(pump, Every.Plain(pump, 70, OutletLine.Rigid));
        var dead = Leaking(forward: 3);
        var steady = solver.Solve(dead, 1, 1, OutletCompliance.Typical(solver.Setup));
        var means = PumpSimulation.Run(solver, dead, new SimulationPlan { Seconds = 0.5 }).Means;
        means.PressurePa.ShouldBe(steady.PressurePa, 0.05 * steady.PressurePa);
    }
}
