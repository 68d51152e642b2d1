using System.Net;
using System.Text.Json.Nodes;

namespace MildHunch.Web.Tests.Records;

/// <summary>Lives and patterns asked of the product without any record.</summary>
public sealed class StatelessRecordTests : IClassFixture<Product>
{
    private readonly Product product;

    public StatelessRecordTests(Product product) => this.product = product;

    [Fact]
    public async Task A_published_sample_is_answered_with_its_published_figures()
    {
        // NIST/SEMATECH e-Handbook 8.2.1 (values from memory, recomputed): ten failures, ten still running at 500 h.
        double[] failed = [54, 187, 216, 240, 244, 335, 361, 373, 375, 386];
        var answer = await Answer("/api/life-estimate", new JsonObject
        {
            ["times"] = new JsonArray(
                [.. failed.Select(t => Time(t, true)), .. Enumerable.Range(0, 10).Select(_ => Time(500, false))]),
            ["before"] = new JsonArray(100, 300),
        });
        Number(answer["shape"]!["value"]).ShouldBe(1.7208, 0.0005);
        Number(answer["scale"]!["value"]).ShouldBe(606.53, 0.05);
        Number(answer["failures"]).ShouldBe(10);
        var chances = answer["chanceBefore"]!.AsArray();
        chances.Count.ShouldBe(2);
        Number(chances[1]!["value"]).ShouldBe(1 - Math.Exp(-Math.Pow(300 / 606.53, 1.7208)), 1e-4);
    }

    [Fact]
    public async Task The_tea_and_the_left_end()
    {
        var tea = await Answer("/api/pattern-test", new JsonObject
        {
            ["counts"] = new JsonArray(
                new JsonObject { ["place"] = "milk first", ["events"] = 3, ["of"] = 4 },
                new JsonObject { ["place"] = "tea first", ["events"] = 1, ["of"] = 4 }),
        });
        Number(tea["p"]).ShouldBe(34 / 70.0, 1e-12);
        tea["told"]!.GetValue<bool>().ShouldBeFalse();

        var end = await Answer("/api/pattern-test", new JsonObject
        {
            ["counts"] = new JsonArray(
                new JsonObject { ["place"] = "left end, static seal", ["events"] = 7, ["expectedShare"] = 1 / 6.0 },
                new JsonObject { ["place"] = "elsewhere", ["events"] = 2 }),
            ["tests"] = 20,
        });
        end["told"]!.GetValue<bool>().ShouldBeTrue();
        end["sentence"]!.GetValue<string>().ShouldContain("left end, static seal: 7 of 9, 1.5 expected");
        Number(end["adjusted"]).ShouldBe(20 * Number(end["p"]), 1e-9);
    }

    [Theory]
    [InlineData("/api/life-estimate", """{"times":[{"hours":100,"failed":true,"from":120}]}""", "times[0].from")]
    [InlineData("/api/life-estimate", """{"times":[{"failed":true,"foundBetween":[400,300]}]}""", "times[0].foundBetween")]
    [InlineData("/api/life-estimate", """{"times":[{"failed":true,"foundBetween":[400]}]}""", "times[0].foundBetween")]
    [InlineData("/api/life-estimate", """{"times":[null]}""", "times[0]")]
    [InlineData("/api/life-estimate", """{"times":[]}""", "times")]
    [InlineData("/api/life-estimate", """{"times":[{"hours":5,"failed":true}],"prior":{"part":"piston"}}""", "prior.part")]
    [InlineData("/api/life-estimate", """{"times":[{"hours":5,"failed":true}],"before":[-1]}""", "before")]
    [InlineData("/api/pattern-test", """{"counts":[{"place":"left","events":-3},{"place":"right","events":1}]}""", "counts[0].events")]
    [InlineData("/api/pattern-test", """{"counts":[{"place":"left","events":3}]}""", "counts")]
    [InlineData("/api/pattern-test", """{"counts":[{"place":"left","events":3,"expectedShare":1},{"place":"b","events":1}]}""", "counts")]
    [InlineData("/api/pattern-test", """{"counts":[{"place":"","events":3},{"place":"b","events":1}]}""", "counts[0].place")]
    [InlineData("/api/pattern-test", """{"counts":[{"place":"a","events":3,"of":2},{"place":"b","events":1,"of":2}]}""", "counts[0].of")]
    [InlineData("/api/pattern-test", """{}""", "counts")]
    public async Task What_cannot_be_is_refused_by_its_field(string path, string body, string field)
    {
        var (response, problem) = await product.Send(HttpMethod.Post, path, JsonNode.Parse(body));
        response.StatusCode.ShouldBe(HttpStatusCode.BadRequest, problem?.ToJsonString());
        problem!["errors"]!.AsObject().Select(e => e.Key).ShouldContain(field);
    }

    private static JsonObject Time(double hours, bool failed) => new() { ["hours"] = hours, ["failed"] = failed };

    private static double Number(JsonNode? node) => node!.GetValue<double>();

    private async Task<JsonNode> Answer(string path, JsonObject question)
    {
        var (response, body) = await product.Send(HttpMethod.Post, path, question);
        response.StatusCode.ShouldBe(HttpStatusCode.OK, body?.ToJsonString());
        return body!;
    }
}
