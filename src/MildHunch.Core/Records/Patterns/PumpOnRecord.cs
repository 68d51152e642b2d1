using MildHunch.Core.Records.Lives;
using MildHunch.Core.Records.Running;

namespace MildHunch.Core.Records.Patterns;

/// <summary>What is on record of one pump.</summary>
/// <param name="Type">Pumps that wear alike have the same.</param>
/// <param name="Ends">True where its cylinders are a left and a right end.</param>
/// <param name="Parts">Every part that has a life, at each of its places.</param>
/// <param name="From">When the record began.</param>
/// <param name="Liquid">Sisters pump the same.</param>
public sealed record PumpOnRecord(
    string Id, string Tag, string Type, bool Ends, IReadOnlyList<RecordPart> Parts, IReadOnlyList<PartLife> Lives, RunningHours Hours,
    DateOnly From, string Liquid = "water")
{
    /// <summary>Hours of the pump on a day; days where no meter was ever read.</summary>
    public double HoursAt(DateOnly day) => Hours.At(day) ?? Math.Max(0, day.DayNumber - From.DayNumber);
}
