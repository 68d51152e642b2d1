using System.Text.Json.Nodes;
using MildHunch.Web.Tests;

namespace MildHunch.Browser.Tests;

/// <summary>What must hold of every screen: readable by everybody, nothing lost when small, nothing over one another.</summary>
public class LooksTests(Product product)
{
    private const string Overlaps = """
        (() => { const boxes = [...document.querySelectorAll('.drawing .tag')]
            .map(e => ({ r: e.getBoundingClientRect(), t: e.textContent.trim() }));
          const hit = [];
          for (let i = 0; i < boxes.length; i++) for (let j = i + 1; j < boxes.length; j++) {
            const a = boxes[i].r, b = boxes[j].r;
            if (a.left < b.right - 1 && b.left < a.right - 1 && a.top < b.bottom - 1 && b.top < a.bottom - 1)
              hit.push(boxes[i].t + ' / ' + boxes[j].t); }
          return hit.join('; '); })()
        """;

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

    [Theory]
    [InlineData(1)]
    [InlineData(4)]
    [InlineData(7)]
    public async Task Tags_never_cover_one_another(int cylinders)
    {
        var pump = Product.Pump();
        pump["cylinders"] = cylinders;
        var (_, made) = await product.Send(
            HttpMethod.Post, "/api/pumps", new JsonObject { ["tag"] = $"TAGS-{cylinders}", ["pump"] = pump, ["setup"] = Product.Setup() });
        var (response, opened) = await product.Send(
            HttpMethod.Post, "/api/cases", new JsonObject { ["pumpId"] = made!["id"]!.GetValue<string>(), ["complaint"] = "All at once" });
        var id = opened!["id"]!.GetValue<string>();
        (await product.Send(
            HttpMethod.Post, $"/api/cases/{id}/changes", Everything(), response.Headers.ETag!.Tag)).Response.EnsureSuccessStatusCode();
        using var technician = new Technician(product);
        technician.Open($"/cases/{id}");
        technician.Sees("Where the water goes");
        ((string)technician.Ask(Overlaps)!).ShouldBeEmpty();
        technician.Resize(820, 1180);
        ((string)technician.Ask(Overlaps)!).ShouldBeEmpty();
    }

    [Fact]
    public async Task Every_target_is_large_enough_for_gloves()
    {
        using var technician = new Technician(product);
        await technician.OpenCase("FOG-2");
        SmallTargets(technician).ShouldBeEmpty();
        technician.Open("/workings/bucket");
        technician.Sees("Still needed");
        SmallTargets(technician).ShouldBeEmpty();
        technician.Open("/pumps");
        technician.Tap("FOG-2");
        technician.Sees("swings by");
        technician.Sees("What it should show");
        SmallTargets(technician).ShouldBeEmpty();
    }

    private static string SmallTargets(Technician technician) =>
        (string)technician.Ask("""
            [...document.querySelectorAll('button, a, input, select, textarea')]
              .filter(e => e.offsetParent && e.getBoundingClientRect().height < 43.5).map(e => e.outerHTML.slice(0, 120)).join('\n')
            """)!;

    [Fact]
    public async Task Nothing_is_fetched_from_elsewhere()
    {
        using var technician = new Technician(product);
        await technician.OpenCase("FOG-2");
        var foreign = (string)technician.Ask("performance.getEntriesByType('resource').map(e => e.name).filter(n => "
            + "!n.startsWith(location.origin) && !n.startsWith('data:')).join('\\n')")!;
        foreign.ShouldBeEmpty();
    }

    private static JsonObject Everything() => new()
    {
        ["readings"] = new JsonArray(
            Product.Reading("discharge-pressure", 31, "bar"), Product.Reading("swing", 24, "bar"),
            Product.Reading("nozzle-flow", 12.7, "L/min"), Product.Reading("bypass-flow", 0.5, "L/min"),
            Product.Reading("speed", 1447, "rpm"), Product.Reading("inlet-pressure", -0.1, "bar")),
        ["cues"] = new JsonArray(
            Product.Cue("needle", "swings"), Product.Cue("sound", "gravel"), Product.Cue("inlet-hose", "calm"),
            Product.Cue("cap-heat", "warm", 1, "discharge"), Product.Cue("leak-at", "weep", 1)),
    };
}
