namespace MildHunch.DemoYears;

/// <summary>A clock that stands until it is moved on.</summary>
internal sealed class DemoClock : TimeProvider
{
    public DateTime Now { get; set; }

    public override TimeZoneInfo LocalTimeZone => TimeZoneInfo.Utc;

    public override DateTimeOffset GetUtcNow() => new(Now, TimeSpan.Zero);

    public void Pass(double minutes) => Now = Now.AddMinutes(minutes);
}
