using MildHunch.Core.Diagnosis.Predictions;

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
    private readonly IReadOnlyList<DripOf>? drips;
    private readonly int[][] own;
    private readonly double baseline;

    public PlaceAnswers(Contenders contenders, EvidenceItem item)
    {
        (this.contenders, atoms, drips) = (contenders, item.Atoms, item.Drips);
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
            row.Fill(baseline);
            foreach (var place in own[h])
                for (var b = 0; b < row.Length; b++)
                    row[b] *= At(place, h, notice[b], Drips(h)?.SeenByBin[b], Drips(h)?.ToldByBin[b]) / atoms[place].Baseline;
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

            for (var a = 0; a < SeverityBins.Levels; a++)
                for (var b = 0; b < SeverityBins.Levels; b++)
                    all[at++] = Of(first, a, second, b);
        }

        return all;
    }

    private double Of(int first, int a, int second, int b)
    {
        var likelihood = baseline;
        foreach (var place in own[first])
            likelihood *= Either(atoms[place], AtLevel(place, first, a), AtLevel(place, second, b)) / atoms[place].Baseline;
        foreach (var place in own[second])
            if (!own[first].Contains(place))
                likelihood *= Either(atoms[place], atoms[place].Baseline, AtLevel(place, second, b)) / atoms[place].Baseline;
        return likelihood;
    }

    private double AtLevel(int place, int single, int level) => At(
        place, single, contenders.Levels(single)[level], Drips(single)?.SeenByLevel[level], Drips(single)?.ToldByLevel[level]);

    // Wet where the fault is seen to drip there as it was told, or else by a drip that means nothing; dry where neither is.
    private double At(int place, int single, double notice, double? seen, double? told)
    {
        var atom = atoms[place];
        var ratio = drips?[single].Ratio ?? 1;
        if (atom.Wet && atom.Full[single] > atom.Baseline)
        {
            var word = atom.Full[single];
            return (word * (told ?? notice) * ratio) + (atom.Baseline * (1 - (word * (seen ?? notice))));
        }

        return !atom.Wet && atom.Full[single] < atom.Baseline && seen is { } drip
            ? atom.Baseline * (1 - ((1 - atom.Full[single]) * drip))
            : atom.At(single, notice);
    }

    private DripsSeen? Drips(int single) => drips?[single].Seen;

    private static double Either(CueAtom atom, double x, double y) => atom.Wet ? Math.Max(x, y) : Math.Min(x, y);
}
