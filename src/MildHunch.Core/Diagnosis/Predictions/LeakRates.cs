using MildHunch.Core.Evidence;
using MildHunch.Core.Faults;
using MildHunch.Core.Faults.Effects;
using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Numerics;
using MildHunch.Core.Pumps;

namespace MildHunch.Core.Diagnosis.Predictions;

/// <summary>
/// How fast it drips, and whether also standing, as evidence: what a fault lets out is computed at every size where the
/// model knows it, and named by the catalogue where it does not. A drop now and then is nobody's fault.
/// </summary>
internal sealed class LeakRates
{
    /// <summary>Drops a minute beyond which nobody counts: a stream (common practice, no source).</summary>
    public const double Countable = 300;

    /// <summary>Drops in a cubic metre: 20 to a millilitre (docs/trade.md, Drips).</summary>
    public const double DropsPerM3 = 20e6;

    // All common practice, no source: a drop that means nothing comes once a minute, give or take a factor of three; so do
    // what the catalogue names and what is computed, around their own figures; counting 30 %.
    private const double IdleDrops = 1;
    private const double NamedDrops = 20;
    private const double CountingShare = 0.3;
    private const double PressurisedPa = 1e4;

    // An odd drip must not decide a case on its own.
    private const double Most = 300;
    private const int Sizes = 16;
    private static readonly double Wide = Math.Log(3);
    private static readonly double Counted = Math.Sqrt((Wide * Wide) + (CountingShare * CountingShare));
    private static readonly (double Share, double Log)[] Idle = [(1, Math.Log(IdleDrops))];
    // From a tenth of a cylinder on the floor it is a stream that somebody should have seen (common practice, no source;
    // docs/reasoning.md, Silence).
    private const double StreamShare = 0.1;
    private readonly double streamLog;
    private readonly (double Share, double Log)[]?[] byEffect;
    private readonly Setup setup;

    /// <summary>Works out what every fault lets out at every size.</summary>
    public LeakRates(IPumpModel model, PredictionTable table, SeverityBins bins)
    {
        setup = model.Setup;
        var sound = model.Solve(new Condition(), 1, 1, OutletCompliance.Typical(setup));
        streamLog = Math.Log(Math.Max(1, StreamShare * sound.DisplacedFlow / model.Pump.Cylinders * DropsPerM3 * 60));
        byEffect = [.. table.Effects.Select((e, i) => SeverityPrior.Drips(e, 1, model.Pump) ? Sized(model, e, bins.Prior[i]) : null)];
    }

    /// <summary>True where an effect at this fine severity runs to the floor in a stream.</summary>
    public bool Streams(int effect, int fine) =>
        byEffect[effect] is { } sizes && sizes[fine * Sizes / PredictionTable.Fine].Log >= streamLog;

    /// <summary>Drops a minute that run out of a pump in this condition.</summary>
    public static double DropsOf(IPumpModel model, in Condition condition) =>
        model.Solve(condition, 1, 1, OutletCompliance.Typical(model.Setup)).OutsideFlow * DropsPerM3 * 60;

    /// <summary>Drops a minute that the catalogue names for a fault whose leak the model does not know.</summary>
    public static double Named(CueWord word) => word.Drops ?? NamedDrops;

    /// <summary>Chance that a fault which drips here also drips standing. An inlet without pressure feeds nothing that stands.</summary>
    public static double AlsoStanding(CueWord? word, Setup setup) =>
        word?.Standing is not { } standing
            ? 0.5
            : EvidenceWords.Likelihood(word.Fed && setup.SupplyPressure.Si <= PressurisedPa ? "seldom" : standing);

    /// <summary>
    /// How much likelier what was seen of a drip is with this fault than with a drip that means nothing; 1 where neither rate
    /// nor time was given.
    /// </summary>
    public double Ratio(CueFact fact, int effect, CueWord word)
    {
        var ratio = 1.0;
        if (fact.Stream || fact.DropsPerMinute is > 0)
            ratio = Seen(fact, byEffect[effect] ?? [(1, Math.Log(Named(word)))]) / Seen(fact, Idle);
        if (fact.When != Dripping.Unsaid)
            ratio *= (fact.When == Dripping.Standing ? AlsoStanding(word, setup) : 1 - AlsoStanding(word, setup))
                / AlsoStanding(null, setup);
        return Math.Clamp(ratio, 1 / Most, Most);
    }

    private static double Seen(CueFact fact, (double Share, double Log)[] sizes)
    {
        var sum = 1e-12;
        foreach (var (share, log) in sizes)
        {
            var z = (Math.Log(fact.Stream ? Countable : fact.DropsPerMinute!.Value) - log) / Counted;
            sum += share * (fact.Stream ? 1 - NormalDistribution.Cumulative(z) : Math.Exp(-0.5 * z * z));
        }

        return sum;
    }

    private static (double, double)[] Sized(IPumpModel model, IEffect effect, double[] prior)
    {
        var sizes = new (double Share, double Log)[Sizes];
        var each = prior.Length / Sizes;
        for (var i = 0; i < sizes.Length; i++)
        {
            var condition = new Condition();
            effect.Apply(ref condition, (i + 0.5) / Sizes, model.Pump);
            sizes[i] = (prior.Skip(i * each).Take(each).Sum(), Math.Log(Math.Max(0.1, DropsOf(model, condition))));
        }

        return sizes;
    }
}
