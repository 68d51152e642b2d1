using System.Runtime.Intrinsics;
using MildHunch.Core.Diagnosis.Hypotheses;
using MildHunch.Core.Diagnosis.Predictions;
using MildHunch.Core.Evidence;
using MildHunch.Core.Expectation;
using MildHunch.Core.Numerics;
using Lanes = System.Runtime.Intrinsics.Vector256<double>;

namespace MildHunch.Core.Diagnosis.Likelihood;

/// <summary>What pairs are weighed with: the pump solved, its severities and instruments.</summary>
internal sealed record PairGround(
    IReadOnlyList<Hypothesis> Hypotheses, PredictionTable Table, PairTable PairTable, SeverityBins Bins, NumericLikelihood Numbers,
    Instruments Instruments);

/// <summary>Two effects solved at once, against the steady readings; one or more pairs of hypotheses are of these two.</summary>
/// <param name="Index">Its place among the solved pairs.</param>
/// <param name="Rows">What the pump shows under both.</param>
/// <param name="Of">The first pair that reads it.</param>
/// <param name="CellPrior">Probability of each cell: how likely these two severities are.</param>
/// <param name="Steady">Log-likelihood of the steady readings by cell.</param>
internal sealed record SolvedPair(int Index, PairRows Rows, Pair Of, double[] CellPrior, CellLikelihood Steady);

/// <summary>
/// Log-likelihood of the numbers under every pair of effects that is considered, and from it the weight of every bin of every pair.
/// </summary>
internal sealed class PairWeights
{
    private readonly PairGround ground;
    private readonly IReadOnlyList<Reading> readings;
    private readonly PairNumbers numbers;
    private readonly NumericLikelihood.InstrumentGroup[] groups;
    private readonly SolvedPair?[] solvedOf;
    private readonly List<SolvedPair> solved = [];
    private readonly Dictionary<SwingCount, double[][]> swings = [];

    public PairWeights(PairGround ground, IReadOnlyList<Pair> pairs, IReadOnlyList<Reading> readings)
    {
        (this.ground, this.readings, Pairs) = (ground, readings, pairs);
        numbers = new PairNumbers(ground.Numbers, ground.Instruments);
        groups = ground.Numbers.Group(readings);
        ground.PairTable.Prepare(pairs.Where(BothMove).Select(Effects));
        var known = new Dictionary<PairRows, SolvedPair>();
        solvedOf = [.. pairs.Select(p => BothMove(p) ? Solved(p, known) : null)];
    }

    public IReadOnlyList<Pair> Pairs { get; }

    /// <summary>The solved pairs of effects behind the pairs; those of which one moves no number need none.</summary>
    public IReadOnlyList<SolvedPair> AllSolved => solved;

    public NumericLikelihood.InstrumentGroup[] Groups => groups;

    /// <summary>The solved effects that a pair reads; null where one of its two alone moves the numbers.</summary>
    public SolvedPair? SolvedOf(int pair) => solvedOf[pair];

    /// <summary>Log-likelihood by cell of every solved pair, the readings of one quantity perhaps left out.</summary>
    public double[][] Log(Observable? leftOut, double swingExponent)
    {
        var swing = Swing(new SwingCount(leftOut == Observables.Swing, swingExponent));
        return [.. solved.Select(s => Sum(Steady(s, leftOut), swing, s.Index))];
    }

    /// <summary>Best log-likelihood among cells that can be.</summary>
    public double Top(double[][] log)
    {
        var top = double.NegativeInfinity;
        foreach (var pair in solved)
            for (var cell = 0; cell < PairRows.Cells; cell++)
                if (pair.CellPrior[cell] > 0)
                    top = Math.Max(top, log[pair.Index][cell]);
        return top;
    }

    /// <summary>
    /// Weights of the bins of every pair, on the scale of the weights of the singles. Pairs of the same effects share theirs.
    /// </summary>
    public double[][] Bins(double[][] log, NumericWeights singles)
    {
        var ofSolved = new double[solved.Count][];
        var ofOne = new Dictionary<(int First, int Second), double[]>();
        var bins = new double[Pairs.Count][];
        for (var p = 0; p < bins.Length; p++)
        {
            if (solvedOf[p] is { } found)
            {
                bins[p] = ofSolved[found.Index] ??= OfCells(found, log[found.Index], singles.Top);
                continue;
            }

            var effects = (Effect(Pairs[p].First), Effect(Pairs[p].Second));
            if (!ofOne.TryGetValue(effects, out var row))
                row = ofOne[effects] = OfOne(Pairs[p], singles);
            bins[p] = row;
        }

        return bins;
    }

    /// <summary>Probability of each bin of a pair before anything was said of it, sizes as likely as these.</summary>
    public double[] PriorBins(int pair, SeverityBins fresh)
    {
        var bins = new double[Contenders.PairBins];
        if (solvedOf[pair] is not { } found)
        {
            var (first, second) = (fresh.LevelPrior[Effect(Pairs[pair].First)], fresh.LevelPrior[Effect(Pairs[pair].Second)]);
            for (var cell = 0; cell < bins.Length; cell++)
                bins[cell] = first[cell / SeverityBins.Levels] * second[cell % SeverityBins.Levels];
            return bins;
        }

        var (one, other) = (Effect(found.Of.First), Effect(found.Of.Second));
        for (var cell = 0; cell < PairRows.Cells; cell++)
        {
            var (i, j) = (cell / PairRows.Side, cell % PairRows.Side);
            bins[(fresh.SideLevel[one][i] * SeverityBins.Levels) + fresh.SideLevel[other][j]]
                += fresh.SidePrior[one][i] * fresh.SidePrior[other][j];
        }

        return bins;
    }

    private SolvedPair Solved(Pair pair, Dictionary<PairRows, SolvedPair> known)
    {
        var rows = ground.PairTable.For(Effects(pair));
        if (known.TryGetValue(rows, out var found))
            return found;
        var prior = CellPriors(pair);
        var made = known[rows] = new SolvedPair(solved.Count, rows, pair, prior, numbers.Steady(groups, rows, prior));
        solved.Add(made);
        return made;
    }

    private double[] CellPriors(Pair pair)
    {
        var (a, b) = (ground.Bins.SidePrior[Effect(pair.First)], ground.Bins.SidePrior[Effect(pair.Second)]);
        var priors = new double[PairRows.Cells];
        for (var cell = 0; cell < priors.Length; cell++)
            priors[cell] = a[cell / PairRows.Side] * b[cell % PairRows.Side];
        return priors;
    }

    // Readings of the swing by solved pair and cell; empty where none was taken.
    private double[][] Swing(SwingCount count)
    {
        if (swings.TryGetValue(count, out var known))
            return known;
        Reading[] counted = count.LeftOut ? [] : [.. readings.Where(r => r.What == Observables.Swing)];
        return swings[count] = counted.Length == 0 ? [] : [.. solved.Select(s => numbers.Swing(counted, s.Rows, count.Exponent))];
    }

    private double[] Steady(SolvedPair pair, Observable? leftOut) => leftOut is null || leftOut == Observables.Swing
        ? pair.Steady.All
        : pair.Steady.Without[Array.FindIndex(groups, g => g.What == leftOut.Index)];

    private static double[] Sum(double[] steady, double[][] swing, int pair)
    {
        if (swing.Length == 0)
            return steady;
        var all = new double[steady.Length];
        for (var cell = 0; cell < all.Length; cell++)
            all[cell] = steady[cell] + swing[pair][cell];
        return all;
    }

    private double[] OfCells(SolvedPair pair, double[] log, double top)
    {
        var (a, b) = (ground.Bins.SideLevel[Effect(pair.Of.First)], ground.Bins.SideLevel[Effect(pair.Of.Second)]);
        var bins = new double[Contenders.PairBins];
        for (var cell = 0; cell < log.Length; cell += Lanes.Count)
        {
            var weights = Vectors.Weights(
                NumericLikelihood.Four(log, cell) - Vector256.Create(top), NumericLikelihood.Four(pair.CellPrior, cell));
            for (var l = 0; l < Lanes.Count; l++)
                bins[(a[(cell + l) / PairRows.Side] * SeverityBins.Levels) + b[(cell + l) % PairRows.Side]] += weights.GetElement(l);
        }

        return bins;
    }

    // Only one of the two moves the numbers: its weights, times how noticeable the other may be.
    private double[] OfOne(Pair pair, NumericWeights singles)
    {
        var (a, b) = (ground.Hypotheses[pair.First], ground.Hypotheses[pair.Second]);
        var row = new double[SeverityBins.Levels * SeverityBins.Levels];
        var (left, right) = Moves(b)
            ? (ground.Bins.LevelPrior[a.EffectIndex], Levels(b.EffectIndex, singles))
            : (Levels(a.EffectIndex, singles), ground.Bins.LevelPrior[b.EffectIndex]);
        for (var i = 0; i < row.Length; i++)
            row[i] = left[i / SeverityBins.Levels] * right[i % SeverityBins.Levels];
        return row;
    }

    private double[] Levels(int effect, NumericWeights singles)
    {
        var levels = new double[SeverityBins.Levels];
        for (var b = 0; b < singles.ByBin[effect].Length; b++)
            levels[SeverityBins.LevelOf(ground.Bins.Notice[effect][b])] += singles.ByBin[effect][b];
        return levels;
    }

    private bool BothMove(Pair pair) => Moves(ground.Hypotheses[pair.First]) && Moves(ground.Hypotheses[pair.Second]);

    private EffectPair Effects(Pair pair)
    {
        var (a, b) = (ground.Hypotheses[pair.First], ground.Hypotheses[pair.Second]);
        return new EffectPair(a.EffectIndex, b.EffectIndex, a.Cylinder is null || b.Cylinder is null || a.Cylinder == b.Cylinder);
    }

    private int Effect(int single) => ground.Hypotheses[single].EffectIndex;

    private bool Moves(Hypothesis h) => ground.Table.Effects[h.EffectIndex].MovesNumbers;

    /// <summary>Which readings of the swing count, and to what power.</summary>
    private readonly record struct SwingCount(bool LeftOut, double Exponent);
}
