using Microsoft.EntityFrameworkCore;
using MildHunch.Core;
using MildHunch.Core.Records.Lives;
using MildHunch.Core.Records.Running;
using MildHunch.Store;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Records.Life;

/// <summary>The life of a pump: what is on record of it, and entries made by hand.</summary>
public sealed class LifeEndpoints(MildHunchDb db, ShopMemory memory, LifeView view)
{
    private const int LongestText = 200;

    public static void Map(IEndpointRouteBuilder routes)
    {
        var pump = routes.MapGroup("/api/pumps/{id}").WithTags("Record");
        pump.MapGet("/life", (string id, LifeView view, CancellationToken stop) => view.Of(id, stop))
            .WithSummary("Hours, lives of parts, patterns, readings over the years, cases and what is due at a pump.");
        pump.MapPut("/running", (string id, RunningDto told, HttpRequest http, LifeEndpoints life, CancellationToken stop) =>
            life.Run(id, told, http, stop)).WithSummary("How it is run and when it is served; needs If-Match.");
        pump.MapPost("/meter", (string id, MeterDto told, LifeEndpoints life, CancellationToken stop) => life.Read(id, told, stop))
            .WithSummary("Notes what the hour meter showed.");
        pump.MapDelete("/meter/{entry}", (string id, string entry, LifeEndpoints life, CancellationToken stop) =>
            life.Remove<MeterEntity>(id, entry, m => new(m.PumpId, m.CaseId), stop)).WithSummary("Takes a reading of the hour meter back.");
        pump.MapPost("/part-changes", (string id, PartChangeRequest told, LifeEndpoints life, CancellationToken stop) =>
            life.Change(id, told, stop)).WithSummary("Notes a part that was changed, fitted or taken out.");
        pump.MapDelete("/part-changes/{entry}", (string id, string entry, LifeEndpoints life, CancellationToken stop) =>
            life.Remove<PartChangeEntity>(id, entry, c => new(c.PumpId, c.CaseId), stop))
            .WithSummary("Takes a noted change of a part back.");
    }

    private async Task<PumpLifeResponse> Run(string id, RunningDto told, HttpRequest http, CancellationToken stop)
    {
        var stored = await db.Pumps.FirstOrDefaultAsync(p => p.Id == id, stop) ?? throw RefusalException.NotFound("pump", id);
        ETags.Require(http, stored.Version);
        told.Check(memory.Today);
        var serial = told.Serial?.Trim() ?? "";
        if (serial.Length > 0 && await db.Pumps.FirstOrDefaultAsync(p => p.Serial == serial && p.Id != id, stop) is { } twin)
            throw new RefusalException(
                StatusCodes.Status409Conflict, "This serial is taken", "serial", $"{twin.Tag} has serial {serial} already.");
        stored.Serial = serial;
        stored.RunningJson = Stored.Write(told with { Serial = serial });
        stored.Version++;
        await db.SaveOrRefuse(stop);
        return await view.Of(id, stop);
    }

    private async Task<PumpLifeResponse> Read(string id, MeterDto told, CancellationToken stop)
    {
        var pump = await memory.Of(id, stop);
        var meter = new MeterEntity
        {
            Id = Ids.New(),
            PumpId = id,
            On = told.On ?? memory.Today,
            Hours = told.Hours ?? throw Mapping.Missing("hours", "what the meter shows, 0 or more"),
            NewMeter = told.NewMeter ?? false,
            Strokes = told.Strokes is null or >= 0
                ? told.Strokes
                : throw new ImpossibleInputException("strokes", $"{told.Strokes}", "0 or more"),
            By = Mapping.Short(told.By, "by", LongestText),
        };
        Hours(pump, meter);
        db.Meters.Add(meter);
        await db.SaveOrRefuse(stop);
        return await view.Of(id, stop);
    }

    private async Task<PumpLifeResponse> Change(string id, PartChangeRequest told, CancellationToken stop)
    {
        var pump = await memory.Of(id, stop);
        var change = PartChangeReading.Read(told, pump, memory.Today);
        var meter = PartChangeReading.Meter(told, pump, memory.Today);
        var time = pump.Record.Time with { Hours = Hours(pump, meter) };
        PartLog.Lives([.. pump.Changes.Select(c => c.ToCore(time)), change.ToCore(time)], memory.Today);
        db.PartChanges.Add(change);
        if (meter is not null)
            db.Meters.Add(meter);
        await db.SaveOrRefuse(stop);
        return await view.Of(id, stop);
    }

    // Hours with one reading more; refused where it does not fit the others.
    private RunningHours Hours(PumpMemory pump, MeterEntity? meter) => RunningHours.Of(
        [.. pump.Meters.Select(m => m.ToCore()), .. meter is null ? (MeterReading[])[] : [meter.ToCore()]], pump.Running.Duty(),
        memory.Today);

    // What a case says is corrected in the case.
    private async Task<PumpLifeResponse> Remove<T>(string id, string entry, Func<T, Belongs> to, CancellationToken stop)
        where T : class
    {
        if (await db.FindAsync<T>([entry], stop) is not { } stored || to(stored).Pump != id)
            throw RefusalException.NotFound("entry", entry);
        if (to(stored).Case is not null)
            throw new RefusalException(
                StatusCodes.Status409Conflict, "It comes from a case", "entry", "Open the case again and correct it there.");
        db.Remove(stored);
        await db.SaveOrRefuse(stop);
        return await view.Of(id, stop);
    }

    private sealed record Belongs(string Pump, string? Case);
}
