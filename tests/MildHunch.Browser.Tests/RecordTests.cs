using System.Globalization;
using System.Text.Json.Nodes;
using MildHunch.Web.Tests;

namespace MildHunch.Browser.Tests;

/// <summary>What the shop remembers, as a technician sees it grow.</summary>
public class RecordTests
{
    private const int Weeks = 14;
    private const double HoursAWeek = 30;

    /// <summary>
    /// The inlet valve of cylinder 2 has failed every other fortnight, once too few for a pattern to be told. One more case is closed:
    /// its life stands on the pump’s page, the pattern is told, and with the hours on its meter the next service moves.
    /// </summary>
    [Fact]
    public async Task A_closed_case_changes_the_life_the_pattern_and_what_is_due()
    {
        using var product = new Product();
        var id = await product.CaseOf("WASH-3");
        var pump = (await product.Get($"/api/cases/{id}"))["pump"]!["id"]!.GetValue<string>();
        await product.Change(id, new JsonObject { ["facts"] = new JsonObject { ["closed"] = "", ["reopened"] = "It drips again." } });
        await FailUntilOneIsMissing(product, pump);

        using var tobi = new Technician(product);
        tobi.Open($"/pumps/{pump}");
        tobi.Sees("What was in it");
        tobi.Sees("No pattern is told yet");
        var failed = Failed(tobi);
        var due = await Due(product, pump);
        tobi.Sees(due);

        tobi.Open($"/cases/{id}/prove");
        tobi.Sees("What was it?");
        tobi.Choose("Found", "Inlet valve leaks");
        tobi.Choose("Where", "cylinder 2");
        tobi.Type("Hours on the pump’s meter", "980");
        tobi.Tap("Close the case");
        tobi.Sees("Closed as");

        tobi.Open($"/pumps/{pump}");
        tobi.Sees("expected. Suspect");
        tobi.SeesNoMore("No pattern is told yet");
        tobi.Sees("Cylinder 2");
        Failed(tobi).ShouldBe(failed + 1);
        var moved = await Due(product, pump);
        moved.ShouldNotBe(due);
        tobi.Sees(moved);
        tobi.Open("/record");
        tobi.Sees("Inlet valve leaks");
        tobi.Sees("expected. Suspect");
        tobi.Open("/due");
        tobi.Sees("WASH-3");
        tobi.Sees(moved);
    }

    // The newest failure, without which no pattern would be told yet, is taken back again.
    private static async Task FailUntilOneIsMissing(Product product, string pump)
    {
        var today = DateOnly.Parse((await product.Get("/api/due"))["today"]!.GetValue<string>(), CultureInfo.InvariantCulture);
        var first = today.AddDays(-7 * 2 * Weeks);
        await Note(product, pump, "meter", new JsonObject { ["on"] = Iso(first), ["hours"] = 0 });
        foreach (var cylinder in (int[])[1, 2, 3])
            await Note(product, pump, "part-changes", Valve(cylinder, first, null));
        var life = await product.Get($"/api/pumps/{pump}/life");
        foreach (var seal in life["positions"]!.AsArray().Where(p => (string)p!["family"]! == "seals"))
            await Note(product, pump, "part-changes", new JsonObject
            {
                ["part"] = seal!["part"]!.DeepClone(),
                ["cylinder"] = seal["place"]!["cylinder"]?.DeepClone(),
                ["on"] = Iso(first)
            });
        for (var week = 1; week < Weeks; week++)
        {
            var on = first.AddDays(14 * week);
            await Note(product, pump, "meter", new JsonObject { ["on"] = Iso(on), ["hours"] = 2 * HoursAWeek * week });
            life = await Note(product, pump, "part-changes", Valve(2, on, "failed"));
            if (life["patterns"]!.AsArray().All(p => !p!["told"]!.GetValue<bool>()))
                continue;
            var last = life["positions"]!.AsArray().First(p => p!["key"]!.GetValue<string>() == "inlet-valve.2.inlet")!["lives"]!.AsArray()
                .Last(l => l!["out"] is not null)!["out"]!.GetValue<string>();
            await product.Send(HttpMethod.Delete, $"/api/pumps/{pump}/part-changes/{last}");
            (await product.Get($"/api/pumps/{pump}/life"))["patterns"]!.AsArray().ShouldAllBe(p => !p!["told"]!.GetValue<bool>());
            return;
        }

        throw new ShouldAssertException($"No pattern came out of {Weeks} failures.");
    }

    private static JsonObject Valve(int cylinder, DateOnly on, string? why)
    {
        var valve = new JsonObject { ["part"] = "inlet-valve", ["cylinder"] = cylinder, ["side"] = "inlet", ["on"] = Iso(on) };
        if (why is not null)
            valve["out"] = why;
        return valve;
    }

    private static async Task<JsonNode> Note(Product product, string pump, string what, JsonObject entry)
    {
        var (answer, body) = await product.Send(HttpMethod.Post, $"/api/pumps/{pump}/{what}", entry);
        answer.IsSuccessStatusCode.ShouldBeTrue(body?.ToJsonString());
        return body!;
    }

    // How many inlet valves of cylinder 2 have failed, as the page says it.
    private static int Failed(Technician technician)
    {
        var words = "";
        technician.Until("the inlet valve of cylinder 2", () => (words = (string)technician.Ask(
            "[...document.querySelectorAll('[aria-label]')].map(e => e.ariaLabel)"
                + ".find(l => /^Inlet valve.*cylinder 2.*failed/.test(l)) ?? ''")!).Length > 0);
        return int.Parse(words.Split(": ")[1].Split(' ')[0], CultureInfo.InvariantCulture);
    }

    // The day of the next opening as the pages write it.
    private static async Task<string> Due(Product product, string pump)
    {
        var on = (await product.Get($"/api/pumps/{pump}/life"))["due"]![0]!["on"]!.GetValue<string>();
        return DateOnly.Parse(on, CultureInfo.InvariantCulture).ToString("d MMM yyyy", CultureInfo.InvariantCulture)
            .Replace("Sep ", "Sept ", StringComparison.Ordinal);
    }

    private static string Iso(DateOnly day) => day.ToString("O", CultureInfo.InvariantCulture);
}
