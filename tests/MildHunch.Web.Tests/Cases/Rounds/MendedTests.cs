using System.Net;
using System.Text.Json.Nodes;

namespace MildHunch.Web.Tests.Cases.Rounds;

/// <summary>Whether it is mended, asked without a case and told by the demo shop's closed ones.</summary>
public class MendedTests(Product product)
{
    [Theory]
    [InlineData("after")]
    [InlineData("1")]
    public async Task A_mend_and_what_was_read_after_it_say_whether_it_is_mended(string at)
    {
        var (response, body) = await product.Send(HttpMethod.Post, "/api/diagnosis", Question(at, "discharge-valves"));
        response.StatusCode.ShouldBe(HttpStatusCode.OK);
        body!["mended"]!["probability"]!.GetValue<double>().ShouldBeGreaterThan(0.8);
        body["mended"]!["was"]!["fault"]!.GetValue<string>().ShouldBe("discharge-valve-leak");
        body["mended"]!["sentence"]!.GetValue<string>().ShouldStartWith("Mended, ");
        body["suspects"]![0]!["name"]!.GetValue<string>().ShouldStartWith("Mended");
    }

    [Fact]
    public async Task Nothing_is_said_of_a_mend_where_none_is_told()
    {
        var (_, body) = await product.Send(HttpMethod.Post, "/api/diagnosis", Product.Fog2());
        body!["mended"].ShouldBeNull();
    }

    [Theory]
    [InlineData("after", "polish", "mended[0].action")]
    [InlineData("2", "discharge-valves", "cues[2].at")]
    [InlineData("later", "discharge-valves", "cues[2].at")]
    public async Task What_cannot_have_been_is_refused_by_its_field(string at, string action, string field)
    {
        var (response, body) = await product.Send(HttpMethod.Post, "/api/diagnosis", Question(at, action));
        response.StatusCode.ShouldBe(HttpStatusCode.BadRequest);
        body!["errors"]!.AsObject().Select(e => e.Key).ShouldContain(field);
    }

    [Fact]
    public async Task The_proved_case_of_the_demo_reads_mended()
    {
        var body = (await product.Send(HttpMethod.Get, $"/api/cases/{await product.CaseOf("WASH-3")}")).Body!;
        body["diagnosis"]!["mended"]!["probability"]!.GetValue<double>().ShouldBeGreaterThan(0.8);
        body["diagnosis"]!["mended"]!["was"]!["fault"]!.GetValue<string>().ShouldBe("inlet-valve-leak");
    }

    private static JsonObject Question(string at, string action)
    {
        var question = Product.Fog2();
        var after = Product.Reading("discharge-pressure", 69, "bar");
        after["at"] = at;
        question["readings"] = new JsonArray(
            after, Product.Reading("discharge-pressure", 45, "bar"), Product.Reading("nozzle-flow", 15.3, "L/min"));
        var (hisses, alike) = (Product.Cue("cap-listen", "hisses"), Product.Cue("cap-listen", "alike"));
        (hisses["cylinder"], hisses["side"]) = (2, "discharge");
        var (swings, steady) = (Product.Cue("needle", "swings"), Product.Cue("needle", "steady"));
        foreach (var cue in new[] { alike, steady })
            cue["at"] = at;
        question["cues"] = new JsonArray(swings, hisses, steady, alike);
        question["mended"] = new JsonArray(new JsonObject { ["action"] = action, ["cylinder"] = 2, ["side"] = "discharge" });
        return question;
    }
}
