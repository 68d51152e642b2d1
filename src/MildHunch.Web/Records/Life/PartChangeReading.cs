using System.Globalization;
using MildHunch.Core;
using MildHunch.Core.Pumps;
using MildHunch.Core.Records.Lives;
using MildHunch.Core.Service.Sheets;
using MildHunch.Store;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Records.Life;

/// <summary>A change of a part as it was entered, by hand or in a table, checked against the pump.</summary>
internal static class PartChangeReading
{
    private const int LongestText = 200;

    /// <summary>The entry to store; a refusal names the field.</summary>
    public static PartChangeEntity Read(PartChangeRequest told, PumpMemory pump, DateOnly today)
    {
        var place = Place(told, pump);
        var on = told.On ?? today;
        if (on > today)
            throw new ImpossibleInputException("on", $"{on:yyyy-MM-dd}", $"no day after today, {today:yyyy-MM-dd}");
        var putIn = told.PutIn ?? true;
        if (told.Out is null && !putIn)
            throw new ImpossibleInputException("putIn", "false, and nothing came out", "something that came out, went in, or both");
        return new PartChangeEntity
        {
            Id = Ids.New(),
            PumpId = pump.Record.Id,
            Part = told.Part!.Trim(),
            Cylinder = place.Cylinder,
            Side = place.Side?.Named(),
            On = on,
            OutWhy = told.Out is { } why ? Mapping.Choice(why, "out", OutWhy.Unsaid).Named() : null,
            Finding = Mapping.Short(told.Finding, "finding", LongestText),
            PutIn = putIn,
            By = Mapping.Short(told.By, "by", LongestText),
            Kit = Mapping.Short(told.Kit, "kit", LongestText),
            Batch = Mapping.Short(told.Batch, "batch", LongestText),
            Warranty = told.Warranty,
            Note = Mapping.Short(told.Note, "note", LongestText),
        };
    }

    /// <summary>The hours told with it, as a reading of the meter; null where none were told, or they stand there already.</summary>
    public static MeterEntity? Meter(PartChangeRequest told, PumpMemory pump, DateOnly today)
    {
        var on = told.On ?? today;
        return told.Hours is not { } hours || pump.Meters.Any(m => m.On == on && m.Hours.Equals(hours))
            ? null
            : new MeterEntity { Id = Ids.New(), PumpId = pump.Record.Id, On = on, Hours = hours, By = told.By?.Trim() };
    }

    private static ServicePlace Place(PartChangeRequest told, PumpMemory pump)
    {
        var parts = pump.Record.Parts;
        var part = told.Part?.Trim();
        if (parts.All(p => p.At.Part != part))
            throw new ImpossibleInputException(
                "part", part is null ? "nothing" : $"“{part}”", string.Join(", ", parts.Select(p => p.At.Part).Distinct()));
        var cylinder = told.End switch
        {
            null => told.Cylinder,
            "left" => 1,
            "right" => 2,
            _ => throw new ImpossibleInputException("end", $"“{told.End}”", "left, right"),
        };
        var side = told.Side is null ? (Side?)null : Mapping.Choice(told.Side, "side", Side.Inlet);
        var here = parts.Where(p => p.At.Part == part && p.At.Place.Cylinder == cylinder).Select(p => p.At.Place).ToArray();
        if (here.Length == 0)
            throw new ImpossibleInputException(
                pump.Record.Ends ? "end" : "cylinder", cylinder?.ToString(CultureInfo.InvariantCulture) ?? "nothing",
                string.Join(", ", parts.Where(p => p.At.Part == part).Select(p => Name(p.At.Place.Cylinder, pump)).Distinct()));
        return here.FirstOrDefault(p => p.Side == side) ?? (side is null && here.Length == 1 ? here[0] : null)
            ?? throw new ImpossibleInputException(
                "side", told.Side ?? "nothing", string.Join(", ", here.Select(p => p.Side?.Named() ?? "no side")));
    }

    private static string Name(int? cylinder, PumpMemory pump) => cylinder is not { } k ? "no cylinder"
        : pump.Record.Ends ? k == 1 ? "left" : "right"
        : k.ToString(CultureInfo.InvariantCulture);
}
