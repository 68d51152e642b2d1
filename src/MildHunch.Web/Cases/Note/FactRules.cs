using System.Globalization;
using MildHunch.Core;
using MildHunch.Core.Faults;
using MildHunch.Web.Cases.Close;

namespace MildHunch.Web.Cases.Note;

/// <summary>What may be noted of a case by name: its complaint, a note to each stage, what it turned out to be.</summary>
public static class FactRules
{
    /// <summary>Letters a fact may have.</summary>
    public const int Longest = 4000;
    private const string NoteFact = "note-";

    public static void Check(string name, string? value, Catalogue catalogue)
    {
        var field = $"facts.{name}";
        if (value is null || value.Length > Longest)
            throw new ImpossibleInputException(
                field, value is null ? "nothing" : $"{value.Length} characters",
                $"a text of at most {Longest} characters; empty to clear it");
        switch (name)
        {
            case CaseFacts.Complaint when value.Trim().Length == 0:
                throw new ImpossibleInputException(field, "nothing", "what is wrong, in a sentence");
            case CaseFacts.Closed:
                CloseRules.Check(field, value, catalogue);
                return;
            case CaseFacts.Meter:
                CheckMeter(field, value);
                return;
            case CaseFacts.Complaint or CaseFacts.Reopened:
                return;
        }

        if (!name.StartsWith(NoteFact, StringComparison.Ordinal) || !Stages.All.Contains(name[NoteFact.Length..]))
            throw new ImpossibleInputException(
                field, "an unknown fact",
                $"complaint, closed, {CaseFacts.Meter}, {string.Join(", ", Stages.All.Select(s => NoteFact + s))}");
    }

    private static void CheckMeter(string field, string value)
    {
        if (value.Trim().Length > 0
            && !(double.TryParse(value, NumberStyles.Float, CultureInfo.InvariantCulture, out var hours) && hours is >= 0 and <= 1e6))
            throw new ImpossibleInputException(field, $"“{value}”", "hours as the meter shows them, 0 to 1000000; empty to clear it");
    }
}
