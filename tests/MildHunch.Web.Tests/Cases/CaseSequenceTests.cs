using System.Net;
using System.Text.Json.Nodes;
using CsCheck;
using static MildHunch.Web.Tests.Product;

namespace MildHunch.Web.Tests.Cases;

/// <summary>Cases under any sequence of changes, undo, redo and corrections of their pump: they open, and nothing is locked in.</summary>
public class CaseSequenceTests(ShopOfItsOwn product) : IClassFixture<ShopOfItsOwn>
{
    private enum Act
    {
        Read,
        Answer,
        CouldNot,
        Hours,
        TakeOut,
        Undo,
        Redo,
        CorrectPump,
        Close,
    }

    // WALKS walks through more of them.
    private static readonly int Sequences = int.TryParse(Environment.GetEnvironmentVariable("WALKS"), out var asked) ? 10 * asked : 8;
    private readonly Dictionary<string, string> versions = [];
    private static readonly string[] Controls = ["unloader", "regulator", "none", "auto-stop"];

    [Fact]
    public void Any_sequence_leaves_a_case_that_opens() =>
        Gen.Select(Gen.OneOfConst(Enum.GetValues<Act>()), Gen.Int[0, 1000]).Array[1, 14].Sample(
        acts => Run(acts).GetAwaiter().GetResult(), iter: Sequences, threads: 1);

    [Fact]
    public async Task A_place_that_a_corrected_pump_no_longer_has_shifts_nothing()
    {
        var (pump, id) = await Begin();
        await Tell(
            id,
            new JsonObject
            {
                ["cues"] = new JsonArray(Cue("cap-heat", "warm", 3, "discharge"), Cue("needle", "swings"), Cue("sound", "smooth")),
                ["hours"] = new JsonArray(new JsonObject { ["part"] = "hp-seal", ["hours"] = 900, ["cylinder"] = 3 })
            });
        await Correct(pump, 2, "unloader");

        // The verdict calls every piece by the id of its entry.
        var shown = await product.Get($"/api/cases/{id}");
        shown["cues"]!.AsArray().Single(c => c!["cue"]!.GetValue<string>() == "cap-heat")!["judged"]!.GetValue<bool>().ShouldBeFalse();
        var ids = shown["cues"]!.AsArray().Select(c => c!["id"]!.GetValue<string>()).ToHashSet();
        var sources = shown["diagnosis"]!["suspects"]!.AsArray().SelectMany(s => s!["evidence"]!.AsArray())
            .Select(e => e!["source"]!.GetValue<string>()).Distinct().ToArray();
        sources.ShouldNotBeEmpty();
        sources.ShouldAllBe(s => ids.Contains(s));

        // More can be said, taken out and taken back.
        (await Tell(id, new JsonObject { ["readings"] = new JsonArray(Reading("discharge-pressure", 40, "bar")) }))
            .ShouldBe(HttpStatusCode.OK);
        var needle = shown["cues"]!.AsArray().Single(c => c!["cue"]!.GetValue<string>() == "needle")!["id"]!.GetValue<string>();
        (await Tell(id, new JsonObject { ["remove"] = new JsonArray(needle) })).ShouldBe(HttpStatusCode.OK);
        (await product.Get($"/api/cases/{id}"))["cues"]!.AsArray().Select(c => c!["cue"]!.GetValue<string>())
            .ShouldBe(["cap-heat", "sound"], ignoreOrder: true);
        (await Step(id, "undo")).ShouldBe(HttpStatusCode.OK);
        (await Step(id, "undo")).ShouldBe(HttpStatusCode.OK);
    }

    [Fact]
    public async Task Could_not_tell_is_remembered()
    {
        var (_, id) = await Begin();
        await Tell(id, new JsonObject { ["cues"] = new JsonArray(Cue("needle", "unknown")) });
        var shown = await product.Get($"/api/cases/{id}");
        shown["couldNot"]!.AsArray().Select(c => c!.GetValue<string>()).ShouldContain("needle");
        shown["diagnosis"]!["nextChecks"]!.AsArray().ShouldNotContain(c => c!["cue"] != null && c["cue"]!.GetValue<string>() == "needle");
    }

    /// <summary>A gauge that shows 40 bar with nothing in it and 30 bar at work: each may be noted, the two together cannot be.</summary>
    [Fact]
    public async Task What_does_not_go_with_the_rest_is_refused_and_what_stands_can_be_taken_out()
    {
        var (_, id) = await Begin();
        await Tell(id, new JsonObject { ["readings"] = new JsonArray(Reading("discharge-pressure", 30, "bar")) });
        (await Tell(id, new JsonObject { ["readings"] = new JsonArray(Reading("gauge-at-rest", 40, "bar")) }))
            .ShouldBe(HttpStatusCode.BadRequest);
        (await product.Get($"/api/cases/{id}"))["readings"]!.AsArray().Count.ShouldBe(1);

        // Stored all the same, by an older product say: the case opens without a verdict, and what stands in its way goes out.
        await OlderProduct.Read(product.Folder, id, "gauge-at-rest", 40, "bar");
        var shown = await product.Get($"/api/cases/{id}");
        shown["diagnosis"].ShouldBeNull();
        shown["trouble"]!["text"]!.GetValue<string>().ShouldNotBeNullOrWhiteSpace();
        (await Tell(id, new JsonObject { ["facts"] = new JsonObject { ["note-ask"] = "odd gauge" } })).ShouldBe(HttpStatusCode.OK);
        var rest = shown["readings"]!.AsArray()
            .Single(r => r!["quantity"]!.GetValue<string>() == "gauge-at-rest")!["id"]!.GetValue<string>();
        (await Tell(id, new JsonObject { ["remove"] = new JsonArray(rest) })).ShouldBe(HttpStatusCode.OK);
        (await product.Get($"/api/cases/{id}"))["diagnosis"].ShouldNotBeNull();
    }

    [Theory]
    [InlineData("found-discharge-valves", "bad")]
    [InlineData("leak-at", "weep")]
    public async Task What_was_found_at_two_places_are_two_entries(string cue, string answer)
    {
        var (_, id) = await Begin();
        await Tell(id, new JsonObject { ["cues"] = new JsonArray(Cue(cue, answer, 2)) });
        await Tell(id, new JsonObject { ["cues"] = new JsonArray(Cue(cue, answer, 3)) });
        (await product.Get($"/api/cases/{id}"))["cues"]!.AsArray().Count.ShouldBe(2);
        await Tell(id, new JsonObject { ["cues"] = new JsonArray(Cue(cue, cue == "leak-at" ? "none" : "sound")) });
        (await product.Get($"/api/cases/{id}"))["cues"]!.AsArray().Count.ShouldBe(1);
    }

    private async Task Run((Act Act, int Which)[] acts)
    {
        var (pump, id) = await Begin();
        foreach (var (act, which) in acts)
        {
            switch (act)
            {
                case Act.Read:
                    await Tell(
                        id,
                        new JsonObject
                        {
                            ["readings"] = new JsonArray(Reading(
                            which % 3 == 0 ? "bypass-flow" : which % 3 == 1 ? "discharge-pressure" : "nozzle-orifice", 1 + (which % 40),
                            which % 3 == 0 ? "L/min" : which % 3 == 1 ? "bar" : "mm"))
                        });
                    break;
                case Act.Answer:
                    await Tell(
                        id,
                        new JsonObject
                        {
                            ["cues"] = new JsonArray(which % 2 == 0
                            ? Cue("leak-at", "weep", 1 + (which % 5))
                            : Cue("closed-outlet", which % 3 == 0 ? "holds" : "head-falls"))
                        });
                    break;
                case Act.CouldNot:
                    await Tell(id, new JsonObject { ["cues"] = new JsonArray(Cue(which % 2 == 0 ? "needle" : "jet", "unknown")) });
                    break;
                case Act.Hours:
                    await Tell(
                        id,
                        new JsonObject
                        {
                            ["hours"] = new JsonArray(new JsonObject
                            {
                                ["part"] = "hp-seal",
                                ["hours"] = which,
                                ["cylinder"] = 1 + (which % 5)
                            })
                        });
                    break;
                case Act.TakeOut:
                    var entries = (await product.Get($"/api/cases/{id}")) is var now
                        ? now["readings"]!.AsArray().Concat(now["cues"]!.AsArray()).ToArray()
                        : [];
                    if (entries.Length > 0)
                        (await Tell(
                            id,
                            new JsonObject { ["remove"] = new JsonArray(entries[which % entries.Length]!["id"]!.GetValue<string>()) }))
                            .ShouldBe(HttpStatusCode.OK);
                    break;
                case Act.Undo or Act.Redo:
                    (await Step(id, act == Act.Undo ? "undo" : "redo")).ShouldBeOneOf(HttpStatusCode.OK, HttpStatusCode.Conflict);
                    break;
                case Act.CorrectPump:
                    await Correct(pump, 1 + (which % 5), Controls[which % Controls.Length]);
                    break;
                case Act.Close:
                    await Tell(id, new JsonObject { ["facts"] = new JsonObject { ["closed"] = which % 2 == 0 ? "nozzle-worn" : "" } });
                    break;
            }

            var shown = await product.Get($"/api/cases/{id}");
            (shown["diagnosis"] ?? shown["trouble"]).ShouldNotBeNull();
        }
    }

    private async Task<(string Pump, string Case)> Begin()
    {
        var (_, pump) = await product.Send(
            HttpMethod.Post, "/api/pumps",
            new JsonObject { ["tag"] = $"S-{Guid.NewGuid():N}"[..14], ["pump"] = Pump(), ["setup"] = Setup() });
        var id = pump!["id"]!.GetValue<string>();
        var (_, made) = await product.Send(HttpMethod.Post, "/api/cases", new JsonObject { ["pumpId"] = id, ["complaint"] = "Weak" });
        return (id, made!["id"]!.GetValue<string>());
    }

    private Task<HttpStatusCode> Tell(string id, JsonObject change) => Post($"/api/cases/{id}", "changes", change);

    private Task<HttpStatusCode> Step(string id, string step) => Post($"/api/cases/{id}", step, null);

    // What a change answers says under which version the next one goes.
    private async Task<HttpStatusCode> Post(string path, string what, JsonObject? body)
    {
        if (!versions.TryGetValue(path, out var version))
            version = await Version(path);
        var (response, _) = await product.Send(HttpMethod.Post, $"{path}/{what}", body, version);
        versions[path] = response.IsSuccessStatusCode ? response.Headers.ETag!.Tag : version;
        return response.StatusCode;
    }

    private async Task Correct(string id, int cylinders, string control)
    {
        var (_, stored) = await product.Send(HttpMethod.Get, $"/api/pumps/{id}");
        var pump = Pump();
        (pump["cylinders"], pump["control"]) = (cylinders, control);
        var body = new JsonObject { ["tag"] = stored!["tag"]!.GetValue<string>(), ["pump"] = pump, ["setup"] = Setup() };
        (await product.Send(
            HttpMethod.Put, $"/api/pumps/{id}", body, await Version($"/api/pumps/{id}"))).Response.StatusCode.ShouldBe(HttpStatusCode.OK);
    }

    private async Task<string> Version(string path) => (await product.Send(HttpMethod.Get, path)).Response.Headers.ETag!.Tag;
}
