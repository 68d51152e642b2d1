namespace MildHunch.Core.Records.Patterns;

/// <summary>What is left of evidence where many tests are read together.</summary>
public static class ManyTests
{
    /// <summary>Evidence from which on a pattern is told: one false alarm in twenty records, read as often as one likes.</summary>
    public const double Told = 20;

    /// <summary>
    /// Each test’s evidence, adjusted for all of them: the least mean that it can have with any of the weaker ones (Vovk and Wang 2021,
    /// adjusting e-values by closure).
    /// </summary>
    public static IReadOnlyList<double> Adjusted(IReadOnlyList<double> evidence)
    {
        var weakest = evidence.Order().ToArray();
        return [.. evidence.Select(e =>
        {
            double least = e, sum = e;
            for (var i = 0; i < weakest.Length - 1 && weakest[i] < least; i++)
            {
                sum += weakest[i];
                least = Math.Min(least, sum / (i + 2));
            }

            return least;
        })];
    }

    /// <summary>The smallest of so many chances read together, at most 1 (Bonferroni; Holm’s first step).</summary>
    public static double Adjusted(double chance, int tests) => Math.Min(1, chance * tests);
}
