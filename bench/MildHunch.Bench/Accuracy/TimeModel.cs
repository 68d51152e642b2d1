using System.Runtime.InteropServices;
using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Pumps;
using MildHunch.Core.Simulation;

namespace MildHunch.Bench.Accuracy;

/// <summary>
/// The pump in time as a model to infer with: slow, and what the cases are drawn from. How readings move with slip, speed
/// and Kn is taken from the steady balance, in proportion; so are two faults at once.
/// </summary>
internal sealed class TimeModel(ReciprocatingPump pump, Setup setup) : IPumpModel
{
    private readonly OperatingPointSolver steady = new(pump, setup);
    private readonly Dictionary<string, OperatingPoint> known = [];

    public ReciprocatingPump Pump => pump;

    public Setup Setup => setup;

    public IPumpModel ForPairs => steady;

    public OperatingPoint Solve(
        in Condition c, double deliveryScale, double nozzleScale, double complianceM3Pa, in OperatingPoint near = default)
    {
        var softness = OutletCompliance.Typical(setup);
        var inTime = InTime(c);
        if (deliveryScale == 1 && nozzleScale == 1)
            return inTime;
        var middle = steady.Solve(c, 1, 1, softness);
        var moved = steady.Solve(c, deliveryScale, nozzleScale, softness, middle);
        return inTime with
        {
            PressurePa = Scaled(inTime.PressurePa, middle.PressurePa, moved.PressurePa),
            SwingPa = Scaled(inTime.SwingPa, middle.SwingPa, moved.SwingPa),
            GunPa = Scaled(inTime.GunPa, middle.GunPa, moved.GunPa),
            NozzleFlow = Scaled(inTime.NozzleFlow, middle.NozzleFlow, moved.NozzleFlow),
            BypassFlow = Math.Max(0, inTime.BypassFlow + moved.BypassFlow - middle.BypassFlow),
            SupplyFlow = Scaled(inTime.SupplyFlow, middle.SupplyFlow, moved.SupplyFlow),
            InletPa = inTime.InletPa + moved.InletPa - middle.InletPa,
            NozzleCoefficient = Scaled(inTime.NozzleCoefficient, middle.NozzleCoefficient, moved.NozzleCoefficient),
        };
    }

    private static double Scaled(double value, double from, double to) => from > 0 ? value * to / from : value + to - from;

    private OperatingPoint InTime(Condition c)
    {
        var key = Convert.ToBase64String(MemoryMarshal.AsBytes(new ReadOnlySpan<Condition>(in c)));
        if (known.TryGetValue(key, out var point))
            return point;
        point = steady.Solve(c, 1, 1, OutletCompliance.Typical(setup));
        try
        {
            var means = PumpSimulation.Run(steady, c, DrawnCase.Plan(pump)).Means;
            point = point with
            {
                PressurePa = means.PressurePa,
                SwingPa = means.SwingPa,
                GunPa = means.GunPa,
                NozzleFlow = means.NozzleFlow,
                BypassFlow = means.BypassFlow,
                SupplyFlow = means.SupplyFlow,
                SpeedHz = means.SpeedHz,
                InletPa = means.InletPa,
            };
        }
        catch (SimulationException)
        {
            // That one severity is read from the steady balance instead.
        }

        return known[key] = point;
    }
}
