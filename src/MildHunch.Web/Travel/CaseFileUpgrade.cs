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

        // To which opening it belongs is worked out once it is read.
        foreach (var fact in Entries(told, "facts"))
            fact["round"] = OlderCases.Unknown;
        return file;
    }

    private static IEnumerable<JsonObject> Entries(JsonObject told, string kind) => (told[kind] as JsonArray ?? []).OfType<JsonObject>();
}
