namespace MildHunch.Core.Hydraulics.Steady;

/// <summary>Power of a pump and the current of its motor (docs/trade.md, Power). Watts, pascals, m³/s, volts, amperes.</summary>
public static class PowerRules
{
    /// <summary>Mechanical efficiency of a plunger pump, 0.85 to 0.92 (docs/trade.md, Power).</summary>
    public const double MechanicalEfficiency = 0.885;

    /// <summary>One sigma of it (common practice, no source).</summary>
    public const double MechanicalEfficiencySigma = 0.018;

    /// <summary>Efficiency and power factor of a four-pole induction motor near its rating (common practice, no source).</summary>
    public const double MotorEfficiency = 0.88;

    /// <summary>Power factor of a loaded motor (common practice, no source).</summary>
    public const double PowerFactor = 0.84;

    /// <summary>Ph = p·Q.</summary>
    public static double Hydraulic(double pressurePa, double flow) => pressurePa * flow;

    /// <summary>Ph / ηm.</summary>
    public static double Shaft(double hydraulicW) => hydraulicW / MechanicalEfficiency;

    /// <summary>Line current of a three-phase motor: P / (√3·U·η·cos φ).</summary>
    public static double ThreePhaseCurrent(double shaftW, double volts) => shaftW / (Math.Sqrt(3) * volts * MotorEfficiency * PowerFactor);
}
