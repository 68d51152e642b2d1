namespace MildHunch.Core.Records.Due;

/// <summary>Something that comes on a day whatever the pump runs: an oil change each spring, a gauge to be checked.</summary>
/// <param name="On">The first day; it keeps its place in the month, the last day where a month is shorter.</param>
/// <param name="EveryMonths">How often it comes again; null where it comes once.</param>
/// <param name="Done">When it was last done; null where nobody said.</param>
public sealed record DatedTask(string What, DateOnly On, int? EveryMonths = null, DateOnly? Done = null)
{
    private const int MostTimes = 2400;
    private const int DaysAhead = 7;

    /// <summary>When it is due until a day; one that was missed stays due, today, until somebody says that it was done.</summary>
    public IEnumerable<DueItem> Due(DateOnly today, DateOnly until)
    {
        DateOnly? missed = null;
        for (var n = 0; n < MostTimes; n++)
        {
            var on = On.AddMonths(n * (EveryMonths ?? 0));
            if (on > until)
                break;
            if (!IsDone(on) && on >= today)
                yield return new DueItem(DueWhy.Date, on, What, []);
            else if (!IsDone(on))
                missed ??= on;
            if (EveryMonths is null)
                break;
        }

        if (missed is { } since)
            yield return new DueItem(DueWhy.Date, today, $"{What}: due since {since:yyyy-MM-dd}", []);
    }

    // A quarter of the time ahead of its day is that time’s.
    private bool IsDone(DateOnly on) => Done is { } done && (EveryMonths is not { } months || on <= done.AddDays(months * DaysAhead));
}
