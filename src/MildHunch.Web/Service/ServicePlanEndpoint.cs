using System.Collections.Concurrent;
using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;
using MildHunch.Core.Service;
using MildHunch.Core.Service.Drawing;
using MildHunch.Core.Service.Findings;
using MildHunch.Core.Service.Sheets;
using MildHunch.Web.Diagnosis;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Service;

/// <summary>What to open and how, for parts that failed: least disassembly, steps, counts and bolts.</summary>
public sealed class ServicePlanEndpoint(ServiceSheets sheets, FindingCatalogue findings, Catalogue catalogue, ShopNow shop)
{
    // What can be found at a kind of part, and how that is drawn, is the same in every plan.
    private readonly ConcurrentDictionary<string, PartKindDto> kinds = new();

    public static void Map(IEndpointRouteBuilder routes) =>
        routes.MapPost("/api/service-plan", (ServicePlanRequest request, ServicePlanEndpoint endpoint) => endpoint.Answer(request))
            .Produces<ServicePlanResponse>().WithTags("Computation")
            .WithSummary("The work at parts that failed: the least that must come off, step by step, with parts, kits, tools and bolts.");

    /// <summary>The plan that a request asks for.</summary>
    public ServicePlanResponse Answer(ServicePlanRequest request)
    {
        var question = ServiceQuestion.From(request, sheets, catalogue);
        var plan = new ServicePlanner(sheets).Plan(question.Sheet, question.Pump, question.Targets, question.Scope);
        var places = new PlaceNames(question.Pump);
        var bill = PartsBill.Of(plan, question.Own);
        return new ServicePlanResponse(
            plan.Sheet.Id, plan.Sheet.Name,
            [.. plan.Off.Where(o => !o.Part.InPlace).Select(o => new PartAtDto(o.Part.Id, o.Part.Name, places.Of(o.Place)))],
            [.. plan.Stays.Select(p => new PartNameDto(p.Id, p.Name))], [.. plan.Steps.Select(s => Step(s, places, question.Own))],
            [.. plan.Parts.Select(p => new PartCountDto(
                p.Id, p.Name, p.Count, [.. p.Places.Select(places.Of)],
                p.Part.Fit == Fit.New ? "renewed whenever it comes off" : "to be renewed or mended"))],
            [.. bill.Bill.Kits.Select(k => new KitCountDto(k.Kit.Name, k.Count, k.Covers, k.LeftOver))], bill.Bill.Beside,
            [.. plan.Bolts.Select(g => g.ToDto(question.Own))],
            [.. plan.Inspections.Select(i => new InspectionDto(
                CavityMap.Key(i.Part.Id, i.Place), i.Part.Id, i.Part.Name, places.Of(i.Place), i.Part.Look, i.Part.Kind,
                [.. (findings.Kind(i.Part.Kind)?.Measured ?? []).Select(m => new MeasureDto(
                    m, question.Own.Limits?.GetValueOrDefault($"{i.Part.Id}: {m}")))]))],
            [.. plan.Hazards.Select(h => new HazardDto(h, catalogue.Hazard(h)!.Text))],
            plan.Tools, plan.Consumables, plan.Sheet.Leave, plan.Minutes, [.. Stacks(plan)],
            CavityMap.Of(question.Pump, plan.Inspections).ToDto(), sheets.Common.Stuck,
            [.. plan.Inspections.Select(i => i.Part.Kind).Distinct().Select(k => kinds.GetOrAdd(k, Kind))], bill.Cost(shop.Terms.Currency));
    }

    private static ServiceStepDto Step(ServiceStep s, PlaceNames places, PumpSheetDto own) => new(
        s.Id, s.Stage.Named(), s.Act.Do, s.Act.Why, s.Act.Mind, s.Act.Tools, s.Act.Better, s.Act.Consumables, s.Act.Hazards,
        s.Act.Machine.Named(), s.Minutes, s.Part?.Id, s.Bolts?.Id, [.. s.Ticks.Select(t => places.Of(t))], s.Facing,
        s.Act.Schools ?? (s.Stage == ServiceStage.Close && s.Bolts is null ? s.Part?.Schools : null), s.Rounds(own), s.Tightens, s.Lays,
        s.Act.Notes, s.Act.Photo);

    private PartKindDto Kind(string kind) => new(
        kind, findings.Kind(kind)?.Tested ?? false, findings.Kind(kind)?.Measured ?? [],
        [.. findings.At(kind).Select(f => new FindingDto(f.Id, f.Name, f.State.Named(), f.Cause, f.Then, FindingDrawing.Of(f)?.ToDto()))]);

    // Only cavities of which something comes off.
    private static IEnumerable<StackDto> Stacks(ServicePlan plan)
    {
        var off = plan.Off.Select(o => o.Part.Id).ToHashSet();
        return plan.Sheet.Stacks.Where(s => s.Items.Any(i => off.Contains(i.Part))).Select(s => new StackDto(
            s.Id, s.Name, s.Per.Named(), [.. s.Items.Select(i => i.Part).Distinct()], StackDrawing.Of(plan.Sheet, s).ToDto()));
    }
}
