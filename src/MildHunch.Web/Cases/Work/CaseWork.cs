using System.Globalization;
using MildHunch.Core;
using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;
using MildHunch.Core.Service;
using MildHunch.Core.Service.Drawing;
using MildHunch.Core.Service.Findings;
using MildHunch.Core.Service.Sheets;
using MildHunch.Store;
using MildHunch.Web.Photos;
using MildHunch.Web.Pumps;
using MildHunch.Web.Service;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Cases.Work;

/// <summary>Checks what is told of the work against the plan of the case: steps that exist, hazards read, findings that can be.</summary>
public sealed class CaseWork(ServiceSheets sheets, FindingCatalogue findings, Catalogue catalogue, PhotoFiles photos)
{
    private const int MostLetters = 1000;
    private const int MostNamed = 4;
    private const int LongestName = 60;
    private const double LongestHold = 3600;

    /// <summary>Refuses what cannot be, naming the field; nothing is stored.</summary>
    public void Check(CaseEntity entity, WorkChangeDto work)
    {
        var now = BeginsRound(entity, work) ? WorkDto.Nothing : entity.Work();
        NoHoles(work.StepsBack, "work.stepsBack");
        NoHoles(work.FoundBack, "work.foundBack");
        var plan = work.Plan is { } anew ? Plan(entity, anew) : Planned(entity);
        if (work.Plan is not null)
            KeepsWhatIsOff(entity, plan);
        if (work.Acknowledged is { } read)
        {
            NamedFacts.Signed(read.By, "work.acknowledged.by");
            NoHoles(read.Hazards, "work.acknowledged.hazards");
        }

        foreach (var (key, tick) in work.Steps ?? new Dictionary<string, TickDto>())
            CheckTick(plan, work, now, key, tick);
        foreach (var (key, found) in work.Found ?? new Dictionary<string, FoundPartDto>())
            CheckFound(plan, key, found);
        foreach (var (part, batch) in work.Batches ?? new Dictionary<string, string>())
            CheckBatch(plan, part, batch);
    }

    private static void CheckBatch(ServicePlan? plan, string part, string? batch)
    {
        if (plan?.Parts.Any(p => p.Id == part) != true)
            throw new ImpossibleInputException("work.batches", $"“{part}”", "a part that the plan renews");
        if (batch?.Trim().Length > LongestName)
            throw new ImpossibleInputException($"work.batches.{part}", $"{batch.Length} characters", $"at most {LongestName}");
    }

    /// <summary>The plan of a case as it stands; null where nothing is planned, or the pump was changed and it no longer fits.</summary>
    public ServicePlan? Planned(CaseEntity entity)
    {
        try
        {
            return Plan(entity, entity.Work().Plan);
        }
        catch (ImpossibleInputException)
        {
            return null;
        }
    }

    /// <summary>The plan that is asked for; null where nothing is.</summary>
    public ServicePlan? Plan(CaseEntity entity, WorkPlanDto? told)
    {
        if (told?.Targets is not { Count: > 0 })
            return null;
        var pump = entity.KnownPump().ToResource();
        var question = ImpossibleInputException.Under("work.plan", () => ServiceQuestion.From(
            new ServicePlanRequest(
                pump.Pump, pump.Setup, told.Targets, told.Scope, SheetFit.Of(pump.Sheet, pump.Pump.ToCore(), pump.Setup, sheets).Own),
            sheets, catalogue));
        return new ServicePlanner(sheets).Plan(question.Sheet, question.Pump, question.Targets, question.Scope);
    }

    /// <summary>What of the work is not closed and counted, in trade words; empty where nothing is planned that comes off.</summary>
    internal IReadOnlyList<string> Unclosed(CaseEntity entity)
    {
        var done = entity.Work();
        if (Planned(entity) is not { } plan)
            return done.Plan?.Targets is { Count: > 0 } ? ["what was planned before this pump was changed: plan it anew"] : [];
        if (plan.Off.All(o => o.Part.InPlace))
            return [];

        // Where nothing is ticked at all, all that was planned counts as touched: nobody says that it was left alone.
        var touched = Touched(plan, done) is { Count: > 0 } begun ? begun : plan.Off.ToHashSet();
        return
        [
            .. Closing(plan).Where(c => touched.Contains(c.At) && !done.Ticked(c.Tick)).Select(c => c.At.Said())
                .Distinct(),
            .. from part in plan.Parts
               from tick in plan.Laying(part).Ticks
               where touched.Contains(new PartAt(part.Part, tick.Place)) && !done.Ticked(tick.Key)
               select $"{tick.Place.Said(part.Name)}: the new one counted",
            .. plan.Steps.Where(s => s.Part is null && s.Stage == ServiceStage.Close && !done.Ticked(s.Id)).Take(1)
                .Select(_ => "tools and parts counted, guards on"),
        ];
    }

    // What is ticked, or was looked at inside, was reached through all that lies over it, ticked or not.
    private static IReadOnlySet<PartAt> Touched(ServicePlan plan, WorkDto done) => plan.Reached(
        plan.Steps.Where(s => s.Part is { InPlace: false } && s.Stage is ServiceStage.Open or ServiceStage.Close)
            .SelectMany(s => s.Ticks.Where(t => done.Steps.ContainsKey(t.Key)).Select(t => new PartAt(s.Part!, t.Place)))
            .Concat(plan.Inspections.Where(i => done.Found.ContainsKey(CavityMap.Key(i.Part.Id, i.Place)))));

    private static IEnumerable<ClosingTick> Closing(ServicePlan plan) =>
        plan.Steps.Where(s => s.Part is { InPlace: false } && s.Stage == ServiceStage.Close)
            .SelectMany(s => s.Ticks.Select(t => new ClosingTick(t.Key, new PartAt(s.Part!, t.Place))));

    private sealed record ClosingTick(string Tick, PartAt At);

    /// <summary>
    /// True where what is told begins another round: something was done in this one, all of it is closed, and the pump is planned anew.
    /// </summary>
    internal bool BeginsRound(CaseEntity entity, WorkChangeDto told)
    {
        var done = entity.Work();
        if (told.Plan?.Targets is not { Count: > 0 } || done.Steps.Count + done.Found.Count == 0)
            return false;
        if (Planned(entity) is not { } plan)
            return done.Acknowledged is null;
        var worked = Touched(plan, done).Count > 0
            || plan.Steps.Any(s => s.Stage == ServiceStage.Mend && s.Ticks.Any(t => done.Ticked(t.Key)));
        return worked && !Open(plan, done).Any();
    }

    // What was opened and is not closed again, by what is ticked.
    private static IEnumerable<PartAt> Open(ServicePlan plan, WorkDto done)
    {
        var touched = Touched(plan, done);
        return Closing(plan).Where(c => touched.Contains(c.At) && !done.Ticked(c.Tick)).Select(c => c.At).Distinct();
    }

    // Another plan may go further; it never forgets what lies open on the bench, nor what was done at this opening.
    private void KeepsWhatIsOff(CaseEntity entity, ServicePlan? plan)
    {
        var done = entity.Work();
        if (Planned(entity) is not { } before || Open(before, done).ToArray() is not { Length: > 0 } open)
            return;
        var forgotten = open.Concat(Touched(before, done)).Distinct()
            .Where(at => plan?.Off.Any(o => o.Part.Id == at.Part.Id && o.Place == at.Place) != true).ToArray();
        if (forgotten.Length > 0)
            throw new RefusalException(
                StatusCodes.Status409Conflict, "Not closed yet", "work.plan",
                $"This plan leaves out what was opened: {string.Join(", ", forgotten.Take(MostNamed).Select(f => f.Said()))}"
                    + $"{(forgotten.Length > MostNamed ? " …" : "")}. Close it first, or choose a plan that takes it in.");
    }

    private static void NoHoles(IReadOnlyList<string>? told, string field)
    {
        if (told?.Any(t => t is null) == true)
            throw Mapping.Missing(field, "a name in each place");
    }

    private void CheckTick(ServicePlan? plan, WorkChangeDto work, WorkDto now, string key, TickDto tick)
    {
        var field = $"work.steps.{key}";
        var step = plan?.Steps.FirstOrDefault(s => s.Ticks.Any(t => t.Key == key));
        if (step is null)
            throw new ImpossibleInputException(
                "work.steps", $"“{key}”", plan is null ? "steps once something is planned" : "a step of the plan at one of its places");
        if (tick is null)
            throw Mapping.Missing(field, "who did it");
        NamedFacts.Signed(tick.By, $"{field}.by");
        if (tick.Wrench?.Length > LongestName)
            throw new ImpossibleInputException($"{field}.wrench", $"{tick.Wrench.Length} characters", $"at most {LongestName}");
        if (tick.Taps is < 0)
            throw new ImpossibleInputException($"{field}.taps", tick.Taps.Value.ToString(CultureInfo.InvariantCulture), "0 or more");
        if (tick.Note?.Length > MostLetters)
            throw new ImpossibleInputException($"{field}.note", $"{tick.Note.Length} characters", $"at most {MostLetters} characters");
        CheckPhotos(tick.Photos, field);
        if (tick.Torque is { } used && (!step.Tightens || used.Need<Torque>($"{field}.torque").Si <= 0))
            throw new ImpossibleInputException(
                $"{field}.torque", $"{used.Value} {used.Unit}", "a torque above 0, where bolts come to their torque");
        var read = work.Acknowledged is not null || (now.Acknowledged is not null && work.RanAgain != true);
        if (!read && step.Act.Machine != MachineState.Running)
            throw new RefusalException(
                StatusCodes.Status409Conflict, "Hazards first", field,
                "Read the hazards and put your name to them before the pump is opened.");
    }

    private void CheckFound(ServicePlan? plan, string key, FoundPartDto found)
    {
        var field = $"work.found.{key}";
        var at = plan?.Inspections.FirstOrDefault(i => CavityMap.Key(i.Part.Id, i.Place) == key)
            ?? throw new ImpossibleInputException("work.found", $"“{key}”", "a part and place of the plan");
        if (found is null)
            throw Mapping.Missing(field, "what was found, and by whom");
        if (found.State is null)
            throw Mapping.Missing($"{field}.state", string.Join(", ", Enum.GetValues<FoundState>().Select(s => s.Named())));
        var state = Mapping.Choice(found.State, $"{field}.state", FoundState.Fine);
        NamedFacts.Signed(found.By, $"{field}.by");
        if (found.Finding is { } id && !findings.At(at.Part.Kind).Any(f => f.Id == id && f.State == state))
            throw new ImpossibleInputException(
                $"{field}.finding", $"“{id}”", $"what is {state.Named()} at this part: {Names(at.Part.Kind, state)}");
        if (found.Note?.Length > MostLetters)
            throw new ImpossibleInputException($"{field}.note", $"{found.Note.Length} characters", $"at most {MostLetters} characters");
        foreach (var (what, value) in found.Measures ?? new Dictionary<string, QuantityDto>())
            if (value.Need<Length>($"{field}.measures.{what}").Si <= 0)
                throw new ImpossibleInputException($"{field}.measures.{what}", $"{value.Value} {value.Unit}", "a length above 0");
        CheckPhotos(found.Photos, field);
        if (found.SuctionSeconds is { } held && held is not (>= 0 and <= LongestHold))
            throw new ImpossibleInputException(
                $"{field}.suctionSeconds", held.ToString(CultureInfo.InvariantCulture), "0 to 3600 seconds");
    }

    private void CheckPhotos(IReadOnlyList<string>? told, string field)
    {
        foreach (var photo in told ?? [])
            if (photos.Find(photo) is null)
                throw new ImpossibleInputException($"{field}.photos", $"“{photo}”", "photographs that were taken in before");
    }

    private string Names(string kind, FoundState state) =>
        findings.At(kind).Where(f => f.State == state).Select(f => f.Id).ToArray() is { Length: > 0 } ids
            ? string.Join(", ", ids)
            : "none by name; leave it out and write a note";
}
