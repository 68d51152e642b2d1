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

/// <summary>
/// Log-likelihood of the numbers under every pair of effects that is considered, and from it the weight of every bin of every pair.
/// </summary>
internal sealed class PairWeights
{
    private readonly PairGround ground;
    private readonly PairNumbers numbers;
    private readonly NumericLikelihood.InstrumentGroup[] groups;
    private readonly (double[] All, double[][] Without)[] steady;
    private readonly int[] rowsOf;
    private readonly int[] firstOf;
    private readonly double[][] cellPrior;
    private readonly Dictionary<(int LeftOut, double Exponent), double[][]?> swings = [];

    public PairWeights(PairGround ground, IReadOnlyList<Pair> pairs, IReadOnlyList<Reading> readings)
    {
        this.ground = ground;
        Pairs = pairs;
        numbers = new PairNumbers(ground.Numbers, ground.Instruments);
        groups = ground.Numbers.Group(readings);
        var distinct = new Dictionary<PairRows, int>();
        var rows = new List<PairRows>();
        rowsOf = new int[pairs.Count];
        ground.PairTable.Prepare(pairs.Where(Numeric).Select(Effects));
        for (var p = 0; p < pairs.Count; p++)
        {
            rowsOf[p] = -1;
            if (!Numeric(pairs[p]))
                continue;
            var (first, second, sameCylinder) = Effects(pairs[p]);
            var found = ground.PairTable.For(first, second, sameCylinder);
            if (!distinct.TryGetValue(found, out rowsOf[p]))
            {
                rowsOf[p] = distinct[found] = rows.Count;
                rows.Add(found);
            }
        }

        Rows = rows;
        firstOf = [.. rows.Select((_, r) => Array.IndexOf(rowsOf, r))];
        cellPrior = [.. firstOf.Select(CellPriors)];
        steady = [.. rows.Select((r, i) => numbers.Steady(groups, r, cellPrior[i]))];
    }

    public IReadOnlyList<Pair> Pairs { get; }

    /// <summary>The solved pairs of effects behind the pairs; those of which one moves no number need none.</summary>
    public IReadOnlyList<PairRows> Rows { get; }

    public NumericLikelihood.InstrumentGroup[] Groups => groups;

    /// <summary>Which of <see cref="Rows"/> a pair reads; −1 where one of its two alone moves the numbers.</summary>
    public int RowsOf(int pair) => rowsOf[pair];

    /// <summary>Log-likelihood by cell of every one of <see cref="Rows"/>, one instrument perhaps left out.</summary>
    public double[][] Log(IReadOnlyList<Reading> readings, int leftOut, double swingExponent)
    {
        var all = new double[Rows.Count][];
        var swing = Swing(readings, leftOut >= 0 && readings[leftOut].What == Observables.Swing ? leftOut : -1, swingExponent);
        for (var r = 0; r < all.Length; r++)
        {
            var numbers = Base(readings, leftOut, r);
            if (swing is null)
            {
                all[r] = numbers;
                continue;
            }

            all[r] = new double[PairRows.Cells];
            for (var cell = 0; cell < PairRows.Cells; cell++)
                all[r][cell] = numbers[cell] + swing[r][cell];
        }

        return all;
    }

    /// <summary>Best log-likelihood among cells that can be.</summary>
    public double Top(double[][] log)
    {
        var top = double.NegativeInfinity;
        for (var r = 0; r < log.Length; r++)
            for (var cell = 0; cell < PairRows.Cells; cell++)
                if (cellPrior[r][cell] > 0)
                    top = Math.Max(top, log[r][cell]);
        return top;
    }

    private double[][]? Swing(IReadOnlyList<Reading> readings, int leftOut, double exponent)
    {
        if (swings.TryGetValue((leftOut, exponent), out var known))
            return known;
        Reading[] told = [.. readings.Where((r, i) => i != leftOut && r.What == Observables.Swing)];
        return swings[(leftOut, exponent)] = told.Length == 0 ? null : [.. Rows.Select(r => numbers.Swing(told, r, exponent))];
    }

    private double[] Base(IReadOnlyList<Reading> readings, int leftOut, int r)
    {
        if (leftOut < 0 || readings[leftOut].What == Observables.Swing)
            return steady[r].All;
        var at = Array.FindIndex(groups, g => g.What == readings[leftOut].What.Index);
        return groups[at].Readings.Length == 1
            ? steady[r].Without[at]
            : numbers.Steady(ground.Numbers.Group([.. readings.Where((_, i) => i != leftOut)]), Rows[r], cellPrior[r]).All;
    }

    /// <summary>
    /// Weights of the bins of every pair, on the scale of the weights of the singles. Pairs of the same effects share theirs.
    /// </summary>
    public double[][] Bins(double[][] log, NumericWeights singles)
    {
        var ofRows = new double[Rows.Count][];
        var ofOne = new Dictionary<(int, int), double[]>();
        var bins = new double[Pairs.Count][];
        for (var p = 0; p < bins.Length; p++)
        {
            if (rowsOf[p] >= 0)
            {
                bins[p] = ofRows[rowsOf[p]] ??= OfCells(rowsOf[p], log[rowsOf[p]], singles.Top);
                continue;
            }

            var effects = (Effect(Pairs[p].First), Effect(Pairs[p].Second));
            if (!ofOne.TryGetValue(effects, out var row))
                row = ofOne[effects] = OfOne(p, singles);
            bins[p] = row;
        }

        return bins;
    }

    /// <summary>Prior of each cell of one of <see cref="Rows"/>: how likely these two severities are.</summary>
    public double[] CellPrior(int rows) => cellPrior[rows];

    private double[] CellPriors(int pair)
    {
        var (a, b) = (ground.Bins.SidePrior[Effect(Pairs[pair].First)], ground.Bins.SidePrior[Effect(Pairs[pair].Second)]);
        var priors = new double[PairRows.Cells];
        for (var cell = 0; cell < priors.Length; cell++)
            priors[cell] = a[cell / PairRows.Side] * b[cell % PairRows.Side];
        return priors;
    }

    private double[] OfCells(int rows, double[] log, double top)
    {
        var (a, b) = (
            ground.Bins.SideLevel[Effect(Pairs[firstOf[rows]].First)], ground.Bins.SideLevel[Effect(Pairs[firstOf[rows]].Second)]);
        var bins = new double[Contenders.PairBins];
        for (var cell = 0; cell < log.Length; cell += Lanes.Count)
        {
            var weights = Vectors.Weights(
                NumericLikelihood.Four(log, cell) - Vector256.Create(top), NumericLikelihood.Four(cellPrior[rows], cell));
            for (var l = 0; l < Lanes.Count; l++)
                bins[(a[(cell + l) / PairRows.Side] * SeverityBins.Levels) + b[(cell + l) % PairRows.Side]] += weights.GetElement(l);
        }

        return bins;
    }

    // Only one of the two moves the numbers: its weights, times how noticeable the other may be.
    private double[] OfOne(int pair, NumericWeights singles)
    {
        var (a, b) = (ground.Hypotheses[Pairs[pair].First], ground.Hypotheses[Pairs[pair].Second]);
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

    private bool Numeric(Pair pair) => Moves(ground.Hypotheses[pair.First]) && Moves(ground.Hypotheses[pair.Second]);

    private (int First, int Second, bool SameCylinder) Effects(Pair pair)
    {
        var (a, b) = (ground.Hypotheses[pair.First], ground.Hypotheses[pair.Second]);
        return (a.EffectIndex, b.EffectIndex, a.Cylinder is null || b.Cylinder is null || a.Cylinder == b.Cylinder);
    }

    private int Effect(int single) => ground.Hypotheses[single].EffectIndex;

    private bool Moves(Hypothesis h) => ground.Table.Effects[h.EffectIndex].MovesNumbers;
}
