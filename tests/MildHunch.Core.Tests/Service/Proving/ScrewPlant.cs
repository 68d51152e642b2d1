using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;
using MildHunch.Core.Simulation;

namespace MildHunch.Core.Tests.Service.Proving;

/// <summary>
/// A pump whose control is turned: what the gauge shows running and as the outlet shuts, by the time model, at settings from far below
/// to far above what its nozzle gives. Between settings that were run, a straight line.
/// </summary>
internal sealed class ScrewPlant
{
    private const double ShutAt = 0.25;
    private static readonly double[] Shares = [0.1, 0.25, 0.4, 0.55, 0.7, 0.8, 0.9, 0.95, 1, 1.05, 1.15, 1.4, 1.8];
    private readonly double[] settings;
    private readonly double[] running;
    private readonly double[] spikes;

    public ScrewPlant(ReciprocatingPump pump, Setup believed, double nozzleShare)
    {
        (Pump, Setup) = (pump, believed);
        var real = believed.With(Nozzle.FromPoint(
            new VolumeFlow(nozzleShare * believed.Nozzle.Coefficient * Math.Sqrt(1e7)), new GaugePressure(1e7)));
        NozzlePa = new OperatingPointSolver(pump, real.Uncontrolled()).HealthyPa;
        settings = [.. Shares.Select(s => s * NozzlePa)];
        var runs = settings.AsParallel().AsOrdered().Select(s => Run(pump, real.SetTo(new GaugePressure(s)))).ToArray();
        running = [.. runs.Select(r => r.Running)];
        spikes = [.. runs.Select(r => r.Spike)];
    }

    public ReciprocatingPump Pump { get; }

    /// <summary>As the technician believes it.</summary>
    public Setup Setup { get; }

    /// <summary>What the nozzle as it is gives at full flow, Pa.</summary>
    public double NozzlePa { get; }

    public double Running(double settingPa) => Read(running, settingPa);

    public double Spike(double settingPa) => Read(spikes, settingPa);

    /// <summary>The setting at which it runs at a pressure; null where the nozzle gives less.</summary>
    public double? SettingFor(double runningPa)
    {
        for (var k = 1; k < settings.Length; k++)
            if (running[k] >= runningPa)
                return settings[k - 1] + ((runningPa - running[k - 1]) / (running[k] - running[k - 1]) * (settings[k] - settings[k - 1]));
        return null;
    }

    private static (double Running, double Spike) Run(ReciprocatingPump pump, Setup setup)
    {
        var result = PumpSimulation.Run(
            new OperatingPointSolver(pump, setup), new Condition(),
            new SimulationPlan { Seconds = ShutAt + 0.15, Outlet = [new OutletMove(ShutAt, 0)], SamplesPerSecond = 4000 });
        var open = result.Samples.Where(s => s.Seconds < ShutAt).ToArray();
        var turns = Math.Floor(open[^1].Turns - open[0].Turns);
        return (open.Where(s => s.Turns - open[0].Turns < turns).Average(s => s.HeadPa), result.Samples.Max(s => s.HeadPa));
    }

    private double Read(double[] values, double settingPa)
    {
        var k = Math.Clamp(Array.FindIndex(settings, s => s >= settingPa), 1, settings.Length - 1);
        if (settingPa > settings[^1])
            k = settings.Length - 1;
        return values[k - 1] + ((settingPa - settings[k - 1]) / (settings[k] - settings[k - 1]) * (values[k] - values[k - 1]));
    }
}
