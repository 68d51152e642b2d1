using System.Runtime.CompilerServices;
using MildHunch.Core.Fluids;
using MildHunch.Core.Quantities;

namespace MildHunch.Core.Simulation;

/// <summary>
/// How much liquid, counted at no pressure, a volume holds at a gauge pressure, with some gas beside it. At the vapour
/// pressure a cavity opens: the content then falls steeply with hardly any further fall of pressure.
/// </summary>
internal readonly struct Content(Compressibility compressibility, double vapourPa)
{
    /// <summary>Fall below the vapour pressure that would empty a volume, Pa: small, but not nothing, so that there is a slope.</summary>
    public const double CavityPa = 2000;

    private readonly double atVapour = 1 + compressibility.At(vapourPa);

    /// <param name="volume">m³.</param>
    /// <param name="gas">Gas in it, as its volume at atmospheric pressure, m³.</param>
    /// <param name="pressure">Pa gauge.</param>
    /// <param name="slope">m³ a pascal, always above 0.</param>
    [MethodImpl(MethodImplOptions.AggressiveInlining)]
    public double Of(double volume, double gas, double pressure, out double slope)
    {
        double density, densitySlope;
        if (pressure >= vapourPa)
        {
            var stiff = compressibility.BulkModulusPa + (pressure > 0 ? compressibility.Stiffening * pressure : 0);
            density = 1 + (pressure / stiff);
            densitySlope = compressibility.BulkModulusPa / (stiff * stiff);
        }
        else
        {
            density = atVapour - ((vapourPa - pressure) / CavityPa);
            densitySlope = 1 / CavityPa;
        }

        if (gas <= 0)
        {
            slope = volume * densitySlope;
            return volume * density;
        }

        var absolute = Math.Max(pressure + PhysicalConstants.StandardAirPa, 500);
        var bubble = gas * PhysicalConstants.StandardAirPa / absolute;
        slope = (volume * densitySlope) + (bubble / absolute);
        return (volume * density) - bubble;
    }
}
