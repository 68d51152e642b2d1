using MathNet.Numerics;

namespace MildHunch.Core.Records.Lives;

/// <summary>
/// Log-likelihood of a two-parameter Weibull life in shape β and w = ln θ with θ = scale^−β, so that the hours to come add up as
/// θ·tᵝ. For one shape it is concave in w (docs/trade.md, Lives of parts).
/// </summary>
internal sealed class WeibullLikelihood
{
    // Steps that Newton may take before the answer counts as found; it doubles its digits at each.
    private const int Steps = 60;
    private const double Enough = 1e-12;

    // Hours run, each once with how often it is there: parts of a set have the same, and each costs a power at every shape.
    private readonly Alike[] ends;
    private readonly Alike[] entries;
    private readonly int exact;
    private readonly double logHours;
    private readonly FoundBetween[] between;
    private readonly LifePrior? prior;

    public WeibullLikelihood(IReadOnlyList<WatchedLife> lives, LifePrior? prior)
    {
        this.prior = prior;
        var seen = lives.Where(l => l.Found is null).ToArray();
        ends = Together(seen.Select(l => l.Hours));
        double[] failures = [.. seen.Where(l => l.Failed).Select(l => Math.Log(l.Hours))];
        (exact, logHours) = (failures.Length, failures.Sum());
        between = [.. lives.Where(l => l.Found is not null).Select(l => l.Found! with { Good = Math.Max(l.Found!.Good, l.From) })];
        entries = Together(lives.Where(l => l.From > 0).Select(l => l.From));
    }

    private sealed record Alike(double Hours, int Times);

    private static Alike[] Together(IEnumerable<double> hours) =>
        [.. hours.GroupBy(h => h).Select(g => new Alike(g.Key, g.Count()))];

    /// <summary>What one shape makes of the hours.</summary>
    public Section At(double shape)
    {
        double exposed = 0;
        foreach (var t in ends)
            exposed += t.Times * Math.Pow(t.Hours, shape);
        foreach (var b in between)
            exposed += Math.Pow(b.Good, shape);
        foreach (var t in entries)
            exposed -= t.Times * Math.Pow(t.Hours, shape);
        var logs = (exact * Math.Log(shape)) + ((shape - 1) * logHours);
        return new Section(
            shape, exact, exposed, logs, [.. between.Select(b => Math.Pow(b.Failed, shape) - Math.Pow(b.Good, shape))], prior);
    }

    /// <summary>The likelihood along w at one shape.</summary>
    public sealed class Section(double shape, int exact, double exposed, double constant, double[] spans, LifePrior? prior)
    {
        /// <summary>Where it is largest.</summary>
        public double Best()
        {
            var hours = exposed + spans.Sum();
            var w = hours > 0 ? Math.Log(Math.Max(exact + spans.Length, 0.5) / hours) : prior!.LogRate(shape);
            if (spans.Length == 0 && prior is null)
                return w;
            for (var i = 0; i < Steps; i++)
            {
                var (slope, bend) = Slope(w);
                var step = Math.Clamp(-slope / bend, -2, 2);
                w += step;
                if (Math.Abs(step) < Enough)
                    break;
            }

            return w;
        }

        /// <summary>Log-likelihood at w.</summary>
        public double Value(double w)
        {
            var theta = Math.Exp(w);
            var sum = constant + (exact * w) - (theta * exposed);
            foreach (var span in spans)
                sum += Math.Log(-SpecialFunctions.Expm1(-theta * span));
            return sum + (prior?.Log(shape, w) ?? 0);
        }

        /// <summary>Where it has fallen to a level, below (−1) or above (+1) its largest.</summary>
        public double Crossing(double level, double best, int side)
        {
            var far = 0.25;
            while (Value(best + (side * far)) > level && far < 1e4)
                far *= 2;
            double near = 0;
            for (var i = 0; i < Steps && far - near > Enough * Math.Max(1, Math.Abs(best)); i++)
            {
                var middle = 0.5 * (near + far);
                if (Value(best + (side * middle)) > level)
                    near = middle;
                else
                    far = middle;
            }

            return best + (side * near);
        }

        private (double Slope, double Bend) Slope(double w)
        {
            var theta = Math.Exp(w);
            double slope = exact - (theta * exposed), bend = -theta * exposed;
            foreach (var span in spans)
            {
                // d/dw of ln(1 − e^−x) with x = θ·span is x/(eˣ − 1).
                var x = theta * span;
                var m = SpecialFunctions.Expm1(x);
                slope += x / m;
                bend += double.IsInfinity(m) ? 0 : (x / m) * (1 - (x * (m + 1) / m));
            }

            if (prior is not null)
            {
                slope += prior.Slope(shape, w);
                bend += LifePrior.Bend(shape);
            }

            return (slope, Math.Min(bend, -1e-300));
        }
    }
}
