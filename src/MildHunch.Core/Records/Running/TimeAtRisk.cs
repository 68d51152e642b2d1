namespace MildHunch.Core.Records.Running;

/// <summary>How far back the record of a pump reaches.</summary>
public enum RecordKept
{
    /// <summary>From its first run: what was in from new is known too.</summary>
    FromNew,

    /// <summary>From a day on: what failed before it is not on record.</summary>
    FromADay,

    /// <summary>Nobody said: what is noted counts from when it was fitted.</summary>
    Unsaid,
}

/// <summary>
/// When a pump was on record and in use, and what it had run by any day: outside of it nothing fails and nothing survives. Lives,
/// patterns and what is due all take it from here.
/// </summary>
/// <param name="Hours">By its meter and its duty.</param>
/// <param name="From">The first day on record.</param>
/// <param name="Until">The day on which it was put away; null while it is in use.</param>
public sealed record TimeAtRisk(RunningHours Hours, DateOnly From, DateOnly? Until = null, RecordKept Kept = RecordKept.Unsaid)
{
    private const int DutyDays = 30;

    // What stands can still be found failed.
    private const double LeastADay = 1e-4;

    /// <summary>True where its hours are known: by a meter, its first run, or hours a week that were told.</summary>
    public bool IsKnown => Hours.From is not null || Hours.Duty.HoursPerYear > 0;

    /// <summary>Hours of the pump when watching began; 0 where every life that is noted counts whole.</summary>
    public double WatchedFrom => Kept == RecordKept.FromADay ? HoursAt(From) : 0;

    /// <summary>True on a day on which something could fail and be noted.</summary>
    public bool Holds(DateOnly day) => day >= From && !(day > Until);

    /// <summary>
    /// Hours of the pump by the end of a day, standing still once it is put away. Without a meter, hours since the record began, by its
    /// duty; days where nobody knows that either, which keeps their order and no more.
    /// </summary>
    public double HoursAt(DateOnly day)
    {
        if (day > Until)
            day = Until.Value;
        if (Hours.At(day) is { } read)
            return read;
        if (day <= From)
            return 0;
        return IsKnown ? Hours.Duty.Between(From, day) : day.DayNumber - From.DayNumber;
    }

    /// <summary>The day on which it will have run so many hours; null where that cannot be told.</summary>
    public DateOnly? When(double hours, DateOnly today)
    {
        if (!IsKnown)
            return null;
        if (Hours.From is not null)
            return Hours.When(hours, today);
        var now = HoursAt(today);
        return hours <= now ? today : Hours.Duty.After(today, hours - now);
    }

    /// <summary>Hours a day over the last month before a day; 0 where it was not in use.</summary>
    public double HoursADay(DateOnly day)
    {
        if (!Holds(day))
            return 0;
        var since = day.AddDays(-DutyDays);
        if (since < From)
            since = From;
        return Math.Max(LeastADay, (HoursAt(day) - HoursAt(since)) / Math.Max(1, day.DayNumber - since.DayNumber));
    }
}
