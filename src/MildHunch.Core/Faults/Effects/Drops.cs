using MildHunch.Core.Pumps;

namespace MildHunch.Core.Faults.Effects;

/// <summary>
/// How small a leak can be that shows outside: one drop a minute, long before any instrument moves. From there on sizes are told apart by
/// how many times larger one is than another, not by how much.
/// </summary>
internal static class Drops
{
    /// <summary>Drops in a cubic metre: 20 to a millilitre (docs/trade.md, Drips).</summary>
    public const double InAM3 = 20e6;

    /// <summary>One drop a minute, m³/s.</summary>
    public const double OneAMinuteM3S = 1 / (InAM3 * 60);

    /// <summary>A size between the least and the most, each step of the severity as many times larger as the one before.</summary>
    public static double Size(double least, double most, double severity) => least * Math.Pow(most / least, severity);

    /// <summary>
    /// Where among the sizes a seal that only drips lies: of all severities half are spread evenly over how many times larger a leak is,
    /// half lean to the larger, since a seal that is worn lets out more than a drop now and then (common practice, no source).
    /// </summary>
    public static double Leaning(double severity) => (Math.Sqrt(1 + (8 * severity)) - 1) / 2;

    /// <summary>The severity of a size.</summary>
    public static double Severity(double least, double most, double size) => Math.Log(size / least) / Math.Log(most / least);

    /// <summary>One drop a minute as a share of what one cylinder displaces.</summary>
    public static double ShareOfCylinder(ReciprocatingPump pump) => OneAMinuteM3S / (pump.SweptVolume.Si * pump.RatedSpeed.Si);

    /// <summary>One drop a minute as a share of what the pump displaces.</summary>
    public static double ShareOfFlow(ReciprocatingPump pump) => ShareOfCylinder(pump) / pump.Cylinders;
}
