namespace MildHunch.Core.Quantities;

/// <summary>A typed physical quantity, held in its SI unit. Nothing else is stored, so no unit can be forgotten.</summary>
public interface IQuantity<TSelf>
    where TSelf : struct, IQuantity<TSelf>
{
    /// <summary>What is measured.</summary>
    static abstract QuantityKind Kind { get; }

    /// <summary>The quantity of this value in SI.</summary>
    static abstract TSelf FromSi(double si);

    /// <summary>Its value in SI.</summary>
    double Si { get; }
}

/// <summary>Pressure above the surrounding air, pascal.</summary>
public readonly record struct GaugePressure(double Si) : IQuantity<GaugePressure>
{
    /// <inheritdoc/>
    public static QuantityKind Kind => QuantityKind.GaugePressure;

    /// <inheritdoc/>
    public static GaugePressure FromSi(double si) => new(si);

    /// <summary>The same pressure counted from vacuum, given the air pressure at the place.</summary>
    public AbsolutePressure ToAbsolute(AbsolutePressure air) => new(Si + air.Si);
}

/// <summary>Pressure above vacuum, pascal.</summary>
public readonly record struct AbsolutePressure(double Si) : IQuantity<AbsolutePressure>
{
    /// <summary>Standard atmosphere, 101 325 Pa (ISO 2533).</summary>
    public static readonly AbsolutePressure StandardAir = new(PhysicalConstants.StandardAirPa);

    /// <inheritdoc/>
    public static QuantityKind Kind => QuantityKind.AbsolutePressure;

    /// <inheritdoc/>
    public static AbsolutePressure FromSi(double si) => new(si);

    /// <summary>The same pressure counted from the surrounding air.</summary>
    public GaugePressure ToGauge(AbsolutePressure air) => new(Si - air.Si);
}

/// <summary>Volume flow, cubic metre a second.</summary>
public readonly record struct VolumeFlow(double Si) : IQuantity<VolumeFlow>
{
    /// <inheritdoc/>
    public static QuantityKind Kind => QuantityKind.VolumeFlow;

    /// <inheritdoc/>
    public static VolumeFlow FromSi(double si) => new(si);
}

/// <summary>Length, metre.</summary>
public readonly record struct Length(double Si) : IQuantity<Length>
{
    /// <inheritdoc/>
    public static QuantityKind Kind => QuantityKind.Length;

    /// <inheritdoc/>
    public static Length FromSi(double si) => new(si);
}

/// <summary>Area, square metre.</summary>
public readonly record struct Area(double Si) : IQuantity<Area>
{
    /// <inheritdoc/>
    public static QuantityKind Kind => QuantityKind.Area;

    /// <inheritdoc/>
    public static Area FromSi(double si) => new(si);

    /// <summary>Circle of this diameter.</summary>
    public static Area OfCircle(Length diameter) => new(Math.PI / 4 * diameter.Si * diameter.Si);
}

/// <summary>Volume, cubic metre.</summary>
public readonly record struct Volume(double Si) : IQuantity<Volume>
{
    /// <inheritdoc/>
    public static QuantityKind Kind => QuantityKind.Volume;

    /// <inheritdoc/>
    public static Volume FromSi(double si) => new(si);
}

/// <summary>Rotational speed, revolutions a second.</summary>
public readonly record struct RotationalSpeed(double Si) : IQuantity<RotationalSpeed>
{
    /// <inheritdoc/>
    public static QuantityKind Kind => QuantityKind.RotationalSpeed;

    /// <inheritdoc/>
    public static RotationalSpeed FromSi(double si) => new(si);
}

/// <summary>Torque, newton metre.</summary>
public readonly record struct Torque(double Si) : IQuantity<Torque>
{
    /// <inheritdoc/>
    public static QuantityKind Kind => QuantityKind.Torque;

    /// <inheritdoc/>
    public static Torque FromSi(double si) => new(si);
}

/// <summary>Power, watt.</summary>
public readonly record struct Power(double Si) : IQuantity<Power>
{
    /// <inheritdoc/>
    public static QuantityKind Kind => QuantityKind.Power;

    /// <inheritdoc/>
    public static Power FromSi(double si) => new(si);
}

/// <summary>Temperature, kelvin.</summary>
public readonly record struct Temperature(double Si) : IQuantity<Temperature>
{
    /// <inheritdoc/>
    public static QuantityKind Kind => QuantityKind.Temperature;

    /// <inheritdoc/>
    public static Temperature FromSi(double si) => new(si);
}

/// <summary>Mass density, kilogram a cubic metre.</summary>
public readonly record struct Density(double Si) : IQuantity<Density>
{
    /// <inheritdoc/>
    public static QuantityKind Kind => QuantityKind.Density;

    /// <inheritdoc/>
    public static Density FromSi(double si) => new(si);
}

/// <summary>A span of time, second.</summary>
public readonly record struct Duration(double Si) : IQuantity<Duration>
{
    /// <inheritdoc/>
    public static QuantityKind Kind => QuantityKind.Duration;

    /// <inheritdoc/>
    public static Duration FromSi(double si) => new(si);
}

/// <summary>Electric current, ampere.</summary>
public readonly record struct Current(double Si) : IQuantity<Current>
{
    /// <inheritdoc/>
    public static QuantityKind Kind => QuantityKind.Current;

    /// <inheritdoc/>
    public static Current FromSi(double si) => new(si);
}

/// <summary>Voltage between phases, volt.</summary>
public readonly record struct Voltage(double Si) : IQuantity<Voltage>
{
    /// <inheritdoc/>
    public static QuantityKind Kind => QuantityKind.Voltage;

    /// <inheritdoc/>
    public static Voltage FromSi(double si) => new(si);
}

/// <summary>How much volume a line swallows for a rise in pressure, cubic metre a pascal.</summary>
public readonly record struct Compliance(double Si) : IQuantity<Compliance>
{
    /// <inheritdoc/>
    public static QuantityKind Kind => QuantityKind.Compliance;

    /// <inheritdoc/>
    public static Compliance FromSi(double si) => new(si);
}
