namespace MildHunch.Core.Simulation;

/// <summary>Where the energy of the driver went, joules over the turns that were measured.</summary>
public sealed record EnergySplit(
    double Shaft, double Supply, double Nozzle, double Bypass, double Outside, double InnerLeaks, double Valves, double Lines)
{
    public double In => Shaft + Supply;

    public double Out => Nozzle + Bypass + Outside + InnerLeaks + Valves + Lines;
}

/// <summary>Mean values over whole turns at the end of the run. Flows m³/s (counted at no pressure), pressures Pa gauge.</summary>
public sealed record SimulationMeans
{
    public double PressurePa { get; init; }

    public double SwingPa { get; init; }

    public double GunPa { get; init; }

    public double HighestPa { get; init; }

    public double InletPa { get; init; }

    /// <summary>Lowest pressure in the inlet manifold.</summary>
    public double LowestInletPa { get; init; }

    public double InletSwingPa { get; init; }

    public double NozzleFlow { get; init; }

    public double HighestNozzleFlow { get; init; }

    public double LowestNozzleFlow { get; init; }

    public double BypassFlow { get; init; }

    public double OutsideFlow { get; init; }

    public double SupplyFlow { get; init; }

    public double SpeedHz { get; init; }

    public double Turns { get; init; }

    /// <summary>True where some chamber reached the vapour pressure.</summary>
    public bool Cavitates { get; init; }

    /// <summary>Seconds a stroke of the left and right end of an intensifier took; null on others.</summary>
    public IReadOnlyList<double>? StrokeSeconds { get; init; }

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
    public required SimulationMeans Means { get; init; }

    public required IReadOnlyList<Sample> Samples { get; init; }

    /// <summary>Pressure in every chamber at every sample, Pa gauge: [chamber][sample].</summary>
    public required double[][] ChambersPa { get; init; }

    public required int Steps { get; init; }

    /// <summary>Steps that had to be halved to be solved.</summary>
    public required int Halved { get; init; }
}
