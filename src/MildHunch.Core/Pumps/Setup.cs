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

    /// <summary>The set-up, or <see cref="ImpossibleInputException"/> naming every field that cannot be.</summary>
    /// <exception cref="ImpossibleInputException">A set-up that cannot be; it names every such field.</exception>
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
        var told = new SetupAsTold
        {
            Speed = speed,
            Nozzle = nozzle,
            ControlSetting = controlSetting,
            Temperature = temperature,
            SupplyPressure = supplyPressure,
            Voltage = voltage,
            Liquid = liquid,
            Inlet = inlet,
            Outlet = outlet,
            Relief = relief,
            OilPressure = oilPressure,
            GaugeSpan = gaugeSpan,
        };
        var objections = new Objections();
        told.Judge(objections);
        objections.ThrowIfAny();
        return new Setup
        {
            Speed = speed,
            Nozzle = nozzle,
            ControlSetting = controlSetting,
            Line = line,
            Temperature = told.Warm,
            SupplyPressure = supplyPressure ?? default,
            Voltage = voltage,
            Liquid = told.Pumped,
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
