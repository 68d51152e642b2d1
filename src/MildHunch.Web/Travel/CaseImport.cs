using System.IO.Compression;
using Microsoft.AspNetCore.Http.Features;
using Microsoft.AspNetCore.WebUtilities;
using Microsoft.EntityFrameworkCore;
using Microsoft.Net.Http.Headers;
using MildHunch.Store;
using MildHunch.Store.Backup;
using MildHunch.Web.Backup;
using MildHunch.Web.Cases;
using MildHunch.Web.Photos;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Travel;

/// <summary>What became of a file.</summary>
public sealed record ImportResponse(
    string CaseId, string PumpId, string Outcome, string Says, int Photos);

/// <summary>Takes a case in from elsewhere: checked whole first, then stored whole.</summary>
public sealed class CaseImport(
    MildHunchDb db, CaseExport export, CaseView view, CaseStore store, PhotoFiles photos, ShopFolder shop, ILogger<CaseImport> log)
{
    public static void Map(IEndpointRouteBuilder routes) =>
        routes.MapPost(
            BodyLimits.ImportPath, (HttpRequest request, CaseImport import, CancellationToken stop) => import.Take(request, stop))
            .Accepts<IFormFile>("multipart/form-data").WithTags("Cases")
            .WithSummary("Takes in a case that was exported elsewhere; what is here already is recognised.");

    private async Task<ImportResponse> Take(HttpRequest request, CancellationToken stop)
    {
        if (request.HttpContext.Features.Get<IHttpMaxRequestBodySizeFeature>() is { IsReadOnly: false } limit)
            limit.MaxRequestBodySize = BodyLimits.ImportBytes;
        var folder = Directory.CreateDirectory(Path.Combine(shop.Path, BackupFolder.Name)).FullName;
        await using var sent = new FileStream(
            Path.Combine(folder, $"taken-{Guid.NewGuid():N}.tmp"), FileMode.CreateNew, FileAccess.ReadWrite, FileShare.None, 81920,
            FileOptions.DeleteOnClose | FileOptions.Asynchronous);
        await Receive(request, sent, stop);
        sent.Position = 0;
        try
        {
            using var zip = new ZipArchive(sent, ZipArchiveMode.Read, leaveOpen: true);
            return await Store(CaseZip.Read(zip), zip, stop);
        }
        catch (Exception e) when (e is InvalidDataException or EndOfStreamException or NotSupportedException)
        {
            throw CaseFileRules.Refused("file", "This is no whole zip file: it was cut short, or is something else.");
        }
    }

    private static async Task Receive(HttpRequest request, Stream to, CancellationToken stop)
    {
        if (!MediaTypeHeaderValue.TryParse(request.ContentType, out var type)
            || !type.MediaType.Equals("multipart/form-data", StringComparison.OrdinalIgnoreCase)
            || HeaderUtilities.RemoveQuotes(type.Boundary).Value is not { Length: > 0 } boundary)
            throw CaseFileRules.Refused("file", "Send the file as a form, in a part called “file”.");
        var reader = new MultipartReader(boundary, request.Body);
        try
        {
            while (await reader.ReadNextSectionAsync(stop) is { } section)
                if (section.GetContentDispositionHeader() is { } part && part.IsFileDisposition())
                {
                    await section.Body.CopyToAsync(to, stop);
                    return;
                }
        }
        catch (IOException e) when (!FullDisk.Is(e))
        {
            throw CaseFileRules.Refused("file", "It was cut short on the way. Send it again.");
        }

        throw CaseFileRules.Refused("file", "There is no file in what was sent.");
    }

    private async Task<ImportResponse> Store(CaseFile file, ZipArchive zip, CancellationToken stop)
    {
        var here = await db.Cases.AsNoTracking().AnyAsync(c => c.Id == file.Case.Id, stop)
            ? await export.FileOf(file.Case.Id, stop)
            : null;
        if (here is not null && Ends(here.Case, file.Case))
            return new ImportResponse(file.Case.Id, here.Pump.Id, "already-here", "All of it is here already.", 0);
        if (here is not null && !Ends(file.Case, here.Case))
            throw new RefusalException(
                StatusCodes.Status409Conflict, "It went on in both places", "case",
                "This case is here already, and both went on since they parted. Nothing was changed; put one of them away first.");

        await using var whole = await db.Database.BeginTransactionAsync(stop);
        var pump = await db.Pumps.FirstOrDefaultAsync(p => p.Id == file.Pump.Id, stop);
        var renamed = pump is null && await db.Pumps.AnyAsync(p => p.Tag == file.Pump.Tag, stop);
        if (pump is null)
        {
            pump = (renamed ? file.Pump with { Tag = await FreeTag(file.Pump.Tag, stop) } : file.Pump).ToEntity();
            db.Pumps.Add(pump);
        }

        if (here is not null)
            await db.Cases.Where(c => c.Id == file.Case.Id).ExecuteDeleteAsync(stop);
        var entity = file.Case.ToEntity(pump);
        db.Cases.Add(entity);
        db.Reports.AddRange(file.Case.ReportEntities());
        var shown = await Shown(entity, stop);
        var (added, rows) = await KeepPhotos(file, zip, stop);
        try
        {
            db.Photos.AddRange(rows);
            await store.SaveAsItCame(entity, shown, stop);
            await whole.CommitAsync(stop);
        }
        catch
        {
            foreach (var path in added)
                File.Delete(path);
            throw;
        }

        return new ImportResponse(
            entity.Id, pump.Id, here is null ? "taken-in" : "brought-up-to-date",
            renamed ? $"A pump {file.Pump.Tag} was here already: this one is called {pump.Tag}." : "Taken in.", rows.Count);
    }

    // A case that cannot be shown is not stored: whoever opened it would stand before a closed door.
    private async Task<CaseResource> Shown(CaseEntity entity, CancellationToken stop)
    {
        try
        {
            return await view.Show(entity, stop);
        }
        catch (Exception e) when (e is not (OperationCanceledException or OutOfMemoryException))
        {
            log.LogWarning(e, "A case file that cannot be shown was refused");
            throw CaseFileRules.Refused("case", "What stands in it cannot be read: a reading, an answer or a note is damaged.");
        }
    }

    private async Task<(List<string> Added, List<PhotoEntity> Rows)> KeepPhotos(CaseFile file, ZipArchive zip, CancellationToken stop)
    {
        List<string> added = [];
        List<PhotoEntity> rows = [];
        var known = (await db.Photos.Select(p => p.Hash).ToListAsync(stop)).ToHashSet();
        foreach (var photo in file.Photos.DistinctBy(p => p.Hash))
        {
            if (photos.Find(photo.Hash) is null)
            {
                await using var content = CaseZip.Photo(zip, photo.Hash).Open();
                await photos.Keep(photo.Hash, content, stop);
                added.Add(photos.Find(photo.Hash)!);
            }

            if (!known.Contains(photo.Hash))
                rows.Add(new PhotoEntity
                {
                    Hash = photo.Hash,
                    Bytes = photo.Bytes,
                    Width = photo.Width,
                    Height = photo.Height,
                    At = photo.At,
                });
        }

        return (added, rows);
    }

    private async Task<string> FreeTag(string tag, CancellationToken stop)
    {
        for (var k = 2; ; k++)
        {
            var free = $"{tag[..Math.Min(tag.Length, 34)]} ({k})";
            if (!await db.Pumps.AnyAsync(p => p.Tag == free, stop))
                return free;
        }
    }

    // True where one case is the other and what was done since: its changes begin with all of those.
    private static bool Ends(CaseInFile longer, CaseInFile shorter) =>
        longer.Version >= shorter.Version && longer.Changes.Count >= shorter.Changes.Count
        && shorter.Changes.Zip(longer.Changes).All(p => p.First.Number == p.Second.Number && p.First.At == p.Second.At);
}
