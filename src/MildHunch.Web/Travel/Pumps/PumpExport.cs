using Microsoft.EntityFrameworkCore;
using MildHunch.Store;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Travel.Pumps;

/// <summary>A pump as one file: plate, serial, service figures, hours, parts and all its cases, photographs beside them.</summary>
public sealed class PumpExport(MildHunchDb db, CaseExport cases)
{
    public static void Map(IEndpointRouteBuilder routes)
    {
        routes.MapGet("/api/pumps/{id}/export", async (string id, PumpExport export, SentZip zip, ShopDay day, CancellationToken stop) =>
            {
                var file = await export.FileOf(id, stop);
                return await zip.Of(
                    PumpFile.FileName, file.Written(), file.Photos, $"{CaseExport.NameOf(file.Pump.Tag)}-{day.Today:yyyyMMdd}.zip", stop);
            })
            .Produces(StatusCodes.Status200OK, contentType: "application/zip").WithTags("Pumps")
            .WithSummary("A pump with its whole life and its cases as one zip, to be taken in elsewhere by POST /api/import.");
        routes.MapGet("/api/pump-file/schema", () => Results.Text(PumpFile.Schema(), "application/schema+json")).WithTags("Pumps")
            .WithSummary("JSON schema of pump.json in such a zip.");
    }

    private async Task<PumpFile> FileOf(string id, CancellationToken stop)
    {
        var pump = await db.Pumps.AsNoTracking().Include(p => p.Stood).FirstOrDefaultAsync(p => p.Id == id, stop)
            ?? throw RefusalException.NotFound("pump", id);
        var meters = await db.Meters.AsNoTracking().Where(m => m.PumpId == id && m.CaseId == null).ToListAsync(stop);
        var changes = await db.PartChanges.AsNoTracking().Where(c => c.PumpId == id && c.CaseId == null).ToListAsync(stop);
        var told = await cases.FilesOfPump(id, stop);
        var own = await cases.Named([pump.SheetJson ?? "", pump.RunningJson ?? ""], stop);
        return new PumpFile(
            PumpFile.FormatName, PumpFile.CurrentVersion, pump.InFile(), pump.Serial, pump.Running(),
            [.. pump.Stood.OrderBy(s => s.Until).Select(s => s.ToFile())],
            [.. meters.OrderBy(m => m.On).ThenBy(m => m.Id, StringComparer.Ordinal).Select(m => m.ToFile())],
            [.. changes.OrderBy(c => c.On).ThenBy(c => c.Id, StringComparer.Ordinal).Select(c => c.ToFile())],
            [.. told.Select(c => c.Case)],
            [.. told.SelectMany(c => c.Photos).Concat(own.Select(p => p.InFile())).DistinctBy(p => p.Hash)
                .OrderBy(p => p.Hash, StringComparer.Ordinal)]);
    }
}
