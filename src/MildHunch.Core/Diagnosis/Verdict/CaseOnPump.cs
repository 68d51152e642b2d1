using MildHunch.Core.Diagnosis.Hypotheses;
using MildHunch.Core.Diagnosis.Likelihood;
using MildHunch.Core.Diagnosis.Predictions;
using MildHunch.Core.Evidence;
using MildHunch.Core.Expectation;
using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;

namespace MildHunch.Core.Diagnosis.Verdict;

/// <summary>
/// The first stage of a diagnosis: a case laid on its solved pump, its evidence as items that can be weighed. Which pairs of
/// faults compete is not settled here. Nothing in it changes.
/// </summary>
internal sealed class CaseOnPump
{
    private readonly LeakRates leakRates;

    public CaseOnPump(
        Catalogue catalogue, PreparedPump prepared, ReciprocatingPump pump, Setup setup, CaseEvidence evidence, IOpenings? openings = null,
        IReadOnlyList<CueFact>? stillSeen = null)
    {
        Catalogue = catalogue;
        Openings = openings;
        Pump = pump;
        Setup = setup;
        Fittings = Pumps.Fittings.Of(pump, setup);
        CouldNot = evidence.CouldNot;
        Seen = [.. evidence.Cues, .. stillSeen ?? []];
        StopNow = StopSigns.In(catalogue, Seen);
        Hypotheses = HypothesisSet.For(catalogue, pump, setup, evidence).All;
        (Table, PairTable, Cues, leakRates) = (prepared.Table, prepared.Pairs, prepared.Cues, prepared.Leaks);

        // Silence says something too: where nobody looked round, a stream to the floor would most often have been mentioned.
        var silent = evidence.Readings.Count + evidence.Cues.Count > 0 && evidence.Cues.All(c => c.Cue != "leak-at");
        Bins = silent ? prepared.Unsaid : prepared.Looked;
        Fresh = prepared.Looked;
        Instruments = new Instruments(pump, setup, evidence);
        Numbers = new NumericLikelihood(Table, Instruments, prepared.Model);
        Readings = new ReadingLikelihoods(Numbers, evidence.Readings);
        Items = [.. evidence.Readings.Select(Item), .. evidence.Cues.Select((c, i) => Item(c, i))];
        Groups = new EvidenceGroups(Items, Readings);
    }

    /// <summary>What checks open on this pump; null where the catalogue's own words count.</summary>
    public IOpenings? Openings { get; }

    public Catalogue Catalogue { get; }

    public ReciprocatingPump Pump { get; }

    public Setup Setup { get; }

    public Fitting Fittings { get; }

    public IReadOnlyList<Hypothesis> Hypotheses { get; }

    /// <summary>Cues and quantities that were tried in vain.</summary>
    public IReadOnlyList<string> CouldNot { get; }

    /// <summary>What was answered, and what was seen before mends that had nothing to do with it, not looked at again since.</summary>
    public IReadOnlyList<CueFact> Seen { get; }

    /// <summary>What was seen that must stop the pump at once.</summary>
    public IReadOnlyList<StopNow> StopNow { get; }

    public PredictionTable Table { get; }

    public PairTable PairTable { get; }

    public SeverityBins Bins { get; }

    /// <summary>Severities as likely as they are before anything was said.</summary>
    public SeverityBins Fresh { get; }

    public Instruments Instruments { get; }

    public NumericLikelihood Numbers { get; }

    public CueModel Cues { get; }

    /// <summary>The readings, against every effect.</summary>
    public ReadingLikelihoods Readings { get; }

    /// <summary>All evidence, readings first.</summary>
    public IReadOnlyList<EvidenceItem> Items { get; }

    /// <summary>Which of it sees the same thing.</summary>
    public EvidenceGroups Groups { get; }

    /// <summary>An answer not given yet as a piece of evidence.</summary>
    public EvidenceItem Item(CueFact fact) => Item(fact, null);

    private EvidenceItem Item(CueFact fact, int? number)
    {
        var cue = Catalogue.Cue(fact.Cue)!;
        var strength = Cues.Strength(cue);
        return new EvidenceItem(
            fact.Source ?? $"cue:{number}:{fact.Cue}", null, fact, Cues.Atoms(fact), cue.Group, strength,
            strength is null ? Drips(fact) : null);
    }

    private static EvidenceItem Item(Reading reading, int number) =>
        new(reading.Source ?? $"reading:{number}:{reading.What.Id}", reading, null, [], GroupOf(reading.What));

    private static string? GroupOf(Observable what) =>
        what == Observables.Swing ? EvidenceGroups.Swing : what == Observables.BypassFlow ? EvidenceGroups.Bypass : null;

    // How fast it drips, and when, makes a drip likelier with the faults that drip so.
    private DripOf[] Drips(CueFact fact)
    {
        var idle = Cues.IdleDrops(fact);
        DripsSeen?[] seen = [.. Enumerable.Range(0, Table.Effects.Count).Select(e => Bins.Dripping.Of(e, fact, idle))];
        return [.. Hypotheses.Select((of, h) =>
        {
            var drips = seen[of.EffectIndex];
            return Cues.Drip(h, fact) is { } word
                ? new DripOf(drips, leakRates.RatioWhen(fact, word) * (drips is null ? LeakRates.RatioNamed(fact, word, idle) : 1))
                : new DripOf(drips, 1);
        })];
    }
}
