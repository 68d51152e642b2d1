using System.ComponentModel;

namespace MildHunch.Web.Shared;

/// <summary>A value with its unit, as typed: { "value": 142, "unit": "bar" }.</summary>
public sealed record QuantityDto(double Value, string Unit);

/// <summary>A process with a back pressure instead of a nozzle: nothing below opensAt, then in proportion.</summary>
public sealed record ProcessDto(QuantityDto? OpensAt, QuantityDto? Flow, QuantityDto? At);

/// <summary>What the nozzle passes, told in one of four ways; count of them side by side.</summary>
public sealed record NozzleDto(
    QuantityDto? Flow = null, QuantityDto? At = null, double? Size = null, QuantityDto? Orifice = null, ProcessDto? Process = null,
    int? Count = null);

/// <summary>What the pump is. One of plungerDiameter, stroke and ratedSpeed may be left out where ratedFlow is told.</summary>
public sealed record PumpDto(
    [property: Description("crank-plunger, flow-through, axial, twin-piston or intensifier")] string? Arrangement,
    int? Cylinders,
    QuantityDto? PlungerDiameter,
    QuantityDto? Stroke,
    double? RodRatio,
    QuantityDto? RatedSpeed,
    QuantityDto? RatedPressure,
    [property: Description("unloader, regulator, auto-stop, relief or none")] string? Control,
    [property: Description("six-caps or stacked-bore")] string? HeadLayout = null,
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
    [property: Description("of an intensifier: standing still at the end of a stroke")] QuantityDto? ShiftTime = null);

/// <summary>What turns the pump: a three-phase motor or a governed engine, by belt, gear or direct.</summary>
public sealed record DriveDto(
    [property: Description("motor or engine")] string? Kind,
    QuantityDto? RatedPower,
    int? Poles = null,
    QuantityDto? Frequency = null,
    [property: Description("slip of a motor, droop of an engine at rated power, a share")] double? Droop = null,
    QuantityDto? NoLoadSpeed = null,
    QuantityDto? DriverPulley = null,
    QuantityDto? PumpPulley = null,
    double? GearRatio = null);

/// <summary>A run of hose or pipe.</summary>
public sealed record RunDto(
    QuantityDto? Length,
    QuantityDto? Bore,
    [property: Description("hose, steel or plastic")] string? Material = null,
    [property: Description("loss coefficients of fittings, in velocity heads")] double? Fittings = null);

/// <summary>The suction side.</summary>
public sealed record InletDto(
    RunDto? Run, [property: Description("source above the pump")] QuantityDto? Level = null,
    [property: Description("strainer and foot valve, in velocity heads")] double? Strainer = null);

public sealed record DampenerDto(QuantityDto? GasVolume, QuantityDto? Charge);

/// <summary>How it is run, as the technician believes.</summary>
public sealed record SetupDto(
    QuantityDto? Speed,
    NozzleDto? Nozzle,
    QuantityDto? ControlSetting = null,
    [property: Description("hose, rigid or unknown")] string? Line = null,
    [property: Description("water, seawater, brine, glycol or oil")] string? Liquid = null,
    QuantityDto? Temperature = null,
    QuantityDto? SupplyPressure = null,
    QuantityDto? Voltage = null,
    [property: Description("seawater g/kg, brine and glycol per cent, oil its viscosity grade")] double? LiquidStrength = null,
    DriveDto? Drive = null,
    InletDto? Inlet = null,
    RunDto? Outlet = null,
    DampenerDto? Dampener = null,
    QuantityDto? Relief = null,
    [property: Description("inlet or outlet")] string? Injector = null,
    [property: Description("working, or bypassing with the outlet shut")] string? State = null,
    [property: Description("of an intensifier")] QuantityDto? OilPressure = null,
    [property: Description("what the gauge at the head reads up to; 1.6 times the rating where nothing is said")]
    QuantityDto? GaugeSpan = null);

/// <summary>A fault laid on a pump: severity 0 to 1, and where.</summary>
public sealed record FaultLoadDto(string? Fault, double? Severity, int? Cylinder = null, string? Side = null);

/// <summary>A number read at the pump.</summary>
public sealed record ReadingDto(
    string? Quantity, QuantityDto? Value, QuantityDto? Uncertainty = null,
    [property: Description("upper end, where a range was read: 28 to 46 bar is a mean and a swing")] QuantityDto? To = null,
    [property: Description("before or after a mend; what was read before no longer counts once something was read after")]
    string? At = null,
    [property: Description("what the verdict calls it; readings[0] and so on where nothing is said")] string? Id = null);

/// <summary>Hours a part has run since it was new.</summary>
public sealed record PartHoursDto(string? Part, double? Hours, int? Cylinder = null);

/// <summary>What cannot or must not be done today.</summary>
public sealed record LimitsDto(
    [property: Description("tools that are not at hand")] IReadOnlyList<string>? Without = null,
    [property: Description("the plant must not be stopped")] bool? KeepRunning = null,
    double? MostMinutes = null,
    [property: Description("only what an apprentice may do alone")] bool? Apprentice = null,
    [property: Description("hazards nobody answers for today")] IReadOnlyList<string>? Avoid = null);

/// <summary>A cue as answered.</summary>
public sealed record CueDto(
    string? Cue, string? Answer, int? Cylinder = null, string? Side = null, double? DropsPerMinute = null,
    [property: Description("left or right, on an intensifier; the left one is also cylinder 1")] string? End = null,
    [property: Description("it runs rather than drips: more than anyone counts")] bool? Stream = null,
    [property: Description("running: drips only while the pump runs; standing: also while it stands")] string? When = null,
    [property: Description("before or after a mend; once anything was told after one, only that counts")] string? At = null,
    [property: Description("what the verdict calls it; cues[0] and so on where nothing is said")] string? Id = null);
