using MildHunch.Web.Tests;

namespace MildHunch.Browser.Tests;

/// <summary>What must hold of every screen: readable by everybody, nothing lost when small, nothing over one another.</summary>
public class LooksTests(Product product)
{
    [Theory]
    [InlineData(false)]
    [InlineData(true)]
    public async Task Every_view_keeps_the_accessibility_rules(bool dark)
    {
        using var technician = new Technician(product);
        technician.Open("/cases");
        technician.Sees("Reach fades");
        technician.Ask($"localStorage.setItem('mild-hunch.theme', '{(dark ? "dark" : "light")}')");
        technician.Reload();
        technician.Sees("Reach fades");
        technician.AccessibilityBreaks().ShouldBeEmpty();
        await technician.OpenCase("FOG-2");
        technician.Sees("Next check");
        technician.AccessibilityBreaks().ShouldBeEmpty();
        foreach (var stage in new[] { "Ask", "Measure", "Open", "Prove" })
        {
            technician.Tap(stage);
            technician.Until(stage, () => technician.Ask($"document.querySelector('section[aria-label=\"{stage}\"]') !== null") is true);
            technician.AccessibilityBreaks().ShouldBeEmpty(stage);
        }

        technician.Tap("Suspect");
        technician.Open("/pumps");
        technician.Tap("FOG-2");
        technician.Sees("they meet where it runs");
        technician.Sees("swings by");
        technician.Choose("Try a fault", "Discharge valve leaks");
        technician.Sees("An hour of running like this");
        technician.AccessibilityBreaks().ShouldBeEmpty();
        technician.Open("/workings/bolt");
        technician.Sees("Bolt ceiling");
        technician.AccessibilityBreaks().ShouldBeEmpty();
        technician.Open("/pumps/new");
        technician.Sees("Type plate");
        technician.AccessibilityBreaks().ShouldBeEmpty();
    }

    [Theory]
    [InlineData(390)]
    [InlineData(820)]
    public async Task Nothing_is_lost_on_a_small_screen(int width)
    {
        using var technician = new Technician(product, width, 1180);
        await technician.OpenCase("FOG-2");
        foreach (var word in new[] { "Ask", "Prove", "Undo", "Suspects", "Next check", "Where the water goes" })
            technician.Sees(word);
        ((long)technician.Ask("document.documentElement.scrollWidth")!).ShouldBeLessThanOrEqualTo(width);
        technician.Open("/cases");
        technician.Sees("Mist turns to drizzle");
        ((long)technician.Ask("document.documentElement.scrollWidth")!).ShouldBeLessThanOrEqualTo(width);
        technician.Open("/workings/inlet");
        technician.Sees("Still needed");
        ((long)technician.Ask("document.documentElement.scrollWidth")!).ShouldBeLessThanOrEqualTo(width);
        technician.Open("/pumps");
        technician.Tap("DESAL-B");
        technician.Sees("swings by");
        ((long)technician.Ask("document.documentElement.scrollWidth")!).ShouldBeLessThanOrEqualTo(width);
        technician.Tap("Correct");
        technician.Sees("Type plate");
        ((long)technician.Ask("document.documentElement.scrollWidth")!).ShouldBeLessThanOrEqualTo(width);
    }

    /// <summary>Kilobytes of everything a view sends for, compressed as it is sent: page, script, style, lettering, data.</summary>
    [Fact]
    public async Task A_view_weighs_no_more_than_it_may()
    {
        using var technician = new Technician(product);
        var pump = (await product.Get("/api/pumps")).AsArray().First(p => p!["tag"]!.GetValue<string>() == "FOG-2")!["id"];
        foreach (var (path, word, most) in new[]
            { ("/cases", "Mist turns", 230), ($"/cases/{await product.CaseOf("FOG-2")}/suspect", "Next check", 330),
                ($"/pumps/{pump}", "they meet where it runs", 430) })
        {
            technician.Open(path);
            technician.Sees(word);
            technician.Until("rest", () => technician.Ask("performance.now() > 1500") is true);
            var kilobytes = Convert.ToDouble(
                technician.Ask("performance.getEntries().reduce((sum, e) => sum + (e.encodedBodySize || 0), 0) / 1000"),
                System.Globalization.CultureInfo.InvariantCulture);
            kilobytes.ShouldBeGreaterThan(50, path);
            kilobytes.ShouldBeLessThan(most, path);
        }
    }

    [Fact]
    public async Task Nothing_is_fetched_from_elsewhere()
    {
        using var technician = new Technician(product);
        await technician.OpenCase("FOG-2");
        var foreign = (string)technician.Ask("performance.getEntriesByType('resource').map(e => e.name).filter(n => "
            + "!n.startsWith(location.origin) && !n.startsWith('data:')).join('\\n')")!;
        foreign.ShouldBeEmpty();
    }
}
