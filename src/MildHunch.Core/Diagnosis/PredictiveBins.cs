namespace MildHunch.Core.Diagnosis;

/// <summary>
/// What a reading not yet taken would show: a mixture over hypotheses and severities, cut into five equally likely
/// bins, and the chance of each bin under each hypothesis (handbook 4, stop rule).
/// </summary>
internal sealed class PredictiveBins
{
    public const int Count = 5;
    private const double Negligible = 2e-3;
    private readonly Workbench bench;

    public PredictiveBins(Workbench bench, Posterior posterior, Observable what)
    {
        this.bench = bench;
        var nodes = Gather(posterior, what);
        Edges = Cut(nodes);
        var total = new double[bench.Table.Effects.Count];
        ByEffect = [.. total.Select(_ => new double[Count])];
        foreach (var node in nodes)
        {
            total[node.Effect] += node.Weight;
            var below = 0.0;
            for (var b = 0; b < Count; b++)
            {
                var upTo = b == Count - 1 ? 1 : NormalDistribution.Cumulative((Edges[b] - node.Mean) / node.Sigma);
                ByEffect[node.Effect][b] += node.Weight * (upTo - below);
                below = upTo;
            }
        }

        for (var e = 0; e < total.Length; e++)
            for (var b = 0; b < Count; b++)
                ByEffect[e][b] = total[e] > 0 ? ByEffect[e][b] / total[e] : 1.0 / Count;
    }

    /// <summary>Four edges between the bins, in the modelled quantity.</summary>
    public double[] Edges { get; }

    /// <summary>Chance of each bin under each effect.</summary>
    public double[][] ByEffect { get; }

    private static double[] Cut(List<(int Effect, double Weight, double Mean, double Sigma)> nodes)
    {
        var low = nodes.Min(n => n.Mean - (4 * n.Sigma));
        var high = nodes.Max(n => n.Mean + (4 * n.Sigma));
        var sum = nodes.Sum(n => n.Weight);
        var edges = new double[Count - 1];
        for (var b = 0; b < edges.Length; b++)
        {
            double from = b == 0 ? low : edges[b - 1], to = high;
            for (var i = 0; i < 18; i++)
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

    private List<(int Effect, double Weight, double Mean, double Sigma)> Gather(Posterior posterior, Observable what)
    {
        var weights = bench.AllWeights();
        var readings = bench.Items.Where(i => i.Reading is not null).Select(i => i.Reading!).ToArray();
        var share = new double[bench.Table.Effects.Count][];
        for (var h = 0; h < bench.Hypotheses.Count; h++)
        {
            var row = share[bench.Hypotheses[h].EffectIndex] ??= new double[posterior.ByBin[h].Length];
            for (var b = 0; b < row.Length; b++)
                row[b] += posterior.ByBin[h][b];
        }

        var nodes = new List<(int, double, double, double)>();
        for (var e = 0; e < share.Length; e++)
        {
            if (share[e].Sum() < Negligible)
                continue;
            for (var c = 0; c < bench.Table.SoftCount; c++)
            {
                var row = weights.Nodes[(e * bench.Table.SoftCount) + c];

                // Every other severity: neighbours lie close together here, and only chances of wide bins are wanted.
                for (var s = 0; s + 1 < row.Length; s += 2)
                {
                    var bin = bench.Bins.BinOf[e][s];
                    var inBin = weights.ByBin[e][bin];
                    var weight = inBin > 0 ? share[e][bin] * (row[s] + row[s + 1]) / inBin : 0;
                    if (weight < Negligible * share[e].Sum())
                        continue;
                    var belief = bench.Numbers.Believe(readings, e, c, s);
                    var (mean, variance) = bench.Numbers.Predict(belief, what.Index, e, c, s);
                    var instrument = bench.Instruments.SigmaAt(what, mean);
                    nodes.Add((e, weight, mean, Math.Sqrt(variance + (instrument * instrument))));
                }
            }
        }

        return nodes;
    }
}
