using MildHunch.Core.Hydraulics;

namespace MildHunch.Core.Diagnosis;

/// <summary>
/// Log-likelihood of the numbers under every effect, softness and severity (handbook 4): each instrument right with
/// 0.98 and otherwise anywhere, what is common to all readings integrated out exactly.
/// </summary>
public sealed class NumericLikelihood
{
    /// <summary>Chance that an instrument or its reader is simply wrong.</summary>
    public const double OutlierShare = 0.02;

    private const int MostOutliers = 2;
    private const int FewOutliers = 1;

    // A node that lies e¹⁴ below the best carries a millionth of it.
    private const double Matters = 14;

    // Two wrong instruments can lift no node further than this below the best: then no explanation lives on them.
    private const double Beside = 8;
    private static readonly double LogRight = Math.Log(1 - OutlierShare);
    private const double SwingModelShare = 0.3;
    private static readonly double SlipOverSpeed = Delivery.SlipSigma / Expectation.BelievedSpeedSigma;
    private readonly PredictionTable table;
    private readonly Instruments instruments;
    private readonly double[] range;

    public NumericLikelihood(PredictionTable table, Instruments instruments, IPumpModel model)
    {
        this.table = table;
        this.instruments = instruments;
        var healthy = model.Solve(new Condition(), 1, 1, OutletCompliance.Typical(model.Setup));
        var flow = Delivery.TheoreticalFlow(model.Pump, model.Setup.Speed.Si);
        range = new double[Observables.Count];
        foreach (var what in Observables.All)
        {
            range[what.Index] = 2 * what.Id switch
            {
                "discharge-pressure" or "gun-pressure" or "swing" => Math.Max(healthy.PressurePa, model.Pump.RatedPressure.Si),
                "speed" => Math.Max(model.Setup.Speed.Si, model.Pump.RatedSpeed.Si),
                "inlet-pressure" => Math.Max(1e5, model.Setup.SupplyPressure.Si),
                "nozzle-orifice" => model.Setup.Nozzle.Coefficient,
                _ => Math.Max(flow, healthy.SupplyFlow),
            };
        }
    }

    /// <summary>
    /// Steady readings, by instrument; the swing is kept apart because it is grouped with the needle. Beside the
    /// likelihood of all of them stands that without each instrument: the patterns in which it is called wrong.
    /// </summary>
    public SteadyLikelihood Steady(IReadOnlyList<Reading> readings)
    {
        var groups = Group(readings);
        var result = new SteadyLikelihood(Rows(), [.. groups.Select(g => (g.What, g.Readings.Length, Rows()))]);
        if (groups.Length == 0)
            return result;
        var top = Nodes(result, groups, FewOutliers, _ => true);
        var most = Ceiling(groups);
        _ = Nodes(result, groups, MostOutliers, one => one > top - Matters || most > top - Beside);
        for (var e = 0; e < table.Effects.Count; e++)
            if (table.KindOf(e) != e)
                result.Stretch(table.KindOf(e) * table.SoftCount, e * table.SoftCount, table.SoftCount, table.Along(e));
        return result;
    }

    // Every node with so many wrong instruments at the most; those of which the first round says that more cannot matter are left.
    private double Nodes(SteadyLikelihood result, InstrumentGroup[] groups, int mostWrong, Func<double, bool> wanted)
    {
        Span<SharedUncertainty> terms = stackalloc SharedUncertainty[groups.Length];
        var leaves = new Leaves(groups.Length);
        var top = double.NegativeInfinity;
        for (var e = 0; e < table.Solved.Count; e++)
        {
            if (table.KindOf(e) != e)
                continue;
            var severities = table.Solved[e].MovesNumbers ? PredictionTable.Fine : 1;
            var softs = table.SoftMatters(e) ? table.SoftCount : 1;
            for (var c = 0; c < softs; c++)
            {
                var row = (e * table.SoftCount) + c;
                for (var s = 0; s < severities; s++)
                {
                    if (!wanted(result.All[row][s]))
                        continue;
                    for (var g = 0; g < terms.Length; g++)
                        terms[g] = Term(groups[g], e, c, s);
                    leaves.Clear();
                    Patterns(groups, terms, mostWrong, 0, 0, default, leaves);
                    Store(result, leaves, groups, row, s);
                    top = Math.Max(top, result.All[row][s]);
                }
            }

            result.Repeat(e * table.SoftCount, table.SoftCount, softs, severities);
        }

        return top;
    }

    // The most that any node can reach with two instruments called wrong: all others met exactly.
    private static double Ceiling(InstrumentGroup[] groups)
    {
        var met = groups.Select(g => LogRight - g.Readings.Sum(r => Math.Log(Math.Sqrt(2 * Math.PI) * r.Sigma))).ToArray();
        double[] gains = [.. groups.Select((g, i) => g.LogWrong - met[i]).OrderDescending()];
        return met.Sum() + gains.Take(MostOutliers).Sum();
    }

    /// <summary>Readings of the swing. A needle follows it poorly, so the model's own share of error is wide.</summary>
    public double[][] Swing(IReadOnlyList<Reading> readings)
    {
        var swings = readings.Where(r => r.What == Observables.Swing).ToArray();
        if (swings.Length == 0)
        {
            var none = new double[PredictionTable.Fine];
            return [.. Enumerable.Repeat(none, table.Solved.Count * table.SoftCount)];
        }

        var log = Rows();
        foreach (var reading in swings)
        {
            var sigma = instruments.SigmaOf(reading);
            var floor = SwingFloor;
            for (var e = 0; e < table.Effects.Count; e++)
            {
                for (var c = 0; c < table.SoftCount; c++)
                {
                    var row = log[(e * table.SoftCount) + c];
                    var mean = table.Mean(e, c, Observables.Swing.Index);
                    for (var s = 0; s < row.Length; s++)
                        row[s] += LogSwing(reading.Value.Si, mean[s], sigma, 0, floor);
                }
            }
        }

        return log;
    }

    internal double SwingFloor => OutlierShare / range[Observables.Swing.Index];

    internal static double LogSwing(double read, double mean, double sigma, double spare, double floor)
    {
        var variance = (sigma * sigma) + spare + (SwingModelShare * SwingModelShare * mean * mean);
        var r = read - mean;
        return Math.Log(((1 - OutlierShare) * Math.Exp(-0.5 * r * r / variance) / Math.Sqrt(2 * Math.PI * variance)) + floor);
    }

    /// <summary>
    /// Best account of the readings that one explanation has: which instruments it has to call wrong, and by how many sigma
    /// each of those is off from what the others say.
    /// </summary>
    internal IReadOnlyList<(Reading Reading, double Predicted, double Sigmas)> Misfits(IReadOnlyList<Reading> readings, Account account)
    {
        var groups = Group(readings);
        var best = (Log: double.NegativeInfinity, Mask: 0);
        for (var mask = 0; mask < 1 << groups.Length; mask++)
        {
            if (int.PopCount(mask) > MostOutliers)
                continue;
            var (exponent, determinant) = Believe(groups, mask, account).Likelihood();
            var log = exponent - (0.5 * Math.Log(determinant));
            if (log > best.Log)
                best = (log, mask);
        }

        var trusted = Believe(groups, best.Mask, account);
        var misfits = new List<(Reading, double, double)>();
        for (var g = 0; g < groups.Length; g++)
        {
            if ((best.Mask >> g & 1) == 0)
                continue;
            foreach (var one in groups[g].Readings)
            {
                var (mean, variance) = account.Predict(trusted, groups[g].What);
                misfits.Add((one.Reading, mean, (one.Value - mean) / Math.Sqrt(variance + (one.Sigma * one.Sigma))));
            }
        }

        return misfits;
    }

    /// <summary>One explanation at one size: what it makes of a group of readings, and what it foretells.</summary>
    internal sealed record Account(Func<InstrumentGroup, SharedUncertainty> Term, Func<SharedUncertainty, int, (double Mean, double Variance)> Predict);

    internal Account AccountOf(int effect, int soft, int severity) =>
        new(g => Term(g, effect, soft, severity), (belief, what) => Predict(belief, what, effect, soft, severity));

    /// <summary>What the readings so far make of the shared uncertainties at any node, all instruments taken as right.</summary>
    public Func<int, int, int, SharedUncertainty> Believer(IReadOnlyList<Reading> readings)
    {
        var groups = Group(readings);
        return (effect, soft, severity) => Believe(groups, 0, AccountOf(effect, soft, severity));
    }

    /// <summary>Mean and variance of a reading not yet taken, before the instrument's own error.</summary>
    public (double Mean, double Variance) Predict(in SharedUncertainty belief, int what, int effect, int soft, int severity)
    {
        var (j0, j1, j2) = Sensitivity(what, effect, soft, severity);
        var (shift, variance) = belief.Predict(j0, j1, j2);
        return (table.Mean(effect, soft, what)[severity] + shift, variance + table.Variance(effect, soft, what)[severity]);
    }

    internal InstrumentGroup[] Group(IReadOnlyList<Reading> readings) =>
    [
        .. readings.Where(r => r.What != Observables.Swing).GroupBy(r => r.What.Index)
            .Select(g => new InstrumentGroup(g.Key, [.. g.Select(r => (r, instruments.Modelled(r), instruments.SigmaOf(r)))], range[g.Key])),
    ];

    private double[][] Rows() => [.. Enumerable.Range(0, table.Solved.Count * table.SoftCount).Select(_ => new double[PredictionTable.Fine])];

    private (double Slip, double Speed, double Nozzle) Sensitivity(int what, int effect, int soft, int severity)
    {
        var bySpeed = table.BySpeed(effect, soft, what)[severity];
        return (BySlip(what, bySpeed), bySpeed, table.ByNozzle(effect, soft, what)[severity]);
    }

    // Slip moves the delivery as speed does, but nobody reads it on a tachometer.
    internal static double BySlip(int what, double bySpeed) => what == Observables.Speed.Index ? 0 : bySpeed * SlipOverSpeed;

    private SharedUncertainty Term(in InstrumentGroup group, int effect, int soft, int severity)
    {
        var mean = table.Mean(effect, soft, group.What)[severity];
        var spare = table.Variance(effect, soft, group.What)[severity];
        var (j0, j1, j2) = Sensitivity(group.What, effect, soft, severity);
        return Term(group, mean, spare, j0, j1, j2);
    }

    internal static SharedUncertainty Term(in InstrumentGroup group, double mean, double spare, double bySlip, double bySpeed, double byNozzle)
    {
        var term = default(SharedUncertainty);
        term.Scale(LogRight);
        foreach (var (_, value, sigma) in group.Readings)
            term.Add(value - mean, (sigma * sigma) + spare, bySlip, bySpeed, byNozzle);
        return term;
    }

    private static SharedUncertainty Believe(InstrumentGroup[] groups, int wrong, Account account)
    {
        var belief = default(SharedUncertainty);
        for (var g = 0; g < groups.Length; g++)
        {
            if ((wrong >> g & 1) == 1)
                belief.Scale(groups[g].LogWrong);
            else
                belief.Add(account.Term(groups[g]));
        }

        return belief;
    }

    // Every way in which at most two instruments are wrong; three of six at once have a chance below two in 10⁴.
    internal static void Patterns(InstrumentGroup[] groups, ReadOnlySpan<SharedUncertainty> terms, int mostWrong, int at, int wrong, SharedUncertainty belief, Leaves leaves)
    {
        if (at == groups.Length)
        {
            var (exponent, determinant) = belief.Likelihood();
            leaves.Add(wrong, exponent, determinant);
            return;
        }

        if (int.PopCount(wrong) < mostWrong)
        {
            var without = belief;
            without.Scale(groups[at].LogWrong);
            Patterns(groups, terms, mostWrong, at + 1, wrong | (1 << at), without, leaves);
        }

        belief.Add(terms[at]);
        Patterns(groups, terms, mostWrong, at + 1, wrong, belief, leaves);
    }

    private static void Store(SteadyLikelihood result, Leaves leaves, InstrumentGroup[] groups, int row, int severity)
    {
        result.All[row][severity] = leaves.Sum();
        for (var g = 0; g < groups.Length; g++)
            result.Without[g].Log[row][severity] = leaves.SumWhereWrong(g) - groups[g].LogWrong;
    }

    /// <summary>The summands of one node, by which instruments they call wrong.</summary>
    internal sealed class Leaves(int groups)
    {
        private const double Lost = -40;
        private readonly (int Wrong, double Exponent, double Determinant)[] all = new (int, double, double)[1 << groups];
        private readonly double[] shares = new double[1 << groups];
        private int count;
        private double top;

        public void Clear() => count = 0;

        public void Add(int wrong, double exponent, double determinant) => all[count++] = (wrong, exponent, determinant);

        /// <summary>Log of the sum of all; weighs each summand for <see cref="SumWhereWrong"/>.</summary>
        public double Sum()
        {
            top = double.NegativeInfinity;
            for (var i = 0; i < count; i++)
                top = Math.Max(top, all[i].Exponent);
            var sum = 0.0;
            for (var i = 0; i < count; i++)
            {
                shares[i] = all[i].Exponent - top > Lost ? Math.Exp(all[i].Exponent - top) / Math.Sqrt(all[i].Determinant) : 0;
                sum += shares[i];
            }

            return top + Math.Log(sum);
        }

        /// <summary>Log of the sum of those in which one instrument is wrong; weighed afresh where they vanish beside the rest.</summary>
        public double SumWhereWrong(int group)
        {
            var sum = 0.0;
            var best = double.NegativeInfinity;
            for (var i = 0; i < count; i++)
            {
                if ((all[i].Wrong >> group & 1) == 0)
                    continue;
                sum += shares[i];
                best = Math.Max(best, all[i].Exponent);
            }

            if (best - top > Lost / 2)
                return top + Math.Log(sum);
            sum = 0;
            for (var i = 0; i < count; i++)
                if ((all[i].Wrong >> group & 1) == 1 && all[i].Exponent - best > Lost)
                    sum += Math.Exp(all[i].Exponent - best) / Math.Sqrt(all[i].Determinant);
            return best + Math.Log(sum);
        }
    }

    internal readonly record struct InstrumentGroup(int What, (Reading Reading, double Value, double Sigma)[] Readings, double Range)
    {
        public double LogWrong { get; } = Math.Log(OutlierShare) - (Readings.Length * Math.Log(Range));
    }
}

/// <summary>Log-likelihood of the steady readings by effect and softness, then severity; of all, and without each instrument.</summary>
public sealed record SteadyLikelihood(double[][] All, (int What, int Readings, double[][] Log)[] Without)
{
    /// <summary>Reads the rows of an effect from those of its kind, straight between neighbouring severities.</summary>
    internal void Stretch(int from, int to, int rows, ReadOnlySpan<double> along)
    {
        foreach (var table in Without.Select(w => w.Log).Prepend(All))
        {
            for (var r = 0; r < rows; r++)
            {
                var (source, row) = (table[from + r], table[to + r]);
                for (var s = 0; s < row.Length; s++)
                {
                    var x = Math.Clamp((along[s] * source.Length) - 0.5, 0, source.Length - 1);
                    var i = Math.Min((int)x, source.Length - 2);
                    row[s] = source[i] + ((x - i) * (source[i + 1] - source[i]));
                }
            }
        }
    }

    /// <summary>Copies what does not depend on softness or severity to where it would stand.</summary>
    internal void Repeat(int firstRow, int rows, int solvedRows, int solvedSeverities)
    {
        foreach (var table in Without.Select(w => w.Log).Prepend(All))
        {
            for (var r = 0; r < rows; r++)
            {
                var source = table[firstRow + Math.Min(r, solvedRows - 1)];
                if (solvedSeverities == 1)
                    Array.Fill(source, source[0]);
                if (r >= solvedRows)
                    source.CopyTo(table[firstRow + r], 0);
            }
        }
    }
}
