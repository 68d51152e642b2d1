namespace MildHunch.Core.Diagnosis;

/// <summary>The standard normal distribution.</summary>
public static class NormalDistribution
{
    /// <summary>Chance of a value below x, within 7.5e-8 (Abramowitz and Stegun 26.2.17).</summary>
    public static double Cumulative(double x)
    {
        var z = Math.Abs(x);
        if (z > 8)
            return x > 0 ? 1 : 0;
        var t = 1 / (1 + (0.2316419 * z));
        var tail = 0.3989422804014327 * Math.Exp(-0.5 * z * z) * t
            * (0.319381530 + (t * (-0.356563782 + (t * (1.781477937 + (t * (-1.821255978 + (t * 1.330274429))))))));
        return x > 0 ? 1 - tail : tail;
    }
}
