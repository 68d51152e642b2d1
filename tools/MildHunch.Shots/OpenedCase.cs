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

    private async Task Tell(string id, JsonObject work)
    {
        var version = (await http.GetFromJsonAsync<JsonObject>($"/api/cases/{id}"))!["version"]!.GetValue<int>();
        using var request = new HttpRequestMessage(HttpMethod.Post, $"/api/cases/{id}/changes")
        {
            Content = JsonContent.Create(new JsonObject { ["work"] = work }),
        };
        request.Headers.TryAddWithoutValidation("If-Match", $"\"{version}\"");
        await Sent(await http.SendAsync(request));
    }

    private static async Task<JsonObject> Sent(HttpResponseMessage response) => response.IsSuccessStatusCode
        ? (await response.Content.ReadFromJsonAsync<JsonObject>())!
        : throw new InvalidOperationException(await response.Content.ReadAsStringAsync());
}
