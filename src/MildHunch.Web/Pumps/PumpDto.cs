using System.ComponentModel;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Pumps;

/// <summary>What the pump is. One of plungerDiameter, stroke and ratedSpeed may be left out where ratedFlow is given.</summary>
public sealed record PumpDto(
    [property: Description("crank-plunger, flow-through, axial, twin-piston or intensifier")] string? Arrangement,
    int? Cylinders,
    QuantityDto? PlungerDiameter,
    QuantityDto? Stroke,
    double? RodRatio,
    QuantityDto? RatedSpeed,
    QuantityDto? RatedPressure,
    [property: Description("unloader, regulator, auto-stop, relief or none")] string? Control,
    [property: Description("six-caps, stacked-bore, inlet-cover, inlet-screwed, two-piece, valve-plate or split-manifold")]
    string? HeadLayout = null,
    [property: Description("inlet or weep")] string? SealReturn = null,
    [property: Description("which cylinder follows which, such as [1, 3, 2]")] IReadOnlyList<int>? FiringOrder = null,
    QuantityDto? RatedFlow = null,
    [property: Description("rod through the second chamber of a double-acting cylinder")] QuantityDto? RodDiameter = null,
    [property: Description("the pull stroke discharges")] bool? PullDischarges = null,
    [property: Description("clearance volume over swept volume")] double? Clearance = null,
    [property: Description("valve slip when healthy, a share")] double? Slip = null,
    [property: Description("head required at the inlet by the maker")] QuantityDto? RequiredHead = null,
    [property: Description("trapped-pressure or flow-actuated")] string? UnloaderType = null,
    [property: Description("of an intensifier")] QuantityDto? OilPistonDiameter = null,
    [property: Description("of an intensifier: standing still at the end of a stroke")] QuantityDto? ShiftTime = null,
    [property: Description("what its plungers run in: lip or packing; null for what its head layout usually has")] string? Seals = null,
    [property: Description("a start valve is fitted")] bool? StartValve = null);
