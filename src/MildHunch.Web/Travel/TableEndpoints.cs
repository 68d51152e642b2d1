using System.Globalization;
using Microsoft.EntityFrameworkCore;
using MildHunch.Core;
using MildHunch.Core.Expectation;
using MildHunch.Core.Service.Drawing;
using MildHunch.Store;
using MildHunch.Web.Cases;
using MildHunch.Web.Cases.Work;
using MildHunch.Web.Pumps;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Travel;

/// <summary>What came of a list of pumps.</summary>
public sealed record PumpsTakenResponse(int Added, IReadOnlyList<string> AlreadyHere);

/// <summary>Tables for a spreadsheet: readings, parts and findings of a case; the pumps of the shop, out and in.</summary>
public static class TableEndpoints
{
    private const int MostPumps = 2000;

    public static void Map(IEndpointRouteBuilder routes)
    {
        routes.MapGet("/api/cases/{id}/readings.csv", Readings).WithTags("Cases").WithSummary("Readings of a case as CSV.")
            .Produces(StatusCodes.Status200OK, contentType: Csv.MediaType);
        routes.MapGet("/api/cases/{id}/parts.csv", Parts).WithTags("Cases").WithSummary("Parts that the work renews as CSV.")
            .Produces(StatusCodes.Status200OK, contentType: Csv.MediaType);
        routes.MapGet("/api/cases/{id}/findings.csv", Findings).WithTags("Cases").WithSummary("What was found inside as CSV.")
            .Produces(StatusCodes.Status200OK, contentType: Csv.MediaType);
        routes.MapGet("/api/pumps.csv", Pumps).WithTags("Pumps").WithSummary("All pumps of the shop as CSV, to be taken in elsewhere.")
            .Produces(StatusCodes.Status200OK, contentType: Csv.MediaType);
        routes.MapPost("/api/pumps.csv", Take).WithTags("Pumps").Accepts<string>(Csv.MediaType)
            .WithSummary("Takes in a list of pumps, all of them or none; tags that are here already are left alone.");
    }

    private static async Task<IResult> Readings(string id, CaseStore store, CancellationToken stop)
    {
        var entity = await store.Load(id, stop);
        return Csv.Table(
            "readings.csv", ["quantity", "name", "value", "to", "unit", "mends before", "at"],
            entity.InForce(entity.Readings).Select(r => new object[]
            {
                r.Quantity, ReadingNames.Full(r.Quantity), r.Value, r.UpTo?.ToString(CultureInfo.InvariantCulture) ?? "", r.Unit,
                r.Mends, When(entity, r.AddedBy),
            }));
    }

    private static async Task<IResult> Parts(string id, CaseStore store, CaseWork work, CancellationToken stop)
    {
        var entity = await store.Load(id, stop);
        return Csv.Table(
            "parts.csv", ["round", "part", "name", "count", "places"],
            from at in entity.Rounds()
            from p in work.Planned(at)?.Parts ?? []
            select new object[] { at.Round(), p.Part.Id, p.Part.Name, p.Count, string.Join("; ", p.Places.Select(x => x.Key)) });
    }

    private static async Task<IResult> Findings(string id, CaseStore store, CaseWork work, CancellationToken stop)
    {
        var entity = await store.Load(id, stop);
        return Csv.Table(
            "findings.csv", ["round", "part", "name", "place", "state", "finding", "by", "note"],
            from at in entity.Rounds()
            let done = at.Work().Found
            from i in work.Planned(at)?.Inspections ?? []
            let found = done.GetValueOrDefault(CavityMap.Key(i.Part.Id, i.Place))
            where found is not null
            select new object[]
            {
                at.Round(), i.Part.Id, i.Part.Name, i.Place.Key, found.State, found.Finding ?? "", found.By, found.Note ?? "",
            });
    }

    private static async Task<IResult> Pumps(MildHunchDb db, CancellationToken stop)
    {
        var pumps = await db.Pumps.AsNoTracking().Where(p => p.ArchivedAt == null).OrderBy(p => p.Tag).ToListAsync(stop);
        var rows = pumps.Select(p => PumpTable.Row(p.ToResource())).ToArray();
        string[] first = ["tag", "name", "duty"];
        string[] columns = [.. first, .. rows.SelectMany(r => r.Keys).Except(first).Distinct().Order(StringComparer.Ordinal)];
        return Csv.Table(
            "pumps.csv", columns, rows.Select(r => columns.Select(c => (object)r.GetValueOrDefault(c, "")).ToArray()));
    }

    private static async Task<PumpsTakenResponse> Take(HttpRequest request, MildHunchDb db, TimeProvider clock, CancellationToken stop)
    {
        var rows = await Csv.Rows(request, MostPumps, "pump", stop);
        var here = (await db.Pumps.Select(p => p.Tag).ToListAsync(stop)).ToHashSet(StringComparer.OrdinalIgnoreCase);
        List<string> left = [];
        List<PumpEntity> added = [];
        var objections = new Objections();
        foreach (var (k, cells) in rows.Index())
            objections.Take($"row {k + 2}", () =>
            {
                var read = PumpTable.Read(cells);
                if (read.Tag is { } tag && !here.Add(tag.Trim()))
                    left.Add(tag.Trim());
                else
                    added.Add(PumpRecord.Checked(read with { Sure = true }, clock.GetUtcNow().UtcDateTime));
                return 0;
            });
        objections.ThrowIfAny();
        db.Pumps.AddRange(added);
        await db.SaveOrRefuse(stop);
        return new PumpsTakenResponse(added.Count, left);
    }

    private static string When(CaseEntity entity, int change) =>
        entity.Changes.First(c => c.Number == change).At.ToString("O", CultureInfo.InvariantCulture);
}
