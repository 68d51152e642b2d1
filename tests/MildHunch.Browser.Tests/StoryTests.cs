using MildHunch.Web.Tests;
using OpenQA.Selenium;

namespace MildHunch.Browser.Tests;

/// <summary>Two stories of the demo shop from the complaint to the leader, and what the whole hunch adds on the way.</summary>
public class StoryTests
{
    private static void NewCase(Technician technician, string tag, string complaint)
    {
        technician.Open("/pumps");
        technician.Tap(tag);
        technician.Tap("New case");
        technician.Type("What is wrong?", complaint);
        technician.Tap("Open the case");
        technician.Tap("Suspect");
    }

    [Fact]
    public void The_pump_that_never_reaches_test_pressure()
    {
        using var product = new Product();
        using var technician = new Technician(product);
        NewCase(technician, "TEST-3", "Weak every second stroke");
        technician.LeaderBecomes("Nothing wrong with the pump");
        technician.Type("Jot line", "9.3 bar, 9.9 l/min, bypass 0, 421 rpm, neddle swings, once a turn, inlet hose calm, dry everywhere");
        technician.Sees("Needle of the gauge: swings");
        technician.Press(Keys.Enter);
        technician.Sees("421 rpm");
        technician.Tap("Discharge valve 2");
        technician.Tap("hisses");
        technician.Tap("Close");
        technician.LeaderBecomes("Discharge valve leaks");
        technician.Sees("Discharge valve leaks, cylinder 2");
    }

    [Fact]
    public void The_juice_press_with_a_fast_left_stroke()
    {
        using var product = new Product();
        using var technician = new Technician(product);
        NewCase(technician, "JUICE-HP", "Left stroke fast, pressure dips");
        technician.Type(
            "Jot line",
            "3690 bar, left stroke 0.78 s, right stroke 0.93 s, needle swings, reversals once a cycle, inlet hose calm, dry everywhere, "
                + "standing dry");
        technician.Sees("A stroke of the left end: 0.78 s");
        technician.Press(Keys.Enter);
        technician.Sees("left 0.78 s");
        technician.LeaderBecomes("Discharge poppet of one end");
        technician.Sees("right end");
    }

    [Fact]
    public async Task Limits_a_plan_and_what_could_not_be_done()
    {
        using var product = new Product();
        using var technician = new Technician(product);
        await technician.OpenCase("FOG-2");
        technician.Tap("Plan");
        technician.Sees("Plan of three checks");
        technician.Sees("→");
        technician.Press(Keys.Escape);
        technician.SeesNoMore("Plan of three checks");
        technician.Tap("Limits of today");
        technician.Tap("The plant must not be stopped");
        technician.Tap("Keep to these");
        technician.Sees("Limits of today: some");
        var question = (string)technician.Ask("document.querySelector('section[aria-label=\"Next check\"] .question').textContent")!;
        technician.Tap("Could not do it");
        technician.Until(
            "another question",
            () => technician.NextQuestion() != question);
        technician.Tap("Measure");
        technician.Sees("Could not be had");
    }

    [Fact]
    public async Task A_closed_case_stands_in_the_record_until_it_is_set_back()
    {
        using var product = new Product();
        using var technician = new Technician(product);
        await technician.OpenCase("NET-1");
        technician.Tap("Prove");
        technician.Tap("Close the case");
        technician.Sees("Closed as: Pump turns too slowly");
        technician.Open("/record");
        technician.Sees("Pump turns too slowly");
        technician.Sees("crank plunger pumps, 3 cylinders");
        technician.Tap("Start afresh");
        technician.Tap("Yes, start afresh");
        technician.SeesNoMore("crank plunger pumps, 3 cylinders");
        technician.Sees("Pump turns too slowly");
    }
}
