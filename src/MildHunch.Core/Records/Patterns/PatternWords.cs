using System.Globalization;

namespace MildHunch.Core.Records.Patterns;

/// <summary>A pattern in a sentence: where, how many of how many, how many expected, and what to suspect.</summary>
internal static class PatternWords
{
    public static string Sentence(Pattern pattern)
    {
        var lead = pattern.Leading;
        var what = pattern.Kind is PatternKind.Position ? lead.Place : $"{lead.Place}, {pattern.Family.Name}";
        return $"{Capital(what)}: {Counted(lead, pattern.Events)}{(pattern.Suspect.Length > 0 ? $". Suspect {pattern.Suspect}" : "")}.";
    }

    /// <summary>“7 of 9, 1.5 expected”.</summary>
    public static string Counted(PlaceCount lead, int all) =>
        string.Create(CultureInfo.InvariantCulture, $"{lead.Events} of {all}, {Few(lead.Expected)} expected");

    private static string Few(double expected) => expected.ToString(expected < 10 ? "0.#" : "0", CultureInfo.InvariantCulture);

    private static string Capital(string text) => text.Length > 0 ? char.ToUpperInvariant(text[0]) + text[1..] : text;
}
