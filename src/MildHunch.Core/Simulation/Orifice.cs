using System.Runtime.CompilerServices;

namespace MildHunch.Core.Simulation;

/// <summary>Flow through an orifice, q = K·√Δp, straightened within a few pascal of zero where the root's slope has no end.</summary>
internal static class Orifice
{
    /// <summary>Pressure over which the law is straightened, Pa: 1 % of flow at 0.25 bar.</summary>
    public const double StraightPa = 500;

    /// <summary>Signed flow and its slope.</summary>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public static double Flow(double k, double drop, out double slope)
    {
        var size = Math.Abs(drop) + StraightPa;
        var unit = k / Math.Sqrt(size);
        slope = unit * (1 - (0.5 * (size - StraightPa) / size));
        return unit * drop;
    }
}
