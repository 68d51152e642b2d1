using System.Collections.Frozen;

namespace MildHunch.Core.Faults;

/// <summary>Evidence words and the likelihood each stands for (docs/trade.md, Words; common practice, no source).</summary>
public static class EvidenceWords
{
    private static readonly (string Word, double Likelihood)[] Scale =
    [
        ("almost surely", 0.97), ("almost always", 0.95), ("usually", 0.80), ("often", 0.60), ("as often as not", 0.50),
        ("sometimes", 0.30), ("seldom", 0.10), ("hardly ever", 0.02),
    ];

    private static readonly FrozenDictionary<string, double> ByWord = Scale.ToFrozenDictionary(s => s.Word, s => s.Likelihood);

    /// <summary>True for one of the words.</summary>
    public static bool Known(string word) => ByWord.ContainsKey(word);

    /// <summary>Chance of the answer, 0.02 to 0.95.</summary>
    public static double Likelihood(string word) => ByWord[word];

    /// <summary>The word nearest to a likelihood, for telling why.</summary>
    public static string Nearest(double likelihood) =>
        Scale.MinBy(s => Math.Abs(Math.Log(s.Likelihood / (1 - s.Likelihood))
            - Math.Log(Math.Clamp(likelihood, 1e-6, 1 - 1e-6) / (1 - Math.Clamp(likelihood, 1e-6, 1 - 1e-6))))).Word;
}
