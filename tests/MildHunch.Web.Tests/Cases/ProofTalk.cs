using System.Text.Json.Nodes;

namespace MildHunch.Web.Tests.Cases;

/// <summary>A case of FOG-2 that is told how it is proved.</summary>
public abstract class ProofTalk(Product product)
{
    private protected Product Product => product;

    private protected static string Text(JsonNode? node) => node!.GetValue<string>();

    private protected static JsonObject By() => new() { ["by"] = "Runa Estcott" };

    private protected static JsonObject LeftOut(string reason) => new() { ["reason"] = reason, ["by"] = "Pell Okoro" };

    private protected static JsonObject Verdict(string outcome) => new()
    {
        ["verdict"] = new JsonObject { ["outcome"] = outcome, ["remark"] = "Look at it again.", ["by"] = "Ines Halvard" },
    };

    private protected static JsonObject Acts(params string[] acts) => new()
    {
        ["acts"] = new JsonObject(acts.Select(act => KeyValuePair.Create(act, (JsonNode?)By()))),
    };

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

    private protected static JsonObject Screw(double target, params (double Turns, double Bar)[] moves) => new()
    {
        ["screw"] = new JsonObject
        {
            ["target"] = Product.Amount(target, "bar"),
            ["moves"] = new JsonArray([.. moves.Select(m => new JsonObject
            {
                ["turns"] = m.Turns,
                ["running"] = Product.Amount(m.Bar, "bar"),
            })]),
        },
    };

    /// <summary>All that a careful hand reads and ticks on a healthy FOG-2, up to the verdict.</summary>
    private protected async Task<string> Proved()
    {
        var id = await NewCase();
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

    /// <summary>A case of its own, so that others may talk of the same pump.</summary>
    private protected async Task<string> NewCase()
    {
        var pump = (await Product.Get("/api/pumps")).AsArray().Single(p => Text(p!["tag"]) == "FOG-2")!;
        var made = await Product.Send(
            HttpMethod.Post, "/api/cases", new JsonObject { ["pumpId"] = Text(pump["id"]), ["complaint"] = "Mended, to be proved" });
        return Text(made.Body!["id"]);
    }

    private protected Task<JsonNode> View(string id) => Product.Get($"/api/cases/{id}/proof");

    private protected Task<JsonNode> Change(string id, JsonObject proof) => Product.Change(id, new JsonObject { ["proof"] = proof });

    private protected Task<(HttpResponseMessage Response, JsonNode? Body)> Tell(string id, JsonObject proof) =>
        Product.Tell(id, new JsonObject { ["proof"] = proof });

    private protected Task Work(string id, JsonObject work) => Product.Change(id, new JsonObject { ["work"] = work });
}
