namespace MildHunch.Core.Records.Lives;

/// <summary>One part’s life at its place: fitted, and taken out or still in.</summary>
/// <param name="Fitted">Null where it was in before the record began.</param>
/// <param name="Out">Null while it is in.</param>
public sealed record PartLife(PartPosition At, PartChange? Fitted, PartChange? Out)
{
    /// <summary>True where it was seen to have failed.</summary>
    public bool Failed => Out?.Out?.Why == OutWhy.Failed;

    /// <summary>Hours it has run, or ran; null where nobody knows when it was fitted.</summary>
    public double? Ran(double now) => Fitted is { } fitted ? (Out?.Hours ?? now) - fitted.Hours : null;

    /// <summary>As the estimate of lives takes it; null where it says nothing.</summary>
    /// <param name="now">Hours of the pump now.</param>
    /// <param name="watchedFrom">Hours of the pump when the record began; 0 where it was kept from new.</param>
    public WatchedLife? Watched(double now, double watchedFrom)
    {
        if (Ran(now) is not > 0)
            return null;
        var (fitted, ran) = (Fitted!.Hours, Ran(now)!.Value);

        // It came out before anyone watched: had it lasted, it would be here, so it tells nothing.
        if (fitted + ran <= watchedFrom)
            return null;
        var good = Failed && Out!.Out!.GoodAt is { } at && at - fitted < ran ? Math.Max(0, at - fitted) : (double?)null;
        return new WatchedLife(ran, Failed, Math.Max(0, watchedFrom - fitted), good is { } g ? new FoundBetween(g, ran) : null);
    }
}

/// <summary>Lives, and entries that contradict others, in words.</summary>
public sealed record PartLogRead(IReadOnlyList<PartLife> Lives, IReadOnlyList<string> Conflicts);

/// <summary>The lives of a pump’s parts, from what was changed when.</summary>
public static class PartLog
{
    /// <summary>Every life, in the order in which they began.</summary>
    /// <param name="changes">Of one pump, in any order.</param>
    /// <param name="today">Nothing can have been changed later.</param>
    /// <exception cref="ImpossibleInputException">
    /// A change in the future, hours that go backwards, a part fitted where another still is, or taken out before it was fitted: names
    /// both.
    /// </exception>
    public static IReadOnlyList<PartLife> Lives(IEnumerable<PartChange> changes, DateOnly today)
    {
        var walk = new Walk(today);
        foreach (var change in InOrder(changes))
            walk.Take(change);
        return walk.Lives;
    }

    /// <summary>
    /// The same of a record that may hold contradictions: an entry that does not fit those before it is left out and told.
    /// </summary>
    public static PartLogRead Read(IEnumerable<PartChange> changes, DateOnly today)
    {
        var walk = new Walk(today);
        List<string> conflicts = [];
        foreach (var change in InOrder(changes))
        {
            try
            {
                walk.Take(change);
            }
            catch (ImpossibleInputException e)
            {
                conflicts.Add(e.Message);
            }
        }

        return new PartLogRead(walk.Lives, conflicts);
    }

    private static IEnumerable<PartChange> InOrder(IEnumerable<PartChange> changes) =>
        changes.OrderBy(c => c.On).ThenBy(c => c.Hours).ThenBy(c => c.Out is null ? 1 : 0).ThenBy(c => c.Id, StringComparer.Ordinal);

    // Each change is checked whole before it counts.
    private sealed class Walk(DateOnly today)
    {
        private readonly Dictionary<string, PartChange> inside = [];
        private readonly Dictionary<string, PartChange> last = [];
        private readonly Dictionary<PartChange, int> begun = new(ReferenceEqualityComparer.Instance);
        private readonly List<PartLife> lives = [];
        private PartChange? before;

        public IReadOnlyList<PartLife> Lives => lives;

        public void Take(PartChange change)
        {
            var key = change.At.Key;
            var fitted = inside.GetValueOrDefault(key);
            if (change.On > today)
                throw Conflict(change, $"no day after today, {today:yyyy-MM-dd}");
            if (!(change.Hours is >= 0 and <= 1e6))
                throw Conflict(change, "hours of the pump from 0 to 1000000");
            if (before is not null && change.Hours < before.Hours)
                throw Conflict(change, $"hours that do not go backwards: {before.Says}");
            if (change.Out is null && fitted is not null)
                throw Conflict(change, $"one part at a place: the one before is still in ({fitted.Says}); say when it came out");
            if (change.Out is not null && fitted is null && last.TryGetValue(key, out var earlier))
                throw Conflict(change, $"nothing taken out twice: it came out before ({earlier.Says})");
            (before, last[key]) = (change, change);
            if (change.Out is not null)
            {
                inside.Remove(key);
                if (fitted is null)
                    lives.Add(new PartLife(change.At, null, change));
                else
                    lives[begun[fitted]] = new PartLife(change.At, fitted, change);
            }

            if (change.In is null)
                return;
            (inside[key], begun[change]) = (change, lives.Count);
            lives.Add(new PartLife(change.At, change, null));
        }

        private static ImpossibleInputException Conflict(PartChange change, string accepted) => new("changes", change.Says, accepted);
    }
}
