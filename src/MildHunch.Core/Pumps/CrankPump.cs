using System.Globalization;
using MildHunch.Core.Quantities;

namespace MildHunch.Core.Pumps;

/// <summary>
/// A single-acting crank plunger pump of 1 to 7 cylinders. Made by <see cref="Create"/> only, so one that exists can be.
/// </summary>
public sealed record CrankPump
{
    /// <summary>Crank radius over rod length when nobody measured it (common practice, no source: 1/5 to 1/6).</summary>
    public const double UsualRodRatio = 0.2;

    private CrankPump()
    {
    }

    public int Cylinders { get; private init; }

    public Length PlungerDiameter { get; private init; }

    public Length Stroke { get; private init; }

    public double RodRatio { get; private init; }

    public RotationalSpeed RatedSpeed { get; private init; }

    public GaugePressure RatedPressure { get; private init; }

    public ControlKind Control { get; private init; }

    public HeadLayout HeadLayout { get; private init; }

    public SealReturn SealReturn { get; private init; }

    /// <summary>Area of one plunger.</summary>
    public Area PlungerArea => Area.OfCircle(PlungerDiameter);

    /// <summary>Volume one plunger sweeps in one stroke.</summary>
    public Volume SweptVolume => new(PlungerArea.Si * Stroke.Si);

    /// <summary>The pump, or <see cref="ImpossibleInputException"/> naming the first field that cannot be.</summary>
    public static CrankPump Create(
        int cylinders,
        Length plungerDiameter,
        Length stroke,
        RotationalSpeed ratedSpeed,
        GaugePressure ratedPressure,
        ControlKind control = ControlKind.Unloader,
        HeadLayout headLayout = HeadLayout.SixCaps,
        SealReturn sealReturn = SealReturn.Inlet,
        double? rodRatio = null)
    {
        Guard.Within("cylinders", cylinders, 1, 7, cylinders.ToString(CultureInfo.InvariantCulture), "1 to 7 cylinders");
        Guard.Within("plungerDiameter", plungerDiameter.Si, 2e-3, 0.3, plungerDiameter.Format(Units.Millimetre), "a plunger of 2 to 300 mm");
        Guard.Within("stroke", stroke.Si, 1e-3, 0.5, stroke.Format(Units.Millimetre), "a stroke of 1 to 500 mm");
        Guard.Within("ratedSpeed", ratedSpeed.Si, 5 / 60.0, 100, ratedSpeed.Format(Units.Rpm), "5 to 6000 rpm");
        Guard.Within("ratedPressure", ratedPressure.Si, 1e5, 1e8, ratedPressure.Format(Units.Bar), "1 to 1000 bar");
        var ratio = rodRatio ?? UsualRodRatio;
        Guard.Within("rodRatio", ratio, 0, 0.5, Quantity.Digits(ratio), "crank radius over rod length, 0 to 0.5");
        return new CrankPump
        {
            Cylinders = cylinders,
            PlungerDiameter = plungerDiameter,
            Stroke = stroke,
            RatedSpeed = ratedSpeed,
            RatedPressure = ratedPressure,
            Control = control,
            HeadLayout = headLayout,
            SealReturn = sealReturn,
            RodRatio = ratio,
        };
    }
}
