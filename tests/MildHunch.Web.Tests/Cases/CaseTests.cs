using System.Net;
using System.Text.Json.Nodes;

namespace MildHunch.Web.Tests.Cases;

/// <summary>Cases on a real SQLite file over real HTTP.</summary>
public class CaseTests(Workshop product)
{
    [Fact]
    public async Task Tell_undo_redo()
    {
        var (id, etag, start) = await NewCase("Noted and taken back");
        var (noted, etag2) = await Tell(
            id, etag, new JsonObject { ["readings"] = new JsonArray(Product.Reading("discharge-pressure", 31, "bar")) });
        noted["readings"]!.AsArray().Count.ShouldBe(1);
        Leader(noted).ShouldNotBe(Leader(start));
        var (undone, etag3) = await Step(id, etag2, "undo");
        undone["readings"]!.AsArray().Count.ShouldBe(0);
        Leader(undone).ShouldBe(Leader(start));
        undone["redo"]!.GetValue<string>().ShouldContain("31");
        var (again, etag4) = await Step(id, etag3, "redo");
        again["readings"]!.ToJsonString().ShouldBe(noted["readings"]!.ToJsonString());
        var (_, etag5) = await Step(id, etag4, "undo");
        var (response, _) = await product.Send(HttpMethod.Post, $"/api/cases/{id}/undo", null, etag5);
        response.StatusCode.ShouldBe(HttpStatusCode.Conflict);
    }

    [Fact]
    public async Task A_new_reading_replaces_the_old_and_undo_brings_it_back()
    {
        var (id, etag, _) = await NewCase("Measured twice");
        (_, etag) = await Tell(id, etag, new JsonObject { ["readings"] = new JsonArray(Product.Reading("discharge-pressure", 31, "bar")) });
        (var second, etag) = await Tell(
            id, etag, new JsonObject { ["readings"] = new JsonArray(Product.Reading("discharge-pressure", 70, "bar")) });
        second["readings"]!.AsArray().ShouldHaveSingleItem()!["value"]!["value"]!.GetValue<double>().ShouldBe(70);
        var (back, _) = await Step(id, etag, "undo");
        back["readings"]!.AsArray().ShouldHaveSingleItem()!["value"]!["value"]!.GetValue<double>().ShouldBe(31);
    }

    [Fact]
    public async Task One_answer_to_a_question_but_drips_place_by_place()
    {
        var (id, etag, _) = await NewCase("Answers");
        (_, etag) = await Tell(
            id, etag, new JsonObject { ["cues"] = new JsonArray(Product.Cue("needle", "swings"), Product.Cue("leak-at", "weep", 1)) });
        (var shown, etag) = await Tell(
            id, etag, new JsonObject { ["cues"] = new JsonArray(Product.Cue("needle", "steady"), Product.Cue("leak-at", "weep", 2)) });
        shown["cues"]!.AsArray().Select(c => $"{c!["cue"]} {c["answer"]} {c["cylinder"]}".Trim())
            .ShouldBe(["leak-at weep 1", "needle steady", "leak-at weep 2"], ignoreOrder: true);
        var (dry, _) = await Tell(id, etag, new JsonObject { ["cues"] = new JsonArray(Product.Cue("leak-at", "none")) });
        dry["cues"]!.AsArray().Count(c => c!["cue"]!.GetValue<string>() == "leak-at").ShouldBe(1);
    }

    /// <summary>How fast it drips and when is kept as entered, and an answer after the mend stands beside the one before it.</summary>
    [Fact]
    public async Task Drips_are_kept_as_entered_and_answers_before_and_after_a_mend_apart()
    {
        var (id, etag, _) = await NewCase("Drips");
        var weep = Product.Cue("leak-at", "weep", 2);
        weep["stream"] = true;
        weep["when"] = "standing";
        (var noted, etag) = await Tell(id, etag, new JsonObject { ["cues"] = new JsonArray(weep, Product.Cue("needle", "swings")) });
        var shown = noted["cues"]!.AsArray().Single(c => c!["cue"]!.GetValue<string>() == "leak-at")!;
        (shown["stream"]!.GetValue<bool>(), shown["when"]!.GetValue<string>(), shown["tag"]!.GetValue<string>())
            .ShouldBe((true, "standing", "weep 2, a stream, also standing"));
        var steady = Product.Cue("needle", "steady");
        steady["at"] = "after";
        var (mended, _) = await Tell(id, etag, new JsonObject { ["cues"] = new JsonArray(steady) });
        mended["cues"]!.AsArray().Where(c => c!["cue"]!.GetValue<string>() == "needle").Select(c => $"{c!["answer"]} {c["at"]}".Trim())
            .ShouldBe(["swings before", "steady after"], ignoreOrder: true);
        Leader(mended).ShouldBe("no-fault");
    }

    [Fact]
    public async Task A_refusal_stores_nothing()
    {
        var (id, etag, start) = await NewCase("Refused");
        var (response, body) = await product.Send(
            HttpMethod.Post, $"/api/cases/{id}/changes",
            new JsonObject
            {
                ["readings"] = new JsonArray(
                Product.Reading("discharge-pressure", 31, "bar"), Product.Reading("nozzle-flow", -1, "L/min"))
            },
            etag);
        response.StatusCode.ShouldBe(HttpStatusCode.BadRequest);
        body!["errors"]!.AsObject().Select(e => e.Key).ShouldContain("readings[1].value");
        var after = await product.Get($"/api/cases/{id}");
        after["version"]!.GetValue<int>().ShouldBe(start["version"]!.GetValue<int>());
        after["readings"]!.AsArray().ShouldBeEmpty();
    }

    [Theory]
    [InlineData("closed", "gremlins", "facts.closed")]
    [InlineData("complaint", " ", "facts.complaint")]
    [InlineData("shoe-size", "44", "facts.shoe-size")]
    public async Task Facts_that_cannot_be(string name, string value, string field)
    {
        var (id, etag, _) = await NewCase("Facts");
        var (response, body) = await product.Send(
            HttpMethod.Post, $"/api/cases/{id}/changes", new JsonObject { ["facts"] = new JsonObject { [name] = value } }, etag);
        response.StatusCode.ShouldBe(HttpStatusCode.BadRequest);
        body!["errors"]!.AsObject().Select(e => e.Key).ShouldContain(field);
    }

    [Fact]
    public async Task Two_tablets_do_not_overwrite_one_another()
    {
        var (id, etag, _) = await NewCase("Two tablets");
        var change = new JsonObject { ["cues"] = new JsonArray(Product.Cue("needle", "swings")) };
        var first = await product.Send(HttpMethod.Post, $"/api/cases/{id}/changes", change.DeepClone(), etag);
        first.Response.StatusCode.ShouldBe(HttpStatusCode.OK);
        var second = await product.Send(HttpMethod.Post, $"/api/cases/{id}/changes", change.DeepClone(), etag);
        second.Response.StatusCode.ShouldBe(HttpStatusCode.PreconditionFailed);
        var without = await product.Send(HttpMethod.Post, $"/api/cases/{id}/changes", change.DeepClone());
        without.Response.StatusCode.ShouldBe(HttpStatusCode.PreconditionRequired);
    }

    /// <summary>
    /// A nameplate read better may have fewer cylinders than one that was named: the case opens, keeps the entry and takes it out.
    /// </summary>
    [Fact]
    public async Task A_case_opens_though_its_pump_was_corrected()
    {
        using var product = new Product(demo: true);
        var id = await product.CaseOf("FOG-2");
        var before = await product.Get($"/api/cases/{id}");
        var named = before["cues"]!.AsArray().Single(c => c!["cylinder"]?.GetValue<int>() == 2)!;
        var (read, pump) = await product.Send(HttpMethod.Get, $"/api/pumps/{before["pump"]!["id"]}");
        pump!["pump"]!["cylinders"] = 1;
        var wanted = new JsonObject
        {
            ["tag"] = pump["tag"]!.DeepClone(),
            ["name"] = pump["name"]!.DeepClone(),
            ["duty"] = pump["duty"]!.DeepClone(),
            ["pump"] = pump["pump"]!.DeepClone(),
            ["setup"] = pump["setup"]!.DeepClone()
        };
        (await product.Send(HttpMethod.Put, $"/api/pumps/{pump["id"]}", wanted, read.Headers.ETag!.Tag)).Response.EnsureSuccessStatusCode();
        var (shown, opened) = await product.Send(HttpMethod.Get, $"/api/cases/{id}");
        shown.EnsureSuccessStatusCode();
        opened!["cues"]!.AsArray().Select(c => c!["id"]!.ToString()).ShouldContain(named["id"]!.ToString());
        var (taken, _) = await product.Send(
            HttpMethod.Post, $"/api/cases/{id}/changes", new JsonObject { ["remove"] = new JsonArray(named["id"]!.DeepClone()) },
            shown.Headers.ETag!.Tag);
        taken.EnsureSuccessStatusCode();
    }

    [Fact]
    public async Task Everything_entered_outlives_a_restart()
    {
        var folder = Directory.CreateTempSubdirectory("mild-hunch-restart-").FullName;
        try
        {
            string id;
            JsonNode before;
            using (var first = new Product(true, folder))
            {
                id = await first.CaseOf("FOG-2");
                var shown = await first.Send(HttpMethod.Get, $"/api/cases/{id}");
                (await first.Send(
                    HttpMethod.Post, $"/api/cases/{id}/changes",
                    new JsonObject
                    {
                        ["cues"] = new JsonArray(Product.Cue("inlet-hose", "calm")),
                        ["facts"] = new JsonObject { ["note-ask"] = "since Tuesday" }
                    },
                    shown.Response.Headers.ETag!.Tag)).Response.EnsureSuccessStatusCode();
                before = await first.Get($"/api/cases/{id}");
            }

            using var second = new Product(true, folder);
            (await second.Get($"/api/cases/{id}")).ToJsonString().ShouldBe(before.ToJsonString());
            (await second.Get("/api/pumps")).AsArray().Count.ShouldBe(10);
        }
        finally
        {
            Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
            Directory.Delete(folder, recursive: true);
        }
    }

    [Fact]
    public async Task The_list_tells_where_each_stands()
    {
        var (id, etag, _) = await NewCase("Listed");
        (await product.Send(HttpMethod.Put, $"/api/cases/{id}/stage", new JsonObject { ["stage"] = "open" }))
            .Response.StatusCode.ShouldBe(HttpStatusCode.NoContent);
        JsonObject Closed(string found) => new()
        {
            ["facts"] = found.Length > 0
                ? new JsonObject { ["closed"] = found }
                : new JsonObject { ["closed"] = "", ["reopened"] = "Came back" },
        };
        (_, etag) = await Tell(id, etag, Closed("nozzle-worn"));
        var row = (await product.Get("/api/cases")).AsArray().First(c => c!["id"]!.GetValue<string>() == id)!;

        // What was found would speak for the pumps of the other tests.
        await Tell(id, etag, Closed(""));
        row["stage"]!.GetValue<string>().ShouldBe("open");
        row["closed"]!.GetValue<string>().ShouldBe("nozzle-worn");
        row["leader"]!["name"]!.GetValue<string>().ShouldNotBeEmpty();
    }

    [Fact]
    public async Task Real_data_start_empty()
    {
        using var real = new Product(false);
        (await real.Get("/api/pumps")).AsArray().ShouldBeEmpty();
        (await real.Get("/api/cases")).AsArray().ShouldBeEmpty();
    }

    [Fact]
    public async Task Unknown_cases_and_pumps()
    {
        (await product.Send(HttpMethod.Get, "/api/cases/nope")).Response.StatusCode.ShouldBe(HttpStatusCode.NotFound);
        var (response, body) = await product.Send(
            HttpMethod.Post, "/api/cases", new JsonObject { ["pumpId"] = "nope", ["complaint"] = "x" });
        response.StatusCode.ShouldBe(HttpStatusCode.BadRequest);
        body!["errors"]!.AsObject().Select(e => e.Key).ShouldContain("pumpId");
    }

    private static string Leader(JsonNode shown) => shown["diagnosis"]!["suspects"]![0]!["fault"]!.GetValue<string>();

    private async Task<(string Id, string ETag, JsonNode Shown)> NewCase(string complaint)
    {
        var pump = (await product.Get("/api/pumps")).AsArray().First(p => p!["tag"]!.GetValue<string>() == "FOG-2")!;
        var (response, body) = await product.Send(
            HttpMethod.Post, "/api/cases", new JsonObject { ["pumpId"] = pump["id"]!.GetValue<string>(), ["complaint"] = complaint });
        response.StatusCode.ShouldBe(HttpStatusCode.Created);
        return (body!["id"]!.GetValue<string>(), response.Headers.ETag!.Tag, body);
    }

    private async Task<(JsonNode Shown, string ETag)> Tell(string id, string etag, JsonObject change)
    {
        var (response, body) = await product.Send(HttpMethod.Post, $"/api/cases/{id}/changes", change, etag);
        response.StatusCode.ShouldBe(HttpStatusCode.OK, body?.ToJsonString());
        return (body!, response.Headers.ETag!.Tag);
    }

    private async Task<(JsonNode Shown, string ETag)> Step(string id, string etag, string step)
    {
        var (response, body) = await product.Send(HttpMethod.Post, $"/api/cases/{id}/{step}", null, etag);
        response.StatusCode.ShouldBe(HttpStatusCode.OK, body?.ToJsonString());
        return (body!, response.Headers.ETag!.Tag);
    }
}
