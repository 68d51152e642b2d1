using System.ComponentModel;

namespace MildHunch.Web.Shared;

/// <summary>A value with its unit, as typed: { "value": 142, "unit": "bar" }.</summary>
public sealed record QuantityDto(double Value, string Unit);

/// <summary>What the nozzle passes, told in one of three ways.</summary>
public sealed record NozzleDto(QuantityDto? Flow = null, QuantityDto? At = null, double? Size = null, QuantityDto? Orifice = null);

/// <summary>What the pump is.</summary>
public sealed record PumpDto(
    [property: Description("crank-plunger")] string? Arrangement,
    int? Cylinders,
    QuantityDto? PlungerDiameter,
    QuantityDto? Stroke,
    double? RodRatio,
    QuantityDto? RatedSpeed,
    QuantityDto? RatedPressure,
    [property: Description("unloader, regulator, auto-stop, relief or none")] string? Control,
    [property: Description("six-caps or stacked-bore")] string? HeadLayout = null,
    [property: Description("inlet or weep")] string? SealReturn = null,
    IReadOnlyList<int>? FiringOrder = null);

/// <summary>How it is run, as the technician believes.</summary>
public sealed record SetupDto(
    QuantityDto? Speed,
    NozzleDto? Nozzle,
    QuantityDto? ControlSetting = null,
    [property: Description("hose, rigid or unknown")] string? Line = null,
    [property: Description("water")] string? Liquid = null,
    QuantityDto? Temperature = null,
    QuantityDto? SupplyPressure = null,
    QuantityDto? Voltage = null);

/// <summary>A number read at the pump.</summary>
public sealed record ReadingDto(string? Quantity, QuantityDto? Value, QuantityDto? Uncertainty = null);

/// <summary>A cue as answered.</summary>
public sealed record CueDto(string? Cue, string? Answer, int? Cylinder = null, string? Side = null, double? DropsPerMinute = null);
