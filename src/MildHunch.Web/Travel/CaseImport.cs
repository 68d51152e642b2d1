using System.IO.Compression;
using Microsoft.AspNetCore.Http.Features;
using Microsoft.AspNetCore.WebUtilities;
using Microsoft.EntityFrameworkCore;
using Microsoft.Net.Http.Headers;
using MildHunch.Core;
using MildHunch.Store;
using MildHunch.Store.Backup;
using MildHunch.Web.Backup;
using MildHunch.Web.Cases;
using MildHunch.Web.Photos;
using MildHunch.Web.Reports;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Travel;

/// <summary>What became of a file.</summary>
public sealed record ImportResponse(
    string CaseId, string PumpId, string Outcome, string Says, int Photos);

/// <summary>Takes a case in from elsewhere: checked whole first, then stored whole.</summary>
public sealed class CaseImport(
    MildHunchDb db, CaseExport export, CaseView view, CaseStore store, PhotoFiles photos, ShopFolder shop, ILogger<CaseImport> log)
{
    private const string AlreadyHere = "already-here";

    public static void Map(IEndpointRouteBuilder routes) =>
        routes.MapPost(
            BodyLimits.ImportPath, (HttpRequest request, string? keep, CaseImport import, CancellationToken stop) =>
                import.Take(request, keep, stop))
            .Accepts<IFormFile>("multipart/form-data").WithTags("Cases")
            .WithSummary("Takes in a case that was exported elsewhere; what is here already is recognised, "
                + "what went on in both places merged; keep=both takes it in as a second case.");

    private async Task<ImportResponse> Take(HttpRequest request, string? keep, CancellationToken stop)
    {
        if (keep is not (null or "both"))
            throw new ImpossibleInputException("keep", $"“{keep}”", "both, or nothing");
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
            return await Store(CaseZip.Read(zip), zip, keep is not null, stop);
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

    private async Task<ImportResponse> Store(CaseFile file, ZipArchive zip, bool both, CancellationToken stop)
    {
        var here = await db.Cases.AsNoTracking().AnyAsync(c => c.Id == file.Case.Id, stop)
            ? await export.FileOf(file.Case.Id, stop)
            : null;
        if (here is not null && both)
            (file, here) = (CaseCopy.Of(file), null);
        var outcome = here is null ? "taken-in" : "brought-up-to-date";
        if (here is not null && Holds(here.Case, file.Case))
            (outcome, file) = (AlreadyHere, file with { Case = here.Case with { Reports = file.Case.Reports } });
        else if (here is not null && !Holds(file.Case, here.Case))
            (outcome, file) = (
                "merged", file with { Case = CaseMerge.Of(here.Case, file.Case, here.Pump) with { Reports = file.Case.Reports } });

        // Everything that takes its time is done before others have to wait.
        var taken = await Photographs(file, zip, stop);
        try
        {
            return await Lay(taken.File, here, outcome, taken.Rows, stop);
        }
        catch
        {
            foreach (var path in taken.Added)
                File.Delete(path);
            throw;
        }
    }

    private async Task<ImportResponse> Lay(
        CaseFile file, CaseFile? here, string outcome, IReadOnlyList<PhotoEntity> rows, CancellationToken stop)
    {
        var pump = await db.Pumps.FirstOrDefaultAsync(p => p.Id == file.Pump.Id, stop);
        var renamed = pump is null && await db.Pumps.AnyAsync(p => p.Tag == file.Pump.Tag, stop);
        var isNew = pump is null;
        pump ??= (renamed ? file.Pump with { Tag = await FreeTag(file.Pump.Tag, stop) } : file.Pump).ToEntity();
        var entity = file.Case.ToEntity(pump);
        var shown = outcome == AlreadyHere ? null : await Shown(entity, stop);

        await using var whole = await db.Database.BeginTransactionAsync(stop);
        var now = await db.Cases.AsNoTracking().Where(c => c.Id == file.Case.Id).Select(c => new { c.Version, c.Headline.Closed })
            .FirstOrDefaultAsync(stop);
        if (now?.Version != here?.Case.Version)
            throw ETags.Stale();

        // What was signed here stays as it was signed; what was signed elsewhere comes beside it.
        var signed = await db.Reports.AsNoTracking().Where(r => r.CaseId == file.Case.Id).ToListAsync(stop);
        var more = More(file.Case, signed);
        db.Photos.AddRange(rows);
        if (shown is null)
        {
            db.Reports.AddRange(more);
            await db.SaveOrRefuse(stop);
            await whole.CommitAsync(stop);
            return new ImportResponse(
                file.Case.Id, pump.Id, outcome,
                more.Count > 0 ? "All of it was here but the reports signed elsewhere." : "All of it is here already.", 0);
        }

        if (isNew)
            db.Pumps.Add(pump);
        if (here is not null)
            await db.Cases.Where(c => c.Id == file.Case.Id).ExecuteDeleteAsync(stop);
        db.Cases.Add(entity);
        db.Reports.AddRange([.. signed, .. more]);
        await store.SaveAsItCame(entity, shown, now?.Closed, stop);
        await whole.CommitAsync(stop);
        return new ImportResponse(
            entity.Id, pump.Id, outcome,
            renamed ? $"A pump {file.Pump.Tag} was here already: this one is called {pump.Tag}."
                : outcome == "merged" ? "What was done elsewhere was laid on what was done here."
                : "Taken in.",
            rows.Count);
    }

    // Revisions that are not here yet, under the next free numbers.
    private static List<ReportEntity> More(CaseInFile told, List<ReportEntity> signed)
    {
        var known = signed.Select(Seal.Of).ToHashSet();
        var free = signed.Select(r => r.Revision).DefaultIfEmpty(0).Max();
        List<ReportEntity> more = [];
        foreach (var report in told.Reports.OrderBy(r => r.Revision))
            if (known.Add(Seal.Of(report.ToEntity(told.Id, report.Revision))))
                more.Add(report.ToEntity(told.Id, ++free));
        return more;
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

    // Each is drawn anew where it holds anything but a picture; what names it then names it by its new name.
    private async Task<TakenPhotos> Photographs(CaseFile file, ZipArchive zip, CancellationToken stop)
    {
        List<string> added = [];
        List<PhotoEntity> rows = [];
        Dictionary<string, string> renamed = [];
        var known = (await db.Photos.Select(p => p.Hash).ToListAsync(stop)).ToHashSet();
        try
        {
            foreach (var photo in file.Photos.DistinctBy(p => p.Hash))
            {
                if (photos.Find(photo.Hash) is not null && known.Contains(photo.Hash))
                    continue;
                using var content = new MemoryStream();
                await using (var sent = CaseZip.Photo(zip, photo.Hash).Open())
                    await sent.CopyToAsync(content, stop);
                var kept = await PhotoFiles.Taken(content.ToArray(), stop);
                if (photos.Find(kept.Hash) is null)
                {
                    await photos.Keep(kept, stop);
                    added.Add(photos.Find(kept.Hash)!);
                }

                if (kept.Hash != photo.Hash)
                    renamed[photo.Hash] = kept.Hash;
                if (known.Add(kept.Hash))
                    rows.Add(new PhotoEntity
                    {
                        Hash = kept.Hash,
                        Bytes = kept.Content.Length,
                        Width = kept.Width,
                        Height = kept.Height,
                        At = photo.At,
                    });
            }
        }
        catch (ImpossibleInputException e)
        {
            foreach (var path in added)
                File.Delete(path);
            throw CaseFileRules.Refused("photos", $"A photograph in it cannot be kept. {e.Message}");
        }

        return new TakenPhotos(file.WithPhotos(renamed), added, rows);
    }

    private sealed record TakenPhotos(CaseFile File, IReadOnlyList<string> Added, IReadOnlyList<PhotoEntity> Rows);

    private async Task<string> FreeTag(string tag, CancellationToken stop)
    {
        for (var k = 2; ; k++)
        {
            var free = $"{tag[..Math.Min(tag.Length, 34)]} ({k})";
            if (!await db.Pumps.AnyAsync(p => p.Tag == free, stop))
                return free;
        }
    }

    // True where all that was told, undone and done again in one is in the other too.
    private static bool Holds(CaseInFile whole, CaseInFile part)
    {
        var has = whole.Moves.Select(m => m.Key).ToHashSet();
        return part.Moves.All(m => has.Contains(m.Key));
    }
}
