using System.Globalization;
using MildHunch.Core.Service.Sheets;
using MildHunch.Core;
using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;
using MildHunch.Core.Service;
using MildHunch.Core.Service.Drawing;
using MildHunch.Core.Service.Findings;
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
    private const int LongestName = 60;
    private const double LongestHold = 3600;

    /// <summary>Refuses what cannot be, naming the field; nothing is stored.</summary>
    public void Check(CaseEntity entity, WorkChangeDto work)
    {
        var now = entity.Work();
        var plan = Plan(entity, work.Plan ?? now.Plan);
        if (work.Acknowledged is { } read)
            NamedFacts.Signed(read.By, "work.acknowledged.by");
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

    /// <summary>The plan of a case; null where nothing is planned.</summary>
    public ServicePlan? Plan(CaseEntity entity, WorkPlanDto? told)
    {
        if (told?.Targets is not { Count: > 0 })
            return null;
        var pump = entity.KnownPump().ToResource();
        var question = Mapping.Under("work.plan", () => ServiceQuestion.From(
            new ServicePlanRequest(pump.Pump, pump.Setup, told.Targets, told.Scope, pump.Sheet), sheets, catalogue));
        return new ServicePlanner(sheets).Plan(question.Sheet, question.Pump, question.Targets, question.Scope);
    }

    /// <summary>What of the work is not closed and counted, in trade words; empty where nothing is planned that comes off.</summary>
    internal IReadOnlyList<string> Unclosed(CaseEntity entity)
    {
        var done = entity.Work();
        if (Plan(entity, done.Plan) is not { } plan)
            return [];
        bool Ticked(string key) => done.Steps.TryGetValue(key, out var tick) && tick.Taps is null;
        var worked = plan.Steps.Where(s => s.Part is { InPlace: false } && s.Stage is ServiceStage.Open or ServiceStage.Close)
            .SelectMany(s => s.Ticks.Select(t => (Step: s, Tick: t, At: new PartAt(s.Part!, t.Place)))).ToArray();
        if (worked.Length == 0)
            return [];

        // Where nothing is ticked at all, all that was planned counts as touched: nobody says that it was left alone.
        var begun = worked.Where(w => done.Steps.ContainsKey(w.Tick.Key)).Select(w => w.At).ToHashSet();
        bool Touched(PartAt at) => begun.Count == 0 || begun.Contains(at);
        return
        [
            .. worked.Where(w => w.Step.Stage == ServiceStage.Close && Touched(w.At) && !Ticked(w.Tick.Key))
                .Select(w => Said(w.At.Part.Name, w.At.Place)).Distinct(),
            .. from part in plan.Parts
               from tick in plan.Laying(part).Ticks
               where Touched(new PartAt(part.Part, tick.Place)) && !Ticked(tick.Key)
               select $"{Said(part.Name, tick.Place)}: the new one counted",
            .. plan.Steps.Where(s => s.Part is null && s.Stage == ServiceStage.Close && !Ticked(s.Id)).Take(1)
                .Select(_ => "tools and parts counted, guards on"),
        ];
    }

    private static string Said(string part, ServicePlace place) =>
        place == ServicePlace.Whole ? part : $"{part} {place.Key.Replace('.', ' ')}";

    private void CheckTick(ServicePlan? plan, WorkChangeDto work, WorkDto now, string key, TickDto tick)
    {
        var field = $"work.steps.{key}";
        var step = plan?.Steps.FirstOrDefault(s => s.Ticks.Any(t => t.Key == key));
        if (step is null)
            throw new ImpossibleInputException(
                "work.steps", $"“{key}”", plan is null ? "steps once something is planned" : "a step of the plan at one of its places");
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
