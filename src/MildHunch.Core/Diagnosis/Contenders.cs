namespace MildHunch.Core.Diagnosis;

/// <summary>
/// Everything that competes to explain the evidence: single hypotheses first, pairs behind them, each with bins of how
/// noticeable it is. A pair has nine: three for each of its two.
/// </summary>
internal sealed class Contenders
{
    private const double Alike = 0.05;
    private readonly IReadOnlyList<Hypothesis> singles;
    private readonly IReadOnlyList<Pair> pairs;
    private readonly SeverityBins bins;
    private readonly double singleShare;
    private readonly int[] offset;

    public Contenders(IReadOnlyList<Hypothesis> singles, IReadOnlyList<Pair> pairs, SeverityBins bins)
    {
        (this.singles, this.pairs, this.bins) = (singles, pairs, bins);
        singleShare = pairs.Count > 0 ? 1 - Diagnosis.Pairs.PriorShare : 1;
        offset = new int[Count + 1];
        for (var h = 0; h < Count; h++)
            offset[h + 1] = offset[h] + BinsOf(h);
    }

    public IReadOnlyList<Hypothesis> Singles => singles;

    public IReadOnlyList<Pair> Pairs => pairs;

    public int Count => singles.Count + pairs.Count;

    /// <summary>Bins of all contenders together.</summary>
    public int Bins => offset[^1];

    /// <summary>Where the bins of a contender begin among all.</summary>
    public int Offset(int row) => offset[row];

    public int BinsOf(int row) => row < singles.Count ? bins.Notice[singles[row].EffectIndex].Length : SeverityBins.Levels * SeverityBins.Levels;

    public double Prior(int row) => row < singles.Count ? singleShare * singles[row].Prior : pairs[row - singles.Count].Prior;

    /// <summary>The single hypotheses a contender consists of.</summary>
    public (int First, int? Second) Parts(int row) => row < singles.Count ? (row, null) : (pairs[row - singles.Count].First, pairs[row - singles.Count].Second);

    /// <summary>These single hypotheses, and every pair that one of them is part of.</summary>
    public int[] With(int[] of) => [.. of, .. Enumerable.Range(0, pairs.Count).Where(p => of.Contains(pairs[p].First) || of.Contains(pairs[p].Second)).Select(p => singles.Count + p)];

    /// <summary>Sums probability by group of the singles; a pair counts in both of its groups, once where they are the same.</summary>
    public void Gather(double[] probability, int[] groupOf, double[] into)
    {
        Array.Clear(into);
        for (var h = 0; h < probability.Length; h++)
        {
            var (first, second) = Parts(h);
            into[groupOf[first]] += probability[h];
            if (second is { } other && groupOf[other] != groupOf[first])
                into[groupOf[other]] += probability[h];
        }
    }

    /// <summary>Chance of an answer under a contender at one of its bins.</summary>
    public double Likelihood(EvidenceItem item, int row, int bin)
    {
        if (row < singles.Count)
            return Of(item, row, bins.Notice[singles[row].EffectIndex][bin]);
        var (first, second, _) = pairs[row - singles.Count];
        var a = bins.LevelNotice[singles[first].EffectIndex][bin / SeverityBins.Levels];
        var b = bins.LevelNotice[singles[second].EffectIndex][bin % SeverityBins.Levels];
        return item.Strength is { } strength ? Spoken(item, first, a, strength[first] * a, second, b, strength[second] * b) : AtPlaces(item, first, a, second, b);
    }

    /// <summary>Likelihood of an answer by bin of every contender.</summary>
    public double[] Likelihoods(EvidenceItem item)
    {
        var all = new double[Bins];
        for (var h = 0; h < Count; h++)
            for (var (b, at) = (0, offset[h]); at < offset[h + 1]; b++, at++)
                all[at] = Likelihood(item, h, b);
        return all;
    }

    /// <summary>Prior of the contender, by bin of every contender.</summary>
    public double[] Priors()
    {
        var all = new double[Bins];
        for (var h = 0; h < Count; h++)
            all.AsSpan(offset[h], offset[h + 1] - offset[h]).Fill(Prior(h));
        return all;
    }

    // Of two faults, the one that has more to say about a question decides its answer; where both say as much, either may.
    private static double Spoken(EvidenceItem item, int first, double a, double loud, int second, double b, double other)
    {
        if (Math.Abs(loud - other) <= Alike * Math.Max(loud, other))
            return (Of(item, first, a) + Of(item, second, b)) / 2;
        return loud > other ? Of(item, first, a) : Of(item, second, b);
    }

    // It drips somewhere if either makes it drip there.
    private static double AtPlaces(EvidenceItem item, int first, double a, int second, double b)
    {
        var likelihood = 1.0;
        foreach (var atom in item.Atoms)
        {
            var (x, y) = (Of(atom, first, a), Of(atom, second, b));
            likelihood *= atom.Baseline < 0.5 ? Math.Max(x, y) : Math.Min(x, y);
        }

        return likelihood;
    }

    /// <summary>Chance of an answer under one single hypothesis at one noticeability.</summary>
    public static double Of(EvidenceItem item, int single, double notice)
    {
        var likelihood = 1.0;
        foreach (var atom in item.Atoms)
            likelihood *= Of(atom, single, notice);
        return likelihood;
    }

    private static double Of(CueAtom atom, int single, double notice)
    {
        var full = atom.Full[single];
        return double.IsNaN(atom.Baseline) ? full : atom.Baseline + ((full - atom.Baseline) * notice);
    }
}
