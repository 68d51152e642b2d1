using System.Net;
using System.Text.Json.Nodes;

namespace MildHunch.Web.Tests.Pumps;

public class PumpTests(Workshop product)
{
    private static JsonObject Request(string tag) =>
        new() { ["tag"] = tag, ["name"] = "Triplex", ["duty"] = "Trial", ["pump"] = Product.Pump(), ["setup"] = Product.Setup() };

    [Fact]
    public async Task A_pump_is_stored_as_typed_and_corrected_under_its_version()
    {
        var (made, body) = await product.Send(HttpMethod.Post, "/api/pumps", Request("TRY-1"));
        made.StatusCode.ShouldBe(HttpStatusCode.Created);
        body!["pump"]!["stroke"]!.ToJsonString().ShouldBe("""{"value":18,"unit":"mm"}""");
        var path = made.Headers.Location!.ToString();
        var changed = Request("TRY-1");
        changed["pump"]!["stroke"] = Product.Amount(0.75, "in");
        var (corrected, after) = await product.Send(HttpMethod.Put, path, changed, made.Headers.ETag!.Tag);
        corrected.StatusCode.ShouldBe(HttpStatusCode.OK);
        after!["pump"]!["stroke"]!["unit"]!.GetValue<string>().ShouldBe("in");
        (await product.Send(
            HttpMethod.Put, path, changed.DeepClone(),
            made.Headers.ETag!.Tag)).Response.StatusCode.ShouldBe(HttpStatusCode.PreconditionFailed);
    }

    [Fact]
    public async Task A_tag_is_taken_once()
    {
        (await product.Send(HttpMethod.Post, "/api/pumps", Request("TRY-2"))).Response.StatusCode.ShouldBe(HttpStatusCode.Created);
        var (twin, body) = await product.Send(HttpMethod.Post, "/api/pumps", Request("TRY-2"));
        twin.StatusCode.ShouldBe(HttpStatusCode.Conflict);
        body!["errors"]!["tag"].ShouldNotBeNull();
    }

    [Fact]
    public async Task An_impossible_pump_is_not_stored()
    {
        var before = (await product.Get("/api/pumps")).AsArray().Count;
        var request = Request("TRY-3");
        request["pump"]!["stroke"]!["value"] = 0;
        var (response, body) = await product.Send(HttpMethod.Post, "/api/pumps", request);
        response.StatusCode.ShouldBe(HttpStatusCode.BadRequest);
        body!["errors"]!["pump.stroke"].ShouldNotBeNull();
        (await product.Get("/api/pumps")).AsArray().Count.ShouldBe(before);
    }

    [Fact]
    public async Task Curves_meet_at_the_operating_point()
    {
        var (_, body) = await product.Send(
            HttpMethod.Post, "/api/curves", new JsonObject { ["pump"] = Product.Pump(), ["setup"] = Product.Setup() });
        var at = body!["operating"]!;
        at["pumpFlow"]!.GetValue<double>().ShouldBe(at["nozzleFlow"]!.GetValue<double>(), 0.05);
    }
}
