using MildHunch.Core.Fluids;
using MildHunch.Core.Quantities;

namespace MildHunch.Core.Pumps;

/// <summary>
/// What was told of how a pump is run, complete or not, and whether it can be. Meanings, units and ranges are those of
/// <see cref="Setup"/>; null is not told.
/// </summary>
public sealed record SetupAsTold
{
    /// <inheritdoc cref="Setup.Speed"/>
    public RotationalSpeed? Speed { get; init; }

    /// <inheritdoc cref="Setup.Nozzle"/>
    public Nozzle? Nozzle { get; init; }

    /// <inheritdoc cref="Setup.ControlSetting"/>
    public GaugePressure? ControlSetting { get; init; }

    /// <inheritdoc cref="Setup.Temperature"/>
    public Temperature? Temperature { get; init; }

    /// <inheritdoc cref="Setup.SupplyPressure"/>
    public GaugePressure? SupplyPressure { get; init; }

    /// <inheritdoc cref="Setup.Voltage"/>
    public Voltage? Voltage { get; init; }

    /// <inheritdoc cref="Setup.Liquid"/>
    public Liquid? Liquid { get; init; }

    /// <inheritdoc cref="Setup.Inlet"/>
    public InletSide? Inlet { get; init; }

    /// <inheritdoc cref="Setup.Outlet"/>
    public LineRun? Outlet { get; init; }

    /// <inheritdoc cref="Setup.Relief"/>
    public GaugePressure? Relief { get; init; }

    /// <inheritdoc cref="Setup.OilPressure"/>
    public GaugePressure? OilPressure { get; init; }

    /// <inheritdoc cref="Setup.GaugeSpan"/>
    public GaugePressure? GaugeSpan { get; init; }

    /// <summary>Temperature as told, else 20 °C.</summary>
    internal Temperature Warm => Temperature ?? Quantity.From<Temperature>(20, Units.Celsius);

    /// <summary>Liquid as told, else water.</summary>
    internal Liquid Pumped => Liquid ?? Fluids.Liquid.PlainWater;

    /// <summary>Objects to everything told that cannot be. What is missing is not objected to.</summary>
    public void Judge(Objections objections)
    {
        JudgePressures(objections);
        if (Speed is { } speed)
            objections.Within("speed", speed.Si, 0.01, 100, speed.Format(Units.Rpm), "0.6 to 6000 rpm");
        if (Voltage is { } volts)
            objections.Within("voltage", volts.Si, 24, 1000, volts.Format(Units.Volt), "24 to 1000 V between phases");
        if (Inlet is { Level: var level })
            objections.Within(
                "level", level.Si, -9, 100, level.Format(Units.Find(QuantityKind.Length, "m")!),
                "a level 9 m below to 100 m above the pump");
        // What hangs on the liquid is judged where that was understood.
        if (objections.Stands("liquid") && objections.Stands("liquidStrength") && objections.Stands("temperature"))
            JudgeLiquid(objections);
    }

    private void JudgePressures(Objections objections)
    {
        if (ControlSetting is { } set)
            objections.Within("controlSetting", set.Si, 5e4, 1e8, set.Format(Units.Bar), "a setting of 0.5 to 1000 bar");
        if (Relief is { } valve)
            objections.Within("relief", valve.Si, 5e4, 6.5e8, valve.Format(Units.Bar), "a relief valve set to 0.5 to 6500 bar");
        if (OilPressure is { } oil)
            objections.Within("oilPressure", oil.Si, 1e5, 1e8, oil.Format(Units.Bar), "an oil pressure of 1 to 1000 bar");
        if (GaugeSpan is { } span)
            objections.Within("gaugeSpan", span.Si, 1e5, 1e9, span.Format(Units.Bar), "a gauge that reads up to 1 to 10000 bar");
        if (SupplyPressure is { } supply)
            objections.Within("supplyPressure", supply.Si, -9e4, 2e6, supply.Format(Units.Bar), "−0.9 to 20 bar at the source");
    }

    // What the liquid's own properties decide, where it has any at that temperature.
    private void JudgeLiquid(Objections objections)
    {
        var vapour = objections.Take(() => (double?)Pumped.VapourPressure(Warm).Si);
        var supply = SupplyPressure ?? default;
        if (supply.Si + AbsolutePressure.StandardAir.Si <= vapour)
            objections.Add(
                "supplyPressure", supply.Format(Units.Bar), $"more than the vapour pressure: {Pumped.Name} boils at that temperature");
        if (vapour is null || Outlet is null || Nozzle is not { OpensAtPa: null } nozzle)
            return;
        var bore = nozzle.OrificeOf(nozzle.Coefficient, Pumped.Density(Warm).Si);
        if (bore >= Outlet.Bore.Si)
            objections.Add(
                "nozzle", new Length(bore).Format(Units.Millimetre),
                $"a nozzle bore smaller than the {Outlet.Bore.Format(Units.Millimetre)} line it sits on");
    }
}
