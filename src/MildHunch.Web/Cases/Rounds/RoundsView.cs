using MildHunch.Core.Service;
using MildHunch.Core.Service.Drawing;
using MildHunch.Core.Service.Findings;
using MildHunch.Store;
using MildHunch.Web.Cases.Prove;
using MildHunch.Web.Cases.Work;

namespace MildHunch.Web.Cases.Rounds;

/// <summary>Earlier openings of a case as they are told where it is worked on.</summary>
public sealed class RoundsView(CaseWork work, FindingCatalogue findings)
{
    public static void Map(IEndpointRouteBuilder cases) =>
        cases.MapGet(
            "/{id}/rounds",
            async (string id, CaseStore store, RoundsView view, CancellationToken stop) => view.Earlier(await store.Load(id, stop)))
            .WithSummary("What was done and found at earlier openings of the pump in this case, first to last.");

    /// <summary>All rounds before the one that the case is in.</summary>
    internal IReadOnlyList<RoundDto> Earlier(CaseEntity entity) =>
        [.. Enumerable.Range(CaseRounds.First, entity.Round() - CaseRounds.First).Select(n => Of(entity.Until(n), n))];

    private RoundDto Of(CaseEntity entity, int number)
    {
        var (done, plan) = (entity.Work(), work.Planned(entity));
        return new RoundDto(
            number, Says(plan, done), [.. plan is null ? [] : Found(plan, done)], done.MinutesTaken(), ProofView.Changed(entity),
            entity.Proof().Verdict);
    }

    private static string Says(ServicePlan? plan, WorkDto done)
    {
        if (plan is null)
            return "What was planned no longer fits the pump as it was changed since.";
        var renewed = LaidParts.Of(plan, done).Select(l => l.Says).ToArray();
        string[] mended = [.. plan.Mended(done).Select(s => s.Act.Do)];
        return renewed.Length > 0 ? $"Renewed: {string.Join(", ", renewed)}."
            : mended.Length > 0 ? string.Join(" ", mended)
            : "Opened and closed again; nothing was renewed.";
    }

    private IEnumerable<RoundFoundDto> Found(ServicePlan plan, WorkDto done) =>
        from at in plan.Inspections
        let found = done.Found.GetValueOrDefault(CavityMap.Key(at.Part.Id, at.Place))
        where found is not null
        select new RoundFoundDto(
            at.Said(), found.State, findings.All.FirstOrDefault(f => f.Id == found.Finding)?.Name ?? found.State);
}
