using System.Net;
using System.Net.Http.Headers;
using System.Text;
using System.Text.Json.Nodes;

namespace MildHunch.Web.Tests.Door;

/// <summary>Two at once, something twice, something of another: refused in words, never a failure.</summary>
public sealed class RaceAndRefusalTests(Product product) : IClassFixture<Product>
{
    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    [Fact]
    public async Task Signing_at_once_signs_once_or_in_turn_and_never_fails()
    {
        var id = await product.CaseOf("FOG-2");
        var etag = await product.Etag(id);
        var answers = await Task.WhenAll(Enumerable.Range(0, 6).Select(k => product.Send(
            HttpMethod.Post, $"/api/cases/{id}/report/sign", new JsonObject { ["by"] = $"Ines Halvard {k}" }, etag)));
        answers.Count(a => a.Response.IsSuccessStatusCode).ShouldBeGreaterThan(0);
        answers.Select(a => a.Response.StatusCode).ShouldBeSubsetOf([HttpStatusCode.OK, HttpStatusCode.PreconditionFailed]);
        var revisions = (await product.Get($"/api/cases/{id}/report"))["revisions"]!.AsArray();
        revisions.Select(r => r!["revision"]!.GetValue<int>())
            .ShouldBe(Enumerable.Range(1, answers.Count(a => a.Response.IsSuccessStatusCode)));
    }

    [Fact]
    public async Task Counting_the_same_part_at_once_keeps_one_row()
    {
        var answers = await Task.WhenAll(Enumerable.Range(0, 8).Select(k => product.Send(
            HttpMethod.Put, "/api/stock", new JsonObject { ["name"] = "Seal kit 18", ["inStock"] = k })));
        answers.Count(a => a.Response.IsSuccessStatusCode).ShouldBeGreaterThan(0);
        answers.Select(a => a.Response.StatusCode).ShouldBeSubsetOf([HttpStatusCode.OK, HttpStatusCode.PreconditionFailed]);
        (await product.Get("/api/stock")).AsArray().Count(s => s!["name"]!.GetValue<string>() == "Seal kit 18").ShouldBe(1);
    }

    [Fact]
    public async Task An_entry_of_another_pump_is_not_taken_back()
    {
        var (one, other) = (await Pump("FOG-2"), await Pump("WASH-3"));
        var (_, life) = await product.Send(
            HttpMethod.Post, $"/api/pumps/{one}/meter", new JsonObject { ["hours"] = 912345, ["newMeter"] = true });
        var entry = life!["hours"]!["readings"]!.AsArray()
            .Single(m => m!["hours"]!.GetValue<double>() == 912345)!["id"]!.GetValue<string>();
        (await product.Send(HttpMethod.Delete, $"/api/pumps/{other}/meter/{entry}")).Response.StatusCode.ShouldBe(HttpStatusCode.NotFound);
        (await product.Send(HttpMethod.Delete, $"/api/pumps/{one}/meter/{entry}")).Response.StatusCode.ShouldBe(HttpStatusCode.OK);
    }

    [Theory]
    [InlineData("tag,tag\nA-1,A-2\n", "tag")]
    [InlineData("tag,tag.length\nA-1,2\n", "tag")]
    [InlineData("tag,Tag\nA-1,2\n", "tag")]
    public async Task A_column_twice_is_named(string rows, string named)
    {
        using var content = new StringContent(rows, Encoding.UTF8, "text/csv");
        var response = await product.Http.PostAsync("/api/pumps.csv", content, Stop);
        response.StatusCode.ShouldBe(HttpStatusCode.BadRequest);
        (await response.Content.ReadAsStringAsync(Stop)).ShouldContain(named);
    }

    [Theory]
    [InlineData("""[{"part":"hp-seal","shape":2,"b10Hours":900},{"part":"hp-seal","shape":2,"b10Hours":800}]""", "lives[1].part")]
    [InlineData("""[null]""", "lives[0]")]
    public async Task A_life_twice_or_none_is_refused_by_its_field(string lives, string field)
    {
        var request = Product.Fog2();
        request["lives"] = JsonNode.Parse(lives);
        var (response, body) = await product.Send(HttpMethod.Post, "/api/diagnosis", request);
        response.StatusCode.ShouldBe(HttpStatusCode.BadRequest);
        body!["errors"]!.AsObject().Single().Key.ShouldBe(field);
    }

    [Theory]
    [InlineData("/api/due?from=9999-12-31")]
    [InlineData("/api/due?to=9999-12-31")]
    [InlineData("/api/due?from=0001-01-01")]
    [InlineData("/api/due.csv?from=9999-12-31")]
    [InlineData("/api/record?from=0001-01-01")]
    [InlineData("/api/record?to=9999-12-31")]
    public async Task Days_off_the_calendar_are_refused(string path) =>
        (await product.Http.GetAsync(path, Stop)).StatusCode.ShouldBe(HttpStatusCode.BadRequest);

    [Fact]
    public async Task A_file_cut_short_on_the_way_is_said_to_be()
    {
        var content = new ByteArrayContent(Encoding.ASCII.GetBytes(
            "--x\r\nContent-Disposition: form-data; name=\"file\"; filename=\"case.zip\"\r\n\r\nPK half of"));
        content.Headers.ContentType = MediaTypeHeaderValue.Parse("multipart/form-data; boundary=x");
        var response = await product.Http.PostAsync("/api/import", content, Stop);
        response.StatusCode.ShouldBe(HttpStatusCode.BadRequest);
        (await response.Content.ReadAsStringAsync(Stop)).ShouldContain("cut short");
    }

    /// <summary>Everyday work: what was found failed is not what it turned out to be, and the case is closed all the same.</summary>
    [Fact]
    public async Task A_case_with_a_part_found_failed_beside_the_cause_is_closed()
    {
        var first = await Failed("nozzle-worn");
        (await product.Get($"/api/cases/{first}"))["closed"].ShouldNotBeNull();
        var second = await Failed("unloader-set-low");
        var changes = (await product.Get($"/api/pumps/{await Pump("FOG-2")}/life"))["positions"]!.ToJsonString();
        changes.ShouldContain(first);
        changes.ShouldContain(second);
    }

    private async Task<string> Failed(string cause)
    {
        var id = await product.CaseOf("FOG-2");
        await product.Change(id, new JsonObject
        {
            ["work"] = new JsonObject
            {
                ["plan"] = new JsonObject
                {
                    ["targets"] = new JsonArray(new JsonObject { ["part"] = "valve", ["cylinder"] = 2, ["side"] = "discharge" }),
                },
                ["acknowledged"] = new JsonObject { ["by"] = "Tobi Marr" },
                ["found"] = new JsonObject { ["valve.2.discharge"] = new JsonObject { ["state"] = "failed", ["by"] = "Ines Halvard" } },
            },
        });
        await product.Change(id, new JsonObject { ["facts"] = new JsonObject { ["closed"] = cause } });
        return id;
    }

    private async Task<string> Pump(string tag) =>
        (await product.Get("/api/pumps")).AsArray().Single(p => p!["tag"]!.GetValue<string>() == tag)!["id"]!.GetValue<string>();
}
