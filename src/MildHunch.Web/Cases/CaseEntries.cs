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

    /// <summary>True where the catalogue still knows this answer.</summary>
    public static bool Knows(this Catalogue catalogue, CueEntity c) => catalogue.Cue(c.Cue)?.Answer(c.Answer) is not null;

    public static CueFact ToFact(this CueEntity c) =>
        new CueDto(c.Cue, c.Answer, c.Cylinder, c.Side, c.DropsPerMinute, Stream: c.Stream ? true : null, When: c.DripsWhen, At: c.SeenAt)
            .ToCore("cue");

    public static ReadingEntryDto ToEntry(this ReadingEntity r, ReciprocatingPump pump, Setup setup) => new(
        r.Id, r.Quantity, new QuantityDto(r.Value, r.Unit), r.Uncertainty is { } u ? new QuantityDto(u, r.UncertaintyUnit!) : null,
        r.UpTo is { } to ? new QuantityDto(to, r.Unit) : null, r.ReadAt,
        Readable.On(r.Quantity, pump, setup));

    public static CueEntryInForceDto ToEntry(this CueEntity c, Catalogue catalogue, CueModel possible) => catalogue.Knows(c)
        ? new(
            c.Id, c.Cue, catalogue.Cue(c.Cue)!.Answer(c.Answer)!.Id, c.Cylinder, c.Side, c.DropsPerMinute, c.Stream, c.DripsWhen, c.SeenAt,
            Sentences.Say(catalogue, c.ToFact()), Sentences.Tag(catalogue, c.ToFact()), possible.Allows(c.ToFact()))
        : new(
            c.Id, c.Cue, c.Answer, c.Cylinder, c.Side, c.DropsPerMinute, c.Stream, c.DripsWhen, c.SeenAt,
            $"{c.Cue}: {c.Answer} (the catalogue no longer knows this)", $"{c.Cue} {c.Answer}", false);
}
