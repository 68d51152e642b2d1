using System.Net;
using System.Text.Json.Nodes;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using MildHunch.Store;

namespace MildHunch.Web.Tests.Operations;

/// <summary>Whatever is stored of a pump, in a file or on a day: the product starts, every page answers, the others go on.</summary>
public sealed class NeverFallsTests : IDisposable
{
    private readonly string folder = Directory.CreateTempSubdirectory("mild-hunch-falls-").FullName;

    public void Dispose()
    {
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        Directory.Delete(folder, recursive: true);
    }

    /// <summary>An intensifier that was noted with its sheet, torques and bolts, and turns out to be a crank pump.</summary>
    [Fact]
    public async Task A_pump_corrected_into_another_kind_keeps_its_figures_and_says_what_no_longer_fits()
    {
        using (var product = new Product(true, folder, readAhead: true))
        {
            var pump = await Pump(product, "JUICE-HP");
            await Put(product, $"/api/pumps/{pump["id"]}/sheet", pump, new JsonObject
            {
                ["sheet"] = new JsonObject
                {
                    ["id"] = "intensifier-rods",
                    ["torques"] = new JsonObject { ["tie-rod-nuts"] = Product.Amount(120, "N·m") },
                },
                ["sure"] = true,
            });
            pump = await Pump(product, "JUICE-HP");
            await Put(product, $"/api/pumps/{pump["id"]}", pump, new JsonObject
            {
                ["tag"] = "JUICE-HP",
                ["pump"] = Product.Pump(),
                ["setup"] = Product.Setup(),
            });
            await PagesAnswer(product);
            var sheets = await product.Get($"/api/pumps/{pump["id"]}/sheets");
            var left = sheets["leftOut"]!.AsArray().Select(l => l!.GetValue<string>()).ToArray();
            left.ShouldContain("the sheet “intensifier-rods”");
            left.ShouldContain("torque of tie-rod-nuts");
            (await product.Get($"/api/pumps/{pump["id"]}/life"))["conflicts"]!.AsArray().Count.ShouldBe(2);

            // Its figures go on being noted, those that do not fit among them; nothing new of that kind is taken.
            pump = await Pump(product, "JUICE-HP");
            var figures = pump["sheet"]!.DeepClone();
            figures["torques"]!["head-bolts"] = Product.Amount(25, "N·m");
            await Put(product, $"/api/pumps/{pump["id"]}/sheet", pump, new JsonObject { ["sheet"] = figures.DeepClone() });
            pump = await Pump(product, "JUICE-HP");
            figures["torques"]!["rod-nuts"] = Product.Amount(25, "N·m");
            (await product.Send(
                HttpMethod.Put, $"/api/pumps/{pump["id"]}/sheet", new JsonObject { ["sheet"] = figures }, $"\"{pump["version"]}\""))
                .Response.StatusCode.ShouldBe(HttpStatusCode.BadRequest);
        }

        using var again = new Product(false, folder, readAhead: true);
        await PagesAnswer(again);
        var kept = (await Pump(again, "JUICE-HP"))["sheet"]!;
        kept["id"]!.GetValue<string>().ShouldBe("intensifier-rods");
        kept["torques"]!.AsObject().Select(x => x.Key).ShouldBe(["tie-rod-nuts", "head-bolts"]);
    }

    /// <summary>Rows that no page of today would store: from an older version, a file from elsewhere, a clock that ran wrong.</summary>
    [Fact]
    public async Task Rows_that_cannot_be_are_left_out_and_named()
    {
        using (var product = new Product(true, folder))
        {
            using var scope = product.Services.CreateScope();
            var db = scope.ServiceProvider.GetRequiredService<MildHunchDb>();
            var pumps = await db.Pumps.ToDictionaryAsync(p => p.Tag, TestContext.Current.CancellationToken);
            foreach (var on in new[] { new DateOnly(1, 1, 15), new DateOnly(9999, 12, 31) })
                db.PartChanges.Add(
                    new PartChangeEntity { Id = Ids.New(), PumpId = pumps["FOG-2"].Id, Part = "valve", On = on, PutIn = true });
            db.Meters.Add(new MeterEntity { Id = Ids.New(), PumpId = pumps["FOG-2"].Id, On = new DateOnly(1, 1, 1), Hours = 12 });
            pumps["WASH-3"].RunningJson = $$"""{"commissioned":"{{TimeProvider.System.GetLocalNow().AddDays(3):yyyy-MM-dd}}"}""";
            pumps["BRINE-4"].PumpJson = """{"arrangement":"perpetual"}""";
            pumps["DESAL-B"].SheetJson = """{"id":"gone","kits":[null],"limits":{"plunger: diameter":null},"choices":[null]}""";
            await db.SaveChangesAsync(TestContext.Current.CancellationToken);
        }

        using var started = new Product(false, folder, readAhead: true);
        await PagesAnswer(started, but: "BRINE-4");
        (await Life(started, "FOG-2"))["conflicts"]!.AsArray().Count(c => c!.GetValue<string>().Contains("is left out")).ShouldBe(3);
        (await Life(started, "WASH-3"))["conflicts"]!.AsArray().Select(c => c!.GetValue<string>())
            .ShouldContain(c => c.StartsWith("commissioned"));
        (await Life(started, "WASH-3"))["running"]!["commissioned"].ShouldNotBeNull("what was told is shown, so that it can be corrected");
        (await Life(started, "DESAL-B"))["conflicts"]!.AsArray().ShouldNotBeEmpty();
        var broken = await Pump(started, "BRINE-4");
        var (response, says) = await started.Send(HttpMethod.Get, $"/api/pumps/{broken["id"]}/life");
        response.StatusCode.ShouldBe(HttpStatusCode.Conflict);
        says!["detail"]!.GetValue<string>().ShouldContain("BRINE-4");
        (await started.Get("/api/due"))["unread"]!.AsArray().Select(u => u!["tag"]!.GetValue<string>()).ShouldBe(["BRINE-4"]);
        (await started.Get("/api/record"))["unread"]!.AsArray().Count.ShouldBe(1);
        var health = await started.Get("/health");
        health["status"]!.GetValue<string>().ShouldBe("degraded");
        health["why"]!.AsArray().Single()!.GetValue<string>().ShouldContain("BRINE-4");
    }

    [Fact]
    public async Task A_season_of_the_whole_year_in_which_it_must_run_puts_nothing_off_for_ever()
    {
        using var product = new Product(true, folder, readAhead: true);
        var pump = await Pump(product, "FOG-2");
        await Put(product, $"/api/pumps/{pump["id"]}/running", pump, new JsonObject
        {
            ["commissioned"] = "2020-03-01",
            ["months"] = 6,
            ["hoursPerWeek"] = 20,
            ["seasons"] = new JsonArray(new JsonObject
            {
                ["name"] = "all year",
                ["from"] = "01-01",
                ["to"] = "12-31",
                ["hoursPerWeek"] = 30,
                ["mustRun"] = true,
            }),
        });
        await PagesAnswer(product);
    }

    [Theory]
    [InlineData("")]
    [InlineData("null")]
    [InlineData("[]")]
    [InlineData("{\"workPerHour\":-4}")]
    [InlineData("{\"workPerHour\":\"much\"}")]
    [InlineData("{\"currency\":")]
    public async Task Odd_settings_of_the_shop_are_told_and_keep_nothing_from_starting(string text)
    {
        await File.WriteAllTextAsync(Path.Combine(folder, "shop.json"), text, TestContext.Current.CancellationToken);
        using var product = new Product(false, folder);
        var health = await product.Get("/health");
        (health["status"]!.GetValue<string>(), health["why"]!.AsArray().Count).ShouldBe(("degraded", 1));
        (await product.Send(HttpMethod.Put, "/api/shop", new JsonObject { ["name"] = "Gannet Reach" })).Response.EnsureSuccessStatusCode();
        (await product.Get("/health"))["status"]!.GetValue<string>().ShouldBe("well");
    }

    // Every page that reads pumps or the record, of every pump.
    private static async Task PagesAnswer(Product product, string? but = null)
    {
        foreach (var page in new[]
        {
            "/health", "/api/pumps", "/api/cases", "/api/due", "/api/due.ics", "/api/due.csv", "/api/record", "/api/record.csv",
        })
            (await product.Send(HttpMethod.Get, page)).Response.StatusCode.ShouldBe(HttpStatusCode.OK, page);
        foreach (var pump in (await product.Get("/api/pumps")).AsArray().Where(p => p!["tag"]!.GetValue<string>() != but))
            foreach (var page in new[] { "", "/life", "/sheets", "/part-changes.csv" })
                (await product.Send(HttpMethod.Get, $"/api/pumps/{pump!["id"]}{page}")).Response.StatusCode
                    .ShouldBe(HttpStatusCode.OK, $"{pump["tag"]}{page}");
    }

    private static async Task<JsonNode> Pump(Product product, string tag) =>
        (await product.Get("/api/pumps")).AsArray().Single(p => p!["tag"]!.GetValue<string>() == tag)!;

    private static async Task<JsonNode> Life(Product product, string tag) =>
        await product.Get($"/api/pumps/{(await Pump(product, tag))["id"]}/life");

    private static async Task Put(Product product, string path, JsonNode pump, JsonObject body)
    {
        var (response, said) = await product.Send(HttpMethod.Put, path, body, $"\"{pump["version"]}\"");
        response.StatusCode.ShouldBe(HttpStatusCode.OK, said?.ToJsonString());
    }
}
