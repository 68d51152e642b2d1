using MildHunch.Core.Pumps;

namespace MildHunch.Core.Hydraulics.Steady;

/// <summary>
/// How soft the outlet line may be, dampener apart. Nobody measures it, so it is a short list of likely values to sum over,
/// in m³/Pa: 1e-13 to 5e-12 when nothing is known (docs/trade.md, Soft and stiff outlets); a hose takes the upper part of that, rigid
/// pipe the lower.
/// Where length and bore were given, it is known within a third or so.
/// </summary>
public static class OutletCompliance
{
    private static readonly double[] HoseNodes = [7e-13, 1.6e-12, 4e-12];
    private static readonly double[] RigidNodes = [1e-13, 2e-13, 4e-13];
    private static readonly double[] UnknownNodes = [1e-13, 2.7e-13, 7e-13, 1.9e-12, 5e-12];
    private static readonly double[] GivenSpread = [0.65, 1, 1.5];

    /// <summary>Equally likely values.</summary>
    public static double[] Nodes(Setup setup)
    {
        if (setup.Outlet is { } run)
        {
            var given = run.ComplianceM3Pa(setup.Liquid.BulkModulus(setup.Temperature));
            return [.. GivenSpread.Select(x => x * given)];
        }

        return setup.Line switch
        {
            OutletLine.Hose => HoseNodes,
            OutletLine.Rigid => RigidNodes,
            _ => UnknownNodes,
        };
    }

    /// <summary>The middle one.</summary>
    public static double Typical(Setup setup)
    {
        var nodes = Nodes(setup);
        return nodes[nodes.Length / 2];
    }
}
