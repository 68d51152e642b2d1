using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;
using MildHunch.Core.Records.Outcomes;
using MildHunch.Core.Service;
using MildHunch.Store;
using MildHunch.Web.Cases.Work;
using MildHunch.Web.Evidence;

namespace MildHunch.Web.Cases.Rounds;

/// <summary>What was mended in a case, by its rounds, as far as a verdict can go on from what was known before it.</summary>
/// <param name="All">All of it in order, from the first mend of which it is known what was done.</param>
/// <param name="From">What was taken before so many mends tells nothing any more: nobody knows what was done then.</param>
internal sealed record CaseMends(IReadOnlyList<MendedDto> All, int From, IReadOnlyList<int> Behind)
{
    /// <summary>Where something stands that was taken with so many mends behind the pump.</summary>
    public string? At(int mends) => All.Count == 0 ? null : $"{Behind[mends - From]}";

    /// <summary>The mends that lie behind the pump now.</summary>
    public static CaseMends Of(CaseEntity entity, CaseWork work)
    {
        var mends = entity.Mends();
        var done = Enumerable.Range(CaseRounds.First, mends).Select(n => In(entity.Until(n), work)).ToList();
        if (mends > 0 && done[^1] is null)
            done[^1] = Closed(entity);
        var from = done.FindLastIndex(m => m is null) + 1;
        var behind = new List<int> { 0 };
        foreach (var round in done.Skip(from))
            behind.Add(behind[^1] + round!.Count);
        return new CaseMends([.. done.Skip(from).SelectMany(m => m!)], from, behind);
    }

    // By what was ticked; where nothing is ticked, all that was planned. Null where nobody knows.
    private static IReadOnlyList<MendedDto>? In(CaseEntity entity, CaseWork work)
    {
        if (work.Planned(entity) is not { } plan)
            return null;
        var done = entity.Work();
        var mended = done.Steps.Count == 0
            ? plan.Targets.Select(t => t.At)
            : LaidParts.Of(plan, done).SelectMany(l => l.Places.Select(p => new PartAt(l.Part.Part, p)))
                .Concat(plan.Mended(done).Where(s => s.Part is not null)
                    .SelectMany(s => s.Ticks.Where(t => done.Ticked(t.Key)).Select(t => new PartAt(s.Part!, t.Place))));
        return
        [
            .. mended.SelectMany(at => at.Part.Actions.Select(action => new MendedDto(
                action, Cylinder: at.Place.Cylinder, Side: at.Place.Side?.Named()))).Distinct(),
        ];
    }

    private static IReadOnlyList<MendedDto>? Closed(CaseEntity entity) =>
        Outcome.Read(entity.Headline.Closed)?.Faults.Where(f => f != Catalogue.NoFault).ToArray() is { Length: > 0 } faults
            ? [.. faults.Select(f => new MendedDto(Fault: f, Cylinder: Outcome.Read(entity.Headline.Closed)!.Cylinder))]
            : null;
}
