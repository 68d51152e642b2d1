using System.Net;
using System.Text;
using System.Text.Json.Nodes;

namespace MildHunch.Web.Tests.Travel;

/// <summary>Tables for a spreadsheet, and a list of pumps that comes back.</summary>
public sealed class TableTests : IDisposable
{
    private readonly Product here = new();
    private readonly Product there = new(false);

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    public void Dispose()
    {
        here.Dispose();
        there.Dispose();
    }

    [Fact]
    public async Task All_pumps_come_out_of_another_shop_as_they_went_in()
    {
        var list = await here.Http.GetStringAsync("/api/pumps.csv", Stop);
        var (response, body) = await Take(list);
        response.StatusCode.ShouldBe(HttpStatusCode.OK, body?.ToJsonString());
        body!["added"]!.GetValue<int>().ShouldBe(10);
        foreach (var pump in (await here.Get("/api/pumps")).AsArray())
        {
            var taken = (await there.Get("/api/pumps")).AsArray().Single(p => p!["tag"]!.ToString() == pump!["tag"]!.ToString())!;
            foreach (var part in new[] { "pump", "setup" })
                taken[part]!.ToJsonString().ShouldBe(pump![part]!.ToJsonString(), pump["tag"]!.ToString());
        }

        (await there.Http.GetStringAsync("/api/pumps.csv", Stop)).ShouldBe(list);
        (_, body) = await Take(list);
        (body!["added"]!.GetValue<int>(), body["alreadyHere"]!.AsArray().Count).ShouldBe((0, 10));
    }

    [Theory]
    [InlineData("", "file")]
    [InlineData("tag\n", "file")]
    [InlineData("tag,pump.colour\nA,blue\n", "row 2.pump.colour")]
    [InlineData("tag,pump.cylinders\nA,three\n", "row 2.pump.cylinders")]
    [InlineData("tag,pump.plungerDiameter\nA,18mm\n", "row 2.pump.plungerDiameter")]
    public async Task A_list_that_cannot_be_read_is_refused_whole(string list, string field)
    {
        var (response, body) = await Take(list);
        response.StatusCode.ShouldBe(HttpStatusCode.BadRequest, body?.ToJsonString());
        body!["errors"]!.AsObject().Select(e => e.Key).ShouldContain(field);
        (await there.Get("/api/pumps")).AsArray().Count.ShouldBe(0);
    }

    [Fact]
    public async Task Readings_parts_and_findings_of_a_closed_case()
    {
        var id = (await here.Get("/api/cases")).AsArray().Single(c => c!["closed"] is not null)!["id"]!.GetValue<string>();
        (await here.Http.GetStringAsync($"/api/cases/{id}/readings.csv", Stop))
            .ShouldContain("discharge-pressure,Pressure at the head,39.6,,bar,1");
        (await here.Http.GetStringAsync($"/api/cases/{id}/parts.csv", Stop)).ShouldContain("inlet-valve,Inlet valve on the rod,3");
        (await here.Http.GetStringAsync($"/api/cases/{id}/findings.csv", Stop)).ShouldContain("failed,grooved-seat,Runa Estcott");
    }

    /// <summary>What a spreadsheet would take for a formula is written as text, and comes back as what it was.</summary>
    [Fact]
    public async Task Formulas_are_text_in_every_table_and_come_back_as_they_were()
    {
        var (made, said) = await here.Send(HttpMethod.Post, "/api/pumps", new JsonObject
        {
            ["tag"] = "=1+1",
            ["name"] = "@SUM(A1)",
            ["duty"] = "\t-2+3",
            ["pump"] = Product.Pump(),
            ["setup"] = Product.Setup(),
        });
        made.StatusCode.ShouldBe(HttpStatusCode.Created, said?.ToJsonString());
        var list = await here.Http.GetStringAsync("/api/pumps.csv", Stop);
        list.ShouldContain("'=1+1,'@SUM(A1)");
        var rows = list.Split('\n');
        var (response, body) = await Take($"{rows[0]}\n{rows.Single(r => r.StartsWith("'=1+1", StringComparison.Ordinal))}\n");
        response.StatusCode.ShouldBe(HttpStatusCode.OK, body?.ToJsonString());
        var pump = (await there.Get("/api/pumps")).AsArray().Single()!;
        (pump["tag"]!.GetValue<string>(), pump["name"]!.GetValue<string>()).ShouldBe(("=1+1", "@SUM(A1)"));
    }

    /// <summary>Every row that cannot be is named with what is wrong in it, and none of the others is taken.</summary>
    [Fact]
    public async Task All_rows_that_cannot_be_are_named_at_once()
    {
        const string rows =
            """
            tag,pump.cylinders,pump.plungerDiameter,pump.stroke,pump.ratedSpeed,pump.ratedPressure
            ROW-2,3,18 mm,18 mm,1450 rpm,100 bar
            ROW-3,3,18 mm,1800 mm,1450 rpm,100 bar
            ,9,18 mm,18 mm,1450 rpm,100 bar
            ROW-5,three,18,18 mm,1450 rpm,100 bar

            """;
        var (response, body) = await Take(rows);
        response.StatusCode.ShouldBe(HttpStatusCode.BadRequest);
        body!["errors"]!.AsObject().Select(e => e.Key).ShouldBe([
            "row 3.pump.stroke", "row 4.tag", "row 4.pump.cylinders", "row 5.pump.cylinders", "row 5.pump.plungerDiameter",
        ]);
        (await there.Get("/api/pumps")).AsArray().ShouldNotContain(p => p!["tag"]!.GetValue<string>() == "ROW-2");
    }

    private async Task<(HttpResponseMessage Response, JsonNode? Body)> Take(string list)
    {
        using var content = new StringContent(list, Encoding.UTF8, "text/csv");
        var response = await there.Http.PostAsync("/api/pumps.csv", content, Stop);
        return (response, JsonNode.Parse(await response.Content.ReadAsStringAsync(Stop)));
    }
}
