namespace MildHunch.Core.Simulation;

/// <summary>Where the energy of the driver went, joules over the turns that were measured.</summary>
public sealed record EnergySplit(
    double Shaft, double Supply, double Nozzle, double Bypass, double Outside, double InnerLeaks, double Valves, double Lines)
{
    /// <summary>J put in.</summary>
    public double In => Shaft + Supply;

    /// <summary>J that went somewhere.</summary>
    public double Out => Nozzle + Bypass + Outside + InnerLeaks + Valves + Lines;
}

/// <summary>Mean values over whole turns at the end of the run. Flows m³/s (counted at no pressure), pressures Pa gauge.</summary>
public sealed record SimulationMeans
{
    /// <summary>Mean at the head.</summary>
    public double PressurePa { get; init; }

    /// <summary>Highest less lowest at the head within a turn.</summary>
    public double SwingPa { get; init; }

    /// <summary>Mean at the outlet.</summary>
    public double GunPa { get; init; }

    /// <summary>Highest at the head in the whole run.</summary>
    public double HighestPa { get; init; }

    /// <summary>Mean at the inlet, gauge.</summary>
    public double InletPa { get; init; }

    /// <summary>Lowest pressure in the inlet manifold.</summary>
    public double LowestInletPa { get; init; }

    /// <summary>Highest less lowest at the inlet within a turn.</summary>
    public double InletSwingPa { get; init; }

    /// <summary>Mean, m³/s.</summary>
    public double NozzleFlow { get; init; }

    /// <summary>m³/s.</summary>
    public double HighestNozzleFlow { get; init; }

    /// <summary>m³/s.</summary>
    public double LowestNozzleFlow { get; init; }

    /// <summary>Mean, m³/s.</summary>
    public double BypassFlow { get; init; }

    /// <summary>Mean, m³/s.</summary>
    public double OutsideFlow { get; init; }

    /// <summary>Mean, m³/s.</summary>
    public double SupplyFlow { get; init; }

    /// <summary>Turns a second.</summary>
    public double SpeedHz { get; init; }

    /// <summary>Turns run after settling.</summary>
    public double Turns { get; init; }

    /// <summary>True where some chamber reached the vapour pressure.</summary>
    public bool Cavitates { get; init; }

    /// <summary>Seconds a stroke of the left and right end of an intensifier took; null on others.</summary>
    public IReadOnlyList<double>? StrokeSeconds { get; init; }

    /// <summary>Where the energy of the turns went.</summary>
    public EnergySplit Energy { get; init; } = new(0, 0, 0, 0, 0, 0, 0, 0);
}

/// <summary>
/// What was noted at one moment. Pressures Pa gauge; angle in turns; a valve's bit is set while it lets water forward or back.
/// </summary>
public readonly record struct Sample(
    double Seconds, double Turns, double HeadPa, double GunPa, double InletPa, double NozzleFlow, double BypassFlow, int InletValves,
    int DischargeValves);

/// <summary>A finished run.</summary>
public sealed record SimulationResult
{
    /// <summary>Over whole turns at the end of the run.</summary>
    public required SimulationMeans Means { get; init; }

    /// <summary>At even times.</summary>
    public required IReadOnlyList<Sample> Samples { get; init; }

    /// <summary>Pressure in every chamber at every sample, Pa gauge: [chamber][sample].</summary>
    public required double[][] ChambersPa { get; init; }

    /// <summary>Steps taken, settling included.</summary>
    public required int Steps { get; init; }

    /// <summary>Steps that had to be halved to be solved.</summary>
    public required int Halved { get; init; }
}
