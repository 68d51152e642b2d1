using System.Net;
using System.Text.Json.Nodes;

namespace MildHunch.Web.Tests.Cases;

/// <summary>The work at a case: planned, opened, found, closed, by several hands.</summary>
public sealed class CaseWorkTests : IDisposable
{
    // Of its own: others look at the list of cases while these change it.
    private readonly Product product = new();

    public void Dispose() => product.Dispose();

    [Fact]
    public async Task From_the_leader_to_the_last_tick()
    {
        var id = await NewCase();
        var plans = await product.Get($"/api/cases/{id}/plans");
        plans["options"]!.AsArray().Select(o => o!["id"]!.GetValue<string>()).ShouldBe(["leader", "two", "whole"]);
        var leader = plans["options"]![0]!;
        leader["plan"]!["targets"]!.AsArray().Select(t => t!["part"]!.GetValue<string>()).ShouldContain("valve");
        Minutes(leader).ShouldBeLessThan(Minutes(plans["options"]![2]!));
        leader["again"]!["unknown"]!.AsArray().Select(u => u!.GetValue<string>()).ShouldContain("Valve: no life on record");

        var shown = await Change(id, new JsonObject { ["plan"] = leader["plan"]!.DeepClone() });
        var plan = await Plan(shown);
        var steps = plan["steps"]!.AsArray();
        var running = Ticks(steps.First(s => s!["machine"]!.GetValue<string>() == "running")!)[0];
        await Change(id, Step(running));

        // What is done to an open pump waits until somebody answers for the hazards.
        var off = Ticks(steps.First(s => s!["part"]?.GetValue<string>() == "valve" && s["stage"]!.GetValue<string>() == "open")!)[0];
        var (early, refusal) = await Tell(id, Step(off));
        early.StatusCode.ShouldBe(HttpStatusCode.Conflict);
        refusal!["detail"]!.GetValue<string>().ShouldContain("Read the hazards");
        await Change(id, new JsonObject
        {
            ["acknowledged"] = new JsonObject { ["by"] = "Tobi Marr", ["hazards"] = new JsonArray("lock-out") },
        });
        shown = await Change(id, Step(off, "W-2"));
        var tick = shown["work"]!["steps"]![off]!;
        (tick["by"]!.GetValue<string>(), tick["wrench"]!.GetValue<string>()).ShouldBe(("Runa Estcott", "W-2"));

        // It ran again: the same pump is opened anew only once the hazards are read again.
        await Change(id, new JsonObject { ["ranAgain"] = true });
        (await Tell(id, Step(Ticks(steps[^1]!)[0]))).Response.StatusCode.ShouldBe(HttpStatusCode.Conflict);
    }

    /// <summary>A height, a photograph and the torque that was used lie at the tick, and go with the report and with undo.</summary>
    [Fact]
    public async Task What_a_card_asks_for_is_kept_with_its_tick()
    {
        var id = await NewCase();
        var plan = await Plan(await Change(id, new JsonObject { ["plan"] = Targets("valve") }));
        await Change(id, new JsonObject { ["acknowledged"] = new JsonObject { ["by"] = "Tobi Marr", ["hazards"] = new JsonArray() } });
        var tight = Ticks(plan["steps"]!.AsArray().Single(s => s!["tightens"]!.GetValue<bool>())!)[0];
        var noted = plan["steps"]!.AsArray().First(s => s!["notes"] is not null)!;
        var shown = await Change(id, Told(Ticks(noted)[0], new JsonObject { ["note"] = "31 bar, 14 mm" }));
        shown["work"]!["steps"]![Ticks(noted)[0]]!["note"]!.GetValue<string>().ShouldBe("31 bar, 14 mm");

        shown = await Change(id, Told(tight, new JsonObject { ["torque"] = Product.Amount(250, "in·lbf") }));
        var used = shown["work"]!["steps"]![tight]!["torque"]!;
        (used["value"]!.GetValue<double>(), used["unit"]!.GetValue<string>()).ShouldBe((250, "in·lbf"));
        var report = (await product.Get($"/api/cases/{id}/report"))["content"]!["sections"]!.AsArray()
            .Single(s => s!["id"]!.GetValue<string>() == "torques")!;
        report["table"]!["rows"]!.AsArray().SelectMany(r => r!.AsArray()).Select(c => c!.GetValue<string>())
            .ShouldContain("250 in·lbf (as used)");
    }

    [Theory]
    [InlineData("""{"torque":{"value":0,"unit":"N·m"}}""", "torque", "above 0")]
    [InlineData("""{"torque":{"value":20,"unit":"bar"}}""", "torque", "N·m")]
    [InlineData("""{"photos":["../../mild-hunch.db"]}""", "photos", "photograph")]
    public async Task A_tick_with_what_cannot_be_is_refused(string told, string field, string says)
    {
        var id = await NewCase();
        var plan = await Plan(await Change(id, new JsonObject { ["plan"] = Targets("valve") }));
        var tight = Ticks(plan["steps"]!.AsArray().Single(s => s!["tightens"]!.GetValue<bool>())!)[0];
        var (response, body) = await Tell(id, Told(tight, JsonNode.Parse(told)!.AsObject()));
        response.StatusCode.ShouldBe(HttpStatusCode.BadRequest, body?.ToJsonString());
        var error = body!["errors"]!.AsObject().Single();
        error.Key.ShouldContain(field);
        error.Value![0]!.GetValue<string>().ShouldContain(says);
    }

    /// <summary>A pitted discharge valve is as good as certain, and its finding goes with it when it is taken back.</summary>
    [Fact]
    public async Task What_is_found_inside_decides_the_verdict()
    {
        var id = await NewCase();
        await Change(id, new JsonObject { ["plan"] = (await product.Get($"/api/cases/{id}/plans"))["options"]![2]!["plan"]!.DeepClone() });
        var shown = await Change(id, Found("valve.2.discharge", "failed", "pitted"));
        var leader = shown["diagnosis"]!["suspects"]![0]!;
        leader["fault"]!.GetValue<string>().ShouldBe("discharge-valve-leak");
        leader["locations"]![0]!["cylinder"]!.GetValue<int>().ShouldBe(2);
        leader["probability"]!.GetValue<double>().ShouldBeGreaterThan(0.9);
        shown["cues"]!.AsArray().Count(c => c!["cue"]!.GetValue<string>() == "found-discharge-valves").ShouldBe(1);

        shown = await Change(id, Found("valve.2.discharge", "fine", null));
        shown["cues"]!.AsArray().Count(c => c!["cue"]!.GetValue<string>() == "found-discharge-valves").ShouldBe(0);
        (shown["work"]!["found"]!["valve.2.discharge"]!["state"]!.GetValue<string>()).ShouldBe("fine");
    }

    [Fact]
    public async Task All_are_good_only_once_each_was_seen_and_pressed()
    {
        var id = await NewCase();
        await Change(id, new JsonObject { ["plan"] = (await product.Get($"/api/cases/{id}/plans"))["options"]![2]!["plan"]!.DeepClone() });
        await Change(id, Found("valve.1.discharge", "fine", null, moves: true));
        await Change(id, Found("valve.2.discharge", "fine", null, moves: true));
        var shown = await Change(id, Found("valve.3.discharge", "fine", null));
        Answers(shown).ShouldBe(["tight"]);
        shown = await Change(id, Found("valve.3.discharge", "fine", null, moves: true));
        Answers(shown).ShouldBe(["good"]);
        shown = await Change(id, Found("valve.1.discharge", "failed", "spring-broken"));
        Answers(shown).ShouldBe(["spring"]);
    }

    /// <summary>A plunger of 0.7 in is 17.78 mm, thinner than 17.95 mm (1 in = 25.4 mm by definition).</summary>
    [Fact]
    public async Task What_is_measured_beyond_a_limit_is_said_whatever_its_unit()
    {
        var (_, pump) = await product.Send(HttpMethod.Post, "/api/pumps", new JsonObject
        {
            ["tag"] = "LIMIT-1",
            ["pump"] = Product.Pump(),
            ["setup"] = Product.Setup(),
        });
        await product.Send(
            HttpMethod.Put, $"/api/pumps/{pump!["id"]}/sheet",
            new JsonObject
            {
                ["sheet"] = new JsonObject
                {
                    ["limits"] = new JsonObject { ["plunger: diameter"] = new JsonObject { ["least"] = Product.Amount(17.95, "mm") } },
                },
            },
            $"\"{pump["version"]}\"");
        var (_, opened) = await product.Send(
            HttpMethod.Post, "/api/cases", new JsonObject { ["pumpId"] = pump["id"]!.GetValue<string>(), ["complaint"] = "Weeps" });
        var work = new JsonObject
        {
            ["plan"] = new JsonObject { ["targets"] = new JsonArray(new JsonObject { ["part"] = "plunger" }) },
            ["found"] = new JsonObject { ["plunger.1"] = Measured(0.7), ["plunger.2"] = Measured(0.71) },
        };
        var (response, shown) = await product.Send(
            HttpMethod.Post, $"/api/cases/{opened!["id"]}/changes", new JsonObject { ["work"] = work }, $"\"{opened["version"]}\"");
        response.StatusCode.ShouldBe(HttpStatusCode.OK, shown?.ToJsonString());
        var found = shown!["work"]!["found"]!;
        found["plunger.1"]!["outside"]![0]!.GetValue<string>().ShouldBe("Diameter 0.7 in is below 17.95 mm: renew it.");
        found["plunger.2"]!["outside"]!.AsArray().ShouldBeEmpty();
    }

    [Theory]
    [InlineData("valve.9.discharge", "failed", "pitted", "a part and place of the plan")]
    [InlineData("valve.2.discharge", "failed", "melted", "“melted”")]
    [InlineData("valve.2.discharge", "worn", "pitted", "scaled")]
    [InlineData("valve.2.discharge", "splendid", null, "fine, worn, failed")]
    public async Task What_cannot_be_found_there_is_refused(string key, string state, string? finding, string says)
    {
        var id = await NewCase();
        await Change(id, new JsonObject { ["plan"] = (await product.Get($"/api/cases/{id}/plans"))["options"]![2]!["plan"]!.DeepClone() });
        var (response, body) = await Tell(id, Found(key, state, finding));
        response.StatusCode.ShouldBe(HttpStatusCode.BadRequest);
        body!["detail"]!.GetValue<string>().ShouldContain(says);
    }

    [Fact]
    public async Task A_target_that_the_pump_has_not_is_refused_and_the_plan_stays()
    {
        var id = await NewCase();
        await Change(id, new JsonObject { ["plan"] = Targets("valve") });
        var (response, body) = await Tell(id, new JsonObject { ["plan"] = Targets("diaphragm") });
        response.StatusCode.ShouldBe(HttpStatusCode.BadRequest);
        body!["errors"]!.AsObject().Single().Key.ShouldBe("work.plan.targets[0].part");
        (await product.Get($"/api/cases/{id}"))["work"]!["plan"]!["targets"]![0]!["part"]!.GetValue<string>().ShouldBe("valve");
    }

    /// <summary>Who lays out a smaller plan forgets nothing that is off: it is closed first, or the plan takes it in.</summary>
    [Fact]
    public async Task A_plan_never_forgets_what_is_off()
    {
        var id = await NewCase();
        var whole = (await product.Get($"/api/cases/{id}/plans"))["options"]![2]!["plan"]!;
        var plan = await Plan(await Change(id, new JsonObject { ["plan"] = whole.DeepClone() }));
        await Change(id, new JsonObject { ["acknowledged"] = new JsonObject { ["by"] = "Tobi Marr", ["hazards"] = new JsonArray() } });
        (await Tell(id, new JsonObject { ["plan"] = Targets("valve") })).Response.StatusCode.ShouldBe(HttpStatusCode.OK);
        await Change(id, new JsonObject { ["plan"] = whole.DeepClone() });
        var off = plan["steps"]!.AsArray()
            .First(s => s!["part"]?.GetValue<string>() == "valve" && s["stage"]!.GetValue<string>() == "open")!;
        var tick = Ticks(off).First(t => t.EndsWith("@1.discharge", StringComparison.Ordinal));
        await Change(id, Step(tick));
        var (refused, why) = await Tell(id, new JsonObject { ["plan"] = Targets("valve") });
        refused.StatusCode.ShouldBe(HttpStatusCode.Conflict, why?.ToJsonString());
        why!["detail"]!.GetValue<string>().ShouldContain("1 discharge");
        await Change(id, new JsonObject { ["stepsBack"] = new JsonArray(tick) });
        await Change(id, new JsonObject { ["plan"] = Targets("valve") });
    }

    private static JsonObject Measured(double inches) => new()
    {
        ["state"] = "worn",
        ["by"] = "Ines Halvard",
        ["measures"] = new JsonObject { ["diameter"] = Product.Amount(inches, "in") },
    };

    private static string[] Answers(JsonNode shown) =>
        [.. shown["cues"]!.AsArray().Where(c => c!["cue"]!.GetValue<string>() == "found-discharge-valves")
            .Select(c => c!["answer"]!.GetValue<string>())];

    private static double Minutes(JsonNode option) => option["minutes"]!.GetValue<double>();

    private static string[] Ticks(JsonNode step) => [.. step["places"]!.AsArray().Select(p => p!["tick"]!.GetValue<string>())];

    private static JsonObject Targets(string part) =>
        new() { ["targets"] = new JsonArray(new JsonObject { ["part"] = part, ["cylinder"] = 2, ["side"] = "discharge" }) };

    private static JsonObject Step(string tick, string? wrench = null) => new()
    {
        ["steps"] = new JsonObject { [tick] = new JsonObject { ["by"] = "Runa Estcott", ["wrench"] = wrench } },
    };

    private static JsonObject Told(string tick, JsonObject told)
    {
        told["by"] = "Runa Estcott";
        return new JsonObject { ["steps"] = new JsonObject { [tick] = told } };
    }

    private static JsonObject Found(string key, string state, string? finding, bool? moves = null) => new()
    {
        ["found"] = new JsonObject
        {
            [key] = new JsonObject { ["state"] = state, ["finding"] = finding, ["by"] = "Ines Halvard", ["moves"] = moves },
        },
    };

    private async Task<string> NewCase()
    {
        var pump = (await product.Get("/api/pumps")).AsArray().Single(p => p!["tag"]!.GetValue<string>() == "FOG-2")!;
        var (response, body) = await product.Send(
            HttpMethod.Post, "/api/cases",
            new JsonObject { ["pumpId"] = pump["id"]!.GetValue<string>(), ["complaint"] = "Drizzle on the second zone" });
        response.StatusCode.ShouldBe(HttpStatusCode.Created, body?.ToJsonString());
        var id = body!["id"]!.GetValue<string>();
        var (told, _) = await product.Send(
            HttpMethod.Post, $"/api/cases/{id}/changes",
            new JsonObject
            {
                ["readings"] = new JsonArray(
                    Product.Reading("discharge-pressure", 31, "bar"), Product.Reading("nozzle-flow", 12.6, "L/min")),
                ["cues"] = new JsonArray(Product.Cue("needle", "swings"), Product.Cue("cap-heat", "warm", 2, "discharge")),
            },
            $"\"{body["version"]}\"");
        told.StatusCode.ShouldBe(HttpStatusCode.OK);
        return id;
    }

    private async Task<JsonNode> Plan(JsonNode shown)
    {
        var (response, body) = await product.Send(HttpMethod.Post, "/api/service-plan", new JsonObject
        {
            ["pump"] = shown["pump"]!["pump"]!.DeepClone(),
            ["setup"] = shown["pump"]!["setup"]!.DeepClone(),
            ["targets"] = shown["work"]!["plan"]!["targets"]!.DeepClone(),
            ["scope"] = shown["work"]!["plan"]!["scope"]?.DeepClone(),
        });
        response.StatusCode.ShouldBe(HttpStatusCode.OK, body?.ToJsonString());
        return body!;
    }

    private Task<JsonNode> Change(string id, JsonObject work) => product.Change(id, new JsonObject { ["work"] = work });

    private Task<(HttpResponseMessage Response, JsonNode? Body)> Tell(string id, JsonObject work) =>
        product.Tell(id, new JsonObject { ["work"] = work });
}
