using System.ComponentModel;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Pumps;

/// <summary>A process with a back pressure instead of a nozzle: nothing below opensAt, then in proportion.</summary>
public sealed record ProcessDto(QuantityDto? OpensAt, QuantityDto? Flow, QuantityDto? At);

/// <summary>What the nozzle passes, given in one of four ways; count of them side by side.</summary>
public sealed record NozzleDto(
    QuantityDto? Flow = null, QuantityDto? At = null, double? Size = null, QuantityDto? Orifice = null, ProcessDto? Process = null,
    int? Count = null);

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
    QuantityDto? GaugeSpan = null,
    [property: Description("what nobody said and was filled in from the plate: speed, nozzle, controlSetting")]
    IReadOnlyList<string>? Assumed = null);
