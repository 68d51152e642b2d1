namespace MildHunch.Core.Quantities;

/// <summary>What is measured. Gauge and absolute pressure are different things and never mix.</summary>
public enum QuantityKind
{
    /// <summary>Pressure above the air's, Pa.</summary>
    GaugePressure,
    /// <summary>Pressure above none, Pa.</summary>
    AbsolutePressure,
    /// <summary>m³/s.</summary>
    VolumeFlow,
    /// <summary>m.</summary>
    Length,
    /// <summary>m².</summary>
    Area,
    /// <summary>m³.</summary>
    Volume,
    /// <summary>Turns a second.</summary>
    RotationalSpeed,
    /// <summary>N·m.</summary>
    Torque,
    /// <summary>W.</summary>
    Power,
    /// <summary>K.</summary>
    Temperature,
    /// <summary>kg/m³.</summary>
    Density,
    /// <summary>s.</summary>
    Duration,
    /// <summary>A.</summary>
    Current,
    /// <summary>V.</summary>
    Voltage,
    /// <summary>m³/Pa.</summary>
    Compliance,
    /// <summary>m/s.</summary>
    Velocity,
    /// <summary>N.</summary>
    Force,

    /// <summary>How many.</summary>
    Count,

    /// <summary>A share of something: 1 is all of it.</summary>
    Ratio,
}
