using System.IO.Compression;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using MildHunch.Store;
using MildHunch.Store.Backup;

namespace MildHunch.Web.Tests.Backup;

/// <summary>A restore is the backup: no more, no less, whatever lay there before, and a kill in between loses nothing.</summary>
public sealed class RestoreTests : IDisposable
{
    private static readonly DateTime At = new(2026, 11, 27, 3, 0, 0, DateTimeKind.Utc);
    private readonly string shop = Directory.CreateTempSubdirectory("mild-hunch-restore-").FullName;

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    private string Database => Path.Combine(shop, MildHunchDb.FileName);

    public void Dispose()
    {
        SqliteConnection.ClearAllPools();
        Directory.Delete(shop, recursive: true);
    }

    /// <summary>Two in one folder would each keep in memory what the other changed; one that is ending is waited for.</summary>
    [Fact]
    public async Task One_product_works_in_a_folder()
    {
        var first = await ServingLock.Serving(shop);
        (await Should.ThrowAsync<StartException>(ServingLock.Serving(shop, TimeSpan.FromMilliseconds(300)))).Message.ShouldContain(shop);
        var next = ServingLock.Serving(shop);
        await first.DisposeAsync();
        await (await next).DisposeAsync();
    }

    [Fact]
    public async Task Files_that_the_backup_lacks_go_and_are_kept_with_what_was_there()
    {
        var backup = await Backup(("shop-knowledge.json", null));
        foreach (var own in new[] { "shop.json", "shop-sheets.json" })
            await File.WriteAllTextAsync(Path.Combine(shop, own), "{}", Stop);
        await Photo(shop);
        var before = BackupFile.Own(shop);
        before.Count.ShouldBe(3);
        var kept = await Restore(backup);
        BackupFile.Own(shop).ShouldBeEmpty();
        await Restore(kept!);
        BackupFile.Own(shop).ShouldBe(before);
    }

    /// <summary>What was acknowledged lies in the log until SQLite works it in: before anything is moved it is worked in.</summary>
    [Fact]
    public async Task A_kill_between_two_renames_loses_nothing_that_was_acknowledged()
    {
        var backup = await Backup();
        var id = Ids.New();
        await using (var db = Open())
        {
            await db.Database.ExecuteSqlRawAsync("PRAGMA journal_mode=WAL", Stop);
            db.Stock.Add(new StockEntity { Id = id, Name = "Acknowledged", Version = 1 });
            await db.SaveChangesAsync(Stop);

            // A process that is killed leaves its log: a copy of both as they lie there.
            foreach (var end in new[] { "", "-wal" })
                File.Copy(Database + end, $"{Database}{end}.killed");
        }

        SqliteConnection.ClearAllPools();
        foreach (var end in new[] { "", "-wal" })
            File.Move($"{Database}{end}.killed", Database + end, overwrite: true);
        new FileInfo($"{Database}-wal").Length.ShouldBeGreaterThan(0);

        // The database cannot be moved over where a folder lies in the way of a photograph: as if it were killed there.
        await File.WriteAllTextAsync(Path.Combine(shop, "photos"), "in the way", Stop);
        var withPhoto = await Backup(photo: true);
        await Should.ThrowAsync<IOException>(async () => await Restore(withPhoto));
        File.Delete(Path.Combine(shop, "photos"));
        await using var after = Open();
        (await after.Stock.AnyAsync(s => s.Id == id, Stop)).ShouldBeTrue();
        File.Exists(backup).ShouldBeTrue();
    }

    /// <summary>A database that cannot be read may be why somebody restores.</summary>
    [Fact]
    public async Task A_damaged_database_is_set_aside_and_the_backup_takes_its_place()
    {
        var backup = await Backup();
        await File.WriteAllBytesAsync(Database, [.. Enumerable.Repeat((byte)0x5a, 9000)], Stop);
        var kept = await Restore(backup);
        (await File.ReadAllBytesAsync(Path.Combine(kept!, MildHunchDb.FileName), Stop)).Length.ShouldBe(9000);
        await using var db = Open();
        (await db.Stock.CountAsync(Stop)).ShouldBe(1);
    }

    [Fact]
    public async Task An_empty_database_where_a_shop_was_is_told_and_not_replaced()
    {
        await Backup();
        SqliteConnection.ClearAllPools();
        foreach (var end in new[] { "-wal", "-shm" })
            File.Delete(Database + end);
        await File.WriteAllBytesAsync(Database, [], Stop);
        await using var db = Open();
        var start = StartLock.MigrateAsync(db, shop, TimeProvider.System, _ => { }, Stop);
        (await Should.ThrowAsync<StartException>(start)).Message.ShouldContain("0 bytes");
        new FileInfo(Database).Length.ShouldBe(0);
    }

    [Fact]
    public async Task A_drill_says_whether_it_would_be_taken_and_changes_nothing()
    {
        var backup = await Backup();
        await using var db = Open();
        string[] known = [.. db.Database.GetMigrations()];
        (await Restoring.TryAsync(backup, known, Stop)).ShouldBe(1);
        var cut = Path.Combine(shop, "cut.zip");
        await File.WriteAllBytesAsync(cut, (await File.ReadAllBytesAsync(backup, Stop))[..^200], Stop);
        await Should.ThrowAsync<RestoreException>(Restoring.TryAsync(cut, known, Stop));
        await Should.ThrowAsync<RestoreException>(Restoring.TryAsync(backup, known[..^1], Stop));
    }

    // A shop with one part on the shelf, and its backup.
    private async Task<string> Backup(params (string Own, string? Text)[] beside) => await Backup(false, beside);

    private async Task<string> Backup(bool photo, params (string Own, string? Text)[] beside)
    {
        var from = Directory.CreateDirectory(Path.Combine(shop, $"from-{Guid.NewGuid():N}")).FullName;
        await using (var db = Open(from))
        {
            await StartLock.MigrateAsync(db, from, TimeProvider.System, _ => { }, Stop);
            db.Stock.Add(new StockEntity { Id = Ids.New(), Name = "Seal kit", Version = 1 });
            await db.SaveChangesAsync(Stop);
        }

        foreach (var (own, text) in beside.Where(b => b.Text is not null))
            await File.WriteAllTextAsync(Path.Combine(from, own), text, Stop);
        if (photo)
            await Photo(from);

        var file = Path.Combine(shop, BackupFolder.Name, $"nightly-{At:yyyyMMdd-HHmmss}-{Guid.NewGuid():N}.zip");
        await BackupFile.WriteAsync(from, file, At, Stop);
        SqliteConnection.ClearAllPools();
        if (File.Exists(Database))
            return file;

        // Out of the backup: what lies in the folder may still have its last writes in the log.
        using var zip = ZipFile.OpenRead(file);
        zip.GetEntry(MildHunchDb.FileName)!.ExtractToFile(Database);
        return file;
    }

    private static async Task Photo(string folder)
    {
        var hash = new string('a', 64);
        Directory.CreateDirectory(Path.Combine(folder, "photos", hash[..2]));
        await File.WriteAllTextAsync(Path.Combine(folder, "photos", hash[..2], $"{hash}.jpg"), "a picture", Stop);
    }

    private async Task<string?> Restore(string file)
    {
        SqliteConnection.ClearAllPools();
        await using var db = Open();
        return await Restoring.RestoreAsync(shop, file, [.. db.Database.GetMigrations()], At, Stop);
    }

    private MildHunchDb Open(string? folder = null) =>
        new(new DbContextOptionsBuilder<MildHunchDb>().UseSqlite(MildHunchDb.ConnectionTo(folder ?? shop)).Options);
}
