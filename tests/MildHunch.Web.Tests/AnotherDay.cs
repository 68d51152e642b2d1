using System.Globalization;

namespace MildHunch.Web.Tests;

/// <summary>Real time, whole days on: with ON_DAY=2028-02-29 the products of a run and their browsers stand on that day.</summary>
public sealed class AnotherDay : TimeProvider
{
    private AnotherDay(TimeSpan ahead) => Ahead = ahead;

    /// <summary>The day that was asked for; null where it is today.</summary>
    public static AnotherDay? Asked { get; } = Environment.GetEnvironmentVariable("ON_DAY") is { Length: > 0 } day
        ? new AnotherDay(DateTime.ParseExact(day, "yyyy-MM-dd", CultureInfo.InvariantCulture) - System.GetUtcNow().UtcDateTime.Date)
        : null;

    public TimeSpan Ahead { get; }

    public override DateTimeOffset GetUtcNow() => System.GetUtcNow() + Ahead;
}
