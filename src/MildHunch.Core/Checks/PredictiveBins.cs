using System.Runtime.Intrinsics;
using MildHunch.Core.Diagnosis.Likelihood;
using MildHunch.Core.Diagnosis.Verdict;
using MildHunch.Core.Expectation;
using MildHunch.Core.Numerics;
using Lanes = System.Runtime.Intrinsics.Vector256<double>;

namespace MildHunch.Core.Checks;

/// <summary>
/// What a reading not yet taken would show: a mixture over hypotheses and severities, cut into five equally likely
/// bins, and the chance of each bin under each hypothesis (docs/trade.md, Checks).
/// </summary>
internal sealed class PredictiveBins
{
    public const int Count = 5;

    public PredictiveBins(Workbench bench, PredictiveNodes still, Observable what)
    {
        var nodes = new List<PredictedReading>(still.All.Count);
        Span<double> instrument = stackalloc double[Lanes.Count];
        foreach (var block in still.All)
        {
            var (mean, variance) = block.Source < bench.Case.Table.Effects.Count
                ? bench.Case.Numbers.Predict(block.Belief, what.Index, block.Source, block.Soft, block.From)
                : PairNumbers.Predict(
                    block.Belief, what.Index, bench.PairWeights.AllSolved[block.Source - bench.Case.Table.Effects.Count].Rows, block.From);
            for (var l = 0; l < Lanes.Count; l++)
                instrument[l] = bench.Case.Instruments.SigmaAt(what, mean.GetElement(l));
            var own = Vector256.Create<double>(instrument);
            nodes.Add(new PredictedReading(block.Source, block.Weight, mean, Vector256.Sqrt(variance + (own * own))));
        }

        Edges = Cut(nodes);
        var total = new double[bench.Case.Table.Effects.Count + bench.PairWeights.AllSolved.Count];
        BySource = [.. total.Select(_ => new double[Count])];
        foreach (var node in nodes)
        {
            total[node.Source] += Vector256.Sum(node.Weight);
            var below = Lanes.Zero;
            for (var b = 0; b < Count; b++)
            {
                var upTo = b == Count - 1
                    ? Lanes.One
                    : NormalDistribution.Cumulative((Vector256.Create(Edges[b]) - node.Mean) / node.Sigma);
                BySource[node.Source][b] += Vector256.Sum(node.Weight * (upTo - below));
                below = upTo;
            }
        }

        for (var e = 0; e < total.Length; e++)
            for (var b = 0; b < Count; b++)
                BySource[e][b] = total[e] > 0 ? BySource[e][b] / total[e] : 1.0 / Count;
    }

    /// <summary>Four edges between the bins, in the modelled quantity.</summary>
    public double[] Edges { get; }

    /// <summary>Chance of each bin under each effect, and behind them under each solved pair of effects.</summary>
    public double[][] BySource { get; }

    private static double[] Cut(List<PredictedReading> nodes)
    {
        var (low, high, sum) = (Vector256.Create(double.PositiveInfinity), Vector256.Create(double.NegativeInfinity), Lanes.Zero);
        foreach (var node in nodes)
            (low, high, sum) = (
                Vector256.Min(low, node.Mean - (4 * node.Sigma)), Vector256.Max(high, node.Mean + (4 * node.Sigma)), sum + node.Weight);
        var edges = new double[Count - 1];
        for (var b = 0; b < edges.Length; b++)
        {
            double from = b == 0 ? -Vectors.Highest(-low) : edges[b - 1], to = Vectors.Highest(high);

            // A two-thousandth of the range: the chance of each bin is summed exactly for whatever edges come out.
            for (var i = 0; i < 11; i++)
            {
                var middle = (from + to) / 2;
                var below = Lanes.Zero;
                foreach (var n in nodes)
                    below += n.Weight * NormalDistribution.Cumulative((Vector256.Create(middle) - n.Mean) / n.Sigma);
                if (Vector256.Sum(below) < Vector256.Sum(sum) * (b + 1) / Count)
                    from = middle;
                else
                    to = middle;
            }

            edges[b] = (from + to) / 2;
        }

        return edges;
    }

    /// <summary>What four neighbouring severities predict, the instrument's own error taken in.</summary>
    private readonly record struct PredictedReading(int Source, Lanes Weight, Lanes Mean, Lanes Sigma);
}
