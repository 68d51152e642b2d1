using System.Net;
using System.Text.Json.Nodes;

namespace MildHunch.Web.Tests.Cases;

/// <summary>The proof of a case: hazards first, readings against what is expected, evidence after the mend.</summary>
public sealed class CaseProofTests() : ProofTalk(new Product()), IDisposable
{
    public void Dispose() => Product.Dispose();

    [Fact]
    public async Task Stage_by_stage_to_a_pass()
    {
        var id = await Product.CaseOf("FOG-2");
        var stages = (await View(id))["stages"]!.AsArray();
        stages.Select(s => Text(s!["id"])).ShouldBe(["stand", "water", "steps", "shut", "set", "shut-set", "cold"]);
        Text((await View(id))["proposed"]).ShouldBe("not-yet");
        var (nothing, said) = await Tell(id, Verdict("pass"));
        nothing.StatusCode.ShouldBe(HttpStatusCode.Conflict);
        Text(said!["detail"]).ShouldContain("Not done yet");
        (await Tell(id, Verdict("pass-with-remark"))).Response.StatusCode.ShouldBe(HttpStatusCode.Conflict);
        var (early, why) = await Tell(id, Acts("stand.oil"));
        early.StatusCode.ShouldBe(HttpStatusCode.Conflict);
        Text(why!["detail"]).ShouldContain("Read the hazards");

        foreach (var stage in stages)
            await Change(id, new JsonObject { ["acknowledged"] = new JsonObject { [Text(stage!["id"])] = By() } });
        foreach (var (stage, act) in stages.SelectMany(s => s!["acts"]!.AsArray().Select(a => (Text(s["id"]), Text(a!["id"])))))
            await Change(id, Acts($"{stage}.{act}"));
        await Change(id, new JsonObject { ["started"] = new JsonArray("steps.25") });
        var running = await View(id);
        var timer = running["stages"]![2]!["steps"]![0]!["started"]!.GetValue<DateTime>();
        timer.ShouldBe(running["now"]!.GetValue<DateTime>(), TimeSpan.FromMinutes(1));

        // What a healthy FOG-2 shows: half of the water round the bypass at a quarter of the pressure, all through the nozzle at the end.
        await Change(id, Step("steps.25", 17.5, 9.6, 9.5));
        await Change(id, Step("steps.50", 35, 13.6, 5.5));
        await Change(id, Step("steps.75", 52.5, 16.6, 2.4));
        await Change(id, Step("steps.100", 70, 19.2, 0));
        var view = await View(id);
        var steps = view["stages"]![2]!;
        Text(steps["state"]).ShouldBe("done");
        steps["steps"]!.AsArray().SelectMany(s => s!["figures"]!.AsArray()).Where(f => f!["standing"] is not null)
            .Select(f => Text(f!["standing"])).Distinct().ShouldBe(["as-expected"]);

        // Behind an unloader the head's gauge says nothing of what must hold.
        await Change(id, new JsonObject { ["shut"] = Shut("head") });
        Text((await View(id))["stages"]![3]!["state"]).ShouldBe("begun");
        await Change(id, new JsonObject { ["shut"] = Shut("hose") });
        Text((await View(id))["stages"]![5]!["state"]).ShouldBe("not-needed");
        await Change(id, Step("set.100", 69.5, 19.1, 0));
        Text((await View(id))["stages"]![5]!["state"]).ShouldBe("not-begun");
        var shown = await Change(id, ShutAsSet(Shut("hose")));
        shown["readings"]!.AsArray().Where(r => r!["at"]?.GetValue<string>() == "after").Select(r => Text(r!["quantity"])).Order()
            .ShouldBe(["bypass-flow", "discharge-pressure", "nozzle-flow"]);
        shown["cues"]!.AsArray().Where(c => c!["at"]?.GetValue<string>() == "after").Select(c => $"{Text(c!["cue"])} {Text(c["answer"])}")
            .Order().ShouldBe(["closed-outlet holds", "restart easy"]);
        Text(shown["diagnosis"]!["suspects"]![0]!["fault"]).ShouldBe("no-fault");

        view = await View(id);
        view["stages"]!.AsArray().Select(s => Text(s!["state"])).ShouldAllBe(s => s == "done");
        (Text(view["proposed"]), view["reasons"]!.AsArray().Count).ShouldBe(("pass", 0));
        var change = view["changed"]!.AsArray().Single(c => Text(c!["quantity"]) == "discharge-pressure")!;
        (change["before"]!["value"]!.GetValue<double>(), change["after"]!["value"]!.GetValue<double>()).ShouldBe((31, 69.5));
        shown = await Change(id, Verdict("pass"));
        Text(shown["proof"]!["verdict"]!["by"]).ShouldBe("Ines Halvard");

        // Proved anew it begins at the first stage; what was proved before stays among the changes.
        shown = await Change(id, new JsonObject { ["anew"] = true });
        shown["proof"]!["acts"]!.AsObject().Count.ShouldBe(0);
        (await Product.Send(HttpMethod.Post, $"/api/cases/{id}/undo", null, await Product.Etag(id))).Response.EnsureSuccessStatusCode();
        (await Product.Get($"/api/cases/{id}"))["proof"]!["steps"]!.AsObject().Count.ShouldBe(5);
    }

    [Fact]
    public async Task A_drip_and_a_weak_flow_send_it_back()
    {
        var id = await Product.CaseOf("FOG-2");
        await Change(id, new JsonObject { ["acknowledged"] = new JsonObject { ["steps"] = By() } });
        await Change(id, Step("steps.100", 45, 12.8, 0));
        await Product.Change(id, new JsonObject
        {
            ["cues"] = new JsonArray(new JsonObject
            {
                ["cue"] = "leak-at",
                ["answer"] = "cap",
                ["cylinder"] = 2,
                ["side"] = "discharge",
                ["dropsPerMinute"] = 40,
                ["at"] = "after",
            }),
        });
        var view = await View(id);
        Text(view["proposed"]).ShouldBe("back");
        view["reasons"]!.AsArray().Select(r => Text(r)).ShouldContain(r => r.Contains("Flow at the nozzle", StringComparison.Ordinal));
        view["reasons"]!.AsArray().Select(r => Text(r)).ShouldContain(r => r.Contains("cap", StringComparison.OrdinalIgnoreCase));
    }

    /// <summary>What a step gave to the diagnosis goes with it; an earlier reading at working pressure speaks again.</summary>
    [Fact]
    public async Task A_step_taken_back_takes_its_readings_with_it()
    {
        var id = await Product.CaseOf("FOG-2");
        foreach (var stage in new[] { "steps", "set" })
            await Change(id, new JsonObject { ["acknowledged"] = new JsonObject { [stage] = By() } });
        AfterAt(await Change(id, Step("steps.100", 45, 12.8, 0))).ShouldBe([45]);
        AfterAt(await Change(id, Step("set.100", 69.5, 19.1, 0))).ShouldBe([69.5]);
        AfterAt(await Change(id, new JsonObject { ["stepsBack"] = new JsonArray("set.100") })).ShouldBe([45]);
        AfterAt(await Change(id, new JsonObject { ["anew"] = true })).ShouldBeEmpty();

        static IEnumerable<double> AfterAt(JsonNode shown) => shown["readings"]!.AsArray()
            .Where(r => r!["at"]?.GetValue<string>() == "after" && Text(r["quantity"]) == "discharge-pressure")
            .Select(r => r!["value"]!["value"]!.GetValue<double>());
    }

    /// <summary>Whoever took a valve out ticks which way it looks before water comes on.</summary>
    [Fact]
    public async Task Nothing_runs_before_the_facing_of_what_was_touched_is_ticked()
    {
        var id = await Product.CaseOf("FOG-2");
        await Work(id, new JsonObject
        {
            ["plan"] = new JsonObject
            {
                ["targets"] = new JsonArray(new JsonObject { ["part"] = "valve", ["cylinder"] = 2, ["side"] = "discharge" }),
            },
            ["acknowledged"] = By(),
        });
        await Work(id, new JsonObject { ["steps"] = new JsonObject { ["valve.off.1@2.discharge"] = By() } });
        await Change(id, new JsonObject { ["acknowledged"] = new JsonObject { ["water"] = By() } });
        var (refused, why) = await Tell(id, Acts("water.supply"));
        refused.StatusCode.ShouldBe(HttpStatusCode.Conflict);
        Text(why!["detail"]).ShouldContain("Valve 2 discharge");

        // Whoever had the valve out had its cap off, and what seals both.
        (await View(id))["unclosed"]!.AsArray().Select(f => Text(f)).ShouldBe(
        [
            "Valve seat o-ring 2 discharge", "Valve 2 discharge", "Cap o-ring 2 discharge", "Valve cap 2 discharge",
            "Cap o-ring 2 discharge: the new one counted", "Cap backup ring 2 discharge: the new one counted",
            "Valve 2 discharge: the new one counted", "Valve seat o-ring 2 discharge: the new one counted",
            "tools and parts counted, guards on",
        ]);
        await Work(id, new JsonObject { ["steps"] = new JsonObject { ["valve.facing@2.discharge"] = By() } });
        (await Tell(id, Acts("water.supply"))).Response.StatusCode.ShouldBe(HttpStatusCode.Conflict);

        // Looking which way it looks is not closing it: every closing step of what was touched, every new part and the tools counted.
        await Work(id, new JsonObject
        {
            ["steps"] = new JsonObject
            {
                ["valve.ready@2.discharge"] = By(),
                ["valve.on.1@2.discharge"] = By(),
                ["valve.on.2@2.discharge"] = By(),
                ["after.1"] = By(),
                ["after.2"] = By(),
                ["after.3"] = By(),
            }
        });
        (await Tell(id, Acts("water.supply"))).Response.StatusCode.ShouldBe(HttpStatusCode.Conflict);
        await Product.PutBack(id);
        (await View(id))["unclosed"]!.AsArray().ShouldBeEmpty();
        await Change(id, Acts("water.supply"));
    }

    [Fact]
    public async Task The_control_is_set_in_the_case_and_drawn()
    {
        var id = await Product.CaseOf("FOG-2");
        await Change(id, new JsonObject { ["acknowledged"] = new JsonObject { ["set"] = By() } });
        await Change(id, new JsonObject
        {
            ["screw"] = new JsonObject
            {
                ["height"] = "14 mm, three threads",
                ["target"] = Product.Amount(60, "bar"),
                ["moves"] = new JsonArray(
                    new JsonObject { ["turns"] = 0, ["running"] = Product.Amount(40, "bar"), ["spike"] = Product.Amount(44, "bar") },
                    new JsonObject { ["turns"] = 0.25, ["running"] = Product.Amount(43, "bar"), ["spike"] = Product.Amount(47.5, "bar") }),
            },
        });
        var view = await View(id);
        Text(view["setting"]!["next"]!["do"]).ShouldBe("turn");
        view["settingDrawing"]!["shapes"]!.AsArray().Select(s => s!["key"]?.GetValue<string>()).ShouldContain("spike.1");
    }

    [Theory]
    [InlineData("{\"acts\":{\"stand.nothing\":{\"by\":\"R\"}}}", "proof.acts")]
    [InlineData("{\"acknowledged\":{\"gate-open\":{\"by\":\"R\"}}}", "proof.acknowledged.gate-open")]
    [InlineData("{\"acknowledged\":{\"water\":{\"by\":\" \"}}}", "proof.acknowledged.water.by")]
    [InlineData("{\"acknowledged\":{\"steps\":{\"by\":\"R\"}},\"steps\":{\"steps.30\":{\"by\":\"R\"}}}", "proof.steps")]
    [InlineData("{\"acknowledged\":{\"steps\":{\"by\":\"R\"}},\"steps\":{\"steps.25\":{\"by\":\"R\"}}}", "proof.steps.steps.25.pressure")]
    [InlineData("{\"acknowledged\":{\"shut\":{\"by\":\"R\"}},\"shut\":{\"by\":\"R\"}}", "proof.shut")]
    [InlineData(
        "{\"acknowledged\":{\"shut\":{\"by\":\"R\"}},\"shut\":{\"by\":\"R\",\"from\":{\"value\":70,\"unit\":\"bar\"}}}", "proof.shut.to")]
    [InlineData("{\"verdict\":{\"by\":\"R\",\"outcome\":\"pass-with-remark\"}}", "proof.verdict.remark")]
    [InlineData("{\"verdict\":{\"by\":\"R\",\"outcome\":\"fine\"}}", "proof.verdict.outcome")]
    [InlineData("{}", "proof")]
    [InlineData("{\"acknowledged\":{\"steps\":{\"by\":\"R\"}},\"steps\":{\"steps.25\":null}}", "proof.steps.steps.25")]
    [InlineData("{\"stepsBack\":[\"steps.30\"]}", "proof.stepsBack")]
    [InlineData("{\"stepsBack\":[null]}", "proof.stepsBack[0]")]
    [InlineData("{\"actsBack\":[\"stand.nothing\"]}", "proof.actsBack")]
    [InlineData("{\"leftOut\":{\"steps\":{\"by\":\"R\"}}}", "proof.leftOut.steps.reason")]
    [InlineData("{\"leftOut\":{\"steps\":{\"reason\":\"x\"}}}", "proof.leftOut.steps.by")]
    [InlineData("{\"leftOut\":{\"nothing\":{\"by\":\"R\",\"reason\":\"x\"}}}", "proof.leftOut")]
    [InlineData("{\"shuts\":{\"open\":{\"by\":\"R\"}}}", "proof.shuts")]
    [InlineData("{\"verdict\":{\"by\":\"R\",\"outcome\":\"not-yet\"}}", "proof.verdict.outcome")]
    public async Task What_cannot_be_is_refused_by_its_field(string json, string field)
    {
        var id = await Product.CaseOf("FOG-2");
        var before = (await Product.Get($"/api/cases/{id}"))["version"]!.GetValue<int>();
        var (response, body) = await Tell(id, JsonNode.Parse(json)!.AsObject());
        response.StatusCode.ShouldBe(HttpStatusCode.BadRequest, body?.ToJsonString());
        body!["errors"]!.AsObject().Select(e => e.Key).ShouldBe([field]);
        (await Product.Get($"/api/cases/{id}"))["version"]!.GetValue<int>().ShouldBe(before);
    }

    /// <summary>Every pump of the demo has a proof that can be gone through.</summary>
    [Fact]
    public async Task Every_demo_pump_has_a_proof()
    {
        foreach (var pump in (await Product.Get("/api/pumps")).AsArray())
        {
            var made = await Product.Send(
                HttpMethod.Post, "/api/cases", new JsonObject { ["pumpId"] = Text(pump!["id"]), ["complaint"] = "Mended, to be proved" });
            var id = Text(made.Body!["id"]);
            foreach (var stage in (await View(id))["stages"]!.AsArray().Where(s => s!["forbidden"] is null))
            {
                var name = Text(stage!["id"]);
                var steps = new JsonObject();
                foreach (var step in stage["steps"]!.AsArray())
                {
                    var read = new JsonObject
                    {
                        ["by"] = "Pell Okoro",
                        ["pressure"] = step!["pressure"]!.DeepClone(),
                        ["heldSeconds"] = 120,
                    };
                    foreach (var figure in step["figures"]!.AsArray())
                        read[Camel(Text(figure!["quantity"]))] = figure["value"]!.DeepClone();
                    steps[Text(step["id"])] = read;
                }

                var done = Acts([.. stage["acts"]!.AsArray().Select(act => $"{name}.{Text(act!["id"])}")]);
                done["acknowledged"] = new JsonObject { [name] = By() };
                done["steps"] = steps;
                await Change(id, done);
            }

            var view = await View(id);
            view["stages"]!.AsArray().Where(s => Text(s!["kind"]) is "acts" or "steps" && s["forbidden"] is null)
                .ShouldAllBe(s => Text(s!["state"]) == "done");

            // What is left is left out by somebody, with a reason: a pass with its remarks, never a plain one.
            foreach (var left in view["stages"]!.AsArray().Where(s => Text(s!["state"]) is "not-begun" or "begun")
                .Select(s => Text(s!["id"])))
                await Change(id, new JsonObject { ["leftOut"] = new JsonObject { [left] = LeftOut("no hose here") } });
            view = await View(id);
            if (view["stages"]!.AsArray().Any(s => Text(s!["state"]) is "left-out" or "forbidden"))
                Text(view["proposed"]).ShouldBe("pass-with-remark", Text(pump["tag"]));
            else
                Text(view["proposed"]).ShouldBe("pass", Text(pump["tag"]));
        }
    }

    private static string Camel(string id) => id switch { "nozzle-flow" => "nozzleFlow", "bypass-flow" => "bypassFlow", _ => id };
}
