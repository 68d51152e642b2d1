namespace MildHunch.Core.Hydraulics;

public sealed partial class OperatingPointSolver
{
    private const int MostPeakRounds = 12;
    private const double CloseShare = 1e-4;

    // Where the upper part of a large swing lies, over the swing: enough to see that a control may be touched.
    private const double UpperShare = 0.65;

    /// <summary>A turn whose peaks open control or relief although its mean would not: means over that turn.</summary>
    private readonly struct CutTurn
    {
        public double Mean { get; init; }

        public double Swing { get; init; }

        public double MeanRoot { get; init; }

        public double Control { get; init; }
    }

    // One or two chambers, or a lame one, swing so far that the mean says nothing of what the control does.
    private bool PeaksTouch(in Balance balance, in Flows at, double pressure)
    {
        if (Setup.Nozzle.OpensAtPa is not null || (motion.Chambers > 2 && !balance.AnyLame))
            return false;
        var swing = balance.ShapeOf(at).Swing * balance.Level(at.Delivered);
        return pressure + (UpperShare * swing) > Math.Min(balance.Setting, reliefPa);
    }

    // Leaks follow the mean pressure, the mean pressure the turn: round until they agree.
    private CutTurn CutPeaks(ref Balance balance, ref double pressure, out Flows at)
    {
        Span<double> turn = stackalloc double[TurnTable.Steps];
        var start = pressure;
        CutTurn cut = default;
        at = balance.At(pressure);
        for (var round = 0; round < MostPeakRounds; round++)
        {
            balance.LayTurn(turn, at);
            cut = Settle(balance, turn, at.Speed, ref start);
            var moved = Math.Abs(cut.Mean - pressure);

            // A large leak answers to pressure so strongly that only half a step is safe.
            pressure = balance.AnyLame ? (pressure + cut.Mean) / 2 : cut.Mean;
            at = balance.At(pressure);
            if (moved < CloseShare * pressure)
                break;
        }

        return cut;
    }

    // The map from one turn's start to the next is a contraction: secant to its fixed point, as for the free cycle.
    private CutTurn Settle(in Balance balance, ReadOnlySpan<double> turn, double speedHz, ref double start)
    {
        var dt = 1 / (speedHz * turn.Length * balance.Compliance);
        var from = start;
        var to = Turn(balance, turn, dt, from, out var cut);
        for (var i = 0; i < 12 && Math.Abs(to - from) > 1e-5 * Math.Max(from, 1); i++)
        {
            var probe = from + Math.Max(1, (to - from) * 0.5);
            var slope = (Turn(balance, turn, dt, probe, out _) - to) / (probe - from);
            from = Math.Max(0, from + ((to - from) / (1 - Math.Clamp(slope, 0, 0.9999))));
            to = Turn(balance, turn, dt, from, out cut);
        }

        start = to;
        return cut;
    }

    // Backward Euler; each stretch between the openings of control and relief solves in closed form.
    private double Turn(in Balance balance, ReadOnlySpan<double> turn, double dt, double p, out CutTurn cut)
    {
        double sum = 0, roots = 0, control = 0, top = 0, bottom = double.MaxValue;
        var a = dt * balance.FreeOutflow;
        foreach (var q in turn)
        {
            var right = p + (dt * q);
            p = Step(right, 1, a);
            if (p > balance.Setting || p > reliefPa)
            {
                double gain = 0, shut = 0;
                if (p > balance.Setting)
                    (gain, shut) = (balance.ControlGain, balance.ControlGain * balance.Setting);
                if (p > reliefPa)
                    (gain, shut) = (gain + balance.ReliefGain, shut + (balance.ReliefGain * reliefPa));
                p = Math.Max(Math.Min(balance.Setting, reliefPa), Step(right + (dt * shut), 1 + (dt * gain), a));
                control += (gain * p) - shut;
            }

            sum += p;
            roots += Math.Sqrt(p);
            top = Math.Max(top, p);
            bottom = Math.Min(bottom, p);
        }

        cut = new CutTurn { Mean = sum / turn.Length, MeanRoot = roots / turn.Length, Control = Math.Max(0, control) / turn.Length, Swing = top - bottom };
        return p;
    }

    // Positive root of m·p + a·√p = right.
    private static double Step(double right, double m, double a)
    {
        if (right <= 0)
            return 0;
        var root = (Math.Sqrt((a * a) + (4 * m * right)) - a) / (2 * m);
        return root * root;
    }
}
