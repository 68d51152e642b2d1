using MildHunch.Core.Expectation;
using MildHunch.Core.Faults.Effects;
using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Numerics;

namespace MildHunch.Core.Diagnosis.Predictions;

/// <summary>
/// What every observable shows under every effect, at every severity and outlet softness, together with how it moves
/// with the things that are uncertain in all readings alike: delivery (slip, speed) and Kn. Solved at a few severities,
/// interpolated monotonically to many.
/// </summary>
public sealed class PredictionTable
{
    /// <summary>Severities summed over.</summary>
    public const int Fine = 64;

    /// <summary>Severities solved.</summary>
    public const int Nodes = 12;

    private readonly int[] kind;
    private readonly double[][] along;
    private readonly double[][] mean;
    private readonly double[][] bySpeed;
    private readonly double[][] byNozzle;
    private readonly double[][] variance;
    private readonly int softCount;
    private readonly bool allPulsate;
    private readonly double[] sound;

    /// <summary>Solves every effect at every severity and softness.</summary>
    public PredictionTable(IPumpModel model, IReadOnlyList<string> effects)
    {
        var soft = OutletCompliance.Nodes(model.Setup);
        softCount = soft.Length;
        Effects = [.. effects.Select(e => EffectLibrary.Find(e)!)];
        SoundEffect = Effects.ToList().FindIndex(e => e is NoEffect);
        Solved = [.. Effects, .. Effects.Select(e => e.Kind(model.Pump)).Except(Effects).Distinct()];
        kind = [.. Solved.Select(e => Solved.IndexOf(e.Kind(model.Pump)))];
        along = [.. Solved.Select(e => Enumerable.Range(0, Fine).Select(s => Math.Clamp(e.Along(Severity(s)), 0, 1)).ToArray())];
        var count = Solved.Count * softCount * Observables.Count;
        mean = Rows(count);
        bySpeed = Rows(count);
        byNozzle = Rows(count);
        variance = Rows(count);
        allPulsate = model.Pump.Chambers < 3;
        var sound = model.Solve(new Condition(), 1, 1, soft[softCount / 2]);
        this.sound = [.. Observables.All.Select(o => o.Read(sound, 1))];

        // Each kind writes its own rows, so that they may be solved side by side.
        int[] kinds = [.. Enumerable.Range(0, Solved.Count).Where(e => kind[e] == e)];
        Parallel.ForEach(kinds, () => new double[5 * Observables.Count * Nodes], (e, _, shown) =>
        {
            for (var c = 0; c < softCount; c++)
            {
                if (c == 0 || SoftMatters(e))
                    Fill(model, e, c, soft[c], shown);
                else
                    FillSwing(model, e, c, soft[c]);
            }

            return shown;
        }, _ => { });
    }

    /// <summary>Index of the effect that changes nothing.</summary>
    public int SoundEffect { get; }

    /// <summary>What a sound pump shows on a line of middling softness.</summary>
    public double Sound(int what) => sound[what];

    /// <summary>Effects of the hypotheses.</summary>
    public IReadOnlyList<IEffect> Effects { get; }

    /// <summary>The effects, and behind them the kinds of which several of them are stretches.</summary>
    internal List<IEffect> Solved { get; }

    /// <summary>Index of the kind of an effect, its own where it stands alone.</summary>
    internal int KindOf(int effect) => kind[effect];

    /// <summary>Severities of the kind at the fine severities of an effect.</summary>
    internal ReadOnlySpan<double> Along(int effect) => along[effect];

    /// <summary>How many values of the outlet's softness are summed over.</summary>
    public int SoftCount => softCount;

    /// <summary>About as many bytes as it holds.</summary>
    public long Bytes => sizeof(double) * Fine * (4L * mean.Length);

    /// <summary>
    /// False where only the swing hangs on the softness of the outlet: every balanced pump of three cylinders and more,
    /// whose mean pressure stiffness moves by half a per cent at the most (docs/trade.md, Soft and stiff outlets).
    /// </summary>
    public bool SoftMatters(int effect) => allPulsate || Solved[effect].Unbalances;

    /// <summary>Mean over severity, at <see cref="Fine"/> midpoints of [0, 1].</summary>
    public ReadOnlySpan<double> Mean(int effect, int soft, int what) => mean[At(effect, soft, what)];

    /// <summary>Change for one sigma of a believed speed (2 %).</summary>
    public ReadOnlySpan<double> BySpeed(int effect, int soft, int what) => bySpeed[At(effect, soft, what)];

    /// <summary>Change for one sigma of Kn.</summary>
    public ReadOnlySpan<double> ByNozzle(int effect, int soft, int what) => byNozzle[At(effect, soft, what)];

    /// <summary>Variance left over where the response is not a straight line.</summary>
    public ReadOnlySpan<double> Variance(int effect, int soft, int what) => variance[At(effect, soft, what)];

    /// <summary>Severity at a fine index.</summary>
    public static double Severity(int fine) => (fine + 0.5) / Fine;

    private static double[][] Rows(int count) => [.. Enumerable.Range(0, count).Select(_ => new double[Fine])];

    private int At(int effect, int soft, int what) => (((effect * softCount) + soft) * Observables.Count) + what;

    private void FillSwing(IPumpModel model, int e, int c, double compliance)
    {
        Span<double> node = stackalloc double[Nodes];
        var moves = Solved[e].MovesNumbers;
        for (var i = 0; i < Nodes; i++)
        {
            if (i > 0 && !moves)
            {
                node[i] = node[0];
                continue;
            }

            var condition = new Condition();
            Solved[e].Apply(ref condition, i / (double)(Nodes - 1), model.Pump);
            node[i] = Observables.Swing.Read(model.Solve(condition, 1, 1, compliance), condition.GaugeFactor);
        }

        for (var other = 0; other < Solved.Count; other++)
        {
            if (kind[other] != e)
                continue;
            for (var o = 0; o < Observables.Count; o++)
            {
                var (from, to) = (At(other, 0, o), At(other, c, o));
                (mean[to], bySpeed[to], byNozzle[to], variance[to]) = (mean[from], bySpeed[from], byNozzle[from], variance[from]);
            }

            var row = along[other].ToArray();
            MonotoneCubic.Evaluate(node, row);
            mean[At(other, c, Observables.Swing.Index)] = row;
        }
    }

    private void Fill(IPumpModel model, int e, int c, double compliance, double[] shown)
    {
        var effect = Solved[e];
        var step = PumpExpectation.BelievedSpeedSigma;
        var kn = model.Setup.Nozzle.RelativeSigma;
        var solved = effect.MovesNumbers ? Nodes : 1;
        Span<double> node = stackalloc double[Nodes];
        for (var i = 0; i < solved; i++)
        {
            var condition = new Condition();
            effect.Apply(ref condition, i / (double)(Nodes - 1), model.Pump);
            var middle = model.Solve(condition, 1, 1, compliance);
            Show(0, middle, 0);
            Show(1, model.Solve(condition, 1 + step, 1, compliance, middle), step);
            Show(2, model.Solve(condition, 1 - step, 1, compliance, middle), -step);
            Show(3, model.Solve(condition, 1, 1 + kn, compliance, middle), 0);
            Show(4, model.Solve(condition, 1, 1 - kn, compliance, middle), 0);

            // A step in delivery stands for speed, so the speed itself moves with it.
            void Show(int variant, OperatingPoint point, double speedStep)
            {
                point.SpeedHz *= 1 + speedStep;
                for (var o = 0; o < Observables.Count; o++)
                    shown[(((variant * Observables.Count) + o) * Nodes) + i] = Observables.All[o].Read(point, condition.GaugeFactor);
            }
        }

        for (var o = 0; o < Observables.Count; o++)
        {
            Into(mean, o, node, i => V(0, i) + ((V(1, i) + V(2, i) + V(3, i) + V(4, i) - (4 * V(0, i))) / 2));
            Into(bySpeed, o, node, i => (V(1, i) - V(2, i)) / 2);
            Into(byNozzle, o, node, i => (V(3, i) - V(4, i)) / 2);
            Into(variance, o, node, i => (Square(V(1, i) + V(2, i) - (2 * V(0, i))) + Square(V(3, i) + V(4, i) - (2 * V(0, i)))) / 2);

            double V(int variant, int i) => shown[(((variant * Observables.Count) + o) * Nodes) + i];
        }

        void Into(double[][] rows, int o, Span<double> nodes, Func<int, double> value)
        {
            for (var i = 0; i < Nodes; i++)
                nodes[i] = value(solved == 1 ? 0 : i);
            for (var other = 0; other < Solved.Count; other++)
            {
                if (kind[other] != e)
                    continue;
                var row = rows[At(other, c, o)];
                along[other].CopyTo(row, 0);
                MonotoneCubic.Evaluate(nodes, row);
            }
        }
    }

    private static double Square(double x) => x * x;
}
