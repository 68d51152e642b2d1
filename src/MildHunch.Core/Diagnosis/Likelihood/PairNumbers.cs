using System.Runtime.Intrinsics;
using MildHunch.Core.Diagnosis.Predictions;
using MildHunch.Core.Evidence;
using MildHunch.Core.Expectation;
using Lanes = System.Runtime.Intrinsics.Vector256<double>;

namespace MildHunch.Core.Diagnosis.Likelihood;

/// <summary>
/// Log-likelihood of the numbers under pairs of effects. One instrument at most is called wrong here: two faults and two
/// wrong instruments at once are too unlikely to pay for.
/// </summary>
internal sealed class PairNumbers(NumericLikelihood numbers, Instruments instruments)
{
    private const int MostWrong = 1;

    /// <summary>Steady readings by cell: of all, and without each instrument.</summary>
    public CellLikelihood Steady(NumericLikelihood.InstrumentGroup[] groups, PairRows rows, double[] prior)
    {
        var all = new double[PairRows.Cells];
        var without = PairRows.Rows(groups.Length);
        if (groups.Length == 0)
            return new CellLikelihood(all, without);
        Span<SharedUncertainty> terms = stackalloc SharedUncertainty[groups.Length];
        var wrong = new WrongInstruments(groups, MostWrong);
        for (var cell = 0; cell < all.Length; cell += Lanes.Count)
        {
            // Cells that the prior leaves out need no likelihood.
            if (!Vector256.GreaterThanAny(Four(prior, cell), Lanes.Zero))
                continue;
            for (var g = 0; g < terms.Length; g++)
                terms[g] = Term(groups[g], rows, cell);
            wrong.Sum(terms).CopyTo(all.AsSpan(cell, Lanes.Count));
            for (var g = 0; g < groups.Length; g++)
                (wrong.SumWhereWrong(g) - Vector256.Create(groups[g].LogWrong)).CopyTo(without[g].AsSpan(cell, Lanes.Count));
        }

        for (var cell = 0; cell < all.Length; cell++)
            if (prior[cell] == 0)
                all[cell] = double.NegativeInfinity;
        return new CellLikelihood(all, without);
    }

    /// <summary>Readings of the swing by cell, summed over the softness of the line; counted with this exponent.</summary>
    public double[] Swing(Reading[] swings, PairRows rows, double exponent)
    {
        var log = new double[PairRows.Cells];
        if (swings.Length == 0)
            return log;
        double[] sigma = [.. swings.Select(instruments.SigmaOf)];
        var counted = new Lanes[rows.Swing.Length];
        for (var cell = 0; cell < log.Length; cell += Lanes.Count)
        {
            var spare = Four(rows.Variance[Observables.Swing.Index], cell);
            var (sum, top) = (Lanes.Zero, Vector256.Create(double.NegativeInfinity));
            for (var c = 0; c < counted.Length; c++)
            {
                counted[c] = Lanes.Zero;
                for (var r = 0; r < swings.Length; r++)
                    counted[c] += exponent * numbers.LogSwing(swings[r].Value.Si, Four(rows.Swing[c], cell), sigma[r], spare);
                top = Vector256.Max(top, counted[c]);
            }

            foreach (var one in counted)
                sum += Vector256.Exp(one - top);
            (top + Vector256.Log(sum / counted.Length)).CopyTo(log.AsSpan(cell, Lanes.Count));
        }

        return log;
    }

    /// <summary>What the readings make of the shared uncertainties in four cells from one on, all instruments taken as right.</summary>
    public static SharedUncertainty Believe(NumericLikelihood.InstrumentGroup[] groups, PairRows rows, int from)
    {
        var belief = default(SharedUncertainty);
        foreach (var group in groups)
            belief.Add(Term(group, rows, from));
        return belief;
    }

    /// <summary>Two effects at one cell as an explanation.</summary>
    public static NumericLikelihood.Account AccountOf(PairRows rows, int cell)
    {
        var lane = cell % Lanes.Count;
        return new(g => Term(g, rows, cell - lane), (belief, what) => Predict(belief, what, rows, cell - lane), lane);
    }

    /// <summary>Mean and variance of a reading not yet taken, before the instrument's own error, in four cells.</summary>
    public static Predicted Predict(in SharedUncertainty belief, int what, PairRows rows, int from) =>
        NumericLikelihood.Predict(
            belief, what, Four(rows.Mean[what], from), Four(rows.Variance[what], from), Four(rows.BySpeed[what], from),
            Four(rows.ByNozzle[what], from));

    private static Lanes Four(double[] row, int from) => NumericLikelihood.Four(row, from);

    private static SharedUncertainty Term(in NumericLikelihood.InstrumentGroup group, PairRows rows, int from) =>
        NumericLikelihood.Term(
            group, Four(rows.Mean[group.What], from), Four(rows.Variance[group.What], from), Four(rows.BySpeed[group.What], from),
            Four(rows.ByNozzle[group.What], from));
}

/// <summary>Log-likelihood of the steady readings by cell of two effects: of all, and without each instrument.</summary>
internal sealed record CellLikelihood(double[] All, double[][] Without);
