using CsCheck;
using MildHunch.Core.Expectation;
using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;
using MildHunch.Core.Simulation;
using static MildHunch.Core.Tests.Setting;

namespace MildHunch.Core.Tests.Hydraulics.Steady;

/// <summary>Figures that were once left at nothing, or taken from the wrong place.</summary>
public class LeftOutTests
{
    /// <summary>What the plungers move and does not leave the pump goes round in it.</summary>
    [Fact]
    public void What_leaks_inside_goes_round() => Gen.Select(Gen.Int[3, 7], Gen.Double[0.05, 1.5], Gen.Bool).Sample(
        (cylinders, leak, back) =>
        {
            var pump = Triplex(cylinders, ControlKind.None);
            var solver = new OperatingPointSolver(pump, Every.Plain(pump, 70));
            var point = solver.Solve(back ? Leaking(back: leak) : Leaking(leak), 1, 1, 1e-12);
            point.InnerFlow.ShouldBe(point.DisplacedFlow - point.NozzleFlow, 0.01 * point.DisplacedFlow);
            point.InnerFlow.ShouldBeGreaterThan(0.02 * point.DisplacedFlow / cylinders);
        },
        iter: 200);

    [Fact]
    public void What_leaks_outside_does_not_go_round()
    {
        var pump = Triplex(seal: SealReturn.Weep, control: ControlKind.None);
        var condition = new Condition();
        condition.LeakForward(0, 0.4, outside: true);
        var point = new OperatingPointSolver(pump, Every.Plain(pump, 70)).Solve(condition, 1, 1, 1e-12);
        point.InnerFlow.ShouldBe(0, 0.002 * point.DisplacedFlow);
        point.OutsideFlow.ShouldBe(point.DisplacedFlow - point.NozzleFlow, 0.01 * point.DisplacedFlow);
    }

    [Fact]
    public void A_pump_stopped_by_its_own_switch_has_a_ledger()
    {
        var pump = Every.Axial(12, 2800, ControlKind.AutoStop);
        var setup = Setup.Create(
            pump.RatedSpeed, Nozzle.FromPoint(Q<VolumeFlow>(6, "L/min"), Q<GaugePressure>(80, "bar")), Q<GaugePressure>(90, "bar"),
            state: ControlState.Bypassing);
        var verdict = Judge(pump, setup, Saw([Read("nozzle-flow", 0.4, "L/min")]));
        verdict.Ledger.MissingShares.ShouldBeNull();
        verdict.Expectation.Figures.ShouldAllBe(f => double.IsFinite(f.Value.Si) && double.IsFinite(f.Low.Si)
            && double.IsFinite(f.High.Si));
    }

    [Fact]
    public void A_restricted_or_hot_supply_takes_from_the_suction_head()
    {
        var pump = Triplex();
        var setup = Setup.Create(
            Q<RotationalSpeed>(1450, "rpm"), Nozzle.FromPoint(Q<VolumeFlow>(19.17, "L/min"), Q<GaugePressure>(70, "bar")),
            Q<GaugePressure>(85, "bar"),
            inlet: new InletSide(LineRun.Create(Q<Length>(3, "m"), Q<Length>(19, "mm")), Q<Length>(0.5, "m")));
        double Head(Condition c) => PumpExpectation.Of(pump, setup, condition: c)["npsh-available"].Value.Si;
        var sound = Head(new Condition());
        Head(new Condition { InletCapacity = 0.5 }).ShouldBeLessThan(sound - 0.1);

        // Steam tables: water of 60 °C boils at 19.95 kPa, of 20 °C at 2.34, which is 1.8 m of water (IAPWS-IF97).
        Head(new Condition { WarmerK = 40 }).ShouldBe(sound - ((19946 - 2339) / (998.2 * 9.80665)), 0.05);
    }

    /// <summary>A spike in the last turn, not yet gone round, is a spike.</summary>
    [Fact]
    public void A_peak_in_the_last_part_of_a_turn_counts()
    {
        var solver = new OperatingPointSolver(Fog2, Fog2Setup());
        SimulationPlan Plan(double shut) => new() { Seconds = 0.2, Outlet = [new OutletMove(shut, 0)] };
        var run = PumpSimulation.Run(solver, new Condition { SettingFactor = 3 }, Plan(0.18));
        run.Means.HighestPa.ShouldBeGreaterThanOrEqualTo(run.Samples.Max(s => s.HeadPa) - 1);
    }

    [Fact]
    public void Moves_are_taken_in_the_order_of_time()
    {
        var solver = new OperatingPointSolver(Fog2, Fog2Setup());
        OutletMove[] moves = [new(0.05, 0.2), new(0.15, 1)];
        var sorted = PumpSimulation.Run(solver, new Condition(), new SimulationPlan { Seconds = 0.3, Outlet = moves });
        var turned = PumpSimulation.Run(solver, new Condition(), new SimulationPlan { Seconds = 0.3, Outlet = [.. moves.Reverse()] });
        turned.Means.ShouldBe(sorted.Means with { Energy = turned.Means.Energy });
        Should.Throw<ImpossibleInputException>(() => new SimulationPlan { Speed = [new SpeedMove(double.NaN, 1)] }.Check())
            .Field.ShouldBe("atSeconds");
    }

    /// <summary>1-3-2 is 1-2-3 turned the other way round: cylinder 2 then peaks where 3 did.</summary>
    [Fact]
    public void The_firing_order_says_which_cylinder_follows()
    {
        ReciprocatingPump Fired(params int[] order) => ReciprocatingPump.Create(
            3, Q<Length>(18, "mm"), Q<Length>(18, "mm"), Q<RotationalSpeed>(1450, "rpm"), Q<GaugePressure>(100, "bar"), firingOrder: order);
        double[] Chamber(ReciprocatingPump pump, int k) =>
            [.. PumpSimulation.Run(
                new OperatingPointSolver(pump, Fog2Setup()), new Condition(), new SimulationPlan { Seconds = 0.1 }).ChambersPa[k]];
        foreach (var (turned, straight) in Chamber(Fired(1, 3, 2), 1).Zip(Chamber(Fired(1, 2, 3), 2)))
            turned.ShouldBe(straight, 1);
        Chamber(Fired(1, 3, 2), 1).ShouldNotBe(Chamber(Fired(1, 2, 3), 1));
        Should.Throw<ImpossibleInputException>(() => Fired(1, 2, 2)).Field.ShouldBe("firingOrder");
        Fired(1, 2, 3).ShouldBe(Fog2);
    }
}
