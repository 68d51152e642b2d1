using System.Runtime.Intrinsics;
using Lanes = System.Runtime.Intrinsics.Vector256<double>;

namespace MildHunch.Core.Numerics;

/// <summary>The standard normal distribution.</summary>
public static class NormalDistribution
{
    /// <summary>Chance of a value below x, within 7.5e-8 (Abramowitz and Stegun 26.2.17).</summary>
    public static double Cumulative(double x) => Cumulative(Vector256.Create(x)).ToScalar();

    /// <summary>The same of four values.</summary>
    public static Lanes Cumulative(Lanes x)
    {
        var z = Vector256.Abs(x);
        var t = Lanes.One / (Lanes.One + (0.2316419 * z));
        var tail = 0.3989422804014327 * Vector256.Exp(-0.5 * z * z) * t
            * (Vector256.Create(0.319381530)
                + (t
                    * (Vector256.Create(-0.356563782)
                        + (t * (Vector256.Create(1.781477937) + (t * (Vector256.Create(-1.821255978) + (t * 1.330274429))))))));
        return Vector256.ConditionalSelect(Vector256.GreaterThan(x, Lanes.Zero), Lanes.One - tail, tail);
    }
}
