namespace MildHunch.Core.Hydraulics;

/// <summary>Where pump, nozzle and control settle. Flows m³/s, pressures Pa gauge, speed revolutions a second.</summary>
public record struct OperatingPoint
{
    /// <summary>Mean pressure at the pump head.</summary>
    public double PressurePa;

    /// <summary>Largest less smallest pressure over a revolution.</summary>
    public double SwingPa;

    public double NozzleFlow;

    public double BypassFlow;

    /// <summary>Drawn from the supply: all that leaves the pump for good.</summary>
    public double SupplyFlow;

    /// <summary>Runs out at the weep.</summary>
    public double OutsideFlow;

    public double SpeedHz;

    /// <summary>Gauge pressure at the pump's inlet.</summary>
    public double InletPa;

    /// <summary>What this speed displaces in a sound pump, Qt·ηv.</summary>
    public double DisplacedFlow;

    /// <summary>F, mean pressure over (mean flow / Kn)².</summary>
    public double MeanFactor;

    /// <summary>Nozzle coefficient in force, m³/s per √Pa.</summary>
    public double NozzleCoefficient;
}
