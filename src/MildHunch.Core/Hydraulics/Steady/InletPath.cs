namespace MildHunch.Core.Hydraulics.Steady;

/// <summary>What the inlet lets in, for one condition; SI throughout.</summary>
internal readonly struct InletPath
{
    private const double LeastOverPa = 100;
    private const double LeastHz = 1e-3;
    private const double BoiledShare = 1e-6;

    public InletPath(PumpAsSetUp plant, in Condition condition, double noLoadHz)
    {
        var vapour = condition.WarmerK > 0 ? Suction.VapourPa(plant.Setup, condition.WarmerK) : plant.VapourPa;
        var over = plant.SourcePa - vapour;
        var fill = plant.Column.At(condition.InletCapacity, Math.Max(LeastOverPa, over), Math.Max(noLoadHz, LeastHz));
        Resistance = plant.InletResistance / (condition.InletCapacity * condition.InletCapacity);
        Resistance *= fill.SquareFactor;
        MostFlow = over <= 0 ? BoiledShare * plant.FullFlow : Math.Sqrt(over / Resistance);
        FilledM3 = fill.Share * plant.VolumeM3;
    }

    /// <summary>Pressure lost over the square of the mean flow, Pa/(m³/s)².</summary>
    public double Resistance { get; }

    /// <summary>Flow at which it cavitates, m³/s.</summary>
    public double MostFlow { get; }

    /// <summary>Of the room that the plungers make in one turn, what fills, m³.</summary>
    public double FilledM3 { get; }
}
