using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;
using MildHunch.Core.Service.Sheets;

namespace MildHunch.Core.Service;

/// <summary>Parts of a sheet at places: of a fault, of an action, or of a part by the name the trade has for it.</summary>
public static class ServiceTargets
{
    /// <summary>Every part at which a fault is mended; empty where this sheet has none.</summary>
    /// <param name="sheet">A sheet as it is on this pump.</param>
    /// <param name="pump">The pump.</param>
    /// <param name="fault">The fault.</param>
    /// <param name="place">Where it is; a fault of one side is on that side whatever is said.</param>
    public static IReadOnlyList<ServiceTarget> Of(ServiceSheet sheet, ReciprocatingPump pump, Fault fault, ServicePlace place)
    {
        var side = place.Side ?? (fault.Side is null ? null : Enum.Parse<Side>(fault.Side, true));
        Side?[] sides = side is null && fault.DischargeAction is not null ? [Side.Inlet, Side.Discharge] : [side];
        return
        [
            .. sides.SelectMany(on => OfAction(sheet, pump, fault.ActionOn(on), place with { Side = on ?? place.Side }))
                .DistinctBy(t => t.At),
        ];
    }

    /// <summary>Every part at which an action is done, renewed or refitted as the sheet has it; empty where this sheet has none.</summary>
    public static IEnumerable<ServiceTarget> OfAction(ServiceSheet sheet, ReciprocatingPump pump, string action, ServicePlace place) =>
        from part in sheet.Parts
        where part.Serves.Contains(action) || part.Refits.Contains(action)
        let mend = part.Serves.Contains(action) ? Mend.Renew : Mend.Refit
        from at in At(part, pump, place with { Side = place.Side ?? SideOf(action) })
        select new ServiceTarget(at, mend);

    /// <summary>
    /// Parts that go by a name of the trade in this sheet, whatever it calls them: by a name that all sheets know, or by the action that is
    /// done at them. The side follows from the name.
    /// </summary>
    public static IReadOnlyList<ServiceTarget> Named(
        ServiceSheet sheet, CommonActs common, ReciprocatingPump pump, string name, ServicePlace place)
    {
        var on = place with { Side = place.Side ?? SideOf(name) };
        var kind = common.Names.GetValueOrDefault(name)?.FirstOrDefault(k => sheet.Parts.Any(p => p.Kind == k));
        return kind is null
            ? [.. OfAction(sheet, pump, name, on)]
            : [.. sheet.Parts.Where(p => p.Kind == kind).SelectMany(p => At(p, pump, on)).Select(ServiceTarget.Of)];
    }

    /// <summary>A part at every place of the pump that meets this one.</summary>
    public static IEnumerable<PartAt> At(SheetPart part, ReciprocatingPump pump, ServicePlace place) =>
        part.Per.Meeting(place, pump).Select(at => new PartAt(part, at));

    // "inlet-valves", "discharge-valve".
    private static Side? SideOf(string name) => Enum.GetValues<Side>()
        .Where(s => name.StartsWith($"{s.Named()}-", StringComparison.Ordinal)).Select(s => (Side?)s).FirstOrDefault();
}
