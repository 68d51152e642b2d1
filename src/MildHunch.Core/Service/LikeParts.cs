using System.Text.Json;
using System.Text.Json.Nodes;
using MildHunch.Core.Faults;

namespace MildHunch.Core.Service;

/// <summary>
/// Writes out what a sheet takes from another: "like": "six-caps.hp-seal" stands for all that is said there of the part or stack; what
/// is said here comes instead of it.
/// </summary>
internal static class LikeParts
{
    private const string Like = "like";
    private static readonly string[] Lists = ["parts", "stacks"];

    /// <summary>The texts by file name, every part and stack written out.</summary>
    /// <exception cref="CatalogueException">One is like what nobody knows, or that is itself like another.</exception>
    public static IReadOnlyDictionary<string, string> WrittenOut(IReadOnlyDictionary<string, string> files)
    {
        var read = files.ToDictionary(f => f.Key, f => Parsed(f.Key, f.Value));
        return read.ToDictionary(f => f.Key, f => Lists.Any(l => Entries(f.Value, l).Any(e => e.ContainsKey(Like)))
            ? Whole(f.Key, f.Value, read.Values)
            : files[f.Key]);
    }

    private static string Whole(string file, JsonObject sheet, IReadOnlyCollection<JsonObject> all)
    {
        var written = (JsonObject)sheet.DeepClone();
        foreach (var list in Lists.Where(l => sheet.ContainsKey(l)))
        {
            var known = all.SelectMany(s => Entries(s, list).Select(entry => (Id: $"{Text(s["id"])}.{Text(entry["id"])}", entry)))
                .GroupBy(e => e.Id).ToDictionary(g => g.Key, g => g.First().entry);
            written[list] = new JsonArray(
                [.. Entries(sheet, list).Select(e => e.ContainsKey(Like) ? Merged(file, e, known) : e.DeepClone())]);
        }

        return written.ToJsonString();
    }

    private static JsonNode Merged(string file, JsonObject entry, IReadOnlyDictionary<string, JsonObject> known)
    {
        var like = Text(entry[Like]) ?? "";
        if (!known.TryGetValue(like, out var whole) || whole.ContainsKey(Like))
            throw new CatalogueException(file, $"like “{like}”", "is nothing that is written out in some sheet");
        var merged = (JsonObject)whole.DeepClone();
        foreach (var (name, value) in entry.Where(p => p.Key != Like))
            merged[name] = value?.DeepClone();
        return merged;
    }

    private static IEnumerable<JsonObject> Entries(JsonObject sheet, string list) => (sheet[list] as JsonArray ?? []).OfType<JsonObject>();

    private static string? Text(JsonNode? node) => node is JsonValue value && value.TryGetValue<string>(out var text) ? text : null;

    private static JsonObject Parsed(string file, string text)
    {
        try
        {
            return JsonNode.Parse(text) as JsonObject ?? throw new CatalogueException(file, "start", "is no sheet");
        }
        catch (JsonException e)
        {
            throw new CatalogueException(file, e.Path ?? "start", e.Message);
        }
    }
}
