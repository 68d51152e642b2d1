using MildHunch.Store;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Cases.Work;

/// <summary>The work at a case among its facts: each step and each finding is one of its own, so that two may work at once.</summary>
internal static class WorkFacts
{
    public const string Prefix = "work/";
    private const string Plan = Prefix + "plan";
    private const string Hazards = CaseRounds.Hazards;
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

    /// <summary>Names of the facts that a change sets or takes back.</summary>
    public static IEnumerable<string> Named(WorkChangeDto work) =>
    [
        .. work.Plan is null ? Array.Empty<string>() : [Plan],
        .. work.RanAgain == true || work.Acknowledged is not null ? [Hazards] : Array.Empty<string>(),
        .. (work.Steps?.Keys ?? []).Concat(work.StepsBack ?? []).Select(k => Step + k),
        .. (work.Found?.Keys ?? []).Concat(work.FoundBack ?? []).Select(k => Found + k),
        .. (work.Batches?.Keys ?? []).Select(k => Batch + k),
    ];

    /// <summary>Lays a change, already checked, on the case.</summary>
    public static void Tell(this CaseEntity entity, ChangeEntity change, WorkChangeDto work)
    {
        var round = entity.Round();
        void Tell(string name, string value) => entity.TellIn(round, change, name, value);
        if (work.Plan is { } plan)
            Tell(Plan, plan.Targets is { Count: > 0 } ? Stored.Write(plan) : "");
        if (work.RanAgain == true)
            Tell(Hazards, "");
        if (work.Acknowledged is { } read)
            Tell(Hazards, Stored.Write(new AcknowledgedAtDto(read.By!.Trim(), change.At, read.Hazards ?? [])));
        foreach (var (key, tick) in work.Steps ?? new Dictionary<string, TickDto>())
            Tell(Step + key, Stored.Write(Done(tick, change.At)));
        foreach (var (key, found) in work.Found ?? new Dictionary<string, FoundPartDto>())
            Tell(Found + key, Stored.Write(Noted(found, change.At)));
        foreach (var (part, batch) in work.Batches ?? new Dictionary<string, string>())
            Tell(Batch + part, string.IsNullOrWhiteSpace(batch) ? "" : Stored.Write(batch.Trim()));
        foreach (var back in (work.StepsBack ?? []).Select(k => Step + k).Concat((work.FoundBack ?? []).Select(k => Found + k)))
            Tell(back, "");
    }

    private static TickedDto Done(TickDto tick, DateTime at) => new(
        tick.By!.Trim(), at, tick.Wrench?.Trim(), tick.Taps, string.IsNullOrWhiteSpace(tick.Note) ? null : tick.Note.Trim(),
        tick.Photos is { Count: > 0 } ? tick.Photos : null, tick.Torque);

    private static FoundPartAtDto Noted(FoundPartDto found, DateTime at) => new(
        found.State!, found.Finding, found.By!.Trim(), at, found.Note?.Trim(), found.SuctionSeconds, found.Moves, found.Measures,
        found.Photos ?? [], []);
}
