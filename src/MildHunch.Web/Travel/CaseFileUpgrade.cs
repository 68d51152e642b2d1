using System.Text.Json.Nodes;
using MildHunch.Store;
using MildHunch.Web.Evidence;

namespace MildHunch.Web.Travel;

/// <summary>Case files of earlier formats, brought into the shape of today’s.</summary>
internal static class CaseFileUpgrade
{
    /// <summary>The same file in the current format; what is no case file comes back as it is.</summary>
    public static JsonNode? ToCurrent(JsonNode? file)
    {
        if (file is not JsonObject { } whole || whole["version"] is not JsonValue version || !version.TryGetValue<int>(out var number)
            || number != 1 || whole["case"] is not JsonObject told)
            return file;
        whole["version"] = CaseFile.CurrentVersion;
        foreach (var (kind, at) in (ReadOnlySpan<(string, string)>)[("readings", "readAt"), ("cues", "seenAt")])
            foreach (var entry in Entries(told, kind))
                if (entry.Remove(at, out var said))
                    entry["mends"] = (said as JsonValue)?.GetValue<string>() == TakenAt.After ? 1 : 0;

        // Which steps were taken is told as far as it can be known; the same way wherever such a file is read.
        var id = (told["id"] as JsonValue)?.GetValue<string>() ?? "";
        told["moves"] = new JsonArray([.. OlderCases.Moves(
            id, Entries(told, "changes").Select(c => new OlderChange(Number(c), c["undone"] is JsonValue u && u.GetValue<bool>())))
            .Select(m => new JsonObject { ["version"] = m.Version, ["change"] = m.Change, ["key"] = m.Key })]);
        foreach (var report in Entries(told, "reports"))
            (report["seal"], report["elsewhere"]) = (null, false);

        // To which opening it belongs is worked out once it is read.
        foreach (var fact in Entries(told, "facts"))
            fact["round"] = OlderCases.Unknown;
        return file;
    }

    private static int Number(JsonObject change) => change["number"] is JsonValue number ? number.GetValue<int>() : 0;

    private static IEnumerable<JsonObject> Entries(JsonObject told, string kind) => (told[kind] as JsonArray ?? []).OfType<JsonObject>();
}
