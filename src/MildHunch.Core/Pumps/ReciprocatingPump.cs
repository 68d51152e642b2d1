using System.Globalization;
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

    /// <summary>The pump, or <see cref="ImpossibleInputException"/> naming the first field that cannot be.</summary>
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
        IReadOnlyList<int>? firingOrder = null)
    {
        var intensifier = arrangement == Arrangement.Intensifier;
        var (least, most, said) = arrangement switch
        {
            Arrangement.Intensifier => (2, 2, "2 ends"),
            Arrangement.TwinPiston => (2, 2, "2 pistons"),
            Arrangement.Axial => (2, 7, "2 to 7 pistons"),
            _ => (1, 7, "1 to 7 cylinders"),
        };
        Guard.Within("cylinders", cylinders, least, most, cylinders.ToString(CultureInfo.InvariantCulture), said);
        Guard.Within(
            "plungerDiameter", plungerDiameter.Si, 2e-3, 0.3, plungerDiameter.Format(Units.Millimetre), "a plunger of 2 to 300 mm");
        Guard.Within(
            "stroke", stroke.Si, 1e-3, intensifier ? 2 : 0.5, stroke.Format(Units.Millimetre),
            intensifier ? "a stroke of 1 to 2000 mm" : "a stroke of 1 to 500 mm");
        Guard.Within(
            "ratedSpeed", ratedSpeed.Si, intensifier ? 0.01 : 5 / 60.0, intensifier ? 10 : 100, ratedSpeed.Format(Units.Rpm),
            intensifier ? "0.6 to 600 cycles a minute" : "5 to 6000 rpm");
        Guard.Within(
            "ratedPressure", ratedPressure.Si, 1e5, intensifier ? 6.5e8 : 1e8, ratedPressure.Format(Units.Bar),
            intensifier ? "1 to 6500 bar" : "1 to 1000 bar");
        var ratio = rodRatio ?? (arrangement is Arrangement.Axial || intensifier ? 0 : UsualRodRatio);
        Guard.Within(
            "rodRatio", ratio, 0, 0.5, Quantity.Digits(ratio),
            "crank radius over rod length, 0 to 0.5: at 1 the rod could not pass its dead centre");
        if (arrangement is Arrangement.Axial && ratio != 0)
            throw new ImpossibleInputException(
                "rodRatio", Quantity.Digits(ratio), "0: a swash or wobble plate moves its pistons as a pure sine");
        if (rodDiameter is { } rod)
        {
            Guard.Within(
                "rodDiameter", rod.Si, 1e-3, plungerDiameter.Si * 0.98, rod.Format(Units.Millimetre),
                $"a rod of 1 mm to just under the piston's {plungerDiameter.Format(Units.Millimetre)}");
            if (arrangement != Arrangement.CrankPlunger)
                throw new ImpossibleInputException(
                    "rodDiameter", rod.Format(Units.Millimetre), "a rod counts on double-acting crank pumps only");
        }

        var room = clearance ?? (intensifier ? 0.3 : 1);
        Guard.Within("clearance", room, 0, 10, Quantity.Digits(room), "clearance volume over swept volume, 0 to 10 (usually 0.5 to 3)");
        var valves = slip ?? (intensifier ? 0.01 : UsualSlip);
        Guard.Within(
            "slip", valves, 0, 0.2, $"{Quantity.Digits(valves * 100)} %", "a valve slip of 0 to 20 % when healthy (usually 2 to 5 %)");
        if (requiredHead is { } head)
            Guard.Within(
                "requiredHead", head.Si, 0, 50, head.Format(Units.Find(QuantityKind.Length, "m")!), "a required head of 0 to 50 m");
        if (intensifier != oilPistonDiameter is not null)
            throw new ImpossibleInputException(
                "oilPistonDiameter", intensifier ? "nothing" : oilPistonDiameter!.Value.Format(Units.Millimetre),
                intensifier ? "the diameter of the oil piston" : "an oil piston on intensifiers only");
        if (oilPistonDiameter is { } oil)
            Guard.Within(
                "oilPistonDiameter", oil.Si, plungerDiameter.Si * 1.2, 1, oil.Format(Units.Millimetre),
                $"an oil piston larger than the plunger's {plungerDiameter.Format(Units.Millimetre)}, up to 1 m");
        var shift = shiftTime ?? new Duration(intensifier ? 0.05 : 0);
        Guard.Within(
            "shiftTime", shift.Si, 0, 0.4 / ratedSpeed.Si, shift.Format(Units.Preferred(QuantityKind.Duration)),
            "a shift shorter than eight tenths of a stroke");
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
            RodRatio = pullDischarges ? -ratio : ratio,
            Clearance = room,
            Slip = valves,
            OilPistonDiameter = oilPistonDiameter,
            ShiftTime = shift,
            RequiredHead = requiredHead,
        };
    }
}
