using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;

namespace MildHunch.Core.Service.Proving;

/// <summary>A reading of a falling gauge: so long after it was shut.</summary>
public sealed record FallPoint(Duration After, GaugePressure Pressure);

/// <summary>What leaks out of a shut outlet: compliance times the fall of the pressure (docs/trade.md, Standing pressure).</summary>
/// <param name="Leak">With the usual softness of such a line.</param>
/// <param name="Low">With the stiffest that is likely.</param>
/// <param name="High">With the softest that is likely.</param>
/// <param name="ShareAMinute">Share of the pressure lost in a minute.</param>
/// <param name="Emptied">True where nothing was left at the end.</param>
public sealed record PressureFall(VolumeFlow Leak, VolumeFlow Low, VolumeFlow High, double ShareAMinute, bool Emptied = false)
{
    /// <summary>What a tight line may let out: a millilitre or twenty drops a minute (common practice, no source), m³/s.</summary>
    public const double MostLeak = 1e-6 / 60;

    private const double Minute = 60;
    private const double Nothing = 0.02;

    // A hose gives a little back at first; what goes on after a third of the time is the leak, over a third of it at least.
    private const double Settled = 1.0 / 3;
    private const double Late = 2.0 / 3;

    /// <summary>True where it holds: something stands at the end, and no more than a millilitre a minute goes.</summary>
    public bool Holds => !Emptied && Leak.Si <= MostLeak;

    /// <summary>As expected even where the line is as soft as is likely; doubtful where it hangs on that.</summary>
    public Standing Standing => !Holds ? Standing.Off : High.Si <= MostLeak ? Standing.AsExpected : Standing.Doubtful;

    /// <summary>From two readings of the gauge.</summary>
    /// <param name="setup">The line that is shut off.</param>
    /// <param name="from">At first, above 0.</param>
    /// <param name="to">At last, no higher.</param>
    /// <param name="over">Between them, 1 s to an hour.</param>
    /// <param name="compliance">Measured by a known drip, m³/Pa; null takes what is usual for such a line.</param>
    /// <exception cref="ImpossibleInputException">Readings that cannot be.</exception>
    public static PressureFall Of(Setup setup, GaugePressure from, GaugePressure to, Duration over, double? compliance = null) =>
        Of(setup, from, to, over, [], compliance);

    /// <summary>From the course of a falling gauge: what is lost once the hose has settled.</summary>
    /// <param name="setup">The line that is shut off.</param>
    /// <param name="from">At first, above 0.</param>
    /// <param name="to">At last, no higher.</param>
    /// <param name="over">Between them, 1 s to an hour.</param>
    /// <param name="between">Readings between them, in order; none may be.</param>
    /// <param name="compliance">Measured by a known drip, m³/Pa; null takes what is usual for such a line.</param>
    /// <exception cref="ImpossibleInputException">Readings that cannot be.</exception>
    public static PressureFall Of(
        Setup setup, GaugePressure from, GaugePressure to, Duration over, IReadOnlyList<FallPoint> between, double? compliance = null)
    {
        Guard.Within("from", from.Si, 1e4, 1e9, from.Format(Units.Bar), "0.1 to 10 000 bar");
        Guard.Within("to", to.Si, 0, from.Si, to.Format(Units.Bar), $"0 to {from.Format(Units.Bar)}, where it stood");
        Guard.Within("seconds", over.Si, 1, 3600, over.Format(Units.Preferred(QuantityKind.Duration)), "1 to 3600 s");
        var before = new FallPoint(default, from);
        foreach (var (k, point) in between.Index())
        {
            Guard.Within(
                $"falls[{k}].seconds", point.After.Si, before.After.Si, over.Si,
                point.After.Format(Units.Preferred(QuantityKind.Duration)), "a time after the one before it, no later than the last");
            Guard.Within(
                $"falls[{k}].pressure", point.Pressure.Si, to.Si, before.Pressure.Si, point.Pressure.Format(Units.Bar),
                "no higher than the one before it, no lower than the last");
            before = point;
        }

        var start = between.FirstOrDefault(p => p.After.Si >= Settled * over.Si && p.After.Si <= Late * over.Si)
            ?? new FallPoint(default, from);
        double[] nodes = compliance is { } known ? [known] : OutletCompliance.Nodes(setup);
        var rate = (start.Pressure.Si - to.Si) / (over.Si - start.After.Si);
        return new PressureFall(
            new VolumeFlow(nodes[nodes.Length / 2] * rate), new VolumeFlow(nodes[0] * rate), new VolumeFlow(nodes[^1] * rate),
            (from.Si - to.Si) / from.Si * Minute / over.Si, to.Si <= Nothing * from.Si);
    }

    /// <summary>Compliance from two falls over the same pressures, one of them with a known drip let out; m³/Pa.</summary>
    /// <param name="drip">What was let out.</param>
    /// <param name="rateWithout">Pa a second without it.</param>
    /// <param name="rateWith">Pa a second with it, faster.</param>
    /// <exception cref="ImpossibleInputException">The drip did not make it fall faster.</exception>
    public static double Calibrated(VolumeFlow drip, double rateWithout, double rateWith) => rateWith > rateWithout
        ? drip.Si / (rateWith - rateWithout)
        : throw new ImpossibleInputException(
            "rateWith", $"{Quantity.Digits(rateWith)} Pa/s", $"more than without the drip, {Quantity.Digits(rateWithout)} Pa/s");
}
