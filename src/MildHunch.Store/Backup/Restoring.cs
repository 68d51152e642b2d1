using System.Globalization;
using System.IO.Compression;
using System.Security.Cryptography;
using System.Text.Json;
using Microsoft.Data.Sqlite;

namespace MildHunch.Store.Backup;

/// <summary>A backup that is not taken, and why. Nothing was changed.</summary>
public sealed class RestoreException(string message) : Exception(message);

/// <summary>Lays a backup in place of a shop: checked whole beside it first, what is there now kept, then put in its place.</summary>
public static class Restoring
{
    private const string Beside = "restoring-";
    private const long MostBytes = 200L * 1024 * 1024 * 1024;
    private static readonly string[] Stale = ["-wal", "-shm", "-journal"];

    /// <summary>Restores; returns where what was there before is kept, null where there was nothing.</summary>
    /// <param name="folder">Of the shop; nobody else may use it meanwhile.</param>
    /// <param name="file">The backup.</param>
    /// <param name="known">Names of the migrations that this product knows.</param>
    /// <exception cref="RestoreException">The backup is not taken, or the product is running.</exception>
    public static async Task<string?> RestoreAsync(
        string folder, string file, IReadOnlyCollection<string> known, DateTime at, CancellationToken stop)
    {
        Directory.CreateDirectory(folder);
        using var alone = ServingLock.Alone(folder)
            ?? throw new RestoreException($"Mild Hunch is running in {folder}. End it first; then nothing is written meanwhile.");
        Sweep(folder);
        var beside = Path.Combine(folder, $"{Beside}{Guid.NewGuid():N}");
        try
        {
            await Unpack(file, beside, stop);
            Check(Path.Combine(beside, MildHunchDb.FileName), known);
            var kept = File.Exists(Path.Combine(folder, MildHunchDb.FileName)) ? await Keep(folder, at, stop) : null;
            Swap(folder, beside);
            return kept;
        }
        finally
        {
            if (Directory.Exists(beside))
                Directory.Delete(beside, recursive: true);
        }
    }

    /// <summary>A restore drill: the backup is unpacked and checked as a restore would, and nothing is changed.</summary>
    /// <returns>How many files it holds.</returns>
    /// <exception cref="RestoreException">The backup would not be taken.</exception>
    public static async Task<int> TryAsync(string file, IReadOnlyCollection<string> known, CancellationToken stop)
    {
        var beside = Directory.CreateTempSubdirectory("mild-hunch-check-").FullName;
        try
        {
            await Unpack(file, beside, stop);
            Check(Path.Combine(beside, MildHunchDb.FileName), known);
            return Directory.EnumerateFiles(beside, "*", SearchOption.AllDirectories).Count();
        }
        finally
        {
            Directory.Delete(beside, recursive: true);
        }
    }

    // What is there now, as a backup; a database that is damaged, which may be why it is restored, as it lies there.
    private static async Task<string> Keep(string folder, DateTime at, CancellationToken stop)
    {
        var database = Path.Combine(folder, MildHunchDb.FileName);
        try
        {
            var kept = await BackupFolder.WriteAsync(folder, "before-restore", at, stop);
            Settle(database);
            return kept;
        }
        catch (SqliteException)
        {
            var name = string.Create(CultureInfo.InvariantCulture, $"damaged-{at:yyyyMMdd-HHmmss}");
            var aside = Directory.CreateDirectory(Path.Combine(folder, BackupFolder.Name, name)).FullName;
            foreach (var end in Stale.Prepend("").Where(end => File.Exists(database + end)))
                File.Copy(database + end, Path.Combine(aside, MildHunchDb.FileName + end), overwrite: true);
            return aside;
        }
    }

    // All that its log holds goes into the database itself: a kill between two renames then loses nothing that was acknowledged.
    private static void Settle(string database)
    {
        SqliteConnection.ClearAllPools();
        using var connection = new SqliteConnection(
            new SqliteConnectionStringBuilder { DataSource = database, Mode = SqliteOpenMode.ReadWrite, Pooling = false }.ToString());
        connection.Open();
        First(connection, "PRAGMA wal_checkpoint(TRUNCATE)");
        First(connection, "PRAGMA journal_mode=DELETE");
    }

    // What a kill in the middle of an earlier one left; nobody else is at work here.
    private static void Sweep(string folder)
    {
        foreach (var left in Directory.EnumerateDirectories(folder, $"{Beside}*"))
            Directory.Delete(left, recursive: true);
        BackupFolder.SweepHalves(folder, DateTime.MaxValue);
    }

    private static async Task Unpack(string file, string to, CancellationToken stop)
    {
        if (!File.Exists(file))
            throw new RestoreException($"There is no file {file}.");
        try
        {
            using var zip = ZipFile.OpenRead(file);
            var manifest = BackupFile.Manifest(
                zip.GetEntry(BackupManifest.FileName)
                ?? throw new RestoreException($"{file} is no backup of Mild Hunch: it says nothing of itself."));
            if (manifest.Format != BackupManifest.FormatName)
                throw new RestoreException($"{file} is no backup of Mild Hunch, but “{manifest.Format}”.");
            if (manifest.Version > BackupManifest.CurrentVersion)
                throw new RestoreException(
                    $"{file} was written by a newer Mild Hunch (format {manifest.Version}; "
                        + $"this one reads up to {BackupManifest.CurrentVersion}).");
            if (manifest.Files.All(f => f.Name != MildHunchDb.FileName))
                throw new RestoreException($"{file} holds no database.");
            if (manifest.Files.FirstOrDefault(f => !BackupFile.MayHold(f.Name)) is { } foreign)
                throw new RestoreException($"{file} holds “{foreign.Name}”, which is nothing of a shop.");
            if (manifest.Files.Sum(f => f.Bytes) > MostBytes)
                throw new RestoreException($"{file} says that it unpacks to more than 200 GB.");
            foreach (var one in manifest.Files)
                await Take(zip, one, Path.Combine(to, one.Name), stop);
        }
        catch (Exception e) when (e is InvalidDataException or JsonException or NotSupportedException or EndOfStreamException)
        {
            throw new RestoreException($"{file} is broken or no backup: {e.Message}");
        }
    }

    private static async Task Take(ZipArchive zip, BackedUp said, string to, CancellationToken stop)
    {
        var entry = zip.GetEntry(said.Name) ?? throw new RestoreException($"“{said.Name}” is missing in the backup.");
        Directory.CreateDirectory(Path.GetDirectoryName(to)!);
        await using var from = entry.Open();
        await using var written = new FileStream(to, FileMode.CreateNew, FileAccess.Write);
        using var sum = IncrementalHash.CreateHash(HashAlgorithmName.SHA256);
        var buffer = new byte[81920];
        long bytes = 0;
        for (int read; (read = await from.ReadAsync(buffer, stop)) > 0;)
        {
            bytes += read;
            if (bytes > said.Bytes)
                break;
            sum.AppendData(buffer, 0, read);
            await written.WriteAsync(buffer.AsMemory(0, read), stop);
        }

        if (bytes != said.Bytes || Convert.ToHexStringLower(sum.GetHashAndReset()) != said.Sha256)
            throw new RestoreException($"“{said.Name}” is not what the backup says it is: the file was cut short or changed.");
        written.Flush(flushToDisk: true);
    }

    private static void Check(string database, IReadOnlyCollection<string> known)
    {
        try
        {
            using var connection = new SqliteConnection(
                new SqliteConnectionStringBuilder { DataSource = database, Mode = SqliteOpenMode.ReadOnly, Pooling = false }.ToString());
            connection.Open();
            if (First(connection, "PRAGMA integrity_check") is var sound && sound != "ok")
                throw new RestoreException($"The database in the backup is damaged: {sound}.");
            using var command = connection.CreateCommand();
            command.CommandText = "SELECT MigrationId FROM __EFMigrationsHistory";
            using var reader = command.ExecuteReader();
            while (reader.Read())
                if (!known.Contains(reader.GetString(0)))
                    throw new RestoreException(
                        $"The backup was written by a newer Mild Hunch ({reader.GetString(0)}). Bring this one up to date first.");
        }
        catch (SqliteException e)
        {
            throw new RestoreException($"The database in the backup cannot be read: {e.Message}");
        }
    }

    private static string First(SqliteConnection connection, string sql)
    {
        using var command = connection.CreateCommand();
        command.CommandText = sql;
        return command.ExecuteScalar()?.ToString() ?? "";
    }

    // What is left of a damaged database beside it would bring its data back. The database itself comes last.
    private static void Swap(string folder, string beside)
    {
        var database = Path.Combine(folder, MildHunchDb.FileName);
        foreach (var end in Stale)
            File.Delete(database + end);

        HashSet<string> taken = [];
        foreach (var from in Directory.EnumerateFiles(beside, "*", SearchOption.AllDirectories)
            .OrderBy(f => Path.GetFileName(f) == MildHunchDb.FileName))
        {
            var to = Path.Combine(folder, Path.GetRelativePath(beside, from));
            Directory.CreateDirectory(Path.GetDirectoryName(to)!);
            File.Move(from, to, overwrite: true);
            taken.Add(to);
        }

        // What the backup lacks was not there then; it is kept with what was there before.
        foreach (var own in BackupFile.Own(folder).Where(own => !taken.Contains(own)))
            File.Delete(own);
    }
}
