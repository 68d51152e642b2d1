using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using MildHunch.Web.Tests.Cases.Rounds;

namespace MildHunch.Web.Tests.Cases;

/// <summary>
/// An answer that was lost is asked for again, two tablets tell different things at once: nothing is done twice, and only what contradicts
/// is refused.
/// </summary>
public sealed class SentTwiceTests : IClassFixture<Product>
{
    private readonly Product product;

    public SentTwiceTests(Product product) => this.product = product;

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    [Fact]
    public async Task Sent_again_with_its_key_it_is_not_done_again()
    {
        var id = await TwoRounds.New(product);
        var etag = await product.Etag(id);
        var first = await Send(HttpMethod.Post, $"/api/cases/{id}/changes", TwoRounds.Read(41), etag, "a-1");
        var again = await Send(HttpMethod.Post, $"/api/cases/{id}/changes", TwoRounds.Read(41), etag, "a-1");
        first.Status.ShouldBe(HttpStatusCode.OK);
        again.Status.ShouldBe(HttpStatusCode.OK);
        again.Body!["version"]!.GetValue<int>().ShouldBe(first.Body!["version"]!.GetValue<int>());
        again.Etag.ShouldBe(first.Etag);
        again.Body["changes"]!.AsArray().Count.ShouldBe(2);

        // Undo and redo are told like anything else.
        for (var k = 0; k < 2; k++)
            (await Send(HttpMethod.Post, $"/api/cases/{id}/undo", null, first.Etag, "a-2")).Status.ShouldBe(HttpStatusCode.OK);
        (await product.Get($"/api/cases/{id}"))["readings"]!.AsArray().ShouldBeEmpty();
        (await product.Get($"/api/cases/{id}"))["redo"].ShouldNotBeNull();
    }

    [Fact]
    public async Task Of_the_same_sent_at_once_one_goes_through_and_all_are_answered()
    {
        var id = await TwoRounds.New(product);
        var etag = await product.Etag(id);
        var all = await Task.WhenAll(Enumerable.Range(0, 8)
            .Select(_ => Send(HttpMethod.Post, $"/api/cases/{id}/changes", TwoRounds.Read(39), etag, "at-once")));
        all.ShouldAllBe(a => a.Status == HttpStatusCode.OK);
        (await product.Get($"/api/cases/{id}"))["changes"]!.AsArray().Count.ShouldBe(2);
    }

    /// <summary>Eight hands at once, each with something of its own, upon one version: nobody is told that somebody was faster.</summary>
    [Fact]
    public async Task What_does_not_contradict_may_come_at_once()
    {
        var id = await TwoRounds.New(product);
        var etag = await product.Etag(id);
        string[] notes = ["ask", "measure", "suspect", "open", "mend", "prove"];
        var all = await Task.WhenAll(notes.Select(n => Send(
            HttpMethod.Post, $"/api/cases/{id}/changes", new JsonObject { ["facts"] = new JsonObject { [$"note-{n}"] = n } }, etag, null)));
        all.ShouldAllBe(a => a.Status == HttpStatusCode.OK);
        var facts = (await product.Get($"/api/cases/{id}"))["facts"]!;
        notes.ShouldAllBe(n => facts[$"note-{n}"]!.GetValue<string>() == n);
    }

    [Fact]
    public async Task A_case_a_pump_and_a_meter_are_made_once()
    {
        var pumps = (await product.Get("/api/pumps")).AsArray();
        var pump = pumps.Single(p => p!["tag"]!.GetValue<string>() == "FOG-2")!["id"]!.GetValue<string>();
        var cases = new List<string>();
        var meters = new List<int>();
        for (var k = 0; k < 2; k++)
        {
            var opened = await Send(
                HttpMethod.Post, "/api/cases", new JsonObject { ["pumpId"] = pump, ["complaint"] = "Drizzle" }, null, "case-1");
            ((int)opened.Status / 100).ShouldBe(2);
            cases.Add(opened.Body!["id"]!.GetValue<string>());
            var read = await Send(HttpMethod.Post, $"/api/pumps/{pump}/meter", new JsonObject { ["hours"] = 812 }, null, "meter-1");
            read.Status.ShouldBe(HttpStatusCode.OK);
            meters.Add(read.Body!["hours"]!["readings"]!.AsArray().Count);
            var told = new JsonObject { ["tag"] = "ONCE-1", ["pump"] = Product.Pump(), ["setup"] = Product.Setup() };
            ((int)(await Send(HttpMethod.Post, "/api/pumps", told, null, "pump-1")).Status / 100).ShouldBe(2);
        }

        var entry = (await product.Get($"/api/pumps/{pump}/life"))["hours"]!["readings"]![0]!["id"]!.GetValue<string>();
        for (var k = 0; k < 2; k++)
            (await Send(HttpMethod.Delete, $"/api/pumps/{pump}/meter/{entry}", null, null, "gone-1")).Status.ShouldBe(HttpStatusCode.OK);
        cases.Distinct().ShouldHaveSingleItem();
        meters.Distinct().ShouldHaveSingleItem();

        // Another key is another thing, though it says the same.
        var other = await Send(
            HttpMethod.Post, "/api/cases", new JsonObject { ["pumpId"] = pump, ["complaint"] = "Drizzle" }, null, "case-2");
        cases.ShouldNotContain(other.Body!["id"]!.GetValue<string>());
    }

    /// <summary>Sent twice, pumps stand where one swap put them, and the shelf holds what one count said.</summary>
    [Fact]
    public async Task Pumps_are_swapped_and_kits_counted_once()
    {
        List<string> pumps = [];
        foreach (var tag in new[] { "MIST-A", "MIST-B" })
        {
            var told = new JsonObject { ["tag"] = tag, ["pump"] = Product.Pump(), ["setup"] = Product.Setup() };
            var made = (await Send(HttpMethod.Post, "/api/pumps", told, null, null)).Body!["id"]!.GetValue<string>();
            pumps.Add(made);
            (await Send(HttpMethod.Put, $"/api/pumps/{made}/running", new JsonObject { ["serial"] = tag }, "\"1\"", null))
                .Status.ShouldBe(HttpStatusCode.OK);
        }

        for (var k = 0; k < 2; k++)
        {
            var swapped = await Send(
                HttpMethod.Post, $"/api/pumps/{pumps[0]}/swap", new JsonObject { ["with"] = pumps[1] }, "\"2\"", "swap-1");
            swapped.Status.ShouldBe(HttpStatusCode.OK, swapped.Body?.ToJsonString());
            (swapped.Body!["id"]!.GetValue<string>(), swapped.Body["tag"]!.GetValue<string>()).ShouldBe((pumps[1], "MIST-A"));
        }

        JsonNode? kept = null;
        for (var k = 0; k < 2; k++)
        {
            var counted = await Send(
                HttpMethod.Put, "/api/stock", new JsonObject
                {
                    ["name"] = "Ring 18",
                    ["inStock"] = 4,
                    ["version"] = kept?["version"]?.DeepClone()
                },
                null, "count-1");
            counted.Status.ShouldBe(HttpStatusCode.OK, counted.Body?.ToJsonString());
            counted.Body!["version"]!.GetValue<int>().ShouldBe(1);
            kept = counted.Body;
        }

        for (var k = 0; k < 2; k++)
            (await Send(HttpMethod.Delete, $"/api/stock/{kept!["id"]}", null, null, "gone-2")).Status.ShouldBe(HttpStatusCode.NoContent);
        (await Send(HttpMethod.Delete, $"/api/stock/{kept!["id"]}", null, null, null)).Status.ShouldBe(HttpStatusCode.NotFound);
    }

    /// <summary>What is refused was not done: corrected and sent with its key, it is.</summary>
    [Fact]
    public async Task A_refusal_leaves_its_key_free()
    {
        var id = await TwoRounds.New(product);
        var etag = await product.Etag(id);
        (await Send(HttpMethod.Post, $"/api/cases/{id}/changes", TwoRounds.Read(-41), etag, "wrong"))
            .Status.ShouldBe(HttpStatusCode.BadRequest);
        (await Send(HttpMethod.Post, $"/api/cases/{id}/changes", TwoRounds.Read(41), etag, "wrong")).Status.ShouldBe(HttpStatusCode.OK);
    }

    public static TheoryData<string, string, bool> Pairs() => new()
    {
        // What one tablet told since; what the other tells upon the version before; whether that contradicts.
        { """{"facts":{"note-ask":"quiet"}}""", """{"facts":{"note-open":"loud"}}""", false },
        { """{"facts":{"note-ask":"quiet"}}""", """{"facts":{"note-ask":"loud"}}""", true },
        { """{"cues":[{"cue":"needle","answer":"swings"}]}""", """{"facts":{"note-ask":"loud"}}""", false },
        { """{"cues":[{"cue":"needle","answer":"swings"}]}""", """{"cues":[{"cue":"needle","answer":"steady"}]}""", true },
        { """{"hours":[{"part":"hp-seal","hours":400}]}""", """{"hours":[{"part":"hp-seal","hours":850}]}""", true },
        {
            """{"proof":{"acknowledged":{"stand":{"by":"Tobi Marr"}}}}""",
            """{"proof":{"acknowledged":{"water":{"by":"Runa Estcott"}}}}""", false
        },
        { """{"proof":{"acknowledged":{"stand":{"by":"Tobi Marr"}}}}""", """{"proof":{"verdict":{"outcome":"back","by":"Ines"}}}""", true },
        { """{"facts":{"note-ask":"quiet"}}""", """{"proof":{"verdict":{"outcome":"back","by":"Ines"}}}""", true },
        {
            // Mended meanwhile: before or after which mend was it read?
            """{"readings":[{"quantity":"speed","value":{"value":1440,"unit":"rpm"},"at":"after"}]}""",
            """{"readings":[{"quantity":"nozzle-flow","value":{"value":19,"unit":"L/min"}}]}""", true
        },
        {
            """{"readings":[{"quantity":"speed","value":{"value":1440,"unit":"rpm"},"at":"after"}]}""",
            """{"readings":[{"quantity":"nozzle-flow","value":{"value":19,"unit":"L/min"},"at":"before"}]}""", false
        },
        {
            """{"readings":[{"quantity":"speed","value":{"value":1440,"unit":"rpm"}}]}""",
            """{"readings":[{"quantity":"nozzle-flow","value":{"value":19,"unit":"L/min"}}]}""", false
        },
    };

    [Theory]
    [MemberData(nameof(Pairs))]
    public async Task Only_what_was_changed_since_is_refused(string theirs, string ours, bool contradicts)
    {
        var id = await TwoRounds.New(product);
        var etag = await product.Etag(id);
        await product.Change(id, JsonNode.Parse(theirs)!.AsObject());
        var told = await Send(HttpMethod.Post, $"/api/cases/{id}/changes", JsonNode.Parse(ours), etag, null);
        told.Status.ShouldBe(contradicts ? HttpStatusCode.PreconditionFailed : HttpStatusCode.OK, told.Body?.ToJsonString());
        (await product.Get($"/api/cases/{id}"))["changes"]!.AsArray().Count.ShouldBe(contradicts ? 2 : 3);
    }

    private async Task<Answer> Send(HttpMethod method, string path, JsonNode? body, string? ifMatch, string? key)
    {
        using var request = new HttpRequestMessage(method, path);
        if (body is not null)
            request.Content = JsonContent.Create(body);
        if (ifMatch is not null)
            request.Headers.TryAddWithoutValidation("If-Match", ifMatch);
        if (key is not null)
            request.Headers.Add("Idempotency-Key", key);
        using var response = await product.Http.SendAsync(request, Stop);
        var text = await response.Content.ReadAsStringAsync(Stop);
        return new Answer(response.StatusCode, response.Headers.ETag?.ToString(), text.StartsWith('{') ? JsonNode.Parse(text) : null);
    }

    private sealed record Answer(HttpStatusCode Status, string? Etag, JsonNode? Body);
}
