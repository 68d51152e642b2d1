using System.Net;
using System.Net.Http.Headers;
using System.Text;
using System.Text.Json.Nodes;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Infrastructure;
using Microsoft.EntityFrameworkCore.Migrations;
using MildHunch.Web.Shared;
using static MildHunch.Web.Tests.Product;

namespace MildHunch.Web.Tests;

/// <summary>What went wrong once when the product was attacked over HTTP, started after a kill, or called by another name.</summary>
public class GroundTests(Workshop product, Product shipped)
{
    [Fact]
    public async Task A_foreign_name_is_not_answered()
    {
        using var request = new HttpRequestMessage(HttpMethod.Get, "/api/cases");
        request.Headers.Host = "evil.example";
        var response = await product.Http.SendAsync(request, TestContext.Current.CancellationToken);
        response.StatusCode.ShouldBe(HttpStatusCode.MisdirectedRequest);
        Protection.HostNames("pumps.skerrow; 10.1.2.3").ShouldContain("pumps.skerrow");
        Protection.HostNames(null).ShouldContain(Environment.MachineName);
    }

    [Theory]
    [InlineData("/")]
    [InlineData("/cases/none")]
    [InlineData("/api/cases")]
    [InlineData("/api/cases/none")]
    public async Task Everything_served_says_what_a_browser_may_do_with_it(string path)
    {
        var (response, _) = await product.Send(HttpMethod.Get, path);
        response.Headers.GetValues("Content-Security-Policy").Single().ShouldContain("frame-ancestors 'none'");
        response.Headers.GetValues("X-Content-Type-Options").Single().ShouldBe("nosniff");
        response.Headers.GetValues("X-Frame-Options").Single().ShouldBe("DENY");
        response.Headers.GetValues("Referrer-Policy").Single().ShouldBe("no-referrer");
        response.Headers.Contains("Server").ShouldBeFalse();
    }

    [Theory]
    [InlineData("/")]
    [InlineData("/index.html")]
    [InlineData("/cases/none")]
    public async Task The_page_is_asked_for_anew_each_time(string path)
    {
        var (response, _) = await product.Send(HttpMethod.Get, path);
        if (response.StatusCode == HttpStatusCode.OK)
            response.Headers.CacheControl?.NoCache.ShouldBe(true);
    }

    [Fact]
    public void The_database_is_nobody_elses()
    {
        if (OperatingSystem.IsWindows())
            return;
        foreach (var file in Directory.GetFiles(product.Folder, "mild-hunch.db*"))
            File.GetUnixFileMode(file).ShouldBe(UnixFileMode.UserRead | UnixFileMode.UserWrite, file);
    }

    [Fact]
    public async Task Times_say_their_zone()
    {
        var shown = await product.Get($"/api/cases/{await product.CaseOf("FOG-2")}");
        shown["openedAt"]!.GetValue<string>().ShouldEndWith("Z");
        shown["changes"]![0]!["at"]!.GetValue<string>().ShouldEndWith("Z");
        (await product.Get("/api/cases")).AsArray()[0]!["changedAt"]!.GetValue<string>().ShouldEndWith("Z");
    }

    [Fact]
    public async Task Of_two_pumps_of_one_tag_at_the_same_moment_one_hears_so()
    {
        var pump = new JsonObject { ["tag"] = $"TWIN-{Guid.NewGuid():N}"[..12], ["pump"] = Pump(), ["setup"] = Setup() };
        var answers = await Task.WhenAll(Enumerable.Range(0, 4)
            .Select(_ => product.Send(HttpMethod.Post, "/api/pumps", JsonNode.Parse(pump.ToJsonString()))));
        answers.Count(a => a.Response.StatusCode == HttpStatusCode.Created).ShouldBe(1);
        answers.Where(a => a.Response.StatusCode != HttpStatusCode.Created)
            .ShouldAllBe(a => a.Response.StatusCode == HttpStatusCode.Conflict);
    }

    public static TheoryData<string, string> Attacks { get; } = new()
    {
        { """{ "couldNot": [null] }""", "couldNot" },
        { """{ "limits": { "avoid": [null] } }""", "limits.avoid" },
        { """{ "limits": { "without": [null] } }""", "limits.without" },
        { """{ "readings": [null] }""", "readings[0]" },
        { """{ "cues": [null] }""", "cues[0]" },
        { """{ "context": [null] }""", "context[0]" },
        { """{ "hours": [null] }""", "hours[0]" },
        { """{ "readings": [ { "quantity": "speed", "value": { "value": 1e400, "unit": "rpm" } } ] }""", "readings[0]" },
        { """{ "readings": [ { "quantity": "speed", "value": { "value": 1447, "unit": "rpm" }, "id": "" } ] }""", "readings[0].id" },
        { """{ "readings": [ { "quantity": "speed", "value": { "value": 1447, "unit": "rpm" }, "id": "a" } ],"""
                + """ "cues": [ { "cue": "needle", "answer": "steady", "id": "a" } ] }""", "cues[0].id" },
    };

    [Theory]
    [MemberData(nameof(Attacks))]
    public async Task What_cannot_be_is_refused_and_never_breaks(string more, string field)
    {
        var question = Fog2();
        foreach (var (name, value) in JsonNode.Parse(more)!.AsObject().ToArray())
            question[name] = value?.DeepClone();
        var (response, body) = await product.Send(HttpMethod.Post, "/api/diagnosis", question);
        response.StatusCode.ShouldBe(HttpStatusCode.BadRequest);
        body!["errors"]!.AsObject().First().Key.ShouldStartWith(field);
    }

    [Fact]
    public async Task Thousands_of_faults_at_once_are_refused()
    {
        var faults = new JsonArray([.. Enumerable.Range(0, 3000)
            .Select(_ => (JsonNode)new JsonObject { ["fault"] = "nozzle-worn", ["severity"] = 1 })]);
        var (response, body) = await product.Send(
            HttpMethod.Post, "/api/expectation", new JsonObject { ["pump"] = Pump(), ["setup"] = Setup(), ["faults"] = faults });
        response.StatusCode.ShouldBe(HttpStatusCode.BadRequest);
        body!["errors"]!["faults"].ShouldNotBeNull();
    }

    [Fact]
    public async Task Letters_nobody_knows_are_refused()
    {
        using var content = new StringContent(Fog2().ToJsonString(), Encoding.UTF8);
        content.Headers.ContentType = MediaTypeHeaderValue.Parse("application/json; charset=nope");
        var response = await product.Http.PostAsync("/api/diagnosis", content, TestContext.Current.CancellationToken);
        response.StatusCode.ShouldBe(HttpStatusCode.UnsupportedMediaType);
    }

    [Theory]
    [InlineData("""{ "faults": null }""")]
    [InlineData("""{ "cues": [ null ] }""")]
    [InlineData("""{ "cues": [ { "id": null, "name": "x", "short": "", "place": "crank", "question": "?", "answers": [] } ] }""")]
    [InlineData("""{ "contexts": [ { "id": "x", "name": "x", "multiply": { "speed-low": 1e400 } } ] }""")]
    [InlineData(
        """{ "checks": [ { "id": "x", "name": "x", "minutes": 1, "opens": "head", "cue": "sound", "how": "", "hazards": [] } ] }""")]
    [InlineData("[]")]
    [InlineData("{")]
    public async Task A_shops_file_that_is_wrong_is_left_out_whole_and_named(string file)
    {
        var folder = Directory.CreateTempSubdirectory("mild-hunch-").FullName;
        await File.WriteAllTextAsync(Path.Combine(folder, "shop-knowledge.json"), file, TestContext.Current.CancellationToken);
        using var shop = new Product(false, folder);
        var knowledge = await shop.Get("/api/knowledge");
        knowledge["shopFile"]!["inUse"]!.GetValue<bool>().ShouldBeFalse();
        knowledge["shopFile"]!["trouble"]!.GetValue<string>().ShouldNotBeNullOrWhiteSpace();
        Directory.Delete(folder, recursive: true);
    }

    [Fact]
    public async Task A_start_after_a_kill_does_not_wait_for_ever()
    {
        var folder = Directory.CreateTempSubdirectory("mild-hunch-").FullName;
        using (new Product(false, folder))
        {
        }

        SqliteConnection.ClearAllPools();
        await using (var db = new SqliteConnection($"Data Source={Path.Combine(folder, "mild-hunch.db")}"))
        {
            await db.OpenAsync(TestContext.Current.CancellationToken);
            await using var mark = db.CreateCommand();
            mark.CommandText = "CREATE TABLE IF NOT EXISTS __EFMigrationsLock (Id INTEGER PRIMARY KEY, Timestamp TEXT NOT NULL); INSERT "
                + "INTO __EFMigrationsLock VALUES (1, '2026-01-01 00:00:00');";
            await mark.ExecuteNonQueryAsync(TestContext.Current.CancellationToken);
        }

        SqliteConnection.ClearAllPools();
        using (var again = new Product(false, folder))
            (await again.Get("/health"))["status"]!.GetValue<string>().ShouldBe("well");
        Directory.Delete(folder, recursive: true);
    }

    [Fact]
    public async Task A_start_that_has_to_wait_says_what_for()
    {
        var folder = Directory.CreateTempSubdirectory("mild-hunch-").FullName;
        await using var db = OlderProduct.Open(folder);
        var said = new TaskCompletionSource<string>();
        Task waiting;
        await using (new FileStream(Path.Combine(folder, "start.lock"), FileMode.Create, FileAccess.ReadWrite, FileShare.None))
        {
            waiting = Store.StartLock.MigrateAsync(
                db, folder, TimeProvider.System, said.SetResult, TestContext.Current.CancellationToken);
            (await said.Task).ShouldContain(folder);
            waiting.IsCompleted.ShouldBeFalse();
        }

        await waiting;
        SqliteConnection.ClearAllPools();
        Directory.Delete(folder, recursive: true);
    }

    /// <summary>
    /// A database from before the list had lines of its own: brought back to that day, then up to date again, it shows the same list.
    /// </summary>
    [Fact]
    public async Task An_older_database_gets_its_list()
    {
        var folder = Directory.CreateTempSubdirectory("mild-hunch-").FullName;
        string before;
        using (var shop = new Product(true, folder))
        {
            var id = await shop.CaseOf("FOG-2");
            foreach (var change in new[] { """{ "facts": { "closed": "discharge-valve-leak@2" } }""",
                """{ "cues": [ { "cue": "sound", "answer": "gravel" } ] }""" })
                await shop.Send(
                    HttpMethod.Post, $"/api/cases/{id}/changes", JsonNode.Parse(change),
                    (await shop.Send(HttpMethod.Get, $"/api/cases/{id}")).Response.Headers.ETag!.Tag);
            await shop.Send(
                HttpMethod.Post, $"/api/cases/{id}/undo", null,
                (await shop.Send(HttpMethod.Get, $"/api/cases/{id}")).Response.Headers.ETag!.Tag);
            before = (await shop.Get("/api/cases")).ToJsonString();
            await OlderProduct.KeepStagesAmongChanges(folder);
        }

        SqliteConnection.ClearAllPools();
        await using (var db = OlderProduct.Open(folder))
        {
            await db.GetService<IMigrator>().MigrateAsync("Drips", TestContext.Current.CancellationToken);
            (await db.Database.GetPendingMigrationsAsync(TestContext.Current.CancellationToken)).ShouldNotBeEmpty();
        }

        SqliteConnection.ClearAllPools();
        using (var again = new Product(false, folder))
        {
            (await again.Get("/api/cases")).ToJsonString().ShouldBe(before);
            (await again.Get("/api/history")).AsArray().ShouldContain(t => t!["pumpType"]!.GetValue<string>() == "crank-plunger-3");
        }

        SqliteConnection.ClearAllPools();
        Directory.Delete(folder, recursive: true);
    }

    [Fact]
    public async Task The_list_comes_in_pages()
    {
        var (first, whole) = await shipped.Send(HttpMethod.Get, "/api/cases");
        var all = int.Parse(first.Headers.GetValues("X-Total-Count").Single(), System.Globalization.CultureInfo.InvariantCulture);
        whole!.AsArray().Count.ShouldBe(all);
        var paged = new List<string>();
        for (var skip = 0; skip < all; skip += 2)
            paged.AddRange((await shipped.Get($"/api/cases?skip={skip}&take=2")).AsArray().Select(c => c!["id"]!.GetValue<string>()));
        paged.ShouldBe(whole.AsArray().Select(c => c!["id"]!.GetValue<string>()));
        (await product.Send(HttpMethod.Get, "/api/cases?take=0")).Response.StatusCode.ShouldBe(HttpStatusCode.BadRequest);
    }
}
