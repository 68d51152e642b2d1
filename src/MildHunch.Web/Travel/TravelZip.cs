using System.IO.Compression;
using System.Security.Cryptography;
using System.Text.Json;
using MildHunch.Web.Shared;
using MildHunch.Web.Shared.Door;
using MildHunch.Web.Travel.Pumps;

namespace MildHunch.Web.Travel;

/// <summary>
/// The file in which a case travels, or a pump with all its cases: case.json or pump.json, photographs beside it. Nothing that it says of
/// itself is believed.
/// </summary>
internal static class TravelZip
{
    private const long MostJson = 16 * 1024 * 1024;
    private const long MostPump = 128 * 1024 * 1024;
    private const int MostPhotos = 2000;

    /// <summary>Where a photograph lies in it.</summary>
    public static string NameOf(string hash) => $"{CaseFile.PhotoFolder}{hash}.jpg";

    /// <summary>A photograph that is known to be in it.</summary>
    public static ZipArchiveEntry Photo(ZipArchive zip, string hash) => zip.GetEntry(NameOf(hash))!;

    /// <summary>True where it holds a pump with all that is on record of it, and not one case.</summary>
    public static bool HoldsPump(ZipArchive zip) => zip.GetEntry(PumpFile.FileName) is not null;

    /// <summary>What it says, once all of it is known to be a case.</summary>
    public static CaseFile Case(ZipArchive zip)
    {
        var file = Told(zip, new("case", CaseFile.FileName, CaseFile.FormatName, CaseFile.CurrentVersion, MostJson), CaseFile.Read);
        CaseFileRules.Check(file);
        Photographs(zip, CaseFile.FileName, file.Photos);
        return file;
    }

    /// <summary>What it says, once all of it is known to be a pump and its cases.</summary>
    public static PumpFile Pump(ZipArchive zip, DateOnly today)
    {
        var file = Told(zip, new("pump", PumpFile.FileName, PumpFile.FormatName, PumpFile.CurrentVersion, MostPump), PumpFile.Read);
        PumpFileRules.Check(file, today);
        Photographs(zip, PumpFile.FileName, file.Photos);
        return file;
    }

    // What such a file is called, and up to which version it is read here.
    private sealed record Kind(string What, string FileName, string Format, int Version, long Most);

    private static T Told<T>(ZipArchive zip, Kind kind, Func<Stream, T> read)
    {
        var json = zip.GetEntry(kind.FileName)
            ?? throw CaseFileRules.Refused("file", "There is no case.json in it: it is no case of Mild Hunch.");
        var text = Unpacked(json, kind.Most);
        try
        {
            var head = CaseFile.Head(new MemoryStream(text));
            if (head.Format != kind.Format)
                throw CaseFileRules.Refused("format", $"It is no {kind.What} of Mild Hunch.");
            if (head.Version is not { } version || version < 1 || version > kind.Version)
                throw CaseFileRules.Refused(
                    "version",
                    $"It was written by a newer Mild Hunch (format {head.Version}); this one reads up to {kind.Version}. "
                        + "Bring it up to date first.");
            return read(new MemoryStream(text));
        }
        catch (DoorException e)
        {
            throw CaseFileRules.Refused(e.Field, $"{e.Field}: {e.Given} cannot be; accepted: {e.Accepted}.");
        }
        catch (JsonException e)
        {
            throw CaseFileRules.Refused(e.Path ?? "file", $"{kind.FileName} is damaged or not of this format.");
        }
    }

    private static void Photographs(ZipArchive zip, string text, IReadOnlyList<PhotoInFile> told)
    {
        var photos = told.Select(p => NameOf(p.Hash)).ToHashSet();
        if (photos.Count > MostPhotos)
            throw CaseFileRules.Refused("photos", $"{photos.Count} photographs are more than a case has; at most {MostPhotos}.");
        if (zip.Entries.FirstOrDefault(e => e.FullName != text && !photos.Contains(e.FullName)) is { } foreign)
            throw CaseFileRules.Refused("file", $"“{foreign.FullName}” does not belong to a case.");
        if (zip.Entries.Count != photos.Count + 1)
            throw CaseFileRules.Refused("photos", "A photograph is missing, or is there twice.");
        foreach (var photo in told)
            if (!IsPhoto(Photo(zip, photo.Hash), photo.Hash))
                throw CaseFileRules.Refused("photos", $"Photograph {photo.Hash[..8]} is not what the file says it is.");
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
