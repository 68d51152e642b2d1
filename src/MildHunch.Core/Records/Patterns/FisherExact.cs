using MathNet.Numerics;

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
        var law = new Law(groups);
        return Math.Min(1, Enumerable.Range(groups.Failed, law.Most - groups.Failed + 1).Sum(k => Math.Exp(law.Log(k))));
    }

    /// <summary>Chance of anything as unlikely, on either side.</summary>
    public static double TwoSided(TwoGroups groups)
    {
        var law = new Law(groups);
        var seen = law.Log(groups.Failed) + Alike;
        return Math.Min(
            1, Enumerable.Range(law.Least, law.Most - law.Least + 1).Select(law.Log).Where(l => l <= seen).Sum(Math.Exp));
    }

    // The hypergeometric law, by logarithms: also where all failed, or none.
    private sealed class Law(TwoGroups groups)
    {
        private readonly int failed = groups.Failed + groups.OtherFailed;

        public int Least => Math.Max(0, failed - groups.OtherOf);

        public int Most => Math.Min(failed, groups.Of);

        public double Log(int k) => SpecialFunctions.BinomialLn(groups.Of, k) + SpecialFunctions.BinomialLn(groups.OtherOf, failed - k)
            - SpecialFunctions.BinomialLn(groups.Of + groups.OtherOf, failed);
    }
}
