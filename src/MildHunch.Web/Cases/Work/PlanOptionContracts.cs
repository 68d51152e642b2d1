using System.ComponentModel;
using MildHunch.Web.Service;

namespace MildHunch.Web.Cases.Work;

/// <summary>How likely it is to be opened again before its next service.</summary>
public sealed record AgainDto(
    [property: Description("chance from what is known, 0 to 1")] double AtLeast,
    [property: Description("about whose life nothing is known")] IReadOnlyList<string> Unknown);

/// <summary>One way to go about it.</summary>
public sealed record PlanOptionDto(
    [property: Description("leader, two or whole")] string Id, string Name, WorkPlanDto Plan, IReadOnlyList<string> Opens,
    IReadOnlyList<string> Renews, double Minutes, PartsCostDto? Cost, AgainDto Again,
    [property: Description("said where repairing comes near the price of a new pump")] string? Replace);

/// <summary>Ways to go about it, side by side.</summary>
public sealed record PlanOptionsResponse(
    IReadOnlyList<PlanOptionDto> Options,
    [property: Description("said where the leading suspect is not mended by opening the pump")] string? Elsewhere);
