using MildHunch.Store;
using MildHunch.Web.Cases.Tell;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Travel;

/// <summary>
/// One case out of two that went on apart: what was done elsewhere comes after what was done here, where it does not contradict it.
/// </summary>
internal sealed class CaseMerge
{
    // What answers for all of a case, or changes what everything after it means.
    private static readonly string[] Whole = ["proof/verdict", "closed", CaseRounds.FactName, CaseRounds.Hazards];
    private const int MostNamed = 5;

    private readonly CaseInFile ours;
    private readonly CaseInFile theirs;
    private readonly MoveInFile[] come;
    private readonly Dictionary<int, int> numbers;

    private CaseMerge(CaseInFile ours, CaseInFile theirs)
    {
        (this.ours, this.theirs) = (ours, theirs);
        var here = ours.Moves.Select(m => m.Key).ToHashSet();
        come = [.. theirs.Moves.Where(m => !here.Contains(m.Key)).OrderBy(m => m.Version)];
        var known = theirs.Moves.Where(m => here.Contains(m.Key)).Select(m => m.Change).ToHashSet();
        var last = ours.Changes.Max(c => c.Number);
        numbers = come.Select(m => m.Change).Distinct().Where(n => !known.Contains(n)).Order().Select((n, i) => (n, i))
            .ToDictionary(x => x.n, x => last + 1 + x.i);
    }

    /// <summary>Both in one.</summary>
    /// <exception cref="RefusalException">They contradict one another, with what they do.</exception>
    public static CaseInFile Of(CaseInFile ours, CaseInFile theirs, PumpInFile pump)
    {
        var merge = new CaseMerge(ours, theirs);
        merge.Check(pump);
        return merge.Merged();
    }

    // Something that was there when they parted was undone or brought back elsewhere: nobody knows whether it still should be.
    private bool UndoesWhatWasCommon => come.Any(m => !numbers.ContainsKey(m.Change));

    private void Check(PumpInFile pump)
    {
        var entity = pump.ToEntity();
        var there = theirs.Moves.Select(m => m.Key).ToHashSet();
        var left = ours.Moves.Where(m => !there.Contains(m.Key)).Select(m => m.Change).ToHashSet();
        var (here, elsewhere) = (
            Contradictions.Touched(ours.ToEntity(entity), left), Contradictions.Touched(theirs.ToEntity(entity), numbers.Keys.ToHashSet()));
        string[] both = [.. here.Intersect(elsewhere).Where(n => n.Length != Ids.Length)];
        if (both.Length == 0 && !UndoesWhatWasCommon && !Whole.Any(here.Contains) && !Whole.Any(elsewhere.Contains))
            return;
        var what = both.Length > 0 ? $"Both changed: {string.Join(", ", both.Take(MostNamed))}{(both.Length > MostNamed ? " …" : "")}."
            : UndoesWhatWasCommon ? "Something was undone elsewhere on which more was told here."
            : "In one of them the pump was opened, proved or closed meanwhile.";
        throw new RefusalException(
            StatusCodes.Status409Conflict, "It went on in both places", "case",
            $"{what} Nothing was changed. It can be taken in as a second case beside this one (keep=both).");
    }

    private CaseInFile Merged()
    {
        var told = theirs.Changes.ToDictionary(c => c.Number);
        var first = Math.Max(ours.Version, ours.Moves.Select(m => m.Version).DefaultIfEmpty(0).Max());
        return ours with
        {
            Version = first + come.Length,
            Changes =
            [
                .. ours.Changes.Select(c => c.Undone ? c with { Abandoned = true } : c),
                .. numbers.Select(n => told[n.Key] with { Number = n.Value }),
            ],
            Moves = [.. ours.Moves, .. come.Select((m, i) => m with { Version = first + 1 + i, Change = numbers[m.Change] })],
            Readings = Both(ours.Readings, theirs.Readings, r => r.Id, r => r.AddedBy, r => r.RemovedBy,
                (r, added, removed) => r with { AddedBy = added, RemovedBy = removed }),
            Cues = Both(ours.Cues, theirs.Cues, c => c.Id, c => c.AddedBy, c => c.RemovedBy,
                (c, added, removed) => c with { AddedBy = added, RemovedBy = removed }),
            Facts = Both(ours.Facts, theirs.Facts, f => f.Id, f => f.AddedBy, f => f.RemovedBy,
                (f, added, removed) => f with { AddedBy = added, RemovedBy = removed }),
            Verdicts = [.. ours.Verdicts, .. theirs.Verdicts.Where(v => ours.Verdicts.All(o => o.Id != v.Id))],
        };
    }

    private IReadOnlyList<T> Both<T>(
        IReadOnlyList<T> here, IReadOnlyList<T> there, Func<T, string> id, Func<T, int> added, Func<T, int?> removed,
        Func<T, int, int?, T> with)
    {
        int? Removed(T entry) => removed(entry) is { } by && numbers.TryGetValue(by, out var now) ? now : null;
        var gone = there.Where(e => Removed(e) is not null).ToDictionary(id, Removed);
        return
        [
            .. here.Select(e => gone.TryGetValue(id(e), out var by) ? with(e, added(e), removed(e) ?? by) : e),
            .. there.Where(e => numbers.ContainsKey(added(e))).Select(e => with(e, numbers[added(e)], Removed(e))),
        ];
    }
}
