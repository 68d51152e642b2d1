using System.Diagnostics;
using System.Text.Json.Nodes;

namespace MildHunch.Web.Tests.Cases;

/// <summary>The list says of a case what the case says of itself, also when something was found elsewhere since.</summary>
public sealed class ListAgreesTests : IDisposable
{
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(60);
    private readonly Product product = new(true, readAhead: true);

    public void Dispose() => product.Dispose();

    [Fact]
    public async Task What_was_found_in_one_case_moves_the_line_of_another()
    {
        var fog = await product.CaseOf("FOG-2");
        var before = Case(await product.Get($"/api/cases/{fog}"));
        await product.Change(
            await product.CaseOf("NET-1"), new JsonObject { ["facts"] = new JsonObject { ["closed"] = "discharge-valve-leak@2" } });
        var after = Case(await product.Get($"/api/cases/{fog}"));
        after.ShouldNotBe(before, "what was found in a pump of its type speaks for it");
        await Until(async () => Line(await Listed(fog)) == after);

        // A closed one says what was found; the report says what the case says.
        (await Listed(await product.CaseOf("NET-1")))["closed"]!.GetValue<string>().ShouldBe("discharge-valve-leak@2");
        var report = (await product.Get($"/api/cases/{fog}/report"))["content"]!.ToJsonString();
        report.ShouldContain($"{Math.Round(100 * after.Probability)} %");
    }

    private static (string Leader, double Probability) Case(JsonNode shown)
    {
        var leader = shown["diagnosis"]!["suspects"]![0]!;
        return (leader["fault"]!.GetValue<string>(), leader["probability"]!.GetValue<double>());
    }

    private static (string Leader, double Probability) Line(JsonNode listed) =>
        (listed["leader"]!["fault"]!.GetValue<string>(), listed["leader"]!["probability"]!.GetValue<double>());

    private async Task<JsonNode> Listed(string id) =>
        (await product.Get("/api/cases")).AsArray().First(c => c!["id"]!.GetValue<string>() == id)!;

    private static async Task Until(Func<Task<bool>> holds)
    {
        var watch = Stopwatch.StartNew();
        while (!await holds())
        {
            watch.Elapsed.ShouldBeLessThan(Patience, "the list does not follow");
            await Task.Delay(50, TestContext.Current.CancellationToken);
        }
    }
}
