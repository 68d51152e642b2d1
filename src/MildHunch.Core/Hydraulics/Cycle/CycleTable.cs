using System.Runtime.CompilerServices;
using MildHunch.Core.Hydraulics.Motion;

namespace MildHunch.Core.Hydraulics.Cycle;

/// <summary>
/// <see cref="CycleShape"/> tabulated against leak and κ for one motion and one stroke. A pure
/// function kept after its first use: building one takes some ten milliseconds, reading it nanoseconds.
/// </summary>
internal sealed class CycleTable
{
    private const double LeastLogKappa = -2.5;
    private const double LogKappaStep = 0.25;
    private const int KappaCount = 19;
    private const double Log10Of2 = 0.3010299956639812;
    private static readonly double[] Leaks = [0, 0.03, 0.08, 0.15, 0.25, 0.4, 0.6, 0.8, 1, 1.5, 2.5, 5, 12];
    private const long MostBytes = 16 << 20;
    private static readonly BoundedMemory<(PumpMotion, LeakStroke),
    CycleTable> Known = new(MostBytes, t => Unsafe.SizeOf<CycleShape>() * (long)t.shapes.Length);

    private readonly CycleShape[,] shapes = new CycleShape[Leaks.Length, KappaCount];

    private CycleTable(PumpMotion motion, LeakStroke stroke)
    {
        var fine = TurnTable.Fine(motion);
        for (var i = 0; i < Leaks.Length; i++)
        {
            var near = (1.0, 1.0);
            for (var j = KappaCount - 1; j >= 0; j--)
                shapes[i, j] = CycleShape.Solve(fine, stroke, Leaks[i], Math.Pow(10, LeastLogKappa + (j * LogKappaStep)), ref near);
        }
    }

    /// <summary>The table for this kind of pump.</summary>
    public static CycleTable For(PumpMotion motion, LeakStroke stroke) =>
        Known.Get((motion, stroke), key => new CycleTable(key.Item1, key.Item2));

    /// <summary>Bilinear in leak and log κ, held at the ends.</summary>
    public CycleShape At(double leak, double kappa)
    {
        var (i, j, u, v) = Cell(leak, kappa);
        ref readonly var a = ref shapes[i, j];
        ref readonly var b = ref shapes[i, j + 1];
        ref readonly var c = ref shapes[i + 1, j];
        ref readonly var d = ref shapes[i + 1, j + 1];
        return new CycleShape(
            Mix(a.MeanFactor, b.MeanFactor, c.MeanFactor, d.MeanFactor, u, v),
            Mix(a.Swing, b.Swing, c.Swing, d.Swing, u, v),
            Mix(a.Kept, b.Kept, c.Kept, d.Kept, u, v));
    }

    private static (int I, int J, double U, double V) Cell(double leak, double kappa)
    {
        var x = Math.Clamp(((Math.Log2(Math.Max(kappa, 1e-9)) * Log10Of2) - LeastLogKappa) / LogKappaStep, 0, KappaCount - 1.000001);
        var j = (int)x;
        var l = Math.Clamp(leak, 0, Leaks[^1]);
        var i = 0;
        while (i < Leaks.Length - 2 && Leaks[i + 1] < l)
            i++;
        return (i, j, x - j, (l - Leaks[i]) / (Leaks[i + 1] - Leaks[i]));
    }

    private static double Mix(double a, double b, double c, double d, double u, double v) =>
        ((1 - v) * (((1 - u) * a) + (u * b))) + (v * (((1 - u) * c) + (u * d)));
}
