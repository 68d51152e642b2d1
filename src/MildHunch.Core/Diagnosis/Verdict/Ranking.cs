using MildHunch.Core.Diagnosis.Likelihood;

namespace MildHunch.Core.Diagnosis.Verdict;

/// <summary>How contenders gather into faults and into what would be mended, a pair into both; laid out once, summed many times.</summary>
internal sealed class Ranking
{
    private readonly Contenders contenders;
    private readonly int[] faultOf;
    private readonly int[] mendOf;
    private readonly double[] byFault;
    private readonly double[] byMend;

    public Ranking(Contenders contenders)
    {
        this.contenders = contenders;
        var singles = contenders.Singles;
        faultOf = Number(singles.Select(h => h.Fault.Id), out var faults);
        mendOf = Number(
            singles.Select(h => h.Action).Concat(contenders.Pairs.Select(p => Both(singles[p.First].Action, singles[p.Second].Action))),
            out var mends);
        (byFault, byMend) = (new double[faults], new double[mends]);
    }

    /// <summary>Bits that are not known yet of what would be mended.</summary>
    public double Entropy(double[] probability)
    {
        Array.Clear(byMend);
        for (var h = 0; h < probability.Length; h++)
            byMend[mendOf[h]] += probability[h];
        var entropy = 0.0;
        foreach (var p in byMend)
            if (p > 0)
                entropy -= p * Math.Log2(p);
        return entropy;
    }

    /// <summary>The likeliest place of the leading fault, and the share of that fault at all its places, alone or as one of two.</summary>
    public (int Hypothesis, double Share) Leader(double[] probability)
    {
        contenders.Gather(probability, faultOf, byFault);
        var (best, leader) = (0, -1);
        for (var h = 0; h < contenders.Singles.Length; h++)
            if (leader < 0 || byFault[faultOf[h]] > byFault[leader] || (faultOf[h] == leader && probability[h] > probability[best]))
                (best, leader) = (h, faultOf[h]);
        return (best, byFault[leader]);
    }

    private static string Both(string one, string other) =>
        one == other ? one : string.CompareOrdinal(one, other) < 0 ? $"{one} {other}" : $"{other} {one}";

    /// <summary>Numbers names in the order in which they first come.</summary>
    public static int[] Number(IEnumerable<string> names, out int count)
    {
        var known = new Dictionary<string, int>();
        var numbers = names.Select(n => known.TryGetValue(n, out var at) ? at : known[n] = known.Count).ToArray();
        count = known.Count;
        return numbers;
    }
}
