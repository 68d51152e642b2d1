using System.IO.Compression;
using System.Security.Cryptography;
using System.Text.Json;
using Microsoft.Data.Sqlite;

namespace MildHunch.Store.Backup;

/// <summary>A file of the shop within a backup.</summary>
public sealed record BackedUp(string Name, long Bytes, string Sha256);

/// <summary>What a backup says of itself.</summary>
public sealed record BackupManifest(string Format, int Version, DateTime At, IReadOnlyList<BackedUp> Files)
{
    public const string FormatName = "mild-hunch-backup";
    public const int CurrentVersion = 1;
    public const string FileName = "manifest.json";
}

/// <summary>
/// The whole shop as one zip: database, photographs, the shop's own knowledge. Written while the product runs, by SQLite's own online
/// copy; each file with its checksum.
/// </summary>
public static class BackupFile
{
    private const int MostTries = 200;
    private const string Photos = "photos";

    /// <summary>Files of the shop that lie beside its database.</summary>
    public static readonly IReadOnlyList<string> Beside = ["shop-knowledge.json", "shop-sheets.json", "shop.json"];

    private static readonly JsonSerializerOptions Json = new(JsonSerializerDefaults.Web) { WriteIndented = true };

    /// <summary>Writes it to a file that is there whole or not at all.</summary>
    public static async Task WriteAsync(string folder, string path, DateTime at, CancellationToken stop)
    {
        Directory.CreateDirectory(Path.GetDirectoryName(path)!);
        var half = $"{path}.{Guid.NewGuid():N}.part";
        var copy = $"{half}.db";
        try
        {
            Copy(Path.Combine(folder, MildHunchDb.FileName), copy);
            await using (var zipped = new FileStream(half, FileMode.CreateNew, FileAccess.ReadWrite))
            {
                await Pack(folder, copy, zipped, at, stop);
                zipped.Flush(flushToDisk: true);
            }

            Restrict(half);
            File.Move(half, path, overwrite: true);
        }
        finally
        {
            File.Delete(half);
            File.Delete(copy);
        }
    }

    /// <summary>Reads what a backup says of itself.</summary>
    public static BackupManifest Manifest(ZipArchiveEntry entry)
    {
        using var text = entry.Open();
        return JsonSerializer.Deserialize<BackupManifest>(text, Json) ?? throw new JsonException("nothing");
    }

    /// <summary>True for a name that a backup may hold; nothing else is ever written anywhere.</summary>
    public static bool MayHold(string name) => name == MildHunchDb.FileName || Beside.Contains(name) || IsPhoto(name);

    /// <summary>Paths of all files of a shop beside its database: settings, knowledge, photographs.</summary>
    public static IReadOnlyList<string> Own(string folder)
    {
        var photos = Path.Combine(folder, Photos);
        return
        [
            .. Beside.Select(name => Path.Combine(folder, name)).Where(File.Exists),
            .. Taken(folder, photos),
        ];
    }

    private static IEnumerable<string> Taken(string folder, string photos) => Directory.Exists(photos)
        ? Directory.EnumerateFiles(photos, "*.jpg", SearchOption.AllDirectories).Where(photo => IsPhoto(Named(folder, photo)))
            .Order(StringComparer.Ordinal)
        : [];

    // As it stands in the zip.
    private static string Named(string folder, string path) =>
        Path.GetRelativePath(folder, path).Replace(Path.DirectorySeparatorChar, '/');

    private static bool IsPhoto(string name) => name.Split('/') is [Photos, { Length: 2 } part, { Length: 68 } file]
        && file.StartsWith(part, StringComparison.Ordinal) && file.EndsWith(".jpg", StringComparison.Ordinal)
        && file[..64].All(char.IsAsciiHexDigitLower);

    // SQLite's own copy, page by page: it sees one state of the database, whatever is written meanwhile.
    private static void Copy(string from, string to)
    {
        using var source = Open(from, SqliteOpenMode.ReadOnly);
        using var target = Open(to, SqliteOpenMode.ReadWriteCreate);
        Whole(source, target);
        using var plain = target.CreateCommand();
        plain.CommandText = "PRAGMA journal_mode=DELETE";
        plain.ExecuteNonQuery();
    }

    // Busy is somebody who works the log in just now: it is over in a moment, and the copy begins anew.
    private static void Whole(SqliteConnection source, SqliteConnection target)
    {
        for (var tries = 1; ; tries++)
        {
            try
            {
                source.BackupDatabase(target);
                return;
            }
            catch (SqliteException e) when (e.SqliteErrorCode is SQLitePCL.raw.SQLITE_BUSY or SQLitePCL.raw.SQLITE_LOCKED
                && tries < MostTries)
            {
                Thread.Sleep(50);
            }
        }
    }

    private static SqliteConnection Open(string path, SqliteOpenMode mode)
    {
        var connection = new SqliteConnection(
            new SqliteConnectionStringBuilder { DataSource = path, Mode = mode, Pooling = false }.ToString());
        connection.Open();
        return connection;
    }

    private static async Task Pack(string folder, string copy, Stream zipped, DateTime at, CancellationToken stop)
    {
        List<BackedUp> files = [];
        using var zip = new ZipArchive(zipped, ZipArchiveMode.Create, leaveOpen: true);
        files.Add(await Add(zip, MildHunchDb.FileName, copy, CompressionLevel.Optimal, stop));
        foreach (var own in Own(folder))
        {
            var name = Named(folder, own);
            files.Add(await Add(zip, name, own, IsPhoto(name) ? CompressionLevel.NoCompression : CompressionLevel.Optimal, stop));
        }

        await using var manifest = zip.CreateEntry(BackupManifest.FileName).Open();
        await JsonSerializer.SerializeAsync(
            manifest, new BackupManifest(BackupManifest.FormatName, BackupManifest.CurrentVersion, at, files), Json, stop);
    }

    private static async Task<BackedUp> Add(ZipArchive zip, string name, string path, CompressionLevel level, CancellationToken stop)
    {
        await using var from = File.OpenRead(path);
        await using var to = zip.CreateEntry(name, level).Open();
        using var sum = IncrementalHash.CreateHash(HashAlgorithmName.SHA256);
        var buffer = new byte[81920];
        long bytes = 0;
        for (int read; (read = await from.ReadAsync(buffer, stop)) > 0; bytes += read)
        {
            sum.AppendData(buffer, 0, read);
            await to.WriteAsync(buffer.AsMemory(0, read), stop);
        }

        return new BackedUp(name, bytes, Convert.ToHexStringLower(sum.GetHashAndReset()));
    }

    // What a shop writes down is nobody else's on this machine.
    private static void Restrict(string path)
    {
        if (!OperatingSystem.IsWindows())
            File.SetUnixFileMode(path, UnixFileMode.UserRead | UnixFileMode.UserWrite);
    }
}
