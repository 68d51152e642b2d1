using MildHunch.Core.Evidence;
using MildHunch.Core.Faults;

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
        foreach (var one in mended)
        {
            int[] reached = [.. Enumerable.Range(0, all.Count).Where(h => Reaches(catalogue, one, all[h]))];
            foreach (var h in reached)
                Reached[h] = true;
            int[] may = [.. Enumerable.Range(0, all.Count).Where(h => reached.Contains(h)
                || (fitting.ContainsKey(all[h].Fault.Id) && reached.Any(r => all[r].Fault.Opens && Beside(all[r], all[h]))))];
            var weight = may.Sum(h => all[h].Fault.Weight);
            foreach (var h in may)
                Failing[h] += GoesWrong * all[h].Fault.Weight / weight;
        }
    }

    /// <summary>By hypothesis: it is gone where the mend held.</summary>
    public bool[] Reached { get; }

    /// <summary>By hypothesis: chance that a mend leaves it behind.</summary>
    public double[] Failing { get; }

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
