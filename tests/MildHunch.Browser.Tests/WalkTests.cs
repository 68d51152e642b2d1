using System.Text.Json.Nodes;
using MildHunch.Web.Tests;

namespace MildHunch.Browser.Tests;

/// <summary>Walks every view and state: nothing too small, cut off, pushed aside or without content.</summary>
public class WalkTests(Product product)
{
    // A state, and a word by which it is known to have come.
    private async Task<IReadOnlyList<(string Path, string Word)>> States()
    {
        var cases = (await product.Get("/api/cases")).AsArray();
        var pumps = (await product.Get("/api/pumps")).AsArray();
        string Pump(string tag) => pumps.First(p => p!["tag"]!.GetValue<string>() == tag)!["id"]!.GetValue<string>();
        var fog = $"/cases/{await product.CaseOf("FOG-2")}";
        return
        [
            ("/cases", "Mist turns to drizzle"), ("/cases?new=open", "Which pump?"),
            .. cases.Select(c => ($"/cases/{c!["id"]}/suspect", "Next check")),
            ($"{fog}/ask", "What happened before?"), ($"{fog}/measure", "Noted so far"), ($"{fog}/open", "Found inside"),
            ($"{fog}/mend", "What to mend"), ($"{fog}/prove", "What was it?"), ($"{fog}/suspect?plan=open", "sucked flat 9 %"),
            ($"{fog}/suspect?limits=open", "Keep to these"), ($"{fog}/suspect?why=discharge-pressure", "Source:"),
            ($"{fog}/suspect?at=gauge", "Swing of the needle"), ($"{fog}/suspect?at=weep.2", "Where does it drip?"),
            ("/pumps", "Greenhouse fogging"), ("/pumps/new", "Type plate"), ($"/pumps/{Pump("FOG-2")}", "swings by"),
            ($"/pumps/{Pump("JUICE-HP")}", "swings by"), ($"/pumps/{Pump("DESAL-B")}", "swings by"),
            ($"/pumps/{Pump("DESAL-B")}/edit", "Type plate"), ("/workings", "Still needed"), ("/workings/bolt", "Bolt ceiling"),
            ("/record", "Record of the shop"), ("/nowhere", "no page at this address"), ("/pumps/unknown", "No pump has the id"),
            ("/cases/unknown", "No case has the id"),
        ];
    }

    [Theory]
    [InlineData(1280, 800)]
    [InlineData(820, 1180)]
    [InlineData(390, 844)]
    public async Task Every_state_of_every_view_is_laid_out_for_gloves_and_tired_eyes(int width, int height)
    {
        using var technician = new Technician(product, width, height);
        var found = new List<string>();
        foreach (var (path, word) in await States())
        {
            technician.Open(path);
            technician.Sees(word);
            if (technician.LayoutFindings() is { Length: > 0 } findings)
                found.Add($"{path}\n{findings}");
        }

        string.Join("\n", found).ShouldBeEmpty();
    }

    [Fact]
    public async Task Every_place_of_every_demo_pump_has_something_to_say()
    {
        using var technician = new Technician(product);
        foreach (var shown in (await product.Get("/api/cases")).AsArray())
        {
            technician.Open($"/cases/{shown!["id"]}/suspect");
            technician.Sees("Next check");
            technician.EmptyEditors().ShouldBeEmpty(shown["tag"]!.GetValue<string>());
        }
    }

    [Theory]
    [InlineData("crank-plunger", 1)]
    [InlineData("crank-plunger", 2)]
    [InlineData("crank-plunger", 5)]
    [InlineData("crank-plunger", 7)]
    [InlineData("flow-through", 3)]
    [InlineData("axial", 6)]
    public async Task No_two_texts_meet_in_a_drawing_full_of_tags(string arrangement, int cylinders)
    {
        var id = await FullCase(arrangement, cylinders);
        using var technician = new Technician(product);
        foreach (var (width, height) in new[] { (1280, 800), (820, 1180) })
        {
            technician.Resize(width, height);
            technician.Open($"/cases/{id}/suspect");
            technician.Sees("Where the water goes");
            technician.LayoutFindings().ShouldBeEmpty();
        }
    }

    [Fact]
    public async Task Nothing_moves_while_a_page_loads()
    {
        using var technician = new Technician(product);
        string[] paths =
            ["/cases", "/pumps/new", $"/pumps/{await PumpOf("DESAL-B")}", $"/cases/{await product.CaseOf("FOG-2")}/suspect"];
        foreach (var path in paths)
        {
            technician.Open(path);
            technician.Until("the page", () => technician.Ask("document.querySelector('h1') !== null") is true);
            technician.Until("rest", () => technician.Ask("performance.now() > 2500") is true);
            technician.LayoutShift().ShouldBeLessThan(0.1, path);
        }
    }

    [Theory]
    [InlineData(1280, 800)]
    [InlineData(820, 1180)]
    public async Task Eight_answers_leave_the_buttons_where_the_finger_is(int width, int height)
    {
        using var own = new Product();
        using var technician = new Technician(own, width, height);
        technician.Open($"/cases/{await own.CaseOf("FROST-S")}/suspect");
        technician.Sees("Next check");
        var foot = AnswersEnd(technician);
        for (var k = 0; k < 8; k++)
        {
            var question = technician.NextQuestion();

            // A check that is a measurement has no answers to tap: it could not be done today.
            if (technician.Ask("document.querySelector('.answer kbd') !== null") is true)
                technician.TapAnswer(1);
            else
                technician.Tap("Could not do it");
            technician.Until("another question", () => technician.NextQuestion() != question);
            AnswersEnd(technician).ShouldBe(foot, 8, $"answer {k + 1}");
        }

        technician.LayoutShift().ShouldBeLessThan(0.1);
    }

    private static double AnswersEnd(Technician technician) => Convert.ToDouble(
        technician.Ask("document.querySelector('.could-not, .answers .last').getBoundingClientRect().bottom + scrollY"),
        System.Globalization.CultureInfo.InvariantCulture);

    private async Task<string> PumpOf(string tag) =>
        (await product.Get("/api/pumps")).AsArray().First(p => p!["tag"]!.GetValue<string>() == tag)!["id"]!.GetValue<string>();

    private async Task<string> FullCase(string arrangement, int cylinders)
    {
        var pump = Product.Pump();
        (pump["arrangement"], pump["cylinders"]) = (arrangement, cylinders);
        if (arrangement == "axial")
            pump.Remove("rodRatio");
        var (_, made) = await product.Send(
            HttpMethod.Post, "/api/pumps",
            new JsonObject { ["tag"] = $"{arrangement[..4]}-{cylinders}", ["pump"] = pump, ["setup"] = Product.Setup() });
        var (response, opened) = await product.Send(
            HttpMethod.Post, "/api/cases", new JsonObject { ["pumpId"] = made!["id"]!.GetValue<string>(), ["complaint"] = "All at once" });
        var id = opened!["id"]!.GetValue<string>();
        (await product.Send(
            HttpMethod.Post, $"/api/cases/{id}/changes", Everything(), response.Headers.ETag!.Tag)).Response.EnsureSuccessStatusCode();
        return id;
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
        ["sure"] = true,
    };
}
