namespace MildHunch.Core;

/// <summary>
/// Input that cannot be, in trade words: which field, what was given, what is accepted. Where several fields cannot be, the first
/// speaks and <see cref="All"/> has the rest.
/// </summary>
public sealed class ImpossibleInputException : Exception
{
    /// <summary>What stands for a value that was left out.</summary>
    public const string Nothing = "nothing";

    private readonly IReadOnlyList<ImpossibleInputException>? several;

    /// <summary>One field that cannot be.</summary>
    public ImpossibleInputException(string field, string value, string accepted)
        : base($"{FieldWords.Of(field)}: {Say(value, accepted)}") =>
        (Field, Value, Accepted) = (field, value, accepted);

    private ImpossibleInputException(IReadOnlyList<ImpossibleInputException> several)
        : this(several[0].Field, several[0].Value, several[0].Accepted) => this.several = several;

    /// <summary>Name of the field as the caller wrote it, for example <c>pump.stroke</c>.</summary>
    public string Field { get; }

    /// <summary>What was given, as text.</summary>
    public string Value { get; }

    /// <summary>What would be accepted, in trade words.</summary>
    public string Accepted { get; }

    /// <summary>Every refusal by itself, this one first.</summary>
    public IReadOnlyList<ImpossibleInputException> All => several ?? [this];

    /// <summary>The refusal as it stands at the field itself, which need not be named again.</summary>
    public string Sentence => Say(Value, Accepted);

    /// <summary>One or several refusals as one exception.</summary>
    public static ImpossibleInputException Of(IReadOnlyList<ImpossibleInputException> all) =>
        all.Count == 1 ? all[0] : new ImpossibleInputException([.. all]);

    /// <summary>Runs it; refusals get the parent's name before their field.</summary>
    /// <exception cref="ImpossibleInputException">What it refused, at the longer names.</exception>
    public static T Under<T>(string parent, Func<T> make)
    {
        try
        {
            return make();
        }
        catch (ImpossibleInputException e)
        {
            throw e.Under(parent);
        }
    }

    /// <summary>The same complaint with a longer field name, so that nested parts can name themselves.</summary>
    public ImpossibleInputException Under(string parent) =>
        Of([.. All.Select(one => new ImpossibleInputException($"{parent}.{one.Field}", one.Value, one.Accepted))]);

    private static string Say(string value, string accepted) =>
        value == Nothing ? $"something is needed here: {accepted}." : $"{value} cannot be. Accepted: {accepted}.";
}
