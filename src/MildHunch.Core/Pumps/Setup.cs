using MildHunch.Core.Fluids;
using MildHunch.Core.Quantities;

namespace MildHunch.Core.Pumps;

/// <summary>What the technician believes about how the pump is run. Anything left out widens the bands.</summary>
public sealed record Setup
{
    private Setup()
    {
    }

    /// <summary>Speed of the crank as believed; with a <see cref="Drive"/>, its speed without load.</summary>
    public RotationalSpeed Speed { get; private init; }

    /// <summary>All nozzles together, or the process.</summary>
    public Nozzle Nozzle { get; private init; } = null!;

    /// <summary>Pressure at which unloader, regulator or relief opens; null when not known.</summary>
    public GaugePressure? ControlSetting { get; private init; }

    /// <summary>What lies between pump and nozzle.</summary>
    public OutletLine Line { get; private init; }

    /// <summary>What is pumped.</summary>
    public Liquid Liquid { get; private init; } = Liquid.PlainWater;

    /// <summary>Of the liquid at the inlet.</summary>
    public Temperature Temperature { get; private init; }

    /// <summary>Gauge pressure at the source: 0 for an open tank.</summary>
    public GaugePressure SupplyPressure { get; private init; }

    /// <summary>Line voltage of a three-phase motor; null when another driver turns the pump.</summary>
    public Voltage? Voltage { get; private init; }

    /// <summary>What turns it; null when the speed was simply given.</summary>
    public Drive? Drive { get; private init; }

    /// <summary>Suction hose and level; null when nobody measured them.</summary>
    public InletSide? Inlet { get; private init; }

    /// <summary>Hose or pipe between pump and nozzle; null when nobody measured it.</summary>
    public LineRun? Outlet { get; private init; }

    /// <summary>A pulsation dampener; null when none.</summary>
    public Dampener? Dampener { get; private init; }

    /// <summary>A relief valve beside the control; null when none.</summary>
    public GaugePressure? Relief { get; private init; }

    /// <summary>Where a chemical injector sits; null when none.</summary>
    public InjectorPlace? Injector { get; private init; }

    /// <summary>Working, or with the outlet shut.</summary>
    public ControlState State { get; private init; }

    /// <summary>Oil pressure at which the supply of an intensifier holds back; null on all others.</summary>
    public GaugePressure? OilPressure { get; private init; }

    /// <summary>Full scale of the gauge at the head, from zero; null when nobody said, then 1.6 times the pump's rating is taken.</summary>
    public GaugePressure? GaugeSpan { get; private init; }

    /// <summary>The set-up, or <see cref="ImpossibleInputException"/> naming the field that cannot be.</summary>
    /// <exception cref="ImpossibleInputException">A set-up that cannot be; it names the field.</exception>
    public static Setup Create(
        RotationalSpeed speed,
        Nozzle nozzle,
        GaugePressure? controlSetting = null,
        OutletLine line = OutletLine.Unknown,
        Temperature? temperature = null,
        GaugePressure? supplyPressure = null,
        Voltage? voltage = null,
        Liquid? liquid = null,
        Drive? drive = null,
        InletSide? inlet = null,
        LineRun? outlet = null,
        Dampener? dampener = null,
        GaugePressure? relief = null,
        InjectorPlace? injector = null,
        ControlState state = ControlState.Working,
        GaugePressure? oilPressure = null,
        GaugePressure? gaugeSpan = null)
    {
        Guard.Within("speed", speed.Si, 0.01, 100, speed.Format(Units.Rpm), "0.6 to 6000 rpm");
        if (controlSetting is { } set)
            Guard.Within("controlSetting", set.Si, 5e4, 1e8, set.Format(Units.Bar), "a setting of 0.5 to 1000 bar");
        if (relief is { } valve)
            Guard.Within("relief", valve.Si, 5e4, 6.5e8, valve.Format(Units.Bar), "a relief valve set to 0.5 to 6500 bar");
        if (oilPressure is { } oil)
            Guard.Within("oilPressure", oil.Si, 1e5, 1e8, oil.Format(Units.Bar), "an oil pressure of 1 to 1000 bar");
        if (gaugeSpan is { } span)
            Guard.Within("gaugeSpan", span.Si, 1e5, 1e9, span.Format(Units.Bar), "a gauge that reads up to 1 to 10000 bar");
        var warm = temperature ?? Quantity.From<Temperature>(20, Units.Celsius);
        var pumped = liquid ?? Liquid.PlainWater;
        var vapour = pumped.VapourPressure(warm).Si;
        var supply = supplyPressure ?? default;
        Guard.Within("supplyPressure", supply.Si, -9e4, 2e6, supply.Format(Units.Bar), "−0.9 to 20 bar at the source");
        if (supply.Si + AbsolutePressure.StandardAir.Si <= vapour)
            throw new ImpossibleInputException(
                "supplyPressure", supply.Format(Units.Bar), $"more than the vapour pressure: {pumped.Name} boils at that temperature");
        if (inlet is not null)
            Guard.Within(
                "level", inlet.Level.Si, -9, 100, inlet.Level.Format(Units.Find(QuantityKind.Length, "m")!),
                "a level 9 m below to 100 m above the pump");
        if (voltage is { } volts)
            Guard.Within("voltage", volts.Si, 24, 1000, volts.Format(Units.Volt), "24 to 1000 V between phases");
        if (outlet is not null && nozzle.OpensAtPa is null)
        {
            var bore = nozzle.OrificeOf(nozzle.Coefficient, pumped.Density(warm).Si);
            if (bore >= outlet.Bore.Si)
                throw new ImpossibleInputException(
                    "nozzle", new Length(bore).Format(Units.Millimetre),
                    $"a nozzle bore smaller than the {outlet.Bore.Format(Units.Millimetre)} line it sits on");
        }

        return new Setup
        {
            Speed = speed,
            Nozzle = nozzle,
            ControlSetting = controlSetting,
            Line = line,
            Temperature = warm,
            SupplyPressure = supply,
            Voltage = voltage,
            Liquid = pumped,
            Drive = drive,
            Inlet = inlet,
            Outlet = outlet,
            Dampener = dampener,
            Relief = relief,
            Injector = injector,
            State = state,
            OilPressure = oilPressure,
            GaugeSpan = gaugeSpan,
        };
    }

    /// <summary>The same set-up at a measured speed, which no drive can talk away.</summary>
    public Setup At(RotationalSpeed measured) => this with { Speed = measured, Drive = null };

    /// <summary>The same set-up as if nothing held the pressure but nozzle or process.</summary>
    public Setup Uncontrolled() => this with { ControlSetting = null, Relief = null };

    /// <summary>The same set-up with its control at another pressure.</summary>
    public Setup SetTo(GaugePressure pressure) => this with { ControlSetting = pressure };

    /// <summary>The same set-up with a measured nozzle.</summary>
    public Setup With(Nozzle measured) => this with { Nozzle = measured };
}
