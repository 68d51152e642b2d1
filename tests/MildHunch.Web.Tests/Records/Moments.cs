using System.Globalization;
using Microsoft.Extensions.Time.Testing;

namespace MildHunch.Web.Tests.Records;

/// <summary>
/// Eight moments at which sums with days go wrong: ends of months and years, nights in which the clock is put forward or back, a
/// morning far ahead of Greenwich, a day on which one service falls due twice.
/// </summary>
public static class Moments
{
    public static TheoryData<string, string> All => new()
    {
        { "2027-01-31T04:13:00", "Europe/Berlin" },
        { "2027-02-28T12:00:00", "UTC" },
        { "2028-02-29T12:00:00", "Europe/Berlin" },
        { "2027-12-31T23:58:00", "America/Los_Angeles" },
        { "2027-03-28T01:30:00", "Europe/Berlin" },
        { "2027-11-07T01:30:00", "America/Los_Angeles" },
        { "2027-06-15T06:05:00", "Pacific/Auckland" },
        { "2026-12-01T00:04:00", "UTC" },
    };

    /// <summary>That moment by the clocks of that zone.</summary>
    public static DateTimeOffset In(string moment, string zone)
    {
        var at = DateTime.Parse(moment, CultureInfo.InvariantCulture);
        return new DateTimeOffset(at, TimeZoneInfo.FindSystemTimeZoneById(zone).GetUtcOffset(at));
    }

    /// <summary>A clock that stands there, on a machine of that zone.</summary>
    public static FakeTimeProvider Clock(string moment, string zone)
    {
        var clock = new FakeTimeProvider(In(moment, zone));
        clock.SetLocalTimeZone(TimeZoneInfo.FindSystemTimeZoneById(zone));
        return clock;
    }
}
