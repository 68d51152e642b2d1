using MildHunch.Core.Numerics;

namespace MildHunch.Core.Simulation;

/// <summary>Notes samples at even times, with noise where a transducer is played.</summary>
internal sealed class Recorder(SimulationPlan plan, int chambers)
{
    private readonly List<Sample> samples = [];
    private readonly List<double>[] pressures = [.. Enumerable.Range(0, chambers).Select(_ => new List<double>())];
    private readonly SeededNoise noise = new(plan.Seed);
    private readonly double every = 1 / plan.SamplesPerSecond;

    public void Take(double seconds, double turns, Stepper at)
    {
        if (seconds < (samples.Count * every) - 1e-9)
            return;
        int inlet = 0, discharge = 0;
        for (var k = 0; k < chambers; k++)
        {
            if (Math.Abs(at.InFlow(k)) > 1e-12)
                inlet |= 1 << k;
            if (Math.Abs(at.OutFlow(k)) > 1e-12)
                discharge |= 1 << k;
            pressures[k].Add(at.Pressures[k] + Noise());
        }

        samples.Add(new Sample(
            seconds, turns, at.HeadPa + Noise(), at.GunPa + Noise(), at.InletPa + Noise(), at.NozzleFlow, at.BypassFlow, inlet, discharge));
    }

    public SimulationResult Result(SimulationMeans means, int steps, int halved) => new()
    {
        Means = means,
        Samples = samples,
        ChambersPa = [.. pressures.Select(p => p.ToArray())],
        Steps = steps,
        Halved = halved,
    };

    private double Noise() => plan.NoisePa <= 0 ? 0 : plan.NoisePa * noise.Next();
}
