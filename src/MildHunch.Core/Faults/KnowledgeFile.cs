using System.Text.Json;
using System.Text.Json.Schema;
using System.Text.Json.Serialization;

namespace MildHunch.Core.Faults;

/// <summary>The knowledge is not fit to use: which file, which entry, and what is wrong with it.</summary>
public sealed class CatalogueException(string file, string entry, string problem) : Exception($"{file}, {entry}: {problem}");

/// <summary>Reads knowledge that is kept as JSON: nothing unknown, nothing null, no number without end.</summary>
internal static class KnowledgeFile
{
    private static readonly JsonSerializerOptions Json = new(JsonSerializerDefaults.Web)
    {
        Converters = { new JsonStringEnumConverter(JsonNamingPolicy.KebabCaseLower) },
        UnmappedMemberHandling = JsonUnmappedMemberHandling.Disallow,
    };

    /// <summary>What the text says; throws <see cref="CatalogueException"/> naming file and entry.</summary>
    public static T Read<T>(string file, string text)
    {
        try
        {
            using (var document = JsonDocument.Parse(text))
                RefuseNothing(document.RootElement, "", file);
            return JsonSerializer.Deserialize<T>(text, Json)!;
        }
        catch (JsonException e)
        {
            throw new CatalogueException(file, e.Path ?? "start", e.Message);
        }
    }

    // Nothing is null in what is read, so nothing that is null is written.
    private static readonly JsonSerializerOptions Written = new(Json) { DefaultIgnoreCondition = JsonIgnoreCondition.WhenWritingNull };

    /// <summary>The same as a text, in the form in which it is read.</summary>
    public static string Write<T>(T knowledge) => JsonSerializer.Serialize(knowledge, Written);

    /// <summary>What a file of this kind may say, as a JSON schema.</summary>
    public static string Schema<T>() => Json.GetJsonSchemaAsNode(typeof(T)).ToJsonString();

    /// <summary>Names of what ships under this folder, without it, in order.</summary>
    public static IEnumerable<string> In(string folder) => typeof(KnowledgeFile).Assembly.GetManifestResourceNames()
        .Where(n => n.StartsWith(folder, StringComparison.Ordinal)).Select(n => n[folder.Length..]).Order(StringComparer.Ordinal);

    /// <summary>The text of a file that ships, with its folder: "knowledge/faults.json".</summary>
    public static string Shipped(string name)
    {
        using var reader = new StreamReader(typeof(KnowledgeFile).Assembly.GetManifestResourceStream(name)!);
        return reader.ReadToEnd();
    }

    // Nothing is ever null in a catalogue, and no number without end: said here, where it stands, rather than somewhere later.
    private static void RefuseNothing(JsonElement element, string at, string file)
    {
        switch (element.ValueKind)
        {
            case JsonValueKind.Null:
                throw new CatalogueException(file, at.Length > 0 ? at : "start", "null stands there; give a value or leave it out");
            case JsonValueKind.Number when !element.TryGetDouble(out var number) || !double.IsFinite(number):
                throw new CatalogueException(file, at, $"{element.GetRawText()} is no number that can be computed with");
            case JsonValueKind.Array:
                foreach (var (index, item) in element.EnumerateArray().Index())
                    RefuseNothing(item, $"{at}[{index}]", file);
                break;
            case JsonValueKind.Object:
                foreach (var property in element.EnumerateObject())
                    RefuseNothing(property.Value, at.Length > 0 ? $"{at}.{property.Name}" : property.Name, file);
                break;
        }
    }
}
