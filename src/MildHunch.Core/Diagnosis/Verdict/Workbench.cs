using MildHunch.Core.Diagnosis.Hypotheses;
using MildHunch.Core.Diagnosis.Likelihood;
using MildHunch.Core.Expectation;
using MildHunch.Core.Numerics;

namespace MildHunch.Core.Diagnosis.Verdict;

/// <summary>
/// The second stage of a diagnosis: a case with all that competes to explain it. Leaving a piece of evidence out or adding
/// an answer is a short sum here. What it has summed it keeps; that changes the time, not the answer.
/// </summary>
internal sealed class Workbench
{
    private readonly Dictionary<ReadingsUsed, ReadingWeights> weights = [];
    private readonly Dictionary<EvidenceItem, double[]> leading = new(ReferenceEqualityComparer.Instance);
    private readonly Dictionary<EvidenceItem, double[]> following = new(ReferenceEqualityComparer.Instance);
    private readonly Dictionary<string, double[]> besides = [];
    private readonly Dictionary<Demoted, Posterior> demoted = [];
    private readonly Lazy<CountedEvidence> counted;

    private readonly Standing? carried;

    private Workbench(CaseOnPump laid, IReadOnlyList<Pair> pairs, Standing? carried = null)
    {
        Case = laid;
        this.carried = carried;
        Contenders = new Contenders(
            laid.Hypotheses, pairs, laid.Bins, carried is null ? null : [.. laid.Hypotheses.Select((_, h) => carried.Of(h))]);
        PairWeights = new PairWeights(
            new PairGround(laid.Hypotheses, laid.Table, laid.PairTable, laid.Bins, laid.Numbers, laid.Instruments), pairs,
            laid.Readings.Readings);
        counted = new Lazy<CountedEvidence>(() => laid.Groups.Count(laid.Items), LazyThreadSafetyMode.None);
    }

    /// <summary>A case with all single faults, and with the pairs that the singles' own posterior makes worth considering.</summary>
    public static Workbench Of(CaseOnPump laid)
    {
        var alone = new Workbench(laid, []);
        var pairs = Pairs.Choose(laid.Hypotheses, alone.Posterior().Probability);
        return pairs.Count == 0 ? alone : new Workbench(laid, pairs);
    }

    /// <summary>A case after a mend: what was known before it and is left of it competes, as it stood.</summary>
    public static Workbench After(CaseOnPump laid, Standing carried) => new(laid, carried.Pairs, carried);

    /// <summary>The case laid on its pump.</summary>
    public CaseOnPump Case { get; }

    /// <summary>Singles and the pairs worth considering.</summary>
    public Contenders Contenders { get; }

    public PairWeights PairWeights { get; }

    /// <summary>
    /// The posterior before an answer that would take the lead of its group, all others of the group following already;
    /// null where it would stand alone or follow. The same for every such answer to a question.
    /// </summary>
    public Posterior? BeforeLeader(EvidenceItem added)
    {
        if (!Case.Groups.Sees(added) || !Case.Groups.WouldLead(added))
            return null;
        var key = new Demoted(added.Group!, added.Group == EvidenceGroups.Swing && Case.Groups.SwingRead);
        if (demoted.TryGetValue(key, out var known))
            return known;
        var numbers = Weights(new ReadingsUsed(null, key.SwingFollows)).Bins;
        return demoted[key] = Likelihood.Posterior.Of(
            Contenders, numbers, Answered(Beside(key.Group), Case.Groups.Followers(key.Group)));
    }

    /// <summary>Pieces of evidence: an answer each, and all readings of one quantity together, the last of them speaking for all.</summary>
    public IReadOnlyList<EvidenceItem> Pieces() =>
        [.. Case.Items.Where((item, i) => !Case.Items.Skip(i + 1).Any(later => Together(item, later)))];

    /// <summary>The posterior without one piece: an answer that stands alone is divided out again.</summary>
    public Posterior PosteriorWithout(Posterior all, EvidenceItem piece) =>
        (piece.Cue is null || Case.Groups.Sees(piece) ? null : all.Without(Leading(piece))) ?? Posterior(piece);

    /// <summary>The posterior with one piece left out, or one more taken in.</summary>
    public Posterior Posterior(EvidenceItem? leftOut = null, EvidenceItem? added = null)
    {
        var used = Case.Items.Where(i => leftOut is null || (!ReferenceEquals(i, leftOut) && !Together(i, leftOut))).ToList();
        if (added is not null)
            used.Add(added);
        var counts = Case.Groups.Count(used);
        var numbers = Weights(new ReadingsUsed(leftOut?.Reading?.What, counts.SwingFollows)).Bins;
        var group = (added ?? leftOut)?.Group;
        return Likelihood.Posterior.Of(
            Contenders, numbers,
            group is null
                ? Answered(Contenders.Priors(), counts.Answers)
                : Answered(Beside(group), counts.Answers.Where(c => c.Item.Group == group)));
    }

    /// <summary>The weights of the numbers when all evidence is in.</summary>
    public ReadingWeights AllWeights() => Weights(new ReadingsUsed(null, counted.Value.SwingFollows));

    /// <summary>
    /// Where the numbers of a contender are read: the effect of a single; of a pair its solved effects, counted on behind them.
    /// </summary>
    public int SourceOf(int row)
    {
        if (row < Case.Hypotheses.Count)
            return Case.Hypotheses[row].EffectIndex;
        var pair = row - Case.Hypotheses.Count;
        if (PairWeights.SolvedOf(pair) is { } solved)
            return Case.Table.Effects.Count + solved.Index;
        var (first, second, _) = Contenders.Pairs[pair];
        var moving = Case.Table.Effects[Case.Hypotheses[first].EffectIndex].MovesNumbers ? first : second;
        return Case.Hypotheses[moving].EffectIndex;
    }

    private ReadingWeights Weights(ReadingsUsed used)
    {
        if (weights.TryGetValue(used, out var known))
            return known;
        var exponent = used.SwingFollows ? EvidenceGroups.FollowerExponent : 1;
        var pairLog = PairWeights.Log(used.LeftOut, exponent);
        var singles = new NumericWeights(
            Case.Readings.Steady(used.LeftOut), Case.Readings.Swing(used.LeftOut), exponent, Case.Table.SoftCount, Case.Bins,
            PairWeights.Top(pairLog));
        var pairs = PairWeights.Bins(pairLog, singles);
        var bins = Contenders.Laid(carried is null
            ? [.. Case.Hypotheses.Select(h => singles.ByBin[h.EffectIndex]), .. pairs]
            : [.. Case.Hypotheses.Select((h, i) => Gathered(h, Carried(i, singles))), .. pairs.Select(Carried)]);
        return weights[used] = new ReadingWeights(singles, bins, pairLog);
    }

    /// <summary>Weight of every fine severity of a single once all readings are in.</summary>
    public double[] Fine(int single) => carried is null
        ? AllWeights().Singles.Fine[Case.Hypotheses[single].EffectIndex]
        : Carried(single, AllWeights().Singles);

    // How well the readings fit a size, times how likely that size was before the mend.
    private double[] Carried(int single, NumericWeights singles)
    {
        var effect = Case.Hypotheses[single].EffectIndex;
        var (fine, fresh, stood) = (singles.Fine[effect], Case.Fresh.Prior[effect], carried!.Singles[single]);
        return [.. stood.Select((mass, s) => fresh[s] > 0 ? mass * fine[s] / fresh[s] : 0)];
    }

    private double[] Carried(double[] weights, int pair)
    {
        var (fresh, stood) = (PairWeights.PriorBins(pair, Case.Fresh), carried!.Cells[pair]);
        return [.. stood.Select((mass, cell) => fresh[cell] > 0 ? mass * weights[cell] / fresh[cell] : 0)];
    }

    private double[] Gathered(Hypothesis h, double[] fine)
    {
        var row = new double[Case.Bins.Notice[h.EffectIndex].Length];
        for (var s = 0; s < fine.Length; s++)
            row[Case.Bins.BinOf[h.EffectIndex][s]] += fine[s];
        return row;
    }

    // What the answers say, each to the power its group leaves it, by bin of every contender.
    private double[] Answered(double[] from, IEnumerable<CountedAnswer> answers)
    {
        double[] product = [.. from];
        foreach (var (item, exponent) in answers)
            Vectors.MultiplyBy(product, exponent == 1 ? Leading(item) : Following(item));
        return product;
    }

    // Prior, and all answers outside a group: how much each of them counts does not depend on that group.
    private double[] Beside(string group) =>
        besides.TryGetValue(group, out var known)
            ? known
            : besides[group] = Answered(Contenders.Priors(), counted.Value.Answers.Where(c => c.Item.Group != group));

    private double[] Leading(EvidenceItem item) =>
        leading.TryGetValue(item, out var known) ? known : leading[item] = Contenders.Likelihoods(item);

    private double[] Following(EvidenceItem item) =>
        following.TryGetValue(item, out var known) ? known : following[item] = Contenders.Followers(item);

    private static bool Together(EvidenceItem one, EvidenceItem other) =>
        one.Reading is { } a && other.Reading is { } b && a.What == b.What;

    /// <summary>Which readings count: all but those of one quantity perhaps, the swing in full or as a follower.</summary>
    private readonly record struct ReadingsUsed(Observable? LeftOut, bool SwingFollows);

    private readonly record struct Demoted(string Group, bool SwingFollows);
}

/// <summary>What the readings leave of everything that competes.</summary>
/// <param name="Singles">By effect.</param>
/// <param name="Bins">By bin of every contender.</param>
/// <param name="PairLog">Log-likelihood by solved pair of effects and cell.</param>
internal sealed record ReadingWeights(NumericWeights Singles, double[] Bins, double[][] PairLog);
