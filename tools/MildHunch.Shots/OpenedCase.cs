using System.Net.Http.Json;
using System.Text.Json.Nodes;

namespace MildHunch.Shots;

/// <summary>A case in the middle of the work, made anew for the pictures: planned, opened as far as a step, some of it looked at.</summary>
internal sealed class OpenedCase(HttpClient http)
{
    private readonly Dictionary<string, string> made = [];

    /// <summary>Id of the case of this pump; made once.</summary>
    public async Task<string> Of(string tag)
    {
        if (!made.TryGetValue(tag, out var id))
            made[tag] = id = await Make(tag);
        return id;
    }

    /// <summary>Id of a case of this pump in the middle of its proof; made anew.</summary>
    public async Task<string> Proved(string tag)
    {
        var pump = (await http.GetFromJsonAsync<JsonArray>("/api/pumps"))!.First(p => p!["tag"]!.GetValue<string>() == tag)!;
        var made = await Sent(await http.PostAsJsonAsync(
            "/api/cases", new { pumpId = pump["id"]!.GetValue<string>(), complaint = "Drizzle on the second zone, mended" }));
        var id = made["id"]!.GetValue<string>();
        JsonObject Signed(params string[] names) =>
            new(names.Select(n => KeyValuePair.Create(n, (JsonNode?)new JsonObject { ["by"] = "Runa Estcott" })));
        var stages = (await http.GetFromJsonAsync<JsonObject>($"/api/cases/{id}/proof"))!["stages"]!.AsArray();
        await Prove(id, new JsonObject { ["acknowledged"] = Signed([.. stages.Select(s => s!["id"]!.GetValue<string>())]) });
        string[] acts = [.. stages.Take(2).SelectMany(s => s!["acts"]!.AsArray().Select(a => $"{s["id"]}.{a!["id"]}"))];
        await Prove(id, new JsonObject { ["acts"] = Signed(acts) });
        await Prove(id, new JsonObject
        {
            ["steps"] = new JsonObject { ["steps.25"] = Read(17.6, 9.6, 9.4), ["steps.50"] = Read(35, 13.5, 5.5) },
            ["started"] = new JsonArray("steps.75"),
        });
        (double Turns, double Bar)[] moves = [(0, 38.5), (0.25, 42), (0.5, 45.8), (0.75, 49.1), (1, 52.9), (1.25, 56.4)];
        await Prove(id, new JsonObject
        {
            ["screw"] = new JsonObject
            {
                ["height"] = "14 mm, three threads above the nut",
                ["target"] = Bar(60),
                ["moves"] = new JsonArray([.. moves.Select(m => new JsonObject
                {
                    ["turns"] = m.Turns, ["running"] = Bar(m.Bar), ["spike"] = Bar(m.Bar * 1.09),
                })]),
            },
        });
        return id;
    }

    private static JsonObject Bar(double value) => new() { ["value"] = value, ["unit"] = "bar" };

    private static JsonObject Read(double bar, double nozzle, double bypass) => new()
    {
        ["by"] = "Runa Estcott",
        ["pressure"] = Bar(bar),
        ["nozzleFlow"] = new JsonObject { ["value"] = nozzle, ["unit"] = "L/min" },
        ["bypassFlow"] = new JsonObject { ["value"] = bypass, ["unit"] = "L/min" },
        ["heldSeconds"] = 120,
    };

    private Task Prove(string id, JsonObject proof) => Change(id, new JsonObject { ["proof"] = proof });

    private async Task<string> Make(string tag)
    {
        var pump = (await http.GetFromJsonAsync<JsonArray>("/api/pumps"))!.First(p => p!["tag"]!.GetValue<string>() == tag)!;
        var brine = tag == "BRINE-4";
        var complaint = brine ? "Water between the manifolds" : "Drizzle on all zones, needle swings";
        string[] parts = brine ? ["packing", "plunger"] : ["valve"];
        var until = brine ? null : "valve.off.1@2.discharge";
        var found = brine ? Brine() : [];
        var opened = await Sent(await http.PostAsJsonAsync("/api/cases", new { pumpId = pump["id"]!.GetValue<string>(), complaint }));
        var id = opened["id"]!.GetValue<string>();
        var plan = new JsonObject
        {
            ["targets"] = new JsonArray([.. parts.Select(p => new JsonObject { ["part"] = p })]),
            ["scope"] = "whole-set",
        };
        await Tell(id, new JsonObject { ["plan"] = plan.DeepClone() });
        await Tell(id, new JsonObject { ["acknowledged"] = new JsonObject { ["by"] = "Runa Estcott", ["hazards"] = new JsonArray() } });
        plan["pump"] = pump["pump"]!.DeepClone();
        plan["setup"] = pump["setup"]!.DeepClone();
        plan["sheet"] = pump["sheet"]!.DeepClone();
        var whole = await Sent(await http.PostAsJsonAsync("/api/service-plan", plan));
        var ticks = whole["steps"]!.AsArray().Where(s => s!["stage"]!.GetValue<string>() is "before" or "open")
            .SelectMany(s => s!["places"]!.AsArray()).Select(p => p!["tick"]!.GetValue<string>()).TakeWhile(t => t != until);
        var steps = new JsonObject();
        foreach (var tick in ticks)
            steps[tick] = new JsonObject { ["by"] = "Runa Estcott" };
        await Tell(id, new JsonObject { ["steps"] = steps, ["found"] = found });
        return id;
    }

    private static JsonObject Brine() => new()
    {
        ["discharge-valve.1.discharge"] = Found("fine", null),
        ["discharge-valve.2.discharge"] = Found("failed", "pitted"),
        ["inlet-valve.1.inlet"] = Found("fine", null),
        ["inlet-valve.2.inlet"] = Found("fine", null),
        ["packing.1"] = Found("failed", "packing-burnt"),
        ["packing.2"] = Found("failed", "packing-burnt"),
        ["plunger.1"] = Found("fine", null),
        ["plunger.2"] = Found("worn", "scaled"),
    };

    private static JsonObject Found(string state, string? finding) =>
        new() { ["state"] = state, ["finding"] = finding, ["by"] = "Runa Estcott" };

    private Task Tell(string id, JsonObject work) => Change(id, new JsonObject { ["work"] = work });

    private async Task Change(string id, JsonObject change)
    {
        var version = (await http.GetFromJsonAsync<JsonObject>($"/api/cases/{id}"))!["version"]!.GetValue<int>();
        using var request = new HttpRequestMessage(HttpMethod.Post, $"/api/cases/{id}/changes")
        {
            Content = JsonContent.Create(change),
        };
        request.Headers.TryAddWithoutValidation("If-Match", $"\"{version}\"");
        await Sent(await http.SendAsync(request));
    }

    private static async Task<JsonObject> Sent(HttpResponseMessage response) => response.IsSuccessStatusCode
        ? (await response.Content.ReadFromJsonAsync<JsonObject>())!
        : throw new InvalidOperationException(await response.Content.ReadAsStringAsync());
}
