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
internal sealed class PredictionTable
{
    /// <summary>Severities summed over.</summary>
    public const int Fine = 64;

    /// <summary>Severities solved.</summary>
    public const int Nodes = 12;

    private readonly int[] familyOf;
    private readonly double[][] familySeverities;
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
        Solved = [.. Effects, .. Effects.Select(e => e.Family(model.Pump)).Except(Effects).Distinct()];
        familyOf = [.. Solved.Select(e => Solved.IndexOf(e.Family(model.Pump)))];
        familySeverities =
        [
            .. Solved.Select(e => Enumerable.Range(0, Fine).Select(s => Math.Clamp(e.ToFamilySeverity(Severity(s), model.Pump), 0, 1))
                .ToArray()),
        ];
        var count = Solved.Count * softCount * Observables.Count;
        mean = Rows(count);
        bySpeed = Rows(count);
        byNozzle = Rows(count);
        variance = Rows(count);
        allPulsate = model.Pump.Chambers < 3;
        var sound = model.Solve(new Condition(), 1, 1, soft[softCount / 2]);
        this.sound = [.. Observables.All.Select(o => o.Read(sound, 1))];

        // Each family writes its own rows, so that they may be solved side by side.
        int[] families = [.. Enumerable.Range(0, Solved.Count).Where(e => familyOf[e] == e)];
        Parallel.ForEach(families, () => new DisturbedReadings(), (e, _, shown) =>
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

    /// <summary>The effects, and behind them the families of which several of them are stretches.</summary>
    internal List<IEffect> Solved { get; }

    /// <summary>Index of the family of an effect, its own where it stands alone.</summary>
    internal int FamilyOf(int effect) => familyOf[effect];

    /// <summary>Severities of the family at the fine severities of an effect.</summary>
    internal ReadOnlySpan<double> FamilySeverities(int effect) => familySeverities[effect];

    /// <summary>How many values of the outlet's softness are summed over.</summary>
    public int SoftCount => softCount;

    /// <summary>About as many bytes as it holds.</summary>
    public long Bytes => sizeof(double) * Fine * (4L * mean.Length);

    /// <summary>
    /// False where only the swing depends on the softness of the outlet: every balanced pump of three cylinders and more,
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

        foreach (var member in Members(e))
        {
            for (var o = 0; o < Observables.Count; o++)
            {
                var (from, to) = (At(member, 0, o), At(member, c, o));
                (mean[to], bySpeed[to], byNozzle[to], variance[to]) = (mean[from], bySpeed[from], byNozzle[from], variance[from]);
            }

            var row = new double[Fine];
            Interpolate(node, member, row);
            mean[At(member, c, Observables.Swing.Index)] = row;
        }
    }

    private void Fill(IPumpModel model, int e, int c, double compliance, DisturbedReadings shown)
    {
        var effect = Solved[e];
        var step = PumpExpectation.BelievedSpeedSigma;
        var kn = model.Setup.Nozzle.RelativeSigma;
        var solved = effect.MovesNumbers ? Nodes : 1;
        for (var i = 0; i < solved; i++)
        {
            var condition = new Condition();
            effect.Apply(ref condition, i / (double)(Nodes - 1), model.Pump);
            var middle = model.Solve(condition, 1, 1, compliance);
            shown.Record(Disturbance.None, i, middle, condition.GaugeFactor);

            // A step in delivery stands for speed, so the speed itself moves with it.
            var more = model.Solve(condition, 1 + step, 1, compliance, middle);
            more.SpeedHz *= 1 + step;
            shown.Record(Disturbance.MoreDelivered, i, more, condition.GaugeFactor);
            var less = model.Solve(condition, 1 - step, 1, compliance, middle);
            less.SpeedHz *= 1 - step;
            shown.Record(Disturbance.LessDelivered, i, less, condition.GaugeFactor);
            shown.Record(Disturbance.LargerNozzle, i, model.Solve(condition, 1, 1 + kn, compliance, middle), condition.GaugeFactor);
            shown.Record(Disturbance.SmallerNozzle, i, model.Solve(condition, 1, 1 - kn, compliance, middle), condition.GaugeFactor);
        }

        for (var o = 0; o < Observables.Count; o++)
        {
            Stretch(mean, o, shown.Mean);
            Stretch(bySpeed, o, shown.BySpeed);
            Stretch(byNozzle, o, shown.ByNozzle);
            Stretch(variance, o, shown.Variance);
        }

        void Stretch(double[][] rows, int o, Func<int, int, double> value)
        {
            Span<double> nodes = stackalloc double[Nodes];
            for (var i = 0; i < Nodes; i++)
                nodes[i] = value(o, solved == 1 ? 0 : i);
            foreach (var member in Members(e))
                Interpolate(nodes, member, rows[At(member, c, o)]);
        }
    }

    // The effects of which one solved stands for all: the severities of each are places on that one's scale.
    private IEnumerable<int> Members(int family) => Enumerable.Range(0, Solved.Count).Where(e => familyOf[e] == family);

    private void Interpolate(ReadOnlySpan<double> nodes, int effect, double[] row)
    {
        familySeverities[effect].CopyTo(row, 0);
        MonotoneCubic.Evaluate(nodes, row);
    }
}
