using MildHunch.Core.Fluids;
using MildHunch.Core.Pumps;

namespace MildHunch.Core.Hydraulics;

/// <summary>Displacement and delivery (handbook 2). Flows in m³/s, pressures in Pa, speed in revolutions a second.</summary>
public static class Delivery
{
    /// <summary>Valve slip of a healthy pump, 0.02 to 0.05 (handbook 2), and its one sigma (handbook 4).</summary>
    public const double HealthySlip = 0.035;

    public const double SlipSigma = 0.01;

    /// <summary>Clearance volume over swept volume, 0.5 to 3 (handbook 2).</summary>
    public const double ClearanceRatio = 1;

    /// <summary>Qt = n·A·S·N.</summary>
    public static double TheoreticalFlow(CrankPump pump, double speedHz) => pump.Cylinders * pump.SweptVolume.Si * speedHz;

    /// <summary>1 − c·p/β − s.</summary>
    public static double VolumetricEfficiency(double pressurePa, double slip = HealthySlip) =>
        1 - (ClearanceRatio * Math.Max(0, pressurePa) / Water.BulkModulusPa) - slip;

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
