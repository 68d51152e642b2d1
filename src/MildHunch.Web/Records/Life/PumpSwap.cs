using System.ComponentModel;
using Microsoft.EntityFrameworkCore;
using MildHunch.Core;
using MildHunch.Core.Records.Running;
using MildHunch.Store;
using MildHunch.Web.Pumps;
using MildHunch.Web.Shared;
using MildHunch.Web.Shared.Sending;

namespace MildHunch.Web.Records.Life;

/// <summary>Which pump goes in, and what both meters show.</summary>
public sealed record SwapRequest(
    [property: Description("id of the pump that goes in")] string? With = null,
    [property: Description("meter of the one that comes out; left out: as its duty has it")] double? Hours = null,
    [property: Description("meter of the one that goes in; left out: as its duty has it")] double? WithHours = null,
    string? By = null);

/// <summary>Where a very pump stood, or which stood there.</summary>
public sealed record StoodDto(string PumpId, string Serial, string Tag, DateOnly Until);

/// <summary>
/// Two pumps change places. Tag, duty, set-up and how much it runs belong to the place; type plate, service figures, hours, parts and
/// cases go with the very pump, told by its serial.
/// </summary>
public sealed class PumpSwap(MildHunchDb db, ShopMemory memory, LifeView view, TimeProvider clock)
{
    private const int LongestText = 200;

    public static void Map(IEndpointRouteBuilder routes) =>
        routes.MapPost("/api/pumps/{id}/swap", (string id, SwapRequest told, HttpRequest http, PumpSwap swap, CancellationToken stop) =>
            swap.Swap(id, told, http, stop)).WithTags("Record")
            .WithSummary("Another pump goes in where this one stands; needs If-Match. Answers with the one that went in.");

    private async Task<PumpLifeResponse> Swap(string id, SwapRequest told, HttpRequest http, CancellationToken stop)
    {
        var comes = await Find(id, stop);
        ETags.Require(http, comes.Version);
        if (told.With is null || told.With == id)
            throw new ImpossibleInputException("with", told.With is null ? "nothing" : comes.Tag, "another pump of the shop");
        var goes = await Find(told.With, stop);
        Alike(comes, goes);
        NeedSerial(comes, "serial");
        NeedSerial(goes, "with");
        var by = Mapping.Short(told.By, "by", LongestText);
        await Read(comes, told.Hours, "hours", by, stop);
        await Read(goes, told.WithHours, "withHours", by, stop);
        var at = clock.GetUtcNow().UtcDateTime;
        StoodEntity[] stood = [Stood(comes, at), Stood(goes, at)];
        Fits(goes, stood[0]);
        Fits(comes, stood[1]);
        db.Stood.AddRange(stood);
        http.HttpContext.AnswerAt($"/api/pumps/{goes.Id}/life");
        await Exchange(comes, goes, stood, stop);
        return await view.Of(goes.Id, stop);
    }

    private async Task<PumpEntity> Find(string id, CancellationToken stop) =>
        await db.Pumps.FirstOrDefaultAsync(p => p.Id == id, stop) ?? throw RefusalException.NotFound("pump", id);

    // The set-up of a place speaks of one kind of pump.
    private static void Alike(PumpEntity comes, PumpEntity goes)
    {
        string Arrangement(PumpEntity pump) => Stored.Read<PumpDto>(pump.PumpJson).Arrangement ?? "crank-plunger";
        if (Arrangement(comes) != Arrangement(goes))
            throw new ImpossibleInputException(
                "with", $"{goes.Tag}, {Arrangement(goes)}",
                $"a pump of the arrangement that stands there, {Arrangement(comes)}; where another kind goes in, enter it as a new pump");
    }

    private static void NeedSerial(PumpEntity pump, string field)
    {
        if (pump.Serial.Length == 0)
            throw new RefusalException(
                StatusCodes.Status409Conflict, "It has no serial number yet", field,
                $"Note the serial number of {pump.Tag} first (How it runs): its history goes with it.");
    }

    // From here on it runs as its new place does: hours until today stand as they were read, or as the old duty has them.
    private async Task Read(PumpEntity pump, double? shown, string field, string? by, CancellationToken stop)
    {
        var known = await memory.Of(pump.Id, stop);
        var last = known.Meters.OrderBy(m => m.On).ThenBy(m => m.NewMeter).LastOrDefault();
        var reckoned = known.Record.Hours.At(memory.Today) is not { } now ? null
            : last is null ? now : last.Hours + (now - known.Record.Hours.At(last.On));
        if ((shown ?? reckoned) is not { } hours || (shown is null && last?.On == memory.Today))
            return;
        var meter = new MeterEntity
        {
            Id = Ids.New(),
            PumpId = pump.Id,
            On = memory.Today,
            Hours = Math.Round(hours, 1),
            By = shown is null ? "reckoned at the swap" : by,
        };
        try
        {
            RunningHours.Of([.. known.Meters.Select(m => m.ToCore()), meter.ToCore()], known.Running.Duty(), memory.Today);
        }
        catch (ImpossibleInputException e)
        {
            throw new ImpossibleInputException(field, e.Value, e.Accepted);
        }

        db.Meters.Add(meter);
    }

    private static StoodEntity Stood(PumpEntity pump, DateTime at) => new()
    {
        Id = Ids.New(),
        PumpId = pump.Id,
        Tag = pump.Tag,
        Duty = pump.Duty,
        SetupJson = pump.SetupJson,
        Until = at
    };

    // A pump that cannot be set up as its new place asks is refused, in the words in which it would be when typed.
    private static void Fits(PumpEntity pump, StoodEntity place) => PumpRecord.Checked(
        new PumpRequest(place.Tag, pump.Name, place.Duty, Stored.Read<PumpDto>(pump.PumpJson),
            Stored.Read<SetupDto>(place.SetupJson), Sure: true), place.Until);

    private async Task Exchange(PumpEntity comes, PumpEntity goes, StoodEntity[] stood, CancellationToken stop)
    {
        var (there, here) = (Running(comes), Running(goes));
        await using var together = await db.Database.BeginTransactionAsync(stop);

        // No two pumps may bear one tag, not even for a moment.
        comes.Tag = $"{stood[1].Tag} {comes.Id}";
        await db.SaveOrRefuse(stop);
        Stand(goes, stood[0], here, there);
        goes.ArchivedAt = null;
        await db.SaveOrRefuse(stop);
        Stand(comes, stood[1], there, here);
        await db.SaveOrRefuse(stop);
        await together.CommitAsync(stop);
    }

    private static RunningDto Running(PumpEntity pump) =>
        pump.RunningJson is null ? new RunningDto() : Stored.Read<RunningDto>(pump.RunningJson);

    private static void Stand(PumpEntity pump, StoodEntity place, RunningDto own, RunningDto there)
    {
        (pump.Tag, pump.Duty, pump.SetupJson) = (place.Tag, place.Duty, place.SetupJson);
        pump.RunningJson = Stored.Write(own with { HoursPerWeek = there.HoursPerWeek, Seasons = there.Seasons });
        pump.Version++;
    }
}
