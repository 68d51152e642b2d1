using MildHunch.Core.Evidence;
using MildHunch.Core.Expectation;

namespace MildHunch.Core.Diagnosis.Likelihood;

/// <summary>
/// The readings of a case against every effect, each sum made once when it is first asked for: of all readings, and of all but those of one
/// quantity.
/// </summary>
internal sealed class ReadingLikelihoods(NumericLikelihood numbers, IReadOnlyList<Reading> readings)
{
    private readonly Lazy<SteadyLikelihood> steady = new(() => numbers.Steady(readings), LazyThreadSafetyMode.None);
    private readonly Lazy<double[][]> swing = new(() => numbers.Swing(readings), LazyThreadSafetyMode.None);

    public IReadOnlyList<Reading> Readings => readings;

    /// <summary>How far the effects lie apart on the swing that was read.</summary>
    public double SwingSpan => swingSpan ??= SpanOf(swing.Value);

    private double? swingSpan;

    /// <summary>Steady readings by effect and softness, then severity; without those of one quantity.</summary>
    public double[][] Steady(Observable? leftOut) => leftOut is null || leftOut == Observables.Swing
        ? steady.Value.All
        : steady.Value.Without.First(w => w.What == leftOut.Index).Log;

    /// <summary>Readings of the swing likewise.</summary>
    public double[][] Swing(Observable? leftOut) => leftOut == Observables.Swing ? numbers.Swing([]) : swing.Value;

    private static double SpanOf(double[][] log)
    {
        var best = log.Select(r => r.Max()).ToArray();
        return best.Max() - best.Min();
    }
}
