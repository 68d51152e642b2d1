using MildHunch.Core.Hydraulics.Cycle;
using MildHunch.Core.Hydraulics.Motion;
using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Pumps;

namespace MildHunch.Core.Faults.Effects;

/// <summary>Where a leak of one cylinder goes.</summary>
internal enum LeakWay
{
    /// <summary>Back through a valve, into the pump.</summary>
    Inside,

    /// <summary>To the inlet or to the weep, as this pump's seals are built.</summary>
    AsSealReturns,

    /// <summary>Out at the weep.</summary>
    Outside,
}

/// <summary>
/// Leak of one cylinder on one stroke: G = from + (to − from)·severity², so that small leaks are resolved and large ones
/// reach well past total (G = 1). Where it comes out, its lesser half goes down to a drop a minute. May drip outside as well.
/// </summary>
internal sealed class CylinderLeak(
    string id, LeakStroke stroke, double from, double to, LeakWay way = LeakWay.Inside, double dripM3S = 0) : IEffect
{
    private const double Widest = 3;

    // Below this severity a leak that shows is told in drops.
    private const double Dripping = 0.5;
    private static readonly CylinderLeak Forward = new("any-forward-leak", LeakStroke.Forward, 0, Widest);
    private static readonly CylinderLeak ForwardOutside = new("any-outside-leak", LeakStroke.Forward, 0, Widest, LeakWay.Outside);
    private static readonly CylinderLeak Return = new("any-return-leak", LeakStroke.Return, 0, Widest);

    /// <inheritdoc/>
    public string Id => id;

    /// <inheritdoc/>
    public bool Unbalances => true;

    /// <inheritdoc/>
    public IEffect Family(ReciprocatingPump pump) => stroke == LeakStroke.Return ? Return : Outside(pump) ? ForwardOutside : Forward;

    /// <inheritdoc/>
    public double ToFamilySeverity(double severity, ReciprocatingPump pump)
    {
        var leak = Leak(severity, pump);
        var dripping = Widest * Dripping * Dripping;
        return Outside(pump) && leak < dripping
            ? Dripping * Drops.Severity(Drops.ShareOfCylinder(pump), dripping, leak)
            : Math.Sqrt(leak / Widest);
    }

    /// <inheritdoc/>
    public void Apply(ref Condition condition, double severity, ReciprocatingPump pump, int cylinder = 1)
    {
        var chamber = IEffect.Chamber(pump, cylinder);
        if (stroke == LeakStroke.Return)
            condition.LeakBack(chamber, Leak(severity, pump));
        else
            condition.LeakForward(chamber, Leak(severity, pump), Outside(pump));
        if (dripM3S > 0)
            condition.DripFlow += Drops.Size(Drops.OneAMinuteM3S, dripM3S, Drops.Leaning(severity));
    }

    /// <inheritdoc/>
    public double NoticeRatio(double severity, ReciprocatingPump pump) => Delivery.LostShare(Leak(severity, pump)) / 0.25;

    private bool Outside(ReciprocatingPump pump) =>
        way == LeakWay.Outside || (way == LeakWay.AsSealReturns && pump.SealReturn == SealReturn.Weep);

    private double Leak(double severity, ReciprocatingPump pump)
    {
        var leak = from + ((to - from) * severity * severity);
        return from == 0 && severity < Dripping && Outside(pump)
            ? Drops.Size(Drops.ShareOfCylinder(pump), to * Dripping * Dripping, severity / Dripping)
            : leak;
    }
}

/// <summary>Inlet valve does not open: up to the whole stroke of one cylinder stays empty.</summary>
internal sealed class NoFill : IEffect
{
    /// <inheritdoc/>
    public string Id => "no-fill";

    /// <inheritdoc/>
    public bool Unbalances => true;

    /// <inheritdoc/>
    public void Apply(ref Condition condition, double severity, ReciprocatingPump pump, int cylinder = 1) =>
        condition.Starve(IEffect.Chamber(pump, cylinder), severity);

    /// <inheritdoc/>
    public double NoticeRatio(double severity, ReciprocatingPump pump) => severity / 0.25;
}

/// <summary>Drips outside without taking anything from the delivery: from a drop a minute to so much at severity 1, m³/s.</summary>
internal sealed class WeepOnly(string id, double mostM3S) : IEffect
{
    /// <inheritdoc/>
    public string Id => id;

    /// <inheritdoc/>
    public bool MovesNumbers => false;

    /// <inheritdoc/>
    public void Apply(ref Condition condition, double severity, ReciprocatingPump pump, int cylinder = 1) =>
        condition.DripFlow += Drops.Size(Drops.OneAMinuteM3S, mostM3S, Drops.Leaning(severity));

    /// <inheritdoc/>
    public double NoticeRatio(double severity, ReciprocatingPump pump) => severity / 0.25;
}
