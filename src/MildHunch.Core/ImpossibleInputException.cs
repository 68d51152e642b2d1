namespace MildHunch.Core;

/// <summary>Input that cannot be, in trade words: which field, what was given, what is accepted.</summary>
public sealed class ImpossibleInputException(string field, string value, string accepted)
    : Exception($"{FieldWords.Of(field)}: {Say(value, accepted)}")
{
    /// <summary>What stands for a value that was left out.</summary>
    public const string Nothing = "nothing";

    /// <summary>Name of the field as the caller wrote it, for example <c>pump.stroke</c>.</summary>
    public string Field { get; } = field;

    /// <summary>What was given, as text.</summary>
    public string Value { get; } = value;

    /// <summary>What would be accepted, in trade words.</summary>
    public string Accepted { get; } = accepted;

    /// <summary>The refusal as it stands at the field itself, which need not be named again.</summary>
    public string Sentence => Say(Value, Accepted);

    /// <summary>The same complaint with a longer field name, so that nested parts can name themselves.</summary>
    public ImpossibleInputException Under(string parent) => new($"{parent}.{Field}", Value, Accepted);

    private static string Say(string value, string accepted) =>
        value == Nothing ? $"something is needed here: {accepted}." : $"{value} cannot be. Accepted: {accepted}.";
}
