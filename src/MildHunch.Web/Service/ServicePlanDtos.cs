using System.ComponentModel;
using MildHunch.Web.Diagnosis;
using MildHunch.Web.Pumps;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Service;

/// <summary>A part to renew or mend, or a fault; with its place where it has one.</summary>
public sealed record ServiceTargetDto(
    [property: Description("id of a part of the sheet, a name of the trade such as discharge-valve, or an action of the catalogue")]
    string? Part = null,
    [property: Description("id of a fault instead: every part at which it is mended")] string? Fault = null,
    int? Cylinder = null, [property: Description("inlet or discharge")] string? Side = null,
    [property: Description("left or right, on an intensifier")] string? End = null,
    [property: Description("renew, refit, clean or lap; as the sheet has it where left out")] string? Mend = null);

public sealed record ServicePlanRequest(
    PumpDto? Pump, SetupDto? Setup = null, IReadOnlyList<ServiceTargetDto>? Targets = null,
    [property: Description("what-failed, whole-set or one-bore: both seals and all rings of a bore")] string? Scope = null,
    PumpSheetDto? Sheet = null);

public sealed record ServicePlaceDto(int? Cylinder, string? Side, string? End);

/// <summary>A place at which a step is done, with the key of its tick.</summary>
public sealed record StepPlaceDto(
    [property: Description("the tick of this step at this place")] string Tick, int? Cylinder, string? Side, string? End);

public sealed record PartAtDto(string Part, string Name, ServicePlaceDto Place);

public sealed record PartNameDto(string Part, string Name);

public sealed record ServiceStepDto(
    string Id, string Stage, string Text, string? Why, IReadOnlyList<string> Mind, IReadOnlyList<string> Tools, string? Better,
    IReadOnlyList<string> Consumables, IReadOnlyList<string> Hazards, string Machine, double Minutes, string? Part,
    [property: Description("group of bolts that is worked")] string? Bolts, IReadOnlyList<StepPlaceDto> Places,
    [property: Description("a tick that the part looks the right way")] bool Facing,
    [property: Description("where practitioners do it in two ways: both, and why it is done like this")] string? Schools,
    [property: Description("round by round over the bolts; empty where none are worked")] IReadOnlyList<BoltRoundDto> Rounds,
    [property: Description("true where bolts come to their torque")] bool Tightens,
    [property: Description("true where new parts are laid ready")] bool Lays,
    [property: Description("what is to be noted while it is done; null where nothing is")] string? Notes,
    [property: Description("true where a photograph is to be taken")] bool Photo);

/// <summary>One round over the bolts of a group.</summary>
public sealed record BoltRoundDto(
    string Name, IReadOnlyList<int> Order,
    [property: Description("what the wrench is set to, in all units")] IReadOnlyList<string> InAllUnits);

public sealed record PartCountDto(string Part, string Name, int Count, IReadOnlyList<ServicePlaceDto> Places, string Why);

public sealed record KitCountDto(
    string Kit, int Count, IReadOnlyDictionary<string, int> Covers, IReadOnlyDictionary<string, int> LeftOver);

public sealed record BoltPlaceDto(int Number, double X, double Y);

public sealed record PointDto(double X, double Y);

public sealed record ShapeDto(
    [property: Description("outline, line, disc or words")] string Kind,
    [property: Description("part, house, leader, name, note or aside: what it stands for")] string Ink, IReadOnlyList<PointDto> Points,
    [property: Description("what it belongs to: a part, a bolt, a place")] string? Key, double? Radius, string? Text,
    [property: Description("start, middle or end")] string? Anchor);

public sealed record PictureDto(double Width, double Height, IReadOnlyList<ShapeDto> Shapes);

public sealed record StackDto(
    string Id, string Name, [property: Description("valve, inlet, discharge, cylinder or pump: how often it is there")] string Per,
    [property: Description("ids of the parts in it")] IReadOnlyList<string> Parts, PictureDto Drawing);

public sealed record BoltPassDto(double Share, QuantityDto? Torque, IReadOnlyList<string> InAllUnits);

public sealed record BoltGroupDto(
    string Group, string Name,
    [property: Description("true where size and grade give an estimate for want of the maker's figure")] bool Ceiling,
    string Pattern, IReadOnlyList<BoltPlaceDto> Places, IReadOnlyList<int> Loosen, IReadOnlyList<int> Start,
    IReadOnlyList<int> Snug, IReadOnlyList<int> Tighten, IReadOnlyList<BoltPassDto> Passes, QuantityDto? Torque,
    [property: Description("sheet, estimate (the bolt’s ceiling), or none: then the maker's sheet has to be found")] string Basis,
    [property: Description("the torque in newton metres, foot-pounds and inch-pounds")] IReadOnlyList<string> InAllUnits,
    [property: Description("asked where the torque is hard to believe")] string? Doubt, string? Note,
    [property: Description("how the thread is dressed, where it was noted: a torque holds for that only")] string? Dressing,
    PictureDto Drawing, [property: Description("plain, one-level, snug or by-hand")] string Steps, string? Wrench,
    [property: Description("square drive, inches")] string? Drive);

public sealed record FindingDto(
    string Id, string Name, [property: Description("worn or failed")] string State, string? Cause,
    [property: Description("what else to look at")] string? Then,
    [property: Description("the piece with what is to be seen on it; null where words are enough")] PictureDto? Drawing);

/// <summary>What can be found at one kind of part.</summary>
public sealed record PartKindDto(
    string Kind, [property: Description("true for what is pressed by hand and tried by suction")] bool Tested,
    [property: Description("what is measured at it")] IReadOnlyList<string> Measured, IReadOnlyList<FindingDto> Findings);

public sealed record MeasureDto(
    string Name, [property: Description("limits of the pump's own figures")] LimitDto? Limit);

public sealed record InspectionDto(
    [property: Description("key of its cell in the map")] string Id, string Part, string Name, ServicePlaceDto Place,
    IReadOnlyList<string> Look, string Kind, IReadOnlyList<MeasureDto> Measures);

public sealed record ServicePlanResponse(
    string Sheet, string Name, IReadOnlyList<PartAtDto> Opens, IReadOnlyList<PartNameDto> Stays, IReadOnlyList<ServiceStepDto> Steps,
    IReadOnlyList<PartCountDto> Parts, IReadOnlyList<KitCountDto> Kits,
    [property: Description("parts that no kit holds, by id")] IReadOnlyDictionary<string, int> BesideKits,
    IReadOnlyList<BoltGroupDto> Bolts, IReadOnlyList<InspectionDto> Inspect, IReadOnlyList<HazardDto> Hazards,
    IReadOnlyList<string> Tools, IReadOnlyList<string> Consumables, IReadOnlyList<string> Leave, double Minutes,
    [property: Description("what lies in each cavity that is opened")] IReadOnlyList<StackDto> Stacks,
    [property: Description("every place that is looked at, seen from above")] PictureDto Map,
    [property: Description("what to do with a part that will not come")] IReadOnlyList<string> Stuck,
    [property: Description("what can be found, by kind of part")] IReadOnlyList<PartKindDto> Kinds,
    [property: Description("what parts and kits cost; null where nothing has a price")] PartsCostDto? Cost);

/// <summary>Money for parts, and what it leaves out for want of a price.</summary>
public sealed record PartsCostDto(double Parts, string Currency, IReadOnlyList<string> WithoutPrice);
