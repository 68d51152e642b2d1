using MildHunch.Core.Fluids;
using MildHunch.Core.Pumps;

namespace MildHunch.Core.Hydraulics.Motion;

/// <summary>Displacement and delivery (docs/trade.md, Delivery). Flows in m³/s, pressures in Pa, speed in revolutions a second.</summary>
public static class Delivery
{
    /// <summary>One sigma of the valve slip of a healthy pump (docs/trade.md, Delivery).</summary>
    public const double SlipSigma = 0.01;

    /// <summary>Qt = n·A·S·N, with both chambers of a double-acting cylinder.</summary>
    public static double TheoreticalFlow(ReciprocatingPump pump, double speedHz) => pump.Cylinders * pump.SweptVolume.Si * speedHz;

    /// <summary>ηv = 1 − c·(compression of the liquid) − s of a sound pump (docs/trade.md, Delivery).</summary>
    public static double VolumetricEfficiency(ReciprocatingPump pump, Compressibility compressibility, double pressurePa) =>
        1 - (pump.Clearance * compressibility.At(pressurePa)) - pump.Slip;

    /// <summary>
    /// Share of one cylinder's swept volume lost through a leak that only works on one stroke and cannot exceed what the
    /// plunger moves: 1 − √(1−G²) + G·arccos G below G = 1, everything from there on. G = g√Δp/(π·A·S·N), 0 and up.
    /// </summary>
    public static double LostShare(double g)
    {
        if (g <= 0)
            return 0;
        return g >= 1 ? 1 : 1 - Math.Sqrt(1 - (g * g)) + (g * Math.Acos(g));
    }
}
