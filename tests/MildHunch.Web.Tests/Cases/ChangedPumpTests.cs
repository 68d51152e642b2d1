using System.Net;
using System.Text.Json.Nodes;

namespace MildHunch.Web.Tests.Cases;

/// <summary>A pump that is corrected under its case: what was planned and asked for the pump it was ends no page.</summary>
public sealed class ChangedPumpTests() : ProofTalk(new Product()), IDisposable
{
    public void Dispose() => Product.Dispose();

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
}
