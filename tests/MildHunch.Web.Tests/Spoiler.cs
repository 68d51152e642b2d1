using System.Net;
using System.Text.Json.Nodes;

namespace MildHunch.Web.Tests;

/// <summary>Puts nonsense into every field of a request, one at a time.</summary>
internal static class Spoiler
{
    private static readonly string[] Nonsense =
        ["null", "0", "-1", "1e300", "\"\"", "\"x\"", "[]", "{}", "[null]", "true", "999999999999",
        """{"value":1}""", """{"value":1e308,"unit":"MPa"}"""];

    /// <summary>Each spoilt request must be answered, or refused with one field named.</summary>
    public static async Task Try(Product product, string path, Func<JsonObject> question)
    {
        foreach (var place in Paths(question(), []).ToArray())
        {
            foreach (var nonsense in Nonsense)
            {
                var spoilt = question();
                var held = Holds(question(), place);
                var at = place[..^1].Aggregate((JsonNode)spoilt, (node, key) => key is int i ? node[i]! : node[(string)key]!);
                if (place[^1] is int index)
                    at[index] = JsonNode.Parse(nonsense);
                else
                    at[(string)place[^1]] = JsonNode.Parse(nonsense);
                var (response, body) = await product.Send(HttpMethod.Post, path, spoilt);
                var what = $"{string.Join('.', place)} = {nonsense}";
                new[] { HttpStatusCode.OK, HttpStatusCode.BadRequest }.ShouldContain(response.StatusCode, what);
                if (response.StatusCode != HttpStatusCode.BadRequest)
                    continue;
                // One thing is wrong; where it held others, each of these may be missed, and nothing beside them.
                string[] errors = [.. body!["errors"]!.AsObject().Select(e => e.Key)];
                if (held && errors.Length > 1)
                    errors.ShouldAllBe(e => e.StartsWith(Name(place) + ".", StringComparison.Ordinal), what);
                else
                    errors.Length.ShouldBe(1, what);
            }
        }
    }

    // A place as refusals name it: readings[0].value.
    private static string Name(object[] place) =>
        place.Aggregate("", (so, key) => key is int i ? $"{so}[{i}]" : so.Length == 0 ? (string)key : $"{so}.{key}");

    private static bool Holds(JsonNode question, object[] place) =>
        place.Aggregate(question, (node, key) => key is int i ? node[i]! : node[(string)key]!) is JsonObject inner && inner["unit"] is null;

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
