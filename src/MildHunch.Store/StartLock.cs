using Microsoft.EntityFrameworkCore;
using MildHunch.Store.Backup;

namespace MildHunch.Store;

/// <summary>A start that would do harm, and why; nothing was changed.</summary>
public sealed class StartException(string message) : Exception(message);

/// <summary>
/// Brings the database of a folder up to date, one start at a time. The lock is a file that the system lets go of when its
/// process ends, however it ends; a mark left in the database by a start that was killed is then known to be stale.
/// </summary>
public static class StartLock
{
    private const string LockName = "start.lock";
    private static readonly TimeSpan Look = TimeSpan.FromMilliseconds(200);

    /// <summary>Migrates; calls <paramref name="waits"/> once with the reason where another start has to end first.</summary>
    /// <exception cref="StartException">The database is empty where there was a shop.</exception>
    public static async Task MigrateAsync(
        MildHunchDb db, string folder, TimeProvider clock, Action<string> waits, CancellationToken stop)
    {
        await using var held = await Hold(Path.Combine(folder, LockName), waits, stop);
        NotEmptied(folder);
        OnlyOurs(folder);
        await db.Database.ExecuteSqlRawAsync("PRAGMA journal_mode=WAL;", stop);

        // Whoever holds the file is the only one who migrates.
        await db.Database.ExecuteSqlRawAsync("DROP TABLE IF EXISTS \"__EFMigrationsLock\";", stop);
        var (done, missing) = (await db.Database.GetAppliedMigrationsAsync(stop), await db.Database.GetPendingMigrationsAsync(stop));

        // A shop that is to be changed is kept as it was.
        if (done.Any() && missing.Any())
            await BackupFolder.WriteAsync(folder, $"before-{missing.Last()}", clock.GetUtcNow().UtcDateTime, stop);
        await db.Database.MigrateAsync(stop);
    }

    // A disk that filled up or a copy that broke off leaves a file of nothing: a new shop in its place would hide that.
    private static void NotEmptied(string folder)
    {
        var database = new FileInfo(Path.Combine(folder, MildHunchDb.FileName));
        var backups = Path.Combine(folder, BackupFolder.Name);
        if (database is { Exists: true, Length: 0 } && !File.Exists($"{database.FullName}-wal")
            && Directory.Exists(backups) && Directory.EnumerateFiles(backups, "*.zip").Any())
            throw new StartException(
                $"The database {database.FullName} is empty (0 bytes), and there was a shop: {backups} holds backups of it. "
                    + "Restore one, or delete the empty file to begin a new shop.");
    }

    // What a shop writes down is nobody else's on this machine; SQLite gives the files beside it the same mode.
    private static void OnlyOurs(string folder)
    {
        if (OperatingSystem.IsWindows())
            return;
        foreach (var name in new[] { MildHunchDb.FileName, $"{MildHunchDb.FileName}-wal", $"{MildHunchDb.FileName}-shm" })
        {
            var path = Path.Combine(folder, name);
            if (name == MildHunchDb.FileName && !File.Exists(path))
                File.Create(path).Dispose();
            if (File.Exists(path))
                File.SetUnixFileMode(path, UnixFileMode.UserRead | UnixFileMode.UserWrite);
        }
    }

    private static async Task<FileStream> Hold(string path, Action<string> waits, CancellationToken stop)
    {
        for (var told = false; ; told = true)
        {
            try
            {
                return new FileStream(path, FileMode.OpenOrCreate, FileAccess.ReadWrite, FileShare.None);
            }
            catch (IOException) when (File.Exists(path))
            {
                if (!told)
                    waits($"Another start is bringing the database in {Path.GetDirectoryName(path)} up to date; waiting for it to end.");
                await Task.Delay(Look, stop);
            }
        }
    }
}
