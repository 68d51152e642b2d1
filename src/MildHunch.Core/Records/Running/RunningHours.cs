using MildHunch.Core.Numerics;

namespace MildHunch.Core.Records.Running;

/// <summary>
/// Hours that a pump has run, on any day: by its meter, between and after the readings by its duty; over every meter it has had.
/// </summary>
public sealed class RunningHours
{
    private const double HoursADay = 24;

    // Readings closer together than this say little of how much a pump runs.
    private const int LeastDays = 14;
    private const int YearOn = 366;
    private readonly Known[] known;
    private readonly Duty duty;

    // Asked again and again for the same days: kept once worked out, from the first reading to a year past the last.
    private readonly double[] kept;

    private RunningHours(Known[] known, Duty duty)
    {
        this.known = known;
        this.duty = duty;
        kept = known.Length == 0 ? [] : new double[known[^1].On.DayNumber - known[0].On.DayNumber + YearOn];
        Array.Fill(kept, double.NaN);
    }

    /// <summary>How much it runs, as told, or as the readings show where nobody told.</summary>
    public Duty Duty => duty;

    /// <summary>The first day of which the hours are known.</summary>
    public DateOnly? From => known.Length > 0 ? known[0].On : null;

    /// <summary>Builds it.</summary>
    /// <param name="readings">In any order.</param>
    /// <param name="duty">As told; null where nobody did.</param>
    /// <param name="today">Nothing can have been read later.</param>
    /// <exception cref="ImpossibleInputException">Hours that go backwards or faster than time, or a day to come: names both
    /// readings.</exception>
    public static RunningHours Of(IReadOnlyList<MeterReading> readings, Duty? duty, DateOnly today)
    {
        var sorted = readings.OrderBy(r => r.On).ThenBy(r => r.NewMeter ? 1 : 0).ThenBy(r => r.Hours).ToArray();
        var totals = new List<Known>();
        double carried = 0;
        MeterReading? last = null;
        foreach (var reading in sorted)
        {
            Check(reading, reading.NewMeter ? null : last, today);
            if (reading.NewMeter && totals.Count > 0)
                carried = totals[^1].Total + (duty ?? Shown(totals)).Between(totals[^1].On, reading.On) - reading.Hours;
            if (totals.Count > 0 && totals[^1].On == reading.On)
                totals.RemoveAt(totals.Count - 1);
            totals.Add(new Known(reading.On, carried + reading.Hours));
            last = reading;
        }

        return new RunningHours([.. totals], duty ?? Shown(totals));
    }

    /// <summary>Hours run by the end of a day; null where nothing is known.</summary>
    public double? At(DateOnly day)
    {
        if (known.Length == 0)
            return null;
        var place = day.DayNumber - known[0].On.DayNumber;
        if (place < 0 || place >= kept.Length)
            return Worked(day);
        if (double.IsNaN(kept[place]))
            kept[place] = Worked(day);
        return kept[place];
    }

    private double Worked(DateOnly day)
    {
        if (day <= known[0].On)
            return Math.Max(0, known[0].Total - duty.Between(day, known[0].On));
        var after = Rising.First(known, k => k.On >= day);
        if (after == known.Length)
            return known[^1].Total + duty.Between(known[^1].On, day);
        var (from, to) = (known[after - 1], known[after]);
        var all = duty.Between(from.On, to.On);
        var share = all > 0
            ? duty.Between(from.On, day) / all
            : (double)(day.DayNumber - from.On.DayNumber) / (to.On.DayNumber - from.On.DayNumber);
        return from.Total + (share * (to.Total - from.Total));
    }

    /// <summary>The day on which it will have run so many hours; null where that cannot be told.</summary>
    public DateOnly? When(double hours, DateOnly today) =>
        At(today) is not { } now ? null : hours <= now ? today : duty.After(today, hours - now);

    private sealed record Known(DateOnly On, double Total);

    private static void Check(MeterReading reading, MeterReading? before, DateOnly today)
    {
        if (reading.On > today)
            throw new ImpossibleInputException("on", $"{reading.On:yyyy-MM-dd}", $"no day after today, {today:yyyy-MM-dd}");
        if (!(reading.Hours is >= 0 and <= 1e6))
            throw new ImpossibleInputException("hours", $"{reading.Hours} h", "0 to 1000000 hours");
        if (before is null)
            return;
        if (reading.Hours < before.Hours)
            throw new ImpossibleInputException(
                "hours", reading.Says, $"at least the {before.Says}; where a new meter was fitted, say so");
        var most = before.Hours + (HoursADay * (reading.On.DayNumber - before.On.DayNumber + 1));
        if (reading.Hours > most)
            throw new ImpossibleInputException(
                "hours", reading.Says, $"no more than the days since {before.Says} have: at most {most:0} h");
    }

    // What the readings of the last year or more say, spread evenly over the week.
    private static Duty Shown(List<Known> totals)
    {
        if (totals.Count < 2)
            return new Duty(0, []);
        var to = totals[^1];
        var from = totals.LastOrDefault(t => to.On.DayNumber - t.On.DayNumber >= 365, totals[0]);
        var days = to.On.DayNumber - from.On.DayNumber;
        return new Duty(days >= LeastDays ? Math.Min(168, 7 * (to.Total - from.Total) / days) : 0, []);
    }
}
