using System.Globalization;
using System.Net;
using System.Net.Http.Json;
using System.Text.Json.Nodes;

namespace MildHunch.Web.Tests;

/// <summary>The pump in numbers over HTTP: simulation, wider expectation, curves, nameplate, everyday sums, tables.</summary>
public class ModelTests(Product product)
{
    private static JsonObject Question() => new() { ["pump"] = Product.Pump(), ["setup"] = Product.Setup() };

    private static JsonObject Fault(string fault, double severity, int cylinder = 1) =>
        new() { ["fault"] = fault, ["severity"] = severity, ["cylinder"] = cylinder };

    private async Task<JsonNode> Ask(string path, JsonObject body)
    {
        var (response, answer) = await product.Send(HttpMethod.Post, path, body);
        response.StatusCode.ShouldBe(HttpStatusCode.OK, answer?.ToJsonString());
        return answer!;
    }

    private async Task Refuses(string path, JsonObject body, string field, string accepted)
    {
        var (response, answer) = await product.Send(HttpMethod.Post, path, body);
        response.StatusCode.ShouldBe(HttpStatusCode.BadRequest);
        answer!["errors"]!.AsObject().Select(e => e.Key).ShouldContain(field);
        answer["detail"]!.GetValue<string>().ShouldContain(accepted);
    }

    private async Task<string[]> Table(string path, JsonObject body)
    {
        using var request = new HttpRequestMessage(HttpMethod.Post, path) { Content = JsonContent.Create(body) };
        request.Headers.Accept.ParseAdd("text/csv");
        using var response = await product.Http.SendAsync(request, TestContext.Current.CancellationToken);
        response.Content.Headers.ContentType!.MediaType.ShouldBe("text/csv");
        return (await response.Content.ReadAsStringAsync(TestContext.Current.CancellationToken))
            .Split('\n', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries);
    }

    private static double Value(JsonNode answer, string figure) =>
        answer["figures"]!.AsArray().First(f => f!["id"]!.GetValue<string>() == figure)!["value"]!["value"]!.GetValue<double>();

    [Fact]
    public async Task A_simulation_agrees_with_the_expectation_under_the_same_faults()
    {
        var question = Question();
        question["faults"] = new JsonArray(Fault("discharge-valve-leak", 0.6, 2));
        var expected = await Ask("/api/expectation", question.DeepClone().AsObject());
        question["plan"] = new JsonObject { ["seconds"] = 0.2, ["samplesPerSecond"] = 1000 };
        var run = await Ask("/api/simulation", question);
        run["means"]!["pressure"]!["value"]!.GetValue<double>().ShouldBe(Value(expected, "discharge-pressure"), 1);
        var trace = run["trace"]!;
        trace["head"]!.AsArray().Count.ShouldBe(trace["seconds"]!.AsArray().Count);
        trace["chambers"]!.AsArray().Count.ShouldBe(3);
        trace["seconds"]!.AsArray().Count.ShouldBeInRange(195, 203);
        run["working"]!["inputs"]!.AsArray().Count.ShouldBeGreaterThan(2);
    }

    [Fact]
    public async Task Faults_cost_power_and_money_at_the_prices_given()
    {
        var question = Question();
        question["faults"] = new JsonArray(Fault("unloader-leaking-by", 1));
        question["prices"] = new JsonObject { ["energyPerKwh"] = 0.5, ["waterPerM3"] = 2, ["currency"] = "crowns" };
        var cost = (await Ask("/api/expectation", question))["cost"]!;
        var energy = cost["kilowattHours"]!.GetValue<double>();
        energy.ShouldBeGreaterThan(0.2);
        cost["money"]!.GetValue<double>().ShouldBe(energy * 0.5, 0.001);
        cost["longerBy"]!.GetValue<double>().ShouldBeGreaterThan(1);
        cost["figures"]!.AsArray().All(f => f!["working"]!["equation"]!.GetValue<string>().Length > 0).ShouldBeTrue();
        (await Ask("/api/expectation", Question()))["cost"].ShouldBeNull();
    }

    [Fact]
    public async Task Tables_hold_what_the_answers_hold()
    {
        var figures = await Table("/api/expectation", Question());
        figures[0].ShouldStartWith("figure,name,value");
        figures.ShouldContain(line => line.StartsWith("discharge-pressure,", StringComparison.Ordinal));
        var question = Question();
        question["plan"] = new JsonObject { ["seconds"] = 0.05, ["samplesPerSecond"] = 1000 };
        var samples = await Table("/api/simulation", question);
        samples.Length.ShouldBe(52);
        samples[0]
            .ShouldBe("seconds,turns,head_bar,gun_bar,inlet_bar,nozzle_l_min,bypass_l_min,inlet_valves,discharge_valves,"
                + "chamber_1_bar,chamber_2_bar,chamber_3_bar");
        double.Parse(samples[^1].Split(',')[2], CultureInfo.InvariantCulture).ShouldBe(70, 2);
    }

    [Fact]
    public async Task Curves_meet_where_the_pump_runs()
    {
        var curves = await Ask("/api/curves", Question());
        curves["operating"]!["pressure"]!.GetValue<double>().ShouldBe(70, 0.5);
        curves["bySpeed"]!.AsArray().Count.ShouldBeGreaterThan(10);
        curves["turn"]!.AsArray().Average(p => p!["flowOverMean"]!.GetValue<double>()).ShouldBe(1, 0.02);
        curves["points"]!.AsArray().Select(p => p!["shaftKilowatt"]!.GetValue<double>()).ShouldBeInOrder();
    }

    [Fact]
    public async Task A_nameplate_completes_geometry_and_a_pump_without_stroke_computes()
    {
        var pump = Product.Pump();
        pump.Remove("stroke");
        pump["ratedFlow"] = Product.Amount(19.13, "L/min");
        var plate = await Ask("/api/nameplate", pump.DeepClone().AsObject());
        plate["stroke"]!["value"]!.GetValue<double>().ShouldBe(18, 0.05);
        plate["workedOut"]!.GetValue<string>().ShouldContain("Stroke");
        var question = Question();
        question["pump"] = pump;
        Value(await Ask("/api/expectation", question), "discharge-pressure").ShouldBe(70, 1);
    }

    [Fact]
    public async Task Everyday_sums_are_listed_filled_and_worked()
    {
        var sums = (await product.Get("/api/workings")).AsArray();
        sums.Count.ShouldBeGreaterThan(10);
        foreach (var sum in sums.Where(s => s!["fromPump"]!.GetValue<bool>()))
            (await Ask($"/api/workings/{sum!["id"]}/fill", Question()))["entries"].ShouldNotBeNull();
        var bucket = await Ask(
            "/api/workings/bucket",
            new JsonObject { ["entries"] = new JsonObject { ["volume"] = Product.Amount(10, "L"), ["time"] = Product.Amount(48, "s") } });
        bucket["results"]![0]!["figure"]!["value"]!["value"]!.GetValue<double>().ShouldBe(12.5);
        bucket["results"]![0]!["readings"]!.AsArray().Count.ShouldBe(3);
        var (missing, _) = await product.Send(HttpMethod.Post, "/api/workings/tea", new JsonObject());
        missing.StatusCode.ShouldBe(HttpStatusCode.NotFound);
        await Refuses(
            "/api/workings/bucket", new JsonObject { ["entries"] = new JsonObject { ["volume"] = Product.Amount(10, "bar") } }, "volume",
            "L");
    }

    /// <summary>A belt-driven pump fills the pulley sum, and the sum gives back the speed the pump runs at.</summary>
    [Fact]
    public async Task A_pump_and_its_pulleys_agree()
    {
        var question = Question();
        question["setup"]!["drive"] = new JsonObject
        {
            ["kind"] = "motor",
            ["ratedPower"] = Product.Amount(7.5, "kW"),
            ["driverPulley"] = Product.Amount(125, "mm"),
            ["pumpPulley"] = Product.Amount(180, "mm"),
        };
        var runs = Value(await Ask("/api/expectation", question), "speed");
        var filled = await Ask("/api/workings/pulley/fill", question);
        var worked = await Ask("/api/workings/pulley", new JsonObject { ["entries"] = filled["entries"]!.DeepClone() });
        worked["results"]!.AsArray()
            .Single(r => r!["figure"]!["id"]!.GetValue<string>() == "speed")!["figure"]!["value"]!["value"]!.GetValue<double>()
            .ShouldBe(runs, 0.005 * runs);
        runs.ShouldBeLessThan(1500.0 * 125 / 180);
    }

    public static TheoryData<string, string, Action<JsonObject>, string, string> Impossible => new()
    {
        { "stroke 0", "/api/simulation", q => q["pump"]!["stroke"]!["value"] = 0, "pump.stroke", "1 to 500 mm" },
        { "rod ratio 1", "/api/expectation", q => q["pump"]!["rodRatio"] = 1, "pump.rodRatio", "dead centre" },
        {
            "nozzle of 0", "/api/simulation", q => q["setup"]!["nozzle"] = new JsonObject { ["size"] = 0 }, "setup.nozzle.size",
            "0.05 to 500" },
        {
            "too hot for seawater", "/api/expectation",
            q => (q["setup"]!["liquid"], q["setup"]!["temperature"]) = ("seawater", Product.Amount(70, "°C")), "setup.temperature",
            "seawater" },
        { "unknown liquid", "/api/expectation", q => q["setup"]!["liquid"] = "soup", "setup.liquid", "glycol" },
        {
            "bore larger than the pipe", "/api/expectation",
            q => (q["setup"]!["nozzle"], q["setup"]!["outlet"]) = (
                new JsonObject { ["orifice"] = Product.Amount(12, "mm") },
                new JsonObject { ["length"] = Product.Amount(5, "m"), ["bore"] = Product.Amount(10, "mm") }),
            "setup.nozzle", "smaller than" },
        {
            "a fault it cannot have", "/api/simulation", q => q["faults"] = new JsonArray(Fault("cup-worn", 0.5)), "faults[0].fault",
            "this pump has" },
        {
            "no severity", "/api/expectation", q => q["faults"] = new JsonArray(new JsonObject { ["fault"] = "nozzle-worn" }),
            "faults[0].severity", "0 to 1" },
        { "a year of samples", "/api/simulation", q => q["plan"] = new JsonObject { ["seconds"] = 3e7 }, "plan.seconds", "0.01 to 60 s" },
        {
            "a gun beyond open", "/api/simulation",
            q => q["plan"] = new JsonObject { ["outlet"] = new JsonArray(new JsonObject { ["at"] = 0, ["opening"] = 2 }) }, "plan.outlet",
            "0 (shut) to 1 (open)" },
        {
            "poles that no motor has", "/api/expectation",
            q => q["setup"]!["drive"] = new JsonObject { ["kind"] = "motor", ["poles"] = 5, ["ratedPower"] = Product.Amount(4, "kW") },
            "setup.drive.poles", "4" },
        {
            "prices below nothing", "/api/expectation",
            q => (q["faults"], q["prices"]) = (
                new JsonArray(Fault("nozzle-worn", 0.5)), new JsonObject { ["energyPerKwh"] = -1, ["waterPerM3"] = 1 }),
            "prices.energyPerKwh", "0 to" },
    };

    [Theory]
    [MemberData(nameof(Impossible))]
    public async Task What_cannot_be_is_refused_by_field(string what, string path, Action<JsonObject> spoil, string field, string accepted)
    {
        what.ShouldNotBeEmpty();
        var question = Question();
        spoil(question);
        await Refuses(path, question, field, accepted);
    }

    /// <summary>A request that uses everything there is.</summary>
    private static JsonObject Everything()
    {
        var pump = Product.Pump();
        (
            pump["requiredHead"], pump["slip"], pump["clearance"], pump["rodDiameter"],
            pump["unloaderType"]) = (Product.Amount(3, "m"), 0.03, 1.2, Product.Amount(8, "mm"), "flow-actuated");
        return new JsonObject
        {
            ["pump"] = pump,
            ["setup"] = new JsonObject
            {
                ["speed"] = Product.Amount(1450, "rpm"),
                ["nozzle"] = new JsonObject
                {
                    ["process"] = new JsonObject
                    {
                        ["opensAt"] = Product.Amount(20, "bar"),
                        ["flow"] = Product.Amount(30, "L/min"),
                        ["at"] = Product.Amount(60, "bar")
                    },
                    ["count"] = 1
                },
                ["controlSetting"] = Product.Amount(85, "bar"),
                ["liquid"] = "brine",
                ["liquidStrength"] = 10,
                ["temperature"] = Product.Amount(20, "°C"),
                ["supplyPressure"] = Product.Amount(1, "bar"),
                ["drive"] = new JsonObject
                {
                    ["kind"] = "motor",
                    ["poles"] = 4,
                    ["frequency"] = Product.Amount(50, "Hz"),
                    ["droop"] = 0.03,
                    ["ratedPower"] = Product.Amount(7.5, "kW"),
                    ["driverPulley"] = Product.Amount(100, "mm"),
                    ["pumpPulley"] = Product.Amount(120, "mm")
                },
                ["inlet"] = new JsonObject
                {
                    ["run"] = new JsonObject
                    {
                        ["length"] = Product.Amount(2, "m"),
                        ["bore"] = Product.Amount(40, "mm"),
                        ["material"] = "hose",
                        ["fittings"] = 1
                    },
                    ["level"] = Product.Amount(0.5, "m"),
                    ["strainer"] = 2
                },
                ["outlet"] = new JsonObject
                {
                    ["length"] = Product.Amount(8, "m"),
                    ["bore"] = Product.Amount(16, "mm"),
                    ["material"] = "steel",
                    ["fittings"] = 4
                },
                ["dampener"] = new JsonObject { ["gasVolume"] = Product.Amount(200, "mL"), ["charge"] = Product.Amount(35, "bar") },
                ["relief"] = Product.Amount(100, "bar"),
                ["injector"] = "outlet",
                ["state"] = "working",
            },
            ["faults"] = new JsonArray(new JsonObject
            {
                ["fault"] = "valve-seat-oring-leak",
                ["severity"] = 0.5,
                ["cylinder"] = 2,
                ["side"] = "discharge"
            }),
            ["plan"] = new JsonObject
            {
                ["seconds"] = 0.05,
                ["samplesPerSecond"] = 200,
                ["stepsPerTurn"] = 180,
                ["rampSeconds"] = 0.1,
                ["seed"] = 3,
                ["noise"] = Product.Amount(0.1, "bar"),
                ["outlet"] = new JsonArray(new JsonObject { ["at"] = 0.02, ["opening"] = 0.5 }),
                ["speedMoves"] = new JsonArray(new JsonObject { ["at"] = 0.02, ["share"] = 0.9 }),
            },
            ["prices"] = new JsonObject { ["energyPerKwh"] = 0.3, ["waterPerM3"] = 2, ["currency"] = "crowns" },
        };
    }

    [Theory]
    [InlineData("/api/simulation")]
    [InlineData("/api/expectation")]
    [InlineData("/api/curves")]
    public async Task Nothing_that_is_sent_makes_it_fail(string path)
    {
        await Ask(path, Everything());
        await Spoiler.Try(product, path, Everything);
    }

    [Fact]
    public async Task Every_demo_pump_computes_and_runs()
    {
        var pumps = (await product.Get("/api/pumps")).AsArray();
        pumps.Count.ShouldBe(10);
        foreach (var pump in pumps)
        {
            JsonObject Body() => new() { ["pump"] = pump!["pump"]!.DeepClone(), ["setup"] = pump["setup"]!.DeepClone() };
            var expected = Value(await Ask("/api/expectation", Body()), "discharge-pressure");
            var body = Body();
            body["plan"] = new JsonObject { ["seconds"] = 1 };
            var run = await Ask("/api/simulation", body);
            run["means"]!["pressure"]!["value"]!.GetValue<double>().ShouldBe(expected, 0.03 * expected, pump!["tag"]!.GetValue<string>());
        }
    }
}
