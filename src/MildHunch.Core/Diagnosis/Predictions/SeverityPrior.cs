using MildHunch.Core.Evidence;
using MildHunch.Core.Expectation;
using MildHunch.Core.Faults.Effects;
using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Pumps;

namespace MildHunch.Core.Diagnosis.Predictions;

/// <summary>
/// How bad a fault is before anything was measured: evenly from barely measurable to total (docs/trade.md, Verdict). Barely measurable
/// is where the best quick reading moves by two sigma of its usual instrument; a fault that moves none so far has all sizes.
/// </summary>
internal static class SeverityPrior
{
    private const double Measurable = 2;

    /// <summary>By effect and fine severity; each row sums to 1.</summary>
    public static double[][] Of(PredictionTable table, Instruments usual, ReciprocatingPump pump)
    {
        var sound = Observables.All.Select(o => table.Sound(o.Index)).ToArray();
        var sigma = Observables.All.Select(o => usual.SigmaAt(o, sound[o.Index])).ToArray();
        var soft = table.SoftCount / 2;
        return
        [
            .. Enumerable.Range(0, table.Effects.Count).Select(e =>
            {
                var row = new double[PredictionTable.Fine];
                for (var s = 0; s < row.Length; s++)
                    row[s] = Drips(table.Effects[e], PredictionTable.Severity(s), pump)
                        || Observables.All.Any(o => Math.Abs(table.Mean(e, soft, o.Index)[s] - sound[o.Index]) >= Measurable
                            * sigma[o.Index]) ? 1 : 0;
                var sum = row.Sum();
                for (var s = 0; s < row.Length; s++)
                    row[s] = sum > 0 ? row[s] / sum : 1.0 / row.Length;
                return row;
            }),
        ];
    }

    /// <summary>What runs out is counted in drops, long before any instrument shows it.</summary>
    public static bool Drips(IEffect effect, double severity, ReciprocatingPump pump)
    {
        var condition = new Condition();
        effect.Apply(ref condition, severity, pump);
        return condition.OutsideShare > 0 || condition.DripFlow > 0 || condition.Outside != 0;
    }
}
