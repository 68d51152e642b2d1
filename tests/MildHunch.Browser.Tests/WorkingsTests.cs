using MildHunch.Web.Tests;
using OpenQA.Selenium;

namespace MildHunch.Browser.Tests;

/// <summary>The everyday sums as they are used at the pump.</summary>
public class WorkingsTests(Product product)
{
    [Fact]
    public void A_bucket_becomes_a_reading_of_a_case()
    {
        using var technician = new Technician(product);
        technician.Open("/cases");
        technician.Tap("Workings");
        technician.Tap("Bucket and watch");
        technician.Sees("Never hold a hand or a bucket into a high-pressure jet");
        technician.Type("Volume caught", "half full");
        technician.Type("Time it took", "20");
        technician.Sees("“half full” is not a number");
        technician.Value("Volume caught").ShouldBe("half full");
        technician.Type("Volume caught", "10");

        // 10 L in 20 s are 30 L/min.
        technician.Sees("30 L/min");
        technician.Tap("Flow");
        technician.Sees("Where the band comes from");
        technician.Press(Keys.Escape);
        technician.SeesNoMore("Where the band comes from");
        technician.Tap("Put into a case");
        technician.Choose("As the reading", "Flow at the nozzle");
        technician.Choose("In the case", "FROST-S · Season check before the first frost night");
        technician.Tap("Note in the case");
        technician.Sees("Where the water goes");
        technician.Sees("30 L/min");
        technician.Tap("Undo");
        technician.SeesNoMore("30 L/min");
    }

    [Fact]
    public void A_pump_fills_a_sum_and_what_was_typed_stays()
    {
        using var technician = new Technician(product);
        technician.Open("/pumps");
        technician.Tap("DESAL-B");
        technician.Tap("On the bench");
        technician.Sees("What it should show");
        technician.Tap("Its workings");
        technician.Tap("Inlet and acceleration head");
        technician.Until("the length of the suction run", () => technician.Value("Length of the run") == "2.5");
        technician.Sees("Head left above boiling");
        technician.Tap("Pulley and speed");
        technician.Until("the pulleys", () => technician.Value("Pulley on the pump").Length > 0);
        technician.Sees("Crank speed");
        technician.Tap("Drips");
        technician.Type("Drops", "40");
        // 20 drops are a millilitre: 40 a minute are 0.12 L/h (common practice, no source).
        technician.Sees("0.12 L/h");
        technician.Reload();
        technician.Until("the drops", () => technician.Value("Drops") == "40");
    }
}
