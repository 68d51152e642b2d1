using MildHunch.Core.Pumps;
using MildHunch.Core.Records.Lives;
using MildHunch.Core.Records.Patterns;
using MildHunch.Core.Service.Sheets;
using MildHunch.Web.Service;

namespace MildHunch.Web.Records.Life;

/// <summary>Places of a pump with the lives of what was in them.</summary>
internal static class PositionView
{
    public static IReadOnlyList<PositionDto> Of(PumpMemory memory, WholeRecord known)
    {
        var names = new PlaceNames(memory.Pump);
        var now = memory.Record.Time.IsKnown ? memory.Record.HoursAt(known.Day) : (double?)null;
        var lives = memory.Record.Lives.ToLookup(l => l.At.Key);
        return
        [
            .. memory.Record.Parts.Select(p => new PositionDto(
                p.At.Key, p.At.Part, p.Kind, p.Name, names.Of(p.At.Place), Where(p.At.Place, memory.Record.Ends), p.Family.Id,
                [.. lives[p.At.Key].Select(l => ToDto(l, now))],
                Chance(memory, known, p, lives[p.At.Key].LastOrDefault(l => l.Out is null), now))),
        ];
    }

    /// <summary>“left end”, “cylinder 2, inlet side”; empty for what stands once.</summary>
    public static string Where(ServicePlace place, bool ends) => string.Join(", ", new[]
    {
        place.Cylinder is { } k ? ends ? k == 1 ? "left end" : "right end" : $"cylinder {k}" : null,
        place.Side is { } side && !ends ? $"{side.Named()} side" : null,
    }.OfType<string>());

    private static double? Chance(PumpMemory memory, WholeRecord known, RecordPart part, PartLife? life, double? now)
    {
        if (now is not { } hours || life?.Ran(hours) is not { } age || known.Life(memory.LifeOf(part)) is not { } lasts)
            return null;
        var ahead = memory.Shown.Sheet.Interval?.Hours is { } interval
            ? Math.Max(0, interval - age)
            : memory.Record.Hours.Duty.HoursPerYear / 4;
        return Math.Round(lasts.Estimate.ChanceWithin(age, ahead), 3);
    }

    // Where nobody knows the hours of the pump, none are told.
    private static PartLifeDto ToDto(PartLife life, double? now) => new(
        life.Fitted?.Id, life.Fitted?.On, now is null ? null : Tenths(life.Fitted?.Hours), life.Fitted?.In?.By, life.Fitted?.In?.Kit,
        life.Fitted?.In?.Batch,
        life.Fitted?.In?.Warranty, life.Fitted?.Case, life.Out?.Id, life.Out?.On,
        now is null ? null : Tenths(life.Out?.Hours), life.Out?.Out?.Why.Named(),
        life.Out?.Out?.Finding, life.Out?.Case, now is { } hours ? Tenths(life.Ran(hours)) : null);

    private static double? Tenths(double? hours) => hours is { } h ? Math.Round(h, 1) : null;
}
