namespace MildHunch.Core.Numerics;

/// <summary>
/// What is believed of a few unknowns, normally distributed, as linear readings of them come in: Bayes' rule for a linear model
/// (R. E. Kalman 1960, without a change in time). Any unit.
/// </summary>
internal sealed class GaussianBelief
{
    private readonly double[] mean;
    private readonly double[,] covariance;

    /// <summary>Independent unknowns, each with its mean and one sigma.</summary>
    public GaussianBelief(ReadOnlySpan<double> means, ReadOnlySpan<double> sigmas)
    {
        mean = means.ToArray();
        covariance = new double[mean.Length, mean.Length];
        for (var i = 0; i < mean.Length; i++)
            covariance[i, i] = sigmas[i] * sigmas[i];
    }

    /// <summary>Natural logarithm of how likely all that was read is.</summary>
    public double LogEvidence { get; private set; }

    /// <summary>Mean of an unknown.</summary>
    public double Mean(int unknown) => mean[unknown];

    /// <summary>What a sum of the unknowns with these weights is believed to be.</summary>
    public Gaussian Of(params ReadOnlySpan<double> weights)
    {
        var (middle, variance) = (0.0, 0.0);
        for (var i = 0; i < mean.Length; i++)
        {
            middle += weights[i] * mean[i];
            for (var k = 0; k < mean.Length; k++)
                variance += weights[i] * weights[k] * covariance[i, k];
        }

        return new Gaussian(middle, Math.Sqrt(Math.Max(0, variance)));
    }

    /// <summary>Takes in a reading of the sum with these weights.</summary>
    /// <param name="value">As read.</param>
    /// <param name="sigma">One sigma of the reading, above 0.</param>
    /// <param name="weights">One for each unknown.</param>
    public void Read(double value, double sigma, params ReadOnlySpan<double> weights)
    {
        var n = mean.Length;
        var reach = new double[n];
        for (var i = 0; i < n; i++)
            for (var k = 0; k < n; k++)
                reach[i] += covariance[i, k] * weights[k];
        var (expected, variance) = (0.0, sigma * sigma);
        for (var i = 0; i < n; i++)
        {
            expected += weights[i] * mean[i];
            variance += weights[i] * reach[i];
        }

        var off = value - expected;
        LogEvidence -= 0.5 * ((off * off / variance) + Math.Log(2 * Math.PI * variance));
        for (var i = 0; i < n; i++)
        {
            mean[i] += reach[i] / variance * off;
            for (var k = 0; k < n; k++)
                covariance[i, k] -= reach[i] * reach[k] / variance;
        }
    }
}

/// <summary>A normally distributed value: its mean and one sigma.</summary>
internal readonly record struct Gaussian(double Mean, double Sigma)
{
    /// <summary>The smaller of two that do not hang together, with the same first two moments (C. E. Clark 1961).</summary>
    public static Gaussian Least(Gaussian a, Gaussian b)
    {
        var apart = Math.Sqrt((a.Sigma * a.Sigma) + (b.Sigma * b.Sigma));
        if (apart < 1e-12 * (Math.Abs(a.Mean) + Math.Abs(b.Mean) + 1e-300))
            return a.Mean < b.Mean ? a : b;
        var z = (b.Mean - a.Mean) / apart;
        var (first, second) = (NormalDistribution.Cumulative(z), NormalDistribution.Cumulative(-z));
        var density = Math.Exp(-0.5 * z * z) / Math.Sqrt(2 * Math.PI);
        var mean = (a.Mean * first) + (b.Mean * second) - (apart * density);
        var square = (((a.Mean * a.Mean) + (a.Sigma * a.Sigma)) * first) + (((b.Mean * b.Mean) + (b.Sigma * b.Sigma)) * second)
            - ((a.Mean + b.Mean) * apart * density);
        return new Gaussian(mean, Math.Sqrt(Math.Max(0, square - (mean * mean))));
    }

    /// <summary>The same once it is known to be no less than a value, with the first two moments of what is left.</summary>
    public Gaussian NoLessThan(double least)
    {
        var z = (least - Mean) / Sigma;
        var left = 1 - NormalDistribution.Cumulative(z);

        // Far out in the tail the little that is left lies just above.
        if (left < 1e-5)
            return new Gaussian(least + (Sigma / Math.Max(z, 1)), Sigma / Math.Max(z, 1));
        var lambda = Math.Exp(-0.5 * z * z) / Math.Sqrt(2 * Math.PI) / left;
        return new Gaussian(Mean + (Sigma * lambda), Sigma * Math.Sqrt(Math.Max(1e-9, 1 - (lambda * (lambda - z)))));
    }

    /// <summary>Chance that it is below a value.</summary>
    public double Below(double value) => Sigma > 0 ? NormalDistribution.Cumulative((value - Mean) / Sigma) : Mean < value ? 1 : 0;
}
