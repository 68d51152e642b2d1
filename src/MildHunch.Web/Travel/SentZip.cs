using System.IO.Compression;
using Microsoft.AspNetCore.Http.HttpResults;
using MildHunch.Store.Backup;
using MildHunch.Web.Backup;
using MildHunch.Web.Photos;

namespace MildHunch.Web.Travel;

/// <summary>Writes a zip of a text and the photographs that it names, and sends it.</summary>
public sealed class SentZip(PhotoFiles photos, ShopFolder shop)
{
    /// <summary>Made whole on the disk before the first byte leaves: a half one would look like a whole one to a browser.</summary>
    public async Task<FileStreamHttpResult> Of(
        string text, byte[] written, IReadOnlyList<PhotoInFile> named, string name, CancellationToken stop)
    {
        var folder = Directory.CreateDirectory(Path.Combine(shop.Path, BackupFolder.Name)).FullName;
        var sent = new FileStream(
            Path.Combine(folder, $"sent-{Guid.NewGuid():N}.tmp"), FileMode.CreateNew, FileAccess.ReadWrite, FileShare.None, 81920,
            FileOptions.DeleteOnClose | FileOptions.Asynchronous);
        try
        {
            await Pack(text, written, named, sent, stop);
        }
        catch
        {
            await sent.DisposeAsync();
            throw;
        }

        sent.Position = 0;
        return TypedResults.Stream(sent, "application/zip", name);
    }

    private async Task Pack(string text, byte[] written, IReadOnlyList<PhotoInFile> named, Stream to, CancellationToken stop)
    {
        using var zip = new ZipArchive(to, ZipArchiveMode.Create, leaveOpen: true);
        await using (var json = zip.CreateEntry(text, CompressionLevel.Optimal).Open())
            await json.WriteAsync(written, stop);
        foreach (var photo in named)
        {
            await using var from = File.OpenRead(photos.Find(photo.Hash)!);
            await using var entry = zip.CreateEntry(TravelZip.NameOf(photo.Hash), CompressionLevel.NoCompression).Open();
            await from.CopyToAsync(entry, stop);
        }
    }
}
