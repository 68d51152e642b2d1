using System.ComponentModel;
using MildHunch.Web.Records.Due;
using MildHunch.Web.Service;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Records.Life;

/// <summary>What the hour meter showed.</summary>
public sealed record MeterDto(
    string? Id = null, DateOnly? On = null, double? Hours = null,
    [property: Description("a new meter was fitted that day and showed this then")] bool? NewMeter = null, double? Strokes = null,
    string? By = null, string? CaseId = null);

/// <summary>A part changed by hand, or noted from paper.</summary>
public sealed record PartChangeRequest(
    [property: Description("id of the part on the pump’s sheet, or nozzle or oil")] string? Part = null, int? Cylinder = null,
    string? Side = null, string? End = null, DateOnly? On = null,
    [property: Description("hours of the pump that day; left out: as its meter has them")] double? Hours = null,
    [property: Description("failed, along or unsaid; left out where nothing came out")] string? Out = null,
    [property: Description("how it had failed")] string? Finding = null,
    [property: Description("false where nothing went in; true where left out")] bool? PutIn = null, string? By = null, string? Kit = null,
    string? Batch = null, DateOnly? Warranty = null, string? Note = null);

/// <summary>One part’s life at its place.</summary>
public sealed record PartLifeDto(
    [property: Description("the entry that fitted it; null where it was in before the record began")] string? Fitted, DateOnly? FittedOn,
    double? FittedHours, string? By, string? Kit, string? Batch, DateOnly? Warranty, string? FittedCase,
    [property: Description("the entry that took it out; null while it is in")] string? Out, DateOnly? OutOn, double? OutHours,
    string? Why, string? Finding, string? OutCase, [property: Description("hours it has run, or ran")] double? Ran);

/// <summary>A place of the pump and the lives of what was in it, the oldest first.</summary>
public sealed record PositionDto(
    string Key, string Part, string Kind, string Name, ServicePlaceDto Place, string Where, string Family,
    IReadOnlyList<PartLifeDto> Lives,
    [property: Description("chance that what is in fails before the next service, 0 to 1; null where nothing is known")] double? Chance);

/// <summary>A point of the probability plot: so many have failed by then.</summary>
public sealed record PlotPointDto(double Hours, double Failed);

/// <summary>How long a kind of part lasts, pooled over pumps alike.</summary>
public sealed record KindOfLifeDto(
    string Kind, string Name, string PumpType, string Liquid, LifeEstimateResponse Estimate, IReadOnlyList<PlotPointDto> Points,
    [property: Description("true where the catalogue’s life is heard beside the record")] bool Pooled,
    [property: Description("its chance of failing by hours, for the curve")] IReadOnlyList<PlotPointDto> Curve);

public sealed record PlaceCountedDto(string Place, int Events, double Expected);

/// <summary>A pattern, told or not.</summary>
public sealed record PatternDto(
    string Kind, string Family, string? Pump, string? Tag, string About, IReadOnlyList<PlaceCountedDto> Counts, string Leading, double P,
    double Evidence, bool Told, string Sentence);

public sealed record CaseOnRecordDto(string Id, string Complaint, DateTime OpenedAt, DateTime? ClosedAt, string? Closed, string? Leader);

/// <summary>A reading of a closed case beside what was expected.</summary>
public sealed record ReadingPointDto(DateOnly On, double? Hours, QuantityDto Value, QuantityDto Expected, bool After, string CaseId);

/// <summary>Readings of one quantity over the years, and where they are going.</summary>
public sealed record ReadingsOverYearsDto(
    string Quantity, string Name, string Unit, IReadOnlyList<ReadingPointDto> Points, DriftDto? Drift);

/// <summary>The straight line through the readings since the last mend, as a share of what was expected.</summary>
public sealed record DriftDto(
    [property: Description("share of the expected a year, −0.1 for a tenth less")] double PerYear, double Low, double High,
    [property: Description("told where the band does not hold 0")] bool Told, IReadOnlyList<DriftPointDto> Line, string Sentence);

public sealed record DriftPointDto(DateOnly On, double Share, double Low, double High);

/// <summary>Hours of the pump.</summary>
public sealed record PumpHoursDto(
    double? Now, double PerWeek, [property: Description("strokes since new, where the speed says so")] double? Strokes,
    IReadOnlyList<MeterDto> Readings);

/// <summary>All that is on record of one pump.</summary>
public sealed record PumpLifeResponse(
    string Id, string Tag, int Version, RunningDto Running, PumpHoursDto Hours, DateOnly Today, DateOnly From,
    IReadOnlyList<PositionDto> Positions,
    IReadOnlyList<KindOfLifeDto> Lives, IReadOnlyList<PatternDto> Patterns, IReadOnlyList<CaseOnRecordDto> Cases,
    IReadOnlyList<ReadingsOverYearsDto> Readings, IReadOnlyList<DueVisitDto> Due,
    [property: Description("entries that contradict one another, in words")] IReadOnlyList<string> Conflicts,
    [property: Description("since a cause was mended: how often before, how often since")] IReadOnlyList<string> Since,
    [property: Description("where this very pump stood before it was swapped, the last first")] IReadOnlyList<StoodDto> StoodAt,
    [property: Description("pumps that stood here before it, the last first")] IReadOnlyList<StoodDto> Before);
