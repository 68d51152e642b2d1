using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Pumps;

namespace MildHunch.Core.Faults.Effects;

/// <summary>Where an orifice leads from the pump's outlet.</summary>
internal enum OrificeWay
{
    /// <summary>To the bypass.</summary>
    Bypass,
    /// <summary>Outside.</summary>
    Outside,
    /// <summary>From the high to the low side of the head.</summary>
    Inside,
}

/// <summary>
/// Fixed orifice beside the nozzle. The range is of the flow that runs with the leak, f; beside a nozzle that passes all
/// of it that is f/(1−f) of Kn. One that leads outside begins with a drop a minute.
/// </summary>
internal sealed class Orifice(string id, OrificeWay way, double from, double to) : IEffect
{
    private const double Least = 0.02;
    private const double Most = 0.95;
    private static readonly Orifice AnyBypass = new("any-bypass", OrificeWay.Bypass, Least, Most);

    /// <inheritdoc/>
    public string Id => id;

    /// <inheritdoc/>
    public IEffect Family(ReciprocatingPump pump) => way == OrificeWay.Bypass ? AnyBypass : this;

    /// <inheritdoc/>
    public double ToFamilySeverity(double severity, ReciprocatingPump pump) =>
        way == OrificeWay.Bypass ? (Flow(severity, pump) - Least) / (Most - Least) : severity;

    /// <inheritdoc/>
    public void Apply(ref Condition condition, double severity, ReciprocatingPump pump, int cylinder = 1)
    {
        var f = Flow(severity, pump);
        var share = f / (1 - f);
        switch (way)
        {
            case OrificeWay.Bypass:
                condition.BypassShare += share;
                break;
            case OrificeWay.Outside:
                condition.OutsideShare += share;
                break;
            default:
                condition.CrackShare += share;
                break;
        }
    }

    /// <inheritdoc/>
    public double NoticeRatio(double severity, ReciprocatingPump pump)
    {
        var f = Flow(severity, pump);
        // Water outside is seen long before it is missed.
        return f / (1 - f) / (way == OrificeWay.Outside ? 0.005 : 0.10);
    }

    private double Flow(double severity, ReciprocatingPump pump) =>
        way == OrificeWay.Outside ? Drops.Size(Drops.ShareOfFlow(pump), to, severity) : from + ((to - from) * severity);
}

/// <summary>Cracked diaphragm: water up the stem, from a drop to 3 % of the flow, and pressure that hunts by up to 30 %.</summary>
internal sealed class HuntingRegulator : IEffect
{
    /// <inheritdoc/>
    public string Id => "hunting-regulator";

    /// <inheritdoc/>
    public void Apply(ref Condition condition, double severity, ReciprocatingPump pump, int cylinder = 1)
    {
        condition.OutsideShare += Drops.Size(Drops.ShareOfFlow(pump), 0.03, severity);
        condition.ExtraSwing += 0.3 * severity;
    }

    /// <inheritdoc/>
    public double NoticeRatio(double severity, ReciprocatingPump pump) => severity / 0.25;
}

/// <summary>
/// Control opens too early: from 0.95 down to three tenths of its setting, as low as a broken spring lets it (common practice).
/// </summary>
internal sealed class SettingLow : IEffect
{
    /// <inheritdoc/>
    public string Id => "setting-low";

    /// <inheritdoc/>
    public void Apply(ref Condition condition, double severity, ReciprocatingPump pump, int cylinder = 1) =>
        condition.SettingFactor *= 0.95 - (0.65 * severity);

    /// <inheritdoc/>
    public double NoticeRatio(double severity, ReciprocatingPump pump) => severity / 0.15;
}

/// <summary>Control opens too late or not at all: 1.1 to 4 times its setting.</summary>
internal sealed class SettingHigh : IEffect
{
    /// <inheritdoc/>
    public string Id => "setting-high";

    /// <inheritdoc/>
    public void Apply(ref Condition condition, double severity, ReciprocatingPump pump, int cylinder = 1) =>
        condition.SettingFactor *= 1.1 + (2.9 * severity);

    /// <inheritdoc/>
    public double NoticeRatio(double severity, ReciprocatingPump pump) => 1;
}

/// <summary>Relief valve lifts below what it is believed to be set to: from 0.95 down to half of it (common practice, no source).</summary>
internal sealed class ReliefLow : IEffect
{
    /// <inheritdoc/>
    public string Id => "relief-low";

    /// <inheritdoc/>
    public void Apply(ref Condition condition, double severity, ReciprocatingPump pump, int cylinder = 1) =>
        condition.ReliefFactor *= 0.95 - (0.45 * severity);

    /// <inheritdoc/>
    public double NoticeRatio(double severity, ReciprocatingPump pump) => severity / 0.3;
}

/// <summary>Pressure that dips at every reversal of an intensifier, by up to three tenths (common practice, no source).</summary>
internal sealed class ShiftDip : IEffect
{
    /// <inheritdoc/>
    public string Id => "shift-dip";

    /// <inheritdoc/>
    public void Apply(ref Condition condition, double severity, ReciprocatingPump pump, int cylinder = 1) =>
        condition.ExtraSwing += 0.3 * severity;

    /// <inheritdoc/>
    public double NoticeRatio(double severity, ReciprocatingPump pump) => severity / 0.25;
}

/// <summary>
/// Loss between head and nozzle, up to eight tenths of the healthy pressure at the healthy flow, and a drop to 5 % of the flow
/// outside.
/// </summary>
internal sealed class HoseFault : IEffect
{
    /// <inheritdoc/>
    public string Id => "hose-fault";

    /// <inheritdoc/>
    public void Apply(ref Condition condition, double severity, ReciprocatingPump pump, int cylinder = 1)
    {
        // Most bad hoses only drip at a coupling; few lose much of the pressure.
        condition.LineLoss += 0.8 * severity * severity;
        condition.OutsideShare += Drops.Size(Drops.ShareOfFlow(pump), 0.05, severity);
    }

    /// <inheritdoc/>
    public double NoticeRatio(double severity, ReciprocatingPump pump) => severity / 0.15;
}

/// <summary>Dampener gas gone: all of it at severity 1.</summary>
internal sealed class DampenerLost : IEffect
{
    /// <inheritdoc/>
    public string Id => "dampener-lost";

    /// <inheritdoc/>
    public void Apply(ref Condition condition, double severity, ReciprocatingPump pump, int cylinder = 1) =>
        condition.DampenerShare *= 1 - severity;

    /// <inheritdoc/>
    public double NoticeRatio(double severity, ReciprocatingPump pump) => severity / 0.5;
}

/// <summary>Area of the nozzle over what it should be.</summary>
internal sealed class NozzleArea(string id, double from, double to, bool always = false) : IEffect
{
    /// <inheritdoc/>
    public string Id => id;

    /// <inheritdoc/>
    public void Apply(ref Condition condition, double severity, ReciprocatingPump pump, int cylinder = 1) =>
        condition.NozzleFactor *= from + ((to - from) * severity);

    /// <inheritdoc/>
    public double NoticeRatio(double severity, ReciprocatingPump pump) => always ? 1 : Math.Abs(from + ((to - from) * severity) - 1) / 0.10;
}

/// <summary>Shows from nothing (severity 0 of this scale) through true at one half to twice what is there.</summary>
internal sealed class GaugeWrong : IEffect
{
    /// <inheritdoc/>
    public string Id => "gauge-wrong";

    /// <inheritdoc/>
    public void Apply(ref Condition condition, double severity, ReciprocatingPump pump, int cylinder = 1) =>
        condition.GaugeFactor *= 2 * severity;

    /// <inheritdoc/>
    public double NoticeRatio(double severity, ReciprocatingPump pump) => ToDisplayed(severity) / 0.10;

    /// <inheritdoc/>
    public double ToDisplayed(double severity) => Math.Abs((2 * severity) - 1);

    // A wrong gauge reads low more often than high: the displayed severity runs towards one that shows nothing.
    /// <inheritdoc/>
    public double FromDisplayed(double displayed) => 0.5 * (1 - displayed);
}
