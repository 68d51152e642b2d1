using System.Text.Json.Nodes;
using MildHunch.Web.Tests;

namespace MildHunch.Browser.Tests;

/// <summary>The drawing of every arrangement: each place has something to say, and no text lies over another.</summary>
public class DrawingTests(Product product)
{
    private const string Full = "All at once";

    [Fact]
    public async Task Every_place_of_every_demo_pump_has_something_to_say()
    {
        using var technician = new Technician(product);
        var demo = (await product.Get("/api/cases")).AsArray().Where(c => c!["complaint"]!.GetValue<string>() != Full);
        foreach (var (k, shown) in demo.Index())
        {
            technician.Open($"/cases/{shown!["id"]}/suspect");
            technician.Sees("Next check");
            technician.EmptyEditors(everyPlace: k == 0).ShouldBeEmpty(shown["tag"]!.GetValue<string>());
        }
    }

    [Theory]
    [InlineData("crank-plunger", 1)]
    [InlineData("crank-plunger", 2)]
    [InlineData("crank-plunger", 5)]
    [InlineData("crank-plunger", 7)]
    [InlineData("flow-through", 3)]
    [InlineData("axial", 6)]
    public async Task No_two_texts_meet_in_a_drawing_full_of_tags(string arrangement, int cylinders)
    {
        var id = await FullCase(arrangement, cylinders);
        using var technician = new Technician(product);
        foreach (var (width, height) in new[] { (1280, 800), (820, 1180) })
        {
            technician.Resize(width, height);
            technician.Open($"/cases/{id}/suspect");
            technician.Sees("Where the water goes");
            technician.LayoutFindings().ShouldBeEmpty();
        }
    }

    private async Task<string> FullCase(string arrangement, int cylinders)
    {
        var pump = Product.Pump();
        (pump["arrangement"], pump["cylinders"]) = (arrangement, cylinders);
        if (arrangement == "axial")
            pump.Remove("rodRatio");
        var (_, made) = await product.Send(
            HttpMethod.Post, "/api/pumps",
            new JsonObject { ["tag"] = $"{arrangement[..4]}-{cylinders}", ["pump"] = pump, ["setup"] = Product.Setup() });
        var (response, opened) = await product.Send(
            HttpMethod.Post, "/api/cases", new JsonObject { ["pumpId"] = made!["id"]!.GetValue<string>(), ["complaint"] = Full });
        var id = opened!["id"]!.GetValue<string>();
        (await product.Send(
            HttpMethod.Post, $"/api/cases/{id}/changes", Everything(), response.Headers.ETag!.Tag)).Response.EnsureSuccessStatusCode();
        return id;
    }

    private static JsonObject Everything() => new()
    {
        ["readings"] = new JsonArray(
            Product.Reading("discharge-pressure", 31, "bar"), Product.Reading("swing", 24, "bar"),
            Product.Reading("nozzle-flow", 12.7, "L/min"), Product.Reading("bypass-flow", 0.5, "L/min"),
            Product.Reading("speed", 1447, "rpm"), Product.Reading("inlet-pressure", -0.1, "bar")),
        ["cues"] = new JsonArray(
            Product.Cue("needle", "swings"), Product.Cue("sound", "gravel"), Product.Cue("inlet-hose", "calm"),
            Product.Cue("cap-heat", "warm", 1, "discharge"), Product.Cue("leak-at", "weep", 1)),
        ["sure"] = true,
    };
}
