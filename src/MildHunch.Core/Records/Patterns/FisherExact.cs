using MathNet.Numerics.Distributions;

namespace MildHunch.Core.Records.Patterns;

/// <summary>Two groups, each with those that failed out of all it had.</summary>
public sealed record TwoGroups(int Failed, int Of, int OtherFailed, int OtherOf);

/// <summary>Fisher’s exact test of two groups with their sums given (Fisher 1935, The Design of Experiments).</summary>
public static class FisherExact
{
    private const double Alike = 1e-9;

    /// <summary>Chance that the first group has as many as it has, or more.</summary>
    public static double AtLeast(TwoGroups groups)
    {
        var law = Law(groups);
        return Enumerable.Range(groups.Failed, Math.Min(groups.Failed + groups.OtherFailed, groups.Of) - groups.Failed + 1)
            .Sum(law.Probability);
    }

    /// <summary>Chance of anything as unlikely, on either side.</summary>
    public static double TwoSided(TwoGroups groups)
    {
        var law = Law(groups);
        var seen = law.ProbabilityLn(groups.Failed) + Alike;
        return Math.Min(1, Enumerable.Range(law.Minimum, law.Maximum - law.Minimum + 1).Where(k => law.ProbabilityLn(k) <= seen)
            .Sum(law.Probability));
    }

    private static Hypergeometric Law(TwoGroups groups) =>
        new(groups.Of + groups.OtherOf, groups.Failed + groups.OtherFailed, groups.Of);
}
