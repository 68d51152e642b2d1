namespace MildHunch.Core.Pumps;

/// <summary>Which valves stand under caps, and whether an ear at the head can tell inlet from discharge.</summary>
public static class ValveCaps
{
    private static readonly Side[] Both = [Side.Inlet, Side.Discharge];
    private static readonly Side[] Above = [Side.Discharge];

    /// <summary>Sides that have caps; on a stacked bore the one plug a cylinder stands over the discharge valve; none elsewhere.</summary>
    public static IReadOnlyList<Side> CapSides(this ReciprocatingPump pump) => (pump.Arrangement, pump.HeadLayout) switch
    {
        (Arrangement.CrankPlunger, HeadLayout.SixCaps) => Both,
        (Arrangement.CrankPlunger, HeadLayout.StackedBore or HeadLayout.InletCover or HeadLayout.InletScrewed) => Above,
        _ => [],
    };

    /// <summary>True where the two valves of a cylinder stand apart, so that what is heard or felt at one is not the other.</summary>
    public static bool TellsSides(this ReciprocatingPump pump) =>
        pump.HeadLayout is not (HeadLayout.StackedBore or HeadLayout.ValvePlate or HeadLayout.SplitManifold);
}
