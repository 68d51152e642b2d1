using System.Runtime.Intrinsics;
using MildHunch.Core.Diagnosis.Likelihood;
using MildHunch.Core.Diagnosis.Predictions;
using MildHunch.Core.Diagnosis.Verdict;
using MildHunch.Core.Evidence;
using MildHunch.Core.Numerics;
using Lanes = System.Runtime.Intrinsics.Vector256<double>;

namespace MildHunch.Core.Checks;

/// <summary>
/// Four neighbouring severities, or cells of a pair, that still carry weight, with what the readings so far make of the shared
/// uncertainties there.
/// </summary>
/// <param name="Source">Where the numbers are read, as <see cref="Workbench.SourceOf"/> counts.</param>
/// <param name="From">First severity, or first cell.</param>
internal sealed record PredictiveBlock(int Source, int Soft, int From, Lanes Weight, SharedUncertainty Belief);

/// <summary>
/// The effects, softnesses and severities that still carry weight. Gathered once for all readings that might be taken next.
/// </summary>
internal sealed class PredictiveNodes
{
    private const double Negligible = 2e-3;

    public PredictiveNodes(Workbench bench, Posterior posterior)
    {
        Reading[] readings = [.. bench.Case.Items.Where(i => i.Reading is not null).Select(i => i.Reading!)];
        AddSingles(bench, posterior, readings);
        AddPairs(bench, posterior);
    }

    /// <summary>Singles first, pairs behind them.</summary>
    public List<PredictiveBlock> All { get; } = [];

    private void AddSingles(Workbench bench, Posterior posterior, Reading[] readings)
    {
        var weights = bench.AllWeights().Singles;
        var believe = bench.Case.Numbers.Believer(readings);
        var share = new double[bench.Case.Table.Effects.Count][];
        for (var h = 0; h < bench.Case.Hypotheses.Count; h++)
        {
            var mass = posterior.Row(h);
            var row = share[bench.Case.Hypotheses[h].EffectIndex] ??= new double[mass.Length];
            for (var b = 0; b < row.Length; b++)
                row[b] += mass[b];
        }

        Span<double> weight = stackalloc double[PredictionTable.Fine];
        for (var e = 0; e < share.Length; e++)
        {
            var total = share[e].Sum();
            if (total < Negligible)
                continue;
            var softs = bench.Case.Table.SoftMatters(e) ? bench.Case.Table.SoftCount : 1;
            for (var c = 0; c < softs; c++)
            {
                // Where softness moves only the swing, all softnesses are one node.
                var row = softs > 1 ? weights.Nodes[(e * bench.Case.Table.SoftCount) + c] : weights.Fine[e];
                for (var s = 0; s < row.Length; s++)
                {
                    var bin = bench.Case.Bins.BinOf[e][s];
                    var inBin = weights.ByBin[e][bin];
                    weight[s] = inBin > 0 ? share[e][bin] * row[s] / inBin : 0;
                }

                for (var s = 0; s < row.Length; s += Lanes.Count)
                    if (NumericLikelihood.Four(weight, s) is var four && Vector256.Sum(four) > 2 * Negligible * total)
                        All.Add(new PredictiveBlock(e, c, s, four, believe(e, c, s)));
            }
        }
    }

    // Cells of each solved pair of effects, by what the likeliest pair that reads them leaves of each.
    private void AddPairs(Workbench bench, Posterior posterior)
    {
        var pairs = bench.PairWeights;
        if (pairs.AllSolved.Count == 0)
            return;
        var log = bench.AllWeights().PairLog;
        var totals = new double[pairs.AllSolved.Count];
        for (var p = 0; p < pairs.Pairs.Count; p++)
            if (pairs.SolvedOf(p) is { } read)
                totals[read.Index] += posterior.Probability[bench.Case.Hypotheses.Count + p];
        foreach (var solved in pairs.AllSolved.Where(s => totals[s.Index] >= Negligible))
            AddCells(bench, solved, log[solved.Index], totals[solved.Index]);
    }

    private void AddCells(Workbench bench, SolvedPair solved, double[] log, double total)
    {
        var prior = solved.CellPrior;
        var top = double.NegativeInfinity;
        for (var cell = 0; cell < PairRows.Cells; cell++)
            if (prior[cell] > 0)
                top = Math.Max(top, log[cell]);
        Span<double> weight = stackalloc double[PairRows.Cells];
        var sum = 0.0;
        for (var cell = 0; cell < weight.Length; cell += Lanes.Count)
        {
            var four = Vectors.Weights(NumericLikelihood.Four(log, cell) - Vector256.Create(top), NumericLikelihood.Four(prior, cell));
            four.CopyTo(weight.Slice(cell, Lanes.Count));
            sum += Vector256.Sum(four);
        }

        for (var cell = 0; cell < weight.Length; cell += Lanes.Count)
            if (NumericLikelihood.Four(weight, cell) is var four && Vector256.Sum(four) > 2 * Negligible * sum)
                All.Add(new PredictiveBlock(
                    bench.Case.Table.Effects.Count + solved.Index, 0, cell, four * (total / sum),
                    PairNumbers.Believe(bench.PairWeights.Groups, solved.Rows, cell)));
    }
}
