using System.Globalization;
using MildHunch.Core.Quantities;

namespace MildHunch.Core.Pumps;

/// <summary>
/// What was told of a pump, complete or not, and whether it can be. Meanings, units and ranges are those of
/// <see cref="ReciprocatingPump"/>; null is not told.
/// </summary>
public sealed record PumpAsTold
{
    /// <inheritdoc cref="ReciprocatingPump.Arrangement"/>
    public Arrangement Arrangement { get; init; }

    /// <inheritdoc cref="ReciprocatingPump.Cylinders"/>
    public int? Cylinders { get; init; }

    /// <inheritdoc cref="ReciprocatingPump.PlungerDiameter"/>
    public Length? PlungerDiameter { get; init; }

    /// <inheritdoc cref="ReciprocatingPump.Stroke"/>
    public Length? Stroke { get; init; }

    /// <inheritdoc cref="ReciprocatingPump.RatedSpeed"/>
    public RotationalSpeed? RatedSpeed { get; init; }

    /// <inheritdoc cref="ReciprocatingPump.RatedPressure"/>
    public GaugePressure? RatedPressure { get; init; }

    /// <inheritdoc cref="ReciprocatingPump.RodRatio"/>
    public double? RodRatio { get; init; }

    /// <inheritdoc cref="ReciprocatingPump.RodDiameter"/>
    public Length? RodDiameter { get; init; }

    /// <inheritdoc cref="ReciprocatingPump.Clearance"/>
    public double? Clearance { get; init; }

    /// <inheritdoc cref="ReciprocatingPump.Slip"/>
    public double? Slip { get; init; }

    /// <inheritdoc cref="ReciprocatingPump.OilPistonDiameter"/>
    public Length? OilPistonDiameter { get; init; }

    /// <inheritdoc cref="ReciprocatingPump.ShiftTime"/>
    public Duration? ShiftTime { get; init; }

    /// <inheritdoc cref="ReciprocatingPump.RequiredHead"/>
    public Length? RequiredHead { get; init; }

    /// <inheritdoc cref="ReciprocatingPump.FiringOrder"/>
    public IReadOnlyList<int>? FiringOrder { get; init; }

    /// <summary>As on a <see cref="ReciprocatingPump"/>; null where what its head layout usually has counts.</summary>
    public SealKind? Seals { get; init; }

    /// <inheritdoc cref="ReciprocatingPump.StartValve"/>
    public bool StartValve { get; init; }

    /// <summary>Crank radius over rod length: as told, else what is usual.</summary>
    internal double Ratio => RodRatio ?? (Arrangement is Arrangement.Axial || Intensifier ? 0 : ReciprocatingPump.UsualRodRatio);

    /// <summary>Clearance over swept volume: as told, else what is usual.</summary>
    internal double Room => Clearance ?? (Intensifier ? 0.3 : 1);

    /// <summary>Slip of its sound valves: as told, else what is usual.</summary>
    internal double ValveSlip => Slip ?? (Intensifier ? 0.01 : ReciprocatingPump.UsualSlip);

    /// <summary>Time an intensifier stands at its turn: as told, else what is usual.</summary>
    internal Duration Shift => ShiftTime ?? new Duration(Intensifier ? 0.05 : 0);

    private bool Intensifier => Arrangement == Arrangement.Intensifier;

    /// <summary>Objects to everything told that cannot be. What is missing is not, but for an intensifier's oil piston.</summary>
    public void Judge(Objections objections)
    {
        JudgePlate(objections);
        JudgeInside(objections);
        JudgeRod(objections);
        JudgeOilSide(objections);
        if (Seals == SealKind.Packing && Arrangement is not (Arrangement.CrankPlunger or Arrangement.FlowThrough))
            objections.Add("seals", SealKind.Packing.Named(), "packings on crank-driven plungers only");
        if (StartValve && Intensifier)
            objections.Add("startValve", "true", "a start valve on anything but an intensifier");
        if (FiringOrder is { } order && Cylinders is { } cylinders && objections.Stands("cylinders"))
            objections.Take(() => Pumps.FiringOrder.Of(order, cylinders));
    }

    private void JudgePlate(Objections objections)
    {
        var (least, most, said) = Arrangement switch
        {
            Arrangement.Intensifier => (2, 2, "2 ends"),
            Arrangement.TwinPiston => (2, 2, "2 pistons"),
            Arrangement.Axial => (2, 7, "2 to 7 pistons"),
            _ => (1, 7, "1 to 7 cylinders"),
        };
        if (Cylinders is { } cylinders)
            objections.Within("cylinders", cylinders, least, most, cylinders.ToString(CultureInfo.InvariantCulture), said);
        if (PlungerDiameter is { } bore)
            objections.Within("plungerDiameter", bore.Si, 2e-3, 0.3, bore.Format(Units.Millimetre), "a plunger of 2 to 300 mm");
        if (Stroke is { } stroke)
            objections.Within(
                "stroke", stroke.Si, 1e-3, Intensifier ? 2 : 0.5, stroke.Format(Units.Millimetre),
                Intensifier ? "a stroke of 1 to 2000 mm" : "a stroke of 1 to 500 mm");
        if (RatedSpeed is { } speed)
            objections.Within(
                "ratedSpeed", speed.Si, Intensifier ? 0.01 : 5 / 60.0, Intensifier ? 10 : 100, speed.Format(Units.Rpm),
                Intensifier ? "0.6 to 600 cycles a minute" : "5 to 6000 rpm");
        if (RatedPressure is { } pressure)
            objections.Within(
                "ratedPressure", pressure.Si, 1e5, Intensifier ? 6.5e8 : 1e8, pressure.Format(Units.Bar),
                Intensifier ? "1 to 6500 bar" : "1 to 1000 bar");
    }

    private void JudgeInside(Objections objections)
    {
        objections.Within(
            "rodRatio", Ratio, 0, 0.5, Quantity.Digits(Ratio),
            "crank radius over rod length, 0 to 0.5: at 1 the rod could not pass its dead centre");
        if (Arrangement is Arrangement.Axial && Ratio != 0)
            objections.Add("rodRatio", Quantity.Digits(Ratio), "0: a swash or wobble plate moves its pistons as a pure sine");
        objections.Within(
            "clearance", Room, 0, 10, Quantity.Digits(Room), "clearance volume over swept volume, 0 to 10 (usually 0.5 to 3)");
        objections.Within(
            "slip", ValveSlip, 0, 0.2, $"{Quantity.Digits(ValveSlip * 100)} %",
            "a valve slip of 0 to 20 % when healthy (usually 2 to 5 %)");
        if (RequiredHead is { } head)
            objections.Within(
                "requiredHead", head.Si, 0, 50, head.Format(Units.Find(QuantityKind.Length, "m")!), "a required head of 0 to 50 m");
    }

    private void JudgeRod(Objections objections)
    {
        if (RodDiameter is not { } rod)
            return;
        if (PlungerDiameter is { } bore && objections.Stands("plungerDiameter"))
            objections.Within(
                "rodDiameter", rod.Si, 1e-3, bore.Si * 0.98, rod.Format(Units.Millimetre),
                $"a rod of 1 mm to just under the piston's {bore.Format(Units.Millimetre)}");
        if (Arrangement != Arrangement.CrankPlunger)
            objections.Add("rodDiameter", rod.Format(Units.Millimetre), "a rod counts on double-acting crank pumps only");
    }

    private void JudgeOilSide(Objections objections)
    {
        if (Intensifier && OilPistonDiameter is null)
            objections.Add("oilPistonDiameter", ImpossibleInputException.Nothing, "the diameter of the oil piston");
        if (!Intensifier && OilPistonDiameter is { } told)
            objections.Add("oilPistonDiameter", told.Format(Units.Millimetre), "an oil piston on intensifiers only");
        if (OilPistonDiameter is { } oil && PlungerDiameter is { } bore && objections.Stands("plungerDiameter"))
            objections.Within(
                "oilPistonDiameter", oil.Si, bore.Si * 1.2, 1, oil.Format(Units.Millimetre),
                $"an oil piston larger than the plunger's {bore.Format(Units.Millimetre)}, up to 1 m");
        if (RatedSpeed is { } speed && objections.Stands("ratedSpeed"))
            objections.Within(
                "shiftTime", Shift.Si, 0, 0.4 / speed.Si, Shift.Format(Units.Preferred(QuantityKind.Duration)),
                "a shift shorter than eight tenths of a stroke");
    }
}
