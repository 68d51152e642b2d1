using System.ComponentModel;
using MildHunch.Web.Diagnosis;
using MildHunch.Web.Pumps;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Service;

/// <summary>A part to renew or mend, or a fault; with its place where it has one.</summary>
public sealed record ServiceTargetDto(
    [property: Description("id of a part of the sheet, such as valve")] string? Part = null,
    [property: Description("id of a fault instead: every part at which it is mended")] string? Fault = null,
    int? Cylinder = null, [property: Description("inlet or discharge")] string? Side = null,
    [property: Description("left or right, on an intensifier")] string? End = null);

/// <summary>A kit: how many of which part it holds.</summary>
public sealed record KitDto(string? Name = null, IReadOnlyDictionary<string, int>? Holds = null);

/// <summary>What the shop knows of this pump beyond the sheet that ships.</summary>
public sealed record PumpSheetDto(
    [property: Description("id of the sheet where the pump has two")] string? Id = null,
    [property: Description("ids of the choices made where the sheet has versions")] IReadOnlyList<string>? Choices = null,
    [property: Description("torque of a group of bolts by its id")] IReadOnlyDictionary<string, QuantityDto>? Torques = null,
    IReadOnlyList<KitDto>? Kits = null);

public sealed record ServicePlanRequest(
    PumpDto? Pump, SetupDto? Setup = null, IReadOnlyList<ServiceTargetDto>? Targets = null,
    [property: Description("what-failed or whole-set")] string? Scope = null, PumpSheetDto? Sheet = null);

public sealed record ServicePlaceDto(int? Cylinder, string? Side, string? End);

public sealed record PartAtDto(string Part, string Name, ServicePlaceDto Place);

public sealed record PartNameDto(string Part, string Name);

public sealed record ServiceStepDto(
    string Id, string Stage, string Text, string? Why, IReadOnlyList<string> Mind, IReadOnlyList<string> Tools, string? Better,
    IReadOnlyList<string> Consumables, IReadOnlyList<string> Hazards, string Machine, double Minutes, string? Part,
    [property: Description("group of bolts that is worked")] string? Bolts, IReadOnlyList<ServicePlaceDto> Places,
    [property: Description("a tick that the part looks the right way")] bool Facing);

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

public sealed record BoltPassDto(double Share, QuantityDto? Torque);

public sealed record BoltGroupDto(
    string Group, string Name, string Pattern, IReadOnlyList<BoltPlaceDto> Places, IReadOnlyList<int> Loosen, IReadOnlyList<int> Start,
    IReadOnlyList<int> Snug, IReadOnlyList<int> Tighten, IReadOnlyList<BoltPassDto> Passes, QuantityDto? Torque,
    [property: Description("sheet, or none: then the maker's sheet has to be found")] string Basis,
    [property: Description("the torque in newton metres, foot-pounds and inch-pounds")] IReadOnlyList<string> InAllUnits,
    [property: Description("asked where the torque is hard to believe")] string? Doubt, string? Note,
    PictureDto Drawing);

public sealed record InspectionDto(
    [property: Description("key of its cell in the map")] string Id, string Part, string Name, ServicePlaceDto Place,
    IReadOnlyList<string> Look);

public sealed record ServicePlanResponse(
    string Sheet, string Name, IReadOnlyList<PartAtDto> Opens, IReadOnlyList<PartNameDto> Stays, IReadOnlyList<ServiceStepDto> Steps,
    IReadOnlyList<PartCountDto> Parts, IReadOnlyList<KitCountDto> Kits,
    [property: Description("parts that no kit holds, by id")] IReadOnlyDictionary<string, int> BesideKits,
    IReadOnlyList<BoltGroupDto> Bolts, IReadOnlyList<InspectionDto> Inspect, IReadOnlyList<HazardDto> Hazards,
    IReadOnlyList<string> Tools, IReadOnlyList<string> Consumables, IReadOnlyList<string> Leave, double Minutes,
    [property: Description("what lies in each cavity that is opened")] IReadOnlyList<StackDto> Stacks,
    [property: Description("every place that is looked at, seen from above")] PictureDto Map);
