using System.Globalization;
using System.IO.Compression;
using System.Text.RegularExpressions;
using Microsoft.EntityFrameworkCore;
using MildHunch.Store;
using MildHunch.Store.Backup;
using MildHunch.Web.Backup;
using MildHunch.Web.Cases;
using MildHunch.Web.Photos;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Travel;

/// <summary>A case as one file: its JSON, photographs beside it.</summary>
public sealed partial class CaseExport(MildHunchDb db, PhotoFiles photos)
{
    public static void Map(IEndpointRouteBuilder routes)
    {
        routes.MapGet("/api/cases/{id}/export", async (string id, CaseExport export, ShopFolder shop, CancellationToken stop) =>
            {
                var file = await export.FileOf(id, stop);
                var folder = Directory.CreateDirectory(Path.Combine(shop.Path, BackupFolder.Name)).FullName;
                var sent = new FileStream(
                    Path.Combine(folder, $"sent-{Guid.NewGuid():N}.tmp"), FileMode.CreateNew, FileAccess.ReadWrite, FileShare.None, 81920,
                    FileOptions.DeleteOnClose | FileOptions.Asynchronous);
                await export.Pack(file, sent, stop);
                sent.Position = 0;
                return TypedResults.Stream(sent, "application/zip", Name(file));
            })
            .Produces(StatusCodes.Status200OK, contentType: "application/zip").WithTags("Cases")
            .WithSummary("A case, its pump and its photographs as one zip, to be taken in elsewhere by POST /api/import.");
        routes.MapGet("/api/case-file/schema", () => Results.Text(CaseFile.Schema(), "application/schema+json")).WithTags("Cases")
            .WithSummary("JSON schema of case.json in such a zip.");
    }

    /// <summary>The case as its file has it.</summary>
    internal async Task<CaseFile> FileOf(string id, CancellationToken stop)
    {
        var found = await db.Cases.AsNoTracking().Include(c => c.Pump).ThenInclude(p => p!.Stood).Include(c => c.Changes)
            .Include(c => c.Readings).Include(c => c.Cues).Include(c => c.Facts).Include(c => c.Verdicts).Include(c => c.Moves)
            .AsSplitQuery()
            .FirstOrDefaultAsync(c => c.Id == id, stop)
            ?? throw RefusalException.NotFound("case", id);
        var pump = found.KnownPump();
        string[] named = [.. found.Facts.Select(f => f.Value).Append(pump.SheetJson ?? "").SelectMany(t => Hash().Matches(t))
            .Select(m => m.Value).Distinct()];
        var kept = await db.Photos.AsNoTracking().Where(p => named.Contains(p.Hash)).ToListAsync(stop);
        var reports = await db.Reports.AsNoTracking().Where(r => r.CaseId == id).ToListAsync(stop);
        return found.ToFile(pump, kept.Where(p => photos.Find(p.Hash) is not null), reports);
    }

    private async Task Pack(CaseFile file, Stream to, CancellationToken stop)
    {
        using var zip = new ZipArchive(to, ZipArchiveMode.Create, leaveOpen: true);
        await using (var json = zip.CreateEntry(CaseFile.FileName, CompressionLevel.Optimal).Open())
            await json.WriteAsync(file.Written(), stop);
        foreach (var photo in file.Photos)
        {
            await using var from = File.OpenRead(photos.Find(photo.Hash)!);
            await using var entry = zip.CreateEntry(CaseZip.NameOf(photo.Hash), CompressionLevel.NoCompression).Open();
            await from.CopyToAsync(entry, stop);
        }
    }

    private static string Name(CaseFile file) => string.Create(
        CultureInfo.InvariantCulture, $"{NotInNames().Replace(file.Pump.Tag, "-")}-{file.Case.OpenedAt:yyyyMMdd}.zip");

    [GeneratedRegex("(?<![0-9a-f])[0-9a-f]{64}(?![0-9a-f])")]
    private static partial Regex Hash();

    [GeneratedRegex("[^A-Za-z0-9-]")]
    private static partial Regex NotInNames();
}
