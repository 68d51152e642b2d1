namespace MildHunch.Web.Shared;

/// <summary>Days as the shop counts them: in its own zone where it named one, else in that of the machine.</summary>
public sealed class ShopDay(TimeProvider clock, ShopNow shop)
{
    public TimeZoneInfo Zone =>
        shop.Terms.Zone is { Length: > 0 } named && TimeZoneInfo.TryFindSystemTimeZoneById(named, out var own) ? own : clock.LocalTimeZone;

    public DateOnly Today => Of(clock.GetUtcNow().UtcDateTime);

    /// <summary>How long until the next day begins.</summary>
    public TimeSpan UntilTomorrow
    {
        get
        {
            var now = At(clock.GetUtcNow().UtcDateTime);
            return now.Date.AddDays(1) - now;
        }
    }

    /// <summary>True where a zone of that name is known; empty stands for the machine’s.</summary>
    public static bool Knows(string zone) => zone.Length == 0 || TimeZoneInfo.TryFindSystemTimeZoneById(zone, out _);

    /// <summary>Day and time of day in the shop.</summary>
    public DateTime At(DateTime utc) => TimeZoneInfo.ConvertTimeFromUtc(DateTime.SpecifyKind(utc, DateTimeKind.Utc), Zone);

    public DateOnly Of(DateTime utc) => DateOnly.FromDateTime(At(utc));
}
