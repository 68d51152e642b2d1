using System.Text;
using System.Text.Json.Nodes;

namespace MildHunch.Web.Tests.Storms;

/// <summary>Takes a sound JSON text and makes one thing of it wrong; now and then nothing, now and then everything.</summary>
internal static class OddThing
{
    private const string Mark = "@odd@";
    private const string Letters = "{}[]\",:0e-.truefalsnl\\ \u00e9\u0000";

    private static readonly string[] Literals =
    [
        "null", "0", "-1", "7", "1e-300", "1e308", "1e999", "-1e999", "99999999999", "0.1", "true", "\"\"", "\"x\"", "\" \"", "[]", "{}",
        "[null]", "[[]]", "{\"\":null}", "\"0001-01-01\"", "\"9999-12-31\"", "\"2026-02-30\"", "\"2026-12-01T24:00:00Z\"", "\"NaN\"",
        "\"../../etc\"", "\"=1+1\"", "\"\\u0000\"", "\"\\ud800\"", "\"\\u202e\"", "{\"value\":1}", "{\"value\":1e308,\"unit\":\"MPa\"}",
        "{\"value\":null,\"unit\":\"bar\"}", "{\"value\":-40,\"unit\":\"bar\"}", "{\"value\":12,\"unit\":\"furlong\"}",
    ];

    /// <summary>The text, one thing of it odd.</summary>
    public static string In(JsonNode sound, Random random)
    {
        var paths = Paths(sound, []).ToArray();
        if (paths.Length == 0 || random.Next(20) == 0)
            return random.Next(4) == 0 ? Noise(random) : sound.ToJsonString();
        var spoilt = sound.DeepClone();
        var place = paths[random.Next(paths.Length)];
        var at = place[..^1].Aggregate(spoilt, (node, key) => key is int i ? node[i]! : node[(string)key]!);
        switch (random.Next(8))
        {
            case 0 when at is JsonObject o:
                o.Remove((string)place[^1]);
                return spoilt.ToJsonString();
            case 1 when at is JsonObject o:
                o[$"{place[^1]}{random.Next(9)}"] = Value(o, place[^1]);
                return spoilt.ToJsonString();
            case 2 when at is JsonObject o:
                // The same name twice, with another value.
                o[Mark] = Value(o, place[^1]);
                return spoilt.ToJsonString().Replace($"\"{Mark}\"", $"\"{place[^1]}\"", StringComparison.Ordinal);
            case 3 when at is JsonArray a:
                for (var k = random.Next(300); k > 0; k--)
                    a.Add(a[0]?.DeepClone());
                return spoilt.ToJsonString();
            case 4:
                return Replaced(at, place[^1], spoilt, $"\"{new string((char)('a' + random.Next(26)), random.Next(5000))}\"");
            case 5 when random.Next(4) == 0:
                return Replaced(at, place[^1], spoilt, string.Concat(Enumerable.Repeat("[", 200)) + string.Concat(Enumerable.Repeat("]",
                    200)));
            default:
                return Replaced(at, place[^1], spoilt, Literals[random.Next(Literals.Length)]);
        }
    }

    /// <summary>No JSON at all, or half of one.</summary>
    public static string Noise(Random random)
    {
        var text = new StringBuilder();
        for (var k = random.Next(60); k >= 0; k--)
            text.Append(Letters[random.Next(Letters.Length)]);
        return text.ToString();
    }

    private static JsonNode? Value(JsonNode at, object key) => (key is int i ? at[i] : at[(string)key])?.DeepClone();

    // A literal that no tree can hold is written into its text.
    private static string Replaced(JsonNode at, object key, JsonNode whole, string literal)
    {
        if (key is int i)
            at[i] = Mark;
        else
            at[(string)key] = Mark;
        return whole.ToJsonString().Replace($"\"{Mark}\"", literal, StringComparison.Ordinal);
    }

    private static IEnumerable<object[]> Paths(JsonNode? node, object[] so)
    {
        var inner = node switch
        {
            JsonObject o => o.Select(p => (Key: (object)p.Key, p.Value)),
            JsonArray a => a.Select((v, i) => (Key: (object)i, Value: v)),
            _ => [],
        };
        return inner.SelectMany(p => Paths(p.Value, [.. so, p.Key]).Prepend([.. so, p.Key]));
    }
}
