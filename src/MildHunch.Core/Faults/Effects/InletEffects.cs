using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Pumps;

namespace MildHunch.Core.Faults.Effects;

/// <summary>Changes no number.</summary>
internal sealed class NoEffect : IEffect
{
    /// <inheritdoc/>
    public string Id => "none";

    /// <inheritdoc/>
    public bool MovesNumbers => false;

    /// <inheritdoc/>
    public void Apply(ref Condition condition, double severity, ReciprocatingPump pump, int cylinder = 1)
    {
    }

    /// <inheritdoc/>
    public double NoticeRatio(double severity, ReciprocatingPump pump) => 1;
}

/// <summary>
/// Inlet loss up: the flow at which cavitation sets in falls to 2/15 of the sound one, from 3 to 0.4 times the theoretical flow on an
/// ordinary inlet.
/// </summary>
internal sealed class InletRestriction : IEffect
{
    private const double Least = 0.4 / OperatingPointSolver.OrdinaryInlet;

    /// <inheritdoc/>
    public string Id => "inlet-restriction";

    /// <inheritdoc/>
    public void Apply(ref Condition condition, double severity, ReciprocatingPump pump, int cylinder = 1)
    {
        condition.InletCapacity *= Math.Pow(Least, severity);
        condition.ExtraSwing += 0.3 * Short(severity);
    }

    /// <inheritdoc/>
    public double NoticeRatio(double severity, ReciprocatingPump pump) => Short(severity) / 0.10;

    private static double Short(double severity) => Math.Max(0, 1 - (OperatingPointSolver.OrdinaryInlet * Math.Pow(Least, severity)));
}

/// <summary>Gas in the inlet: so much of each stroke at severity 1.</summary>
internal sealed class GasInInlet(string id, double most) : IEffect
{
    /// <inheritdoc/>
    public string Id => id;

    /// <inheritdoc/>
    public void Apply(ref Condition condition, double severity, ReciprocatingPump pump, int cylinder = 1)
    {
        condition.FillFactor *= 1 - (most * severity);
        condition.ExtraSwing += 0.8 * most * severity;
    }

    /// <inheritdoc/>
    public double NoticeRatio(double severity, ReciprocatingPump pump) => most * severity / 0.10;
}

/// <summary>Up to 70 K warmer than believed, held at the end of the liquid's range.</summary>
internal sealed class HotSupply : IEffect
{
    /// <inheritdoc/>
    public string Id => "hot-supply";

    /// <inheritdoc/>
    public void Apply(ref Condition condition, double severity, ReciprocatingPump pump, int cylinder = 1) =>
        condition.WarmerK += 70 * severity;

    /// <inheritdoc/>
    public double NoticeRatio(double severity, ReciprocatingPump pump) => severity / 0.5;
}

/// <summary>Crank slower than believed, or standing.</summary>
/// <param name="least">Share of the speed that is lost at severity 0.</param>
/// <param name="most">The same at severity 1.</param>
internal sealed class SpeedLow(string id, double least, double most) : IEffect
{
    /// <inheritdoc/>
    public string Id => id;

    /// <inheritdoc/>
    public void Apply(ref Condition condition, double severity, ReciprocatingPump pump, int cylinder = 1) =>
        condition.SpeedFactor *= 1 - Lost(severity);

    /// <inheritdoc/>
    public double NoticeRatio(double severity, ReciprocatingPump pump) => Lost(severity) / 0.10;

    private double Lost(double severity) => least + ((most - least) * severity);
}
