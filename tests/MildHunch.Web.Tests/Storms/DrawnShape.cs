using System.Text.Json.Nodes;

namespace MildHunch.Web.Tests.Storms;

/// <summary>Values of the shapes in the interface document, drawn at random: of the right kind everywhere, rarely sensible.</summary>
internal sealed class DrawnShape(JsonNode document)
{
    private const int Deepest = 6;

    // Words that mean something to one field or another.
    private static readonly string[] Words =
    [
        "bar", "L/min", "mm", "rpm", "discharge-pressure", "nozzle-flow", "needle", "swings", "inlet", "discharge", "valve", "hp-seal",
        "crank-plunger", "intensifier", "unloader", "regulator", "before", "after", "failed", "fine", "worn", "along", "01-01", "12-31",
        "2026-03-01", "2025-12-31", "suspect", "mend", "Tobi Marr", "kWh", "water", "motor", "letter", "customer", "valve.2.discharge",
    ];

    public JsonNode? Of(JsonNode? schema, Random random, int deep = 0)
    {
        if (schema?["$ref"]?.GetValue<string>() is { } named)
            return Of(document["components"]!["schemas"]![named.Split('/')[^1]], random, deep);
        if (schema?["oneOf"] is JsonArray several)
            return Of(several[random.Next(several.Count)], random, deep);
        var kinds = schema?["type"] is JsonArray all ? all.Select(k => k!.GetValue<string>()).ToArray()
            : schema?["type"]?.GetValue<string>() is { } one ? [one]
            : schema?["properties"] is null ? ["string"] : ["object"];
        return kinds[random.Next(kinds.Length)] switch
        {
            "object" => Object(schema!, random, deep),
            "array" => new JsonArray([.. Enumerable.Range(0, deep > Deepest ? 0 : random.Next(4))
                .Select(_ => Of(schema!["items"], random, deep + 1))]),
            "integer" => random.Next(-1, 9),
            "number" => Math.Round(random.NextDouble() * (random.Next(2) == 0 ? 10 : 2000), 2),
            "boolean" => random.Next(2) == 0,
            "null" => null,
            _ => Words[random.Next(Words.Length)],
        };
    }

    private JsonObject Object(JsonNode schema, Random random, int deep)
    {
        var drawn = new JsonObject();
        if (deep > Deepest)
            return drawn;
        foreach (var (name, of) in schema["properties"]?.AsObject().ToArray() ?? [])
            if (random.Next(2) == 0)
                drawn[name] = Of(of, random, deep + 1);
        if (schema["additionalProperties"] is JsonObject held)
            for (var k = random.Next(3); k > 0; k--)
                drawn[Words[random.Next(Words.Length)]] = Of(held, random, deep + 1);
        return drawn;
    }
}
