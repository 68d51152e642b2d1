namespace MildHunch.Core.Diagnosis;

/// <summary>
/// What a reading not yet taken would show: a mixture over hypotheses and severities, cut into five equally likely
/// bins, and the chance of each bin under each hypothesis (handbook 4, stop rule).
/// </summary>
internal sealed class PredictiveBins
{
    public const int Count = 5;

    public PredictiveBins(Workbench bench, PredictiveNodes still, Observable what)
    {
        var nodes = new List<(int Source, double Weight, double Mean, double Sigma)>(still.All.Count + still.Pairs.Count);
        foreach (var (effect, soft, severity, weight, belief) in still.All)
            Add(effect, weight, bench.Numbers.Predict(belief, what.Index, effect, soft, severity));
        foreach (var (rows, cell, weight, belief) in still.Pairs)
            Add(bench.Table.Effects.Count + rows, weight, PairNumbers.Predict(belief, what.Index, bench.PairWeights.Rows[rows], cell));

        void Add(int source, double weight, (double Mean, double Variance) told)
        {
            var instrument = bench.Instruments.SigmaAt(what, told.Mean);
            nodes.Add((source, weight, told.Mean, Math.Sqrt(told.Variance + (instrument * instrument))));
        }

        Edges = Cut(nodes);
        var total = new double[bench.Table.Effects.Count + bench.PairWeights.Rows.Count];
        BySource = [.. total.Select(_ => new double[Count])];
        foreach (var node in nodes)
        {
            total[node.Source] += node.Weight;
            var below = 0.0;
            for (var b = 0; b < Count; b++)
            {
                var upTo = b == Count - 1 ? 1 : NormalDistribution.Cumulative((Edges[b] - node.Mean) / node.Sigma);
                BySource[node.Source][b] += node.Weight * (upTo - below);
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

    private static double[] Cut(List<(int Source, double Weight, double Mean, double Sigma)> nodes)
    {
        var low = nodes.Min(n => n.Mean - (4 * n.Sigma));
        var high = nodes.Max(n => n.Mean + (4 * n.Sigma));
        var sum = nodes.Sum(n => n.Weight);
        var edges = new double[Count - 1];
        for (var b = 0; b < edges.Length; b++)
        {
            double from = b == 0 ? low : edges[b - 1], to = high;

            // A two-thousandth of the range: the chance of each bin is summed exactly for whatever edges come out.
            for (var i = 0; i < 11; i++)
            {
                var middle = (from + to) / 2;
                var below = 0.0;
                foreach (var n in nodes)
                    below += n.Weight * NormalDistribution.Cumulative((middle - n.Mean) / n.Sigma);
                if (below < sum * (b + 1) / Count)
                    from = middle;
                else
                    to = middle;
            }

            edges[b] = (from + to) / 2;
        }

        return edges;
    }
}
