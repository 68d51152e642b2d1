using System.Globalization;
using System.Net;
using System.Text.Json.Nodes;

namespace MildHunch.Web.Tests.Records;

/// <summary>What is due over HTTP: list, feed, table, and the shelf.</summary>
public sealed class DueTests : IClassFixture<Product>
{
    // The day it is for the product, which goes by the machine’s clock here.
    private static readonly DateTime Today = TimeProvider.System.GetLocalNow().Date;
    private readonly Product product;

    public DueTests(Product product) => this.product = product;

    [Fact]
    public async Task A_pump_comes_up_by_its_interval_with_the_kits_it_needs()
    {
        await Seals("FOG-2", Day(-170));
        var due = await product.Get("/api/due?to=" + Day(60));
        var visit = due["visits"]!.AsArray().First(v => v!["tag"]!.GetValue<string>() == "FOG-2")!;
        visit["items"]!.AsArray().ShouldContain(i => i!["why"]!.GetValue<string>() == "hours");
        visit["minutes"]!.GetValue<double>().ShouldBeGreaterThan(30);
        var kit = due["needed"]!.AsArray().First(n => n!["name"]!.GetValue<string>() == "Seals, three cylinders")!;
        kit["count"]!.GetValue<int>().ShouldBe(1);
        kit["inStock"].ShouldBeNull();

        await Count("Seals, three cylinders", 0, 1);
        due = await product.Get("/api/due?to=" + Day(60));
        kit = due["needed"]!.AsArray().First(n => n!["name"]!.GetValue<string>() == "Seals, three cylinders")!;
        kit["short"]!.GetValue<double>().ShouldBe(1);
        due["low"]!.AsArray().ShouldContain(l => l!["name"]!.GetValue<string>() == "Seals, three cylinders");
    }

    /// <summary>A pump that is put away is due nowhere from that moment on, and due again once it is back.</summary>
    [Fact]
    public async Task What_is_put_away_leaves_list_and_feed_at_once_and_comes_back()
    {
        await Seals("MIST-7", Day(-170));
        var pump = await PumpOf("MIST-7");
        (await Due()).ShouldBe((true, true));
        (await product.Send(HttpMethod.Put, $"/api/pumps/{pump}/archived")).Response.StatusCode.ShouldBe(HttpStatusCode.NoContent);
        (await Due()).ShouldBe((false, false));
        (await product.Send(HttpMethod.Delete, $"/api/pumps/{pump}/archived")).Response.StatusCode.ShouldBe(HttpStatusCode.NoContent);
        (await Due()).ShouldBe((true, true));

        async Task<(bool Listed, bool Fed)> Due() => (
            (await product.Get($"/api/due?to={Day(360)}"))["visits"]!.AsArray().Any(v => v!["pumpId"]!.GetValue<string>() == pump),
            (await product.Http.GetStringAsync("/api/due.ics", TestContext.Current.CancellationToken)).Contains("MIST-7"));
    }

    [Fact]
    public async Task The_feed_is_read_by_a_reader_of_our_own()
    {
        await Seals("NET-1", Day(-200));
        var pump = await PumpOf("NET-1");
        var life = await product.Get($"/api/pumps/{pump}/life");
        var told = JsonNode.Parse($$"""{"tasks":[{"what":"Gauge checked; see the card, please","on":"{{Day(0)}}","everyMonths":1}]}""");
        await product.Send(HttpMethod.Put, $"/api/pumps/{pump}/running", told, $"\"{life["version"]}\"");
        var response = await product.Http.GetAsync("/api/due.ics", TestContext.Current.CancellationToken);
        response.Content.Headers.ContentType!.MediaType.ShouldBe("text/calendar");
        var feed = CalendarReader.Read(await response.Content.ReadAsStringAsync(TestContext.Current.CancellationToken));
        var checks = feed.Where(e => e["SUMMARY"] == "NET-1: Gauge checked; see the card, please").ToArray();
        checks.Length.ShouldBeGreaterThanOrEqualTo(11);
        feed.Select(e => e["UID"]).Distinct().Count().ShouldBe(feed.Count);
        feed.ShouldAllBe(e => DateTime.ParseExact(e["DTSTART"], "yyyyMMdd", CultureInfo.InvariantCulture) >= Today);
    }

    /// <summary>
    /// Two visits of one service that comes again begin with the same part on many days: a calendar would drop one
    /// of two events of one name (RFC 5545, 3.8.4.7).
    /// </summary>
    [Theory]
    [MemberData(nameof(Moments.All), MemberType = typeof(Moments))]
    public async Task At_any_moment_visits_are_named_and_reports_dated_as_the_shop_counts_days(string moment, string zone)
    {
        var now = Moments.In(moment, zone);
        using var then = new Product(demo: true, clock: Moments.Clock(moment, zone));
        var pumps = (await then.Get("/api/pumps")).AsArray().Select(p => p!["id"]!.GetValue<string>()).ToArray();
        foreach (var pump in pumps)
            await WorkedSince(then, pump, now.AddDays(-200));
        var feed = CalendarReader.Read(await then.Http.GetStringAsync("/api/due.ics", TestContext.Current.CancellationToken));
        feed.Count.ShouldBeGreaterThan(5);
        feed.Select(e => e["UID"]).Distinct().Count().ShouldBe(feed.Count);
        feed.ShouldAllBe(e => DateTime.ParseExact(e["DTSTART"], "yyyyMMdd", CultureInfo.InvariantCulture) >= now.Date);

        // Of the day that it is in the shop, on every page.
        var today = now.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture);
        (await then.Get("/api/due"))["today"]!.GetValue<string>().ShouldBe(today);
        foreach (var pump in pumps)
            (await then.Get($"/api/pumps/{pump}/life"))["today"]!.GetValue<string>().ShouldBe(today);
        foreach (var one in (await then.Get("/api/cases")).AsArray())
        {
            DateTimeOffset.Parse(one!["openedAt"]!.GetValue<string>(), CultureInfo.InvariantCulture).ShouldBeLessThanOrEqualTo(now);
            (await then.Get($"/api/cases/{one["id"]}/report"))["content"]!["subtitle"]!.GetValue<string>().ShouldContain(today);
        }

        (await then.Get("/api/record"))["unread"]!.AsArray().ShouldBeEmpty();
    }

    [Fact]
    public async Task Two_who_count_the_shelf_do_not_overwrite_one_another()
    {
        var first = await Count("Valves, one side", 4, 2);
        await Count("Valves, one side", 3, 2, first["version"]!.GetValue<int>());
        var stale = await product.Send(HttpMethod.Put, "/api/stock", Shelf("Valves, one side", 9, 2, first["version"]!.GetValue<int>()));
        stale.Response.StatusCode.ShouldBe(HttpStatusCode.PreconditionFailed);
        var minus = await product.Send(HttpMethod.Put, "/api/stock", Shelf("Valves, one side", -1, 2));
        minus.Response.StatusCode.ShouldBe(HttpStatusCode.BadRequest);
        minus.Body!["errors"]!.AsObject().ShouldContain(e => e.Key == "inStock");
    }

    [Theory]
    [InlineData("/api/due?from=2026-12-01&to=2026-11-01", "to")]
    [InlineData("/api/due?to=2099-01-01", "to")]
    [InlineData("/api/record?from=2026-12-01&to=2026-11-01", "to")]
    public async Task A_span_that_cannot_be_is_refused(string path, string field)
    {
        var (response, body) = await product.Send(HttpMethod.Get, path);
        response.StatusCode.ShouldBe(HttpStatusCode.BadRequest);
        body!["errors"]!.AsObject().ShouldContain(e => e.Key == field);
    }

    [Fact]
    public async Task A_label_opens_the_pump_at_the_shops_address()
    {
        await product.Send(HttpMethod.Put, "/api/shop", new JsonObject { ["address"] = "http://workshop.local:5080/" });
        var label = await product.Http.GetStringAsync(
            $"/api/pumps/{await PumpOf("FOG-2")}/label.svg", TestContext.Current.CancellationToken);
        label.ShouldContain("http://workshop.local:5080<");
        label.ShouldContain(">FOG-2<");
        var (response, _) = await product.Send(HttpMethod.Put, "/api/shop", new JsonObject { ["address"] = "javascript:alert(1)" });
        response.StatusCode.ShouldBe(HttpStatusCode.BadRequest);
    }

    [Fact]
    public async Task The_record_says_what_failed_and_how_often_the_hunch_was_right()
    {
        var id = await product.CaseOf("WASH-3");
        await product.Change(id, new JsonObject { ["facts"] = new JsonObject { ["closed"] = "", ["reopened"] = "To look again." } });
        await product.Change(id, new JsonObject { ["facts"] = new JsonObject { ["closed"] = "inlet-valve-leak@2" } });
        var record = await product.Get("/api/record");
        record["cases"]!.GetValue<int>().ShouldBe(1);
        record["found"]![0]!["id"]!.GetValue<string>().ShouldBe("inlet-valve-leak");
        record["ledByTheRight"]!.GetValue<int>().ShouldBe(1);
        record["hunches"]!.AsArray().Count.ShouldBe(1);
        record["causes"]![0]!["cause"]!.GetValue<string>().ShouldContain("grit");
        var table = await product.Http.GetStringAsync("/api/record.csv", TestContext.Current.CancellationToken);
        table.ShouldContain("WASH-3");
    }

    private static JsonObject Shelf(string name, double count, double order, int? version = null)
    {
        var shelf = new JsonObject { ["name"] = name, ["inStock"] = count, ["reorderAt"] = order };
        if (version is not null)
            shelf["version"] = version;
        return shelf;
    }

    private async Task<JsonNode> Count(string name, double count, double order, int? version = null)
    {
        var (response, body) = await product.Send(HttpMethod.Put, "/api/stock", Shelf(name, count, order, version));
        response.StatusCode.ShouldBe(HttpStatusCode.OK, body?.ToJsonString());
        return body!;
    }

    private static async Task WorkedSince(Product there, string pump, DateTimeOffset since)
    {
        var life = await there.Get($"/api/pumps/{pump}/life");
        var on = since.ToString("yyyy-MM-dd", CultureInfo.InvariantCulture);
        await there.Send(
            HttpMethod.Put, $"/api/pumps/{pump}/running", new JsonObject { ["commissioned"] = on, ["hoursPerWeek"] = 60 },
            $"\"{life["version"]}\"");
        await there.Send(
            HttpMethod.Post, $"/api/pumps/{pump}/part-changes", new JsonObject { ["part"] = "hp-seal", ["cylinder"] = 1, ["on"] = on });
    }

    private static string Day(int ahead) => Today.AddDays(ahead).ToString("yyyy-MM-dd", CultureInfo.InvariantCulture);

    // All seals new on a day, thirty hours a week since.
    private async Task Seals(string tag, string on)
    {
        var pump = await PumpOf(tag);
        var life = await product.Get($"/api/pumps/{pump}/life");
        await product.Send(
            HttpMethod.Put, $"/api/pumps/{pump}/running", new JsonObject { ["commissioned"] = on, ["hoursPerWeek"] = 30 },
            $"\"{life["version"]}\"");
        foreach (var part in (string[])["hp-seal", "lp-seal"])
            foreach (var k in (int[])[1, 2, 3])
                await product.Send(
                    HttpMethod.Post, $"/api/pumps/{pump}/part-changes",
                    new JsonObject { ["part"] = part, ["cylinder"] = k, ["on"] = on });
    }

    private async Task<string> PumpOf(string tag) =>
        (await product.Get("/api/pumps")).AsArray().First(p => p!["tag"]!.GetValue<string>() == tag)!["id"]!.GetValue<string>();
}
