using MildHunch.Web.Tests;

namespace MildHunch.Browser.Tests;

/// <summary>What must hold of every screen: nothing lost when small, no more sent than it may weigh, nothing from elsewhere.</summary>
public class LooksTests(Product product)
{
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
        technician.Sees("What was in it");
        ((long)technician.Ask("document.documentElement.scrollWidth")!).ShouldBeLessThanOrEqualTo(width);
        technician.Open("/due");
        technician.Sees("due");
        ((long)technician.Ask("document.documentElement.scrollWidth")!).ShouldBeLessThanOrEqualTo(width);
        technician.Open("/pumps");
        technician.Tap("DESAL-B");
        technician.Tap("On the bench");
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
                ($"/pumps/{pump}/bench", "they meet where it runs", 430), ($"/pumps/{pump}", "No part is on record yet", 330) })
        {
            technician.Open(path);
            technician.Sees(word);
            technician.HasLoaded();
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
