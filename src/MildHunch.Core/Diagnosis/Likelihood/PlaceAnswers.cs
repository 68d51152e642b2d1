namespace MildHunch.Core.Diagnosis.Likelihood;

/// <summary>
/// What is said of places where it may drip. Most faults have nothing to say of most places, so each contender is taken
/// as the baseline of all of them, times what its own few places make of that. It drips somewhere if either of two
/// faults makes it drip there.
/// </summary>
internal sealed class PlaceAnswers
{
    private readonly Contenders contenders;
    private readonly IReadOnlyList<CueAtom> atoms;
    private readonly int[][] own;
    private readonly double baseline;

    public PlaceAnswers(Contenders contenders, IReadOnlyList<CueAtom> atoms)
    {
        (this.contenders, this.atoms) = (contenders, atoms);
        baseline = 1;
        foreach (var atom in atoms)
            baseline *= atom.Baseline;
        own = [.. Enumerable.Range(0, contenders.Singles.Length)
            .Select(h => Enumerable.Range(0, atoms.Count).Where(a => atoms[a].Full[h] != atoms[a].Baseline).ToArray())];
    }

    /// <summary>Likelihood of what was said by bin of every contender.</summary>
    public double[] Likelihoods()
    {
        var all = new double[contenders.Bins];
        for (var h = 0; h < contenders.Singles.Length; h++)
        {
            var notice = contenders.Notices(h);
            var row = all.AsSpan(contenders.Offset(h), notice.Length);
            for (var b = 0; b < row.Length; b++)
                row[b] = Of(h, notice[b]);
        }

        var at = contenders.Offset(contenders.Singles.Length);
        foreach (var (first, second, _) in contenders.Pairs)
        {
            if (own[first].Length + own[second].Length == 0)
            {
                all.AsSpan(at, Contenders.PairBins).Fill(baseline);
                at += Contenders.PairBins;
                continue;
            }

            foreach (var a in contenders.Levels(first))
                foreach (var b in contenders.Levels(second))
                    all[at++] = Of(first, a, second, b);
        }

        return all;
    }

    private double Of(int single, double notice)
    {
        var likelihood = baseline;
        foreach (var place in own[single])
            likelihood *= atoms[place].At(single, notice) / atoms[place].Baseline;
        return likelihood;
    }

    private double Of(int first, double a, int second, double b)
    {
        var likelihood = baseline;
        foreach (var place in own[first])
            likelihood *= Either(atoms[place], atoms[place].At(first, a), atoms[place].At(second, b)) / atoms[place].Baseline;
        foreach (var place in own[second])
            if (!own[first].Contains(place))
                likelihood *= Either(atoms[place], atoms[place].Baseline, atoms[place].At(second, b)) / atoms[place].Baseline;
        return likelihood;
    }

    private static double Either(CueAtom atom, double x, double y) => atom.Wet ? Math.Max(x, y) : Math.Min(x, y);
}
