using MildHunch.Core.Diagnosis.Hypotheses;
using MildHunch.Core.Diagnosis.Likelihood;
using MildHunch.Core.Diagnosis.Predictions;
using MildHunch.Core.Evidence;
using MildHunch.Core.Expectation;
using MildHunch.Core.Faults;
using MildHunch.Core.Numerics;
using MildHunch.Core.Pumps;

namespace MildHunch.Core.Diagnosis.Verdict;

/// <summary>
/// Everything computed once for a diagnosis, so that leaving a piece out or adding an answer is a short sum: the solved
/// table, the likelihood of the numbers, the cue model.
/// </summary>
internal sealed class Workbench
{
    // docs/trade.md, Verdict: of answers that see one thing, all but the leading one count to this power.
    private const double FollowerExponent = 1.0 / 3;
    private readonly IReadOnlyList<Reading> readings;
    private readonly Dictionary<(int LeftOut, bool SwingFollows), (NumericWeights Singles, double[] Bins, double[][] PairLog)> weights = [];
    private readonly Dictionary<EvidenceItem, double[]> leading = new(ReferenceEqualityComparer.Instance);
    private readonly Dictionary<EvidenceItem, double[]> following = new(ReferenceEqualityComparer.Instance);
    private readonly Dictionary<string, double[]> besides = [];
    private readonly Dictionary<(string Group, bool SwingFollows), Posterior> demoted = [];
    private SteadyLikelihood? steady;
    private double[][]? swing;
    private readonly Lazy<double> swingSpan;

    public Workbench(Catalogue catalogue, PreparedPump prepared, ReciprocatingPump pump, Setup setup, CaseEvidence evidence)
    {
        Catalogue = catalogue;
        Pump = pump;
        Setup = setup;
        Fittings = Pumps.Fittings.Of(pump, setup);
        readings = evidence.Readings;
        CouldNot = evidence.CouldNot;
        StopNow = StopSigns.In(catalogue, evidence.Cues);
        Hypotheses = HypothesisSet.For(catalogue, pump, setup, evidence).All;
        (Table, PairTable, Cues, LeakRates) = (prepared.Table, prepared.Pairs, prepared.Cues, prepared.Leaks);

        // Silence tells too: where nobody looked round, a stream to the floor would most often have been mentioned.
        var silent = evidence.Readings.Count + evidence.Cues.Count > 0 && evidence.Cues.All(c => c.Cue != "leak-at");
        Bins = silent ? prepared.Unsaid : prepared.Looked;
        Instruments = new Instruments(pump, setup, evidence);
        Numbers = new NumericLikelihood(Table, Instruments, prepared.Model);
        Items =
        [
            .. readings.Select((r, i) => new EvidenceItem(
                r.Source ?? $"reading:{i}:{r.What.Id}", r, null, [],
                r.What == Observables.Swing ? "swing" : r.What == Observables.BypassFlow ? "bypass" : null)),
            .. evidence.Cues.Select((c, i) => Item(c, i)),
        ];
        swingSpan = new Lazy<double>(SpanOfSwing);
        Contenders = new Contenders(Hypotheses, [], Bins);
        var ground = new PairGround(Hypotheses, Table, PairTable, Bins, Numbers, Instruments);
        PairWeights = new PairWeights(ground, [], readings);
        var singles = Posterior();
        var pairs = Pairs.Choose(Hypotheses, singles.Probability);
        if (pairs.Count == 0)
            return;
        Contenders = new Contenders(Hypotheses, pairs, Bins);
        PairWeights = new PairWeights(ground, pairs, readings);
        weights.Clear();
        leading.Clear();
        following.Clear();
        besides.Clear();
    }

    public Catalogue Catalogue { get; }

    public ReciprocatingPump Pump { get; }

    public Setup Setup { get; }

    public Fitting Fittings { get; }

    public IReadOnlyList<Hypothesis> Hypotheses { get; }

    /// <summary>Cues and quantities that were tried in vain.</summary>
    public IReadOnlyList<string> CouldNot { get; }

    /// <summary>What was seen that must stop the pump at once.</summary>
    public IReadOnlyList<StopNow> StopNow { get; }

    public PredictionTable Table { get; }

    public PairTable PairTable { get; }

    /// <summary>Singles and the pairs worth considering.</summary>
    public Contenders Contenders { get; }

    public PairWeights PairWeights { get; }

    public SeverityBins Bins { get; }

    public LeakRates LeakRates { get; }

    public Instruments Instruments { get; }

    public NumericLikelihood Numbers { get; }

    public CueModel Cues { get; }

    public IReadOnlyList<EvidenceItem> Items { get; }

    /// <summary>An answer as a piece of evidence.</summary>
    public EvidenceItem Item(CueFact fact, int number = -1) =>
        new(
            fact.Source ?? $"cue:{number}:{fact.Cue}", null, fact, Atoms(fact), Catalogue.Cue(fact.Cue)!.Group,
            Cues.Strength(Catalogue.Cue(fact.Cue)!));

    // How fast it drips, and when, makes a drip likelier with the faults that drip so.
    private IReadOnlyList<CueAtom> Atoms(CueFact fact)
    {
        var atoms = Cues.Atoms(fact);
        if (atoms is not [{ Wet: true } atom] || (!fact.Stream && fact.DropsPerMinute is null && fact.When == Dripping.Unsaid))
            return atoms;
        return [atom with { Full = [.. atom.Full.Select((full, h) => Cues.Drip(h, fact) is { } word
            ? full * LeakRates.Ratio(fact, Hypotheses[h].EffectIndex, word)
            : full)] }];
    }

    /// <summary>True where something told already sees the same physical thing.</summary>
    public bool Sees(EvidenceItem item) => item.Group is not null && Items.Any(i => i.Group == item.Group && !ReferenceEquals(i, item));

    /// <summary>
    /// The posterior before an answer that would take the lead of its group, all others of the group following already;
    /// null where it would stand alone or follow. The same for every such answer to a question.
    /// </summary>
    public Posterior? Takes(EvidenceItem added)
    {
        if (!Sees(added) || !Leads(added, [.. Items, added]))
            return null;
        var swings = added.Group == "swing" && Items.Any(i => i.Reading?.What == Observables.Swing);
        if (!demoted.TryGetValue((added.Group!, swings), out var known))
        {
            var followers = Items.Where(i => i.Cue is not null && i.Group == added.Group).Select(i => (i, FollowerExponent));
            known = demoted[(added.Group!, swings)] = Likelihood.Posterior.Of(
                Contenders, Weights(-1, swings).Bins, Answered(Beside(added.Group!), followers));
        }

        return known;
    }

    /// <summary>The posterior without one item: an answer that stands alone is divided out again.</summary>
    public Posterior PosteriorWithout(Posterior all, int leftOut)
    {
        var item = Items[leftOut];
        return (item.Cue is null || Sees(item) ? null : all.Without(Leading(item))) ?? Posterior(leftOut);
    }

    /// <summary>The posterior with one item left out, or one more taken in.</summary>
    public Posterior Posterior(int leftOut = -1, EvidenceItem? added = null)
    {
        var used = new List<EvidenceItem>(Items.Count + 1);
        for (var i = 0; i < Items.Count; i++)
            if (i != leftOut)
                used.Add(Items[i]);
        if (added is not null)
            used.Add(added);
        var cues = Exponents(used, out var swingFollows);
        var group = (added ?? (leftOut >= 0 ? Items[leftOut] : null))?.Group;
        return Likelihood.Posterior.Of(
            Contenders, Weights(leftOut < readings.Count ? leftOut : -1, swingFollows).Bins,
            group is null ? Answered(cues) : Answered(Beside(group), cues.Where(c => c.Item.Group == group)));
    }

    /// <summary>The weights of the numbers when all evidence is in.</summary>
    public NumericWeights AllWeights()
    {
        _ = Exponents([.. Items], out var follows);
        return Weights(-1, follows).Singles;
    }

    /// <summary>Log-likelihood of the numbers by cell of every solved pair of effects, when all evidence is in.</summary>
    public double[][] PairLog()
    {
        _ = Exponents([.. Items], out var follows);
        return Weights(-1, follows).PairLog;
    }

    /// <summary>
    /// Where the numbers of a contender are read: the effect of a single; of a pair its solved effects, counted on behind them.
    /// </summary>
    public int SourceOf(int row)
    {
        if (row < Hypotheses.Count)
            return Hypotheses[row].EffectIndex;
        var pair = row - Hypotheses.Count;
        if (PairWeights.RowsOf(pair) is var rows and >= 0)
            return Table.Effects.Count + rows;
        var (first, second, _) = Contenders.Pairs[pair];
        var moving = Table.Effects[Hypotheses[first].EffectIndex].MovesNumbers ? first : second;
        return Hypotheses[moving].EffectIndex;
    }

    private (NumericWeights Singles, double[] Bins, double[][] PairLog) Weights(int leftOut, bool swingFollows)
    {
        if (weights.TryGetValue((leftOut, swingFollows), out var known))
            return known;
        var exponent = swingFollows ? FollowerExponent : 1;
        steady ??= Numbers.Steady(readings);
        swing ??= Numbers.Swing(readings);
        var pairLog = PairWeights.Log(readings, leftOut, exponent);
        var made = new NumericWeights(
            SteadyWithout(leftOut), SwingWithout(leftOut), exponent, Table.SoftCount, Bins, PairWeights.Top(pairLog));
        return weights[(leftOut, swingFollows)] = (
            made, Contenders.Laid([.. Hypotheses.Select(h => made.ByBin[h.EffectIndex]), .. PairWeights.Bins(pairLog, made)]), pairLog);
    }

    private double[][] SteadyWithout(int leftOut)
    {
        if (leftOut < 0 || readings[leftOut].What == Observables.Swing)
            return steady!.All;
        return steady!.Without.First(w => w.What == readings[leftOut].What.Index) is { Readings: 1 } alone
            ? alone.Log
            : Numbers.Steady(Others(leftOut)).All;
    }

    private double[][] SwingWithout(int leftOut) =>
        leftOut < 0 || readings[leftOut].What != Observables.Swing ? swing! : Numbers.Swing(Others(leftOut));

    private Reading[] Others(int leftOut) => [.. readings.Where((_, i) => i != leftOut)];

    // Prior times what the answers say, by bin of every contender; each answer to the power its group leaves it.
    private double[] Answered(List<(EvidenceItem Item, double Exponent)> cues) => Answered(Contenders.Priors(), cues);

    private double[] Answered(double[] from, IEnumerable<(EvidenceItem Item, double Exponent)> cues)
    {
        double[] weights = [.. from];
        foreach (var (item, exponent) in cues)
            Vectors.MultiplyBy(weights, exponent == 1 ? Leading(item) : Following(item));
        return weights;
    }

    // What all items outside a group say together: how much each of them counts does not hang on that group.
    private double[] Beside(string group)
    {
        if (besides.TryGetValue(group, out var known))
            return known;
        var cues = Exponents([.. Items], out _);
        return besides[group] = Answered(Contenders.Priors(), cues.Where(c => c.Item.Group != group));
    }

    private double[] Leading(EvidenceItem item) =>
        leading.TryGetValue(item, out var known) ? known : leading[item] = Contenders.Likelihoods(item);

    private double[] Following(EvidenceItem item) =>
        following.TryGetValue(item, out var known) ? known : following[item] = Contenders.Followers(item);

    // Items that see one physical thing twice: the one on which hypotheses differ most counts in full, the rest a third.
    private List<(EvidenceItem Item, double Exponent)> Exponents(List<EvidenceItem> used, out bool swingFollows)
    {
        swingFollows = false;
        var cues = new List<(EvidenceItem, double)>();
        foreach (var item in used)
        {
            if (item.Cue is null)
                continue;
            cues.Add((item, item.Group is null || Leads(item, used) ? 1 : FollowerExponent));
        }

        if (used.Any(i => i.Reading?.What == Observables.Swing))
            swingFollows = used.Any(i => i.Cue is not null && i.Group == "swing" && i.Span > swingSpan.Value);
        return cues;
    }

    private bool Leads(EvidenceItem item, List<EvidenceItem> used)
    {
        var span = item.Span;
        foreach (var other in used)
        {
            if (ReferenceEquals(other, item) || other.Group != item.Group)
                continue;
            if (other.Reading is { } reading && (reading.What == Observables.BypassFlow || swingSpan.Value >= span))
                return false;

            // Of two that tell equally much, the name decides, so that the order of entry does not.
            if (other.Cue is not null
                && (other.Span > span
                    || (other.Span == span
                        && string.CompareOrdinal(other.Cue.Cue + other.Cue.Answer, item.Cue!.Cue + item.Cue.Answer) < 0)))
                return false;
        }

        return true;
    }

    private double SpanOfSwing()
    {
        swing ??= Numbers.Swing(readings);
        var best = swing.Select(r => r.Max()).ToArray();
        return best.Max() - best.Min();
    }
}
