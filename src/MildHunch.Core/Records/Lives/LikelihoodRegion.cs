using MildHunch.Core.Numerics;

namespace MildHunch.Core.Records.Lives;

/// <summary>The likeliest shape and rate, ln scale^−shape, and the log-likelihood there.</summary>
internal sealed record LikelihoodPeak(double Shape, double LogRate, double Height);

/// <summary>
/// All pairs of shape and rate that are not much less likely than the best. The range of a figure over it is the figure’s
/// profile-likelihood band; since each of them moves one way with the rate, only its edge has to be walked.
/// </summary>
internal sealed class LikelihoodRegion
{
    private const int Halvings = 50;

    // In ln shape: a figure turns round so gently there that its tenth digit is right.
    private const double Close = 1e-5;
    private readonly WeibullLikelihood likelihood;
    private readonly double level;
    private readonly double[] shapes;

    // The edge at those shapes, below and above the likeliest rate: the same for every figure.
    private readonly double[] lower;
    private readonly double[] upper;

    public LikelihoodRegion(WeibullLikelihood likelihood, LikelihoodPeak peak, double drop, double least, double most, int points)
    {
        this.likelihood = likelihood;
        level = peak.Height - drop;
        LeastShape = Math.Exp(End(Math.Log(peak.Shape), Math.Log(least)));
        MostShape = Math.Exp(End(Math.Log(peak.Shape), Math.Log(most)));

        // Closer together towards the ends, where the edge turns round.
        double low = Math.Log(LeastShape), high = Math.Log(MostShape);
        shapes = [.. Enumerable.Range(0, points + 1).Select(i => 0.5 * (low + high - ((high - low) * Math.Cos(Math.PI * i / points))))];
        WeibullLikelihood.Section[] sections = [.. shapes.Select(s => likelihood.At(Math.Exp(s)))];
        lower = [.. sections.Select(s => Edge(s, -1))];
        upper = [.. sections.Select(s => Edge(s, 1))];
    }

    public double LeastShape { get; }

    public double MostShape { get; }

    /// <summary>Least and most of a figure over the region.</summary>
    /// <param name="figure">Of shape and ln rate; one way along the rate.</param>
    public (double Low, double High) Range(Func<double, double, double> figure)
    {
        double low = double.PositiveInfinity, high = double.NegativeInfinity;
        foreach (var side in (int[])[-1, 1])
        {
            double At(double logShape) => figure(Math.Exp(logShape), Edge(likelihood.At(Math.Exp(logShape)), side));
            var edge = side < 0 ? lower : upper;
            var values = shapes.Select((s, i) => figure(Math.Exp(s), edge[i])).ToArray();
            low = Math.Min(low, Refined(values, x => -At(x), values.Index().MinBy(v => v.Item).Index, values.Min(), -1));
            high = Math.Max(high, Refined(values, At, values.Index().MaxBy(v => v.Item).Index, values.Max(), 1));
        }

        return (low, high);
    }

    private double Refined(double[] values, Func<double, double> higher, int at, double known, int sign)
    {
        var (from, to) = (shapes[Math.Max(0, at - 1)], shapes[Math.Min(values.Length - 1, at + 1)]);
        var found = sign * higher(GoldenSection.Highest(higher, from, to, Close));
        return sign > 0 ? Math.Max(known, found) : Math.Min(known, found);
    }

    private double Edge(WeibullLikelihood.Section section, int side)
    {
        var best = section.Best();
        return section.Value(best) <= level ? best : section.Crossing(level, best, side);
    }

    // Where the likeliest rate of a shape falls to the level, at most a limit.
    private double End(double peak, double limit)
    {
        bool Inside(double logShape)
        {
            var section = likelihood.At(Math.Exp(logShape));
            return section.Value(section.Best()) > level;
        }

        if (Inside(limit))
            return limit;
        double within = peak, beyond = limit;
        for (var i = 0; i < Halvings; i++)
        {
            var middle = 0.5 * (within + beyond);
            if (Inside(middle))
                within = middle;
            else
                beyond = middle;
        }

        return within;
    }
}
