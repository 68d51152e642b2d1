using System.Diagnostics;
using MildHunch.Core.Fluids;
using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;
using MildHunch.Core.Simulation;

/// <summary>The forward model on one thread: what inference calls, the network with everything fitted, and the pump in time.</summary>
internal static class Model
{
    private const int Solves = 200_000;
    private const int Runs = 40;

    public static void Measure()
    {
        var bare = new OperatingPointSolver(Triplex(), Setup.Create(Q<RotationalSpeed>(1450, "rpm"), Mist(), Q<GaugePressure>(85, "bar")));
        Kernel("operating point, triplex with one leaking valve", bare, (ref Condition c, int i) => c.LeakBack(0, i % 100 / 40.0));
        var fitted = new OperatingPointSolver(Triplex(), Everything());
        Kernel("network with everything fitted, sound", fitted, (ref Condition c, int i) => c.SpeedFactor = 1 - (i % 100 / 1000.0));
        Kernel("network with everything fitted, three faults", fitted, (ref Condition c, int i) =>
        {
            c.LeakBack(0, i % 100 / 40.0);
            c.LeakForward(1, 0.2);
            c.NozzleFactor = 1.1;
        });
        InTime("a second of a triplex in time", bare, new SimulationPlan { Seconds = 1 });
        InTime("a second of a triplex in time, everything fitted", fitted, new SimulationPlan { Seconds = 1 });
    }

    private delegate void Spoil(ref Condition condition, int i);

    private static void Kernel(string what, OperatingPointSolver solver, Spoil spoil)
    {
        var softness = OutletCompliance.Typical(solver.Setup);
        double Run()
        {
            var sum = 0.0;
            for (var i = 0; i < Solves; i++)
            {
                var condition = new Condition();
                spoil(ref condition, i);
                sum += solver.Solve(condition, 1, 1, softness).PressurePa;
            }

            return sum;
        }

        Run();
        var before = GC.GetAllocatedBytesForCurrentThread();
        var watch = Stopwatch.StartNew();
        Run();
        Console.WriteLine($"{what,-50} mean {watch.Elapsed.TotalNanoseconds / Solves,8:0} ns   "
            + $"{(GC.GetAllocatedBytesForCurrentThread() - before) / (double)Solves:0.###} bytes allocated a solve");
    }

    private static void InTime(string what, OperatingPointSolver solver, SimulationPlan plan)
    {
        var times = new List<double>();
        var steps = 0;
        for (var i = 0; i < Runs + 5; i++)
        {
            var watch = Stopwatch.StartNew();
            steps = PumpSimulation.Run(solver, new Condition(), plan).Steps;
            if (i >= 5)
                times.Add(watch.Elapsed.TotalMilliseconds);
        }

        times.Sort();
        Console.WriteLine($"{what,-50} median {times[times.Count / 2],8:0.00} ms   p95 {times[(int)(times.Count * 0.95)],8:0.00} ms   "
            + $"{1e6 * times[times.Count / 2] / steps:0} ns a step, {steps} steps, settling included");
    }

    private static ReciprocatingPump Triplex() =>
        ReciprocatingPump.Create(
            3, Q<Length>(18, "mm"), Q<Length>(18, "mm"), Q<RotationalSpeed>(1450, "rpm"), Q<GaugePressure>(100, "bar"));

    private static Nozzle Mist() => Nozzle.FromPoint(Q<VolumeFlow>(19.2, "L/min"), Q<GaugePressure>(70, "bar"));

    /// <summary>
    /// Seawater, belt-driven motor, suction hose and strainer, hose to the gun, dampener, relief beside the unloader, injector.
    /// </summary>
    private static Setup Everything() => Setup.Create(
        Q<RotationalSpeed>(1450, "rpm"),
        Mist(),
        Q<GaugePressure>(85, "bar"),
        OutletLine.Hose,
        Q<Temperature>(15, "°C"),
        Q<GaugePressure>(0.3, "bar"),
        liquid: new Seawater(35),
        drive: Drive.Motor(4, 50, Q<Power>(4, "kW"), 0.04, 1.02, belt: true),
        inlet: new InletSide(LineRun.Create(Q<Length>(3, "m"), Q<Length>(25, "mm")), Q<Length>(0.5, "m")),
        outlet: LineRun.Create(Q<Length>(20, "m"), Q<Length>(10, "mm"), fittingLoss: 4),
        dampener: Dampener.Create(Q<Volume>(160, "mL"), Q<GaugePressure>(45, "bar")),
        relief: Q<GaugePressure>(110, "bar"),
        injector: InjectorPlace.Outlet);

    private static T Q<T>(double value, string unit)
        where T : struct, IQuantity<T> => Quantity.From<T>(value, unit);
}
