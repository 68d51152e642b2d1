using System.Net;
using System.Text.Json.Nodes;

namespace MildHunch.Web.Tests.Pumps;

/// <summary>The maker's figures and the shop's own for one pump.</summary>
public sealed class PumpSheetTests : IDisposable
{
    // Of its own: others count the pumps of the demo.
    private readonly Product product = new(false);

    public void Dispose() => product.Dispose();

    /// <summary>250 in·lbf are 20.83 ft·lbf and 28.25 N·m (factors of NIST SP 811).</summary>
    [Fact]
    public async Task A_torque_is_kept_in_the_unit_of_its_sheet_and_shown_in_all()
    {
        var (id, version) = await Pump();
        var (response, body) = await Put(id, version, Sheet("head-bolts", 250, "in·lbf"));
        response.StatusCode.ShouldBe(HttpStatusCode.OK, body?.ToJsonString());
        body!["sheet"]!["torques"]!["head-bolts"]!["unit"]!.GetValue<string>().ShouldBe("in·lbf");
        var head = (await product.Get($"/api/pumps/{id}/sheets"))["sheets"]![0]!["groups"]!.AsArray()
            .Single(g => g!["group"]!.GetValue<string>() == "head-bolts")!;
        head["inAllUnits"]!.AsArray().Select(u => u!.GetValue<string>()).ShouldBe(["28.2 N·m", "20.8 ft·lbf", "250 in·lbf"]);
        head["basis"]!.GetValue<string>().ShouldBe("sheet");
        (await Put(id, version, Sheet("head-bolts", 30, "N·m"))).Response.StatusCode.ShouldBe(HttpStatusCode.PreconditionFailed);
    }

    /// <summary>390 N·m on an M10 bolt was read off in inch-pounds: 44 N·m.</summary>
    [Fact]
    public async Task A_torque_that_looks_like_another_unit_is_asked_back()
    {
        var (id, version) = await Pump();
        var sheet = Sheet("head-bolts", 390, "N·m");
        sheet["bolts"] = new JsonObject { ["head-bolts"] = new JsonObject { ["size"] = "M10", ["grade"] = "8.8" } };
        var (response, body) = await Put(id, version, sheet);
        response.StatusCode.ShouldBe(HttpStatusCode.Conflict);
        var doubt = body!["doubts"]!.AsArray().ShouldHaveSingleItem()!;
        doubt["instead"]!.AsArray().Select(i => i!["unit"]!.GetValue<string>()).ShouldBe(["in·lbf"]);
        (await Put(id, version, sheet, sure: true)).Response.StatusCode.ShouldBe(HttpStatusCode.OK);
    }

    /// <summary>M10 8.8 dry takes 50 N·m, oiled 38; brass less, plastic none (ISO 898-1, from memory; common practice).</summary>
    [Theory]
    [InlineData("steel", "dry", "50 N·m")]
    [InlineData("steel", "oiled", "38 N·m")]
    [InlineData("brass", "dry", "30 N·m")]
    [InlineData("plastic", "dry", null)]
    public async Task Without_the_makers_figure_the_ceiling_of_the_bolt_is_an_estimate(string thread, string dressing, string? says)
    {
        var (id, version) = await Pump();
        var (response, body) = await Put(id, version, new JsonObject
        {
            ["bolts"] = new JsonObject
            {
                ["head-bolts"] = Bolt(thread, dressing),
                ["caps"] = Bolt(thread, dressing),
            },
        });
        response.StatusCode.ShouldBe(HttpStatusCode.OK, body?.ToJsonString());
        var groups = (await product.Get($"/api/pumps/{id}/sheets"))["sheets"]![0]!["groups"]!.AsArray();
        var head = groups.Single(g => g!["group"]!.GetValue<string>() == "head-bolts")!;
        head["basis"]!.GetValue<string>().ShouldBe(says is null ? "none" : "estimate");
        head["inAllUnits"]!.AsArray().FirstOrDefault()?.GetValue<string>().ShouldBe(says);

        // A sealed cap has no ceiling, whatever is known of it.
        groups.Single(g => g!["group"]!.GetValue<string>() == "caps")!["basis"]!.GetValue<string>().ShouldBe("none");
    }

    [Theory]
    [InlineData("""{"torques":{"head-bolts":{"value":0,"unit":"N·m"}}}""", "sheet.torques.head-bolts", "above 0")]
    [InlineData("""{"torques":{"head-bolts":{"value":30,"unit":"bar"}}}""", "sheet.torques.head-bolts", "N·m")]
    [InlineData("""{"kits":[{"name":"K","holds":{}}]}""", "sheet.kits[0].holds", "at least one part")]
    [InlineData("""{"kits":[{"name":"K","holds":{"wheel":2}}]}""", "sheet.kits[0].holds", "“wheel”")]
    [InlineData("""{"bolts":{"head-bolts":{"size":"M11","grade":"8.8"}}}""", "sheet.bolts.head-bolts.size", "M10")]
    [InlineData("""{"interval":{"hours":-5}}""", "sheet.interval.hours", "above 0")]
    public async Task What_cannot_be_is_refused_by_its_field(string sheet, string field, string says)
    {
        var (id, version) = await Pump();
        var (response, body) = await Put(id, version, JsonNode.Parse(sheet)!.AsObject());
        response.StatusCode.ShouldBe(HttpStatusCode.BadRequest);
        body!["errors"]![field].ShouldNotBeNull(body.ToJsonString())![0]!.GetValue<string>().ShouldContain(says);
    }

    private static JsonObject Sheet(string group, double value, string unit) =>
        new() { ["torques"] = new JsonObject { [group] = Product.Amount(value, unit) } };

    private static JsonObject Bolt(string thread, string dressing) =>
        new() { ["size"] = "M10", ["grade"] = "8.8", ["thread"] = thread, ["dressing"] = dressing };

    private async Task<(string Id, string Version)> Pump()
    {
        var (response, body) = await product.Send(HttpMethod.Post, "/api/pumps", new JsonObject
        {
            ["tag"] = $"SHEET-{Guid.NewGuid():N}"[..20],
            ["pump"] = Product.Pump(),
            ["setup"] = Product.Setup(),
        });
        response.StatusCode.ShouldBe(HttpStatusCode.Created, body?.ToJsonString());
        return (body!["id"]!.GetValue<string>(), $"\"{body["version"]}\"");
    }

    private Task<(HttpResponseMessage Response, JsonNode? Body)> Put(string id, string version, JsonObject sheet, bool? sure = null) =>
        product.Send(
            HttpMethod.Put, $"/api/pumps/{id}/sheet", new JsonObject { ["sheet"] = sheet.DeepClone(), ["sure"] = sure }, version);
}
