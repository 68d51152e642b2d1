using System.IO.Compression;
using System.Net;
using System.Text.Json.Nodes;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;
using MildHunch.Store;

namespace MildHunch.Web.Tests.Cases.Rounds;

/// <summary>
/// Cases from before rounds: there a second plan took the first one’s work back. From a file or from the shop’s own database, they come
/// back with both.
/// </summary>
public sealed class OlderRoundsTests
{
    private const string Before = "20261128124502_Stood";
    private static readonly string[] TakenBack = ["work/plan", "work/step/", "work/found/", "work/batch/", "work/hazards"];

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    [Fact]
    public async Task A_file_of_the_first_format_comes_in_with_its_rounds()
    {
        using var here = new Product();
        var id = await TwoRounds.Worked(here);
        var told = await Told(here, id);
        var file = await here.Http.GetByteArrayAsync($"/api/cases/{id}/export", Stop);

        using var there = new Product(demo: false);
        using var form = new MultipartFormDataContent { { new ByteArrayContent(AsFirstFormat(file)), "file", "case.zip" } };
        (await there.Http.PostAsync("/api/import", form, Stop)).StatusCode.ShouldBe(HttpStatusCode.OK);
        Same(await Told(there, id), told);
    }

    [Fact]
    public async Task A_file_brings_its_rounds_along()
    {
        using var here = new Product();
        var id = await TwoRounds.Worked(here);
        await TwoRounds.Close(here, id);
        var file = await here.Http.GetByteArrayAsync($"/api/cases/{id}/export", Stop);
        using var there = new Product(demo: false);
        using var form = new MultipartFormDataContent { { new ByteArrayContent(file), "file", "case.zip" } };
        (await there.Http.PostAsync("/api/import", form, Stop)).StatusCode.ShouldBe(HttpStatusCode.OK);
        Same(await Told(there, id), await Told(here, id));
        (await TwoRounds.TakenOut(there, id)).ShouldBe(await TwoRounds.TakenOut(here, id));
    }

    /// <summary>The database is copied, brought over and counted: nothing is lost, and the record has what the case had lost.</summary>
    [Fact]
    public async Task A_shop_from_before_comes_back_with_its_rounds_and_their_record()
    {
        var folder = Directory.CreateTempSubdirectory("mild-hunch-older-").FullName;
        string id;
        JsonNode told;
        string[] parts;
        using (var product = new Product(true, folder))
        {
            id = await TwoRounds.Worked(product);
            await TwoRounds.Close(product, id);
            (told, parts) = (await Told(product, id), await TwoRounds.TakenOut(product, id));
        }

        var before = await AsOlder(folder, id);
        using (var product = new Product(false, folder))
        {
            Same(await Told(product, id), told);
            (await TwoRounds.TakenOut(product, id)).ShouldBe(parts);
        }

        Directory.EnumerateFiles(Path.Combine(folder, "backups"), "*before-*.zip").ShouldNotBeEmpty();
        await using (var db = OlderProduct.Open(folder))
            (await Count(db) - 1).ShouldBe(before, "all that stood, and the fact that a round began");
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        Directory.Delete(folder, recursive: true);
    }

    private static async Task<JsonNode> Told(Product product, string id)
    {
        var shown = await product.Get($"/api/cases/{id}");
        shown["earlier"] = await product.Get($"/api/cases/{id}/rounds");
        return shown;
    }

    private static void Same(JsonNode shown, JsonNode told)
    {
        foreach (var what in (string[])["round", "mends", "work", "readings", "proof", "earlier"])
            shown[what]!.ToJsonString().ShouldBe(told[what]!.ToJsonString(), what);
    }

    // What was planned second took back what was done first; answers were only before or after.
    private static byte[] AsFirstFormat(byte[] file)
    {
        using var zip = new ZipArchive(new MemoryStream(file));
        using var text = zip.GetEntry("case.json")!.Open();
        var json = JsonNode.Parse(text)!;
        var told = json["case"]!;
        json["version"] = 1;
        var facts = told["facts"]!.AsArray();
        var begin = facts.Single(f => f!["name"]!.GetValue<string>() == "round")!;
        facts.Remove(begin);
        var number = begin["addedBy"]!.GetValue<int>();
        foreach (var fact in facts)
        {
            if (fact!["round"]!.GetValue<int>() == 1 && fact["removedBy"] is null
                && TakenBack.Any(t => fact["name"]!.GetValue<string>().StartsWith(t, StringComparison.Ordinal)))
                fact["removedBy"] = number;
            fact.AsObject().Remove("round");
        }

        foreach (var (kind, at) in new[] { ("readings", "readAt"), ("cues", "seenAt") })
            foreach (var entry in told[kind]!.AsArray())
            {
                entry![at] = entry["mends"]!.GetValue<int>() > 0 ? "after" : null;
                entry.AsObject().Remove("mends");
            }

        using var whole = new MemoryStream();
        using (var written = new ZipArchive(whole, ZipArchiveMode.Create, leaveOpen: true))
        using (var entry = new StreamWriter(written.CreateEntry("case.json").Open()))
            entry.Write(json.ToJsonString());
        return whole.ToArray();
    }

    // The database as the version before would have left it; returns how many entries it holds.
    private static async Task<int> AsOlder(string folder, string id)
    {
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        await using var db = OlderProduct.Open(folder);
        var facts = await db.Set<FactEntity>().Where(f => f.CaseId == id).ToListAsync(Stop);
        var begin = facts.Single(f => f.Name == CaseRounds.FactName);
        db.Remove(begin);
        foreach (var fact in facts.Where(f => f.Round == 1 && f.RemovedBy is null
            && TakenBack.Any(t => f.Name.StartsWith(t, StringComparison.Ordinal))))
            fact.RemovedBy = begin.AddedBy;
        db.PartChanges.RemoveRange(db.PartChanges.Where(c => c.CaseId == id && c.Cylinder == 2));
        await db.SaveChangesAsync(Stop);
        await db.GetService<IMigrator>().MigrateAsync(Before, Stop);
        await using var count = db.Database.GetDbConnection().CreateCommand();
        await db.Database.OpenConnectionAsync(Stop);
        count.CommandText = "SELECT (SELECT COUNT(*) FROM Facts) + (SELECT COUNT(*) FROM Readings) + (SELECT COUNT(*) FROM Cues)";
        return (int)(long)(await count.ExecuteScalarAsync(Stop))!;
    }

    private static async Task<int> Count(MildHunchDb db) => await db.Set<FactEntity>().CountAsync(Stop)
        + await db.Set<ReadingEntity>().CountAsync(Stop) + await db.Set<CueEntity>().CountAsync(Stop);
}
