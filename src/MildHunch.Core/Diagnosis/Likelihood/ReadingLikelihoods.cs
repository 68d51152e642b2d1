using MildHunch.Core.Evidence;
using MildHunch.Core.Expectation;

namespace MildHunch.Core.Diagnosis.Likelihood;

/// <summary>
/// The readings of a case against every effect, each sum made once when it is first asked for: of all readings, and of all
/// but one.
/// </summary>
internal sealed class ReadingLikelihoods(NumericLikelihood numbers, IReadOnlyList<Reading> readings)
{
    private readonly Lazy<SteadyLikelihood> steady = new(() => numbers.Steady(readings), LazyThreadSafetyMode.None);
    private readonly Lazy<double[][]> swing = new(() => numbers.Swing(readings), LazyThreadSafetyMode.None);

    public IReadOnlyList<Reading> Readings => readings;

    /// <summary>How far the effects lie apart on the swing that was read.</summary>
    public double SwingSpan => swingSpan ??= SpanOf(swing.Value);

    private double? swingSpan;

    /// <summary>Steady readings by effect and softness, then severity; without the one at this place of the list.</summary>
    public double[][] Steady(int? leftOut)
    {
        if (leftOut is not { } at || readings[at].What == Observables.Swing)
            return steady.Value.All;
        return steady.Value.Without.First(w => w.What == readings[at].What.Index) is { Readings: 1 } alone
            ? alone.Log
            : numbers.Steady(Others(at)).All;
    }

    /// <summary>Readings of the swing likewise.</summary>
    public double[][] Swing(int? leftOut) =>
        leftOut is { } at && readings[at].What == Observables.Swing ? numbers.Swing(Others(at)) : swing.Value;

    private Reading[] Others(int leftOut) => [.. readings.Where((_, i) => i != leftOut)];

    private static double SpanOf(double[][] log)
    {
        var best = log.Select(r => r.Max()).ToArray();
        return best.Max() - best.Min();
    }
}
