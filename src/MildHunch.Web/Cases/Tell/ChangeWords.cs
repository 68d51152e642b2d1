using MildHunch.Core.Evidence;
using MildHunch.Core.Expectation;
using MildHunch.Core.Faults;
using MildHunch.Core.Quantities;
using MildHunch.Web.Cases.Prove;
using MildHunch.Web.Cases.Work;

namespace MildHunch.Web.Cases.Tell;

/// <summary>A change in words, for the list of changes and for undo.</summary>
public static class ChangeWords
{
    private const int MostLetters = 60;

    public static string Of(ChangeRequest request, CaseEvidence evidence, Catalogue catalogue)
    {
        var parts = (request.Readings ?? [])
            .Select(r => $"{ReadingNames.Full(r.Quantity!)} "
                + Quantity.Digits(r.Value!.Value)
                + (r.To is { } to ? $" to {Quantity.Digits(to.Value)}" : "") + $" {r.Value.Unit}")
            .Concat(evidence.Cues.Where(c => c.Source?.StartsWith("cues", StringComparison.Ordinal) == true)
                .Select(c => Sentences.Say(catalogue, c)))
            .Concat((request.Facts ?? new Dictionary<string, string>())
                .Select(f => f.Value.Length > 0
                    ? $"{f.Key}: {(f.Value.Length > MostLetters ? f.Value[..MostLetters] + "…" : f.Value)}"
                    : $"{f.Key} cleared"))
            .Concat(request.Context is null ? [] : ["History changed"])
            .Concat(request.Hours is null ? [] : ["Hours noted"])
            .Concat(request.Limits is null ? [] : ["Limits of today changed"])
            .Concat(WorkWords.Of(request.Work))
            .Concat(ProofWords.Of(request.Proof))
            .Concat(request.CouldNot is { Count: > 0 } ? ["Could not be had"] : [])
            .ToArray();
        return parts.Length > 0 ? string.Join("; ", parts) : request.Remove is { Count: > 0 } ? "Entry taken out" : "Nothing";
    }
}
