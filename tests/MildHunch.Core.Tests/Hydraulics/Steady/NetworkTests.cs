using CsCheck;
using MathNet.Numerics.Integration;
using MildHunch.Core.Expectation;
using MildHunch.Core.Fluids;
using MildHunch.Core.Hydraulics.Motion;
using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;
using static MildHunch.Core.Tests.Setting;

namespace MildHunch.Core.Tests.Hydraulics.Steady;

/// <summary>Everything around the pump: lines, drives, inlet, surroundings, and the balance of all of it.</summary>
public class NetworkTests
{
    /// <summary>Points of the Moody diagram, from Colebrook's equation: Re 10⁵ smooth and with ε/D 10⁻⁴.</summary>
    [Theory]
    [InlineData(1e5, 0, 0.01799)]
    [InlineData(1e5, 1e-4, 0.01851)]
    public void Friction_factor(double reynolds, double roughness, double factor) =>
        PipeFlow.FrictionFactor(reynolds, roughness).ShouldBe(factor, 0.00001);

    /// <summary>Hagen and Poiseuille: 64/Re. And Colebrook's own equation holds at every turbulent point.</summary>
    [Fact]
    public void Friction_laws_hold_everywhere()
    {
        PipeFlow.FrictionFactor(1000, 0.01).ShouldBe(0.064, 1e-12);
        Gen.Select(Gen.Double[Math.Log10(4000), 8], Gen.Double[0, 0.05]).Sample((log, roughness) =>
        {
            var reynolds = Math.Pow(10, log);
            var f = PipeFlow.FrictionFactor(reynolds, roughness);
            (1 / Math.Sqrt(f)).ShouldBe(-2 * Math.Log10((roughness / 3.7) + (2.51 / (reynolds * Math.Sqrt(f)))), 1e-8);
        });
    }

    /// <summary>Worked example of the gas processors' handbook (from memory): 2 x 5 in triplex, 360 rpm, K 1.4: 3.88 and 8.54 ft.</summary>
    [Theory]
    [InlineData(4, 1.84, 3.88)]
    [InlineData(20, 0.81, 8.54)]
    public void Acceleration_head(double feet, double feetPerSecond, double head)
    {
        var foot = 0.3048;
        var metres = Suction.AccelerationHead(feet * foot, feetPerSecond * foot, 6, 0.066, 1.4, double.PositiveInfinity, 0.17);
        (metres / foot).ShouldBe(head, 0.02);
    }

    /// <summary>In soft hose no more than the pressure wave carries: c·δ·V/g (docs/trade.md, Inlet).</summary>
    [Fact]
    public void Acceleration_head_is_capped_in_soft_hose() =>
        Suction.AccelerationHead(10, 0.5, 24, 0.066, 1.5, 250, 0.17).ShouldBe(250 * 0.17 * 0.5 / 9.80665, 1e-9);

    /// <summary>
    /// Two double-acting cylinders, no rod: 24 % above and 22 % below (pump handbooks, from memory; recomputed 24.3 / 21.5).
    /// </summary>
    [Fact]
    public void Ripple_of_two_double_acting_cylinders()
    {
        var ripple = FlowRipple.Of(new PumpMotion(2, 1.0 / 6, 1, 0, null));
        (100 * ripple.AboveMean).ShouldBe(24.3, 0.1);
        (100 * ripple.BelowMean).ShouldBe(21.5, 0.1);
    }

    /// <summary>What goes forward over a turn is the swept volume less the slip, whatever λ, rod and side.</summary>
    [Fact]
    public void Late_valves_cost_the_slip_they_are_set_to() =>
        Gen.Select(Gen.Double[-0.3, 0.3], Gen.Double[0, 0.08], Gen.Bool, Gen.Int[1, 5]).Sample(
        (lambda, slip, twice, cylinders) =>
        {
            var motion = new PumpMotion(cylinders, lambda, twice ? 0.8 : 0, slip, null);
            const int steps = 20_000;
            var sum = 0.0;
            for (var k = 0; k < motion.Chambers; k++)
                for (var i = 0; i < steps; i++)
                    sum += motion.AreaShare(k) * motion.Delivered(k, 2 * Math.PI * (i + 0.5) / steps, 0, 0) / steps;
            sum.ShouldBe(motion.MeanFlow, 2e-4 * motion.MeanFlow);
        },
        iter: 40);

    /// <summary>Lost share and lost work of a leak, against their integrals.</summary>
    [Fact]
    public void Leak_integrals() => Gen.Double[0.01, 3].Sample(
        g =>
        {
            var motion = Crank(3, 0);
            var lost = GaussLegendreRule.Integrate(t => Math.Min(Math.Sin(t), g), 0, Math.PI, 512) / 2;
            motion.LostShare(g).ShouldBe(lost, 2e-4);
            var work = GaussLegendreRule.Integrate(
                t => Math.Min(Math.Sin(t), g) * Math.Pow(Math.Min(Math.Sin(t) / g, 1), 2), 0, Math.PI, 512) / 2;
            motion.LeakWork(g).ShouldBe(work, 2e-4);
        },
        iter: 100);

    /// <summary>Synchronous speed 120·f/poles; the rated slip at the rated power; belts by their pulleys less creep.</summary>
    [Fact]
    public void Drives()
    {
        var power = Q<Power>(4, "kW");
        var motor = Drive.Motor(4, 50, power, 0.04);
        motor.NoLoad.In(Units.Rpm).ShouldBe(1500, 1e-9);
        motor.SpeedAt(power).In(Units.Rpm).ShouldBe(1440, 1e-9);
        Drive.Motor(4, 60, power).NoLoad.In(Units.Rpm).ShouldBe(1800, 1e-9);
        var ratio = Drive.BeltRatio(Q<Length>(100, "mm"), Q<Length>(250, "mm"));
        Drive.Engine(Q<RotationalSpeed>(3000, "rpm"), power, 0.05, ratio, true).NoLoad.In(Units.Rpm)
            .ShouldBe(1200 * (1 - Drive.BeltCreep), 1e-9);
    }

    [Fact]
    public void A_loaded_motor_turns_slower_and_the_balance_knows()
    {
        var drive = Drive.Motor(4, 50, Q<Power>(3, "kW"), 0.05);
        var setup = Setup.Create(drive.NoLoad, Nozzle.FromPoint(Q<VolumeFlow>(19, "L/min"), Q<GaugePressure>(70, "bar")), drive: drive);
        var point = new OperatingPointSolver(Fog2, setup).Solve(new Condition(), 1, 1, 1e-12);
        point.SpeedHz.ShouldBe(drive.SpeedAt(new Power(PowerSplit.Of(point).Shaft)).Si, 0.003 * point.SpeedHz);
        point.SpeedHz.ShouldBeLessThan(drive.NoLoad.Si * 0.975);
    }

    /// <summary>Membranes: Q = K·(p − p0), so the pressure follows the flow in a straight line.</summary>
    [Fact]
    public void A_process_with_a_back_pressure()
    {
        var process = Nozzle.FromProcess(Q<GaugePressure>(27, "bar"), Q<VolumeFlow>(19.17, "L/min"), Q<GaugePressure>(58, "bar"));
        var setup = Setup.Create(Q<RotationalSpeed>(1450, "rpm"), process);
        var solver = new OperatingPointSolver(Triplex(control: ControlKind.None), setup);
        var sound = solver.Solve(new Condition(), 1, 1, 2e-12);
        var dead = solver.Solve(Leaking(forward: 3), 1, 1, 2e-12);
        sound.PressurePa.ShouldBe(58e5, 0.3e5);
        ((dead.PressurePa - 27e5) / (sound.PressurePa - 27e5)).ShouldBe(2.0 / 3, 0.01);
    }

    [Fact]
    public void A_long_thin_hose_costs_pressure_at_the_nozzle_only()
    {
        Setup With(LineRun? run) =>
            Setup.Create(
                Q<RotationalSpeed>(1450, "rpm"), Nozzle.FromPoint(Q<VolumeFlow>(19.17, "L/min"), Q<GaugePressure>(70, "bar")), outlet: run);
        var pump = Triplex(control: ControlKind.None);
        var run = LineRun.Create(Q<Length>(30, "m"), Q<Length>(8, "mm"));
        var hose = new OperatingPointSolver(pump, With(run)).Solve(new Condition(), 1, 1, 1e-12);
        var loss = PipeFlow.Resistance(run, Liquid.PlainWater, Q<Temperature>(20, "°C"), hose.NozzleFlow) * hose.NozzleFlow
            * hose.NozzleFlow;
        (hose.PressurePa - hose.GunPa).ShouldBe(loss, 0.01 * loss);
        hose.GunPa.ShouldBe(70e5, 1e5);
        hose.PressurePa.ShouldBeGreaterThan(75e5);
    }

    [Fact]
    public void An_unloader_has_two_states_and_each_is_solved()
    {
        var shut = Setup.Create(
            Q<RotationalSpeed>(1450, "rpm"), Nozzle.FromPoint(Q<VolumeFlow>(19.17, "L/min"), Q<GaugePressure>(70, "bar")),
            Q<GaugePressure>(85, "bar"), state: ControlState.Bypassing);
        var point = new OperatingPointSolver(Fog2, shut).Solve(new Condition(), 1, 1, 1e-12);
        point.NozzleFlow.ShouldBe(0);
        point.BypassFlow.ShouldBe(point.SupplyFlow, 1e-9);
        point.PressurePa.ShouldBeLessThan(6e5);
        new OperatingPointSolver(Triplex(control: ControlKind.Regulator), shut)
            .Solve(new Condition(), 1, 1, 1e-12).PressurePa.ShouldBe(87.5e5, 1e5);
        Should.Throw<ImpossibleInputException>(() => new OperatingPointSolver(
            Triplex(control: ControlKind.None), shut)).Field.ShouldBe("state");
    }

    [Fact]
    public void Power_adds_up_and_a_wide_open_valve_costs_next_to_nothing()
    {
        var solver = new OperatingPointSolver(Fog2, Fog2Setup());
        Gen.Select(Gen.Double[0, 3], Gen.Double[0, 3], Gen.Double[0, 0.5]).Sample((forward, back, bypass) =>
        {
            var split = PowerSplit.Of(solver.Solve(Leaking(forward, back) with { BypassShare = bypass }, 1, 1, 1e-12));
            (split.Nozzle + split.Line + split.Bypass + split.Leaks + split.Friction).ShouldBe(split.Shaft, 1e-9 * split.Shaft);
        });
        var half = PowerSplit.Of(solver.Solve(Leaking(forward: 0.5), 1, 1, 1e-12));
        var open = PowerSplit.Of(solver.Solve(Leaking(forward: 30), 1, 1, 1e-12));
        open.Leaks.ShouldBeLessThan(0.01 * open.Shaft);
        half.Leaks.ShouldBeGreaterThan(0.05 * half.Shaft);
    }

    [Fact]
    public void A_sound_pump_costs_nothing_extra()
    {
        var solver = new OperatingPointSolver(Fog2, Fog2Setup());
        var sound = solver.Solve(new Condition(), 1, 1, 1e-12);
        var prices = new Prices(0.30 / 3.6e6, 2.5);
        RunningCost.Of(sound, sound, 0.88, prices).MoneyPerHour.ShouldBe(0, 1e-9);
        var leaking = solver.Solve(new Condition { BypassShare = 0.3 }, 1, 1, 1e-12);
        var cost = RunningCost.Of(sound, leaking, 0.88, prices);
        cost.WastedW.ShouldBe(PowerSplit.Of(leaking).Bypass / PowerRules.MechanicalEfficiency / 0.88, 0.02 * cost.WastedW);
        cost.MoneyPerHour.ShouldBe(cost.WastedW / 1000 * 0.30, 1e-9);
    }

    [Fact]
    public void Geometry_and_plate_complete_one_another()
    {
        var (bore, stroke, speed) = (Q<Length>(18, "mm"), Q<Length>(18, "mm"), Q<RotationalSpeed>(1450, "rpm"));
        var flow = Nameplate.Complete(3, bore, stroke, speed, null).Flow;
        var back = Nameplate.Complete(3, bore, null, speed, flow);
        back.Stroke.Si.ShouldBe(stroke.Si, 1e-9);
        back.WorkedOut!.ShouldContain("Stroke 18 mm");
        Nameplate.Complete(3, null, stroke, speed, flow).PlungerDiameter.Si.ShouldBe(bore.Si, 1e-9);
        Nameplate.Complete(3, bore, stroke, null, flow).Speed.Si.ShouldBe(speed.Si, 1e-9);
        Nameplate.Complete(3, bore, stroke, speed, new VolumeFlow(2 * flow.Si)).Doubt!.ShouldContain("do not agree");
        Should.Throw<ImpossibleInputException>(() => Nameplate.Complete(3, bore, null, null, flow)).Field.ShouldBe("stroke");
    }

    [Fact]
    public void What_cannot_be_is_refused_in_trade_words()
    {
        var nozzle = Nozzle.FromSize(4);
        var speed = Q<RotationalSpeed>(1450, "rpm");
        Should.Throw<ImpossibleInputException>(() => Setup.Create(
            speed, Nozzle.FromOrifice(Q<Length>(12, "mm"), new Density(1000)),
            outlet: LineRun.Create(Q<Length>(5, "m"), Q<Length>(10, "mm")))).Accepted.ShouldContain("smaller than the 10 mm line");
        Should.Throw<ImpossibleInputException>(() => Setup.Create(
            speed, nozzle, liquid: new Seawater(), temperature: Q<Temperature>(60, "°C"))).Accepted.ShouldContain("seawater");
        Should.Throw<ImpossibleInputException>(() => Setup.Create(
            speed, nozzle, temperature: Q<Temperature>(95, "°C"),
            supplyPressure: Q<GaugePressure>(-0.5, "bar"))).Accepted.ShouldContain("boils");
        Should.Throw<ImpossibleInputException>(() => Triplex(lambda: 1)).Accepted.ShouldContain("dead centre");
        Should.Throw<ImpossibleInputException>(() => Every.DoubleActing(2, rod: 60)).Field.ShouldBe("rodDiameter");
        Should.Throw<ImpossibleInputException>(() => Nozzle.FromSize(4).Times(0)).Field.ShouldBe("count");
    }

    /// <summary>
    /// A hundred thousand systems of every arrangement and fitting, sound or with up to three lame chambers: each settles, and the
    /// water adds up.
    /// </summary>
    [Fact]
    public void Every_system_settles() => Every.System.Sample(
        (solver, condition, softness) =>
        {
            var point = solver.Solve(condition, 1, 1, softness);
            (double.IsFinite(point.PressurePa) && double.IsFinite(point.SwingPa) && double.IsFinite(point.NozzleFlow)).ShouldBeTrue();
            point.PressurePa.ShouldBeGreaterThanOrEqualTo(0);
            var settled = point.PressurePa < 39 * Math.Max(solver.Pump.RatedPressure.Si, 1e6);
            if (settled)
                (point.NozzleFlow + point.BypassFlow + point.OutsideFlow)
                    .ShouldBe(point.SupplyFlow, 2e-5 * Math.Max(point.DisplacedFlow, solver.HealthyFlow));
        },
        iter: 100_000);
}
