using System.Globalization;
using MildHunch.Core;

namespace MildHunch.Web.Shared.Door;

/// <summary>Years in which a record or a plan can lie: further off, sums with days leave the calendar.</summary>
public static class RecordYears
{
    /// <summary>No pump of a shop is older.</summary>
    public const int First = 1950;

    /// <summary>Nothing is planned for later.</summary>
    public const int Last = 2100;

    /// <summary>What is said to be accepted.</summary>
    public const string Accepted = "a day such as 2026-12-01, in 1950 to 2100";

    public static bool Hold(int year) => year is >= First and <= Last;

    /// <summary>A day that was asked for; a refusal names the field.</summary>
    public static DateOnly Need(DateOnly day, string field) => Hold(day.Year)
        ? day
        : throw new ImpossibleInputException(field, day.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture), Accepted);
}
