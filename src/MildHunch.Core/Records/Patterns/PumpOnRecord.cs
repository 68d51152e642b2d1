using MildHunch.Core.Records.Lives;
using MildHunch.Core.Records.Running;

namespace MildHunch.Core.Records.Patterns;

/// <summary>All that is on record of one pump.</summary>
/// <param name="Type">Pumps that wear alike have the same.</param>
/// <param name="Ends">True where its cylinders are a left and a right end.</param>
/// <param name="Parts">Every part that has a life, at each of its places.</param>
/// <param name="Lives">As they were noted.</param>
/// <param name="Time">When it was on record and in use.</param>
/// <param name="Liquid">Sisters pump the same.</param>
public sealed record PumpOnRecord(
    string Id, string Tag, string Type, bool Ends, IReadOnlyList<RecordPart> Parts, IReadOnlyList<PartLife> Lives, TimeAtRisk Time,
    string Liquid = "water")
{
    /// <summary>By its meter and its duty.</summary>
    public RunningHours Hours => Time.Hours;

    /// <summary>The first day on record.</summary>
    public DateOnly From => Time.From;

    /// <summary>What was noted, and what was in from new where the record was kept from new.</summary>
    /// <param name="places">At these places, by their keys.</param>
    public IReadOnlyList<PartLife> LivesAt(IReadOnlySet<string> places) => FirstLives.With(
        [.. Parts.Where(p => places.Contains(p.At.Key))], [.. Lives.Where(l => places.Contains(l.At.Key))], Time);

    /// <summary>Hours of the pump by the end of a day.</summary>
    public double HoursAt(DateOnly day) => Time.HoursAt(day);

    /// <summary>
    /// How long what was in at some places lasted, as the estimate of lives takes it; nothing where nobody knows the pump’s hours.
    /// </summary>
    /// <param name="places">By the keys of positions.</param>
    public IEnumerable<WatchedLife> Watched(IReadOnlySet<string> places, DateOnly today)
    {
        if (!Time.IsKnown)
            return [];
        var now = HoursAt(today);
        return LivesAt(places).Select(l => l.Watched(now, Time.WatchedFrom)).OfType<WatchedLife>();
    }
}
