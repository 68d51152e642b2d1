using System.Net;
using System.Text.Json.Nodes;
using CsCheck;
using static MildHunch.Web.Tests.Product;

namespace MildHunch.Web.Tests;

/// <summary>Whatever is asked, the answer is a refusal or finite figures: a response never breaks off.</summary>
public class FiniteTests(Product product)
{
    private static readonly string[] Arrangements = ["crank-plunger", "flow-through", "axial", "twin-piston", "intensifier"];
    private static readonly string[] Controls = ["unloader", "regulator", "auto-stop", "relief", "none"];
    private static readonly (string Id, string Unit)[] Quantities =
    [
        ("discharge-pressure", "bar"), ("swing", "bar"), ("nozzle-flow", "L/min"), ("bypass-flow", "L/min"), ("supply-flow", "L/min"),
        ("speed", "rpm"), ("inlet-pressure", "bar"), ("gun-pressure", "bar"),
        ("nozzle-orifice", "mm"), ("gauge-at-rest", "bar"), ("pressure-fall", "bar"), ("amps", "A"), ("supply-temperature", "°C"),
        ("stroke-left", "s"), ("stroke-right", "s"),
    ];

    // WALKS asks for more of them.
    private static readonly int Cases = int.TryParse(Environment.GetEnvironmentVariable("WALKS"), out var asked) ? 60 * asked : 60;

    [Fact]
    public void No_figure_is_without_end() =>
        Gen.Select(
            Gen.Int[0, 4], Gen.Int[0, 4], Gen.Int[1, 7], Gen.Int[0, 63],
            Gen.Select(Gen.Int[0, 14], Gen.Double[-6, 4], Gen.Bool).Array[0, 6], Gen.Int[0, 1000]).Sample(
            (arrangement, control, cylinders, fitted, readings, seed) => Ask(arrangement, control, cylinders, fitted, readings, seed)
                .GetAwaiter().GetResult(),
            iter: Cases,
            threads: 2);

    private async Task Ask(int arrangement, int control, int cylinders, int fitted, (int What, double Log, bool Range)[] readings, int seed)
    {
        bool Has(int bit) => (fitted & (1 << bit)) != 0;
        var intensifier = arrangement == 4;
        var pump = Pump();
        (pump["arrangement"], pump["control"], pump["cylinders"]) = (
            Arrangements[arrangement], Controls[control], arrangement >= 3 ? 2 : arrangement == 2 ? Math.Max(2, cylinders) : cylinders);
        if (arrangement is 2 or 4)
            pump.Remove("rodRatio");
        if (intensifier)
            (pump["oilPistonDiameter"], pump["ratedSpeed"]) = (Amount(60, "mm"), Amount(40, "rpm"));
        var setup = Setup();
        if (intensifier)
            (setup["speed"], setup["oilPressure"]) = (Amount(40, "rpm"), Amount(150, "bar"));
        if (Has(0))
            setup["nozzle"] = new JsonObject
            {
                ["process"] = new JsonObject
                {
                    ["opensAt"] = Amount(20, "bar"),
                    ["flow"] = Amount(15, "L/min"),
                    ["at"] = Amount(60, "bar")
                }
            };
        if (Has(1))
            setup["state"] = "bypassing";
        if (Has(2))
            setup["relief"] = Amount(95, "bar");
        if (Has(3))
            setup["voltage"] = Amount(400, "V");
        if (Has(4))
            setup["supplyPressure"] = Amount(seed % 20 / 10.0, "bar");
        if (Has(5))
            setup["nozzle"]!["count"] = 1 + (seed % 30);
        var noted = new JsonArray([.. readings.Select(r => (JsonNode)Noted(r))]);
        var question = new JsonObject
        {
            ["pump"] = pump,
            ["setup"] = setup,
            ["readings"] = noted,
            ["cues"] = new JsonArray(Cue("needle", seed % 2 == 0 ? "swings" : "hunts"))
        };
        foreach (var path in new[] { "/api/diagnosis", "/api/expectation" })
        {
            // A response that breaks off throws here; one that is parsed holds finite numbers only, since JSON has no others.
            var (response, body) = await product.Send(HttpMethod.Post, path, JsonNode.Parse(question.ToJsonString()));
            response.StatusCode.ShouldBeOneOf(HttpStatusCode.OK, HttpStatusCode.BadRequest);
            body.ShouldNotBeNull(question.ToJsonString());
            if (response.StatusCode == HttpStatusCode.BadRequest)
                body!["errors"]!.AsObject().Count.ShouldBe(1);
        }
    }

    private static JsonObject Noted((int What, double Log, bool Range) r)
    {
        var (id, unit) = Quantities[r.What];
        var value = Math.Pow(10, r.Log);
        var reading = Reading(id, value, unit);
        if (r.Range)
            reading["to"] = Amount(2 * value, unit);
        return reading;
    }
}
