using System.ComponentModel;
using MildHunch.Web.Service;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Cases.Work;

/// <summary>What is to be opened.</summary>
public sealed record WorkPlanDto(
    IReadOnlyList<ServiceTargetDto>? Targets = null, [property: Description("what-failed or whole-set")] string? Scope = null);

/// <summary>A step that was done, at one place.</summary>
public sealed record TickDto(
    [property: Description("who")] string? By = null,
    [property: Description("with which wrench, and when that was checked")] string? Wrench = null,
    [property: Description("bolts done so far, pass by pass; left out once the step is done")] int? Taps = null,
    [property: Description("what the step asks to be noted")] string? Note = null,
    [property: Description("hashes of photographs")] IReadOnlyList<string>? Photos = null,
    [property: Description("torque that was used, where it is not the one of the plan")] QuantityDto? Torque = null);

/// <summary>Hazards that somebody read and answers for.</summary>
public sealed record AcknowledgedDto(string? By = null, IReadOnlyList<string>? Hazards = null);

/// <summary>What was found at one part in one place.</summary>
public sealed record FoundPartDto(
    [property: Description("fine, worn or failed")] string? State = null,
    [property: Description("id of a finding of its kind")] string? Finding = null, string? By = null, string? Note = null,
    [property: Description("seconds it held suction, by tool")] double? SuctionSeconds = null,
    [property: Description("true where it moved when pressed by hand")] bool? Moves = null,
    [property: Description("what was measured, by name")] IReadOnlyDictionary<string, QuantityDto>? Measures = null,
    [property: Description("hashes of photographs")] IReadOnlyList<string>? Photos = null);

/// <summary>What changes in the work: each entry by its key.</summary>
public sealed record WorkChangeDto(
    WorkPlanDto? Plan = null, AcknowledgedDto? Acknowledged = null,
    [property: Description("true where the pump ran again: hazards are read anew before it is opened")] bool? RanAgain = null,
    [property: Description("by tick of the plan")] IReadOnlyDictionary<string, TickDto>? Steps = null,
    [property: Description("ticks that are taken back")] IReadOnlyList<string>? StepsBack = null,
    [property: Description("by id of the place in the map")] IReadOnlyDictionary<string, FoundPartDto>? Found = null,
    [property: Description("places that were not looked at after all")] IReadOnlyList<string>? FoundBack = null,
    [property: Description("batch of what goes in, by id of the part; empty to clear it")]
    IReadOnlyDictionary<string, string>? Batches = null);

public sealed record TickedDto(
    string By, DateTime At, string? Wrench, int? Taps, string? Note = null, IReadOnlyList<string>? Photos = null,
    QuantityDto? Torque = null);

public sealed record AcknowledgedAtDto(string By, DateTime At, IReadOnlyList<string> Hazards);

public sealed record FoundPartAtDto(
    string State, string? Finding, string By, DateTime At, string? Note, double? SuctionSeconds, bool? Moves,
    IReadOnlyDictionary<string, QuantityDto>? Measures, IReadOnlyList<string> Photos,
    [property: Description("what was measured beyond the limits of the pump's own figures, in words")] IReadOnlyList<string> Outside);

/// <summary>The work at a case as it stands.</summary>
public sealed record WorkDto(
    WorkPlanDto? Plan, AcknowledgedAtDto? Acknowledged, IReadOnlyDictionary<string, TickedDto> Steps,
    IReadOnlyDictionary<string, FoundPartAtDto> Found,
    [property: Description("batch of what goes in, by id of the part")] IReadOnlyDictionary<string, string> Batches)
{
    /// <summary>Nothing planned, nothing done.</summary>
    public static readonly WorkDto Nothing = new(
        null, null, new Dictionary<string, TickedDto>(), new Dictionary<string, FoundPartAtDto>(), new Dictionary<string, string>());
}
