using MildHunch.Web.Tests;
using OpenQA.Selenium;

namespace MildHunch.Browser.Tests;

/// <summary>A pump opened, looked into, mended and closed, one card at a time.</summary>
public class OpeningTests
{
    /// <summary>From the leader to the last tick; left in the middle and taken up by somebody else on another device.</summary>
    [Fact]
    public async Task Fog_2_is_opened_by_one_and_closed_by_another()
    {
        using var product = new Product();
        using (var tobi = new Technician(product))
        {
            await tobi.OpenCase("FOG-2");
            tobi.Tap("Open");
            tobi.Sees("What is to be opened?");
            tobi.Tap("Open it like this: Only a leaking discharge valve");
            tobi.Sees("Lay ready");
            tobi.Sees("slim-jawed pliers");
            tobi.Type("Your name", "Tobi Marr");
            GoOn(tobi, until: "What can hurt you here");
            AnswerForHazards(tobi);
            GoOn(tobi, until: "Cap out, kept by its place");
        }

        using var runa = new Technician(product);
        runa.Open($"/cases/{await product.CaseOf("FOG-2")}");
        runa.Sees("Cap out, kept by its place");
        runa.Type("Your name", "Runa Estcott");
        GoOn(runa, until: "Look at every part that is off");

        runa.Tap("Valve 2 discharge: not looked at");
        runa.Tap("pitted");
        runa.Sees("Pitted plates: cavitation, or air in the water.");
        runa.Sees("Look at the supply: strainer, level");
        runa.Sees("The verdict now says: discharge valve leaks");
        runa.Type("Suction by tool", "2");
        runa.Press(Keys.Tab);
        foreach (var other in new[] { "Valve cap 2 discharge", "Cap o-ring 2 discharge", "Valve seat o-ring 2 discharge" })
        {
            runa.Tap($"{other}: not looked at");
            runa.Tap("Fine");
            runa.Until($"{other} to be fine", () => runa.Ask($"!!document.querySelector('[aria-label=\"{other}: fine\"]')") is true);
        }

        runa.Tap("All looked at. Next: mend");
        runa.Sees("New parts, counted");
        foreach (var part in new[] { "1 x Cap o-ring", "1 x Cap backup ring", "1 x Valve", "1 x Valve seat o-ring" })
            runa.Tap(part);
        runa.Sees("All there. Next: close");
        GoOn(runa, until: "Count tools and parts");
        string[] tools = ["socket for the caps", "hand brush", "pick", "slim-jawed pliers", "blunt rod", "torque wrench", "No part"];
        foreach (var tool in tools)
            runa.Tap(tool);
        runa.Tap("Nothing is left over");
        GoOn(runa, until: "It goes to the proof");
        runa.Tap("It goes to the proof");
        runa.Sees("What was it?");

        var stored = await product.Get($"/api/cases/{await product.CaseOf("FOG-2")}");
        var steps = stored["work"]!["steps"]!.AsObject();
        steps["cap.loosen@2.discharge"]!["by"]!.GetValue<string>().ShouldBe("Tobi Marr");
        steps["valve.facing@2.discharge"]!["by"]!.GetValue<string>().ShouldBe("Runa Estcott");
        stored["work"]!["acknowledged"].ShouldBeNull();

        // It ran again, so the valve is renewed: what it was is known, and that nothing was read since is said.
        var mended = stored["diagnosis"]!["mended"]!;
        mended["was"]!["fault"]!.GetValue<string>().ShouldBe("discharge-valve-leak");
        mended["was"]!["cylinder"]!.GetValue<int>().ShouldBe(2);
        mended["probability"]!.GetValue<double>().ShouldBeGreaterThan(0.9);
        mended["sentence"]!.GetValue<string>().ShouldContain("nothing was read or seen since");
    }

    /// <summary>One end of an intensifier: its nuts by number, its hoop counted, nothing of the other end touched.</summary>
    [Fact]
    public async Task One_end_of_juice_hp()
    {
        using var product = new Product();
        using var technician = new Technician(product);
        await technician.OpenCase("JUICE-HP");
        technician.Tap("Open");
        technician.Sees("What is to be opened?");
        technician.Choose("Or a part of your choice", "Plunger seal");
        technician.Choose("Where", "left end");
        technician.Tap("Plan this");
        technician.Sees("Lay ready");
        technician.Type("Your name", "Ines Halvard");
        GoOn(technician, until: "What can hurt you here");
        technician.Sees("tie rods");
        AnswerForHazards(technician);
        GoOn(technician, until: "Tie-rod nuts: slacken");

        // Eight nuts, each once a round, by the button or by the bolt itself.
        technician.Tap("Bolt 8: done");
        technician.Until("the next nut", () => technician.Ask("document.querySelectorAll('.picture .done').length") is > 0L);
        GoOn(technician, until: "Look at every part that is off");
        (await Sides(product)).ShouldBe(["left"]);
        technician.Reload();
        technician.Sees("Look at every part that is off");
    }

    private static async Task<string[]> Sides(Product product)
    {
        var stored = await product.Get($"/api/cases/{await product.CaseOf("JUICE-HP")}");
        return [.. stored["work"]!["steps"]!.AsObject().Select(s => s.Key).Where(k => k.Contains('@', StringComparison.Ordinal))
            .Select(k => k[(k.IndexOf('@', StringComparison.Ordinal) + 1)..][..1] == "1" ? "left" : "right").Distinct()];
    }

    private static void AnswerForHazards(Technician technician)
    {
        var hazards = (string)technician.Ask("[...document.querySelectorAll('.side label')].map(l => l.textContent.trim()).join('|')")!;
        foreach (var hazard in hazards.Split('|').Where(h => h.EndsWith('.')))
            technician.Tap(hazard[..Math.Min(40, hazard.Length)]);
        technician.Tap("I have read these and answer for them");
        technician.SeesNoMore("What can hurt you here");
    }

    // The key of the large button again and again, until the card begins with these words.
    private static void GoOn(Technician technician, string until)
    {
        bool There() => Heading(technician).StartsWith(until, StringComparison.Ordinal)
            || Large(technician).StartsWith(until, StringComparison.Ordinal);
        for (var tapped = 0; tapped < 150 && !There(); tapped++)
        {
            var before = State(technician);
            technician.Strike(Keys.ArrowRight);
            technician.Until("the next card", () => State(technician) != before && !Saves(technician));
        }

        There().ShouldBeTrue($"{until} did not come; {Heading(technician)} stands there.");
    }

    private static string Heading(Technician technician) => (string)technician.Ask(
        "document.querySelector('.side h2')?.textContent.trim() ?? ''")!;

    private static string Large(Technician technician)
    {
        var label = "";
        technician.Until("the large button", () =>
            (label = (string)technician.Ask("document.querySelector('#work-go button:enabled')?.textContent.trim() ?? ''")!).Length > 0);
        return label;
    }

    // Somebody who waits for a tick to be kept passes over no card.
    private static bool Saves(Technician technician) => technician.Ask("!!document.querySelector('main[aria-busy=true]')") is true;

    // What a strike is seen by; minutes left and the like move with every answer of the server, also to earlier strikes.
    private static string State(Technician technician) => (string)technician.Ask(
        "['.side h2', '.side h2 ~ .torque', '#work-go button'].map(s => document.querySelector(s)?.textContent ?? '').join('|')")!;
}
