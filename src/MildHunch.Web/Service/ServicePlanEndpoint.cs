using MildHunch.Core;
using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;
using MildHunch.Core.Service;
using MildHunch.Core.Service.Drawing;
using MildHunch.Web.Diagnosis;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Service;

/// <summary>What to open and how, for parts that failed: least disassembly, steps, counts and bolts.</summary>
public static class ServicePlanEndpoint
{
    private static readonly string[] TorqueUnits = ["N·m", "ft·lbf", "in·lbf"];

    public static void Map(IEndpointRouteBuilder routes) =>
        routes.MapPost("/api/service-plan", (ServicePlanRequest request, ServiceSheets sheets, Catalogue catalogue) =>
                Answer(ServiceQuestion.From(request, sheets, catalogue), sheets, catalogue))
            .Produces<ServicePlanResponse>().WithTags("Computation")
            .WithSummary("The work at parts that failed: the least that must come off, step by step, with parts, kits, tools and bolts.");

    private static ServicePlanResponse Answer(ServiceQuestion question, ServiceSheets sheets, Catalogue catalogue)
    {
        var torques = question.Own.Torques ?? new Dictionary<string, QuantityDto>();
        foreach (var group in torques.Keys.Where(g => question.Sheet.Group(g) is null))
            throw new ImpossibleInputException(
                "sheet.torques", $"“{group}”", string.Join(", ", question.Sheet.Groups.Select(g => g.Id)));
        var plan = new ServicePlanner(sheets).Plan(question.Sheet, question.Pump, question.Targets, question.Scope);
        ServicePlaceDto Placed(ServicePlace place) => question.Pump.Arrangement == Arrangement.Intensifier && place.Cylinder is { } end
            ? new(null, place.Side?.Named(), end == 1 ? "left" : "right")
            : new(place.Cylinder, place.Side?.Named(), null);
        var bill = KitCounting.Count(
            plan.Parts.ToDictionary(p => p.Part.Id, p => p.Count),
            [.. (question.Own.Kits ?? []).Select((kit, k) => KitOf(kit, k, question.Sheet))]);
        return new ServicePlanResponse(
            plan.Sheet.Id, plan.Sheet.Name, [.. plan.Off.Select(o => new PartAtDto(o.Part.Id, o.Part.Name, Placed(o.Place)))],
            [.. plan.Stays.Select(p => new PartNameDto(p.Id, p.Name))],
            [.. plan.Steps.Select(s => new ServiceStepDto(
                s.Id, s.Stage.Named(), s.Act.Do, s.Act.Why, s.Act.Mind, s.Act.Tools, s.Act.Better, s.Act.Consumables, s.Act.Hazards,
                s.Act.Machine.Named(), s.Minutes, s.Part?.Id, s.Bolts?.Id, [.. s.Places.Select(Placed)], s.Facing))],
            [.. plan.Parts.Select(p => new PartCountDto(
                p.Part.Id, p.Part.Name, p.Count, [.. p.Places.Select(Placed)],
                p.Part.Fit == Fit.New ? "renewed whenever it comes off" : "to be renewed or mended"))],
            [.. bill.Kits.Select(k => new KitCountDto(k.Kit.Name, k.Count, k.Covers, k.LeftOver))], bill.Beside,
            [.. plan.Bolts.Select(g => Bolts(g, torques.GetValueOrDefault(g.Id)))],
            [.. plan.Inspections.Select(i => new InspectionDto(
                CavityMap.Key(i.Part.Id, i.Place), i.Part.Id, i.Part.Name, Placed(i.Place), i.Part.Look))],
            [.. plan.Hazards.Select(h => new HazardDto(h, catalogue.Hazard(h)!.Text))],
            plan.Tools, plan.Consumables, plan.Sheet.Leave, plan.Minutes, [.. Stacks(plan)],
            CavityMap.Of(question.Pump, plan.Inspections).ToDto());
    }

    // Only cavities of which something comes off.
    private static IEnumerable<StackDto> Stacks(ServicePlan plan)
    {
        var off = plan.Off.Select(o => o.Part.Id).ToHashSet();
        return plan.Sheet.Stacks.Where(s => s.Items.Any(i => off.Contains(i.Part))).Select(s => new StackDto(
            s.Id, s.Name, s.Per.Named(), [.. s.Items.Select(i => i.Part).Distinct()], StackDrawing.Of(plan.Sheet, s).ToDto()));
    }

    private static Kit KitOf(KitDto kit, int k, ServiceSheet sheet)
    {
        var field = $"sheet.kits[{k}]";
        if (string.IsNullOrWhiteSpace(kit.Name))
            throw Mapping.Missing($"{field}.name", "the kit’s name or number");
        foreach (var part in (kit.Holds ?? new Dictionary<string, int>()).Keys.Where(id => sheet.Part(id) is null))
            throw new ImpossibleInputException($"{field}.holds", $"“{part}”", string.Join(", ", sheet.Parts.Select(p => p.Id)));
        return new Kit(kit.Name, kit.Name, kit.Holds ?? new Dictionary<string, int>());
    }

    private static BoltGroupDto Bolts(BoltGroup group, QuantityDto? told)
    {
        var field = $"sheet.torques.{group.Id}";
        var torque = told.Maybe<Torque>(field);
        if (torque is { Si: <= 0 })
            throw new ImpossibleInputException(field, $"{told!.Value} {told.Unit}", "a torque above 0");
        return new BoltGroupDto(
            group.Id, group.Name, group.Pattern, [.. group.Places.Places.Select(p => new BoltPlaceDto(p.Number, p.X, p.Y))],
            group.ToLoosen, group.ToStart, group.ToSnug, group.ToTighten,
            [.. group.Passes.Select(share => new BoltPassDto(share, Share(torque, share, told)))],
            told, (torque is null ? TorqueBasis.None : TorqueBasis.Sheet).Named(),
            torque is { } all ? [.. TorqueUnits.Select(u => Amount.Of(all).Text(Units.Find(QuantityKind.Torque, u)!))] : [],
            torque is { } asked ? Doubt(group, asked) : null, group.Note, BoltDrawing.Of(group).ToDto());
    }

    // In the unit in which the maker's sheet has it.
    private static QuantityDto? Share(Torque? torque, double share, QuantityDto? told) => torque is { } whole && told?.Unit is { } unit
        ? Amount.Of(new Torque(whole.Si * share)).ToDto(Quantity.UnitNamed(QuantityKind.Torque, unit, "unit"))
        : null;

    // A figure that another unit would make likely was probably read off in that unit.
    private static string? Doubt(BoltGroup group, Torque torque)
    {
        if (group.Plausible is not [var least, var most] || (torque.Si >= least && torque.Si <= most))
            return null;
        var told = Amount.Of(torque).Text(Units.Find(QuantityKind.Torque, "N·m")!);
        return $"{told} on {group.Name.ToLowerInvariant()}? {least:0} to {most:0} N·m is usual: look at the unit of the sheet.";
    }
}
