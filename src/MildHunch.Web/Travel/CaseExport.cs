using System.Globalization;
using System.Text.RegularExpressions;
using Microsoft.EntityFrameworkCore;
using MildHunch.Store;
using MildHunch.Web.Cases;
using MildHunch.Web.Photos;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Travel;

/// <summary>A case as one file: its JSON, photographs beside it.</summary>
public sealed partial class CaseExport(MildHunchDb db, PhotoFiles photos)
{
    public static void Map(IEndpointRouteBuilder routes)
    {
        routes.MapGet("/api/cases/{id}/export", async (string id, CaseExport export, SentZip zip, CancellationToken stop) =>
            {
                var file = await export.FileOf(id, stop);
                var name = string.Create(CultureInfo.InvariantCulture, $"{NameOf(file.Pump.Tag)}-{file.Case.OpenedAt:yyyyMMdd}.zip");
                return await zip.Of(CaseFile.FileName, file.Written(), file.Photos, name, stop);
            })
            .Produces(StatusCodes.Status200OK, contentType: "application/zip").WithTags("Cases")
            .WithSummary("A case, its pump and its photographs as one zip, to be taken in elsewhere by POST /api/import.");
        routes.MapGet("/api/case-file/schema", () => Results.Text(CaseFile.Schema(), "application/schema+json")).WithTags("Cases")
            .WithSummary("JSON schema of case.json in such a zip.");
    }

    /// <summary>The case as its file has it.</summary>
    internal async Task<CaseFile> FileOf(string id, CancellationToken stop)
    {
        var found = await Whole(db.Cases).FirstOrDefaultAsync(c => c.Id == id, stop) ?? throw RefusalException.NotFound("case", id);
        return (await FilesOf([found], stop))[0];
    }

    /// <summary>All cases of a pump as their files would have them, in the order in which they were opened.</summary>
    internal async Task<IReadOnlyList<CaseFile>> FilesOfPump(string pump, CancellationToken stop) => await FilesOf(
        await Whole(db.Cases).Where(c => c.PumpId == pump).OrderBy(c => c.OpenedAt).ThenBy(c => c.Id).ToListAsync(stop), stop);

    /// <summary>Photographs that a text names and that are there.</summary>
    internal async Task<IReadOnlyList<PhotoEntity>> Named(IEnumerable<string> texts, CancellationToken stop)
    {
        string[] named = [.. texts.SelectMany(t => Hash().Matches(t)).Select(m => m.Value).Distinct()];
        var kept = await db.Photos.AsNoTracking().Where(p => named.Contains(p.Hash)).ToListAsync(stop);
        return [.. kept.Where(p => photos.Find(p.Hash) is not null)];
    }

    /// <summary>A tag as part of the name of a file.</summary>
    internal static string NameOf(string tag) => NotInNames().Replace(tag, "-");

    private static IQueryable<CaseEntity> Whole(IQueryable<CaseEntity> cases) => cases.AsNoTracking()
        .Include(c => c.Pump).ThenInclude(p => p!.Stood).Include(c => c.Changes).Include(c => c.Readings).Include(c => c.Cues)
        .Include(c => c.Facts).Include(c => c.Verdicts).Include(c => c.Moves).AsSplitQuery();

    private async Task<IReadOnlyList<CaseFile>> FilesOf(IReadOnlyList<CaseEntity> cases, CancellationToken stop)
    {
        string[] ids = [.. cases.Select(c => c.Id)];
        var reports = (await db.Reports.AsNoTracking().Where(r => ids.Contains(r.CaseId)).ToListAsync(stop)).ToLookup(r => r.CaseId);
        List<CaseFile> files = [];
        foreach (var one in cases)
        {
            var pump = one.KnownPump();
            files.Add(one.ToFile(pump, await Named(one.Facts.Select(f => f.Value).Append(pump.SheetJson ?? ""), stop), reports[one.Id]));
        }

        return files;
    }

    [GeneratedRegex("(?<![0-9a-f])[0-9a-f]{64}(?![0-9a-f])")]
    private static partial Regex Hash();

    [GeneratedRegex("[^A-Za-z0-9-]")]
    private static partial Regex NotInNames();
}
