using System.Net;
using System.Text.Json.Nodes;

namespace MildHunch.Web.Tests.Pumps;

/// <summary>A pump from its type plate: what is assumed, what is refused all at once, what is asked back.</summary>
public class PlateTests(Workshop product)
{
    [Fact]
    public async Task A_type_plate_is_enough_and_what_is_assumed_is_said()
    {
        var (response, made) = await Store("PLATE-A", null);
        response.StatusCode.ShouldBe(HttpStatusCode.Created);
        var setup = made["setup"]!;
        setup["assumed"]!.AsArray().Select(a => a!.GetValue<string>()).ShouldBe(["speed", "nozzle", "controlSetting"]);
        setup["speed"]!["value"]!.GetValue<double>().ShouldBe(Product.Pump()["ratedSpeed"]!["value"]!.GetValue<double>());

        // Four fifths of the rating, and a tenth above that (common practice, no source).
        var rated = Product.Pump()["ratedPressure"]!["value"]!.GetValue<double>();
        setup["nozzle"]!["at"]!["value"]!.GetValue<double>().ShouldBe(0.8 * rated, 0.01 * rated);
        setup["controlSetting"]!["value"]!.GetValue<double>().ShouldBe(0.88 * rated, 0.01 * rated);
    }

    [Fact]
    public async Task What_was_assumed_follows_the_plate_until_somebody_says_it()
    {
        var (response, made) = await Store("PLATE-B", null);
        var changed = made.DeepClone();
        changed["pump"]!["ratedPressure"]!["value"] = 200;
        var (put, again) = await product.Send(
            HttpMethod.Put, $"/api/pumps/{made["id"]}", changed, response.Headers.ETag!.Tag);
        put.StatusCode.ShouldBe(HttpStatusCode.OK);
        again!["setup"]!["controlSetting"]!["value"]!.GetValue<double>().ShouldBe(176, 1);

        var said = again.DeepClone();
        said["setup"]!["controlSetting"] = Product.Amount(150, "bar");
        said["setup"]!["assumed"] = new JsonArray("speed", "nozzle");
        var (_, last) = await product.Send(HttpMethod.Put, $"/api/pumps/{made["id"]}", said, put.Headers.ETag!.Tag);
        last!["setup"]!["controlSetting"]!["value"]!.GetValue<double>().ShouldBe(150);
        last["setup"]!["assumed"]!.AsArray().Select(a => a!.GetValue<string>()).ShouldBe(["speed", "nozzle"]);
    }

    [Fact]
    public async Task An_assumed_nozzle_is_believed_less_than_one_that_was_said()
    {
        async Task<double> Band(JsonObject setup)
        {
            var (_, body) = await product.Send(
                HttpMethod.Post, "/api/expectation", new JsonObject { ["pump"] = Product.Pump(), ["setup"] = setup });
            var pressure = body!["figures"]!.AsArray().Single(f => f!["id"]!.GetValue<string>() == "discharge-pressure")!;
            return pressure["high"]!["value"]!.GetValue<double>() - pressure["low"]!["value"]!.GetValue<double>();
        }

        var assumed = Product.Setup();
        assumed["assumed"] = new JsonArray("nozzle");
        (await Band(assumed)).ShouldBeGreaterThan(2 * await Band(Product.Setup()));
    }

    [Fact]
    public async Task Everything_that_is_wrong_is_said_at_once_in_trade_words()
    {
        var pump = Product.Pump();
        pump["stroke"]!["value"] = 0;
        pump["ratedSpeed"]!["value"] = 90000;
        pump["requiredHead"] = Product.Amount(900, "m");
        var (response, body) = await product.Send(
            HttpMethod.Post, "/api/pumps", new JsonObject { ["tag"] = " ", ["pump"] = pump, ["setup"] = Product.Setup() });
        response.StatusCode.ShouldBe(HttpStatusCode.BadRequest);
        var errors = body!["errors"]!.AsObject();
        errors.Select(e => e.Key).ShouldBe(["tag", "pump.stroke", "pump.ratedSpeed", "pump.requiredHead"], ignoreOrder: true);
        foreach (var (field, said) in errors)
            said!.ToJsonString().ShouldNotContain($"{field}:");
        errors["pump.stroke"]![0]!.GetValue<string>().ShouldContain("1 to 500 mm");
    }

    /// <summary>What is accepted is what this arrangement may have, not what any pump may.</summary>
    [Theory]
    [InlineData("axial", "2 to 7 pistons")]
    [InlineData("twin-piston", "2 pistons")]
    [InlineData("crank-plunger", "1 to 7 cylinders")]
    public async Task So_many_cylinders_are_refused_by_the_arrangement(string arrangement, string accepted)
    {
        var pump = Product.Pump();
        (pump["arrangement"], pump["cylinders"]) = (arrangement, 9);
        pump.Remove("rodRatio");
        var (_, body) = await product.Send(HttpMethod.Post, "/api/pumps", new JsonObject { ["tag"] = "NINE-1", ["pump"] = pump });
        var errors = body!["errors"]!.AsObject();
        errors.Single().Key.ShouldBe("pump.cylinders");
        errors.Single().Value![0]!.GetValue<string>().ShouldContain($"Accepted: {accepted}.");
    }

    [Theory]
    [InlineData("ratedPressure", 2.9, "29 bar")]
    [InlineData("ratedPressure", 1450, "1450 psi")]
    public async Task A_rating_that_is_hard_to_believe_is_asked_back(string field, double value, string meant)
    {
        var pump = Product.Pump();
        pump[field]!["value"] = value;
        var request = new JsonObject { ["tag"] = $"DOUBT-{value}", ["pump"] = pump };
        var (response, body) = await product.Send(HttpMethod.Post, "/api/pumps", request);
        if (value > 1000)
        {
            // Beyond what can be at all: refused, not asked.
            response.StatusCode.ShouldBe(HttpStatusCode.BadRequest);
            return;
        }

        response.StatusCode.ShouldBe(HttpStatusCode.Conflict);
        var doubt = body!["doubts"]![0]!;
        doubt["field"]!.GetValue<string>().ShouldBe($"pump.{field}");
        doubt["instead"]!.AsArray().Select(q => $"{q!["value"]} {q["unit"]}").ShouldContain(meant);
        var sure = request.DeepClone();
        sure["sure"] = true;
        (await product.Send(HttpMethod.Post, "/api/pumps", sure)).Response.StatusCode.ShouldBe(HttpStatusCode.Created);
    }

    [Fact]
    public async Task A_reading_that_is_hard_to_believe_is_asked_back_before_it_counts()
    {
        var pumpId = (await product.Get("/api/pumps")).AsArray().First(p => p!["tag"]!.GetValue<string>() == "FOG-2")!["id"]!;
        var (made, opened) = await product.Send(
            HttpMethod.Post, "/api/cases", new JsonObject { ["pumpId"] = pumpId.GetValue<string>(), ["complaint"] = "Slip of a finger" });
        var path = $"/api/cases/{opened!["id"]}/changes";
        var change = new JsonObject { ["readings"] = new JsonArray(Product.Reading("discharge-pressure", 700, "bar")) };
        var (asked, body) = await product.Send(HttpMethod.Post, path, change.DeepClone(), made.Headers.ETag!.Tag);
        asked.StatusCode.ShouldBe(HttpStatusCode.Conflict);
        body!["doubts"]![0]!["instead"]!.AsArray().Select(q => $"{q!["value"]} {q["unit"]}").ShouldContain("70 bar");
        (await product.Get($"/api/cases/{opened["id"]}"))["readings"]!.AsArray().ShouldBeEmpty();
        change["sure"] = true;
        (await product.Send(HttpMethod.Post, path, change, made.Headers.ETag!.Tag)).Response.StatusCode.ShouldBe(HttpStatusCode.OK);
    }

    [Fact]
    public async Task Figures_and_words_come_in_the_units_of_the_reader()
    {
        using var request = new HttpRequestMessage(HttpMethod.Post, "/api/expectation")
        {
            Content = new StringContent(
                new JsonObject { ["pump"] = Product.Pump(), ["setup"] = Product.Setup() }.ToJsonString(), System.Text.Encoding.UTF8,
                "application/json"),
        };
        request.Headers.Add("X-Units", "us");
        using var response = await product.Http.SendAsync(request, TestContext.Current.CancellationToken);
        var us = JsonNode.Parse(await response.Content.ReadAsStringAsync(TestContext.Current.CancellationToken))!;
        var (_, si) = await product.Send(
            HttpMethod.Post, "/api/expectation", new JsonObject { ["pump"] = Product.Pump(), ["setup"] = Product.Setup() });
        JsonNode Pressure(JsonNode body) =>
            body["figures"]!.AsArray().Single(f => f!["id"]!.GetValue<string>() == "discharge-pressure")!["value"]!;
        Pressure(us)["unit"]!.GetValue<string>().ShouldBe("psi");

        // 1 bar = 14.5038 psi (NIST SP 811).
        Pressure(us)["value"]!.GetValue<double>().ShouldBe(14.5038 * Pressure(si!)["value"]!.GetValue<double>(), 0.1);
    }

    private async Task<(HttpResponseMessage Response, JsonNode Made)> Store(string tag, JsonObject? setup)
    {
        var (response, made) = await product.Send(
            HttpMethod.Post, "/api/pumps", new JsonObject { ["tag"] = tag, ["pump"] = Product.Pump(), ["setup"] = setup });
        return (response, made!);
    }
}
