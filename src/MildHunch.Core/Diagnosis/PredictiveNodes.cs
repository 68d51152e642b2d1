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
            var row = share[bench.Hypotheses[h].EffectIndex] ??= new double[posterior.ByBin[h].Length];
            for (var b = 0; b < row.Length; b++)
                row[b] += posterior.ByBin[h][b];
        }

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

    public List<(int Effect, int Soft, int Severity, double Weight, SharedUncertainty Belief)> All { get; } = [];
}
