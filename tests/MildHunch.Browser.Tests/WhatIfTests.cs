using System.Globalization;
using System.Text.RegularExpressions;
using MildHunch.Web.Tests;
using OpenQA.Selenium;

namespace MildHunch.Browser.Tests;

/// <summary>The pump moved by hand: what its gauge, curves and costs would do.</summary>
public partial class WhatIfTests(Product product)
{
    [Fact]
    public void A_fault_that_is_tried_shows_on_the_gauge_and_in_the_cost()
    {
        using var technician = new Technician(product);
        technician.Open("/pumps");
        technician.Tap("FOG-2");
        technician.Tap("On the bench");
        technician.Sees("swings by");
        var sound = Gauge(technician);

        technician.Choose("Try a fault", "Discharge valve leaks");
        technician.Until("the gauge to fall", () => Gauge(technician).Mean < 0.7 * sound.Mean);
        technician.Until("the needle to swing", () => Gauge(technician).Swing > 5 * sound.Swing);
        technician.Sees("What it would show");
        technician.Sees("An hour of running like this");
        technician.LayoutFindings().ShouldBeEmpty();
        technician.AccessibilityBreaks().ShouldBeEmpty();
        technician.Tap("Power wasted");
        technician.Sees("Source:");
        technician.Press(Keys.Escape);
        technician.SeesNoMore("Source:");
        technician.Tap("Mean");
        technician.Sees("implicit steps taken");
        technician.Press(Keys.Escape);
        technician.SeesNoMore("implicit steps taken");

        // Worse by the keyboard, then mended.
        var leaking = Gauge(technician).Mean;
        technician.Slide("Discharge valve leaks", Keys.End);
        technician.Until("the gauge to fall further", () => Gauge(technician).Mean < leaking);
        technician.Tap("All as it is");
        technician.Until("the gauge to rise again", () => Math.Abs(Gauge(technician).Mean - sound.Mean) < 0.01 * sound.Mean);
        technician.Sees("What it should show");
    }

    [Fact]
    public void Speed_and_nozzle_move_the_gauge_as_the_square()
    {
        using var technician = new Technician(product);
        technician.Open("/pumps");
        technician.Tap("FOG-2");
        technician.Tap("On the bench");
        technician.Sees("swings by");
        var sound = Gauge(technician).Mean;
        technician.Slide("Nozzle worn", Keys.End);
        technician.Until("the gauge to fall", () => Gauge(technician).Mean < 0.95 * sound);

        // What the tile says of the wear and what the gauge shows must belong together: p goes with 1 / area².
        var wear = double.Parse(Wear().Match(technician.Text).Groups[1].Value, CultureInfo.InvariantCulture) / 100;
        technician.Until("the gauge to settle", () => Math.Abs(Gauge(technician).Mean - (sound / Math.Pow(1 + wear, 2))) < 0.03 * sound);
    }

    [Fact]
    public void Curves_of_power_suction_and_ripple()
    {
        using var technician = new Technician(product);
        technician.Open("/pumps");
        technician.Tap("DESAL-B");
        technician.Tap("On the bench");
        technician.Sees("they meet where it runs");
        technician.Tap("Power");
        technician.Sees("kW at the shaft");
        technician.Tap("Suction");
        technician.Sees("m to spare");
        technician.Tap("Ripple");
        technician.Sees("degrees of the crank");
    }

    [Fact]
    public void The_nameplate_works_out_the_stroke_and_says_so()
    {
        using var technician = new Technician(product);
        technician.Open("/pumps/new");
        technician.Type("Tag", "PLATE-1");
        technician.Type("Plunger diameter", "18");
        technician.Type("Rated speed", "1450");
        technician.Type("Rated flow", "19,9");
        technician.Sees("worked out from rated flow, speed and bore");
        technician.Type("Rated pressure", "100");
        technician.Tap("Store the pump");
        technician.Sees("What it should show");
        technician.Sees("worked out from the rated flow");

        // And a bore larger than what feeds it is refused in words, with all that was typed still there.
        technician.Tap("Correct");
        technician.Until("the plate", () => technician.Value("Rated flow") == "19.9");
        technician.Type("Stroke", "0");
        technician.Tap("Store");
        technician.Sees("cannot be");
        technician.Value("Stroke").ShouldBe("0");
    }

    private static (double Mean, double Swing) Gauge(Technician technician)
    {
        var label = technician.Ask("document.querySelector('[role=img][aria-label^=\"Gauge at the head\"]')?.getAttribute('aria-label') "
            + "?? ''") as string ?? "";
        var match = Noted().Match(label);
        return match.Success
            ? (
                double.Parse(match.Groups[1].Value, CultureInfo.InvariantCulture),
                double.Parse(match.Groups[2].Value, CultureInfo.InvariantCulture))
            : (double.NaN, double.NaN);
    }

    [GeneratedRegex(@"head: ([\d.]+) bar, swinging by ([\d.]+) bar")]
    private static partial Regex Noted();

    [GeneratedRegex(@"\+([\d.]+) % area")]
    private static partial Regex Wear();
}
