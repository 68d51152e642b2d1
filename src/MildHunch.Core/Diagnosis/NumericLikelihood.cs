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
    private const double SwingModelShare = 0.3;
    private static readonly double SlipOverSpeed = Delivery.SlipSigma / Expectation.BelievedSpeedSigma;
    private readonly PredictionTable table;
    private readonly Instruments instruments;
    private readonly double[] range;

    public NumericLikelihood(PredictionTable table, Instruments instruments, OperatingPointSolver solver)
    {
        this.table = table;
        this.instruments = instruments;
        var healthy = solver.Solve(new Condition(), 1, 1, OperatingPointSolver.TypicalCompliance);
        var flow = Delivery.TheoreticalFlow(solver.Pump, solver.Setup.Speed.Si);
        range = new double[Observables.Count];
        foreach (var what in Observables.All)
        {
            range[what.Index] = 2 * what.Id switch
            {
                "discharge-pressure" or "swing" => Math.Max(healthy.PressurePa, solver.Pump.RatedPressure.Si),
                "speed" => Math.Max(solver.Setup.Speed.Si, solver.Pump.RatedSpeed.Si),
                "inlet-pressure" => Math.Max(1e5, solver.Setup.SupplyPressure.Si),
                "nozzle-orifice" => solver.Setup.Nozzle.Coefficient,
                _ => Math.Max(flow, healthy.SupplyFlow),
            };
        }
    }

    /// <summary>Steady readings, by instrument; the swing is kept apart because it is grouped with the needle.</summary>
    public double[][] Steady(IReadOnlyList<Reading> readings)
    {
        var groups = Group(readings);
        var log = Rows();
        if (groups.Length == 0)
            return log;
        for (var e = 0; e < table.Effects.Count; e++)
        {
            for (var c = 0; c < table.SoftCount; c++)
            {
                var row = log[(e * table.SoftCount) + c];
                var last = table.Effects[e].MovesNumbers ? PredictionTable.Fine : 1;
                for (var s = 0; s < last; s++)
                    row[s] = Patterns(groups, 0, MostOutliers, new SharedUncertainty(), 0, e, c, s);
                if (last == 1)
                    Array.Fill(row, row[0]);
            }
        }

        return log;
    }

    /// <summary>Readings of the swing. A needle follows it poorly, so the model's own share of error is wide.</summary>
    public double[][] Swing(IReadOnlyList<Reading> readings)
    {
        var log = Rows();
        foreach (var reading in readings.Where(r => r.What == Observables.Swing))
        {
            var sigma = instruments.SigmaOf(reading);
            var floor = OutlierShare / range[Observables.Swing.Index];
            for (var e = 0; e < table.Effects.Count; e++)
            {
                for (var c = 0; c < table.SoftCount; c++)
                {
                    var row = log[(e * table.SoftCount) + c];
                    var mean = table.Mean(e, c, Observables.Swing.Index);
                    for (var s = 0; s < row.Length; s++)
                    {
                        var variance = (sigma * sigma) + Math.Pow(SwingModelShare * mean[s], 2);
                        var r = reading.Value.Si - mean[s];
                        row[s] += Math.Log(((1 - OutlierShare) * Math.Exp(-0.5 * r * r / variance) / Math.Sqrt(2 * Math.PI * variance)) + floor);
                    }
                }
            }
        }

        return log;
    }

    /// <summary>
    /// Best single account of the readings at one node: which instruments it has to call wrong, and by how many sigma
    /// each of those is off from what the others say.
    /// </summary>
    public IReadOnlyList<(Reading Reading, double Predicted, double Sigmas)> Misfits(IReadOnlyList<Reading> readings, int effect, int soft, int severity)
    {
        var groups = Group(readings);
        var best = (Log: double.NegativeInfinity, Mask: 0);
        for (var mask = 0; mask < 1 << groups.Length; mask++)
        {
            if (int.PopCount(mask) > MostOutliers)
                continue;
            var belief = Believe(groups, mask, effect, soft, severity, out var norm);
            var log = norm + belief.LogIntegral();
            if (log > best.Log)
                best = (log, mask);
        }

        var trusted = Believe(groups, best.Mask, effect, soft, severity, out _);
        var misfits = new List<(Reading, double, double)>();
        for (var g = 0; g < groups.Length; g++)
        {
            if ((best.Mask >> g & 1) == 0)
                continue;
            foreach (var one in groups[g].Readings)
            {
                var (mean, variance) = Predict(trusted, groups[g].What, effect, soft, severity);
                misfits.Add((one.Reading, mean, (one.Value - mean) / Math.Sqrt(variance + (one.Sigma * one.Sigma))));
            }
        }

        return misfits;
    }

    /// <summary>What the readings so far make of the shared uncertainties at one node, all instruments taken as right.</summary>
    public SharedUncertainty Believe(IReadOnlyList<Reading> readings, int effect, int soft, int severity) =>
        Believe(Group(readings), 0, effect, soft, severity, out _);

    /// <summary>Mean and variance of a reading not yet taken, before the instrument's own error.</summary>
    public (double Mean, double Variance) Predict(in SharedUncertainty belief, int what, int effect, int soft, int severity)
    {
        var (j0, j1, j2) = Sensitivity(what, effect, soft, severity);
        var (shift, variance) = belief.Predict(j0, j1, j2);
        return (table.Mean(effect, soft, what)[severity] + shift, variance + table.Variance(effect, soft, what)[severity]);
    }

    private static double LogNorm(double variance) => -0.5 * Math.Log(2 * Math.PI * variance);

    private InstrumentGroup[] Group(IReadOnlyList<Reading> readings) =>
    [
        .. readings.Where(r => r.What != Observables.Swing).GroupBy(r => r.What.Index)
            .Select(g => new InstrumentGroup(g.Key, [.. g.Select(r => (r, instruments.Modelled(r), instruments.SigmaOf(r)))], range[g.Key])),
    ];

    private double[][] Rows() => [.. Enumerable.Range(0, table.Effects.Count * table.SoftCount).Select(_ => new double[PredictionTable.Fine])];

    private (double Slip, double Speed, double Nozzle) Sensitivity(int what, int effect, int soft, int severity)
    {
        var bySpeed = table.BySpeed(effect, soft, what)[severity];

        // Slip moves the delivery as speed does, but nobody reads it on a tachometer.
        var bySlip = what == Observables.Speed.Index ? 0 : bySpeed * SlipOverSpeed;
        return (bySlip, bySpeed, table.ByNozzle(effect, soft, what)[severity]);
    }

    private void Take(ref SharedUncertainty belief, ref double norm, in InstrumentGroup group, int effect, int soft, int severity)
    {
        var mean = table.Mean(effect, soft, group.What)[severity];
        var spare = table.Variance(effect, soft, group.What)[severity];
        var (j0, j1, j2) = Sensitivity(group.What, effect, soft, severity);
        norm += Math.Log(1 - OutlierShare);
        foreach (var (_, value, sigma) in group.Readings)
        {
            var variance = (sigma * sigma) + spare;
            belief.Add(value - mean, variance, j0, j1, j2);
            norm += LogNorm(variance);
        }
    }

    private SharedUncertainty Believe(InstrumentGroup[] groups, int wrong, int effect, int soft, int severity, out double norm)
    {
        var belief = new SharedUncertainty();
        norm = 0;
        for (var g = 0; g < groups.Length; g++)
        {
            if ((wrong >> g & 1) == 1)
                norm += groups[g].LogWrong;
            else
                Take(ref belief, ref norm, groups[g], effect, soft, severity);
        }

        return belief;
    }

    // Sum over which instruments are wrong, at most two of them: three at once have a chance below one in 10⁵.
    private double Patterns(InstrumentGroup[] groups, int at, int left, SharedUncertainty belief, double norm, int effect, int soft, int severity)
    {
        if (at == groups.Length)
            return norm + belief.LogIntegral();
        var with = belief;
        var withNorm = norm;
        Take(ref with, ref withNorm, groups[at], effect, soft, severity);
        var right = Patterns(groups, at + 1, left, with, withNorm, effect, soft, severity);
        if (left == 0)
            return right;
        var wrong = Patterns(groups, at + 1, left - 1, belief, norm + groups[at].LogWrong, effect, soft, severity);
        var top = Math.Max(right, wrong);
        return top + Math.Log(Math.Exp(right - top) + Math.Exp(wrong - top));
    }

    private readonly record struct InstrumentGroup(int What, (Reading Reading, double Value, double Sigma)[] Readings, double Range)
    {
        public double LogWrong { get; } = Math.Log(OutlierShare) - (Readings.Length * Math.Log(Range));
    }
}
