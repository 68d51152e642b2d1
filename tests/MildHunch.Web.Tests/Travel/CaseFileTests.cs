using System.Net;
using System.Text;
using System.Text.Json.Nodes;
using NJsonSchema;
using static MildHunch.Web.Tests.Travel.CaseFiles;

namespace MildHunch.Web.Tests.Travel;

/// <summary>A case as one file: out of one installation, into another.</summary>
public sealed class CaseFileTests : IDisposable
{
    private readonly Product here = new();
    private readonly Product there = new(false);

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    public void Dispose()
    {
        here.Dispose();
        there.Dispose();
    }

    [Fact]
    public async Task A_case_comes_out_of_another_installation_byte_for_byte()
    {
        var id = await Worked();
        var sent = await Export(here, id);
        var (response, answer) = await Import(there, sent);
        response.StatusCode.ShouldBe(HttpStatusCode.OK, answer?.ToJsonString());
        (Text(answer!["outcome"]), answer["photos"]!.GetValue<int>()).ShouldBe(("taken-in", 2));

        Json(await Export(there, id)).ShouldBe(Json(sent));
        var shown = await Shown(there, id);
        shown.ShouldBe(await Shown(here, id));
        foreach (var photo in JsonNode.Parse(Json(sent))!["photos"]!.AsArray())
            (await there.Http.GetByteArrayAsync($"/api/photos/{photo!["hash"]}", Stop))
                .ShouldBe(await here.Http.GetByteArrayAsync($"/api/photos/{photo["hash"]}", Stop));

        // What is here already is recognised; what went on meanwhile is brought up to date; what contradicts is asked about.
        Text((await Import(there, sent)).Body!["outcome"]).ShouldBe("already-here");
        await Note(here, id, "went on at home");
        Text((await Import(there, await Export(here, id))).Body!["outcome"]).ShouldBe("brought-up-to-date");
        Json(await Export(there, id)).ShouldBe(Json(await Export(here, id)));
        Text((await Import(there, sent)).Body!["outcome"]).ShouldBe("already-here");
        await Note(there, id, "went on there");
        await Note(here, id, "went on here");
        (await Import(there, await Export(here, id))).Response.StatusCode.ShouldBe(HttpStatusCode.Conflict);
    }

    [Fact]
    public async Task A_pump_whose_tag_is_taken_gets_another_and_says_so()
    {
        var taken = new JsonObject { ["tag"] = "FOG-2", ["pump"] = Product.Pump(), ["setup"] = Product.Setup() };
        (await there.Send(HttpMethod.Post, "/api/pumps", taken)).Response.StatusCode.ShouldBe(HttpStatusCode.Created);
        var (_, answer) = await Import(there, await Export(here, await here.CaseOf("FOG-2")));
        Text(answer!["says"]).ShouldContain("FOG-2 (2)");
        (await there.Get("/api/pumps")).AsArray().Select(p => Text(p!["tag"])).ShouldBe(["FOG-2", "FOG-2 (2)"]);
    }

    /// <summary>Every case of the demo, by a validator that is not ours.</summary>
    [Fact]
    public async Task Its_schema_is_served_written_down_and_holds()
    {
        var served = await here.Http.GetStringAsync("/api/case-file/schema", Stop);
        var written = Path.Combine(Product.Root(), "docs", "case-file.schema.json");
        if (Environment.GetEnvironmentVariable("UPDATE_API") == "1")
            await File.WriteAllTextAsync(written, served, Stop);
        (await File.ReadAllTextAsync(written, Stop)).ShouldBe(served);
        var schema = await JsonSchema.FromJsonAsync(served, Stop);
        foreach (var listed in (await here.Get("/api/cases")).AsArray())
            schema.Validate(Json(await Export(here, Text(listed!["id"])))).Select(e => $"{e.Path} {e.Kind}").ShouldBeEmpty();
        schema.Validate("{\"format\":\"mild-hunch-case\",\"version\":1,\"pump\":{\"id\":7}}").ShouldNotBeEmpty();
    }

    [Fact]
    public async Task What_is_no_sound_case_is_refused_whole_with_its_reason()
    {
        var id = await Worked();
        var good = await Export(here, id);
        var json = Json(good);
        await Refused("a letter"u8.ToArray(), "no whole zip");
        await Refused(good[..(good.Length / 2)], "no whole zip");
        await Refused(Zip(("holiday.txt", "sun"u8.ToArray())), "no case of Mild Hunch");
        await Refused(Zip(("case.json", "{"u8.ToArray())), "damaged");
        await Refused(With(json, j => j["format"] = "holiday"), "no case of Mild Hunch");
        await Refused(With(json, j => j["version"] = 3), "newer");
        await Refused(With(json, j => j["weather"] = "fair"), "damaged");
        await Refused(With(json, j => j["pump"]!["tag"] = "FOG\n-2"), "plain letters");
        await Refused(With(json, j => j["case"]!["id"] = "../../etc/passwd"), "no id");
        await Refused(With(json, j => j["case"]!["changes"]!.AsArray().Clear()), "numbered");
        await Refused(With(json, j => j["case"]!["readings"]![0]!["addedBy"] = 900), "change that is not there");
        await Refused(With(json, j => j["case"]!["readings"]![0]!["unit"] = "parsnips"), "no unit");
        await Refused(With(json, j => j["pump"]!["pump"]!["cylinders"] = 90), "cylinders");
        await Refused(With(json, _ => { }, ("../../slipped.jpg", "x"u8.ToArray())), "does not belong");
        await Refused(With(json, _ => { }, ("photos/<script>.jpg", "x"u8.ToArray())), "does not belong");
        await Refused(With(json, j => j["photos"]!.AsArray().RemoveAt(0), photos: good), "does not belong");
        await Refused(Changed(good), "not what the file says");

        // Of the first format, or of none: what is of another kind, or there twice, is refused like anything else.
        foreach (var odd in new Action<JsonNode>[]
        {
            j => j["case"]!["changes"]![0]!["number"] = "one", j => j["case"]!["changes"]![0]!["undone"] = 7,
            j => j["case"]!["id"] = 5, j => j["case"]!["readings"]![0]!["readAt"] = 5,
            j => j["case"]!["moves"] = new JsonArray((JsonNode?)null),
            j => j["case"]!["version"] = int.MaxValue, j => j["case"]!["changes"]![0]!["number"] = int.MaxValue,
        })
            foreach (var version in new[] { 1, 2 })
                (await Import(there, With(json, j =>
                {
                    j["version"] = version;
                    odd(j);
                }))).Response.StatusCode.ShouldBe(HttpStatusCode.BadRequest);
        foreach (var version in new[] { 1, 2 })
            foreach (var place in new[] { "id", "stage" })
            {
                var half = JsonNode.Parse(json)!;
                (half["version"], half["case"]![place], half["photos"]) = (version, "@", new JsonArray());
                (await Import(there, Zip(("case.json", Encoding.UTF8.GetBytes(half.ToJsonString().Replace("\"@\"", "\"\\ud800\""))))))
                    .Response.StatusCode.ShouldBe(HttpStatusCode.BadRequest, $"{place}, {version}");
            }

        (await Import(there, Zip(("case.json", Encoding.UTF8.GetBytes(json.Replace("\"format\"", "\"format\":\"x\",\"format\""))))))
            .Response.StatusCode.ShouldBe(HttpStatusCode.BadRequest);

        // A bomb: 64 MB of nothing in a few kilobytes.
        await Refused(Zip(("case.json", new byte[64 * 1024 * 1024])), "unpacks to more");
        (await there.Get("/api/pumps")).AsArray().Count.ShouldBe(0);
        (await there.Get("/api/cases")).AsArray().Count.ShouldBe(0);
        Directory.Exists(Path.Combine(there.Folder, "photos")).ShouldBeFalse();
        Directory.EnumerateFiles(Path.Combine(there.Folder, "backups")).ShouldBeEmpty();

        async Task Refused(byte[] file, string says)
        {
            var (response, body) = await Import(there, file);
            response.StatusCode.ShouldBe(HttpStatusCode.BadRequest, says);
            body!.ToJsonString().ShouldContain(says, Case.Insensitive);
        }
    }

    // A case with something of everything: undone changes, work, findings with photographs, proof.
    private async Task<string> Worked()
    {
        var id = await here.CaseOf("FOG-2");
        var (first, second) = (await here.Photograph(1), await here.Photograph(2));
        await here.Change(id, new JsonObject
        {
            ["work"] = new JsonObject
            {
                ["plan"] = new JsonObject
                {
                    ["targets"] = new JsonArray(new JsonObject { ["part"] = "valve", ["cylinder"] = 2, ["side"] = "discharge" }),
                },
                ["found"] = new JsonObject
                {
                    ["valve.2.discharge"] = new JsonObject
                    {
                        ["state"] = "failed",
                        ["finding"] = "pitted",
                        ["by"] = "Ines Halvard",
                        ["photos"] = new JsonArray(first, second),
                    },
                },
            },
        });
        await Note(here, id, "σ of the gauge ≤ 1 bar → noted");
        (await here.Send(HttpMethod.Post, $"/api/cases/{id}/undo", null, await here.Etag(id))).Response.EnsureSuccessStatusCode();
        await here.Change(id, new JsonObject
        {
            ["proof"] = new JsonObject { ["acknowledged"] = new JsonObject { ["stand"] = new JsonObject { ["by"] = "Pell Okoro" } } },
        });
        return id;
    }

    // What the shop's own record adds to a verdict is not part of the case.
    private static async Task<string> Shown(Product product, string id)
    {
        var shown = (await product.Get($"/api/cases/{id}")).AsObject();
        shown.Remove("diagnosis");
        shown.Remove("found");
        return shown.ToJsonString();
    }

    private static string Text(JsonNode? node) => node!.GetValue<string>();

    private static Task Note(Product product, string id, string text) =>
        product.Change(id, new JsonObject { ["facts"] = new JsonObject { ["note-ask"] = text } });
}
