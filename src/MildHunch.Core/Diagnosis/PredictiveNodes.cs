namespace MildHunch.Core.Diagnosis;

/// <summary>
/// The effects, softnesses and severities that still carry weight, each with what the readings so far make of the
/// shared uncertainties there. Gathered once for all readings that might be taken next.
/// </summary>
internal sealed class PredictiveNodes
{
    private const double Negligible = 2e-3;

    public PredictiveNodes(Workbench bench, Posterior posterior)
    {
        var weights = bench.AllWeights();
        Reading[] readings = [.. bench.Items.Where(i => i.Reading is not null).Select(i => i.Reading!)];
        var believe = bench.Numbers.Believer(readings);
        var share = new double[bench.Table.Effects.Count][];
        for (var h = 0; h < bench.Hypotheses.Count; h++)
        {
            var mass = posterior.Row(h);
            var row = share[bench.Hypotheses[h].EffectIndex] ??= new double[mass.Length];
            for (var b = 0; b < row.Length; b++)
                row[b] += mass[b];
        }

        AddPairs(bench, posterior);

        for (var e = 0; e < share.Length; e++)
        {
            var total = share[e].Sum();
            if (total < Negligible)
                continue;
            var softs = bench.Table.SoftMatters(e) ? bench.Table.SoftCount : 1;
            for (var c = 0; c < softs; c++)
            {
                // Where softness moves only the swing, all softnesses are one node.
                var row = softs > 1 ? weights.Nodes[(e * bench.Table.SoftCount) + c] : weights.Fine[e];

                // Every other severity: neighbours lie close together here, and only chances of wide bins are wanted.
                for (var s = 0; s + 1 < row.Length; s += 2)
                {
                    var weight = Weight(s) + Weight(s + 1);
                    if (weight > Negligible * total)
                        All.Add((e, c, s, weight, believe(e, c, s)));
                }

                double Weight(int s)
                {
                    var bin = bench.Bins.BinOf[e][s];
                    var inBin = weights.ByBin[e][bin];
                    return inBin > 0 ? share[e][bin] * row[s] / inBin : 0;
                }
            }
        }
    }

    // Cells of each solved pair of effects, by what the likeliest pair that reads them leaves of each.
    private void AddPairs(Workbench bench, Posterior posterior)
    {
        var pairs = bench.PairWeights;
        if (pairs.Rows.Count == 0)
            return;
        var log = bench.PairLog();
        foreach (var rows in Enumerable.Range(0, pairs.Pairs.Count).Where(p => pairs.RowsOf(p) >= 0).GroupBy(pairs.RowsOf))
        {
            var total = rows.Sum(p => posterior.Probability[bench.Hypotheses.Count + p]);
            if (total < Negligible)
                continue;
            var likeliest = rows.MaxBy(p => posterior.Probability[bench.Hypotheses.Count + p]);
            var top = Enumerable.Range(0, PairRows.Cells).Where(c => pairs.CellPrior(likeliest, c) > 0).Max(c => log[rows.Key][c]);
            var weights = new double[PairRows.Cells];
            for (var cell = 0; cell < weights.Length; cell++)
                weights[cell] = pairs.CellPrior(likeliest, cell) is var prior and > 0 ? prior * Math.Exp(log[rows.Key][cell] - top) : 0;
            var sum = weights.Sum();
            for (var cell = 0; cell < weights.Length; cell++)
                if (weights[cell] > 5 * Negligible * sum)
                    Pairs.Add((rows.Key, cell, total * weights[cell] / sum, PairNumbers.Believe(pairs.Groups, pairs.Rows[rows.Key], cell)));
        }
    }

    /// <summary>Cells of solved pairs of effects.</summary>
    public List<(int Rows, int Cell, double Weight, SharedUncertainty Belief)> Pairs { get; } = [];

    public List<(int Effect, int Soft, int Severity, double Weight, SharedUncertainty Belief)> All { get; } = [];
}
