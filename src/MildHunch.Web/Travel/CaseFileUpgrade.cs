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
                if (entry.TryGetPropertyValue(at, out var said) && (said is null || One<string>(said) is not null))
                {
                    entry.Remove(at);
                    entry["mends"] = One<string>(said) == TakenAt.After ? 1 : 0;
                }

        // Which steps were taken is told as far as it can be known; the same way wherever such a file is read.
        var id = One<string>(told["id"]) ?? "";
        told["moves"] ??= new JsonArray([.. OlderCases.Moves(
            id, Entries(told, "changes").Select(c => new OlderChange(One<int>(c["number"]), One<bool>(c["undone"]))))
            .Select(m => new JsonObject { ["version"] = m.Version, ["change"] = m.Change, ["key"] = m.Key })]);
        foreach (var report in Entries(told, "reports"))
            (report["seal"], report["elsewhere"]) = (null, false);

        // To which opening it belongs is worked out once it is read.
        foreach (var fact in Entries(told, "facts"))
            fact["round"] = OlderCases.Unknown;
        return file;
    }

    // What is of another kind is refused with the rest, once all of it is in today’s shape.
    private static T? One<T>(JsonNode? node) => node is JsonValue value && value.TryGetValue<T>(out var one) ? one : default;

    private static IEnumerable<JsonObject> Entries(JsonObject told, string kind) => (told[kind] as JsonArray ?? []).OfType<JsonObject>();
}
