using System.Globalization;

namespace MildHunch.Core.Records.Running;

/// <summary>A day that comes every year. 29 February is the 28th in other years.</summary>
public sealed record YearDay(int Month, int Day)
{
    // A leap year, so that every day there is has its place.
    private const int Leap = 2024;

    /// <summary>Its place in a leap year, 1 to 366.</summary>
    public int Number => new DateOnly(Leap, Month, Day).DayOfYear;

    /// <summary>Reads “03-15”, month and day.</summary>
    /// <exception cref="ImpossibleInputException">There is no such day.</exception>
    public static YearDay Parse(string text, string field) => DateOnly.TryParseExact(
        $"{Leap}-{text}", "yyyy-MM-dd", CultureInfo.InvariantCulture, DateTimeStyles.None, out var day)
        ? new YearDay(day.Month, day.Day)
        : throw new ImpossibleInputException(field, $"“{text}”", "month and day, like 03-15");

    /// <summary>That day of a date’s year.</summary>
    public static int NumberOf(DateOnly on) => new DateOnly(Leap, on.Month, on.Day).DayOfYear;

    /// <summary>As it is typed: “03-15”.</summary>
    public override string ToString() => $"{Month:00}-{Day:00}";
}

/// <summary>
/// Part of every year in which a pump runs otherwise, or must not stand. From may lie after To: it then spans the new year.
/// </summary>
public sealed record Season(string Name, YearDay From, YearDay To, double HoursPerWeek, bool MustRun)
{
    /// <summary>True on a day of it.</summary>
    public bool Holds(DateOnly day)
    {
        var (at, from, to) = (YearDay.NumberOf(day), From.Number, To.Number);
        return from <= to ? at >= from && at <= to : at >= from || at <= to;
    }
}

/// <summary>How much a pump runs, week by week over the year.</summary>
public sealed class Duty
{
    private const double DaysAWeek = 7;
    private const int LongestWeek = 168;
    private const int LeapYear = 366;
    private const int FebruaryEnd = 60;

    // Hours run from the new year to the end of each day of a leap year.
    private readonly double[] until = new double[LeapYear + 1];

    /// <summary>Describes it.</summary>
    /// <param name="hoursPerWeek">Where no season says otherwise, 0 to 168.</param>
    /// <exception cref="ImpossibleInputException">More hours than a week has, or seasons that overlap.</exception>
    public Duty(double hoursPerWeek, IReadOnlyList<Season> seasons)
    {
        Guard.Within("duty.hoursPerWeek", hoursPerWeek, 0, LongestWeek, $"{hoursPerWeek} h", "0 to 168 hours");
        HoursPerWeek = hoursPerWeek;
        Seasons = seasons;
        for (var i = 0; i < seasons.Count; i++)
            Guard.Within(
                $"duty.seasons[{i}].hoursPerWeek", seasons[i].HoursPerWeek, 0, LongestWeek, $"{seasons[i].HoursPerWeek} h",
                "0 to 168 hours");
        var day = new DateOnly(2024, 1, 1);
        for (var n = 1; n <= LeapYear; n++, day = day.AddDays(1))
        {
            var mine = seasons.Where(s => s.Holds(day)).ToArray();
            if (mine.Length > 1)
                throw new ImpossibleInputException(
                    "duty.seasons", $"“{mine[0].Name}” and “{mine[1].Name}”",
                    $"seasons that do not overlap; both hold {day:dd MMM}");
            until[n] = until[n - 1] + ((mine.FirstOrDefault()?.HoursPerWeek ?? hoursPerWeek) / DaysAWeek);
        }
    }

    /// <summary>Hours a week outside the seasons.</summary>
    public double HoursPerWeek { get; }

    /// <summary>Seasons, none overlapping another.</summary>
    public IReadOnlyList<Season> Seasons { get; }

    /// <summary>Hours in a year.</summary>
    public double HoursPerYear => until[LeapYear] - LeapDay;

    private double LeapDay => until[FebruaryEnd] - until[FebruaryEnd - 1];

    /// <summary>The season in which a pump must run that holds a day; null where it may stand.</summary>
    public Season? MustRunOn(DateOnly day) => Seasons.FirstOrDefault(s => s.MustRun && s.Holds(day));

    /// <summary>Hours run from one day to another, which is not earlier.</summary>
    public double Between(DateOnly from, DateOnly to) =>
        Since(to) - Since(from);

    /// <summary>The first day on which so many hours have run since another; null where that takes longer than fifty years.</summary>
    public DateOnly? After(DateOnly from, double hours)
    {
        if (!(HoursPerYear > 0) || hours > 50 * HoursPerYear)
            return null;
        int least = 0, most = 1;
        while (Between(from, from.AddDays(most)) < hours)
            most *= 2;
        while (most - least > 1)
        {
            var middle = (least + most) / 2;
            if (Between(from, from.AddDays(middle)) < hours)
                least = middle;
            else
                most = middle;
        }

        return hours <= 0 ? from : from.AddDays(most);
    }

    // Hours from the year 1 on: leap days count in leap years only.
    private double Since(DateOnly day)
    {
        int before = day.Year - 1, number = YearDay.NumberOf(day);
        var leaps = (before / 4) - (before / 100) + (before / 400);
        var within = until[number] - (number >= FebruaryEnd && !DateTime.IsLeapYear(day.Year) ? LeapDay : 0);
        return (before * HoursPerYear) + (leaps * LeapDay) + within;
    }
}
