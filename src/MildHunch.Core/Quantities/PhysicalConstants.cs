namespace MildHunch.Core.Quantities;

/// <summary>Constants of nature and convention, SI.</summary>
public static class PhysicalConstants
{
    /// <summary>Standard acceleration of free fall, m/s² (3rd General Conference on Weights and Measures, 1901).</summary>
    public const double Gravity = 9.80665;

    /// <summary>Standard atmosphere, Pa absolute (10th General Conference on Weights and Measures, 1954).</summary>
    public const double StandardAirPa = 101_325;
}
