using System.ComponentModel;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using MildHunch.Core;
using MildHunch.Core.Checks;
using MildHunch.Core.Pumps;
using MildHunch.Store;
using MildHunch.Web.History;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Pumps;

public sealed record PumpRequest(string? Tag, string? Name, string? Duty, PumpDto? Pump, SetupDto? Setup);

public sealed record PumpResource(
    string Id, string Tag, string Name, string Duty, PumpDto Pump, SetupDto Setup, int Version,
    [property: Description("what stands on and around it, as entries of the catalogue ask for it")] IReadOnlyList<string> Fittings);

/// <summary>The shop's pumps.</summary>
public static class PumpEndpoints
{
    // SQLite: a unique index was violated.
    private const int UniqueViolated = 2067;

    public static void Map(IEndpointRouteBuilder routes)
    {
        var group = routes.MapGroup("/api/pumps").WithTags("Pumps");
        group.MapGet("/", async (MildHunchDb db, CancellationToken stop) =>
            (await db.Pumps.AsNoTracking().OrderBy(p => p.Tag).ToListAsync(stop)).Select(Resource).ToList()).WithSummary("All pumps.");
        group.MapGet("/{id}", One).WithSummary("One pump.");
        group.MapPost("/", Add).WithSummary("A new pump.");
        group.MapPut("/{id}", Change).WithSummary("Corrects a pump; needs If-Match.");
    }

    public static PumpResource Resource(PumpEntity p)
    {
        var (pump, setup) = (Stored.Read<PumpDto>(p.PumpJson), Stored.Read<SetupDto>(p.SetupJson));
        return new(p.Id, p.Tag, p.Name, p.Duty, pump, setup, p.Version, Fittings.NamesOf(Fittings.Of(pump.ToCore(), setup.ToCore())));
    }

    /// <summary>Checks everything; throws before anything is stored.</summary>
    public static PumpEntity Check(PumpRequest request, DateTime at)
    {
        var tag = Text(request.Tag, "tag", 40, "a tag of 1 to 40 characters, such as FOG-2");
        var pump = request.Pump.ToCore();
        request.Setup.ToCore();
        if (request.Setup!.ControlSetting is null && pump.Control is ControlKind.Unloader or ControlKind.Regulator)
            throw new ImpossibleInputException(
                "setup.controlSetting", "nothing", $"the pressure at which the {pump.Control.Kebab()} opens");
        return new PumpEntity
        {
            Id = Ids.New(),
            Tag = tag,
            Name = Short(request.Name, "name"),
            Duty = Short(request.Duty, "duty"),
            Type = ShopRecord.TypeOf(request.Pump!),
            PumpJson = Stored.Write(request.Pump),
            SetupJson = Stored.Write(request.Setup),
            CreatedAt = at,
        };
    }

    private static async Task<Ok<PumpResource>> One(string id, MildHunchDb db, HttpResponse response, CancellationToken stop)
    {
        var pump = await db.Pumps.AsNoTracking().FirstOrDefaultAsync(p => p.Id == id, stop) ?? throw RefusalException.NotFound("pump", id);
        ETags.Show(response, pump.Version);
        return TypedResults.Ok(Resource(pump));
    }

    private static async Task<Created<PumpResource>> Add(
        PumpRequest request, MildHunchDb db, Diagnoser diagnoser, TimeProvider clock, HttpResponse response, CancellationToken stop)
    {
        var pump = Check(request, clock.GetUtcNow().UtcDateTime);
        await RefuseTwin(db, pump.Tag, null, stop);
        db.Pumps.Add(pump);
        await Save(db, pump, stop);
        Prepare(diagnoser, request);
        ETags.Show(response, pump.Version);
        return TypedResults.Created($"/api/pumps/{pump.Id}", Resource(pump));
    }

    private static async Task<Ok<PumpResource>> Change(
        string id, PumpRequest request, MildHunchDb db, Diagnoser diagnoser, TimeProvider clock, HttpRequest http, HttpResponse response,
        CancellationToken stop)
    {
        var pump = await db.Pumps.FirstOrDefaultAsync(p => p.Id == id, stop) ?? throw RefusalException.NotFound("pump", id);
        ETags.Require(http, pump.Version);
        var wanted = Check(request, clock.GetUtcNow().UtcDateTime);
        await RefuseTwin(db, wanted.Tag, id, stop);
        (pump.Tag, pump.Name, pump.Duty, pump.Type, pump.PumpJson, pump.SetupJson) = (
            wanted.Tag, wanted.Name, wanted.Duty, wanted.Type, wanted.PumpJson, wanted.SetupJson);
        pump.Version++;
        await Save(db, pump, stop);
        Prepare(diagnoser, request);
        ETags.Show(response, pump.Version);
        return TypedResults.Ok(Resource(pump));
    }

    private static async Task RefuseTwin(MildHunchDb db, string tag, string? but, CancellationToken stop)
    {
        if (await db.Pumps.AnyAsync(p => p.Tag == tag && p.Id != but, stop))
            throw Taken(tag);
    }

    private static RefusalException Taken(string tag) =>
        new(StatusCodes.Status409Conflict, "This tag is taken", "tag", $"There is a pump {tag} already. Give this one another tag.");

    // Of two who give one tag at the same moment, the database lets one through.
    private static async Task Save(MildHunchDb db, PumpEntity pump, CancellationToken stop)
    {
        try
        {
            await db.SaveOrRefuse(stop);
        }
        catch (DbUpdateException e) when (e.InnerException is SqliteException { SqliteExtendedErrorCode: UniqueViolated })
        {
            throw Taken(pump.Tag);
        }
    }

    // Whoever stores a pump asks about it next.
    private static void Prepare(Diagnoser diagnoser, PumpRequest request) =>
        diagnoser.Prepare(request.Pump.ToCore(), request.Setup.ToCore());

    private static string Text(string? text, string field, int most, string accepted)
    {
        var trimmed = text?.Trim() ?? "";
        return trimmed.Length is > 0 && trimmed.Length <= most
            ? trimmed
            : throw new ImpossibleInputException(field, trimmed.Length == 0 ? "nothing" : $"{trimmed.Length} characters", accepted);
    }

    private static string Short(string? text, string field)
    {
        var trimmed = text?.Trim() ?? "";
        return trimmed.Length <= 200
            ? trimmed
            : throw new ImpossibleInputException(field, $"{trimmed.Length} characters", "at most 200 characters");
    }
}
