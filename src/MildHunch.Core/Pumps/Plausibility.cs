using MildHunch.Core.Quantities;

namespace MildHunch.Core.Pumps;

/// <summary>Within what a value is believed without asking back; beyond it, a slip of the finger or the wrong unit is likelier.</summary>
/// <param name="Least">SI.</param>
/// <param name="Most">SI.</param>
/// <param name="Why">What is odd beyond it, after "is", such as "far above the 100 bar this pump is rated for".</param>
public sealed record Believable(QuantityKind Kind, double Least, double Most, string Why)
{
    private static readonly string[] UsualUnits = ["psi", "bar", "MPa", "L/min", "gpm", "m³/h", "rpm"];

    /// <summary>True where nobody needs to be asked.</summary>
    public bool Holds(double si) => si >= Least && si <= Most;

    /// <summary>What may have been meant by a figure that is not believable: a decimal place moved, or another unit of the trade.</summary>
    public IReadOnlyList<Meant> Instead(double value, Unit unit)
    {
        Meant[] moved = [new(value / 10, unit), new(value * 10, unit), new(value / 100, unit), new(value * 100, unit)];
        return [.. Believed(moved).Take(1), .. Believed(Usual(unit).Select(other => new Meant(value, other))).Take(1)];
    }

    private IEnumerable<Meant> Believed(IEnumerable<Meant> all) => all.Where(m => Holds(m.Unit.ToSi(m.Value)));

    private IEnumerable<Unit> Usual(Unit but) =>
        UsualUnits.Select(name => Units.Find(Kind, name)).OfType<Unit>().Where(other => other != but);
}

/// <summary>A figure somebody may have meant.</summary>
public sealed record Meant(double Value, Unit Unit);

/// <summary>What is believable of a pump and of what is read on it (common practice, no source; wide enough for every fault).</summary>
public static class Plausibility
{
    private const double MuchPressure = 2.5;
    private const double MuchFlow = 3;
    private const double MuchSpeed = 2.5;
    private const double LittleSpeed = 0.02;

    /// <summary>Of a reading on this pump; null where nothing is known against any value.</summary>
    public static Believable? OfReading(string quantity, ReciprocatingPump pump)
    {
        var rated = pump.RatedPressure.Format(Units.Preferred(QuantityKind.GaugePressure));
        var flow = pump.Cylinders * pump.SweptVolume.Si * pump.RatedSpeed.Si;
        return quantity switch
        {
            "discharge-pressure" or "gun-pressure" or "swing" => new Believable(
                QuantityKind.GaugePressure, -1e5, MuchPressure * pump.RatedPressure.Si, $"far above the {rated} this pump is rated for"),
            "nozzle-flow" or "bypass-flow" or "supply-flow" => new Believable(
                QuantityKind.VolumeFlow, 0, MuchFlow * flow, "far more than this pump can displace"),
            "speed" => new Believable(
                QuantityKind.RotationalSpeed, LittleSpeed * pump.RatedSpeed.Si, MuchSpeed * pump.RatedSpeed.Si,
                $"far from the {pump.RatedSpeed.Format(Units.Rpm, 4)} of its plate"),
            _ => null,
        };
    }

    /// <summary>Of the rating on a plate. Crank pumps are built for 5 to 700 bar, intensifiers for 500 to 6500.</summary>
    public static Believable OfRating(Arrangement arrangement) => arrangement == Arrangement.Intensifier
        ? new(QuantityKind.GaugePressure, 3e7, 6.5e8, "no pressure that an intensifier is built for")
        : new(QuantityKind.GaugePressure, 5e5, 7e7, "no pressure that such a pump is built for");

    /// <summary>Of what its control is set to.</summary>
    public static Believable OfSetting(ReciprocatingPump pump) => new(
        QuantityKind.GaugePressure, 0.1 * pump.RatedPressure.Si, 1.3 * pump.RatedPressure.Si,
        $"an odd setting for a pump rated for {pump.RatedPressure.Format(Units.Preferred(QuantityKind.GaugePressure))}");
}
