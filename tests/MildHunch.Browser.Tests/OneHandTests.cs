using MildHunch.Web.Tests;
using OpenQA.Selenium;

namespace MildHunch.Browser.Tests;

/// <summary>From the case list to the first check of a new pump, without a mouse: by keys alone, and by touch alone.</summary>
public class OneHandTests
{
    private const string FiveEntries = "61 bar swing 12, 14 l/min, hose calm, needle swings, dry everywhere";

    [Fact]
    public void By_keys_alone()
    {
        using var product = new Product(false);
        using var technician = new Technician(product);
        technician.Open("/cases");
        technician.Sees("Open the first case");
        technician.Key("g");
        technician.Key("p");
        technician.Sees("Add the first pump");
        technician.Key("a");
        technician.Sees("Type plate");
        foreach (var (field, text) in new[]
            { ("Tag", "KEY-1"), ("Plunger diameter", "18"), ("Stroke", "18"), ("Rated speed", "1450"), ("Rated pressure", "100") })
        {
            technician.TabTo(field);
            technician.Letters(text);
        }

        technician.Key(Keys.Enter);
        technician.Sees("What it should show");
        technician.Key("a");
        technician.Sees("What is wrong?");
        technician.Until("the focus", () => technician.Ask("document.activeElement.tagName") is "TEXTAREA");
        technician.Letters("Pressure falls off");
        technician.TabTo("Open the case");
        technician.Key(Keys.Enter);
        technician.Sees("What happened before?");
        technician.Key("/");
        technician.Letters(FiveEntries);
        technician.Sees("Needle of the gauge: swings");
        technician.Key(Keys.Enter);
        technician.Sees("dry everywhere");
        technician.Key(Keys.Escape);
        technician.Key("g");
        technician.Key("s");
        technician.Sees("Next check");
        var question = technician.NextQuestion();
        question.ShouldNotBeEmpty();
        technician.Key("1");
        technician.Until("the next question", () => technician.NextQuestion() != question);
        technician.KeysStruck.ShouldBeLessThanOrEqualTo(60);
    }

    [Fact]
    public void By_touch_alone()
    {
        using var product = new Product(false);
        using var technician = new Technician(product, 820, 1180) { ByTouch = true };
        technician.Open("/pumps");
        technician.Tap("Add the first pump");
        technician.Type("Tag", "TOUCH-1");
        technician.Type("Plunger diameter", "18");
        technician.Type("Stroke", "18");
        technician.Type("Rated speed", "1450");
        technician.Type("Rated pressure", "100");
        technician.Tap("Store the pump");
        technician.Sees("What it should show");
        technician.Tap("New case");
        technician.Type("What is wrong?", "Pressure falls off");
        technician.Tap("Open the case");
        technician.Sees("What happened before?");

        // Five entries, each on the drawing.
        technician.Tap("Pressure gauge");
        technician.Type("Pressure at the head", "61");
        technician.Tap("Note");
        technician.Sees("61 bar");
        technician.Tap("swings fast");
        technician.Tap("Close");
        technician.Tap("Nozzle");
        technician.Type("Flow at the nozzle", "14");
        technician.Tap("Note");
        technician.Sees("14 L/min");
        technician.Tap("Close");
        technician.Tap("Crank and drive");
        technician.Type("Crank speed", "1447");
        technician.Tap("Note");
        technician.Sees("1447 rpm");
        technician.Tap("Close");
        technician.Tap("Discharge valve 2");
        technician.Tap("hisses");
        technician.Tap("Close");
        technician.Tap("Suspect");
        technician.Sees("Next check");
        technician.Leader().ShouldNotBeEmpty();
        var question = technician.NextQuestion();
        technician.TapAnswer(1);
        technician.Until("the next question", () => technician.NextQuestion() != question);
    }
}
