using System.Net;
using System.Text.Json.Nodes;

namespace MildHunch.Web.Tests.Proving;

/// <summary>A control set over HTTP, one answer at a time.</summary>
public class ControlSettingTests(Product product)
{
    // An unloader of 16 bar a turn, started at 30 bar, before a nozzle that gives 70.
    private static double Gauge(double turns) => Math.Min(70, 30 + (16 * turns));

    [Fact]
    public async Task It_is_led_to_its_target_in_the_unit_asked_for()
    {
        var moves = new JsonArray();
        var turns = 0.0;
        for (var k = 0; k < 15; k++)
        {
            moves.Add(new JsonObject { ["turns"] = turns, ["running"] = Product.Amount(Gauge(turns) * 14.5038, "psi") });
            var answer = await Ask(Product.Amount(55 * 14.5038, "psi"), moves);
            if (answer["next"]!["do"]!.GetValue<string>() == "done")
                break;
            turns += answer["next"]!["turns"]!.GetValue<double>();
            answer["next"]!["expected"]!["unit"]!.GetValue<string>().ShouldBe("psi");
            answer["nearestLimit"]!["what"]!.GetValue<string>().ShouldBe("gun");
        }

        Gauge(turns).ShouldBe(55, 1.6);
        moves.Count.ShouldBeLessThanOrEqualTo(6 + (int)Math.Ceiling(4 * 25 / 16.0) + 1);
    }

    [Theory]
    [InlineData("target", "{\"value\": 0, \"unit\": \"bar\"}", "target")]
    [InlineData("target", "null", "target")]
    [InlineData("moves", "[{\"turns\": 90, \"running\": {\"value\": 30, \"unit\": \"bar\"}}]", "moves[0].turns")]
    [InlineData("moves", "[{\"running\": {\"value\": 30, \"unit\": \"bar\"}}]", "moves[0].turns")]
    [InlineData("moves", "[{\"turns\": 0, \"running\": {\"value\": 30, \"unit\": \"mm\"}}]", "moves[0].running")]
    [InlineData("moves", "[{\"turns\": 0, \"running\": {\"value\": 30, \"unit\": \"bar\"}, \"bypass\": \"much\"}]", "moves[0].bypass")]
    [InlineData("limits", "[{\"what\": \" \", \"pressure\": {\"value\": 30, \"unit\": \"bar\"}}]", "limits[0].what")]
    [InlineData("limits", "[{\"what\": \"hose\"}]", "limits[0].pressure")]
    public async Task What_cannot_be_is_refused_by_its_field(string field, string json, string named)
    {
        var ask = Question(Product.Amount(55, "bar"), []);
        ask[field] = JsonNode.Parse(json);
        var (response, body) = await product.Send(HttpMethod.Post, "/api/control-setting", ask);
        response.StatusCode.ShouldBe(HttpStatusCode.BadRequest);
        body!["errors"]!.AsObject().Select(e => e.Key).ShouldBe([named]);
    }

    private async Task<JsonNode> Ask(JsonObject target, JsonArray moves)
    {
        var (response, body) = await product.Send(
            HttpMethod.Post, "/api/control-setting", Question(target, (JsonArray)moves.DeepClone()));
        response.StatusCode.ShouldBe(HttpStatusCode.OK, body?.ToJsonString());
        return body!;
    }

    private static JsonObject Question(JsonObject target, JsonArray moves)
    {
        var fog = Product.Fog2();
        return new JsonObject
        {
            ["pump"] = fog["pump"]!.DeepClone(),
            ["setup"] = fog["setup"]!.DeepClone(),
            ["limits"] = new JsonArray(new JsonObject { ["what"] = "gun", ["pressure"] = Product.Amount(90, "bar") }),
            ["target"] = target,
            ["moves"] = moves,
        };
    }
}
