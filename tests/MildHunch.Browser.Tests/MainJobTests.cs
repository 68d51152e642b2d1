using MildHunch.Web.Tests;
using OpenQA.Selenium;

namespace MildHunch.Browser.Tests;

/// <summary>The main job as a technician does it.</summary>
public class MainJobTests
{
    [Fact]
    public async Task From_a_sound_pump_to_a_suspect_and_back()
    {
        using var product = new Product();
        using var technician = new Technician(product);
        technician.Open("/");
        technician.Sees("Season check before the first frost night");
        technician.Tap("FROST-S");
        technician.LeaderBecomes("Nothing wrong with the pump");

        // Jot a reading: it is shown as understood before it counts, and then the leader changes.
        technician.Type("Jot line", "26 bar swing 12, bucket 10 l in 17 s, needle swings");
        technician.Sees("Pressure at the head: 26 bar");
        technician.Sees("Needle of the gauge: swings");
        technician.Leader().ShouldBe("Nothing wrong with the pump");
        technician.Press(Keys.Enter);
        technician.Sees("26 bar");
        technician.Until("another leader", () => technician.Leader() != "Nothing wrong with the pump");
        technician.Value("Jot line").ShouldBeEmpty();
        var leader = technician.Leader();

        // Answer the next check where it stands.
        var question = (string)technician.Ask("document.querySelector('section[aria-label=\"Next check\"] .question').textContent")!;
        technician.Strike("1");
        technician.Until(
            "the next question",
            () => technician.NextQuestion() != question);

        // Undo the answer, reload: all as it was, and still there.
        technician.Tap("Undo");
        technician.Until(
            "the question again",
            () => technician.NextQuestion() == question);
        technician.Reload();
        technician.LeaderBecomes(leader);
        technician.Sees("26 bar");
        technician.Tap("Undo");
        technician.LeaderBecomes("Nothing wrong with the pump");
        (await product.Get($"/api/cases/{await product.CaseOf("FROST-S")}"))["readings"]!.AsArray().Count.ShouldBe(3);
    }

    [Fact]
    public async Task The_drawing_is_the_form()
    {
        using var product = new Product();
        using var technician = new Technician(product);
        await technician.OpenCase("FOG-2");
        technician.LeaderBecomes("Discharge valve leaks");

        technician.Tap("Plunger and seals 3");
        technician.Sees("Where does it drip?");
        technician.Type("Drops a minute", "30");
        technician.Tap("drips at the weep");
        technician.Sees("weep 3, 30/min");
        technician.Tap("A stream");
        technician.Tap("Also standing");
        technician.Tap("drips at the weep");
        technician.Sees("weep 3, a stream, also standing");
        technician.Tap("Close");

        technician.Tap("Crank and drive");
        technician.Type("Crank speed", "fast");
        technician.Tap("Note");
        technician.Sees("“fast” is not a number");
        technician.Value("Crank speed").ShouldBe("fast");
        technician.Type("Crank speed", "1000000000");
        technician.Tap("Note");
        technician.Sees("0.6 to 6000 rpm");
        technician.Value("Crank speed").ShouldBe("1000000000");
        technician.Type("Crank speed", "1390");
        technician.Tap("Note");
        technician.Sees("1390 rpm");
    }

    [Fact]
    public async Task What_is_not_understood_is_shown_and_kept()
    {
        using var product = new Product();
        using var technician = new Technician(product);
        await technician.OpenCase("FOG-2");
        technician.Type("Jot line", "inlet hose calm, wobbly thing");
        technician.Sees("Inlet hose: calm");
        technician.Sees("“wobbly” is not understood");
        technician.Reload();
        technician.Until("the draft", () => technician.Value("Jot line") == "inlet hose calm, wobbly thing");
        technician.Sees("Inlet hose: calm");
        technician.Type("Jot line", "inlet hose calm, wobbly");
        technician.Sees("“wobbly” is not understood");
        technician.Press(Keys.Enter);
        technician.Until("only the rest to stay", () => technician.Value("Jot line") == "wobbly");
        technician.Sees("hose calm");
    }

    [Fact]
    public void From_an_empty_shop_to_the_first_hunch()
    {
        using var product = new Product(false);
        using var technician = new Technician(product);
        technician.Open("/pumps/new");
        technician.Type("Tag", "NEW-1");
        technician.Type("Plunger diameter", "twenty");
        technician.Type("Stroke", "20");
        technician.Type("Rated speed", "1450");
        technician.Type("Rated pressure", "150");
        technician.Tap("Nozzle and outlet");
        technician.Type("Nozzle passes", "26,3");
        technician.Type("at this pressure", "100");
        technician.Tap("Control, head and gauge");
        technician.Type("Control opens at", "120");
        technician.Tap("Store the pump");
        technician.Sees("“twenty” is not a number");
        technician.Type("Plunger diameter", "0");
        technician.Tap("Store the pump");
        technician.Sees("2 to 300 mm");
        technician.Value("Stroke").ShouldBe("20");
        technician.Type("Plunger diameter", "20");
        technician.Tap("Store the pump");
        technician.Sees("What it should show");
        technician.Tap("Pressure at the head");
        technician.Sees("Where the band comes from");
        technician.Press(Keys.Escape);
        technician.SeesNoMore("Where the band comes from");

        technician.Tap("New case");
        technician.Type("What is wrong?", "Pressure falls off");
        technician.Tap("Open the case");
        technician.Sees("What happened before?");
        technician.Tap("Ran dry");
        technician.Tap("Suspect");
        technician.Leader().ShouldBe("High-pressure seal worn");
        technician.Type("Jot line", "100 bar");
        technician.Sees("Pressure at the head: 100 bar");
        technician.Press(Keys.Enter);
        technician.Sees("expect");
    }

    [Fact]
    public async Task Keys_do_what_they_say()
    {
        using var product = new Product();
        using var technician = new Technician(product);
        await technician.OpenCase("NET-1");
        technician.Strike("?");
        technician.Sees("Next check");
        technician.Sees("Go to the pumps");
        technician.Press(Keys.Escape);
        technician.SeesNoMore("Go to the pumps");
        technician.Strike("/");
        ((string)technician.Ask("document.activeElement.id")!).ShouldBe("jot-input");
        technician.Strike("g");
        technician.Strike("p");
        technician.Sees("New pump");
        technician.Strike("g");
        technician.Strike("c");
        technician.Sees("New case");
    }

    [Fact]
    public async Task A_case_is_closed_with_what_was_found_and_opened_again()
    {
        using var product = new Product();
        using var technician = new Technician(product);
        await technician.OpenCase("NET-1");
        technician.Tap("Prove");
        technician.Tap("Close the case");
        technician.Sees("Closed as: Pump turns too slowly");
        technician.Open("/cases");
        technician.Sees("Closed");
        await technician.OpenCase("NET-1");
        technician.Type("Open it again because", "Came back after two days");
        technician.Tap("Open again");
        technician.Sees("Close the case");
    }
}
