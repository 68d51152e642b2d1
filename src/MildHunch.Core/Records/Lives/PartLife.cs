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
        var sorted = changes.OrderBy(c => c.On).ThenBy(c => c.Hours).ThenBy(c => c.Out is null ? 1 : 0)
            .ThenBy(c => c.Id, StringComparer.Ordinal)
            .ToArray();
        var lives = new List<PartLife>();
        Dictionary<string, PartChange> inside = [];
        Dictionary<string, PartChange> last = [];
        PartChange? before = null;
        foreach (var change in sorted)
        {
            Check(change, before, today);
            before = change;
            var key = change.At.Key;
            if (change.Out is not null)
            {
                if (!inside.Remove(key, out var fitted) && last.TryGetValue(key, out var earlier))
                    throw Conflict(change, $"nothing taken out twice: it came out before ({earlier.Says})");
                if (fitted is null)
                    lives.Add(new PartLife(change.At, null, change));
                else
                    lives[lives.FindIndex(l => l.Fitted == fitted)] = new PartLife(change.At, fitted, change);
            }

            last[key] = change;
            if (change.In is null)
                continue;
            if (!inside.TryAdd(key, change))
                throw Conflict(change, $"one part at a place: the one before is still in ({inside[key].Says}); say when it came out");
            lives.Add(new PartLife(change.At, change, null));
        }

        return lives;
    }

    private static void Check(PartChange change, PartChange? before, DateOnly today)
    {
        if (change.On > today)
            throw Conflict(change, $"no day after today, {today:yyyy-MM-dd}");
        if (!(change.Hours is >= 0 and <= 1e6))
            throw Conflict(change, "hours of the pump from 0 to 1000000");
        if (before is not null && change.Hours < before.Hours)
            throw Conflict(change, $"hours that do not go backwards: {before.Says}");
    }

    private static ImpossibleInputException Conflict(PartChange change, string accepted) => new("changes", change.Says, accepted);
}
