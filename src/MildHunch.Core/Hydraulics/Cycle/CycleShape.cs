using MildHunch.Core.Hydraulics.Motion;

namespace MildHunch.Core.Hydraulics.Cycle;

/// <summary>On which stroke the leaking cylinder loses its water.</summary>
public enum LeakStroke
{
    /// <summary>Inlet valve or high-pressure seal: less goes forward.</summary>
    Forward,

    /// <summary>Discharge valve: all goes forward, some is drawn back.</summary>
    Return,
}

/// <summary>
/// Outlet pressure over one revolution, the leak following it. Q is the mean flow left by that leak at the mean pressure.
/// </summary>
/// <param name="MeanFactor">F: mean pressure over that of a steady flow as large as what is delivered.</param>
/// <param name="Swing">Largest less smallest pressure over (Q/Kn)².</param>
/// <param name="Kept">What is delivered over Q: above 1, since a leak passes less while the pressure is low than it saves while it is
/// high.</param>
public readonly record struct CycleShape(double MeanFactor, double Swing, double Kept)
{
    private const int MostRounds = 40;
    private const double Close = 1e-4;
    private const double HardlyAny = 1e-4;

    /// <summary>
    /// Steady cycle of C·dp/dt = q(θ, p) − Kn√p in one volume with the first chamber leaking by <paramref name="leak"/> at the
    /// mean pressure (share of A·rω, 0 tight, 1 and more all of it) and all others sound. κ = ωC·(Q/Kn)²/Q.
    /// </summary>
    public static CycleShape Solve(PumpMotion motion, LeakStroke stroke, double leak, double kappa)
    {
        var near = (1.0, 1.0);
        return Solve(TurnTable.Fine(motion), stroke, leak, kappa, ref near);
    }

    /// <summary>The same from a mean and a start of the turn as found nearby, over (Q/Kn)², which are left at what they are.</summary>
    internal static CycleShape Solve(TurnTable table, LeakStroke stroke, double leak, double kappa, ref (double Mean, double Start) near)
    {
        var motion = table.Motion;
        var steps = table.Sound.Length;
        Span<double> sound = stackalloc double[steps], moved = stackalloc double[steps], late = stackalloc double[steps];
        table.Sound.CopyTo(sound);
        table.Part(sound, moved, late, 0, 0);
        var flow = table.SoundMean * (1 - (motion.LostShare(leak) / (motion.Cylinders * (1 + motion.RodSideShare))));
        if (flow < HardlyAny * table.SoundMean)
            return new CycleShape(1, 0, 1);

        // In units of (Q/Kn)². The leak is given at the mean pressure, which follows from the leak: secant inside a bracket.
        Span<LameChamber> lame = [new LameChamber(false)];
        double low = 0, high = double.PositiveInfinity, before = 0, offBefore = 0;
        var (mean, start) = near;
        for (var round = 0; ; round++)
        {
            var passes = leak / Math.Sqrt(mean);
            lame[0].Set(stroke == LeakStroke.Forward ? passes : 0, stroke == LeakStroke.Return ? passes : 0, late);
            var turn = new PressureTurn
            {
                Sound = sound,
                Lame = moved,
                Late = late,
                Free = flow,
                Step = 2 * Math.PI / (steps * kappa * flow),
            };
            var means = turn.Settled(ref start, lame, round > 0);
            var off = means.PressurePa - mean;
            if (Math.Abs(off) < Close * mean || round > MostRounds)
            {
                near = (mean, start);
                return new CycleShape(means.PressurePa / (means.Root * means.Root), means.SwingPa, means.Root);
            }

            if (off > 0)
                low = mean;
            else
                high = mean;
            var slope = round == 0 ? -1 : (off - offBefore) / (mean - before);
            var next = slope < -0.05 ? mean - (off / slope) : low;
            (before, offBefore) = (mean, off);
            mean = next > low && next < high ? next : Math.Min((low + high) / 2, 2 * Math.Max(low, 1e-3));
        }
    }
}
