namespace MildHunch.Core.Hydraulics;

/// <summary>On which stroke the leaking cylinder loses its water.</summary>
public enum LeakStroke
{
    /// <summary>Inlet valve or high-pressure seal: less goes forward.</summary>
    Forward,

    /// <summary>Discharge valve: all goes forward, some is drawn back.</summary>
    Return,
}

/// <summary>Mean and swing of the outlet pressure over one revolution.</summary>
/// <param name="MeanFactor">F: mean pressure over (mean flow / Kn)².</param>
/// <param name="Swing">Largest less smallest pressure over (mean flow / Kn)².</param>
public readonly record struct CycleShape(double MeanFactor, double Swing)
{
    private const int Steps = 720;

    /// <summary>
    /// Steady cycle with the first chamber leaking by <paramref name="leak"/> (share of A·rω, 0 tight, 1 and more all of it)
    /// and all others sound. κ = ωC·(Q̄/Kn)²/Q̄.
    /// </summary>
    public static CycleShape Solve(PumpMotion motion, LeakStroke stroke, double leak, double kappa)
    {
        var flow = new double[Steps];
        for (var i = 0; i < Steps; i++)
        {
            var theta = 2 * Math.PI * (i + 0.5) / Steps;
            flow[i] = motion.Delivered(0, theta, stroke == LeakStroke.Forward ? leak : 0, stroke == LeakStroke.Return ? leak : 0);
            for (var k = 1; k < motion.Chambers; k++)
                flow[i] += motion.AreaShare(k) * motion.Delivered(k, theta - motion.Phase(k), 0, 0);
        }

        return Solve(flow, kappa);
    }

    /// <summary>
    /// Steady cycle of C·dp/dt = Q(θ) − Kn√p in one volume, for evenly spaced flows of any scale, which are scaled to a mean
    /// of 1. Backward Euler, whose step solves in closed form.
    /// </summary>
    public static CycleShape Solve(Span<double> flow, double kappa)
    {
        var start = 1.0;
        return Solve(flow, kappa, ref start);
    }

    /// <summary>The same from a guess of the pressure at the start of the turn, which is left at what it is.</summary>
    public static CycleShape Solve(Span<double> flow, double kappa, ref double start)
    {
        var mean = 0.0;
        foreach (var q in flow)
            mean += q;
        mean /= flow.Length;
        if (mean <= 1e-6)
            return new CycleShape(1, 0);
        foreach (ref var q in flow)
            q /= mean;

        var a = 2 * Math.PI / flow.Length / kappa;

        // The map of the pressure at the start of one revolution to its end is a contraction; the secant through two
        // revolutions finds its fixed point even when the volume is so soft that it forgets slowly.
        var y0 = start;
        var y1 = Revolve(flow, a, y0, out var average, out var top, out var bottom);
        for (var i = 0; i < 30 && Math.Abs(y1 - y0) > 1e-8; i++)
        {
            var probe = y0 + Math.Max(1e-6, Math.Abs(y1 - y0) * 0.5);
            var slope = (Revolve(flow, a, probe, out _, out _, out _) - y1) / (probe - y0);
            y0 = Math.Max(0, y0 + ((y1 - y0) / (1 - Math.Min(slope, 0.999999))));
            y1 = Revolve(flow, a, y0, out average, out top, out bottom);
        }

        start = y1;
        return new CycleShape(average, top - bottom);
    }

    private static double Revolve(ReadOnlySpan<double> flow, double a, double y, out double mean, out double top, out double bottom)
    {
        mean = 0;
        top = double.MinValue;
        bottom = double.MaxValue;
        foreach (var q in flow)
        {
            var right = y + (a * q);
            var root = right <= 0 ? 0 : Math.Sqrt((a * a / 4) + right) - (a / 2);
            y = root * root;
            mean += y;
            top = Math.Max(top, y);
            bottom = Math.Min(bottom, y);
        }

        mean /= flow.Length;
        return y;
    }
}
