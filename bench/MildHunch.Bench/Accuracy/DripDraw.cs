using MildHunch.Core.Diagnosis.Hypotheses;
using MildHunch.Core.Diagnosis.Likelihood;
using MildHunch.Core.Diagnosis.Predictions;
using MildHunch.Core.Evidence;
using MildHunch.Core.Faults.Effects;
using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Simulation;

namespace MildHunch.Bench.Accuracy;

/// <summary>
/// How fast it drips at each wet place, and whether also standing: what the time model lets out where the fault is one that
/// it lets out, what the catalogue names where not, a drop now and then where nothing is wrong; each wider than the
/// inference believes, and counted with an error.
/// </summary>
internal static class DripDraw
{
    private static readonly double Spread = 1.25 * Math.Log(3);

    public static List<CueFact> Counted(
        List<CueFact> cues, CueModel model, OperatingPointSolver real, IReadOnlyList<Hypothesis> truth, IReadOnlyList<double> severity,
        SimulationMeans means, Random random) =>
        [.. cues.Select(c => c.Cue == "leak-at" && c.Answer != "none" ? Seen(c, model, real, truth, severity, means, random) : c)];

    private static CueFact Seen(
        CueFact fact, CueModel model, OperatingPointSolver real, IReadOnlyList<Hypothesis> truth, IReadOnlyList<double> severity,
        SimulationMeans means, Random random)
    {
        var why = Enumerable.Range(0, truth.Count).Select(h => (Row: h, Word: model.Drip(h, fact))).FirstOrDefault(w => w.Word is not null);
        var log = Math.Log(model.IdleDrops(fact));
        if (why.Word is { } word)
        {
            var effect = EffectLibrary.Find(truth[why.Row].Fault.EffectOn(truth[why.Row].Side))!;
            log = Math.Log(SeverityPrior.Drips(effect, 1, real.Pump)
                ? Math.Max(0.1, Drops(effect, severity[why.Row], truth.Count == 1 ? means : null, real))
                : LeakRates.Named(word));
        }

        var drops = Math.Exp(log + (Spread * PumpDraw.Normal(random)) + (0.3 * PumpDraw.Normal(random)));
        var standing = random.NextDouble() < Disturbed(LeakRates.AlsoStanding(why.Word, real.Setup), random);
        return fact with
        {
            Stream = drops > LeakRates.Countable,
            DropsPerMinute = drops > LeakRates.Countable ? null : Math.Max(0.2, drops),
            When = standing ? Dripping.Standing : Dripping.Running,
        };
    }

    // What runs out in time where this fault alone is in the pump, its mere drips added; else what the balance says.
    private static double Drops(IEffect effect, double severity, SimulationMeans? alone, OperatingPointSolver real)
    {
        var condition = new Condition();
        effect.Apply(ref condition, severity, real.Pump);
        return alone is null ? LeakRates.DropsOf(real, condition) : (alone.OutsideFlow + condition.DripFlow) * LeakRates.DropsPerM3 * 60;
    }

    private static double Disturbed(double chance, Random random)
    {
        var odds = chance / (1 - chance) * Math.Exp(0.5 * PumpDraw.Normal(random));
        return odds / (1 + odds);
    }
}
