using System.Text.Json.Nodes;

namespace MildHunch.Web.Tests.Cases.Rounds;

/// <summary>A pump that was opened twice: discharge valve 2 first, which was not it, then inlet valve 1.</summary>
internal static class TwoRounds
{
    public const string First = "valve@2.discharge";
    public const string Second = "valve@1.inlet";

    /// <summary>The case after both, not closed yet.</summary>
    public static async Task<string> Worked(Product product)
    {
        var id = await New(product);
        await product.Change(id, Read(35));
        await Open(product, id, 2, "discharge", "fine");
        await product.Change(id, Read(36));
        await Open(product, id, 1, "inlet", "failed");
        await product.Change(id, Read(70));
        return id;
    }

    public static async Task<string> New(Product product)
    {
        var pump = (await product.Get("/api/pumps")).AsArray().Single(p => p!["tag"]!.GetValue<string>() == "FOG-2")!;
        var made = await product.Send(
            HttpMethod.Post, "/api/cases",
            new JsonObject { ["pumpId"] = pump["id"]!.GetValue<string>(), ["complaint"] = "Pressure down to half" });
        return made.Body!["id"]!.GetValue<string>();
    }

    /// <summary>Planned, hazards read, put back whole, what was found noted; and it ran again.</summary>
    public static async Task Open(Product product, string id, int cylinder, string side, string state)
    {
        await product.Change(id, Work("plan", Plan(cylinder, side)));
        await product.Change(id, Work("acknowledged", new JsonObject { ["by"] = "Tobi Marr", ["hazards"] = new JsonArray() }));
        await product.PutBack(id);
        var found = new JsonObject { ["state"] = state, ["by"] = "Runa Estcott" };
        await product.Change(id, Work("found", new JsonObject { [$"valve.{cylinder}.{side}"] = found }));
        await product.Change(id, Work("ranAgain", true));
    }

    public static JsonObject Plan(int cylinder, string side) => new()
    {
        ["targets"] = new JsonArray(new JsonObject { ["part"] = "valve", ["cylinder"] = cylinder, ["side"] = side }),
    };

    public static JsonObject Work(string what, JsonNode told) => new() { ["work"] = new JsonObject { [what] = told } };

    public static JsonObject Read(double bar) =>
        new() { ["readings"] = new JsonArray(Product.Reading("discharge-pressure", bar, "bar")) };

    /// <summary>What the case took out, by the record of its pump.</summary>
    public static async Task<string[]> TakenOut(Product product, string id)
    {
        var pump = (await product.Get($"/api/cases/{id}"))["pump"]!["id"]!.GetValue<string>();
        return
        [
            .. from position in (await product.Get($"/api/pumps/{pump}/life"))["positions"]!.AsArray()
               from life in position!["lives"]!.AsArray()
               where life!["outCase"]?.GetValue<string>() == id
               select $"{position["key"]} {life["why"]} {life["outOn"]}",
        ];
    }

    /// <summary>What it turned out to be.</summary>
    public static Task<JsonNode> Close(Product product, string id) => product.Change(
        id, new JsonObject { ["facts"] = new JsonObject { ["closed"] = "inlet-valve-leak@1" } });
}
