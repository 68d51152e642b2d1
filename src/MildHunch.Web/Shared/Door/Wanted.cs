using System.Text.Json;
using System.Text.Json.Serialization.Metadata;
using System.Text.RegularExpressions;

namespace MildHunch.Web.Shared.Door;

/// <summary>What the contract of a body wants at a place in it, in words.</summary>
public static partial class Wanted
{
    private const string Unknown = "what /openapi/v1.json describes";

    /// <summary>What is accepted at a path such as <c>$.readings[0].value</c> of a body of this type.</summary>
    public static string At(Type? body, string path, JsonSerializerOptions options)
    {
        var at = body;
        foreach (Match step in Step().Matches(path))
            at = at is null ? null : Into(options.GetTypeInfo(at), step.Groups["name"].Value);
        return at is null ? Unknown : Words(Nullable.GetUnderlyingType(at) ?? at, options);
    }

    private static Type? Into(JsonTypeInfo type, string name) => type.Kind switch
    {
        JsonTypeInfoKind.Enumerable or JsonTypeInfoKind.Dictionary => type.ElementType,
        JsonTypeInfoKind.Object =>
            type.Properties.FirstOrDefault(p => p.Name.Equals(name, StringComparison.OrdinalIgnoreCase))?.PropertyType,
        _ => null,
    };

    private static string Words(Type type, JsonSerializerOptions options)
    {
        if (type == typeof(QuantityDto))
            return "a quantity, such as { \"value\": 70, \"unit\": \"bar\" }";
        if (type == typeof(string))
            return "a text";
        if (type == typeof(bool))
            return "true or false";
        if (type == typeof(int) || type == typeof(long))
            return "a whole number, such as 3";
        if (type == typeof(double))
            return "a number, such as 12.5";
        if (type == typeof(DateOnly))
            return "a day, such as 2026-03-31";
        if (type == typeof(DateTime) || type == typeof(DateTimeOffset))
            return "a time, such as 2026-03-31T14:05:00Z";
        return options.GetTypeInfo(type).Kind == JsonTypeInfoKind.Enumerable ? "a list in [ ]" : Unknown;
    }

    [GeneratedRegex(@"\.(?<name>[^.\[]+)|\[\d+\]|\['(?<name>[^']*)'\]")]
    private static partial Regex Step();
}
