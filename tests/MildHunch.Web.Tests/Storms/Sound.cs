using System.Text.Json.Nodes;

namespace MildHunch.Web.Tests.Storms;

/// <summary>Sound requests by the path they go to; what one thing is made wrong of.</summary>
internal static class Sound
{
    private static readonly string[] Parts = ["valve", "nozzle", "oil", "hp-seal", "plunger"];

    /// <summary>A body that such an endpoint takes; null where none is written down here.</summary>
    public static JsonObject? Body(string template, Random random) => template switch
    {
        "/api/expectation" or "/api/curves" => Question(random),
        "/api/diagnosis" or "/api/plan" => Evidence(Question(random), random),
        "/api/simulation" => With(Question(random), "duration", Product.Amount(0.2, "s")),
        "/api/service-plan" => With(Question(random), "targets", new JsonArray(Valve(random))),
        "/api/control-setting" => Setting(Question(random)),
        "/api/life-estimate" => new JsonObject
        {
            ["times"] = new JsonArray([.. Enumerable.Range(1, random.Next(1, 9))
                .Select(k => new JsonObject { ["hours"] = 100.0 * k, ["failed"] = random.Next(2) == 0 })]),
        },
        "/api/pattern-test" => new JsonObject
        {
            ["counts"] = new JsonArray([.. Enumerable.Range(1, 3)
                .Select(k => new JsonObject { ["place"] = $"cylinder {k}", ["events"] = random.Next(9) })]),
        },
        "/api/jot" => new JsonObject { ["pump"] = Product.Pump(), ["text"] = "31 bar swing 24, bucket 10 l in 49 s, bypass none" },
        "/api/pumps" or "/api/pumps/{id}" => new JsonObject
        {
            ["tag"] = $"FUZZ-{random.Next(60)}",
            ["name"] = "Triplex",
            ["duty"] = "Fog",
            ["pump"] = Product.Pump(),
            ["setup"] = Product.Setup(),
            ["sure"] = true,
        },
        "/api/nameplate" => Product.Pump(),
        "/api/nameplate/assumptions" => new JsonObject { ["pump"] = Product.Pump(), ["setup"] = Product.Setup() },
        "/api/pumps/{id}/running" => new JsonObject
        {
            ["serial"] = $"FZ-{random.Next(1000)}",
            ["commissioned"] = "2024-05-01",
            ["recordFrom"] = "2024-05-01",
            ["hoursPerWeek"] = 40,
            ["months"] = 12,
            ["seasons"] = new JsonArray(new JsonObject
            {
                ["name"] = "frost",
                ["from"] = "03-15",
                ["to"] = "05-31",
                ["hoursPerWeek"] = 60,
                ["mustRun"] = true,
            }),
            ["tasks"] = new JsonArray(new JsonObject { ["what"] = "Gauge checked", ["on"] = "2027-01-10", ["everyMonths"] = 12 }),
        },
        "/api/pumps/{id}/meter" => new JsonObject { ["on"] = "2026-06-01", ["hours"] = 1000 + random.Next(9), ["by"] = "Tobi Marr" },
        "/api/pumps/{id}/part-changes" => new JsonObject
        {
            ["part"] = Parts[random.Next(Parts.Length)],
            ["cylinder"] = 1,
            ["side"] = "inlet",
            ["on"] = "2026-02-01",
            ["out"] = "failed",
            ["finding"] = "grooved-seat",
            ["batch"] = "K-7",
        },
        "/api/pumps/{id}/sheet" => new JsonObject
        {
            ["sheet"] = new JsonObject
            {
                ["torques"] = new JsonObject { ["head-bolts"] = Product.Amount(20, "N·m") },
                ["oil"] = "ISO 68",
                ["prices"] = new JsonObject { ["valve"] = 31 },
                ["kits"] = new JsonArray(new JsonObject
                {
                    ["name"] = "Valves",
                    ["holds"] = new JsonObject { ["valve"] = 6 },
                    ["price"] = 90
                }),
            },
            ["sure"] = true,
        },
        "/api/cases/{id}/changes" => Change(random),
        "/api/cases/{id}/stage" => new JsonObject { ["stage"] = "measure" },
        "/api/cases/{id}/report/sign" => new JsonObject { ["by"] = "Ines Halvard", ["witness"] = "Runa Estcott" },
        "/api/stock" => new JsonObject { ["name"] = $"Ring {random.Next(30)}", ["inStock"] = 4, ["reorderAt"] = 2, ["shelf"] = "B2" },
        "/api/shop" => new JsonObject
        {
            ["name"] = "Skerrow Isles",
            ["currency"] = "crowns",
            ["workPerHour"] = 45,
            ["zone"] = "Europe/Berlin"
        },
        _ => null,
    };

    /// <summary>A change of a case as one of many hands tells it.</summary>
    public static JsonObject Change(Random random) => random.Next(9) switch
    {
        0 => Evidence([], random),
        1 => new JsonObject { ["facts"] = new JsonObject { ["note-ask"] = "quiet", ["meter-hours"] = $"{1000 + random.Next(99)}" } },
        2 => Work("plan", new JsonObject { ["targets"] = new JsonArray(Valve(random)) }),
        3 => Work("found", new JsonObject { ["valve.2.discharge"] = new JsonObject { ["state"] = "failed", ["by"] = "Tobi Marr" } }),
        4 => Work("ranAgain", true),
        5 => Work("acknowledged", new JsonObject { ["by"] = "Tobi Marr", ["hazards"] = new JsonArray() }),
        6 => JsonNode.Parse("""{"proof":{"acknowledged":{"stand":{"by":"Tobi Marr"}}}}""")!.AsObject(),
        7 => new JsonObject { ["facts"] = new JsonObject { ["closed"] = random.Next(2) == 0 ? "inlet-valve-leak@1" : "" } },
        _ => new JsonObject { ["hours"] = new JsonArray(new JsonObject { ["part"] = "hp-seal", ["hours"] = 400 }) },
    };

    private static JsonObject Work(string what, JsonNode told) => new() { ["work"] = new JsonObject { [what] = told } };

    private static JsonObject Question(Random random)
    {
        var setup = Product.Setup();
        setup["speed"] = Product.Amount(1440 + random.Next(3), "rpm");
        return new JsonObject { ["pump"] = Product.Pump(), ["setup"] = setup };
    }

    private static JsonObject Evidence(JsonObject question, Random random)
    {
        question["readings"] = new JsonArray(
            Product.Reading("discharge-pressure", 30 + random.Next(40), "bar"), Product.Reading("nozzle-flow", 12.7, "L/min"));
        question["cues"] = new JsonArray(Product.Cue("needle", "swings"), Product.Cue("bypass-with-outlet-open", "none"));
        return question;
    }

    private static JsonObject Setting(JsonObject question)
    {
        question["target"] = Product.Amount(66, "bar");
        question["moves"] = new JsonArray([.. Enumerable.Range(0, 4).Select(k => new JsonObject
        {
            ["turns"] = 0.25 * k, ["running"] = Product.Amount(30 + (3 * k), "bar"), ["spike"] = Product.Amount(33 + (3 * k), "bar"),
        })]);
        return question;
    }

    private static JsonObject Valve(Random random) => new()
    {
        ["part"] = "valve",
        ["cylinder"] = 1 + random.Next(3),
        ["side"] = random.Next(2) == 0 ? "inlet" : "discharge",
    };

    private static JsonObject With(JsonObject question, string name, JsonNode value)
    {
        question[name] = value;
        return question;
    }
}
