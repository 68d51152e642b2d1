namespace MildHunch.Core.Diagnosis;

/// <summary>How hypotheses gather into faults and into what would be mended; laid out once, summed many times.</summary>
internal sealed class Standing
{
    private readonly int[] faultOf;
    private readonly int[] actionOf;
    private readonly double[] byFault;
    private readonly double[] byAction;

    public Standing(IReadOnlyList<Hypothesis> hypotheses)
    {
        faultOf = Number(hypotheses.Select(h => h.Fault.Id), out var faults);
        actionOf = Number(hypotheses.Select(h => h.Action), out var actions);
        (byFault, byAction) = (new double[faults], new double[actions]);
    }

    /// <summary>Bits that are not known yet of what would be mended.</summary>
    public double Entropy(double[] probability)
    {
        Array.Clear(byAction);
        for (var h = 0; h < probability.Length; h++)
            byAction[actionOf[h]] += probability[h];
        var entropy = 0.0;
        foreach (var p in byAction)
            if (p > 0)
                entropy -= p * Math.Log2(p);
        return entropy;
    }

    /// <summary>The likeliest place of the leading fault, and the share of that fault at all its places.</summary>
    public (int Hypothesis, double Share) Leader(double[] probability)
    {
        Array.Clear(byFault);
        for (var h = 0; h < probability.Length; h++)
            byFault[faultOf[h]] += probability[h];
        var (best, leader) = (0, -1);
        for (var h = 0; h < probability.Length; h++)
            if (leader < 0 || byFault[faultOf[h]] > byFault[leader] || (faultOf[h] == leader && probability[h] > probability[best]))
                (best, leader) = (h, faultOf[h]);
        return (best, byFault[leader]);
    }

    private static int[] Number(IEnumerable<string> names, out int count)
    {
        var known = new Dictionary<string, int>();
        var numbers = names.Select(n => known.TryGetValue(n, out var at) ? at : known[n] = known.Count).ToArray();
        count = known.Count;
        return numbers;
    }
}
