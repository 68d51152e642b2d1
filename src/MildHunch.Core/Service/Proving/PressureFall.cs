using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;

namespace MildHunch.Core.Service.Proving;

/// <summary>What leaks out of a shut outlet: compliance times the fall of the pressure (docs/trade.md, Standing pressure).</summary>
/// <param name="Leak">With the usual softness of such a line.</param>
/// <param name="Low">With the stiffest that is likely.</param>
/// <param name="High">With the softest that is likely.</param>
/// <param name="ShareAMinute">Share of the pressure lost in a minute.</param>
public sealed record PressureFall(VolumeFlow Leak, VolumeFlow Low, VolumeFlow High, double ShareAMinute)
{
    /// <summary>More lost in a minute than a hose gives back by itself (common practice, no source).</summary>
    public const double MostAMinute = 0.1;
    private const double Minute = 60;

    /// <summary>True where it holds.</summary>
    public bool Holds => ShareAMinute <= MostAMinute;

    /// <summary>From two readings of the gauge.</summary>
    /// <param name="setup">The line that is shut off.</param>
    /// <param name="from">At first, above 0.</param>
    /// <param name="to">At last, no higher.</param>
    /// <param name="over">Between them, 1 s to an hour.</param>
    /// <param name="compliance">Measured by a known drip, m³/Pa; null takes what is usual for such a line.</param>
    /// <exception cref="ImpossibleInputException">Readings that cannot be.</exception>
    public static PressureFall Of(Setup setup, GaugePressure from, GaugePressure to, Duration over, double? compliance = null)
    {
        Guard.Within("from", from.Si, 1e4, 1e9, from.Format(Units.Bar), "0.1 to 10 000 bar");
        Guard.Within("to", to.Si, 0, from.Si, to.Format(Units.Bar), $"0 to {from.Format(Units.Bar)}, where it stood");
        Guard.Within("seconds", over.Si, 1, 3600, over.Format(Units.Preferred(QuantityKind.Duration)), "1 to 3600 s");
        double[] nodes = compliance is { } known ? [known] : OutletCompliance.Nodes(setup);
        var rate = (from.Si - to.Si) / over.Si;
        return new PressureFall(
            new VolumeFlow(nodes[nodes.Length / 2] * rate), new VolumeFlow(nodes[0] * rate), new VolumeFlow(nodes[^1] * rate),
            (from.Si - to.Si) / from.Si * Minute / over.Si);
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
