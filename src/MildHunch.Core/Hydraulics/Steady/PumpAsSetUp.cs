using MildHunch.Core.Fluids;
using MildHunch.Core.Hydraulics.Cycle;
using MildHunch.Core.Hydraulics.Motion;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;

namespace MildHunch.Core.Hydraulics.Steady;

/// <summary>A pump as set up, in SI units: everything of the balance that no condition changes. Nothing in it changes.</summary>
internal sealed class PumpAsSetUp
{
    /// <summary>Chambers up to which a turn swings too far to be read from a table.</summary>
    private const int FewChambers = 2;
    private readonly double clearance;
    private readonly double slip;

    private PumpAsSetUp(ReciprocatingPump pump, Setup setup)
    {
        (Pump, Setup) = (pump, setup);
        (clearance, slip) = (pump.Clearance, pump.Slip);
        SpeedHz = setup.Drive?.NoLoad.Si ?? setup.Speed.Si;
        Motion = PumpMotion.Of(pump, SpeedHz);
        VolumeM3 = pump.Cylinders * pump.SweptVolume.Si;
        AreaSum = pump.Cylinders * (1 + pump.RodSideShare);
        Compressibility = Compressibility.Of(setup.Liquid, setup.Temperature, pump.RatedPressure.Si);
        Density = setup.Liquid.Density(setup.Temperature).Si;
        Viscosity = setup.Liquid.Viscosity(setup.Temperature);
        SettingPa = pump.Control is ControlKind.None ? double.PositiveInfinity : setup.ControlSetting?.Si ?? double.PositiveInfinity;
        ReliefPa = setup.Relief?.Si ?? double.PositiveInfinity;
        OilLimitPa = setup.OilPressure is { } oil && pump.OilRatio > 0
            ? oil.Si * pump.OilRatio * (1 - ReciprocatingPump.IntensifierFriction)
            : double.PositiveInfinity;
        VapourPa = setup.Liquid.VapourPressure(setup.Temperature).Si;
        SourcePa = setup.SupplyPressure.Si + PhysicalConstants.StandardAirPa
            + (Density * PhysicalConstants.Gravity * (setup.Inlet?.Level.Si ?? 0));
        InletResistance = ResistanceOf(setup, VolumeM3 * SpeedHz, Density, SourcePa - VapourPa);
        HighestPa = 40 * Math.Max(pump.RatedPressure.Si, 1e6);
        Turn = TurnTable.Of(Motion);
        Column = new SuctionColumn(pump, setup, Motion, SpeedHz, InletResistance);
        if (Motion.Chambers <= FewChambers)
            return;
        ForwardCycles = CycleTable.For(Motion, LeakStroke.Forward);
        ReturnCycles = CycleTable.For(Motion, LeakStroke.Return);
    }

    public ReciprocatingPump Pump { get; }

    public Setup Setup { get; }

    /// <summary>Turns a second as believed, without load.</summary>
    public double SpeedHz { get; }

    public PumpMotion Motion { get; }

    /// <summary>One turn at even angles, all sound.</summary>
    public TurnTable Turn { get; }

    /// <summary>The liquid between source and inlet valves.</summary>
    public SuctionColumn Column { get; }

    /// <summary>How the pressure goes over a turn in which one chamber leaks forward; null where it is followed step by step.</summary>
    public CycleTable? ForwardCycles { get; }

    /// <summary>The same for a leak on the return stroke.</summary>
    public CycleTable? ReturnCycles { get; }

    /// <summary>Swept in one turn, m³.</summary>
    public double VolumeM3 { get; }

    /// <summary>Areas of all chambers over that of one plunger.</summary>
    public double AreaSum { get; }

    public Compressibility Compressibility { get; }

    public double Density { get; }

    public double Viscosity { get; }

    /// <summary>Setting of the control, infinite where there is none; likewise relief valve and what the oil can push.</summary>
    public double SettingPa { get; }

    public double ReliefPa { get; }

    public double OilLimitPa { get; }

    /// <summary>At the source, absolute and at the height of the pump, Pa.</summary>
    public double SourcePa { get; }

    public double VapourPa { get; }

    /// <summary>Loss of the inlet over the square of the flow, Pa/(m³/s)².</summary>
    public double InletResistance { get; }

    /// <summary>No pressure is sought above this, Pa.</summary>
    public double HighestPa { get; }

    /// <summary>Theoretical flow as believed, m³/s.</summary>
    public double FullFlow => VolumeM3 * SpeedHz;

    /// <summary>Where a mean pressure can be read from the tables of the cycle.</summary>
    public bool HasCycles => ForwardCycles is not null;

    /// <summary>Of the swept volume, what squeezing and slip leave at this pressure.</summary>
    public double SentShare(double pressurePa) => 1 - (clearance * Compressibility.At(pressurePa)) - slip;

    /// <summary>The pump with this set-up.</summary>
    /// <exception cref="ImpossibleInputException">A set-up that cannot run.</exception>
    public static PumpAsSetUp Of(ReciprocatingPump pump, Setup setup)
    {
        var made = new PumpAsSetUp(pump, setup);
        if (made.SourcePa <= made.VapourPa)
            throw new ImpossibleInputException(
                "level", setup.Inlet!.Level.Format(Units.Find(QuantityKind.Length, "m")!),
                $"a level from which {setup.Liquid.Name} of that temperature can still be lifted");
        if (setup.State == ControlState.Bypassing && double.IsInfinity(Math.Min(made.SettingPa, made.ReliefPa))
            && pump.Control != ControlKind.Unloader && double.IsInfinity(made.OilLimitPa))
            throw new ImpossibleInputException(
                "state", "bypassing", "an outlet that stays open: this pump has no control or relief valve with a known setting to go to");
        return made;
    }

    /// <summary>A first guess of the pressure at this flow.</summary>
    public double StartPa()
    {
        var k = Setup.Nozzle.Coefficient;
        var free = Setup.Nozzle.OpensAtPa is { } opens ? opens + (FullFlow / k) : FullFlow / k * (FullFlow / k);
        return Math.Min(free, Math.Min(Math.Min(SettingPa, ReliefPa), Math.Min(OilLimitPa, HighestPa)));
    }

    private static double ResistanceOf(Setup setup, double flow, double density, double drivePa)
    {
        if (setup.Inlet is not { } inlet)
            return drivePa / Math.Pow(OperatingPointSolver.OrdinaryInlet * flow, 2);
        var area = Math.PI / 4 * inlet.Run.Bore.Si * inlet.Run.Bore.Si;
        var injector = setup.Injector == InjectorPlace.Inlet ? 1.0 : 0;
        return PipeFlow.Resistance(inlet.Run, setup.Liquid, setup.Temperature, flow)
            + ((inlet.Strainer + injector) * density / (2 * area * area));
    }
}

/// <summary>Pressure (Pa) and flow (m³/s) of the sound pump, to which the sizes of leaks are referred.</summary>
internal readonly record struct SoundReference(double PressurePa, double Flow)
{
    /// <summary>Orifice that passes this flow at this pressure, m³/s per √Pa.</summary>
    public double Orifice => Flow / Math.Sqrt(PressurePa);
}
