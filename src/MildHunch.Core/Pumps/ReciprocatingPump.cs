using MildHunch.Core.Quantities;

namespace MildHunch.Core.Pumps;

/// <summary>
/// A pump whose plungers or pistons go to and fro, of any arrangement of docs/trade.md, Pumps. Made by <see cref="Create"/> only, so
/// one that exists can be. On an intensifier a cylinder is one end, and a turn is one stroke of each.
/// </summary>
public sealed record ReciprocatingPump
{
    /// <summary>Crank radius over rod length when nobody measured it (common practice, no source: 1/5 to 1/6).</summary>
    public const double UsualRodRatio = 0.2;

    /// <summary>Valve slip of a healthy pump, 0.02 to 0.05 (docs/trade.md, Delivery).</summary>
    public const double UsualSlip = 0.035;

    /// <summary>Force lost in the packings of an intensifier, as a share of the oil's (common practice, no source).</summary>
    public const double IntensifierFriction = 0.03;

    private ReciprocatingPump()
    {
    }

    /// <summary>How it is built.</summary>
    public Arrangement Arrangement { get; private init; }

    /// <summary>1 to 7; on an intensifier its two ends.</summary>
    public int Cylinders { get; private init; }

    /// <summary>Of one plunger, piston or cup.</summary>
    public Length PlungerDiameter { get; private init; }

    /// <summary>Whole way of a plunger.</summary>
    public Length Stroke { get; private init; }

    /// <summary>Rod through the second chamber of a double-acting cylinder; null when single acting.</summary>
    public Length? RodDiameter { get; private init; }

    /// <summary>Crank radius over rod length; 0 for swash plates, below 0 where the pull stroke discharges.</summary>
    public double RodRatio { get; private init; }

    /// <summary>Turns, or cycles of an intensifier; on that one the most its oil supply can drive.</summary>
    public RotationalSpeed RatedSpeed { get; private init; }

    /// <summary>On its plate.</summary>
    public GaugePressure RatedPressure { get; private init; }

    /// <summary>What regulates its pressure.</summary>
    public ControlKind Control { get; private init; }

    /// <summary>How its unloader works, where it has one.</summary>
    public UnloaderType Unloader { get; private init; }

    /// <summary>How its valves are reached.</summary>
    public HeadLayout HeadLayout { get; private init; }

    /// <summary>Where goes what passes a high-pressure seal.</summary>
    public SealReturn SealReturn { get; private init; }

    /// <summary>What its plungers run in.</summary>
    public SealKind Seals { get; private init; }

    /// <summary>True where a start valve lets the water round until the pump is up to speed.</summary>
    public bool StartValve { get; private init; }

    /// <summary>Which cylinder follows which; matters where a trace or a simulation names one.</summary>
    public FiringOrder FiringOrder { get; private init; }

    /// <summary>Clearance volume over swept volume, 0.5 to 3 (docs/trade.md, Delivery).</summary>
    public double Clearance { get; private init; }

    /// <summary>Valve slip when sound, as a share of the swept volume.</summary>
    public double Slip { get; private init; }

    /// <summary>Oil piston of an intensifier; null on all others.</summary>
    public Length? OilPistonDiameter { get; private init; }

    /// <summary>Time an intensifier stands still at the end of a stroke.</summary>
    public Duration ShiftTime { get; private init; }

    /// <summary>What the maker asks for at the inlet, in metres of the liquid; null when not known.</summary>
    public Length? RequiredHead { get; private init; }

    /// <summary>Area of one plunger.</summary>
    public Area PlungerArea => Area.OfCircle(PlungerDiameter);

    /// <summary>Volume one cylinder sweeps in one turn, both its chambers when double acting.</summary>
    public Volume SweptVolume => new(PlungerArea.Si * Stroke.Si * (1 + RodSideShare));

    /// <summary>Area of the second chamber over that of the first, 0 when single acting.</summary>
    public double RodSideShare => RodDiameter is { } rod ? 1 - Math.Pow(rod.Si / PlungerDiameter.Si, 2) : 0;

    /// <summary>Chambers that pump: one a cylinder, two when double acting.</summary>
    public int Chambers => RodDiameter is null ? Cylinders : 2 * Cylinders;

    /// <summary>Pressure ratio of an intensifier: oil area over plunger area; 0 on all others.</summary>
    public double OilRatio => OilPistonDiameter is { } oil ? Math.Pow(oil.Si / PlungerDiameter.Si, 2) - 1 : 0;

    /// <summary>The pump, or <see cref="ImpossibleInputException"/> naming every field that cannot be.</summary>
    public static ReciprocatingPump Create(
        int cylinders,
        Length plungerDiameter,
        Length stroke,
        RotationalSpeed ratedSpeed,
        GaugePressure ratedPressure,
        ControlKind control = ControlKind.Unloader,
        HeadLayout headLayout = HeadLayout.SixCaps,
        SealReturn sealReturn = SealReturn.Inlet,
        double? rodRatio = null,
        Arrangement arrangement = Arrangement.CrankPlunger,
        Length? rodDiameter = null,
        bool pullDischarges = false,
        double? clearance = null,
        double? slip = null,
        Length? oilPistonDiameter = null,
        Duration? shiftTime = null,
        Length? requiredHead = null,
        UnloaderType unloader = UnloaderType.TrappedPressure,
        IReadOnlyList<int>? firingOrder = null,
        SealKind? seals = null,
        bool startValve = false)
    {
        var told = new PumpAsTold
        {
            Arrangement = arrangement,
            Cylinders = cylinders,
            PlungerDiameter = plungerDiameter,
            Stroke = stroke,
            RatedSpeed = ratedSpeed,
            RatedPressure = ratedPressure,
            RodRatio = rodRatio,
            RodDiameter = rodDiameter,
            Clearance = clearance,
            Slip = slip,
            OilPistonDiameter = oilPistonDiameter,
            ShiftTime = shiftTime,
            RequiredHead = requiredHead,
            FiringOrder = firingOrder,
            Seals = seals,
            StartValve = startValve,
        };
        var objections = new Objections();
        told.Judge(objections);
        objections.ThrowIfAny();
        return new ReciprocatingPump
        {
            Arrangement = arrangement,
            Cylinders = cylinders,
            PlungerDiameter = plungerDiameter,
            Stroke = stroke,
            RodDiameter = rodDiameter,
            RatedSpeed = ratedSpeed,
            RatedPressure = ratedPressure,
            Control = control,
            Unloader = unloader,
            HeadLayout = headLayout,
            SealReturn = sealReturn,
            FiringOrder = firingOrder is null ? default : FiringOrder.Of(firingOrder, cylinders),
            Seals = seals
                ?? (arrangement == Arrangement.CrankPlunger && headLayout == HeadLayout.SplitManifold ? SealKind.Packing : SealKind.Lip),
            StartValve = startValve,
            RodRatio = pullDischarges ? -told.Ratio : told.Ratio,
            Clearance = told.Room,
            Slip = told.ValveSlip,
            OilPistonDiameter = oilPistonDiameter,
            ShiftTime = told.Shift,
            RequiredHead = requiredHead,
        };
    }
}
