using System.Net;
using System.Text.Json.Nodes;

namespace MildHunch.Web.Tests.Records;

/// <summary>The life of a pump: what closed cases leave on it, and what is entered by hand.</summary>
public sealed class PumpLifeTests : IClassFixture<Product>
{
    private readonly Product product;

    public PumpLifeTests(Product product) => this.product = product;

    [Fact]
    public async Task A_closed_case_leaves_lives_and_takes_them_back_when_it_is_opened_again()
    {
        var pump = await PumpOf("WASH-3");
        var id = await product.CaseOf("WASH-3");
        await product.Change(id, new JsonObject { ["facts"] = new JsonObject { ["meter-hours"] = "812" } });
        var seat = Position(await Life(pump), "inlet-valve.2.inlet");
        seat["lives"]!.AsArray().Count.ShouldBe(2);
        seat["lives"]![0]!["why"]!.GetValue<string>().ShouldBe("failed");
        seat["lives"]![0]!["finding"]!.GetValue<string>().ShouldBe("grooved-seat");
        seat["lives"]![1]!["fittedHours"]!.GetValue<double>().ShouldBe(812);
        seat["lives"]![1]!["fittedCase"]!.GetValue<string>().ShouldBe(id);
        Position(await Life(pump), "inlet-valve.1.inlet")["lives"]![0]!["why"]!.GetValue<string>().ShouldBe("along");

        await product.Change(id, new JsonObject { ["facts"] = new JsonObject { ["closed"] = "", ["reopened"] = "It drips again." } });
        Position(await Life(pump), "inlet-valve.2.inlet")["lives"]!.AsArray().ShouldBeEmpty();
        (await Life(pump))["hours"]!["readings"]!.AsArray().ShouldBeEmpty();

        await product.Change(id, new JsonObject { ["facts"] = new JsonObject { ["closed"] = "inlet-valve-leak@2" } });
        Position(await Life(pump), "inlet-valve.2.inlet")["lives"]!.AsArray().Count.ShouldBe(2);
    }

    [Fact]
    public async Task Readings_of_a_closed_case_stand_beside_what_was_expected()
    {
        var readings = (await Life(await PumpOf("WASH-3")))["readings"]!.AsArray();
        var pressure = readings.First(r => r!["quantity"]!.GetValue<string>() == "discharge-pressure")!["points"]!.AsArray();
        pressure.Select(p => p!["after"]!.GetValue<bool>()).ShouldBe([false, true]);
        pressure[0]!["value"]!["value"]!.GetValue<double>().ShouldBe(18.5);
        pressure[1]!["expected"]!["value"]!.GetValue<double>().ShouldBe(40, 4);
    }

    [Fact]
    public async Task The_hour_meter_does_not_run_backwards()
    {
        var pump = await PumpOf("NET-1");
        await Taken(pump, "meter", new JsonObject { ["on"] = "2026-03-01", ["hours"] = 1200 });
        var refused = await Refused(pump, "meter", new JsonObject { ["on"] = "2026-04-01", ["hours"] = 1100 }, "hours");
        refused.ShouldContain("1200 h on 2026-03-01");
        await Refused(pump, "meter", new JsonObject { ["on"] = "2099-04-01", ["hours"] = 1300 }, "on");
        await Refused(pump, "meter", new JsonObject { ["on"] = "2026-03-02", ["hours"] = 9000 }, "hours");
        var life = await Taken(pump, "meter", new JsonObject { ["on"] = "2026-04-01", ["hours"] = 0, ["newMeter"] = true });
        life["hours"]!["readings"]!.AsArray().Count.ShouldBe(2);
        life["hours"]!["now"]!.GetValue<double>().ShouldBeGreaterThanOrEqualTo(1200);
    }

    [Fact]
    public async Task Lives_entered_by_hand_do_not_overlap()
    {
        var pump = await PumpOf("TEST-3");
        await Taken(pump, "meter", new JsonObject { ["on"] = "2026-01-10", ["hours"] = 100 });
        var cup = new JsonObject { ["part"] = "cup", ["cylinder"] = 1, ["on"] = "2026-01-10", ["hours"] = 100, ["batch"] = "K-7" };
        var life = await Taken(pump, "part-changes", cup.DeepClone().AsObject());
        Position(life, "cup.1")["lives"]![0]!["batch"]!.GetValue<string>().ShouldBe("K-7");
        cup["on"] = "2026-05-10";
        cup["hours"] = 300;
        var told = await Refused(pump, "part-changes", cup.DeepClone().AsObject(), "changes");
        told.ShouldContain("fitted on 2026-05-10");
        told.ShouldContain("fitted on 2026-01-10 at 100 h");
        cup["out"] = "failed";
        cup["hours"] = 50;
        (await Refused(pump, "part-changes", cup.DeepClone().AsObject(), "hours")).ShouldContain("at least the 100 h on 2026-01-10");
        cup["hours"] = 300;
        life = await Taken(pump, "part-changes", cup.DeepClone().AsObject());
        Position(life, "cup.1")["lives"]!.AsArray().Select(l => l!["ran"]!.GetValue<double>()).First().ShouldBe(200);

        var entry = Position(life, "cup.1")["lives"]![0]!["out"]!.GetValue<string>();
        var (gone, after) = await product.Send(HttpMethod.Delete, $"/api/pumps/{pump}/part-changes/{entry}");
        gone.StatusCode.ShouldBe(HttpStatusCode.OK);
        Position(after!, "cup.1")["lives"]!.AsArray().Count.ShouldBe(1);
    }

    [Theory]
    [InlineData("part", """{"part":"gearbox"}""")]
    [InlineData("cylinder", """{"part":"valve","cylinder":7,"side":"inlet"}""")]
    [InlineData("side", """{"part":"valve","cylinder":2}""")]
    [InlineData("out", """{"part":"valve","cylinder":2,"side":"inlet","out":"exploded"}""")]
    [InlineData("on", """{"part":"nozzle","on":"2099-01-01"}""")]
    [InlineData("putIn", """{"part":"nozzle","putIn":false}""")]
    [InlineData("hours", """{"part":"nozzle","hours":-4}""")]
    public async Task An_entry_that_cannot_be_is_refused_by_its_field(string field, string entry) =>
        await Refused(await PumpOf("FOG-2"), "part-changes", JsonNode.Parse(entry)!.AsObject(), field);

    [Fact]
    public async Task How_it_is_run_is_kept_and_two_do_not_overwrite_one_another()
    {
        var pump = await PumpOf("FROST-S");
        var before = await Life(pump);
        var told = JsonNode.Parse("""
            {"serial":"QX-1188","commissioned":"2025-02-01","hoursPerWeek":10,"months":12,
             "seasons":[{"name":"frost nights","from":"03-15","to":"05-31","hoursPerWeek":60,"mustRun":true}],
             "tasks":[{"what":"Gauge checked","on":"2027-01-10","everyMonths":12}]}
            """)!.AsObject();
        var etag = $"\"{before["version"]}\"";
        var (response, life) = await product.Send(HttpMethod.Put, $"/api/pumps/{pump}/running", told.DeepClone(), etag);
        response.StatusCode.ShouldBe(HttpStatusCode.OK, life?.ToJsonString());
        life!["running"]!["serial"]!.GetValue<string>().ShouldBe("QX-1188");
        life["hours"]!["now"]!.GetValue<double>().ShouldBeGreaterThan(900);
        life["due"]!.AsArray().ShouldContain(d => d!["says"]!.GetValue<string>() == "Gauge checked");
        (await product.Send(HttpMethod.Put, $"/api/pumps/{pump}/running", told.DeepClone(), etag)).Response.StatusCode
            .ShouldBe(HttpStatusCode.PreconditionFailed);

        told["seasons"]![0]!["from"] = "02-30";
        var bad = await product.Send(HttpMethod.Put, $"/api/pumps/{pump}/running", told, $"\"{life["version"]}\"");
        bad.Response.StatusCode.ShouldBe(HttpStatusCode.BadRequest);
        bad.Body!["errors"]!.AsObject().ShouldContain(e => e.Key == "seasons[0].from");
    }

    [Fact]
    public async Task Old_seals_are_suspected_more()
    {
        var pump = await PumpOf("FOG-2");
        var id = await product.CaseOf("FOG-2");
        var before = Prior(await product.Get($"/api/cases/{id}"), "hp-seal-worn");
        await Taken(pump, "meter", new JsonObject { ["on"] = "2025-01-01", ["hours"] = 0 });
        foreach (var k in (int[])[1, 2, 3])
            await Taken(pump, "part-changes", new JsonObject { ["part"] = "hp-seal", ["cylinder"] = k, ["on"] = "2025-01-01" });
        await Taken(pump, "meter", new JsonObject { ["on"] = "2026-11-01", ["hours"] = 4000 });
        Prior(await product.Get($"/api/cases/{id}"), "hp-seal-worn").ShouldBeGreaterThan(2 * before);
    }

    [Fact]
    public async Task Paper_history_is_taken_in_whole_or_not_at_all()
    {
        var pump = await PumpOf("MIST-7");
        const string head = "part,cylinder,side,on,hours,out,by,batch\n";
        var bad = await Table(pump, head + "nozzle,,,2025-01-10,100,,Ines,\nnozzle,,,2025-06-01,300,,Ines,\n");
        bad.Response.StatusCode.ShouldBe(HttpStatusCode.BadRequest);
        bad.Body.ShouldContain("the one before is still in");
        (await Life(pump))["hours"]!["readings"]!.AsArray().ShouldBeEmpty();
        (await Table(pump, head + "nozzle,,,2025-01-10,ten,,Ines,\n")).Body.ShouldContain("row 2");
        (await Table(pump, "thing,on\nnozzle,2025-01-10\n")).Body.ShouldContain("“thing”");

        var good = await Table(pump, head + "nozzle,,,2025-01-10,100,,Ines,K-1\nnozzle,,,2025-06-01,300,failed,Ines,K-2\n");
        good.Response.StatusCode.ShouldBe(HttpStatusCode.OK, good.Body);
        Position(await Life(pump), "nozzle")["lives"]!.AsArray().Select(l => l!["batch"]!.GetValue<string>()).ShouldBe(["K-1", "K-2"]);
        var back = await product.Http.GetStringAsync($"/api/pumps/{pump}/part-changes.csv", TestContext.Current.CancellationToken);
        back.ShouldContain("nozzle,,,,2025-06-01,300,failed");
    }

    /// <summary>Others read the record at the same time, and it is read ahead: nobody is shown what stood before his own entry.</summary>
    [Fact]
    public async Task What_was_just_stored_is_shown()
    {
        using var shop = new Product(true, readAhead: true);
        var pumps = (await shop.Get("/api/pumps")).AsArray().Select(p => p!["id"]!.GetValue<string>()).Take(4).ToArray();
        await Task.WhenAll(pumps.Select(async pump =>
        {
            for (var hours = 1; hours <= 15; hours++)
            {
                var read = new JsonObject { ["hours"] = hours, ["on"] = $"2026-01-{hours:00}" };
                var life = await Posted(shop, $"/api/pumps/{pump}/meter", read);
                life["hours"]!["readings"]!.AsArray().Count.ShouldBe(hours);
            }
        }));

        var (one, two) = (await Added(shop, "MIST-A", 9, "AX-1"), await Added(shop, "MIST-B", 6, "AX-2"));
        await Running(shop, one, new JsonObject { ["serial"] = "AX-1" });
        await Running(shop, two, new JsonObject { ["serial"] = "AX-2" });
        for (var time = 0; time < 12; time++)
        {
            var version = (await shop.Get($"/api/pumps/{one}"))["version"];
            var life = await Posted(shop, $"/api/pumps/{one}/swap", new JsonObject { ["with"] = two }, $"\"{version}\"");
            life["tag"]!.GetValue<string>().ShouldBe(time % 2 == 0 ? "MIST-A" : "MIST-B");
        }
    }

    [Fact]
    public async Task A_pump_that_is_swapped_keeps_its_own_history()
    {
        using var shop = new Product();
        var (old, spare) = (await Added(shop, "MIST-A", 9, "AX-1"), await Added(shop, "MIST-B", 6, "AX-2"));
        var id = (await shop.Send(HttpMethod.Post, "/api/cases", new JsonObject { ["pumpId"] = old, ["complaint"] = "Weak" }))
            .Body!["id"]!.GetValue<string>();
        await Running(shop, old, new JsonObject { ["serial"] = "AX-1", ["hoursPerWeek"] = 40 });
        await Posted(shop, $"/api/pumps/{old}/meter", new JsonObject { ["on"] = "2026-03-01", ["hours"] = 1200 });
        await Posted(shop, $"/api/pumps/{old}/part-changes", new JsonObject { ["part"] = "nozzle", ["on"] = "2026-02-01" });
        var before = await shop.Get($"/api/cases/{id}");

        var swap = new JsonObject { ["with"] = spare, ["withHours"] = 77 };
        var (refused, why) = await Swapped(shop, old, swap, "\"2\"");
        refused.StatusCode.ShouldBe(HttpStatusCode.Conflict);
        why!["errors"]!["with"]![0]!.GetValue<string>().ShouldContain("serial number of MIST-B");
        await Running(shop, spare, new JsonObject { ["serial"] = "AX-2" });
        var other = (await shop.Get("/api/pumps")).AsArray().First(p => p!["tag"]!.GetValue<string>() == "JUICE-HP")!;
        var (unlike, whyNot) = await Swapped(shop, old, new JsonObject { ["with"] = other["id"]!.DeepClone() }, "\"2\"");
        unlike.StatusCode.ShouldBe(HttpStatusCode.BadRequest);
        whyNot!["errors"]!["with"]![0]!.GetValue<string>().ShouldContain("JUICE-HP, intensifier");
        var (stale, _) = await Swapped(shop, old, swap, "\"1\"");
        stale.StatusCode.ShouldBe(HttpStatusCode.PreconditionFailed);
        var life = await Posted(shop, $"/api/pumps/{old}/swap", swap, $"\"{(await shop.Get($"/api/pumps/{old}"))["version"]}\"");

        // The place keeps its tag, set-up and duty; the pump its serial, hours and parts.
        life["id"]!.GetValue<string>().ShouldBe(spare);
        life["tag"]!.GetValue<string>().ShouldBe("MIST-A");
        life["running"]!["serial"]!.GetValue<string>().ShouldBe("AX-2");
        life["running"]!["hoursPerWeek"]!.GetValue<double>().ShouldBe(40);
        life["hours"]!["now"]!.GetValue<double>().ShouldBe(77, 0.5);
        Position(life, "nozzle")["lives"]!.AsArray().ShouldBeEmpty();
        life["before"]![0]!["serial"]!.GetValue<string>().ShouldBe("AX-1");
        Nozzle(await shop.Get($"/api/pumps/{spare}")).ShouldBe(9);
        var shelf = await shop.Get($"/api/pumps/{old}/life");
        shelf["tag"]!.GetValue<string>().ShouldBe("MIST-B");
        shelf["stoodAt"]![0]!["tag"]!.GetValue<string>().ShouldBe("MIST-A");
        Position(shelf, "nozzle")["lives"]!.AsArray().Count.ShouldBe(1);
        shelf["hours"]!["now"]!.GetValue<double>().ShouldBeGreaterThan(1200);

        // A case of that time is still read with the place at which it was opened.
        var after = await shop.Get($"/api/cases/{id}");
        after["pump"]!["tag"]!.GetValue<string>().ShouldBe("MIST-A");
        Nozzle(after["pump"]!).ShouldBe(9);
        after["diagnosis"]!.ToJsonString().ShouldBe(before["diagnosis"]!.ToJsonString());
        (await shop.Get("/api/cases")).AsArray().First(c => c!["id"]!.GetValue<string>() == id)!["tag"]!.GetValue<string>()
            .ShouldBe("MIST-A");
    }

    private static double Nozzle(JsonNode pump) => pump["setup"]!["nozzle"]!["flow"]!["value"]!.GetValue<double>();

    private static async Task<string> Added(Product shop, string tag, double flow, string serial)
    {
        var setup = Product.Setup();
        setup["nozzle"] = new JsonObject { ["flow"] = Product.Amount(flow, "L/min"), ["at"] = Product.Amount(70, "bar") };
        var pump = new JsonObject { ["tag"] = tag, ["name"] = serial, ["pump"] = Product.Pump(), ["setup"] = setup, ["sure"] = true };
        return (await Posted(shop, "/api/pumps", pump))["id"]!.GetValue<string>();
    }

    private static async Task Running(Product shop, string pump, JsonObject told) => (await shop.Send(
        HttpMethod.Put, $"/api/pumps/{pump}/running", told, $"\"{(await shop.Get($"/api/pumps/{pump}"))["version"]}\""))
        .Response.StatusCode.ShouldBe(HttpStatusCode.OK);

    private static async Task<JsonNode> Posted(Product shop, string path, JsonObject what, string? etag = null)
    {
        var (response, body) = await shop.Send(HttpMethod.Post, path, what, etag);
        response.IsSuccessStatusCode.ShouldBeTrue(body?.ToJsonString());
        return body!;
    }

    private static Task<(HttpResponseMessage Response, JsonNode? Body)> Swapped(Product shop, string pump, JsonObject told, string etag) =>
        shop.Send(HttpMethod.Post, $"/api/pumps/{pump}/swap", told.DeepClone().AsObject(), etag);

    private async Task<(HttpResponseMessage Response, string Body)> Table(string pump, string rows)
    {
        using var content = new StringContent(rows, System.Text.Encoding.UTF8, "text/csv");
        var response = await product.Http.PostAsync($"/api/pumps/{pump}/part-changes.csv", content, TestContext.Current.CancellationToken);
        return (response, await response.Content.ReadAsStringAsync(TestContext.Current.CancellationToken));
    }

    private static double Prior(JsonNode shown, string fault) => shown["diagnosis"]!["suspects"]!.AsArray()
        .First(s => s!["fault"]!.GetValue<string>() == fault)!["prior"]!.GetValue<double>();

    private static JsonNode Position(JsonNode life, string key) =>
        life["positions"]!.AsArray().First(p => p!["key"]!.GetValue<string>() == key)!;

    private async Task<string> PumpOf(string tag) =>
        (await product.Get("/api/pumps")).AsArray().First(p => p!["tag"]!.GetValue<string>() == tag)!["id"]!.GetValue<string>();

    private async Task<JsonNode> Life(string pump) => await product.Get($"/api/pumps/{pump}/life");

    private async Task<JsonNode> Taken(string pump, string what, JsonObject entry)
    {
        var (response, body) = await product.Send(HttpMethod.Post, $"/api/pumps/{pump}/{what}", entry);
        response.StatusCode.ShouldBe(HttpStatusCode.OK, body?.ToJsonString());
        return body!;
    }

    private async Task<string> Refused(string pump, string what, JsonObject entry, string field)
    {
        var (response, body) = await product.Send(HttpMethod.Post, $"/api/pumps/{pump}/{what}", entry);
        response.StatusCode.ShouldBe(HttpStatusCode.BadRequest, body?.ToJsonString());
        body!["errors"]!.AsObject().Select(e => e.Key).ShouldContain(field);
        return body["detail"]!.GetValue<string>();
    }
}
