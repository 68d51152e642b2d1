using System.Net;
using System.Text.Json.Nodes;

namespace MildHunch.Web.Tests.Cases;

/// <summary>A pass stands only on what is there: it comes by itself, and goes with what it rested on.</summary>
public sealed class ProofStandsTests : ProofTalk
{
    /// <summary>What comes along with a verdict could take away what it rests on.</summary>
    [Fact]
    public async Task A_verdict_comes_by_itself()
    {
        var id = await Proved();
        var proof = Verdict("pass");
        proof["actsBack"] = new JsonArray("stand.oil");
        var (together, why) = await Tell(id, proof);
        together.StatusCode.ShouldBe(HttpStatusCode.BadRequest);
        why!["errors"]!.AsObject().Single().Key.ShouldBe("proof.verdict");
        var (beside, _) = await Product.Tell(id, new JsonObject
        {
            ["proof"] = Verdict("pass"),
            ["cues"] = new JsonArray(Seen("sound", "knock")),
        });
        beside.StatusCode.ShouldBe(HttpStatusCode.BadRequest);
        (await Tell(id, Verdict("pass"))).Response.StatusCode.ShouldBe(HttpStatusCode.OK);
    }

    [Theory]
    [InlineData("stop sign")]
    [InlineData("tick taken back")]
    [InlineData("read again and off")]
    [InlineData("pump opened")]
    public async Task A_pass_goes_with_what_it_rested_on(string after)
    {
        var id = await Proved();
        Signed(await Change(id, Verdict("pass"))).ShouldBeTrue();
        Signed(await Product.Change(id, new JsonObject { ["cues"] = new JsonArray(Seen("needle", "steady")) })).ShouldBeTrue();
        var shown = after switch
        {
            "stop sign" => await Product.Change(id, new JsonObject { ["cues"] = new JsonArray(Seen("sound", "knock")) }),
            "tick taken back" => await Change(id, new JsonObject { ["actsBack"] = new JsonArray("stand.oil") }),
            "read again and off" => await Change(id, Step("set.100", 45, 12.8, 0)),
            _ => await Product.Change(id, new JsonObject
            {
                ["work"] = new JsonObject
                {
                    ["plan"] = new JsonObject
                    {
                        ["targets"] = new JsonArray(new JsonObject { ["part"] = "valve", ["cylinder"] = 2, ["side"] = "discharge" }),
                    },
                },
            }),
        };
        Signed(shown).ShouldBeFalse();
        (await Product.Send(HttpMethod.Post, $"/api/cases/{id}/undo", null, await Product.Etag(id))).Response.EnsureSuccessStatusCode();
        Signed(await Product.Get($"/api/cases/{id}")).ShouldBeTrue();
    }

    /// <summary>Moved after it was set, the screw is set, and proved shut, once more.</summary>
    [Fact]
    public async Task A_screw_that_is_moved_after_it_was_set_is_proved_again()
    {
        var id = await Proved();
        await Change(id, Screw(80, (0, 60)));
        Text((await Stage(id, "set"))["state"]).ShouldBe("begun");
        await Change(id, Step("set.100", 69.5, 19.1, 0));
        var again = await Stage(id, "shut-set");
        (Text(again["state"]), Text(again["reasons"]![0])).ShouldBe(
            ("begun", "Not done yet: shut again, as it is set: shut once more, as the control stands now."));
        await Change(id, ShutAsSet(Shut("hose")));
        Text((await Stage(id, "shut-set"))["state"]).ShouldBe("done");
    }

    /// <summary>In three seconds no gauge shows a leak.</summary>
    [Fact]
    public async Task A_shut_outlet_is_watched()
    {
        var id = await Proved();
        await Change(id, new JsonObject { ["shut"] = Steady(3) });
        var stage = await Stage(id, "shut");
        (Text(stage["state"]), stage["seconds"]!.GetValue<double>()).ShouldBe(("begun", 60));
        Text(stage["reasons"]![0]).ShouldBe("Not done yet: outlet shut: watched for 3 s, not for 60 s.");
        (await Tell(id, Verdict("pass"))).Response.StatusCode.ShouldBe(HttpStatusCode.Conflict);
    }

    /// <summary>Everything left out with a reason is no proof at all.</summary>
    [Fact]
    public async Task All_left_out_passes_nothing()
    {
        var id = await Product.CaseOf("FOG-2");
        var stages = (await View(id))["stages"]!.AsArray();
        await Change(id, new JsonObject
        {
            ["leftOut"] = new JsonObject(stages.Select(s => KeyValuePair.Create(Text(s!["id"]), (JsonNode?)LeftOut("no time")))),
        });
        Text((await View(id))["proposed"]).ShouldBe("not-yet");
        (await Tell(id, Verdict("pass-with-remark"))).Response.StatusCode.ShouldBe(HttpStatusCode.Conflict);
    }

    /// <summary>What was asked of a control that the pump no longer has ends no page.</summary>
    [Theory]
    [InlineData("regulator")]
    [InlineData("none")]
    public async Task A_pump_that_got_another_control_is_still_shown(string control)
    {
        var id = await Proved();
        await Change(id, Screw(80, (0, 60), (0.25, 65)));
        await Alter(id, pump =>
        {
            pump["pump"]!["control"] = control;
            if (control == "none")
                pump["setup"]!["controlSetting"] = null;
            pump["setup"]!["relief"] = Product.Amount(70, "bar");
        });
        foreach (var page in new[] { "", "/proof", "/report", "/plans" })
            (await Product.Send(HttpMethod.Get, $"/api/cases/{id}{page}")).Response.StatusCode.ShouldBe(HttpStatusCode.OK, page);
        (await Tell(id, Verdict("back"))).Response.StatusCode.ShouldBe(HttpStatusCode.OK);
    }

    /// <summary>A plan that no longer fits its pump is said to be lost, and can be made anew.</summary>
    [Fact]
    public async Task A_plan_that_the_changed_pump_has_not_ends_nothing()
    {
        var id = await Product.CaseOf("FOG-2");
        JsonObject Plan(string part) => new()
        {
            ["plan"] = new JsonObject
            {
                ["targets"] = new JsonArray(new JsonObject { ["part"] = part, ["cylinder"] = 3, ["side"] = "discharge" }),
            },
        };
        await Work(id, Plan("valve"));
        await Alter(id, pump => pump["pump"]!["cylinders"] = 2);
        foreach (var page in new[] { "", "/proof", "/report", "/plans", "/parts.csv", "/findings.csv" })
            (await Product.Send(HttpMethod.Get, $"/api/cases/{id}{page}")).Response.StatusCode.ShouldBe(HttpStatusCode.OK, page);
        (await View(id))["unclosed"]!.AsArray().Select(u => Text(u)).ShouldBe(
            ["what was planned before this pump was changed: plan it anew"]);
        var anew = Plan("valve");
        anew["plan"]!["targets"]![0]!["cylinder"] = 2;
        await Work(id, anew);
    }

    private static JsonObject Seen(string cue, string answer) => new() { ["cue"] = cue, ["answer"] = answer, ["at"] = "after" };

    private static JsonObject Screw(double target, params (double Turns, double Bar)[] moves) => new()
    {
        ["screw"] = new JsonObject
        {
            ["target"] = Product.Amount(target, "bar"),
            ["moves"] = new JsonArray([.. moves.Select(m => new JsonObject
            {
                ["turns"] = m.Turns,
                ["running"] = Product.Amount(m.Bar, "bar"),
            })]),
        },
    };

    private static JsonObject Steady(double seconds)
    {
        var shut = Shut("hose", seconds);
        shut.Remove("falls");
        shut["to"] = shut["from"]!.DeepClone();
        return shut;
    }

    private static bool Signed(JsonNode shown) => shown["proof"]!["verdict"] is not null;

    private async Task Alter(string id, Action<JsonNode> change)
    {
        var pump = Text((await Product.Get($"/api/cases/{id}"))["pump"]!["id"]);
        var stored = await Product.Get($"/api/pumps/{pump}");
        var changed = new JsonObject();
        foreach (var part in (string[])["tag", "pump", "setup", "sheet"])
            changed[part] = stored[part]?.DeepClone();
        change(changed);
        var (response, body) = await Product.Send(HttpMethod.Put, $"/api/pumps/{pump}", changed, $"\"{stored["version"]}\"");
        response.StatusCode.ShouldBe(HttpStatusCode.OK, body?.ToJsonString());
    }

    private async Task<JsonNode> Stage(string id, string stage) =>
        (await View(id))["stages"]!.AsArray().Single(s => Text(s!["id"]) == stage)!;
}
