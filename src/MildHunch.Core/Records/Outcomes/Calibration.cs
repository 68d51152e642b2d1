using MathNet.Numerics.Distributions;

namespace MildHunch.Core.Records.Outcomes;

/// <summary>What was thought of the leader before it was opened, and whether it was found.</summary>
/// <param name="Probability">0 to 1.</param>
public sealed record Hunch(double Probability, bool Right);

/// <summary>Hunches of about one strength: how many were right, with a band of 90 %.</summary>
/// <param name="Claimed">Mean of what was claimed.</param>
public sealed record HunchBin(double From, double To, int Cases, int Right, double Claimed, double Low, double High);

/// <summary>How often the hunch was right: of all that were 80 % sure, four of five should have been.</summary>
public static class Calibration
{
    private const double Tail = 0.05;
    private static readonly double[] Edges = [0, 0.35, 0.5, 0.65, 0.8, 0.95, 1];

    /// <summary>Bins that hold a case; bands after Clopper and Pearson 1934.</summary>
    public static IReadOnlyList<HunchBin> Of(IReadOnlyCollection<Hunch> hunches) =>
    [
        .. Edges.Zip(Edges.Skip(1)).Select(e => Bin(e.First, e.Second, [.. hunches.Where(h =>
            h.Probability >= e.First && (h.Probability < e.Second || e.Second >= 1))])).OfType<HunchBin>(),
    ];

    private static HunchBin? Bin(double from, double to, Hunch[] within)
    {
        if (within.Length == 0)
            return null;
        int all = within.Length, right = within.Count(h => h.Right);
        return new HunchBin(
            from, to, all, right, within.Average(h => h.Probability), right == 0 ? 0 : Beta.InvCDF(right, all - right + 1, Tail),
            right == all ? 1 : Beta.InvCDF(right + 1, all - right, 1 - Tail));
    }
}
