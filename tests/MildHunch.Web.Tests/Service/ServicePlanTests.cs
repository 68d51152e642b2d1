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
        head["doubt"]!.GetValue<string>().ShouldContain("11.3 N·m on head bolts?");
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
        Names(plan["opens"]).TakeLast(2).ShouldBe(["dynamic-seal left", "dynamic-hoop left"]);
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
                if (response.StatusCode == HttpStatusCode.BadRequest)
                {
                    body!.ToJsonString().ShouldContain("mended by opening this pump", Case.Sensitive, $"{pump["tag"]}: {fault}");
                    continue;
                }

                response.StatusCode.ShouldBe(HttpStatusCode.OK, $"{pump["tag"]}: {fault}: {body?.ToJsonString()}");
                planned++;
                body!["steps"]!.AsArray().Select(s => s!["id"]!.GetValue<string>()).ShouldContain("after.1");
                var used = body["steps"]!.AsArray().SelectMany(s => s!["tools"]!.AsArray()).Select(t => t!.GetValue<string>());
                body["tools"]!.AsArray().Select(t => t!.GetValue<string>()).ShouldBe(used.Distinct(), ignoreOrder: true);
            }
        }

        planned.ShouldBeGreaterThan(100);
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
    [InlineData("{\"fault\":\"nozzle-worn\"}", "targets[0].fault", "mended by opening this pump")]
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
