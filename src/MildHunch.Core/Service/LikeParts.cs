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
    /// <param name="files">Texts by file name.</param>
    /// <param name="beside">Texts written out already that they may take from; null for none.</param>
    /// <exception cref="CatalogueException">One is like what nobody knows, or that is itself like another.</exception>
    public static IReadOnlyDictionary<string, string> WrittenOut(
        IReadOnlyDictionary<string, string> files, IReadOnlyDictionary<string, string>? beside = null)
    {
        var read = files.ToDictionary(f => f.Key, f => Parsed(f.Key, f.Value));
        JsonObject[] all = [.. (beside ?? new Dictionary<string, string>()).Select(f => Parsed(f.Key, f.Value)), .. read.Values];
        return read.ToDictionary(f => f.Key, f => Lists.Any(l => Entries(f.Value, l).Any(e => e.ContainsKey(Like)))
            ? Whole(f.Key, f.Value, all)
            : files[f.Key]);
    }

    /// <summary>The sheets of a file that holds several: { "sheets": [ … ] }.</summary>
    /// <exception cref="CatalogueException">It holds none, or one without an id.</exception>
    public static IEnumerable<SheetText> SheetsOf(string file, string text)
    {
        if (Parsed(file, text)["sheets"] is not JsonArray { Count: > 0 } sheets)
            throw new CatalogueException(file, "sheets", "must be a list of at least one sheet");
        foreach (var (k, sheet) in sheets.Index())
            yield return sheet is JsonObject one && Text(one["id"]) is { Length: > 0 } id
                ? new SheetText(id, one.ToJsonString())
                : throw new CatalogueException(file, $"sheets[{k}]", "has no id");
    }

    private static string Whole(string file, JsonObject sheet, IReadOnlyList<JsonObject> all)
    {
        var written = (JsonObject)sheet.DeepClone();
        foreach (var list in Lists.Where(l => sheet.ContainsKey(l)))
        {
            var known = all.SelectMany(s => Entries(s, list).Select(entry => (Id: $"{Text(s["id"])}.{Text(entry["id"])}", entry)))
                .Where(e => !e.entry.ContainsKey(Like)).GroupBy(e => e.Id).ToDictionary(g => g.Key, g => g.First().entry);
            written[list] = new JsonArray(
                [.. Entries(sheet, list).Select(e => e.ContainsKey(Like) ? Merged(file, e, known) : e.DeepClone())]);
        }

        return written.ToJsonString();
    }

    private static JsonNode Merged(string file, JsonObject entry, IReadOnlyDictionary<string, JsonObject> known)
    {
        var like = Text(entry[Like]) ?? "";
        if (!known.TryGetValue(like, out var whole))
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

/// <summary>One sheet of a file, not yet read.</summary>
internal sealed record SheetText(string Id, string Text);
