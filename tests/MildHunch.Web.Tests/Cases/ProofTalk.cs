using System.Text.Json.Nodes;

namespace MildHunch.Web.Tests.Cases;

/// <summary>A case of FOG-2 that is told how it is proved.</summary>
public abstract class ProofTalk : IDisposable
{
    // Of its own: others look at the list of cases while these change it.
    private protected Product Product { get; } = new();

    public void Dispose()
    {
        Product.Dispose();
        GC.SuppressFinalize(this);
    }

    private protected static string Text(JsonNode? node) => node!.GetValue<string>();

    private protected static JsonObject By() => new() { ["by"] = "Runa Estcott" };

    private protected static JsonObject LeftOut(string reason) => new() { ["reason"] = reason, ["by"] = "Pell Okoro" };

    private protected static JsonObject Verdict(string outcome) => new()
    {
        ["verdict"] = new JsonObject { ["outcome"] = outcome, ["remark"] = "Look at it again.", ["by"] = "Ines Halvard" },
    };

    private protected static JsonObject Acts(string act) => new() { ["acts"] = new JsonObject { [act] = By() } };

    private protected static JsonObject Step(string step, double bar, double nozzle, double bypass) => new()
    {
        ["steps"] = new JsonObject
        {
            [step] = new JsonObject
            {
                ["by"] = "Runa Estcott",
                ["pressure"] = Product.Amount(bar, "bar"),
                ["nozzleFlow"] = Product.Amount(nozzle, "L/min"),
                ["bypassFlow"] = Product.Amount(bypass, "L/min"),
                ["heldSeconds"] = 120,
            },
        },
    };

    private protected static JsonObject Shut(string? gauge, double seconds = 60) => new()
    {
        ["by"] = "Runa Estcott",
        ["spike"] = Product.Amount(88, "bar"),
        ["from"] = Product.Amount(86, "bar"),
        ["falls"] = new JsonArray(new JsonObject { ["seconds"] = 0.5 * seconds, ["pressure"] = Product.Amount(85.4, "bar") }),
        ["to"] = Product.Amount(85, "bar"),
        ["seconds"] = seconds,
        ["restart"] = "easy",
        ["gauge"] = gauge,
    };

    private protected static JsonObject ShutAsSet(JsonObject shut) => new() { ["shuts"] = new JsonObject { ["shut-set"] = shut } };

    /// <summary>All that a careful hand reads and ticks on a healthy FOG-2, up to the verdict.</summary>
    private protected async Task<string> Proved()
    {
        var id = await Product.CaseOf("FOG-2");
        var stages = (await View(id))["stages"]!.AsArray();
        await Change(id, new JsonObject
        {
            ["acknowledged"] = new JsonObject(stages.Select(s => KeyValuePair.Create(Text(s!["id"]), (JsonNode?)By()))),
        });
        await Change(id, new JsonObject
        {
            ["acts"] = new JsonObject(
                stages.SelectMany(s => s!["acts"]!.AsArray().Select(a => $"{Text(s["id"])}.{Text(a!["id"])}"))
                    .Select(act => KeyValuePair.Create(act, (JsonNode?)By()))),
        });
        await Change(id, Step("steps.25", 17.5, 9.6, 9.5));
        await Change(id, Step("steps.50", 35, 13.6, 5.5));
        await Change(id, Step("steps.75", 52.5, 16.6, 2.4));
        await Change(id, Step("steps.100", 70, 19.2, 0));
        await Change(id, new JsonObject { ["shut"] = Shut("hose") });
        await Change(id, Step("set.100", 69.5, 19.1, 0));
        await Change(id, ShutAsSet(Shut("hose")));
        return id;
    }

    private protected Task<JsonNode> View(string id) => Product.Get($"/api/cases/{id}/proof");

    private protected Task<JsonNode> Change(string id, JsonObject proof) => Product.Change(id, new JsonObject { ["proof"] = proof });

    private protected Task<(HttpResponseMessage Response, JsonNode? Body)> Tell(string id, JsonObject proof) =>
        Product.Tell(id, new JsonObject { ["proof"] = proof });

    private protected Task Work(string id, JsonObject work) => Product.Change(id, new JsonObject { ["work"] = work });
}
