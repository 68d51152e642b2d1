using System.Globalization;

namespace MildHunch.Core.Records.Outcomes;

/// <summary>What a case came to: one fault or several at once, and where, as far as it was said.</summary>
/// <param name="Faults">Ids of the catalogue; none only where something else is stored than what a case may be closed by.</param>
/// <param name="Cylinder">Cylinder, or end counted from the left, from 1; null where it is the whole pump’s or nobody said.</param>
public sealed record Outcome(IReadOnlyList<string> Faults, int? Cylinder = null)
{
    private const char And = '+';
    private const char At = '@';

    /// <summary>Faults alone, as they are written in a record: joined by +.</summary>
    public string Written => string.Join(And, Faults);

    /// <summary>
    /// Checks and reads “fault”, “fault+fault”, “fault@2”, “fault@” where nobody said where; null for an empty text, an
    /// open case.
    /// </summary>
    /// <exception cref="ImpossibleInputException">No fault before the place, or a place that is no number from 1 on.</exception>
    public static Outcome? Parse(string? text, string field)
    {
        var read = Read(text);
        return read is null || (read.Faults.Count > 0 && (read.ToString() == text || $"{read.Written}{At}" == text))
            ? read
            : throw new ImpossibleInputException(field, $"“{text}”", "what was found, joined by +, and where after an @: seal-worn@2");
    }

    /// <summary>Reads what is stored, whatever it is: a place that is none is left out.</summary>
    public static Outcome? Read(string? text)
    {
        if (string.IsNullOrEmpty(text))
            return null;
        var parts = text.Split(At, 2);
        return new Outcome(
            [.. parts[0].Split(And).Where(f => f.Length > 0)],
            parts.Length == 2 && int.TryParse(parts[1], NumberStyles.None, CultureInfo.InvariantCulture, out var number) && number >= 1
                ? number
                : null);
    }

    /// <summary>As it is written in a case.</summary>
    public override string ToString() =>
        Cylinder is { } cylinder ? $"{Written}{At}{cylinder.ToString(CultureInfo.InvariantCulture)}" : Written;
}
