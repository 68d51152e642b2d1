using MildHunch.Core.Diagnosis.Verdict;
using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;
using MildHunch.Core.Records.Lives;
using MildHunch.Core.Records.Patterns;
using MildHunch.Core.Service;
using MildHunch.Core.Service.Counts;
using MildHunch.Core.Service.Sheets;
using MildHunch.Web.Diagnosis;
using MildHunch.Web.Evidence;
using MildHunch.Web.Pumps;
using MildHunch.Web.Records;
using MildHunch.Web.Service;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Cases.Work;

/// <summary>What can be opened for the suspects of a case: only the leader, the leader and the next, or the whole set.</summary>
public sealed class PlanOptions(ServiceSheets sheets, Catalogue catalogue, ShopNow shop, ShopMemory memory)
{
    // A place is opened with its suspect where it is at least this likely beside the likeliest.
    private const double WorthOpening = 0.3;
    private const double WorthASuspect = 0.02;

    public static void Map(IEndpointRouteBuilder cases) =>
        cases.MapGet(
            "/{id}/plans",
            async (string id, CaseStore store, CaseView view, PlanOptions options, CancellationToken stop) =>
                await options.Of(await view.Show(await store.Load(id, stop), stop), stop))
            .WithSummary("What can be opened for the suspects, with minutes, cost and the chance of opening it again.");

    private async Task<PlanOptionsResponse> Of(CaseResource shown, CancellationToken stop)
    {
        var known = await memory.All(stop);
        var suspects = shown.Diagnosis?.Suspects ?? [];
        var pump = shown.Pump.Pump.ToCore();
        shown = shown with
        {
            Pump = shown.Pump with { Sheet = SheetFit.Of(shown.Pump.Sheet, pump, shown.Pump.Setup, sheets).Own },
        };
        var all = ServiceQuestion.Sheets(pump, shown.Pump.Setup, shown.Pump.Sheet, sheets);
        Opening[] open = [.. suspects.Where(s => s.Probability >= WorthASuspect).Select(s => Opened(s, pump, all)).OfType<Opening>()];
        if (open.Length == 0)
            return new PlanOptionsResponse(
                [], "No suspect is mended by opening the pump. Choose the parts yourself if it is to be opened.");
        var leader = open[0];
        var next = open.Skip(1).FirstOrDefault(o => o.Suspect.Action != leader.Suspect.Action);
        Opening[] both = next is null ? [leader] : [leader, next];
        var asked = new Asked(shown, pump, all, open, known);
        return new PlanOptionsResponse(
            [
                Option("leader", $"Only {Phrase(leader)}", [leader], ServiceScope.WhatFailed, asked),
                .. next is null
                    ? Array.Empty<PlanOptionDto>()
                    : [Option("two", $"{Capital(Phrase(leader))} and {Phrase(next)}", both, ServiceScope.WhatFailed, asked)],
                .. Bore(leader, asked),
                Option("whole", "The whole set while it is open", both, ServiceScope.WholeSet, asked),
            ],
            suspects[0].Fault == leader.Suspect.Fault
                ? null
                : $"{suspects[0].Name} leads, and is not mended by opening the pump: settle that first.");
    }

    private Opening? Opened(SuspectDto suspect, ReciprocatingPump pump, IReadOnlyList<ServiceSheet> all)
    {
        var fault = catalogue.Fault(suspect.Fault)!;
        var best = suspect.Locations.Select(l => l.Probability).DefaultIfEmpty(0).Max();
        ServicePlace[] places = suspect.Locations.Count == 0
            ? [ServicePlace.Whole]
            : [.. suspect.Locations.Where(l => l.Probability >= WorthOpening * best).Select(Place)];
        foreach (var sheet in all)
            if (places.SelectMany(p => ServiceTargets.Of(sheet, pump, fault, p)).DistinctBy(t => t.At).ToArray() is { Length: > 0 } parts)
                return new Opening(suspect, sheet, parts);
        return null;
    }

    private PlanOptionDto Option(string id, string name, IReadOnlyList<Opening> open, ServiceScope scope, Asked asked)
    {
        var sheet = ServiceSheet.Together([.. asked.Sheets.Where(s => open.Any(o => o.Sheet == s))]);
        var plan = new ServicePlanner(sheets).Plan(sheet, asked.Pump, [.. open.SelectMany(o => o.Parts).DistinctBy(t => t.At)], scope);
        var cost = PartsBill.Of(plan, asked.Shown.Pump.Sheet).Cost(shop.Terms.Currency);
        var names = new PlaceNames(asked.Pump);
        var targets = open.SelectMany(o => o.Parts).DistinctBy(t => t.At).Select(t =>
        {
            var (cylinder, side, end) = names.Of(t.At.Place);
            var mend = t.Mend == ServiceTarget.Of(t.At).Mend ? null : t.Mend.Named();
            return new ServiceTargetDto(t.At.Part.Id, null, cylinder, side, end, mend);
        });
        return new PlanOptionDto(
            id, name, new WorkPlanDto([.. targets], scope.Named()),
            [.. plan.Off.Where(o => !o.Part.InPlace).GroupBy(o => o.Part).Select(g => Counted(g.Count(), g.Key.Name))],
            [.. plan.Parts.Select(p => Counted(p.Count, p.Name))], plan.Minutes, cost, Again(plan, asked),
            Replacing(plan, cost, asked));
    }

    // Only where the bore of the leader holds more than what failed.
    private IEnumerable<PlanOptionDto> Bore(Opening leader, Asked asked)
    {
        var (only, bore) = (
            Option("leader", "", [leader], ServiceScope.WhatFailed, asked),
            Option("bore", "Both seals and rings of that bore", [leader], ServiceScope.OneBore, asked));
        return bore.Renews.SequenceEqual(only.Renews) ? [] : [bore];
    }

    // What the verdict suspects of parts that this plan does not renew, and what the parts themselves will last.
    private AgainDto Again(ServicePlan plan, Asked asked)
    {
        var renewed = plan.Parts.SelectMany(p => p.Places.Select(place => new PartAt(p.Part, place))).ToHashSet();
        var done = plan.Targets.Select(t => t.At).Concat(renewed).ToHashSet();
        var elsewhere = asked.Open.Sum(o => o.Suspect.Probability * Missed(o, done));
        var wearing = plan.Sheet.Parts.Where(p => p.Fit != Fit.Again)
            .SelectMany(p => p.Per.On(asked.Pump).Select(at => new PartAt(p, at)))
            .Select(p => Wearing(p, renewed.Contains(p), asked)).OfType<WearingPart>().ToArray();
        var again = OpeningAgain.Of(Math.Min(1, elsewhere), wearing, asked.Shown.Pump.Sheet.Interval?.Hours);
        return new AgainDto(Math.Round(again.AtLeast, 3), again.Unknown);
    }

    private static double Missed(Opening open, HashSet<PartAt> done) => open.Parts.Any(t => done.Contains(t.At)) ? 0 : 1;

    private static double? OnRecord(PumpMemory? pump, RecordPart? part, DateOnly day) => pump is null || part is null
        ? null
        : pump.Record.Lives.LastOrDefault(l => l.At == part.At && l.Out is null)?.Ran(pump.Record.HoursAt(day));

    // Only what wears by hours or moves: rings are renewed with what they seal.
    private WearingPart? Wearing(PartAt at, bool renewed, Asked asked)
    {
        var faults = catalogue.Faults.Where(f => at.Part.Serves.Contains(f.ActionOn(at.Place.Side))).ToArray();
        if (faults.Length == 0 || at.Part.Fit == Fit.New && faults.All(f => f.Wear is null))
            return null;
        var worn = faults.FirstOrDefault(f => f.Wear is not null);
        double? noted = asked.Shown.Hours.Where(h => h.Part == worn?.Part && (h.Cylinder is null || h.Cylinder == at.Place.Cylinder))
            .Select(h => h.Hours).DefaultIfEmpty(null).Max();
        var record = asked.Known.Pumps.GetValueOrDefault(asked.Shown.Pump.Id);
        var part = record?.Record.Parts.FirstOrDefault(p => p.At == new PartPosition(at.Part.Id, at.Place));
        var lasts = part is null || worn is null ? null : asked.Known.Life(record!.LifeOf(part))?.Estimate;
        return new WearingPart(
            at.Part.Name, renewed ? 0 : noted ?? OnRecord(record, part, asked.Known.Day),
            lasts is null ? worn?.Wear : new Wear(lasts.Shape.Value, lasts.B10.Value));
    }

    private string? Replacing(ServicePlan plan, PartsCostDto? cost, Asked asked)
    {
        if (asked.Shown.Pump.Sheet.NewPump is not { } fresh)
            return null;
        var share = ((cost?.Parts ?? 0) + (plan.Minutes / 60 * shop.Terms.WorkPerHour)) / fresh;
        return share < shop.Terms.ReplaceAbove
            ? null
            : $"Parts and work come to {HunchWords.Percent(share)} of a new pump; this shop thinks of replacing it from "
                + $"{HunchWords.Percent(shop.Terms.ReplaceAbove)} on. Decide before anything is ordered.";
    }

    private string Phrase(Opening open) => catalogue.Fault(open.Suspect.Fault)!.Phrase;

    private static string Capital(string text) => char.ToUpperInvariant(text[0]) + text[1..];

    private static string Counted(int count, string name) => count == 1 ? name : $"{count} x {name.ToLowerInvariant()}";

    private static ServicePlace Place(LocationDto at) => new(
        at.Cylinder, at.Side is null ? null : Enum.Parse<Side>(at.Side, true));

    private sealed record Opening(SuspectDto Suspect, ServiceSheet Sheet, IReadOnlyList<ServiceTarget> Parts);

    private sealed record Asked(
        CaseResource Shown, ReciprocatingPump Pump, IReadOnlyList<ServiceSheet> Sheets, IReadOnlyList<Opening> Open,
        WholeRecord Known);
}
