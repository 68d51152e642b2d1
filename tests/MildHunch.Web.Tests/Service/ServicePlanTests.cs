using System.Net;
using System.Text.Json.Nodes;

namespace MildHunch.Web.Tests.Service;

/// <summary>The work as a stateless question.</summary>
public class ServicePlanTests(Product product)
{
    [Fact]
    public async Task One_valve_of_a_triplex()
    {
        var plan = await Plan(Ask(Target("valve", 2, "discharge")));
        plan["sheet"]!.GetValue<string>().ShouldBe("six-caps");
        Names(plan["opens"]).ShouldBe(
            ["cap 2 discharge", "cap-oring 2 discharge", "valve 2 discharge", "seat-oring 2 discharge"]);
        plan["stays"]!.AsArray().Select(p => p!["part"]!.GetValue<string>()).ShouldContain("head");
        plan["hazards"]!.AsArray().Select(h => h!["id"]!.GetValue<string>()).ShouldContain("lock-out");
        var caps = plan["bolts"]!.AsArray().ShouldHaveSingleItem()!;
        (caps["basis"]!.GetValue<string>(), caps["torque"]).ShouldBe(("none", null));
        plan["minutes"]!.GetValue<double>().ShouldBeGreaterThan(0);
    }

    /// <summary>100 in·lbf are 8.33 ft·lbf and 11.3 N·m (factors of NIST SP 811).</summary>
    [Fact]
    public async Task A_torque_of_the_makers_sheet_in_all_units_and_in_its_passes()
    {
        var ask = Ask(Target("hp-seal", 1));
        ask["sheet"] = new JsonObject { ["torques"] = new JsonObject { ["head-bolts"] = Product.Amount(100, "in·lbf") } };
        var head = (await Plan(ask))["bolts"]!.AsArray().Single(b => b!["group"]!.GetValue<string>() == "head-bolts")!;
        head["basis"]!.GetValue<string>().ShouldBe("sheet");
        head["inAllUnits"]!.AsArray().Select(u => u!.GetValue<string>()).ShouldBe(["11.3 N·m", "8.33 ft·lbf", "100 in·lbf"]);
        head["passes"]!.AsArray().Select(p => p!["torque"]!["value"]!.GetValue<double>()).ShouldBe([30, 70, 100, 100]);
        head["doubt"].ShouldBeNull();
        ask["sheet"]!["torques"]!["head-bolts"] = Product.Amount(40, "in·lbf");
        head = (await Plan(ask))["bolts"]!.AsArray().Single(b => b!["group"]!.GetValue<string>() == "head-bolts")!;
        head["doubt"]!.GetValue<string>().ShouldContain("4.52 N·m on head bolts?");
    }

    /// <summary>A kit for one side of a triplex is needed twice (common practice, no source).</summary>
    [Fact]
    public async Task Kits_for_the_whole_set()
    {
        var ask = Ask(Target("valve", 2, "discharge"), Target("seat-oring", 2, "discharge"), Target("cap-oring", 2, "discharge"));
        ask["scope"] = "whole-set";
        ask["sheet"] = new JsonObject
        {
            ["kits"] = new JsonArray(new JsonObject
            {
                ["name"] = "One side",
                ["holds"] = new JsonObject { ["valve"] = 3, ["seat-oring"] = 3 },
            }),
        };
        var plan = await Plan(ask);
        plan["kits"]![0]!["count"]!.GetValue<int>().ShouldBe(2);
        plan["besideKits"]!["cap-oring"]!.GetValue<int>().ShouldBe(6);
    }

    [Fact]
    public async Task A_valve_and_the_unloader_are_one_piece_of_work_locked_out_once()
    {
        var ask = Ask(new JsonObject { ["part"] = "unloader-pin" }, Target("valve", 2, "discharge"));
        var fog = (await product.Get("/api/pumps")).AsArray().Single(p => p!["tag"]!.GetValue<string>() == "FOG-2")!;
        (ask["pump"], ask["setup"]) = (fog["pump"]!.DeepClone(), fog["setup"]!.DeepClone());
        var plan = await Plan(ask);
        plan["sheet"]!.GetValue<string>().ShouldBe("six-caps+unloader");
        Names(plan["opens"]).ShouldContain("valve 2 discharge");
        Names(plan["opens"]).ShouldContain(n => n.StartsWith("unloader-pin", StringComparison.Ordinal));
        var steps = plan["steps"]!.AsArray().Select(s => s!["id"]!.GetValue<string>()).ToArray();
        steps.ShouldBeUnique();
        steps.Count(s => s == "lock-out.1").ShouldBe(1);
        plan["bolts"]!.AsArray().Select(b => b!["group"]!.GetValue<string>()).ShouldBe(["caps", "unloader-front"], ignoreOrder: true);
    }

    [Fact]
    public async Task A_fault_of_an_end_of_an_intensifier()
    {
        var ask = Ask(new JsonObject { ["fault"] = "intens-seal-dynamic", ["end"] = "left" });
        var juice = (await product.Get("/api/pumps")).AsArray().Single(p => p!["tag"]!.GetValue<string>() == "JUICE-HP")!;
        (ask["pump"], ask["setup"]) = (juice["pump"]!.DeepClone(), juice["setup"]!.DeepClone());
        var plan = await Plan(ask);
        plan["opens"]!.AsArray().ShouldAllBe(o => o!["place"]!["end"]!.GetValue<string>() == "left");
        Names(plan["opens"]).ShouldContain("dynamic-seal left");
        Names(plan["opens"]).ShouldContain("dynamic-hoop left");
    }

    /// <summary>Every fault that a sheet opens has a plan on every pump of the demo, and every tool that goes in is counted out.</summary>
    [Fact]
    public async Task Every_fault_of_every_demo_pump_has_a_plan()
    {
        var planned = 0;
        foreach (var pump in (await product.Get("/api/pumps")).AsArray())
        {
            var knowledge = await product.Get($"/api/knowledge?pump={pump!["id"]}");
            foreach (var fault in knowledge["faults"]!.AsArray().Select(f => f!["id"]!.GetValue<string>()))
            {
                var ask = new JsonObject
                {
                    ["pump"] = pump["pump"]!.DeepClone(),
                    ["setup"] = pump["setup"]!.DeepClone(),
                    ["sheet"] = pump["sheet"]!.DeepClone(),
                    ["targets"] = new JsonArray(new JsonObject { ["fault"] = fault }),
                };
                var (response, body) = await product.Send(HttpMethod.Post, "/api/service-plan", ask);
                if (fault == "no-fault")
                {
                    response.StatusCode.ShouldBe(HttpStatusCode.BadRequest);
                    continue;
                }

                response.StatusCode.ShouldBe(HttpStatusCode.OK, $"{pump["tag"]}: {fault}: {body?.ToJsonString()}");
                planned++;
                if (body!["opens"]!.AsArray().Count > 0)
                    body["steps"]!.AsArray().Select(s => s!["id"]!.GetValue<string>()).ShouldContain("after.1");
                var used = body["steps"]!.AsArray().SelectMany(s => s!["tools"]!.AsArray()).Select(t => t!.GetValue<string>());
                body["tools"]!.AsArray().Select(t => t!.GetValue<string>()).ShouldBe(used.Distinct(), ignoreOrder: true);
            }
        }

        planned.ShouldBeGreaterThan(100);
    }

    /// <summary>Names of the trade and actions of the catalogue mean the part, whatever its sheet calls it, on the side they say.</summary>
    [Theory]
    [InlineData("FOG-2", "discharge-valve", "valve 2 discharge")]
    [InlineData("FOG-2", "inlet-valves", "valve 2 inlet")]
    [InlineData("FOG-2", "lp-seal", "lp-seal 2")]
    [InlineData("DESAL-B", "discharge-valves", "discharge-valve 2 discharge")]
    [InlineData("BRINE-4", "hp-seal", "packing 2")]
    [InlineData("BRINE-4", "packing", "packing 2")]
    [InlineData("TEST-3", "hp-seal", "cup 2")]
    [InlineData("TEST-3", "cups", "cup 2")]
    [InlineData("JUICE-HP", "discharge-valve", "discharge-poppet discharge 2")]
    [InlineData("JUICE-HP", "hp-seal", "dynamic-seal 2")]
    [InlineData("FROST-R", "regulator", "rear-seat")]
    [InlineData("FOG-2", "nozzle", "nozzle")]
    [InlineData("FOG-2", "crank-seals", "crank-seal")]
    [InlineData("MIST-7", "lp-seal", "hp-seal 2")]
    public async Task A_part_by_the_name_the_trade_has_for_it(string tag, string name, string opens)
    {
        var end = tag == "JUICE-HP";
        var target = new JsonObject { ["part"] = name };
        if (end)
            target["end"] = "right";
        else
            target["cylinder"] = 2;
        var ask = await Of(tag, target);
        Names((await Plan(ask))["opens"]).ShouldContain(opens.Replace(end ? " 2" : "\0", " right"));
    }

    /// <summary>A fault at a joint renews its rings, and orders no head (common practice, no source).</summary>
    [Theory]
    [InlineData("FOG-2", "head-loose", "carrier-oring")]
    [InlineData("FOG-2", "valve-cap-oring", "cap-oring")]
    [InlineData("FOG-2", "manifold-joint-oring", "carrier-oring")]
    [InlineData("BRINE-4", "manifold-joint-oring", "spacer-orings")]
    public async Task What_is_ordered_for_a_joint_is_its_rings(string tag, string fault, string ring)
    {
        var parts = (await Plan(await Of(tag, new JsonObject { ["fault"] = fault })))["parts"]!.AsArray()
            .Select(p => p!["part"]!.GetValue<string>()).ToArray();
        parts.ShouldContain(ring);
        parts.ShouldNotContain(p => p == "head" || p == "cap" || p.EndsWith("manifold", StringComparison.Ordinal));
        (await Plan(await Of(tag, new JsonObject { ["fault"] = "head-cracked" })))["parts"]!.AsArray()
            .ShouldContain(p => p!["part"]!.GetValue<string>() == (tag == "FOG-2" ? "head" : "discharge-manifold"));
    }

    [Fact]
    public async Task What_is_cleaned_or_lapped_is_not_ordered_and_takes_its_minutes()
    {
        var valve = Target("valve", 2, "discharge");
        var renewed = await Plan(Ask(valve.DeepClone().AsObject()));
        valve["mend"] = "clean";
        var cleaned = await Plan(Ask(valve));
        string[] Parts(JsonNode plan) => [.. plan["parts"]!.AsArray().Select(p => p!["part"]!.GetValue<string>())];
        Parts(renewed).ShouldContain("valve");
        Parts(cleaned).ShouldBe(Parts(renewed).Where(p => p != "valve"));
        cleaned["steps"]!.AsArray().ShouldContain(s => s!["id"]!.GetValue<string>() == "valve.clean");
        cleaned["minutes"]!.GetValue<double>().ShouldBeGreaterThan(renewed["minutes"]!.GetValue<double>());
    }

    /// <summary>Both seals and all rings of one bore, and no other bore.</summary>
    [Fact]
    public async Task One_bore_takes_both_seals_and_its_rings()
    {
        var ask = Ask(Target("lp-seal", 2));
        ask["scope"] = "one-bore";
        var parts = (await Plan(ask))["parts"]!.AsArray();
        var ids = parts.Select(p => p!["part"]!.GetValue<string>()).ToArray();
        ids.ShouldBe(["carrier-oring", "hp-seal", "backup-ring", "lp-seal", "rear-backup"], ignoreOrder: true);
        parts.ShouldAllBe(p => p!["count"]!.GetValue<int>() == 1);
    }

    /// <summary>Six bolts of its own in place of the eight of the sheet, in its own order and passes.</summary>
    [Fact]
    public async Task Bolts_are_worked_as_they_are_on_the_pump()
    {
        var ask = Ask(Target("hp-seal", 1));
        ask["sheet"] = JsonNode.Parse(
            """
            { "torques": { "head-bolts": { "value": 20, "unit": "N·m" } },
              "bolts": { "head-bolts": { "pattern": "row-6", "shares": [0.5, 1], "tighten": [3, 4, 2, 5, 1, 6], "wrench": "socket 13 mm",
                "drive": "3/8" } } }
            """);
        var plan = await Plan(ask);
        var tighten = plan["steps"]!.AsArray().Single(s => s!["id"]!.GetValue<string>() == "head.tighten")!;
        tighten["rounds"]!.AsArray().Select(r => r!["name"]!.GetValue<string>()).ShouldBe(["by hand", "snug", "50 %", "100 %"]);
        tighten["rounds"]![2]!["order"]!.AsArray().Select(n => n!.GetValue<int>()).ShouldBe([3, 4, 2, 5, 1, 6]);
        tighten["rounds"]![2]!["inAllUnits"]![0]!.GetValue<string>().ShouldBe("10 N·m");
        tighten["tools"]!.AsArray().Select(t => t!.GetValue<string>()).ShouldContain("socket 13 mm, 3/8 in drive");
        var loosen = plan["steps"]!.AsArray().Single(s => s!["id"]!.GetValue<string>() == "head.loosen")!;
        loosen["rounds"]![0]!["order"]!.AsArray().Select(n => n!.GetValue<int>()).ShouldBe([6, 1, 5, 2, 4, 3]);
    }

    [Theory]
    [InlineData("{\"pattern\":\"heap\"}", "sheet.bolts.head-bolts.pattern")]
    [InlineData("{\"tighten\":[1,2,3]}", "sheet.bolts.head-bolts.tighten")]
    [InlineData("{\"pattern\":\"pair\",\"loosen\":[2,2]}", "sheet.bolts.head-bolts.loosen")]
    [InlineData("{\"shares\":[0.5,0.9]}", "sheet.bolts.head-bolts.shares")]
    [InlineData("{\"steps\":\"hard\"}", "sheet.bolts.head-bolts.steps")]
    [InlineData("{\"drive\":\"2\"}", "sheet.bolts.head-bolts.drive")]
    public async Task Bolts_that_cannot_be_are_refused_by_their_field(string bolts, string field)
    {
        var ask = Ask(Target("hp-seal", 1));
        ask["sheet"] = new JsonObject { ["bolts"] = new JsonObject { ["head-bolts"] = JsonNode.Parse(bolts) } };
        (await Refused(ask)).ShouldContain(field);
    }

    [Fact]
    public async Task Sheets_their_parts_and_their_schema_are_published()
    {
        var sheets = (await product.Get("/api/service-sheets")).AsArray();
        sheets.Count.ShouldBeGreaterThanOrEqualTo(14);
        var whole = await product.Get("/api/service-sheets/six-caps");
        var listed = sheets.Single(s => s!["id"]!.GetValue<string>() == "six-caps")!["parts"]!.AsArray();
        whole["parts"]!.AsArray().Select(p => p!["id"]!.GetValue<string>()).ShouldBe(listed.Select(p => p!["part"]!.GetValue<string>()));
        var schema = await product.Get("/api/service-sheets/schema");
        whole.AsObject().Select(p => p.Key).ShouldBeSubsetOf(schema["properties"]!.AsObject().Select(p => p.Key));
    }

    [Theory]
    [InlineData("{\"part\":\"wheel\"}", "targets[0].part", "“wheel”")]
    [InlineData("{\"part\":\"valve\",\"cylinder\":4}", "targets[0].cylinder", "1 to 3")]
    [InlineData("{\"part\":\"valve\",\"end\":\"left\"}", "targets[0].end", "on an intensifier")]
    [InlineData("{\"fault\":\"no-fault\"}", "targets[0].fault", "that can be mended")]
    [InlineData("{\"part\":\"head\",\"mend\":\"lap\"}", "targets[0].mend", "renew or refit")]
    [InlineData("{\"part\":\"valve\",\"mend\":\"paint\"}", "targets[0].mend", "“paint”")]
    [InlineData("{}", "targets[0].part", "a part or a fault")]
    public async Task What_this_pump_has_not_is_refused_by_name(string target, string field, string says)
    {
        var (response, body) = await product.Send(HttpMethod.Post, "/api/service-plan", Ask(JsonNode.Parse(target)!.AsObject()));
        response.StatusCode.ShouldBe(HttpStatusCode.BadRequest);
        body!["errors"]![field]![0]!.GetValue<string>().ShouldContain(says);
    }

    [Fact]
    public async Task A_torque_of_nothing_and_a_kit_without_contents_are_refused()
    {
        var ask = Ask(Target("hp-seal", 1));
        ask["sheet"] = new JsonObject { ["torques"] = new JsonObject { ["head-bolts"] = Product.Amount(0, "N·m") } };
        (await Refused(ask)).ShouldContain("sheet.torques.head-bolts");
        ask["sheet"] = new JsonObject { ["torques"] = new JsonObject { ["wheel-nuts"] = Product.Amount(9, "N·m") } };
        (await Refused(ask)).ShouldContain("caps, head-bolts, plunger-bolts");
        ask["sheet"] = new JsonObject { ["kits"] = new JsonArray(new JsonObject { ["name"] = "K", ["holds"] = new JsonObject() }) };
        (await Refused(ask)).ShouldContain("nothing in it");
    }

    private async Task<JsonNode> Plan(JsonObject ask)
    {
        var (response, body) = await product.Send(HttpMethod.Post, "/api/service-plan", ask);
        response.StatusCode.ShouldBe(HttpStatusCode.OK, body?.ToJsonString());
        return body!;
    }

    private async Task<string> Refused(JsonObject ask)
    {
        var (response, body) = await product.Send(HttpMethod.Post, "/api/service-plan", ask);
        response.StatusCode.ShouldBe(HttpStatusCode.BadRequest);
        return body!.ToJsonString(new() { Encoder = System.Text.Encodings.Web.JavaScriptEncoder.UnsafeRelaxedJsonEscaping });
    }

    private static JsonObject Ask(params JsonObject[] targets) =>
        new() { ["pump"] = Product.Pump(), ["setup"] = Product.Setup(), ["targets"] = new JsonArray([.. targets]) };

    private async Task<JsonObject> Of(string tag, JsonObject target)
    {
        var pump = (await product.Get("/api/pumps")).AsArray().Single(p => p!["tag"]!.GetValue<string>() == tag)!;
        var ask = Ask(target);
        (ask["pump"], ask["setup"]) = (pump["pump"]!.DeepClone(), pump["setup"]!.DeepClone());
        return ask;
    }

    private static JsonObject Target(string part, int cylinder, string? side = null)
    {
        var target = new JsonObject { ["part"] = part, ["cylinder"] = cylinder };
        if (side is not null)
            target["side"] = side;
        return target;
    }

    private static string[] Names(JsonNode? opens) =>
        [.. opens!.AsArray().Select(o => string.Join(" ", new[] { "part" }.Select(n => o![n]!.ToString())
            .Concat(new[] { "cylinder", "side", "end" }.Select(n => o!["place"]![n]?.ToString() ?? "")).Where(w => w.Length > 0)))];
}
