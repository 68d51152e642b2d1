using System.Net;
using System.Text.Json.Nodes;

namespace MildHunch.Web.Tests;

/// <summary>Pairs, limits, plan, readings as taken, the shop's record and the shop's own knowledge, over HTTP.</summary>
public class WholeHunchTests(ShopOfItsOwn product) : IClassFixture<ShopOfItsOwn>
{
    [Fact]
    public async Task Limits_are_kept_and_unknown_ones_refused()
    {
        var question = Product.Fog2();
        question["limits"] = new JsonObject
        {
            ["without"] = new JsonArray("listening rod", "infrared thermometer"),
            ["keepRunning"] = true
        };
        var (_, body) = await product.Send(HttpMethod.Post, "/api/diagnosis", question);
        body!["nextChecks"]!.AsArray()
            .ShouldAllBe(c => c!["check"]!.GetValue<string>() != "cap-listen" && c["check"]!.GetValue<string>() != "discharge-valves-out");
        question["limits"]!["without"] = new JsonArray("crystal ball");
        var (response, problem) = await product.Send(HttpMethod.Post, "/api/diagnosis", question);
        response.StatusCode.ShouldBe(HttpStatusCode.BadRequest);
        problem!["errors"]!["limits.without"]![0]!.GetValue<string>().ShouldContain("transducer");
    }

    [Fact]
    public async Task A_plan_starts_with_the_check_that_shortens_the_way_most()
    {
        var question = Product.Fog2();
        question["readings"] = new JsonArray(Product.Reading("discharge-pressure", 45, "bar"));
        question["cues"] = new JsonArray();
        var (_, plan) = await product.Send(HttpMethod.Post, "/api/plan", question);
        var (_, verdict) = await product.Send(HttpMethod.Post, "/api/diagnosis", question);
        plan!["first"]!["check"]!.GetValue<string>().ShouldBe(verdict!["openNow"]!["bestCheck"]!.GetValue<string>());
        plan["first"]!["branches"]!.AsArray().ShouldNotBeEmpty();
    }

    [Fact]
    public async Task A_range_counts_as_mean_and_swing_and_is_named_by_where_it_stood()
    {
        var question = Product.Fog2();
        question["readings"]![0] = new JsonObject
        {
            ["quantity"] = "discharge-pressure",
            ["value"] = Product.Amount(22, "bar"),
            ["to"] = Product.Amount(40, "bar")
        };
        var (_, body) = await product.Send(HttpMethod.Post, "/api/diagnosis", question);
        var read = body!["comparisons"]!.AsArray()
            .ToDictionary(c => c!["quantity"]!.GetValue<string>(), c => c!["read"]!["value"]!.GetValue<double>());
        read["discharge-pressure"].ShouldBe(31, 0.01);
        read["swing"].ShouldBe(18, 0.01);
        body["suspects"]![0]!["evidence"]!.AsArray()
            .ShouldAllBe(e => e!["source"]!.GetValue<string>().StartsWith("readings[", StringComparison.Ordinal)
                || e["source"]!.GetValue<string>().StartsWith("cues[", StringComparison.Ordinal));
    }

    [Fact]
    public async Task Hours_and_what_was_found_move_the_priors()
    {
        double Of(JsonNode body, string fault) =>
            body["suspects"]!.AsArray().First(s => s!["fault"]!.GetValue<string>() == fault)!["probability"]!.GetValue<double>();
        var question = Product.Fog2();
        var (_, before) = await product.Send(HttpMethod.Post, "/api/diagnosis", question);
        question["hours"] = new JsonArray(new JsonObject { ["part"] = "hp-seal", ["hours"] = 4000 });
        var (_, worn) = await product.Send(HttpMethod.Post, "/api/diagnosis", question);
        Of(worn!, "hp-seal-worn").ShouldBeGreaterThan(Of(before!, "hp-seal-worn"));
        question["found"] = new JsonObject { ["hp-seal-worn"] = 30 };
        var (_, known) = await product.Send(HttpMethod.Post, "/api/diagnosis", question);
        Of(known!, "hp-seal-worn").ShouldBeGreaterThan(Of(worn!, "hp-seal-worn"));
    }

    [Fact]
    public async Task A_closed_case_speaks_for_the_next_of_its_type_until_the_record_is_set_back()
    {
        using var shop = new Product();
        var open = await shop.CaseOf("NET-1");
        var prior = (await shop.Get($"/api/cases/{open}"))["diagnosis"]!["suspects"]![0]!["prior"]!.GetValue<double>();
        var closing = await shop.CaseOf("FOG-2");
        var version = (await shop.Get($"/api/cases/{closing}"))["version"]!.GetValue<int>();
        await shop.Send(
            HttpMethod.Post, $"/api/cases/{closing}/changes", new JsonObject { ["facts"] = new JsonObject { ["closed"] = "speed-low@" } },
            $"\"{version}\"");
        var record = (await shop.Get("/api/history")).AsArray().Single(t => t!["pumpType"]!.GetValue<string>() == "crank-plunger-3")!;
        record["found"]![0]!["fault"]!.GetValue<string>().ShouldBe("speed-low");
        var after = await shop.Get($"/api/cases/{open}");
        after["found"]!["speed-low"]!.GetValue<int>().ShouldBe(1);
        after["diagnosis"]!["suspects"]![0]!["prior"]!.GetValue<double>().ShouldBeGreaterThan(prior);
        (await shop.Send(HttpMethod.Delete, "/api/history/crank-plunger-3")).Response.StatusCode.ShouldBe(HttpStatusCode.NoContent);
        (await shop.Get("/api/history")).AsArray().ShouldNotContain(t => t!["pumpType"]!.GetValue<string>() == "crank-plunger-3");
        (await shop.Get($"/api/cases/{open}"))["diagnosis"]!["suspects"]![0]!["prior"]!.GetValue<double>().ShouldBe(prior, 1e-6);
        (await shop.Send(HttpMethod.Delete, "/api/history/crank-plunger-3")).Response.StatusCode.ShouldBe(HttpStatusCode.NotFound);
    }

    [Fact]
    public async Task A_case_keeps_ranges_repeats_limits_hours_and_what_could_not_be_had()
    {
        var pump = (await product.Get("/api/pumps")).AsArray()
            .First(p => p!["tag"]!.GetValue<string>() == "FOG-2")!["id"]!.GetValue<string>();
        var (_, made) = await product.Send(
            HttpMethod.Post, "/api/cases", new JsonObject { ["pumpId"] = pump, ["complaint"] = "Everything at once" });
        var id = made!["id"]!.GetValue<string>();
        var version = made["version"]!.GetValue<int>();
        async Task<JsonNode> Tell(JsonObject change)
        {
            var (response, body) = await product.Send(HttpMethod.Post, $"/api/cases/{id}/changes", change, $"\"{version}\"");
            response.IsSuccessStatusCode.ShouldBeTrue(body?.ToJsonString());
            version = body!["version"]!.GetValue<int>();
            return body;
        }

        await Tell(new JsonObject
        {
            ["readings"] = new JsonArray(new JsonObject
            {
                ["quantity"] = "discharge-pressure",
                ["value"] = Product.Amount(28, "bar"),
                ["to"] = Product.Amount(4.6, "MPa")
            })
        });
        var again = await Tell(new JsonObject
        {
            ["readings"] = new JsonArray(Product.Reading("discharge-pressure", 36, "bar")),
            ["again"] = true
        });
        again["readings"]!.AsArray().Count.ShouldBe(2);
        again["readings"]![0]!["to"]!["value"]!.GetValue<double>().ShouldBe(46, 1e-6);
        var mended = await Tell(new JsonObject
        {
            ["readings"] = new JsonArray(new JsonObject
            {
                ["quantity"] = "discharge-pressure",
                ["value"] = Product.Amount(69, "bar"),
                ["at"] = "after"
            })
        });
        mended["readings"]!.AsArray().Count.ShouldBe(3);
        mended["diagnosis"]!["comparisons"]!.AsArray()
            .Single(c => c!["quantity"]!.GetValue<string>() == "discharge-pressure")!["read"]!["value"]!.GetValue<double>()
            .ShouldBe(69, 0.01);
        var noted = await Tell(new JsonObject
        {
            ["limits"] = new JsonObject { ["without"] = new JsonArray("transducer"), ["mostMinutes"] = 10 },
            ["hours"] = new JsonArray(new JsonObject { ["part"] = "lp-seal", ["hours"] = 900 }),
            ["couldNot"] = new JsonArray("nozzle-orifice"),
        });
        noted["limits"]!["without"]![0]!.GetValue<string>().ShouldBe("transducer");
        noted["hours"]![0]!["hours"]!.GetValue<double>().ShouldBe(900);
        noted["diagnosis"]!["nextChecks"]!.AsArray()
            .ShouldAllBe(c => c!["reading"] == null || c["reading"]!.GetValue<string>() != "nozzle-orifice");
        var (_, undone) = await product.Send(HttpMethod.Post, $"/api/cases/{id}/undo", null, $"\"{version}\"");
        undone!["hours"]!.AsArray().ShouldBeEmpty();
    }

    [Theory]
    [InlineData("""{ "words": [ { "fault": "speed-low", "cue": "sound", "answer": "chatter", "word": "sometimes" } ] }""", true, null)]
    [InlineData(
        """{ "words": [ { "fault": "speed-slow", "cue": "sound", "answer": "chatter", "word": "sometimes" } ] }""", false, "speed-slow")]
    [InlineData("no json", false, "shop-knowledge.json")]
    public async Task The_shops_file_is_in_force_or_named_on_screen(string text, bool inUse, string? says)
    {
        var folder = Directory.CreateTempSubdirectory("mild-hunch-").FullName;
        await File.WriteAllTextAsync(Path.Combine(folder, "shop-knowledge.json"), text, TestContext.Current.CancellationToken);
        using var shop = new Product(true, folder);
        var file = (await shop.Get("/api/knowledge"))["shopFile"]!;
        file["inUse"]!.GetValue<bool>().ShouldBe(inUse);
        (file["trouble"]?.GetValue<string>() ?? "").ShouldContain(says ?? "");
        var (response, _) = await shop.Send(HttpMethod.Post, "/api/diagnosis", Product.Fog2());
        response.IsSuccessStatusCode.ShouldBeTrue();
    }

    /// <summary>A shop's file may break or go: what was noted with its words stays readable, and the rest is judged as before.</summary>
    [Fact]
    public async Task A_case_noted_in_the_shops_own_words_outlives_its_file()
    {
        var folder = Directory.CreateTempSubdirectory("mild-hunch-").FullName;
        var file = Path.Combine(folder, "shop-knowledge.json");
        await File.WriteAllTextAsync(
            file,
            """
            { "cues": [ { "id": "belt-squeal", "name": "Belt", "short": "belt", "place": "crank", "question": "Squeals?",
                "answers": [ { "id": "quiet", "text": "quiet", "healthy": true }, { "id": "squeals", "text": "squeals" } ] } ],
              "checks": [ { "id": "hear-belt", "name": "Listen to the belt", "minutes": 1, "opens": "nothing",
                "needs": ["long ear"], "cue": "belt-squeal", "how": "Listen.", "hazards": [] } ],
              "words": [ { "fault": "speed-low", "cue": "belt-squeal", "answer": "squeals", "word": "usually" } ],
              "contexts": [ { "id": "salt-spray", "name": "Salt spray", "multiply": { "speed-low": 3 } } ] }
            """,
            TestContext.Current.CancellationToken);
        string id;
        using (var with = new Product(true, folder))
        {
            id = await with.CaseOf("FOG-2");
            var version = (await with.Get($"/api/cases/{id}"))["version"]!.GetValue<int>();
            var (noted, body) = await with.Send(
                HttpMethod.Post,
                $"/api/cases/{id}/changes",
                new JsonObject
                {
                    ["cues"] = new JsonArray(Product.Cue("belt-squeal", "squeals")),
                    ["context"] = new JsonArray("sudden", "salt-spray"),
                    ["couldNot"] = new JsonArray("belt-squeal"),
                    ["limits"] = new JsonObject { ["without"] = new JsonArray("long ear", "transducer") },
                },
                $"\"{version}\"");
            noted.IsSuccessStatusCode.ShouldBeTrue(body?.ToJsonString());
        }

        File.Delete(file);
        using var without = new Product(true, folder);
        var shown = await without.Get($"/api/cases/{id}");
        shown["cues"]!.AsArray().Select(c => c!["says"]!.GetValue<string>()).ShouldContain(s => s.Contains("belt-squeal"));
        shown["diagnosis"]!["suspects"]![0]!["fault"]!.GetValue<string>().ShouldBe("discharge-valve-leak");
    }

    [Fact]
    public async Task The_example_in_the_interface_document_is_answered()
    {
        var document = await product.Get("/openapi/v1.json");
        var described = document["paths"]!["/api/diagnosis"]!["post"]!["requestBody"]!;
        var example = described["content"]!["application/json"]!["example"]!.DeepClone();
        var (response, body) = await product.Send(HttpMethod.Post, "/api/diagnosis", example);
        response.IsSuccessStatusCode.ShouldBeTrue(body?.ToJsonString());
        body!["suspects"]![0]!["fault"]!.GetValue<string>().ShouldBe("discharge-valve-leak");
    }
}
