using MildHunch.Core.Diagnosis.Hypotheses;

namespace MildHunch.Core.Diagnosis.Verdict;

/// <summary>
/// How everything that competes stands at some moment: probability of every single fault at every fine severity, of every pair at
/// every cell of its two levels. It is what one round hands to the next.
/// </summary>
internal sealed record Standing(double[][] Singles, IReadOnlyList<Pair> Pairs, double[][] Cells)
{
    /// <summary>As it stands once all evidence of a round is in.</summary>
    public static Standing Of(Workbench bench)
    {
        var (posterior, count) = (bench.Posterior(), bench.Case.Hypotheses.Count);
        var singles = new double[count][];
        for (var h = 0; h < count; h++)
        {
            var (fine, bins) = (bench.Fine(h), bench.Case.Bins.BinOf[bench.Case.Hypotheses[h].EffectIndex]);
            var inBin = new double[posterior.Row(h).Length];
            for (var s = 0; s < fine.Length; s++)
                inBin[bins[s]] += fine[s];
            singles[h] = [.. fine.Select((weight, s) => inBin[bins[s]] > 0 ? posterior.Row(h)[bins[s]] * weight / inBin[bins[s]] : 0)];
        }

        return new Standing(
            singles, bench.Contenders.Pairs, [.. bench.Contenders.Pairs.Select((_, p) => posterior.Row(count + p).ToArray())]);
    }

    /// <summary>Probability of a single fault, whatever its size.</summary>
    public double Of(int single) => Singles[single].Sum();
}
