using MildHunch.Store;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Cases.Work;

/// <summary>The work at a case among its facts: each step and each finding is one of its own, so that two may work at once.</summary>
internal static class WorkFacts
{
    public const string Prefix = "work/";
    private const string Plan = Prefix + "plan";
    private const string Hazards = Prefix + "hazards";
    private const string Step = Prefix + "step/";
    private const string Found = Prefix + "found/";
    private const string Batch = Prefix + "batch/";

    /// <summary>Name of the fact that says what was found at a place.</summary>
    public static string NameOfFound(string key) => Found + key;

    /// <summary>The work as it stands.</summary>
    public static WorkDto Work(this CaseEntity entity)
    {
        var facts = new NamedFacts(entity, Prefix);
        return new WorkDto(
            facts.One<WorkPlanDto>(Plan), facts.One<AcknowledgedAtDto>(Hazards), facts.All<TickedDto>(Step),
            facts.All<FoundPartAtDto>(Found), facts.All<string>(Batch));
    }

    /// <summary>Lays a change, already checked, on the case.</summary>
    public static void Tell(this CaseEntity entity, ChangeEntity change, WorkChangeDto work)
    {
        if (work.Plan is not null && entity.Work().Acknowledged is null)
            BeginAfresh(entity, change);
        if (work.Plan is { } plan)
            entity.Tell(change, Plan, plan.Targets is { Count: > 0 } ? Stored.Write(plan) : "");
        if (work.RanAgain == true)
            entity.Tell(change, Hazards, "");
        if (work.Acknowledged is { } read)
            entity.Tell(change, Hazards, Stored.Write(new AcknowledgedAtDto(read.By!.Trim(), change.At, read.Hazards ?? [])));
        foreach (var (key, tick) in work.Steps ?? new Dictionary<string, TickDto>())
            entity.Tell(change, Step + key, Stored.Write(Done(tick, change.At)));
        foreach (var (key, found) in work.Found ?? new Dictionary<string, FoundPartDto>())
            entity.Tell(change, Found + key, Stored.Write(Noted(found, change.At)));
        foreach (var (part, batch) in work.Batches ?? new Dictionary<string, string>())
            entity.Tell(change, Batch + part, string.IsNullOrWhiteSpace(batch) ? "" : Stored.Write(batch.Trim()));
        foreach (var back in (work.StepsBack ?? []).Select(k => Step + k).Concat((work.FoundBack ?? []).Select(k => Found + k)))
            entity.Tell(change, back, "");
    }

    // Planned while the pump is closed: what was done at an earlier opening is history.
    private static void BeginAfresh(CaseEntity entity, ChangeEntity change)
    {
        foreach (var fact in entity.InForce(entity.Facts.Where(f =>
            f.Name.StartsWith(Step, StringComparison.Ordinal) || f.Name.StartsWith(Found, StringComparison.Ordinal)
            || f.Name.StartsWith(Batch, StringComparison.Ordinal))))
            fact.RemovedBy = change.Number;
    }

    private static TickedDto Done(TickDto tick, DateTime at) => new(
        tick.By!.Trim(), at, tick.Wrench?.Trim(), tick.Taps, string.IsNullOrWhiteSpace(tick.Note) ? null : tick.Note.Trim(),
        tick.Photos is { Count: > 0 } ? tick.Photos : null, tick.Torque);

    private static FoundPartAtDto Noted(FoundPartDto found, DateTime at) => new(
        found.State!, found.Finding, found.By!.Trim(), at, found.Note?.Trim(), found.SuctionSeconds, found.Moves, found.Measures,
        found.Photos ?? [], []);
}
