using System.Collections.Concurrent;
using MildHunch.Core.Expectation;
using MildHunch.Core.Faults.Effects;
using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Numerics;

namespace MildHunch.Core.Diagnosis.Predictions;

/// <summary>What every observable shows under two effects at once, by cell: severity of the first times severity of the second.</summary>
internal sealed class PairRows
{
    public const int Side = 6;
    public const int Cells = Side * Side;

    public double[][] Mean { get; } = Rows(Observables.Count);

    public double[][] BySpeed { get; } = Rows(Observables.Count);

    public double[][] ByNozzle { get; } = Rows(Observables.Count);

    /// <summary>What is left open: the width of the cell, the softness of the line, the curve of the response.</summary>
    public double[][] Variance { get; } = Rows(Observables.Count);

    /// <summary>Swing by softness of the line.</summary>
    public required double[][] Swing { get; init; }

    public static double[][] Rows(int count) => [.. Enumerable.Range(0, count).Select(_ => new double[Cells])];
}

/// <summary>Two effects by their place in the table, and whether they sit in the same cylinder.</summary>
internal readonly record struct EffectPair(int First, int Second, bool SameCylinder);

/// <summary>
/// Pairs of effects solved when they are first asked for and kept. Solved once for each pair of families, at the middle
/// softness; how readings move with speed, Kn and softness is put together from the two alone. Two cylinders are taken as
/// neighbours in the firing order, whichever they are.
/// </summary>
internal sealed class PairTable(IPumpModel model, PredictionTable singles)
{
    private const int Nodes = 9;
    private const int FewMissing = 3;
    private readonly ConcurrentDictionary<EffectPair, PairRows> known = new();
    private readonly ConcurrentDictionary<EffectPair, double[][]> solved = new();
    private readonly double softness = OutletCompliance.Typical(model.Setup);

    /// <summary>Fine severity in the middle of a side's cell.</summary>
    public static int FineOf(int side) => ((2 * side) + 1) * PredictionTable.Fine / (2 * PairRows.Side);

    /// <summary>About as many bytes as it holds by now.</summary>
    public long Bytes =>
        sizeof(double)
            * ((known.Count * PairRows.Cells * ((4L * Observables.Count) + singles.SoftCount))
                + (solved.Count * (long)Observables.Count * Nodes * Nodes));

    public PairRows For(EffectPair pair) => known.GetOrAdd(Key(pair), key => Make(key.First, key.Second, key.SameCylinder));

    /// <summary>Solves what of these is not known yet, side by side: a first question asks for dozens.</summary>
    public void Prepare(IEnumerable<EffectPair> wanted)
    {
        EffectPair[] missing = [.. wanted.Select(Key).Where(k => !known.ContainsKey(k)).Distinct()];
        if (missing.Length > FewMissing)
            Parallel.ForEach(missing, pair => For(pair));
    }

    private EffectPair Key(EffectPair pair) => pair with { SameCylinder = pair.SameCylinder || model.Pump.Cylinders == 1 };

    private PairRows Make(int first, int second, bool same)
    {
        var rows = new PairRows { Swing = PairRows.Rows(singles.SoftCount) };
        var (familyA, familyB) = (singles.FamilyOf(first), singles.FamilyOf(second));
        var nodes = solved.GetOrAdd(
            new EffectPair(familyA, familyB, same), _ => Solve(singles.Solved[familyA], singles.Solved[familyB], same));
        Span<double> across = stackalloc double[Nodes * PairRows.Side];
        Span<double> column = stackalloc double[Nodes];
        Span<double> places = stackalloc double[PairRows.Side];
        for (var o = 0; o < Observables.Count; o++)
        {
            for (var i = 0; i < Nodes; i++)
            {
                var at = across.Slice(i * PairRows.Side, PairRows.Side);
                Along(second, at);
                MonotoneCubic.Evaluate(nodes[o].AsSpan(i * Nodes, Nodes), at);
            }

            for (var j = 0; j < PairRows.Side; j++)
            {
                for (var i = 0; i < Nodes; i++)
                    column[i] = across[(i * PairRows.Side) + j];
                Along(first, places);
                MonotoneCubic.Evaluate(column, places);
                for (var i = 0; i < PairRows.Side; i++)
                    rows.Mean[o][(i * PairRows.Side) + j] = places[i];
            }

            if (first == second)
                Mirror(rows.Mean[o]);
            Spread(rows, o, first, second);
        }

        SwingBySoftness(rows, first, second);
        return rows;
    }

    // Interpolating one way and then the other is not quite the same as the other way round.
    private static void Mirror(double[] mean)
    {
        for (var i = 0; i < PairRows.Side; i++)
            for (var j = i + 1; j < PairRows.Side; j++)
                mean[(i * PairRows.Side) + j] = mean[(j * PairRows.Side) + i] = (mean[(i * PairRows.Side) + j]
                    + mean[(j * PairRows.Side) + i]) / 2;
    }

    private void Along(int effect, Span<double> places)
    {
        var along = singles.FamilySeverities(effect);
        for (var i = 0; i < places.Length; i++)
            places[i] = along[FineOf(i)];
    }

    private double[][] Solve(IEffect a, IEffect b, bool same)
    {
        var shown = Observables.All.Select(_ => new double[Nodes * Nodes]).ToArray();
        OperatingPoint near = default;
        for (var i = 0; i < Nodes; i++)
        {
            // Two alike are solved once: which of them comes first in the firing order hardly matters, and favours no cylinder so.
            for (var j = a == b ? i : 0; j < Nodes; j++)
            {
                var condition = new Condition();
                a.Apply(ref condition, i / (double)(Nodes - 1), model.Pump);
                b.Apply(ref condition, j / (double)(Nodes - 1), model.Pump, same ? 1 : 2);
                var point = near = model.Solve(condition, 1, 1, softness, near);
                foreach (var o in Observables.All)
                    shown[o.Index][(i * Nodes) + j] = o.Read(point, condition.GaugeFactor);
                if (a == b)
                    foreach (var row in shown)
                        row[(j * Nodes) + i] = row[(i * Nodes) + j];
            }
        }

        return shown;
    }

    private void Spread(PairRows rows, int o, int first, int second)
    {
        var middle = singles.SoftCount / 2;
        ReadOnlySpan<double> speedA = singles.BySpeed(first, middle, o), speedB = singles.BySpeed(second, middle, o);
        ReadOnlySpan<double> nozzleA = singles.ByNozzle(first, middle, o), nozzleB = singles.ByNozzle(second, middle, o);
        ReadOnlySpan<double> varianceA = singles.Variance(first, middle, o), varianceB = singles.Variance(second, middle, o);
        var sound = singles.SoundEffect;
        for (var i = 0; i < PairRows.Side; i++)
        {
            for (var j = 0; j < PairRows.Side; j++)
            {
                var (at, a, b) = ((i * PairRows.Side) + j, FineOf(i), FineOf(j));
                rows.BySpeed[o][at] = speedA[a] + speedB[b] - singles.BySpeed(sound, middle, o)[0];
                rows.ByNozzle[o][at] = nozzleA[a] + nozzleB[b] - singles.ByNozzle(sound, middle, o)[0];
                rows.Variance[o][at] = varianceA[a] + varianceB[b] + Soft(first, o, a) + Soft(second, o, b)
                    + Width(rows.Mean[o], at, i, PairRows.Side) + Width(rows.Mean[o], at, j, 1);
            }
        }
    }

    // An even spread over the width of a cell has a twelfth of its square as variance.
    private static double Width(double[] mean, int at, int place, int step)
    {
        var below = place > 0 ? mean[at - step] : mean[at];
        var above = place < PairRows.Side - 1 ? mean[at + step] : mean[at];
        var width = (above - below) / (place > 0 && place < PairRows.Side - 1 ? 2 : 1);
        return width * width / 12;
    }

    private double Soft(int effect, int o, int severity)
    {
        if (!singles.SoftMatters(effect))
            return 0;
        double sum = 0, squares = 0;
        for (var c = 0; c < singles.SoftCount; c++)
        {
            var value = singles.Mean(effect, c, o)[severity];
            sum += value / singles.SoftCount;
            squares += value * value / singles.SoftCount;
        }

        return Math.Max(0, squares - (sum * sum));
    }

    // The one that swings more decides how the swing depends on the softness.
    private void SwingBySoftness(PairRows rows, int first, int second)
    {
        var (o, middle) = (Observables.Swing.Index, singles.SoftCount / 2);
        for (var i = 0; i < PairRows.Side; i++)
        {
            for (var j = 0; j < PairRows.Side; j++)
            {
                var (at, a, b) = (
                    (i * PairRows.Side) + j, singles.Mean(first, middle, o)[FineOf(i)], singles.Mean(second, middle, o)[FineOf(j)]);
                var (effect, severity, swing) = a >= b ? (first, FineOf(i), a) : (second, FineOf(j), b);
                for (var c = 0; c < singles.SoftCount; c++)
                    rows.Swing[c][at] = swing > 0 ? rows.Mean[o][at] * singles.Mean(effect, c, o)[severity] / swing : rows.Mean[o][at];
            }
        }
    }
}
