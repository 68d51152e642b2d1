namespace MildHunch.Core.Hydraulics.Steady;

/// <summary>Where pump, outlet and control settle. Flows m³/s, pressures Pa gauge, speed revolutions a second.</summary>
public record struct OperatingPoint
{
    /// <summary>Mean pressure at the pump head.</summary>
    public double PressurePa;

    /// <summary>Largest less smallest pressure over a revolution.</summary>
    public double SwingPa;

    /// <summary>Mean pressure at the nozzle or process, behind hose and fittings.</summary>
    public double GunPa;

    /// <summary>m³/s.</summary>
    public double NozzleFlow;

    /// <summary>Through unloader, regulator, relief and any leak beside them.</summary>
    public double BypassFlow;

    /// <summary>Drawn from the supply: all that leaves the pump for good.</summary>
    public double SupplyFlow;

    /// <summary>Runs out at weeps and outside leaks.</summary>
    public double OutsideFlow;

    /// <summary>Goes round inside the pump: leaking valves, seals that return to the inlet, a cracked head.</summary>
    public double InnerFlow;

    /// <summary>Power spent on everything that leaks beside nozzle and bypass, W.</summary>
    public double LeakPower;

    /// <summary>Turns a second.</summary>
    public double SpeedHz;

    /// <summary>Gauge pressure at the pump's inlet.</summary>
    public double InletPa;

    /// <summary>What this speed displaces in a sound pump, Qt·ηv.</summary>
    public double DisplacedFlow;

    /// <summary>F, mean pressure over that of a steady flow.</summary>
    public double MeanFactor;

    /// <summary>Nozzle coefficient in force, m³/s per √Pa (or per Pa of a process).</summary>
    public double NozzleCoefficient;

    /// <summary>Compliance of line and dampener together, m³/Pa.</summary>
    public double ComplianceM3Pa;
}
