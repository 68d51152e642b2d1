namespace MildHunch.Core.Numerics;

/// <summary>
/// Cubic interpolation that never overshoots (Fritsch and Butland 1984): where the nodes rise, so does the curve. Nodes
/// evenly spaced over [0, 1].
/// </summary>
internal static class MonotoneCubic
{
    /// <summary>Values at the midpoints of <paramref name="fine"/>.Length equal cells of [0, 1].</summary>
    public static void Resample(ReadOnlySpan<double> nodes, Span<double> fine)
    {
        for (var j = 0; j < fine.Length; j++)
            fine[j] = (j + 0.5) / fine.Length;
        Evaluate(nodes, fine);
    }

    /// <summary>Replaces places within [0, 1] by the values there.</summary>
    public static void Evaluate(ReadOnlySpan<double> nodes, Span<double> fine)
    {
        var cells = nodes.Length - 1;
        Span<double> slope = stackalloc double[nodes.Length];
        for (var i = 1; i < cells; i++)
            slope[i] = Harmonic(nodes[i] - nodes[i - 1], nodes[i + 1] - nodes[i]);
        slope[0] = End(nodes[1] - nodes[0], slope[1]);
        slope[cells] = End(nodes[cells] - nodes[cells - 1], slope[cells - 1]);
        for (var j = 0; j < fine.Length; j++)
        {
            var x = fine[j] * cells;
            var i = Math.Min((int)x, cells - 1);
            var t = x - i;
            var d = nodes[i + 1] - nodes[i];
            var a = (slope[i] + slope[i + 1]) - (2 * d);
            var b = (3 * d) - (2 * slope[i]) - slope[i + 1];
            fine[j] = nodes[i] + (t * (slope[i] + (t * (b + (t * a)))));
        }
    }

    private static double Harmonic(double before, double after) => before * after <= 0 ? 0 : 2 * before * after / (before + after);

    // The end slope of a parabola through the last nodes, held to the range that keeps the end cell monotone.
    private static double End(double d, double inner)
    {
        var slope = ((3 * d) - inner) / 2;
        if (slope * d <= 0)
            return 0;
        return Math.Abs(slope) > 3 * Math.Abs(d) ? 3 * d : slope;
    }
}
