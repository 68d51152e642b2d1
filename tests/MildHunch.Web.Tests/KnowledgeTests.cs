using System.Net;
using System.Text.Json.Nodes;

namespace MildHunch.Web.Tests;

/// <summary>What can be asked of a pump: the server alone decides what fits it.</summary>
public class KnowledgeTests(Product product)
{
    private static string[] Ids(JsonNode knowledge, string what) =>
        [.. knowledge[what]!.AsArray().Select(e => e!["id"]!.GetValue<string>())];

    private async Task<JsonNode> Of(string tag)
    {
        var pump = (await product.Get("/api/pumps")).AsArray().Single(p => p!["tag"]!.GetValue<string>() == tag)!;
        return await product.Get($"/api/knowledge?pump={pump["id"]!.GetValue<string>()}");
    }

    /// <summary>A regulator is opened where there is one: common practice, no source.</summary>
    [Theory]
    [InlineData("FOG-2", "found-regulator", false)]
    [InlineData("FROST-R", "found-regulator", true)]
    public async Task A_pump_is_asked_about_the_control_it_has(string tag, string cue, bool asked) =>
        Ids(await Of(tag), "cues").Contains(cue).ShouldBe(asked);

    [Fact]
    public async Task Strokes_of_an_end_are_an_intensifiers()
    {
        Ids(await Of("JUICE-HP"), "observables").ShouldContain("stroke-left");
        Ids(await Of("FOG-2"), "observables").ShouldNotContain("stroke-left");
    }

    [Fact]
    public async Task Faults_are_those_it_has_parts_for()
    {
        var (fog, juice) = (Ids(await Of("FOG-2"), "faults"), Ids(await Of("JUICE-HP"), "faults"));
        fog.ShouldContain("discharge-valve-leak");
        juice.ShouldNotContain("discharge-valve-leak");
        juice.ShouldContain("intens-discharge-check");
        fog.ShouldNotContain("intens-discharge-check");
        (await product.Get("/api/knowledge"))["faults"]!.AsArray().Count.ShouldBeGreaterThan(Math.Max(fog.Length, juice.Length));
    }

    [Fact]
    public async Task A_pump_that_is_not_there_is_refused() =>
        (await product.Send(HttpMethod.Get, "/api/knowledge?pump=none")).Response.StatusCode.ShouldBe(HttpStatusCode.NotFound);

    /// <summary>Whatever is offered can also be answered: of two pumps built differently every question takes its last answer.</summary>
    [Fact]
    public async Task What_is_offered_is_accepted()
    {
        var pumps = (await product.Get("/api/pumps")).AsArray();
        foreach (var pump in pumps.Where(p => p!["tag"]!.GetValue<string>() is "FOG-2" or "JUICE-HP"))
        {
            var knowledge = await product.Get($"/api/knowledge?pump={pump!["id"]!.GetValue<string>()}");
            foreach (var cue in knowledge["cues"]!.AsArray().Where(c => c!["kind"]!.GetValue<string>() == "choice"))
            {
                var answer = cue!["answers"]!.AsArray().Last()!;
                var at = answer["at"]!.GetValue<string>();
                var asked = new JsonObject
                {
                    ["pump"] = pump["pump"]!.DeepClone(),
                    ["setup"] = pump["setup"]!.DeepClone(),
                    ["cues"] = new JsonArray(Product.Cue(
                        cue["id"]!.GetValue<string>(), answer["id"]!.GetValue<string>(), at == "none" ? null : 1)),
                };
                var (response, body) = await product.Send(HttpMethod.Post, "/api/diagnosis", asked);
                response.StatusCode.ShouldBe(HttpStatusCode.OK, $"{pump["tag"]} {cue["id"]} {answer["id"]}: {body}");
            }
        }
    }
}
