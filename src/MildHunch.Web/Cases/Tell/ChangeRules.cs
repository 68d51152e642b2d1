using System.Globalization;
using MildHunch.Core;
using MildHunch.Core.Faults;
using MildHunch.Web.Cases.Note;

namespace MildHunch.Web.Cases.Tell;

/// <summary>What a change must hold, readings and answers aside.</summary>
public static class ChangeRules
{
    public static void Check(ChangeRequest request, Catalogue catalogue)
    {
        if (request is
            {
                Readings: null or { Count: 0 }, Cues: null or { Count: 0 }, Remove: null or { Count: 0 }, Context: null,
                Facts: null or { Count: 0 }, Hours: null, CouldNot: null, Limits: null, Work: null, Proof: null
            })
            throw new ImpossibleInputException(
                "body", "nothing", "at least one of readings, cues, remove, context, facts, hours, couldNot, limits, work, proof");
        if (request.Says is { Length: > FactRules.Longest } says)
            throw new ImpossibleInputException(
                "says", $"{says.Length.ToString(CultureInfo.InvariantCulture)} characters", $"at most {FactRules.Longest} characters");
        if (request.Facts is { } facts && facts.TryGetValue(CaseFacts.Closed, out var closed) && closed is "" &&
            string.IsNullOrWhiteSpace(facts.GetValueOrDefault(CaseFacts.Reopened)))
            throw new ImpossibleInputException($"facts.{CaseFacts.Reopened}", "nothing", "why it is opened again, in a sentence");
        foreach (var (name, value) in request.Facts ?? new Dictionary<string, string>())
            FactRules.Check(name, value, catalogue);
    }
}
