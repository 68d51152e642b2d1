using MildHunch.Core.Quantities;

namespace MildHunch.Core.Pumps;

/// <summary>What the technician believes about how the pump is run. Anything left out widens the bands.</summary>
public sealed record Setup
{
    private Setup()
    {
    }

    public RotationalSpeed Speed { get; private init; }

    public Nozzle Nozzle { get; private init; } = null!;

    /// <summary>Pressure at which unloader, regulator or relief opens; null when not known.</summary>
    public GaugePressure? ControlSetting { get; private init; }

    public OutletLine Line { get; private init; }

    public Temperature Temperature { get; private init; }

    /// <summary>Gauge pressure at the source: 0 for an open tank level with the pump.</summary>
    public GaugePressure SupplyPressure { get; private init; }

    /// <summary>Line voltage of a three-phase motor; null when another driver turns the pump.</summary>
    public Voltage? Voltage { get; private init; }

    /// <summary>The set-up, or <see cref="ImpossibleInputException"/> naming the field that cannot be.</summary>
    public static Setup Create(
        RotationalSpeed speed,
        Nozzle nozzle,
        GaugePressure? controlSetting = null,
        OutletLine line = OutletLine.Unknown,
        Temperature? temperature = null,
        GaugePressure? supplyPressure = null,
        Voltage? voltage = null)
    {
        Guard.Within("speed", speed.Si, 5 / 60.0, 100, speed.Format(Units.Rpm), "5 to 6000 rpm");
        if (controlSetting is { } set)
            Guard.Within("controlSetting", set.Si, 5e4, 1e8, set.Format(Units.Bar), "a setting of 0.5 to 1000 bar");
        var warm = temperature ?? Quantity.From<Temperature>(20, Units.Celsius);
        Guard.Within("temperature", warm.Si, 273.15, 372.15, warm.Format(Units.Celsius), "water of 0 to 99 °C");
        var supply = supplyPressure ?? default;
        Guard.Within("supplyPressure", supply.Si, -9e4, 2e6, supply.Format(Units.Bar), "−0.9 to 20 bar at the source");
        if (voltage is { } volts)
            Guard.Within("voltage", volts.Si, 24, 1000, volts.Format(Units.Volt), "24 to 1000 V between phases");
        return new Setup
        {
            Speed = speed,
            Nozzle = nozzle,
            ControlSetting = controlSetting,
            Line = line,
            Temperature = warm,
            SupplyPressure = supply,
            Voltage = voltage,
        };
    }

    /// <summary>The same set-up at a measured speed.</summary>
    public Setup At(RotationalSpeed measured) => this with { Speed = measured };

    /// <summary>The same set-up with a measured nozzle.</summary>
    public Setup With(Nozzle measured) => this with { Nozzle = measured };
}
