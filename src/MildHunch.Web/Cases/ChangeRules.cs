using System.Globalization;
using MildHunch.Core;
using MildHunch.Core.Faults;

namespace MildHunch.Web.Cases;

/// <summary>What may be told of a case besides readings and cues.</summary>
public static class ChangeRules
{
    public const int LongestFact = 4000;
    private static readonly string[] Stages = ["ask", "measure", "suspect", "open", "mend", "prove"];

    public static void Check(ChangeRequest request, Catalogue catalogue)
    {
        if (request is
            {
                Readings: null or { Count: 0 }, Cues: null or { Count: 0 }, Remove: null or { Count: 0 }, Context: null,
                Facts: null or { Count: 0 }, Hours: null, CouldNot: null, Limits: null
            })
            throw new ImpossibleInputException(
                "body", "nothing", "at least one of readings, cues, remove, context, facts, hours, couldNot, limits");
        if (request.Says is { Length: > LongestFact } says)
            throw new ImpossibleInputException(
                "says", $"{says.Length.ToString(CultureInfo.InvariantCulture)} characters", $"at most {LongestFact} characters");
        foreach (var (name, value) in request.Facts ?? new Dictionary<string, string>())
            CheckFact(name, value, catalogue);
    }

    private static void CheckFact(string name, string? value, Catalogue catalogue)
    {
        var field = $"facts.{name}";
        if (value is null || value.Length > LongestFact)
            throw new ImpossibleInputException(
                field, value is null ? "nothing" : $"{value.Length} characters",
                $"a text of at most {LongestFact} characters; empty to clear it");
        switch (name)
        {
            case "stage" when !Stages.Contains(value):
                throw new ImpossibleInputException(field, $"“{value}”", string.Join(", ", Stages));
            case "complaint" when value.Trim().Length == 0:
                throw new ImpossibleInputException(field, "nothing", "what is wrong, in a sentence");
            case "closed" when value.Length > 0 && value.Split('@')[0].Split('+').Any(f => catalogue.Fault(f) is null):
                throw new ImpossibleInputException(
                    field, $"“{value}”", $"what was found: {string.Join(", ", catalogue.Faults.Select(f => f.Id))}");
            case "stage" or "complaint" or "closed":
                return;
        }

        if (!name.StartsWith("note-", StringComparison.Ordinal) || !Stages.Contains(name[5..]))
            throw new ImpossibleInputException(
                field, "an unknown fact", $"complaint, stage, closed, {string.Join(", ", Stages.Select(s => $"note-{s}"))}");
    }
}
