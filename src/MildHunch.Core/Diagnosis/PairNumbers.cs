namespace MildHunch.Core.Diagnosis;

/// <summary>
/// Log-likelihood of the numbers under pairs of effects. One instrument at most is called wrong here: two faults and two
/// wrong instruments at once are too unlikely to pay for.
/// </summary>
internal sealed class PairNumbers(NumericLikelihood numbers, Instruments instruments)
{
    private const int MostWrong = 1;

    /// <summary>Steady readings by cell: of all, and without each instrument.</summary>
    public (double[] All, double[][] Without) Steady(NumericLikelihood.InstrumentGroup[] groups, PairRows rows, bool[] possible)
    {
        var all = new double[PairRows.Cells];
        var without = PairRows.Rows(groups.Length);
        if (groups.Length == 0)
            return (all, without);
        Span<SharedUncertainty> terms = stackalloc SharedUncertainty[groups.Length];
        var leaves = new NumericLikelihood.Leaves(groups.Length);
        for (var cell = 0; cell < all.Length; cell++)
        {
            if (!possible[cell])
            {
                all[cell] = double.NegativeInfinity;
                continue;
            }

            for (var g = 0; g < terms.Length; g++)
                terms[g] = Term(groups[g], rows, cell);
            leaves.Clear();
            NumericLikelihood.Patterns(groups, terms, MostWrong, 0, 0, default, leaves);
            all[cell] = leaves.Sum();
            for (var g = 0; g < groups.Length; g++)
                without[g][cell] = leaves.SumWhereWrong(g) - groups[g].LogWrong;
        }

        return (all, without);
    }

    /// <summary>Readings of the swing by cell, summed over the softness of the line; counted with this exponent.</summary>
    public double[] Swing(Reading[] swings, PairRows rows, double exponent)
    {
        var log = new double[PairRows.Cells];
        if (swings.Length == 0)
            return log;
        double[] sigma = [.. swings.Select(instruments.SigmaOf)];
        Span<double> told = stackalloc double[rows.Swing.Length];
        for (var cell = 0; cell < log.Length; cell++)
        {
            var spare = rows.Variance[Observables.Swing.Index][cell];
            double sum = 0, top = double.NegativeInfinity;
            for (var c = 0; c < told.Length; c++)
            {
                told[c] = 0;
                for (var r = 0; r < swings.Length; r++)
                    told[c] += exponent * NumericLikelihood.LogSwing(swings[r].Value.Si, rows.Swing[c][cell], sigma[r], spare, numbers.SwingFloor);
                top = Math.Max(top, told[c]);
            }

            foreach (var one in told)
                sum += Math.Exp(one - top);
            log[cell] = top + Math.Log(sum / told.Length);
        }

        return log;
    }

    /// <summary>What the readings make of the shared uncertainties in a cell, all instruments taken as right.</summary>
    public static SharedUncertainty Believe(NumericLikelihood.InstrumentGroup[] groups, PairRows rows, int cell)
    {
        var belief = default(SharedUncertainty);
        foreach (var group in groups)
            belief.Add(Term(group, rows, cell));
        return belief;
    }

    /// <summary>Two effects at one cell as an explanation.</summary>
    public static NumericLikelihood.Account AccountOf(PairRows rows, int cell) => new(g => Term(g, rows, cell), (belief, what) => Predict(belief, what, rows, cell));

    /// <summary>Mean and variance of a reading not yet taken, before the instrument's own error.</summary>
    public static (double Mean, double Variance) Predict(in SharedUncertainty belief, int what, PairRows rows, int cell)
    {
        var bySpeed = rows.BySpeed[what][cell];
        var (shift, variance) = belief.Predict(NumericLikelihood.BySlip(what, bySpeed), bySpeed, rows.ByNozzle[what][cell]);
        return (rows.Mean[what][cell] + shift, variance + rows.Variance[what][cell]);
    }

    private static SharedUncertainty Term(in NumericLikelihood.InstrumentGroup group, PairRows rows, int cell)
    {
        var bySpeed = rows.BySpeed[group.What][cell];
        return NumericLikelihood.Term(group, rows.Mean[group.What][cell], rows.Variance[group.What][cell], NumericLikelihood.BySlip(group.What, bySpeed), bySpeed, rows.ByNozzle[group.What][cell]);
    }
}
