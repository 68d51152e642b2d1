using System.Net;
using System.Text.Json.Nodes;
using MildHunch.Web.Tests.Cases.Rounds;
using NJsonSchema;
using static MildHunch.Web.Tests.Travel.CaseFiles;

namespace MildHunch.Web.Tests.Travel;

/// <summary>A pump that goes from one shop to another with its whole life.</summary>
public sealed class PumpFileTests : IDisposable
{
    private const string PumpText = "pump.json";
    private readonly Product here = new();
    private readonly Product there = new(demo: false);

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    public void Dispose()
    {
        here.Dispose();
        there.Dispose();
    }

    /// <summary>What comes out of the second shop is what went into it, letter by letter.</summary>
    [Fact]
    public async Task Nothing_of_a_life_is_lost_on_the_way()
    {
        var (pump, spare, closed) = await Lived();
        var file = await ExportPump(here, pump);
        (await JsonSchema.FromJsonAsync(await there.Http.GetStringAsync("/api/pump-file/schema", Stop), Stop))
            .Validate(Json(file, PumpText)).Select(e => $"{e.Path} {e.Kind}").ShouldBeEmpty();
        var (response, body) = await Import(there, file);
        response.StatusCode.ShouldBe(HttpStatusCode.OK, body?.ToJsonString());
        (Text(body!["outcome"]), Text(body["pumpId"]), body["caseId"]).ShouldBe(("taken-in", pump, null));
        Json(await ExportPump(there, pump), PumpText).ShouldBe(Json(file, PumpText));

        var (ours, theirs) = (await here.Get($"/api/pumps/{pump}/life"), await there.Get($"/api/pumps/{pump}/life"));
        foreach (var part in new[] { "running", "from", "stoodAt", "conflicts", "cases" })
            theirs[part]!.ToJsonString().ShouldBe(ours[part]!.ToJsonString(), part);
        theirs["hours"]!["now"]!.ToJsonString().ShouldBe(ours["hours"]!["now"]!.ToJsonString());
        foreach (var position in ours["positions"]!.AsArray())
            Lives(theirs, Text(position!["key"])).ShouldBe(Lives(ours, Text(position["key"])), Text(position["key"]));
        (await TwoRounds.TakenOut(there, closed)).ShouldBe(await TwoRounds.TakenOut(here, closed));
        ours["stoodAt"]!.AsArray().ShouldNotBeEmpty();

        // What was thought before it was opened counts there too.
        (await there.Get("/api/record"))["hunches"]!.AsArray().Count.ShouldBe(1);

        // A second time nothing comes of it; the pump that stands in its place is another.
        Text((await Import(there, file)).Body!["outcome"]).ShouldBe("already-here");
        Text((await Import(there, await ExportPump(here, spare))).Body!["outcome"]).ShouldBe("taken-in");
        (await there.Get("/api/pumps")).AsArray().Count.ShouldBe(2);
    }

    [Fact]
    public async Task Each_shop_keeps_what_it_knew_and_gets_what_it_lacked()
    {
        var (pump, _, _) = await Lived();
        (await Import(there, await ExportPump(here, pump))).Response.EnsureSuccessStatusCode();
        await Done(here, HttpMethod.Post, $"/api/pumps/{pump}/meter", new JsonObject { ["on"] = "2026-10-01", ["hours"] = 1900 });
        await Done(there, HttpMethod.Post, $"/api/pumps/{pump}/part-changes", new JsonObject { ["part"] = "oil", ["on"] = "2026-09-01" });
        await Run(there, pump, new JsonObject { ["serial"] = "AX-1", ["hoursPerWeek"] = 12 });
        var (_, body) = await Import(there, await ExportPump(here, pump));
        Text(body!["outcome"]).ShouldBe("brought-up-to-date");
        Text(body["says"]).ShouldContain("1 entry");
        Text(body["says"]).ShouldContain("As it stands here, and not as in the file: how it runs");
        var life = await there.Get($"/api/pumps/{pump}/life");
        life["running"]!["hoursPerWeek"]!.GetValue<double>().ShouldBe(12);
        life["hours"]!["readings"]!.AsArray().Select(r => Text(r!["on"])).ShouldContain("2026-10-01");
        Lives(life, "oil").ShouldContain("2026-09-01");
        Lives(life, "nozzle").ShouldContain("2026-02-01");
    }

    [Fact]
    public async Task What_its_own_page_would_refuse_is_refused_and_nothing_of_it_stored()
    {
        var (pump, _, _) = await Lived();
        var json = Json(await ExportPump(here, pump), PumpText);
        foreach (var (odd, field) in new (Action<JsonNode>, string)[]
        {
            (p => p["meters"]![0]!["hours"] = -1, "hours"),
            (p => p["meters"]![0]!["on"] = "2099-01-01", "on"),
            (p => p["meters"]![0]!["id"] = "../x", "meters"),
            (p => p["meters"]!.AsArray().Add(p["meters"]![0]!.DeepClone()), "meters"),
            (p => p["partChanges"]![0]!["side"] = "upper", "side"),
            (p => p["partChanges"]![0]!["outWhy"] = "exploded", "outWhy"),
            (p => p["partChanges"]![0]!["cylinder"] = 40, "cylinder"),
            (p => p["partChanges"]![0]!["part"] = " ", "part"),
            (p => p["partChanges"]![0]!["on"] = "2099-01-01", "on"),
            (p => p["partChanges"]![0]!["note"] = new string('x', 300), "note"),
            (p => p["partChanges"]![0] = null, "partChanges"),
            (p => p["running"]!["months"] = 9999, "months"),
            (p => p["stood"]![0]!["setup"]!["speed"] = new JsonObject { ["value"] = -4, ["unit"] = "rpm" }, "speed"),
            (p => p["stood"]![0]!["tag"] = "", "tag"),
            (p => p["serial"] = "A\u0007", "serial"),
            (p => p["pump"]!["pump"]!["cylinders"] = 40, "cylinders"),
            (p => p["cases"]![0]!["stage"] = "dreaming", "stage"),
            (p => p["cases"]!.AsArray().Add(p["cases"]![0]!.DeepClone()), "cases"),
            (p => p["more"] = 1, "more"),
            (p => p["version"] = 7, "version"),
            (p => p["format"] = "mild-hunch-case", "format"),
        })
        {
            var told = JsonNode.Parse(json)!;
            odd(told);
            var (response, body) = await Import(there, Zip((PumpText, System.Text.Encoding.UTF8.GetBytes(told.ToJsonString()))));
            response.StatusCode.ShouldBe(HttpStatusCode.BadRequest, $"{field}: {body?.ToJsonString()}");
            body!.ToJsonString().ShouldContain(field);
        }

        (await Import(there, await ExportPump(here, pump), "?keep=both")).Response.StatusCode.ShouldBe(HttpStatusCode.BadRequest);
        (await there.Get("/api/pumps")).AsArray().ShouldBeEmpty();

        // The very pump, entered there by somebody else: its history would be in two halves that never meet.
        var twin = new JsonObject { ["tag"] = "MIST-9", ["pump"] = Product.Pump(), ["setup"] = Product.Setup() };
        await Run(there, Text((await Done(there, HttpMethod.Post, "/api/pumps", twin))["id"]), new JsonObject { ["serial"] = "AX-1" });
        var (twice, why) = await Import(there, await ExportPump(here, pump));
        twice.StatusCode.ShouldBe(HttpStatusCode.Conflict);
        why!.ToJsonString().ShouldContain("MIST-9 has serial AX-1 already");
    }

    [Fact]
    public async Task Its_schema_is_served_and_written_down()
    {
        var served = await there.Http.GetStringAsync("/api/pump-file/schema", Stop);
        var written = Path.Combine(Product.Root(), "docs", "pump-file.schema.json");
        if (Environment.GetEnvironmentVariable("UPDATE_API") == "1")
            await File.WriteAllTextAsync(written, served, Stop);
        (await File.ReadAllTextAsync(written, Stop)).ShouldBe(served);
    }

    // A pump that was run, swapped, mended twice and proved once, with figures of the shop and a photograph.
    private async Task<(string Pump, string Spare, string Closed)> Lived()
    {
        var closed = await TwoRounds.Worked(here);
        await TwoRounds.Close(here, closed);
        var photo = await here.Photograph(7);
        var pump = Text((await here.Get($"/api/cases/{closed}"))["pump"]!["id"]);
        await Run(here, pump, new JsonObject
        {
            ["serial"] = "AX-1",
            ["hoursPerWeek"] = 40,
            ["commissioned"] = "2025-05-01",
            ["recordFrom"] = "2025-05-01",
            ["documents"] = new JsonArray(new JsonObject { ["name"] = "Maker’s manual", ["photo"] = photo }),
        });
        await Done(here, HttpMethod.Post, $"/api/pumps/{pump}/meter", new JsonObject
        {
            ["on"] = "2026-03-01",
            ["hours"] = 1200,
            ["by"] = "Tobi"
        });
        await Done(here, HttpMethod.Post, $"/api/pumps/{pump}/part-changes", new JsonObject { ["part"] = "nozzle", ["on"] = "2026-02-01" });
        var sheet = (await here.Get($"/api/pumps/{pump}"))["sheet"]!.DeepClone();
        sheet["oil"] = "ISO 68";
        await Done(here, HttpMethod.Put, $"/api/pumps/{pump}/sheet", new JsonObject { ["sheet"] = sheet, ["sure"] = true },
            await Version(pump));
        var other = new JsonObject { ["tag"] = "MIST-B", ["pump"] = Product.Pump(), ["setup"] = Product.Setup() };
        var spare = Text((await Done(here, HttpMethod.Post, "/api/pumps", other))["id"]);
        await Run(here, spare, new JsonObject { ["serial"] = "AX-2" });
        await Done(here, HttpMethod.Post, $"/api/pumps/{pump}/swap", new JsonObject { ["with"] = spare }, await Version(pump));
        return (pump, spare, closed);
    }

    private async Task<string> Version(string pump) => $"\"{(await here.Get($"/api/pumps/{pump}"))["version"]}\"";

    private static async Task Run(Product shop, string pump, JsonObject told) => await Done(
        shop, HttpMethod.Put, $"/api/pumps/{pump}/running", told, $"\"{(await shop.Get($"/api/pumps/{pump}"))["version"]}\"");

    private static async Task<JsonNode> Done(Product shop, HttpMethod method, string path, JsonObject told, string? etag = null)
    {
        var (response, body) = await shop.Send(method, path, told, etag);
        response.IsSuccessStatusCode.ShouldBeTrue($"{path}: {body?.ToJsonString()}");
        return body!;
    }

    private static async Task<byte[]> ExportPump(Product product, string id) =>
        await product.Http.GetByteArrayAsync($"/api/pumps/{id}/export", Stop);

    // What was in at a place, but for the ids under which cases left it on the record.
    private static string Lives(JsonNode life, string key) => string.Join("; ", life["positions"]!.AsArray()
        .First(p => Text(p!["key"]) == key)!["lives"]!.AsArray()
        .Select(l => $"{l!["fittedOn"]} {l["fittedHours"]} {l["by"]} {l["kit"]} {l["fittedCase"]} {l["outOn"]} {l["why"]} {l["outCase"]}"));

    private static string Text(JsonNode? node) => node!.GetValue<string>();
}
