using System.ComponentModel;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Service;

/// <summary>A kit: how many of which part it holds.</summary>
public sealed record KitDto(
    string? Name = null, IReadOnlyDictionary<string, int>? Holds = null,
    [property: Description("what one costs, in the shop’s currency")] double? Price = null);

/// <summary>A bolt as its head and its thread tell it: enough for an estimate where the maker’s torque is missing.</summary>
public sealed record BoltMakeDto(
    [property: Description("M5 to M24")] string? Size = null,
    [property: Description("5.6, 8.8, 10.9, 12.9 or A2-70")] string? Grade = null,
    [property: Description("steel, brass, aluminium or plastic: what it is screwed into")] string? Thread = null,
    [property: Description("dry, oiled, anti-seize, sealer or locker")] string? Dressing = null,
    [property: Description("how many and how they stand: a name of /api/bolt-patterns; as the sheet has it where left out")]
    string? Pattern = null,
    [property: Description("plain (30, 70, 100, 100 %), one-level, snug or by-hand")] string? Steps = null,
    [property: Description("shares of the torque, one a pass, the last one 1")] IReadOnlyList<double>? Shares = null,
    [property: Description("numbers in the order of tightening")] IReadOnlyList<int>? Tighten = null,
    [property: Description("numbers in the order of loosening; the reverse where left out")] IReadOnlyList<int>? Loosen = null,
    [property: Description("what fits them")] string? Wrench = null,
    [property: Description("square drive: 1/4, 3/8, 1/2, 3/4 or 1 inch")] string? Drive = null);

/// <summary>When it is due: after hours, or every so many changes of the seals.</summary>
public sealed record IntervalDto(double? Hours = null, int? SealChanges = null);

/// <summary>Between which bounds something measured at a part must lie; either may be left out.</summary>
public sealed record LimitDto(QuantityDto? Least = null, QuantityDto? Most = null);

/// <summary>A photograph and what it shows.</summary>
public sealed record PhotoOfDto(string? Hash = null, string? Of = null);

/// <summary>What the shop knows of this pump beyond the sheet that ships.</summary>
public sealed record PumpSheetDto(
    [property: Description("id of the sheet where the pump has two")] string? Id = null,
    [property: Description("ids of the choices made where the sheet has versions")] IReadOnlyList<string>? Choices = null,
    [property: Description("torque of a group of bolts by its id")] IReadOnlyDictionary<string, QuantityDto>? Torques = null,
    [property: Description("the bolts of a group by its id")] IReadOnlyDictionary<string, BoltMakeDto>? Bolts = null,
    IReadOnlyList<KitDto>? Kits = null,
    [property: Description("price of one part by its id, where it is bought by itself")] IReadOnlyDictionary<string, double>? Prices = null,
    [property: Description("size of an o-ring or seal by the part’s id")] IReadOnlyDictionary<string, string>? Sizes = null,
    [property: Description("limits by part and what is measured: “plunger: diameter”")]
    IReadOnlyDictionary<string, LimitDto>? Limits = null,
    string? Oil = null, string? Grease = null, IntervalDto? Interval = null,
    [property: Description("what a new pump costs")] double? NewPump = null,
    IReadOnlyList<PhotoOfDto>? Photos = null);
