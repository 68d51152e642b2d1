using System.Net;
using System.Text.Json.Nodes;

namespace MildHunch.Web.Tests.Cases;

/// <summary>A pass stands only on what is there: it comes by itself, and goes with what it rested on.</summary>
public sealed class ProofStandsTests(Product product) : ProofTalk(product), IClassFixture<Product>
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
        var id = await NewCase();
        var stages = (await View(id))["stages"]!.AsArray();
        await Change(id, new JsonObject
        {
            ["leftOut"] = new JsonObject(stages.Select(s => KeyValuePair.Create(Text(s!["id"]), (JsonNode?)LeftOut("no time")))),
        });
        Text((await View(id))["proposed"]).ShouldBe("not-yet");
        (await Tell(id, Verdict("pass-with-remark"))).Response.StatusCode.ShouldBe(HttpStatusCode.Conflict);
    }

    private static JsonObject Seen(string cue, string answer) => new() { ["cue"] = cue, ["answer"] = answer, ["at"] = "after" };

    private static JsonObject Steady(double seconds)
    {
        var shut = Shut("hose", seconds);
        shut.Remove("falls");
        shut["to"] = shut["from"]!.DeepClone();
        return shut;
    }

    private static bool Signed(JsonNode shown) => shown["proof"]!["verdict"] is not null;

    private async Task<JsonNode> Stage(string id, string stage) =>
        (await View(id))["stages"]!.AsArray().Single(s => Text(s!["id"]) == stage)!;
}
