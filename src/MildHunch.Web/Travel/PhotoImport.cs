using System.IO.Compression;
using Microsoft.EntityFrameworkCore;
using MildHunch.Core;
using MildHunch.Store;
using MildHunch.Web.Photos;

namespace MildHunch.Web.Travel;

/// <summary>Photographs of a file, kept: which bear another name now, which are new on the disk, what is to be stored of them.</summary>
internal sealed record TakenPhotos(
    IReadOnlyDictionary<string, string> Renamed, IReadOnlyList<string> Added, IReadOnlyList<PhotoEntity> Rows)
{
    /// <summary>Takes them back where the rest was refused.</summary>
    public void TakeBack()
    {
        foreach (var path in Added)
            File.Delete(path);
    }
}

/// <summary>Takes photographs in from elsewhere, each drawn anew where it holds anything but a picture.</summary>
public sealed class PhotoImport(MildHunchDb db, PhotoFiles photos)
{
    /// <summary>Keeps those that are not here yet; what names one then has to name it by its new name.</summary>
    internal async Task<TakenPhotos> Take(IReadOnlyList<PhotoInFile> told, ZipArchive zip, CancellationToken stop)
    {
        List<string> added = [];
        List<PhotoEntity> rows = [];
        Dictionary<string, string> renamed = [];
        var taken = new TakenPhotos(renamed, added, rows);
        var known = (await db.Photos.Select(p => p.Hash).ToListAsync(stop)).ToHashSet();
        try
        {
            foreach (var photo in told.DistinctBy(p => p.Hash))
            {
                if (photos.Find(photo.Hash) is not null && known.Contains(photo.Hash))
                    continue;
                using var content = new MemoryStream();
                await using (var sent = TravelZip.Photo(zip, photo.Hash).Open())
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
        catch (Exception e)
        {
            taken.TakeBack();
            if (e is ImpossibleInputException)
                throw CaseFileRules.Refused("photos", $"A photograph in it cannot be kept. {e.Message}");
            throw;
        }

        return taken;
    }
}
