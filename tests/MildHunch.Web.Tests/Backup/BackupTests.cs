using System.Globalization;
using System.IO.Compression;
using System.Net;
using System.Text;
using System.Text.Json.Nodes;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;
using MildHunch.Store.Backup;
using MildHunch.Web.Backup;

namespace MildHunch.Web.Tests.Backup;

/// <summary>The whole shop as one file, and back.</summary>
public sealed class BackupTests : IDisposable
{
    private readonly string shop = Directory.CreateTempSubdirectory("mild-hunch-shop-").FullName;

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    public void Dispose() => Directory.Delete(shop, recursive: true);

    [Fact]
    public async Task A_backup_taken_while_others_write_holds_one_state_and_comes_back()
    {
        var file = Path.Combine(shop, "copy.zip");
        string id;
        int least, most;
        using (var product = new Product())
        {
            id = await product.CaseOf("FOG-2");
            least = await Version(product, id);
            using var ended = CancellationTokenSource.CreateLinkedTokenSource(Stop);
            var writing = Task.Run(
                async () =>
                {
                    for (var k = 0; !ended.IsCancellationRequested; k++)
                        await Note(product, id, $"while it is copied, {k}");
                }, Stop);
            while (await Version(product, id) < least + 3)
                await File.WriteAllBytesAsync(file, await product.Http.GetByteArrayAsync("/api/backup", Stop), Stop);
            await ended.CancelAsync();
            await writing;
            most = await Version(product, id);
            Directory.EnumerateFiles(Path.Combine(product.Folder, BackupFolder.Name)).ShouldBeEmpty("what was sent is not left behind");
        }

        var fresh = Path.Combine(shop, "fresh");
        (await Restore(fresh, file)).ShouldBeNull();
        using var restored = new Product(false, fresh);
        (await Version(restored, id)).ShouldBeInRange(least + 1, most);
        (await restored.Get("/api/pumps")).AsArray().Count.ShouldBeGreaterThanOrEqualTo(8);
    }

    /// <summary>What a killed product leaves beside its database would bring newer data back over what was restored.</summary>
    [Fact]
    public async Task Stale_files_beside_the_database_do_not_bring_newer_data_back()
    {
        var file = Path.Combine(shop, "copy.zip");
        var killed = Path.Combine(shop, "killed");
        Directory.CreateDirectory(killed);
        string id;
        int before;
        using (var product = new Product())
        {
            id = await product.CaseOf("FOG-2");
            before = await Version(product, id);
            await File.WriteAllBytesAsync(file, await product.Http.GetByteArrayAsync("/api/backup", Stop), Stop);
            await Note(product, id, "noted after the backup");
            foreach (var left in Directory.EnumerateFiles(product.Folder, "mild-hunch.db*"))
                File.Copy(left, Path.Combine(killed, Path.GetFileName(left)));
        }

        File.Exists(Path.Combine(killed, "mild-hunch.db-wal")).ShouldBeTrue();
        Directory.CreateDirectory(Path.Combine(killed, "restoring-0", "photos"));
        Directory.CreateDirectory(Path.Combine(killed, BackupFolder.Name));
        File.WriteAllText(Path.Combine(killed, BackupFolder.Name, "before-restore-20261128-075028.zip.0.part"), "half");
        var kept = await Restore(killed, file);
        kept.ShouldNotBeNull();

        // Halves that an earlier kill left are gone.
        Directory.EnumerateDirectories(killed, "restoring-*").ShouldBeEmpty();
        Directory.EnumerateFiles(Path.Combine(killed, BackupFolder.Name), "*.part*").ShouldBeEmpty();
        using (var restored = new Product(false, killed))
            (await Version(restored, id)).ShouldBe(before);

        // What was there before is kept, newer data and all.
        (await Restore(killed, kept)).ShouldNotBeNull();
        using var again = new Product(false, killed);
        (await Version(again, id)).ShouldBe(before + 1);
    }

    [Fact]
    public async Task Photographs_travel_with_it()
    {
        var file = Path.Combine(shop, "copy.zip");
        byte[] seen;
        string hash;
        using (var product = new Product())
        {
            hash = await product.Photograph();
            seen = await product.Http.GetByteArrayAsync($"/api/photos/{hash}", Stop);
            await File.WriteAllBytesAsync(file, await product.Http.GetByteArrayAsync("/api/backup", Stop), Stop);
        }

        var fresh = Path.Combine(shop, "fresh");
        await Restore(fresh, file);
        using var restored = new Product(false, fresh);
        (await restored.Http.GetByteArrayAsync($"/api/photos/{hash}", Stop)).ShouldBe(seen);
    }

    [Fact]
    public async Task Nothing_is_restored_under_a_running_product()
    {
        using var product = new Product();
        var file = Path.Combine(shop, "copy.zip");
        await File.WriteAllBytesAsync(file, await product.Http.GetByteArrayAsync("/api/backup", Stop), Stop);
        (await Should.ThrowAsync<RestoreException>(() => Restore(product.Folder, file))).Message.ShouldContain("running");
    }

    [Fact]
    public async Task What_is_no_sound_backup_changes_nothing()
    {
        var good = Path.Combine(shop, "good.zip");
        using (var product = new Product())
            await File.WriteAllBytesAsync(good, await product.Http.GetByteArrayAsync("/api/backup", Stop), Stop);
        var folder = Path.Combine(shop, "there");
        await Restore(folder, good);
        var there = await File.ReadAllBytesAsync(Path.Combine(folder, "mild-hunch.db"), Stop);

        var bytes = await File.ReadAllBytesAsync(good, Stop);
        await Refused("cut.zip", bytes[..(bytes.Length / 2)], "broken");
        await Refused("text.zip", "a letter"u8.ToArray(), "broken");
        await Refused("empty.zip", Zip(), "says nothing of itself");
        await Refused("foreign.zip", Zip(("manifest.json", Manifest("{\"format\":\"holiday\",\"version\":1,\"files\":[]}"))), "holiday");
        await Refused(
            "newer.zip", Zip(("manifest.json", Manifest("{\"format\":\"mild-hunch-backup\",\"version\":9,\"files\":[]}"))), "newer");
        await Refused(
            "slip.zip",
            Zip(("manifest.json", Said("../slipped.txt", 4)), ("mild-hunch.db", "abcd"u8.ToArray()),
                ("../slipped.txt", "abcd"u8.ToArray())),
            "nothing of a shop");
        await Refused("changed.zip", Zip(("manifest.json", Said("shop.json", 4)), ("mild-hunch.db", "abcd"u8.ToArray())), "not what");
        File.Exists(Path.Combine(shop, "slipped.txt")).ShouldBeFalse();

        async Task Refused(string name, byte[] content, string says)
        {
            var file = Path.Combine(shop, name);
            await File.WriteAllBytesAsync(file, content, Stop);
            (await Should.ThrowAsync<RestoreException>(() => Restore(folder, file))).Message.ShouldContain(says, Case.Insensitive, name);
            (await File.ReadAllBytesAsync(Path.Combine(folder, "mild-hunch.db"), Stop)).ShouldBe(there);
            Directory.EnumerateDirectories(folder).Select(Path.GetFileName).ShouldAllBe(d => d == "backups" || d == "photos");
        }
    }

    [Fact]
    public async Task A_shop_is_kept_as_it_was_before_it_is_changed()
    {
        await using (var db = OlderProduct.Open(shop))
        {
            var migrations = db.Database.GetMigrations().ToArray();
            await db.GetService<IMigrator>().MigrateAsync(migrations[^2], Stop);
        }

        using (var product = new Product(false, shop))
            (await product.Get("/api/pumps")).AsArray().Count.ShouldBe(0);
        var kept = Directory.EnumerateFiles(Path.Combine(shop, BackupFolder.Name), "before-*.zip").ShouldHaveSingleItem();
        var fresh = Path.Combine(shop, "fresh");
        await Restore(fresh, kept);
        await using var older = OlderProduct.Open(fresh);
        (await older.Database.GetPendingMigrationsAsync(Stop)).Count().ShouldBe(1);
    }

    [Fact]
    public void Backups_are_kept_by_age()
    {
        var now = new DateTime(2026, 11, 27, 3, 0, 0, DateTimeKind.Utc);
        var nightly = Enumerable.Range(0, 1200).Select(d => $"nightly-{now.AddDays(-d):yyyyMMdd-HHmmss}.zip").ToArray();
        string[] others = ["before-restore-20261126-120000.zip", "before-restore-20240101-120000.zip", "my own copy.zip"];
        var gone = BackupFolder.TooOld([.. nightly, .. others], now);
        var kept = nightly.Except(gone).ToArray();
        nightly[..8].ShouldBeSubsetOf(kept);
        kept.Length.ShouldBeInRange(8 + 7 + 20, 8 + 9 + 25);
        gone.Where(g => !g.StartsWith("nightly", StringComparison.Ordinal)).ShouldBe(["before-restore-20240101-120000.zip"]);

        // Night after night the same rule leaves about as many.
        List<string> files = [];
        for (var d = 900; d >= 0; d--)
        {
            files.Add($"nightly-{now.AddDays(-d):yyyyMMdd-HHmmss}.zip");
            files = [.. files.Except(BackupFolder.TooOld(files, now.AddDays(-d)))];
        }

        files.Count.ShouldBeInRange(8 + 6 + 20, 8 + 10 + 26);
    }

    /// <summary>A dead clock battery: nothing good is thrown away for a stamp of another year, and no night waits for one.</summary>
    [Fact]
    public void A_clock_of_another_year_throws_nothing_away_and_puts_no_night_off()
    {
        var now = new DateTime(2026, 11, 27, 3, 0, 0, DateTimeKind.Utc);
        var nightly = Enumerable.Range(0, 10).Select(d => $"nightly-{now.AddDays(-d):yyyyMMdd-HHmmss}.zip").ToArray();
        for (var nights = 1; nights < 8; nights++)
        {
            var ahead = Enumerable.Range(0, nights).Select(d => $"nightly-{now.AddYears(1).AddDays(d):yyyyMMdd-HHmmss}.zip");
            var gone = BackupFolder.TooOld([.. nightly, .. ahead], now.AddYears(1).AddDays(nights - 1));
            nightly[..(10 - nights)].Intersect(gone).ShouldBeEmpty();
            nightly.Except(gone).Count().ShouldBeGreaterThanOrEqualTo(10 - nights);
        }

        var folder = Directory.CreateTempSubdirectory("mild-hunch-stamps-").FullName;
        Directory.CreateDirectory(Path.Combine(folder, BackupFolder.Name));
        foreach (var stamp in new[] { "20261120-023100", "20300101-023000" })
            File.WriteAllText(Path.Combine(folder, BackupFolder.Name, $"nightly-{stamp}.zip"), "");
        BackupFolder.Last(folder, "nightly", now).ShouldBe(new DateTime(2026, 11, 20, 2, 31, 0, DateTimeKind.Utc));
        Directory.Delete(folder, recursive: true);
    }

    [Theory]
    [InlineData(null, "2026-11-27T12:00", true)]
    [InlineData("2026-11-27T02:31", "2026-11-27T12:00", false)]
    [InlineData("2026-11-26T02:31", "2026-11-27T02:29", false)]
    [InlineData("2026-11-26T02:31", "2026-11-27T02:31", true)]
    [InlineData("2026-11-20T02:31", "2026-11-27T01:00", true)]
    public void A_night_without_a_backup_is_made_up_for(string? last, string now, bool due) => NightlyBackups.Due(
        last is null ? null : DateTime.SpecifyKind(DateTime.Parse(last, CultureInfo.InvariantCulture), DateTimeKind.Utc),
        new DateTimeOffset(DateTime.Parse(now, CultureInfo.InvariantCulture), TimeSpan.Zero)).ShouldBe(due);

    private static async Task<string?> Restore(string folder, string file)
    {
        // A process of its own would have no connections left over from a product that ended in this one.
        SqliteConnection.ClearAllPools();
        await using var db = OlderProduct.Open(folder);
        return await Restoring.RestoreAsync(
            folder, file, [.. db.Database.GetMigrations()], TimeProvider.System.GetUtcNow().UtcDateTime, Stop);
    }

    private static async Task<int> Version(Product product, string id) =>
        (await product.Get($"/api/cases/{id}"))["version"]!.GetValue<int>();

    private static async Task Note(Product product, string id, string text)
    {
        var (response, body) = await product.Send(
            HttpMethod.Post, $"/api/cases/{id}/changes", new JsonObject { ["facts"] = new JsonObject { ["note-ask"] = text } },
            $"\"{await Version(product, id)}\"");
        response.StatusCode.ShouldBe(HttpStatusCode.OK, body?.ToJsonString());
    }

    private static byte[] Manifest(string json) => Encoding.UTF8.GetBytes(json);

    // The database under a checksum that is right, another file under one that is not.
    private static byte[] Said(string name, int bytes) => Manifest(
        "{\"format\":\"mild-hunch-backup\",\"version\":1,\"files\":[{\"name\":\"mild-hunch.db\",\"bytes\":4,\"sha256\":\"00\"},"
            + $"{{\"name\":\"{name}\",\"bytes\":{bytes},\"sha256\":\"00\"}}]}}");

    private static byte[] Zip(params (string Name, byte[] Content)[] entries)
    {
        using var memory = new MemoryStream();
        using (var zip = new ZipArchive(memory, ZipArchiveMode.Create, leaveOpen: true))
            foreach (var (name, content) in entries)
            {
                using var entry = zip.CreateEntry(name).Open();
                entry.Write(content);
            }

        return memory.ToArray();
    }
}
