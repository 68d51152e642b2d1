using System.Net;
using System.Text.Json.Nodes;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using MildHunch.Store;

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

    /// <summary>Said to run again, and not looked at since: the report tells what was read and thought before it was opened.</summary>
    [Fact]
    public async Task The_report_tells_what_was_known_before_the_mend()
    {
        using var shop = new Product();
        var id = await TwoRounds.New(shop);
        await shop.Change(id, TwoRounds.Read(35));
        var before = await shop.Get($"/api/cases/{id}");
        await TwoRounds.Open(shop, id, 2, "discharge", "fine");
        var now = await shop.Get($"/api/cases/{id}");
        now["diagnosis"]!["mended"].ShouldNotBeNull();

        var sections = (await shop.Get($"/api/cases/{id}/report"))["content"]!["sections"]!.AsArray();
        JsonNode Section(string name) => sections.Single(s => s!["id"]!.GetValue<string>() == name)!;
        Section("readings")["table"]!["rows"]!.AsArray().Single()![1]!.GetValue<string>().ShouldBe("35 bar");
        var first = Section("verdict")["lines"]![0]!.GetValue<string>();
        first.ShouldNotStartWith("Mended");
        before["diagnosis"]!["suspects"]!.AsArray().Select(s => s!["name"]!.GetValue<string>()).ShouldContain(n => first.StartsWith(n));
    }

    /// <summary>What a case is told is before or after its mend: counted mends are for a question that tells them.</summary>
    [Theory]
    [InlineData("1")]
    [InlineData("0")]
    [InlineData("After")]
    public async Task A_case_takes_no_counted_mends(string at)
    {
        using var shop = new Product();
        var id = await TwoRounds.New(shop);
        var reading = Product.Reading("discharge-pressure", 35, "bar");
        reading["at"] = at;
        var (response, _) = await shop.Tell(id, new JsonObject { ["readings"] = new JsonArray(reading) });
        response.StatusCode.ShouldBe(HttpStatusCode.BadRequest);
        (await shop.Get($"/api/cases/{id}"))["readings"]!.AsArray().ShouldBeEmpty();
    }

    /// <summary>A shop's own words may go with its file: what a case was mended by is then left out, and its verdict stands.</summary>
    [Fact]
    public async Task A_case_closed_by_a_word_that_is_gone_keeps_its_verdict()
    {
        using var shop = new Product();
        var id = await TwoRounds.New(shop);
        await shop.Change(id, TwoRounds.Read(35));
        var after = Product.Reading("discharge-pressure", 70, "bar");
        after["at"] = "after";
        await shop.Change(id, new JsonObject { ["readings"] = new JsonArray(after) });
        await shop.Change(id, new JsonObject { ["facts"] = new JsonObject { ["closed"] = "nozzle-worn" } });
        using (var scope = shop.Services.CreateScope())
            await scope.ServiceProvider.GetRequiredService<MildHunchDb>().Database.ExecuteSqlAsync(
                $"UPDATE Cases SET Headline_Closed = 'a-word-of-the-shop@9' WHERE Id = {id}", TestContext.Current.CancellationToken);
        var shown = await shop.Get($"/api/cases/{id}");
        shown["trouble"].ShouldBeNull();
        shown["diagnosis"]!["suspects"]!.AsArray().ShouldNotBeEmpty();
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
