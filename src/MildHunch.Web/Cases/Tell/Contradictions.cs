using MildHunch.Store;
using MildHunch.Web.Cases.Prove;
using MildHunch.Web.Cases.Work;

namespace MildHunch.Web.Cases.Tell;

/// <summary>
/// The one meaning of “contradict”, for two tablets and for copies of a case that went on in two places: a change contradicts where
/// something that it names was changed since it was built.
/// </summary>
internal static class Contradictions
{
    private const string Everything = "*";
    private const string Mended = "mends";
    private const string Work = "work/";

    /// <summary>What moves of a case touched, by name.</summary>
    public static IReadOnlySet<string> Touched(CaseEntity entity, IReadOnlySet<int> changes)
    {
        bool Moved(EntryEntity entry) => changes.Contains(entry.AddedBy) || (entry.RemovedBy is { } by && changes.Contains(by));
        return entity.Facts.Where(Moved).Select(f => f.Name)
            .Concat(entity.Mends() == entity.Without(changes).Mends() ? [] : [Mended])
            .Concat(entity.Readings.Where(Moved).SelectMany(r => new[] { Reading(r.Quantity), r.Id }))
            .Concat(entity.Cues.Where(Moved).SelectMany(c => new[] { Cue(c.Cue), c.Id })).ToHashSet();
    }

    /// <summary>True where a change names something of these.</summary>
    public static bool With(ChangeRequest request, IReadOnlySet<string> touched)
    {
        if (touched.Count == 0)
            return false;
        var named = Named(request).ToHashSet();
        if (named.Contains(Everything) || named.Overlaps(touched))
            return true;

        // Mended meanwhile, nobody knows before or after which mend it was taken; a new round has other steps.
        var taken = request.Readings?.Any(r => r?.At is null) == true || request.Cues?.Any(c => c?.At is null) == true;
        return (taken && touched.Contains(Mended))
            || ((request.Work is not null || request.Proof is not null) && touched.Contains(CaseRounds.FactName))
            || (request.Work?.Plan is not null && touched.Any(t => t.StartsWith(Work, StringComparison.Ordinal)));
    }

    private static IEnumerable<string> Named(ChangeRequest request)
    {
        foreach (var reading in request.Again == true ? [] : request.Readings ?? [])
            yield return Reading(reading?.Quantity);
        foreach (var cue in request.Cues ?? [])
            yield return Cue(cue?.Cue);
        foreach (var id in request.Remove ?? [])
            yield return id;
        foreach (var name in request.Facts?.Keys ?? [])
            yield return name;
        if (request.Context is not null)
            yield return CaseFacts.Context;
        if (request.Hours is not null)
            yield return CaseFacts.Hours;
        if (request.CouldNot is not null || request.Cues is not null)
            yield return CaseFacts.CouldNot;
        if (request.Limits is not null)
            yield return CaseFacts.Limits;
        foreach (var name in request.Work is null ? [] : WorkFacts.Named(request.Work))
            yield return name;
        foreach (var name in request.Proof is null ? [] : ProofFacts.Named(request.Proof))
            yield return name;

        // A verdict answers for all that stands.
        if (request.Proof is { Verdict: not null } or { Anew: true })
            yield return Everything;
    }

    private static string Reading(string? quantity) => $"reading {quantity}";

    private static string Cue(string? cue) => $"cue {cue}";
}
