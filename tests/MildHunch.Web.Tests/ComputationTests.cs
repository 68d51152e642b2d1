using System.Net;
using System.Text;
using System.Text.Json.Nodes;

namespace MildHunch.Web.Tests;

/// <summary>Stateless computation: what it answers, and what it refuses.</summary>
public class ComputationTests(Product product)
{
    [Fact]
    public async Task Diagnosis_has_the_promised_shape()
    {
        var (response, body) = await product.Send(HttpMethod.Post, "/api/diagnosis", Product.Fog2());
        response.StatusCode.ShouldBe(HttpStatusCode.OK);
        foreach (var field in new[] { "actions", "suspects", "ledger", "contradictions", "nextChecks" })
            body![field].ShouldNotBeNull(field);
        var suspect = body!["suspects"]![0]!;
        foreach (var field in new[] { "fault", "probability", "hunch", "severity", "locations", "evidence" })
            suspect[field].ShouldNotBeNull(field);
        suspect["evidence"]![0]!["text"]!.GetValue<string>().ShouldNotBeEmpty();
        suspect["evidence"]![0]!["source"]!.GetValue<string>().ShouldMatch(@"^(readings|cues)\[\d\]$");
        var alone = body["suspects"]!.AsArray().Sum(s => s!["probability"]!.GetValue<double>());
        alone.ShouldBeInRange(0.998, 1.002 + body["twoAtOnce"]!.GetValue<double>());
        body["pairs"]!.AsArray().ShouldAllBe(p => p!["faults"]!.AsArray().Count == 2);
        var openNow = body["openNow"]!;
        openNow["recommended"]!.GetValue<bool>()
            .ShouldBe(openNow["minutesIfOpened"]!.GetValue<double>() <= openNow["minutesIfTested"]!.GetValue<double>());
        body["ledger"]!["missingShares"]!.GetValue<double>().ShouldBe(1, 0.2);
    }

    [Fact]
    public async Task Unknown_says_nothing_and_the_rest_keeps_its_place()
    {
        var without = (await product.Send(HttpMethod.Post, "/api/diagnosis", Product.Fog2())).Body!;
        var question = Product.Fog2();
        question["cues"] = new JsonArray(
            Product.Cue("sound", "unknown"), Product.Cue("needle", "swings"), Product.Cue("bypass-with-outlet-open", "none"));
        var with = (await product.Send(HttpMethod.Post, "/api/diagnosis", question)).Body!;
        with["suspects"]![0]!["probability"]!.GetValue<double>().ShouldBe(without["suspects"]![0]!["probability"]!.GetValue<double>());
        var needle = with["suspects"]![0]!["evidence"]!.AsArray()
            .First(e => e!["text"]!.GetValue<string>().StartsWith("Needle", StringComparison.Ordinal))!;
        needle["source"]!.GetValue<string>().ShouldBe("cues[1]");
    }

    [Fact]
    public async Task Expectation_comes_with_bands_and_workings()
    {
        var (_, body) = await product.Send(
            HttpMethod.Post, "/api/expectation", new JsonObject { ["pump"] = Product.Pump(), ["setup"] = Product.Setup() });
        var pressure = body!["figures"]!.AsArray().First(f => f!["id"]!.GetValue<string>() == "discharge-pressure")!;
        pressure["value"]!["value"]!.GetValue<double>().ShouldBe(70, 0.5);
        pressure["value"]!["unit"]!.GetValue<string>().ShouldBe("bar");
        pressure["working"]!["inputs"]!.AsArray().Count.ShouldBeGreaterThan(1);
        pressure["band"]!.AsArray().Count.ShouldBeGreaterThan(1);
    }

    [Fact]
    public async Task Expectation_follows_the_measured_speed_and_refuses_a_standing_pump()
    {
        JsonObject Question(double rpm) =>
            new()
            {
                ["pump"] = Product.Pump(),
                ["setup"] = Product.Setup(),
                ["readings"] = new JsonArray(Product.Reading("speed", rpm, "rpm"))
            };
        var (_, body) = await product.Send(HttpMethod.Post, "/api/expectation", Question(725));
        body!["figures"]!.AsArray().First(f => f!["id"]!.GetValue<string>() == "discharge-pressure")!["value"]!["value"]!.GetValue<double>()
            .ShouldBe(70 / 4.0, 0.3);
        await Refuses("/api/expectation", Question(0).ToJsonString(), "readings[0].value", "0.6 to 6000 rpm");
    }

    [Fact]
    public async Task A_reading_comes_back_in_its_own_unit()
    {
        var question = Product.Fog2();
        question["readings"] = new JsonArray(Product.Reading("discharge-pressure", 450, "psi"));
        var (_, body) = await product.Send(HttpMethod.Post, "/api/diagnosis", question);
        body!["comparisons"]![0]!["read"]!["unit"]!.GetValue<string>().ShouldBe("psi");
        body["comparisons"]![0]!["read"]!["value"]!.GetValue<double>().ShouldBe(450, 0.01);
        body["comparisons"]![0]!["expected"]!["value"]!.GetValue<double>().ShouldBe(1015, 15);
    }

    [Fact]
    public async Task Jot_line_is_read_and_nothing_stored()
    {
        var before = (await product.Get("/api/cases")).ToJsonString();
        var (_, body) = await product.Send(
            HttpMethod.Post, "/api/jot", new JsonObject { ["pump"] = Product.Pump(), ["text"] = "31 bar, weep 2 30/min, wobbly" });
        body!["items"]!.AsArray().Count.ShouldBe(2);
        body["items"]![1]!["cue"]!["cylinder"]!.GetValue<int>().ShouldBe(2);
        body["notUnderstood"]!.AsArray().ShouldHaveSingleItem()!["text"]!.GetValue<string>().ShouldBe("wobbly");
        (await product.Get("/api/cases")).ToJsonString().ShouldBe(before);
    }

    public static TheoryData<string, string, string> Refused => new()
    {
        { """{"pump":{"cylinders":3,"plungerDiameter":{"value":"big","unit":"mm"}}}""", "pump.plungerDiameter.value", "number" },
        { """{"pump":{"cylinders":"three"}}""", "pump.cylinders", "number" },
        { "[]", "body", "JSON object" },
        { "not json", "body", "JSON" },
    };

    [Theory]
    [MemberData(nameof(Refused))]
    public async Task Text_where_something_else_belongs_is_refused(string body, string field, string says) =>
        await Refuses("/api/diagnosis", body, field, says);

    public static TheoryData<string, Action<JsonObject>, string, string> Impossible => new()
    {
        { "unknown unit", q => q["readings"]![0]!["value"]!["unit"] = "furlongs", "readings[0].value", "psi" },
        { "negative flow", q => q["readings"]![1]!["value"]!["value"] = -12, "readings[1].value", "60 000 L/min" },
        { "zero diameter", q => q["pump"]!["plungerDiameter"]!["value"] = 0, "pump.plungerDiameter", "2 to 300 mm" },
        { "absurd speed", q => q["setup"]!["speed"]!["value"] = 1e9, "setup.speed", "0.6 to 6000 rpm" },
        { "no pump", q => q.Remove("pump"), "pump", "cylinders" },
        { "no nozzle", q => q["setup"]!.AsObject().Remove("nozzle"), "setup.nozzle.flow", "orifice" },
        { "unknown reading", q => q["readings"]![0]!["quantity"] = "mood", "readings[0].quantity", "nozzle-flow" },
        { "unknown answer", q => q["cues"]![0]!["answer"] = "dances", "cues.answer", "hunts" },
        { "unknown control", q => q["pump"]!["control"] = "magic", "pump.control", "unloader" },
        { "no such cylinder", q => q["cues"] = new JsonArray(Product.Cue("cap-listen", "hisses", 9)), "cues.cylinder", "1 to 3" },
        { "unknown context", q => q["context"] = new JsonArray("moonlight"), "context", "ran-dry" },
        { "no context", q => q["context"] = new JsonArray((JsonNode?)null), "context[0]", "a value" },
        { "no cue", q => q["cues"] = new JsonArray((JsonNode?)null), "cues[0]", "a value" },
        { "another arrangement", q => q["pump"]!["arrangement"] = "rotary", "pump.arrangement", "crank-plunger" },
    };

    [Theory]
    [MemberData(nameof(Impossible))]
    public async Task What_cannot_be_is_refused_by_field(string what, Action<JsonObject> spoil, string field, string accepted)
    {
        var question = Product.Fog2();
        spoil(question);
        await Refuses("/api/diagnosis", question.ToJsonString(), field, accepted, what);
    }

    [Fact]
    public async Task An_empty_body_is_refused() => await Refuses("/api/diagnosis", "", "body", "Nothing was sent");

    [Fact]
    public async Task A_huge_body_is_refused()
    {
        using var content = new StringContent(new string(' ', 5_000_000), Encoding.UTF8, "application/json");
        using var response = await product.Http.PostAsync("/api/diagnosis", content, TestContext.Current.CancellationToken);
        response.StatusCode.ShouldBe(HttpStatusCode.RequestEntityTooLarge);
        (await response.Content.ReadAsStringAsync(TestContext.Current.CancellationToken)).ShouldContain("512 kB");
    }

    [Fact]
    public async Task Nothing_at_an_unknown_place()
    {
        var (response, body) = await product.Send(HttpMethod.Get, "/api/nowhere");
        response.StatusCode.ShouldBe(HttpStatusCode.NotFound);
        response.Content.Headers.ContentType!.MediaType.ShouldBe("application/problem+json");
        body!["detail"]!.GetValue<string>().ShouldContain("/api/nowhere");
    }

    [Fact]
    public async Task It_says_that_it_is_well() => (await product.Get("/health"))["status"]!.GetValue<string>().ShouldBe("well");

    /// <summary>Whatever stands in whatever field: an answer or a refusal that names a field, never a failure of ours.</summary>
    [Fact]
    public Task Nothing_that_is_sent_makes_it_fail() => Spoiler.Try(product, "/api/diagnosis", Product.Fog2);

    private async Task Refuses(string path, string body, string field, string says, string? what = null)
    {
        using var content = new StringContent(body, Encoding.UTF8, "application/json");
        using var response = await product.Http.PostAsync(path, content, TestContext.Current.CancellationToken);
        response.StatusCode.ShouldBe(HttpStatusCode.BadRequest, what);
        response.Content.Headers.ContentType!.MediaType.ShouldBe("application/problem+json");
        var problem = JsonNode.Parse(await response.Content.ReadAsStringAsync(TestContext.Current.CancellationToken))!;
        problem["errors"]!.AsObject().Select(e => e.Key).ShouldContain(field, what);
        problem["detail"]!.GetValue<string>().ShouldContain(says, Case.Sensitive, what);
    }
}
