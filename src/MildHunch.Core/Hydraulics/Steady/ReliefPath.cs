namespace MildHunch.Core.Hydraulics.Steady;

/// <summary>
/// Control and relief valve of one condition: shut up to the pressure each is set to, then open in a straight line over its
/// band, at the end of which it passes the whole delivery. Infinite where there is none.
/// </summary>
internal readonly struct ReliefPath
{
    // Held by its control the pressure no longer follows the ripple: over this part of the band that fades.
    private const double FadeShare = 0.3;

    public ReliefPath(PumpAsSetUp plant, in Condition condition)
    {
        SettingPa = plant.SettingPa * condition.SettingFactor;
        ReliefPa = plant.ReliefPa * condition.ReliefFactor;
        ControlGain = Gain(plant, SettingPa, OperatingPointSolver.ControlBand);
        ReliefGain = Gain(plant, ReliefPa, OperatingPointSolver.ReliefBand);
    }

    /// <summary>Pressure from which the control opens, Pa.</summary>
    public double SettingPa { get; }

    /// <summary>Pressure from which the relief valve opens, Pa.</summary>
    public double ReliefPa { get; }

    /// <summary>Flow for each Pa above the setting, m³/s.</summary>
    public double ControlGain { get; }

    /// <summary>Flow for each Pa above the relief valve's own, m³/s.</summary>
    public double ReliefGain { get; }

    /// <summary>How freely the pressure follows the ripple: 1 where nothing opens, 0 where the control holds it.</summary>
    public double Freedom(double p) =>
        p <= SettingPa ? 1 : 1 - Math.Min(1, (p - SettingPa) / (FadeShare * OperatingPointSolver.ControlBand * SettingPa));

    private static double Gain(PumpAsSetUp plant, double opensPa, double band) =>
        double.IsFinite(opensPa) ? plant.FullFlow / (band * opensPa) : 0;
}
