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

    // Further back a round says next to nothing, and each costs a verdict of its own.
    private const int MostRounds = 6;

    /// <summary>The mends that lie behind the pump now.</summary>
    /// <param name="cylinders">Of the pump as it is now: it may have been corrected since.</param>
    public static CaseMends Of(CaseEntity entity, CaseWork work, Catalogue catalogue, int cylinders)
    {
        var mends = entity.Mends();
        if (mends == 0)
            return new CaseMends([], 0, [0]);
        var done = Enumerable.Range(CaseRounds.First, mends)
            .Select(n => n > mends - MostRounds ? In(entity.Until(n), work) : null).ToList();
        done[^1] ??= Closed(entity);

        // A shop's own words may go with its file: what was done by them is nothing that a verdict can go on from.
        done = [.. done.Select(d => d?.Where(m => Known(catalogue, m) && (m.Cylinder is null || m.Cylinder <= cylinders)).ToArray())];
        var from = done.FindLastIndex(m => m is null) + 1;
        var behind = new List<int> { 0 };
        foreach (var round in done.Skip(from))
            behind.Add(behind[^1] + round!.Length);
        return new CaseMends([.. done.Skip(from).SelectMany(m => m!)], from, behind);
    }

    private static bool Known(Catalogue catalogue, MendedDto mended) => catalogue.Faults.Any(f => f.Id != Catalogue.NoFault
        && (mended.Fault is null || f.Id == mended.Fault)
        && (mended.Action is null || f.Action == mended.Action || f.DischargeAction == mended.Action));

    // By what was ticked; where nothing is ticked, all that was planned. Null where nobody knows.
    private static MendedDto[]? In(CaseEntity entity, CaseWork work)
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

    private static MendedDto[]? Closed(CaseEntity entity) =>
        Outcome.Read(entity.Headline.Closed)?.Faults.Where(f => f != Catalogue.NoFault).ToArray() is { Length: > 0 } faults
            ? [.. faults.Select(f => new MendedDto(Fault: f, Cylinder: Outcome.Read(entity.Headline.Closed)!.Cylinder))]
            : null;
}
