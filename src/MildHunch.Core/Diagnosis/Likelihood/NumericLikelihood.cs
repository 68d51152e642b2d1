using System.Runtime.Intrinsics;
using MildHunch.Core.Diagnosis.Predictions;
using MildHunch.Core.Evidence;
using MildHunch.Core.Expectation;
using MildHunch.Core.Hydraulics.Motion;
using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Numerics;
using Lanes = System.Runtime.Intrinsics.Vector256<double>;

namespace MildHunch.Core.Diagnosis.Likelihood;

/// <summary>
/// Log-likelihood of the numbers under every effect, softness and severity (docs/trade.md, Verdict): each instrument right with
/// 0.98 and otherwise anywhere, what is common to all readings integrated out exactly.
/// </summary>
internal sealed class NumericLikelihood
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
    private static readonly double SlipOverSpeed = Delivery.SlipSigma / PumpExpectation.BelievedSpeedSigma;
    private readonly PredictionTable table;
    private readonly Instruments instruments;
    private readonly double[] range;

    /// <summary>Weighs readings of these instruments against this table.</summary>
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
        var result = new SteadyLikelihood(Rows(), [.. groups.Select(g => new WithoutInstrument(g.What, g.Readings.Length, Rows()))]);
        if (groups.Length == 0)
            return result;
        var top = Nodes(result, groups, FewOutliers, double.NegativeInfinity);
        _ = Nodes(result, groups, MostOutliers, Ceiling(groups) > top - Beside ? double.NegativeInfinity : top - Matters);
        for (var e = 0; e < table.Effects.Count; e++)
            if (table.FamilyOf(e) != e)
                result.Stretch(table.FamilyOf(e) * table.SoftCount, e * table.SoftCount, table.SoftCount, table.FamilySeverities(e));
        return result;
    }

    // Every node with so many wrong instruments at the most; those of which the first round says that more cannot matter are left.
    private double Nodes(SteadyLikelihood result, InstrumentGroup[] groups, int mostWrong, double wanted)
    {
        Span<SharedUncertainty> terms = stackalloc SharedUncertainty[groups.Length];
        var wrong = new WrongInstruments(groups, mostWrong);
        var top = double.NegativeInfinity;
        for (var e = 0; e < table.Solved.Count; e++)
        {
            if (table.FamilyOf(e) != e)
                continue;
            var severities = table.Solved[e].MovesNumbers ? PredictionTable.Fine : Lanes.Count;
            var softs = table.SoftMatters(e) ? table.SoftCount : 1;
            for (var c = 0; c < softs; c++)
            {
                var row = (e * table.SoftCount) + c;
                var log = result.All[row].AsSpan();
                for (var s = 0; s < severities; s += Lanes.Count)
                {
                    if (!Vector256.GreaterThanOrEqualAny(Vector256.Create<double>(log.Slice(s, Lanes.Count)), Vector256.Create(wanted)))
                        continue;
                    for (var g = 0; g < terms.Length; g++)
                        terms[g] = Term(groups[g], e, c, s);
                    var sum = wrong.Sum(terms);
                    sum.CopyTo(log.Slice(s, Lanes.Count));
                    for (var g = 0; g < groups.Length; g++)
                        (wrong.SumWhereWrong(g) - Vector256.Create(groups[g].LogWrong))
                            .CopyTo(result.Without[g].Log[row].AsSpan(s, Lanes.Count));
                    top = Math.Max(top, Vectors.Highest(sum));
                }
            }

            result.Repeat(e * table.SoftCount, table.SoftCount, softs, table.Solved[e].MovesNumbers ? severities : 1);
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
            for (var e = 0; e < table.Effects.Count; e++)
            {
                for (var c = 0; c < table.SoftCount; c++)
                {
                    var row = log[(e * table.SoftCount) + c].AsSpan();
                    var mean = table.Mean(e, c, Observables.Swing.Index);
                    for (var s = 0; s < row.Length; s += Lanes.Count)
                        (Vector256.Create<double>(row.Slice(s, Lanes.Count))
                            + LogSwing(
                                reading.Value.Si, Vector256.Create(mean.Slice(s, Lanes.Count)), sigma,
                                Lanes.Zero)).CopyTo(row.Slice(s, Lanes.Count));
                }
            }
        }

        return log;
    }

    /// <summary>
    /// Log-likelihood of a swing at four severities, <paramref name="spare"/> being the variance beside instrument and model.
    /// </summary>
    internal Lanes LogSwing(double read, Lanes mean, double sigma, Lanes spare)
    {
        var variance = Vector256.Create(sigma * sigma) + spare + (SwingModelShare * SwingModelShare * mean * mean);
        var r = Vector256.Create(read) - mean;
        return Vector256.Log(((1 - OutlierShare) * Vector256.Exp(-0.5 * r * r / variance) / Vector256.Sqrt(2 * Math.PI * variance))
            + Vector256.Create(OutlierShare / range[Observables.Swing.Index]));
    }

    /// <summary>
    /// Best account of the readings that one explanation has: which instruments it has to call wrong, and by how many sigma
    /// each of those is off from what the others say.
    /// </summary>
    internal IReadOnlyList<Misfit> Misfits(IReadOnlyList<Reading> readings, Account account)
    {
        var groups = Group(readings);
        var best = (Log: double.NegativeInfinity, Mask: 0);
        for (var mask = 0; mask < 1 << groups.Length; mask++)
        {
            if (int.PopCount(mask) > MostOutliers)
                continue;
            var (exponent, determinant) = Believe(groups, mask, account.Term).Likelihood();
            var log = (exponent - (0.5 * Vector256.Log(determinant))).GetElement(account.Lane);
            if (log > best.Log)
                best = (log, mask);
        }

        var trusted = Believe(groups, best.Mask, account.Term);
        var misfits = new List<Misfit>();
        for (var g = 0; g < groups.Length; g++)
        {
            if ((best.Mask >> g & 1) == 0)
                continue;
            foreach (var one in groups[g].Readings)
            {
                var (means, variances) = account.Predict(trusted, groups[g].What);
                var (mean, variance) = (means.GetElement(account.Lane), variances.GetElement(account.Lane));
                misfits.Add(new Misfit(one.Reading, (one.Value - mean) / Math.Sqrt(variance + (one.Sigma * one.Sigma))));
            }
        }

        return misfits;
    }

    /// <summary>
    /// One explanation at four neighbouring sizes, of which one is meant: what it makes of a group of readings, and what it predicts.
    /// </summary>
    internal sealed record Account(
        Func<InstrumentGroup, SharedUncertainty> Term, Func<SharedUncertainty, int, Predicted> Predict, int Lane);

    internal Account AccountOf(int effect, int soft, int severity)
    {
        var lane = severity % Lanes.Count;
        return new(
            g => Term(g, effect, soft, severity - lane), (belief, what) => Predict(belief, what, effect, soft, severity - lane), lane);
    }

    /// <summary>
    /// What the readings so far make of the shared uncertainties at four severities from one on, all instruments taken as right.
    /// </summary>
    internal Func<int, int, int, SharedUncertainty> Believer(IReadOnlyList<Reading> readings)
    {
        var groups = Group(readings);
        return (effect, soft, from) => Believe(groups, 0, g => Term(g, effect, soft, from));
    }

    /// <summary>Mean and variance of a reading not yet taken, before the instrument's own error, at four severities.</summary>
    internal Predicted Predict(in SharedUncertainty belief, int what, int effect, int soft, int from) => Predict(
        belief, what, Four(table.Mean(effect, soft, what), from), Four(table.Variance(effect, soft, what), from),
        Four(table.BySpeed(effect, soft, what), from), Four(table.ByNozzle(effect, soft, what), from));

    internal static Predicted Predict(
        in SharedUncertainty belief, int what, Lanes mean, Lanes spare, Lanes bySpeed, Lanes byNozzle)
    {
        var (shift, variance) = belief.Predict(BySlip(what, bySpeed), bySpeed, byNozzle);
        return new Predicted(mean + shift, variance + spare);
    }

    internal InstrumentGroup[] Group(IReadOnlyList<Reading> readings) =>
    [
        .. readings.Where(r => r.What != Observables.Swing).GroupBy(r => r.What.Index)
            .Select(g => new InstrumentGroup(
                g.Key, [.. g.Select(r => new ModelledReading(r, instruments.Modelled(r), instruments.SigmaOf(r)))], range[g.Key])),
    ];

    private double[][] Rows() =>
        [.. Enumerable.Range(0, table.Solved.Count * table.SoftCount).Select(_ => new double[PredictionTable.Fine])];

    // Slip moves the delivery as speed does, but nobody reads it on a tachometer.
    private static Lanes BySlip(int what, Lanes bySpeed) => what == Observables.Speed.Index ? Lanes.Zero : SlipOverSpeed * bySpeed;

    private SharedUncertainty Term(in InstrumentGroup group, int effect, int soft, int from) => Term(
        group, Four(table.Mean(effect, soft, group.What), from), Four(table.Variance(effect, soft, group.What), from),
        Four(table.BySpeed(effect, soft, group.What), from), Four(table.ByNozzle(effect, soft, group.What), from));

    internal static Lanes Four(ReadOnlySpan<double> row, int from) => Vector256.Create(row.Slice(from, Lanes.Count));

    internal static SharedUncertainty Term(in InstrumentGroup group, Lanes mean, Lanes spare, Lanes bySpeed, Lanes byNozzle)
    {
        var term = default(SharedUncertainty);
        term.Scale(LogRight);
        var bySlip = BySlip(group.What, bySpeed);
        foreach (var (_, value, sigma) in group.Readings)
            term.Add(Vector256.Create(value) - mean, Vector256.Create(sigma * sigma) + spare, bySlip, bySpeed, byNozzle);
        return term;
    }

    private static SharedUncertainty Believe(InstrumentGroup[] groups, int wrong, Func<InstrumentGroup, SharedUncertainty> term)
    {
        var belief = default(SharedUncertainty);
        for (var g = 0; g < groups.Length; g++)
        {
            if ((wrong >> g & 1) == 1)
                belief.Scale(groups[g].LogWrong);
            else
                belief.Add(term(groups[g]));
        }

        return belief;
    }

    /// <summary>Readings of one instrument, with what a wrong one may show.</summary>
    internal readonly record struct InstrumentGroup(int What, ModelledReading[] Readings, double Range)
    {
        public double LogWrong { get; } = Math.Log(OutlierShare) - (Readings.Length * Math.Log(Range));
    }
}
