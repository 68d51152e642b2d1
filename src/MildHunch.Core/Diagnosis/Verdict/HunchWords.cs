namespace MildHunch.Core.Diagnosis.Verdict;

/// <summary>How sure we are, in words (docs/trade.md, Verdict). Never certain.</summary>
public static class HunchWords
{
    /// <summary>The words for a probability, 0 to 1.</summary>
    public static string Of(double probability) => probability switch
    {
        < 0.5 => "mild hunch",
        < 0.8 => "fair hunch",
        < 0.95 => "strong hunch",
        _ => "as good as found",
    };

    /// <summary>A probability as it is shown: whole per cents, never 0 and never 100.</summary>
    public static string Percent(double probability) => probability switch
    {
        >= 0.995 => "over 99 %",
        < 0.005 => "under 1 %",
        _ => $"{Math.Round(probability * 100)} %",
    };
}
