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
    public const double DropsPerM3 = Drops.InAM3;

    /// <summary>
    /// Drops a minute that mean nothing, give or take a factor of three, where the catalogue says nothing else of the place (common
    /// practice, no source).
    /// </summary>
    public const double IdleDrops = 1;

    // Both common practice, no source: what is computed is as wide around its own figure; counting 30 %.
    private const double NamedDrops = 20;
    private const double CountingShare = 0.3;
    private const double PressurisedPa = 1e4;

    // Drips that mean nothing and drips of which the catalogue does not say when: standing as often as not where the inlet is fed.
    private const double IdleFed = 0.5;
    private const double IdleUnfed = 0.2;

    // What the catalogue names is a size often met: smaller ones, down to a drop a minute, and ten times larger ones are met too.
    private const double LargerThanNamed = 10;

    // Half of those who look see a drop that falls once a minute (common practice, no source).
    private const double HalfSeen = 1;

    // An odd drip must not decide a case on its own.
    private const double Most = 300;
    private const int Sizes = 16;
    private static readonly double Wide = Math.Log(3);
    private static readonly double Counted = Math.Sqrt((Wide * Wide) + (CountingShare * CountingShare));

    // From a tenth of a cylinder on the floor it is a stream that somebody should have seen (common practice, no source;
    // docs/reasoning.md, Silence).
    private const double StreamShare = 0.1;
    private readonly double streamLog;
    private readonly double[]?[] logs;
    private readonly Setup setup;

    /// <summary>Works out what every fault lets out at every size.</summary>
    public LeakRates(IPumpModel model, PredictionTable table)
    {
        setup = model.Setup;
        var sound = model.Solve(new Condition(), 1, 1, OutletCompliance.Typical(setup));
        streamLog = Math.Log(Math.Max(1, StreamShare * sound.DisplacedFlow / model.Pump.Cylinders * DropsPerM3 * 60));
        logs = [.. table.Effects.Select(e => SeverityPrior.Drips(e, 1, model.Pump) ? Logs(model, e) : null)];
    }

    /// <summary>True where an effect at this fine severity runs to the floor in a stream.</summary>
    public bool Streams(int effect, int fine) => logs[effect] is { } row && row[fine] >= streamLog;

    /// <summary>Logarithms of the drops a minute of an effect by fine severity; null where the model knows of none.</summary>
    public double[]? Of(int effect) => logs[effect];

    /// <summary>Chance that somebody who looks sees so many drops a minute.</summary>
    public static double Seen(double log) => 1 / (1 + (HalfSeen * Math.Exp(-log)));

    /// <summary>Drops a minute that run out of a pump in this condition.</summary>
    public static double DropsOf(IPumpModel model, in Condition condition) =>
        model.Solve(condition, 1, 1, OutletCompliance.Typical(model.Setup)).OutsideFlow * DropsPerM3 * 60;

    /// <summary>Drops a minute that the catalogue names for a fault whose leak the model does not know.</summary>
    public static double Named(CueWord word) => word.Drops ?? NamedDrops;

    /// <summary>
    /// Chance that a fault which drips here, or a drip that means nothing, also drips standing. An inlet without pressure feeds nothing
    /// that stands.
    /// </summary>
    public static double AlsoStanding(CueWord? word, Setup setup)
    {
        var fed = setup.SupplyPressure.Si > PressurisedPa;
        return word?.Standing is not { } standing ? fed ? IdleFed : IdleUnfed
            : EvidenceWords.Likelihood(word.Fed && !fed ? "seldom" : standing);
    }

    /// <summary>
    /// How much likelier what was seen of a drip is with a fault that lets out so much (a logarithm of drops a minute) than with a drip
    /// that means nothing and comes so many times a minute; 1 where no rate was given.
    /// </summary>
    public static double Ratio(CueFact fact, double log, double idle) =>
        fact.Rated ? Math.Min(Most, Density(fact, log) / Density(fact, Math.Log(idle))) : 1;

    /// <summary>The same for a fault of which the catalogue names what is often met.</summary>
    public static double RatioNamed(CueFact fact, CueWord word, double idle)
    {
        if (!fact.Rated)
            return 1;
        var largest = Math.Log(LargerThanNamed * Named(word));
        return Enumerable.Range(0, Sizes).Average(i => Ratio(fact, largest * Drops.Leaning((i + 0.5) / Sizes), idle));
    }

    /// <summary>How much likelier it is with this fault that it drips then; 1 where nobody said when.</summary>
    public double RatioWhen(CueFact fact, CueWord word) => fact.When switch
    {
        Dripping.Unsaid => 1,
        Dripping.Standing => AlsoStanding(word, setup) / AlsoStanding(null, setup),
        _ => (1 - AlsoStanding(word, setup)) / (1 - AlsoStanding(null, setup)),
    };

    private static double Density(CueFact fact, double log)
    {
        var z = (Math.Log(fact.Stream ? Countable : fact.DropsPerMinute!.Value) - log) / Counted;
        return 1e-12 + (fact.Stream ? 1 - NormalDistribution.Cumulative(z) : Math.Exp(-0.5 * z * z));
    }

    // Solved at so many sizes and laid straight between them: leaks that show are told apart by how many times larger they are.
    private static double[] Logs(IPumpModel model, IEffect effect)
    {
        var solved = new double[Sizes];
        for (var i = 0; i < Sizes; i++)
        {
            var condition = new Condition();
            effect.Apply(ref condition, (i + 0.5) / Sizes, model.Pump);
            solved[i] = Math.Log(Math.Max(0.1, DropsOf(model, condition)));
        }

        return [.. Enumerable.Range(0, PredictionTable.Fine).Select(s =>
        {
            var at = (PredictionTable.Severity(s) * Sizes) - 0.5;
            var below = Math.Clamp((int)Math.Floor(at), 0, Sizes - 2);
            return solved[below] + ((at - below) * (solved[below + 1] - solved[below]));
        })];
    }
}
