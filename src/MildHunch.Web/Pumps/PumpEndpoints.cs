using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using MildHunch.Core.Checks;
using MildHunch.Store;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Pumps;

/// <summary>The shop's pumps.</summary>
public static class PumpEndpoints
{
    public static void Map(IEndpointRouteBuilder routes)
    {
        var group = routes.MapGroup("/api/pumps").WithTags("Pumps");
        group.MapGet("/", async (bool? archived, MildHunchDb db, CancellationToken stop) =>
            (await db.Pumps.AsNoTracking().Where(p => p.ArchivedAt != null == (archived ?? false)).OrderBy(p => p.Tag).ToListAsync(stop))
                .Select(PumpRecord.ToResource).ToList())
            .WithSummary("Pumps of the shop by their tags; archived asks for those put away.");
        group.MapGet("/{id}", One).WithSummary("One pump.");
        group.MapPost("/", Add).WithSummary("A new pump.");
        group.MapPut("/{id}", Change).WithSummary("Corrects a pump; needs If-Match.");
        group.MapArchived<PumpEntity>("pump");
    }

    private static async Task<Ok<PumpResource>> One(string id, MildHunchDb db, HttpResponse response, CancellationToken stop)
    {
        var pump = await db.Pumps.AsNoTracking().FirstOrDefaultAsync(p => p.Id == id, stop) ?? throw RefusalException.NotFound("pump", id);
        ETags.Show(response, pump.Version);
        return TypedResults.Ok(pump.ToResource());
    }

    private static async Task<Created<PumpResource>> Add(
        PumpRequest request, MildHunchDb db, Diagnoser diagnoser, TimeProvider clock, HttpResponse response, CancellationToken stop)
    {
        var pump = PumpRecord.Checked(request, clock.GetUtcNow().UtcDateTime);
        await RefuseTwin(db, pump.Tag, null, stop);
        db.Pumps.Add(pump);
        await db.SaveOrRefuse(stop, Taken(pump.Tag));
        Prepare(diagnoser, pump);
        ETags.Show(response, pump.Version);
        return TypedResults.Created($"/api/pumps/{pump.Id}", pump.ToResource());
    }

    private static async Task<Ok<PumpResource>> Change(
        string id, PumpRequest request, MildHunchDb db, Diagnoser diagnoser, TimeProvider clock, HttpRequest http, HttpResponse response,
        CancellationToken stop)
    {
        var pump = await db.Pumps.FirstOrDefaultAsync(p => p.Id == id, stop) ?? throw RefusalException.NotFound("pump", id);
        ETags.Require(http, pump.Version);
        var wanted = PumpRecord.Checked(request, clock.GetUtcNow().UtcDateTime);
        await RefuseTwin(db, wanted.Tag, id, stop);
        (pump.Tag, pump.Name, pump.Duty, pump.Type, pump.PumpJson, pump.SetupJson) = (
            wanted.Tag, wanted.Name, wanted.Duty, wanted.Type, wanted.PumpJson, wanted.SetupJson);
        pump.Version++;
        await db.SaveOrRefuse(stop, Taken(pump.Tag));
        Prepare(diagnoser, pump);
        ETags.Show(response, pump.Version);
        return TypedResults.Ok(pump.ToResource());
    }

    private static async Task RefuseTwin(MildHunchDb db, string tag, string? but, CancellationToken stop)
    {
        // “fog-2” beside “FOG-2” would be read as the same pump.
        if (await db.Pumps.AnyAsync(p => p.Tag.ToLower() == tag.ToLower() && p.Id != but, stop))
            throw Taken(tag);
    }

    private static RefusalException Taken(string tag) =>
        new(StatusCodes.Status409Conflict, "This tag is taken", "tag", $"There is a pump {tag} already. Give this one another tag.");

    // Whoever stores a pump asks about it next.
    private static void Prepare(Diagnoser diagnoser, PumpEntity stored)
    {
        var pump = stored.ToResource();
        diagnoser.Prepare(pump.Pump.ToCore(), pump.Setup.ToCore());
    }
}
