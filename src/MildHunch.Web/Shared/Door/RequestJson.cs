using System.Text.Json;
using System.Text.Json.Serialization;
using System.Text.Json.Serialization.Metadata;

namespace MildHunch.Web.Shared.Door;

/// <summary>How what is sent is read: whatever passes here can be kept and shown again.</summary>
public static class RequestJson
{
    /// <summary>Nothing where something is meant, no number, a day outside all records, a name twice: refused by field.</summary>
    public static JsonSerializerOptions Guarded(this JsonSerializerOptions options)
    {
        options.NumberHandling = JsonNumberHandling.Strict;
        options.RespectNullableAnnotations = true;
        options.AllowDuplicateProperties = false;
        options.TypeInfoResolver = (options.TypeInfoResolver ?? new DefaultJsonTypeInfoResolver()).WithAddedModifier(Guard.Stand);
        return options;
    }
}

/// <summary>A refusal while a request is read.</summary>
/// <param name="field">Place within the object that was being read.</param>
/// <param name="given">What stands there, as a refusal says it.</param>
/// <param name="accepted">What is accepted.</param>
public sealed class DoorException(string field, string given, string accepted) : JsonException($"{given} cannot be. Accepted: {accepted}.")
{
    public string Field { get; } = field;

    public string Given { get; } = given;

    public string Accepted { get; } = accepted;
}
