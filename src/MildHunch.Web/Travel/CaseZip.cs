using System.IO.Compression;
using System.Security.Cryptography;
using System.Text.Json;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Travel;

/// <summary>The file in which a case travels: case.json, photographs beside it. Nothing that it says of itself is believed.</summary>
internal static class CaseZip
{
    private const int MostJson = 16 * 1024 * 1024;
    private const int MostPhotos = 2000;

    /// <summary>Where a photograph lies in it.</summary>
    public static string NameOf(string hash) => $"{CaseFile.PhotoFolder}{hash}.jpg";

    /// <summary>A photograph that is known to be in it.</summary>
    public static ZipArchiveEntry Photo(ZipArchive zip, string hash) => zip.GetEntry(NameOf(hash))!;

    /// <summary>What it says, once all of it is known to be a case.</summary>
    public static CaseFile Read(ZipArchive zip)
    {
        var json = zip.GetEntry(CaseFile.FileName)
            ?? throw CaseFileRules.Refused("file", "There is no case.json in it: it is no case of Mild Hunch.");
        var text = Unpacked(json, MostJson);
        CaseFile file;
        try
        {
            var head = CaseFile.Head(new MemoryStream(text));
            if (head.Format != CaseFile.FormatName)
                throw CaseFileRules.Refused("format", "It is no case of Mild Hunch.");
            if (head.Version is not (> 0 and <= CaseFile.CurrentVersion))
                throw CaseFileRules.Refused(
                    "version",
                    $"It was written by a newer Mild Hunch (format {head.Version}); this one reads up to {CaseFile.CurrentVersion}. "
                        + "Bring it up to date first.");
            file = CaseFile.Read(new MemoryStream(text));
        }
        catch (JsonException e)
        {
            throw CaseFileRules.Refused(e.Path ?? "file", "case.json is damaged or not of this format.");
        }

        CaseFileRules.Check(file);
        var photos = file.Photos.Select(p => NameOf(p.Hash)).ToHashSet();
        if (photos.Count > MostPhotos)
            throw CaseFileRules.Refused("photos", $"{photos.Count} photographs are more than a case has; at most {MostPhotos}.");
        if (zip.Entries.FirstOrDefault(e => e.FullName != CaseFile.FileName && !photos.Contains(e.FullName)) is { } foreign)
            throw CaseFileRules.Refused("file", $"“{foreign.FullName}” does not belong to a case.");
        if (zip.Entries.Count != photos.Count + 1)
            throw CaseFileRules.Refused("photos", "A photograph is missing, or is there twice.");
        foreach (var photo in file.Photos)
            if (!IsPhoto(Photo(zip, photo.Hash), photo.Hash))
                throw CaseFileRules.Refused("photos", $"Photograph {photo.Hash[..8]} is not what the file says it is.");

        return file;
    }

    // What an entry says of its size is not believed.
    private static byte[] Unpacked(ZipArchiveEntry entry, long most)
    {
        using var from = entry.Open();
        using var to = new MemoryStream();
        var buffer = new byte[81920];
        for (int read; (read = from.Read(buffer)) > 0;)
        {
            if (to.Length + read > most)
                throw CaseFileRules.Refused("file", $"“{entry.Name}” unpacks to more than {most / (1024 * 1024)} MB.");
            to.Write(buffer, 0, read);
        }

        return to.ToArray();
    }

    // Piece by piece: a photograph is never held whole.
    private static bool IsPhoto(ZipArchiveEntry entry, string hash)
    {
        using var from = entry.Open();
        using var sum = IncrementalHash.CreateHash(HashAlgorithmName.SHA256);
        var buffer = new byte[81920];
        var start = from.ReadAtLeast(buffer, 3, throwOnEndOfStream: false);
        if (buffer.AsSpan(0, start) is not [0xFF, 0xD8, 0xFF, ..])
            return false;
        long bytes = start;
        for (var read = start; read > 0; bytes += read)
        {
            sum.AppendData(buffer, 0, read);
            read = from.Read(buffer);
            if (bytes + read > BodyLimits.PhotoBytes)
                throw CaseFileRules.Refused("file", $"“{entry.Name}” unpacks to more than {BodyLimits.PhotoBytes / (1024 * 1024)} MB.");
        }

        return Convert.ToHexStringLower(sum.GetHashAndReset()) == hash;
    }
}
