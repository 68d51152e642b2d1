using CsCheck;
using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;
using MildHunch.Core.Simulation;
using static MildHunch.Core.Tests.Setting;

namespace MildHunch.Core.Tests.Hydraulics.Steady;

/// <summary>How chambers fill through a run of liquid that must be started and stopped, against closed forms and the time model.</summary>
public class SuctionColumnTests
{
    /// <summary>
    /// A run that follows one plunger passes half sines, whose mean square is π²/4 times the square of the mean; three plungers
    /// of even motion overlap to 1 + 2·(half the ripple's square), hardly more than 1.
    /// </summary>
    [Theory]
    [InlineData(1, Math.PI * Math.PI / 4, 0.02)]
    [InlineData(2, Math.PI * Math.PI / 8, 0.01)]
    [InlineData(3, 1.00, 0.01)]
    public void Friction_of_a_flow_that_comes_and_goes(int cylinders, double factor, double within)
    {
        var (_, column) = Of(cylinders, metres: 0.3, bore: 40, LineMaterial.Steel);
        var fill = column.At(1, 2e5, 1450 / 60.0);
        fill.Share.ShouldBe(1, 1e-3);
        fill.SquareFactor.ShouldBe(factor, within * factor);
    }

    /// <summary>
    /// Over a turn that repeats itself the column gains no momentum: what friction takes, R times the mean of the flow's square,
    /// cannot be more than stands above boiling. And nothing comes in that no plunger makes room for.
    /// </summary>
    [Fact]
    public void Friction_never_takes_more_than_there_is() =>
        Gen.Select(Gen.Int[1, 5], Gen.Double[0.3, 5], Gen.Double[12, 40], Gen.Double[0.15, 1], Gen.Double[0.3e5, 3e5], Gen.Double[5, 25])
            .Sample(
        (cylinders, metres, bore, capacity, over, hz) =>
        {
            var (solver, column) = Of(cylinders, metres, bore, LineMaterial.Hose);
            var fill = column.At(capacity, over, hz);
            fill.Share.ShouldBeInRange(0, 1);
            fill.SquareFactor.ShouldBeGreaterThanOrEqualTo(1);
            var flow = fill.Share * solver.Pump.Cylinders * solver.Pump.SweptVolume.Si * hz;
            (solver.InletLoss / (capacity * capacity) * fill.SquareFactor * flow * flow).ShouldBeLessThan(1.2 * over);
        },
        iter: 300);

    /// <summary>
    /// One plunger on a suction hose: what the time model delivers, sound or starved, the steady one says within a tenth. Without
    /// the column it was out by two fifths where the hose starves the pump.
    /// </summary>
    [Theory]
    [InlineData(600, 1)]
    [InlineData(600, 4)]
    [InlineData(1000, 2)]
    [InlineData(1000, 4)]
    [InlineData(1450, 1)]
    [InlineData(1450, 3)]
    public void One_plunger_on_a_hose_agrees_with_the_time_model(double rpm, double metres)
    {
        var pump = ReciprocatingPump.Create(
            1, Q<Length>(25, "mm"), Q<Length>(28, "mm"), Q<RotationalSpeed>(rpm, "rpm"), Q<GaugePressure>(100, "bar"), ControlKind.None);
        var flow = new VolumeFlow(0.95 * pump.SweptVolume.Si * pump.RatedSpeed.Si);
        var setup = Setup.Create(
            pump.RatedSpeed,
            Nozzle.FromPoint(flow, Q<GaugePressure>(80, "bar")),
            line: OutletLine.Hose,
            inlet: new InletSide(
                LineRun.Create(Q<Length>(metres, "m"), new Length(2 * Math.Sqrt(4 * flow.Si / (Math.PI * 3)))), Q<Length>(0.5, "m")));
        var solver = new OperatingPointSolver(pump, setup);
        var steady = solver.Solve(new Condition(), 1, 1, OutletCompliance.Typical(setup));
        var means = PumpSimulation.Run(solver, new Condition(), new SimulationPlan { Seconds = 12 / pump.RatedSpeed.Si }).Means;
        means.NozzleFlow.ShouldBe(steady.NozzleFlow, 0.12 * flow.Si);
        means.InletPa.ShouldBe(steady.InletPa, 0.15e5);
    }

    private static (OperatingPointSolver Solver, SuctionColumn Column) Of(int cylinders, double metres, double bore, LineMaterial material)
    {
        var setup = Setup.Create(
            Q<RotationalSpeed>(1450, "rpm"),
            Fog2Setup().Nozzle,
            inlet: new InletSide(LineRun.Create(Q<Length>(metres, "m"), Q<Length>(bore, "mm"), material), default));
        var solver = new OperatingPointSolver(Triplex(cylinders, ControlKind.None, lambda: 0), setup);
        return (solver, solver.Column);
    }
}
