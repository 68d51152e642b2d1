using MildHunch.Core.Diagnosis.Likelihood;
using MildHunch.Core.Evidence;
using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;
using MildHunch.Store;
using MildHunch.Web.Evidence;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Cases;

/// <summary>Entries of a case as they are shown, and as Core knows them.</summary>
public static class CaseEntries
{
    /// <summary>Everything entered that is in force.</summary>
    public static IEnumerable<EntryEntity> AllInForce(this CaseEntity entity) =>
        [.. entity.InForce(entity.Readings), .. entity.InForce(entity.Cues)];

    public static void TakeBack(IEnumerable<EntryEntity> entries, ChangeEntity change)
    {
        foreach (var entry in entries)
            entry.RemovedBy = change.Number;
    }

    /// <summary>Mends that lay behind the pump when something told now was taken; as it stands, where nobody says.</summary>
    public static int MendsAt(this CaseEntity entity, string? at) => at switch
    {
        TakenAt.After => entity.Round(),
        TakenAt.Before => entity.Round() - 1,
        _ => entity.Mends(),
    };

    // Once anything was read or seen after a mend, what was before it no longer counts.
    private static string? At(int mends, int now) => now == 0 ? null : mends == now ? TakenAt.After : TakenAt.Before;

    /// <summary>True where the catalogue still knows this answer.</summary>
    public static bool Knows(this Catalogue catalogue, CueEntity c) => catalogue.Cue(c.Cue)?.Answer(c.Answer) is not null;

    public static CueFact ToFact(this CueEntity c) =>
        new CueDto(c.Cue, c.Answer, c.Cylinder, c.Side, c.DropsPerMinute, Stream: c.Stream ? true : null, When: c.DripsWhen)
            .ToCore("cue");

    public static ReadingEntryDto ToEntry(this ReadingEntity r, ReciprocatingPump pump, Setup setup, int now) => new(
        r.Id, r.Quantity, new QuantityDto(r.Value, r.Unit), r.Uncertainty is { } u ? new QuantityDto(u, r.UncertaintyUnit!) : null,
        r.UpTo is { } to ? new QuantityDto(to, r.Unit) : null, At(r.Mends, now), r.Mends,
        Readable.On(r.Quantity, pump, setup));

    public static CueEntryInForceDto ToEntry(this CueEntity c, Catalogue catalogue, CueModel possible, int now) => catalogue.Knows(c)
        ? new(
            c.Id, c.Cue, catalogue.Cue(c.Cue)!.Answer(c.Answer)!.Id, c.Cylinder, c.Side, c.DropsPerMinute, c.Stream, c.DripsWhen,
            At(c.Mends, now), c.Mends,
            Sentences.Say(catalogue, c.ToFact()), Sentences.Tag(catalogue, c.ToFact()), possible.Allows(c.ToFact()))
        : new(
            c.Id, c.Cue, c.Answer, c.Cylinder, c.Side, c.DropsPerMinute, c.Stream, c.DripsWhen, At(c.Mends, now), c.Mends,
            $"{c.Cue}: {c.Answer} (the catalogue no longer knows this)", $"{c.Cue} {c.Answer}", false);
}
