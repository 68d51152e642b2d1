using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;

namespace MildHunch.Core.Service;

/// <summary>Parts of a sheet at places: of a fault, or of a part by its id.</summary>
public static class ServiceTargets
{
    /// <summary>Every part at which a fault is mended; empty where this sheet opens nothing for it.</summary>
    /// <param name="sheet">A sheet as it is on this pump.</param>
    /// <param name="pump">The pump.</param>
    /// <param name="fault">The fault.</param>
    /// <param name="place">Where it is; a fault of one side is on that side whatever is said.</param>
    public static IReadOnlyList<PartAt> Of(ServiceSheet sheet, ReciprocatingPump pump, Fault fault, ServicePlace place)
    {
        var side = place.Side ?? (fault.Side is null ? null : Enum.Parse<Side>(fault.Side, true));
        Side?[] sides = side is null && fault.DischargeAction is not null ? [Side.Inlet, Side.Discharge] : [side];
        return
        [
            .. sides.SelectMany(on => sheet.Parts.Where(p => p.Serves.Contains(fault.ActionOn(on)))
                .SelectMany(p => At(p, pump, place with { Side = on }))).Distinct(),
        ];
    }

    /// <summary>A part at every place of the pump that meets this one.</summary>
    public static IEnumerable<PartAt> At(SheetPart part, ReciprocatingPump pump, ServicePlace place) =>
        part.Per.Meeting(place, pump).Select(at => new PartAt(part, at));
}
