using System.Text.Json.Nodes;
using MildHunch.Web.Tests;

namespace MildHunch.Browser.Tests;

/// <summary>Walks every view and state: nothing too small, cut off, pushed aside, hard to perceive or without content.</summary>
public sealed class WalkTests : IDisposable
{
    // Of its own: it plans work that others must not find.
    private readonly Product product = new();

    public void Dispose() => product.Dispose();

    // A state, and a word by which it is known to have come.
    private async Task<IReadOnlyList<(string Path, string Word)>> States()
    {
        var cases = (await product.Get("/api/cases")).AsArray();
        var pumps = (await product.Get("/api/pumps")).AsArray();
        string Pump(string tag) => pumps.First(p => p!["tag"]!.GetValue<string>() == tag)!["id"]!.GetValue<string>();
        var fog = $"/cases/{await product.CaseOf("FOG-2")}";
        var opened = await Opened(Pump("FOG-2"));
        return
        [
            ("/cases", "Mist turns to drizzle"), ("/cases?new=open", "Which pump?"),
            .. cases.Where(c => c!["closed"] is null).Select(c => ($"/cases/{c!["id"]}/suspect", "Next check")),
            ($"{fog}/ask", "What happened before?"), ($"{fog}/measure", "Noted so far"), ($"{fog}/open", "What is to be opened?"),
            ($"{opened}/open?step=ready", "Lay ready"), ($"{opened}/open?step=hazards", "What can hurt you here"),
            ($"{opened}/open?step=head.loosen", "Head bolts: slacken"), ($"{opened}/open?step=valve.off.1", "Valve out by its cage"),
            ($"{opened}/open?step=inspect", "Look at every part"), ($"{opened}/mend?step=parts", "New parts, counted"),
            ($"{opened}/mend?step=head.tighten", "draw home"), ($"{opened}/mend?step=valve.facing", "Looked: it is so"),
            ($"{opened}/mend?step=after.1", "Count tools and parts"), ($"{opened}/mend?step=closed", "It goes to the proof"),
            ($"/pumps/{Pump("FOG-2")}/service", "Service figures"),
            ($"{fog}/prove", "What was it?"), ($"{fog}/suspect?plan=open", "sucked flat 9 %"),
            ($"{fog}/suspect?limits=open", "Keep to these"), ($"{fog}/suspect?why=discharge-pressure", "Source:"),
            ($"{fog}/suspect?at=gauge", "Swing of the needle"), ($"{fog}/suspect?at=weep.2", "Where does it drip?"),
            ("/pumps", "Greenhouse fogging"), ("/pumps/new", "Type plate"), ($"/pumps/{Pump("FOG-2")}/bench", "swings by"),
            ($"/pumps/{Pump("JUICE-HP")}/bench", "swings by"), ($"/pumps/{Pump("DESAL-B")}/bench", "swings by"),
            ($"/pumps/{Pump("WASH-3")}", "What was in it"), ($"/pumps/{Pump("FOG-2")}", "No part is on record yet"), ("/due", "due"),
            ($"/pumps/{Pump("DESAL-B")}/edit", "Type plate"), ("/workings", "Still needed"), ("/workings/bolt", "Bolt ceiling"),
            ("/record", "Record of the shop"), ($"{fog}/report", "Service report FOG-2"), ("/shop", "A copy of everything"),
            ("/nowhere", "no page at this address"), ("/pumps/unknown", "No pump has the id"), ("/cases/unknown", "No case has the id"),
        ];
    }

    // A case with a plan that takes head and valves off, all of it still to do.
    private async Task<string> Opened(string pump)
    {
        var (_, made) = await product.Send(
            HttpMethod.Post, "/api/cases", new JsonObject { ["pumpId"] = pump, ["complaint"] = "Everything is to be looked at" });
        var id = made!["id"]!.GetValue<string>();
        string[] parts = ["valve", "hp-seal", "plunger"];
        var plan = new JsonObject
        {
            ["targets"] = new JsonArray([.. parts.Select(p => new JsonObject { ["part"] = p })]),
            ["scope"] = "whole-set",
        };
        await product.Send(
            HttpMethod.Post, $"/api/cases/{id}/changes", new JsonObject { ["work"] = new JsonObject { ["plan"] = plan } },
            $"\"{made["version"]}\"");
        return $"/cases/{id}";
    }

    [Fact]
    public async Task Every_state_of_every_view_is_laid_out_for_gloves_and_tired_eyes()
    {
        using var technician = new Technician(product);
        var found = new List<string>();
        var looked = new HashSet<string>();
        foreach (var (path, word) in await States())
        {
            technician.Resize(1280, 800);
            technician.Open(path);
            technician.Sees(word);

            // The same stage of another case is built of the same pieces: it is laid out otherwise, and named alike.
            if (looked.Add(path.StartsWith("/cases/", StringComparison.Ordinal) && path.EndsWith("/suspect", StringComparison.Ordinal)
                ? "suspect"
                : path))
                found.AddRange(technician.AccessibilityBreaks().Select(f => $"{path}: {f}"));
            foreach (var (width, height) in new[] { (1280, 800), (820, 1180), (390, 844) })
            {
                technician.Resize(width, height);
                technician.Sees(word);
                found.AddRange(technician.LayoutFindings().Select(f => $"{path} at {width}x{height}: {f}"));
            }
        }

        string.Join("\n", found).ShouldBeEmpty();
    }
}
