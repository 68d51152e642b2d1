using CsCheck;
using MildHunch.Core.Expectation;
using MildHunch.Core.Fluids;
using MildHunch.Core.Hydraulics.Motion;
using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;
using static MildHunch.Core.Tests.Setting;

namespace MildHunch.Core.Tests.Hydraulics.Steady;

public class OperatingPointTests
{
    private static readonly Gen<Condition> AnyCondition = Gen.Select(
        Gen.Double[0.5, 1.1], Gen.Double[0.3, 2.5], Gen.Double[0, 3], Gen.Double[0, 3], Gen.Double[0, 0.7], Gen.Double[0.1, 1],
        Gen.Double[0.3, 3],
        (speed, nozzle, forward, back, bypass, setting, inlet) => Leaking(forward, back) with
        {
            SpeedFactor = speed,
            NozzleFactor = nozzle,
            BypassShare = bypass,
            SettingFactor = setting,
            InletCapacity = inlet / 3,
        });

    private static readonly Gen<OperatingPointSolver> AnySolver = Gen.Select(
        Gen.Int[1, 7], Gen.Double[5, 40], Gen.Double[10, 2000], Gen.Double[5, 300]).Select(
        (cylinders, bore, rpm, bar) =>
        {
            var pump = ReciprocatingPump.Create(
                cylinders, Q<Length>(bore, "mm"), Q<Length>(bore, "mm"), Q<RotationalSpeed>(rpm, "rpm"), Q<GaugePressure>(bar, "bar"));
            var flow = Delivery.TheoreticalFlow(pump, rpm / 60);
            return new OperatingPointSolver(
                pump,
                Setup.Create(
                    Q<RotationalSpeed>(rpm, "rpm"), Nozzle.FromPoint(new VolumeFlow(flow), Q<GaugePressure>(bar, "bar")),
                    Q<GaugePressure>(bar * 1.2, "bar")));
        });

    [Fact]
    public void It_always_settles_and_the_water_adds_up() => Gen.Select(AnySolver, AnyCondition, Gen.Double[-13, -11.3]).Sample(
        (solver, condition, logSoft) =>
        {
            var point = solver.Solve(condition, 1, 1, Math.Pow(10, logSoft));
            double.IsFinite(point.PressurePa).ShouldBeTrue();
            point.PressurePa.ShouldBeGreaterThanOrEqualTo(0);
            point.BypassFlow.ShouldBeGreaterThanOrEqualTo(0);
            (point.NozzleFlow + point.BypassFlow + point.OutsideFlow).ShouldBe(point.SupplyFlow, 1e-4 * point.DisplacedFlow);
            point.SupplyFlow.ShouldBeLessThanOrEqualTo(point.DisplacedFlow * 1.0001);
        },
        iter: 3000);

    [Fact]
    public void Starting_near_by_does_not_change_the_answer() => Gen.Select(AnySolver, AnyCondition, Gen.Double[0.9, 1.1]).Sample(
        (solver, condition, scale) =>
        {
            var near = solver.Solve(condition, 1, 1, 1e-12);
            var cold = solver.Solve(condition, scale, 1, 1e-12);
            var warm = solver.Solve(condition, scale, 1, 1e-12, near);
            warm.PressurePa.ShouldBe(cold.PressurePa, 2e-3 * Math.Max(cold.PressurePa, 1e4));
        },
        iter: 1000);

    /// <summary>On the softest and the stiffest line, whatever leaks beside it.</summary>
    [Fact]
    public void Worse_is_never_better() =>
        Gen.Select(AnySolver, Gen.Double[0, 2.5], Gen.Bool, Gen.Double[-13, -11.3], Gen.Double[-2, 2]).Sample(
        (solver, leak, forward, logSoft, beside) =>
        {
            Condition Lame(double g)
            {
                var condition = forward ? Leaking(forward: g) : Leaking(back: g);
                if (beside > 0 && solver.Pump.Cylinders > 1)
                    condition.LeakForward(1, beside);
                return condition;
            }

            var less = solver.Solve(Lame(leak), 1, 1, Math.Pow(10, logSoft));
            var more = solver.Solve(Lame(leak + 0.2), 1, 1, Math.Pow(10, logSoft));
            more.NozzleFlow.ShouldBeLessThanOrEqualTo(less.NozzleFlow * (1 + 1e-3));
        },
        iter: 2000);

    /// <summary>Triplex on a hose: 67 % flow and 44 % pressure with one dead cylinder (docs/trade.md, Soft and stiff outlets).</summary>
    [Fact]
    public void Pressure_falls_with_the_square_of_the_working_share()
    {
        var solver = new OperatingPointSolver(Fog2, Fog2Setup());
        var sound = solver.Solve(new Condition(), 1, 1, 5e-12);
        var dead = solver.Solve(Leaking(back: 3), 1, 1, 5e-12);
        (dead.PressurePa / sound.PressurePa).ShouldBe(4.0 / 9, 0.01);
    }

    [Fact]
    public void A_low_setting_pins_the_pressure_whatever_the_nozzle()
    {
        var solver = new OperatingPointSolver(Fog2, Fog2Setup());
        var low = new Condition { SettingFactor = 0.5 };
        var fitted = solver.Solve(low, 1, 1, 1e-12);
        var smaller = solver.Solve(low with { NozzleFactor = 0.9 }, 1, 1, 1e-12);
        fitted.PressurePa.ShouldBe(42.5e5, 42.5e5 * OperatingPointSolver.ControlBand);
        smaller.PressurePa.ShouldBe(fitted.PressurePa, 0.02 * fitted.PressurePa);
        smaller.BypassFlow.ShouldBeGreaterThan(fitted.BypassFlow);
    }

    [Fact]
    public void Solving_allocates_nothing()
    {
        var solver = new OperatingPointSolver(Fog2, Fog2Setup());
        var condition = Leaking(back: 0.5);
        solver.Solve(condition, 1, 1, 1e-12);
        var before = GC.GetAllocatedBytesForCurrentThread();
        for (var i = 0; i < 1000; i++)
            solver.Solve(condition, 1, 1, 1e-12);
        (GC.GetAllocatedBytesForCurrentThread() - before).ShouldBeLessThan(1000);
    }

    [Fact]
    public void Every_expected_figure_shows_its_working_and_lies_in_its_band()
    {
        var expectation = PumpExpectation.Of(Fog2, Fog2Setup());
        foreach (var figure in expectation.Figures)
        {
            figure.Working.Formula.ShouldNotBeNullOrWhiteSpace(figure.Id);
            figure.Working.Source.ShouldNotBeNullOrWhiteSpace(figure.Id);
            figure.Working.Inputs.ShouldNotBeEmpty(figure.Id);
            figure.Value.Si.ShouldBeInRange(figure.Low.Si, figure.High.Si, figure.Id);
        }

        expectation["discharge-pressure"].Value.Text().ShouldBe("70 bar");
        expectation["discharge-pressure"].Band.Count.ShouldBeGreaterThan(2);
    }

    [Fact]
    public void A_measured_speed_narrows_the_band()
    {
        double Width(Figure f) => f.High.Si - f.Low.Si;
        var believed = PumpExpectation.Of(Fog2, Fog2Setup());
        var measured = PumpExpectation.Of(Fog2, Fog2Setup(), Q<RotationalSpeed>(1450, "rpm"));
        Width(measured["nozzle-flow"]).ShouldBeLessThan(Width(believed["nozzle-flow"]));
    }

    [Theory]
    [InlineData(0, "cylinders")]
    [InlineData(8, "cylinders")]
    public void Cylinders_that_cannot_be(int cylinders, string field) =>
        Should.Throw<ImpossibleInputException>(() => Triplex(cylinders)).Field.ShouldBe(field);

    [Fact]
    public void Geometry_that_cannot_be()
    {
        Should.Throw<ImpossibleInputException>(() => ReciprocatingPump.Create(
            3, default, Q<Length>(18, "mm"), Q<RotationalSpeed>(1450, "rpm"),
            Q<GaugePressure>(70, "bar"))).Field.ShouldBe("plungerDiameter");
        Should.Throw<ImpossibleInputException>(() => ReciprocatingPump.Create(
            3, Q<Length>(18, "mm"), default, Q<RotationalSpeed>(1450, "rpm"), Q<GaugePressure>(70, "bar"))).Field.ShouldBe("stroke");
        Should.Throw<ImpossibleInputException>(() => Triplex(lambda: 1)).Field.ShouldBe("rodRatio");
        Should.Throw<ImpossibleInputException>(() => Setup.Create(
            Q<RotationalSpeed>(1e9, "rpm"), Nozzle.FromSize(4))).Message.ShouldContain("0.6 to 6000 rpm");
        Should.Throw<ImpossibleInputException>(() => Nozzle.FromSize(0)).Field.ShouldBe("size");
        Should.Throw<ImpossibleInputException>(() => Water.Density(Q<Temperature>(140, "°C"))).Field.ShouldBe("temperature");
    }
}
