using MathNet.Numerics;
using MathNet.Numerics.Distributions;
using MildHunch.Core.Numerics;

namespace MildHunch.Core.Records.Lives;

/// <summary>
/// Two-parameter Weibull by maximum likelihood with parts still running, parts watched from an age on and parts found failed at an
/// opening; bands by profile likelihood against F(1, r − 1), which covers better than χ² where failures are few (docs/trade.md, Lives
/// of parts).
/// </summary>
public static class LifeEstimator
{
    private const double Confidence = 0.9;
    private const int FewestForShape = 3;
    private const double HeldShape = 2;

    // Lives of parts lie well within; beyond, a sample of equal hours would run away.
    private const double LeastShape = 0.2;
    private const double MostShape = 20;
    private const int Grid = 96;

    // Hills of a likelihood are wide: a coarse look finds them.
    private const int Look = 40;

    /// <summary>Estimates.</summary>
    /// <param name="lives">At least one.</param>
    /// <param name="prior">What the catalogue knows; null to hear the record alone.</param>
    /// <param name="before">Hours before which the chance of failing is asked, each above 0.</param>
    /// <param name="age">Hours that the part in question has run already.</param>
    /// <exception cref="ImpossibleInputException">No lives and no prior, or a life that cannot be.</exception>
    public static LifeEstimate Estimate(
        IReadOnlyList<WatchedLife> lives, LifePrior? prior = null, IReadOnlyList<double>? before = null, double age = 0)
    {
        if (lives.Count == 0 && prior is null)
            throw new ImpossibleInputException("times", "nothing", "at least one part that failed or still runs");
        for (var i = 0; i < lives.Count; i++)
            lives[i].Check($"times[{i}]");
        Guard.Within("age", age, 0, 876_600, $"{age} h", "0 to 876600 hours");
        foreach (var hours in before ?? [])
            Guard.Within("before", hours, Math.BitIncrement(age), 876_600, $"{hours} h", $"hours above the age of {age}, at most 876600");
        if (prior is null && !HasMaximum(lives))
            throw new ImpossibleInputException(
                "times", "parts that were each found failed and never seen good while they were watched",
                "at least one that was seen good at some hours, or failed in sight: these may have failed at once");
        return prior is null && lives.Count(l => l.Failed) < FewestForShape
            ? Held(lives, before ?? [], age)
            : Fitted(lives, prior, before ?? [], age);
    }

    /// <summary>
    /// False where nothing is likeliest without a prior: each part was found failed and none was seen good before, so that the shorter
    /// they lasted, the likelier they are.
    /// </summary>
    public static bool HasMaximum(IReadOnlyList<WatchedLife> lives) => lives.Any(l => l.Found is not { } found || found.Good > l.From);

    private static LifeEstimate Held(IReadOnlyList<WatchedLife> lives, IReadOnlyList<double> before, double age)
    {
        var failures = lives.Count(l => l.Failed);

        // Found between two openings, a part is worth the hours that make the likeliest rate its rate.
        var likeliest = failures == 0 ? 0 : Math.Exp(new WeibullLikelihood(lives, null).At(HeldShape).Best());
        var exposed = failures == 0 ? lives.Sum(l => Square(l.Hours) - Square(l.From)) : failures / likeliest;
        var theta = failures == 0 ? 1 / exposed : likeliest;
        var least = failures == 0 ? 0 : ChiSquared.InvCDF(2 * failures, (1 - Confidence) / 2) / (2 * exposed);
        var most = ChiSquared.InvCDF(2 * (failures + 1), (1 + Confidence) / 2) / (2 * exposed);
        return new LifeEstimate(
            new Banded(HeldShape, HeldShape, HeldShape), Of(Scale), Of(B10), Of(Mean), failures, lives.Count - failures,
            LifeMethod.ShapeHeld,
            [.. before.Select(h => new ChanceBefore(h, new Banded(
                Chance(HeldShape, Math.Log(theta), age, h), least == 0 ? 0 : Chance(HeldShape, Math.Log(least), age, h),
                Chance(HeldShape, Math.Log(most), age, h))))]);

        Banded Of(Func<double, double, double> figure) => new(
            figure(HeldShape, Math.Log(theta)), figure(HeldShape, Math.Log(most)), least == 0 ? null : figure(HeldShape, Math.Log(least)));
    }

    private static LifeEstimate Fitted(IReadOnlyList<WatchedLife> lives, LifePrior? prior, IReadOnlyList<double> before, double age)
    {
        var failures = lives.Count(l => l.Failed);
        var likelihood = new WeibullLikelihood(lives, prior);
        var best = Peak(likelihood);
        var freedom = failures - 1 + (prior is null ? 0 : LifePrior.Worth);
        var region = new LikelihoodRegion(
            likelihood, best, 0.5 * FisherSnedecor.InvCDF(1, freedom, Confidence), LeastShape, MostShape, Grid);
        return new LifeEstimate(
            new Banded(best.Shape, region.LeastShape, region.MostShape), Of(Scale), Of(B10), Of(Mean), failures, lives.Count - failures,
            prior is null ? LifeMethod.MaximumLikelihood : LifeMethod.Pooled,
            [.. before.Select(h => new ChanceBefore(h, Of((k, w) => Chance(k, w, age, h))))]);

        Banded Of(Func<double, double, double> figure)
        {
            var (low, high) = region.Range(figure);
            return new Banded(figure(best.Shape, best.LogRate), low, high);
        }
    }

    // The highest point over the shapes: a coarse look first, since watching from an age on can make two hills.
    private static LikelihoodPeak Peak(WeibullLikelihood likelihood)
    {
        double Height(double logShape)
        {
            var section = likelihood.At(Math.Exp(logShape));
            return section.Value(section.Best());
        }

        double from = Math.Log(LeastShape), to = Math.Log(MostShape), step = (to - from) / Look;
        var top = Enumerable.Range(0, Look + 1).MaxBy(i => Height(from + (i * step)));
        var at = GoldenSection.Highest(Height, Math.Max(from, from + ((top - 1) * step)), Math.Min(to, from + ((top + 1) * step)));
        var shape = Math.Exp(at);
        var rate = likelihood.At(shape).Best();
        return new LikelihoodPeak(shape, rate, likelihood.At(shape).Value(rate));
    }

    private static double Square(double x) => x * x;

    private static double Scale(double shape, double w) => Math.Exp(-w / shape);

    private static double B10(double shape, double w) => Math.Exp((Math.Log(-Math.Log(0.9)) - w) / shape);

    private static double Mean(double shape, double w) => Scale(shape, w) * SpecialFunctions.Gamma(1 + (1 / shape));

    private static double Chance(double shape, double w, double age, double hours) =>
        1 - Math.Exp(-Math.Exp(w) * (Math.Pow(hours, shape) - Math.Pow(age, shape)));
}
