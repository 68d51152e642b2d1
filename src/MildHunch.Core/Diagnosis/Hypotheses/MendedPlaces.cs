using MildHunch.Core.Evidence;
using MildHunch.Core.Faults;
using MildHunch.Core.Numerics;

namespace MildHunch.Core.Diagnosis.Hypotheses;

/// <summary>Which hypotheses a mend does away with, and which it may leave behind itself.</summary>
internal sealed class MendedPlaces
{
    // Of every hundred mends three go wrong: misfitted, reversed, pinched, dirt or air left in (common practice, no source).
    private const double GoesWrong = 0.03;
    private const string JustRebuilt = "just-rebuilt";

    /// <summary>Works out what these mends reach.</summary>
    public MendedPlaces(Catalogue catalogue, IReadOnlyList<Hypothesis> all, IReadOnlyList<Mended> mended)
    {
        var fitting = catalogue.Context(JustRebuilt)?.Multiply ?? new Dictionary<string, double>();
        Reached = new bool[all.Count];
        Failing = new double[all.Count];

        // All that is done at one place is one piece of work, of however many parts.
        var done = 0;
        foreach (var place in mended.GroupBy(m => new { m.Cylinder, m.Side }))
        {
            var reached = all.Select(h => place.Any(m => Reaches(catalogue, m, h))).ToArray();
            var may = all.Select((h, i) => reached[i]
                || (fitting.ContainsKey(h.Fault.Id) && all.Where((r, k) => reached[k] && r.Fault.Opens).Any(r => Beside(r, h)))).ToArray();
            var weight = all.Where((_, i) => may[i]).Sum(h => h.Fault.Weight);
            if (weight == 0)
                continue;
            done++;
            for (var h = 0; h < all.Count; h++)
            {
                Reached[h] |= reached[h];
                Failing[h] += may[h] ? all[h].Fault.Weight / weight : 0;
            }
        }

        // Any of them may go wrong, each on its own.
        Vectors.Scale(Failing, done == 0 ? 0 : (1 - Math.Pow(1 - GoesWrong, done)) / done);
    }

    /// <summary>By hypothesis: it is gone where the mend held.</summary>
    public bool[] Reached { get; }

    /// <summary>By hypothesis: chance that a mend leaves it behind.</summary>
    public double[] Failing { get; }

    /// <summary>True where something that the mends reached is sometimes why this was seen: then it says nothing any more.</summary>
    public bool Clears(IReadOnlyList<Hypothesis> all, CueFact seen) => all.Where((_, h) => Reached[h]).Any(h => h.Fault.Cues.Any(w =>
        w.Cue == seen.Cue && w.Answer == seen.Answer && EvidenceWords.Likelihood(w.Word) >= EvidenceWords.Likelihood("sometimes")));

    // For whatever fault it was done, everything is gone that the same mend cures there.
    private static bool Reaches(Catalogue catalogue, Mended mended, Hypothesis h)
    {
        if (h.Fault.Id == Catalogue.NoFault)
            return false;
        var action = mended.Action ?? (mended.Fault is { } fault ? catalogue.Fault(fault)!.ActionOn(h.Side ?? mended.Side) : null);
        return (action is null || h.Action == action)
            && (mended.Part is not { } part || h.Fault.Part == part || h.Fault.Wearing == part || h.Action.TrimEnd('s') == part)
            && (mended.Cylinder is null || h.Cylinder is null || h.Cylinder == mended.Cylinder)
            && (mended.Side is null || h.Side is null || h.Side == mended.Side);
    }

    // What can go wrong in the same place: at the same part, or at what is opened with it.
    private static bool Beside(Hypothesis mended, Hypothesis other) =>
        (other.Cylinder is null || mended.Cylinder is null || other.Cylinder == mended.Cylinder)
        && (other.Side is null || mended.Side is null || other.Side == mended.Side)
        && (other.Fault.Part == mended.Fault.Part || (other.Cylinder is not null && other.Cylinder == mended.Cylinder));
}
