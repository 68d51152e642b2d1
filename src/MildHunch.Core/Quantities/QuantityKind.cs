namespace MildHunch.Core.Quantities;

/// <summary>What is measured. Gauge and absolute pressure are different things and never mix.</summary>
public enum QuantityKind
{
    GaugePressure,
    AbsolutePressure,
    VolumeFlow,
    Length,
    Area,
    Volume,
    RotationalSpeed,
    Torque,
    Power,
    Temperature,
    Density,
    Duration,
    Current,
    Voltage,
    Compliance,
    Velocity,
    Force,

    /// <summary>How many.</summary>
    Count,

    /// <summary>A share of something: 1 is all of it.</summary>
    Ratio,
}
