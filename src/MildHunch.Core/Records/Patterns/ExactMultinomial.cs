using MathNet.Numerics;
using MildHunch.Core.Numerics;

namespace MildHunch.Core.Records.Patterns;

/// <summary>
/// Exact multinomial test: how likely counts as unlikely as these are, were each event to fall where its share says. All outcomes are
/// walked while they are at most a million; beyond that they are drawn, from a seed (docs/trade.md, Patterns).
/// </summary>
public static class ExactMultinomial
{
    /// <summary>Outcomes that are walked one by one.</summary>
    public const int MostOutcomes = 1_000_000;

    /// <summary>Outcomes that are drawn where there are more; fewer where there are so many events that it would take long.</summary>
    public const int Draws = 100_000;
    private const int FewestDraws = 2_000;
    private const int MostSteps = 16_000_000;

    // Outcomes as likely as the one seen differ from it in the last digits only.
    private const double Alike = 1e-9;

    /// <summary>The chance, 0 to 1.</summary>
    /// <param name="counts">Events by place, 0 or more.</param>
    /// <param name="shares">Shares by place, above 0, adding to 1.</param>
    /// <param name="draws">At most so many where outcomes are drawn.</param>
    public static double Chance(IReadOnlyList<int> counts, IReadOnlyList<double> shares, int seed = 1, int draws = Draws) =>
        Outcomes(counts.Sum(), counts.Count) <= MostOutcomes ? Walked(counts, shares) : Drawn(counts, shares, seed, draws);

    /// <summary>Ways in which so many events can fall into so many places.</summary>
    public static double Outcomes(int events, int places) =>
        Math.Round(Math.Exp(SpecialFunctions.BinomialLn(events + places - 1, places - 1)));

    private static double Log(IReadOnlyList<int> counts, double[] logs)
    {
        var sum = SpecialFunctions.FactorialLn(counts.Sum());
        for (var i = 0; i < logs.Length; i++)
            sum += (counts[i] * logs[i]) - SpecialFunctions.FactorialLn(counts[i]);
        return sum;
    }

    /// <summary>By walking every outcome.</summary>
    internal static double Walked(IReadOnlyList<int> counts, IReadOnlyList<double> shares)
    {
        var logs = shares.Select(s => Math.Log(s)).ToArray();
        var (events, seen) = (counts.Sum(), Log(counts, logs) + Alike);
        return Math.Min(1, From(0, events, SpecialFunctions.FactorialLn(events)));

        double From(int place, int left, double log)
        {
            if (place == logs.Length - 1)
            {
                log += (left * logs[place]) - SpecialFunctions.FactorialLn(left);
                return log <= seen ? Math.Exp(log) : 0;
            }

            double sum = 0;
            for (var n = 0; n <= left; n++)
                sum += From(place + 1, left - n, log + (n * logs[place]) - SpecialFunctions.FactorialLn(n));
            return sum;
        }
    }

    /// <summary>By drawing outcomes.</summary>
    internal static double Drawn(IReadOnlyList<int> counts, IReadOnlyList<double> shares, int seed, int most = Draws)
    {
        var logs = shares.Select(s => Math.Log(s)).ToArray();
        var (events, seen) = (counts.Sum(), Log(counts, logs) + Alike);
        var dice = new SeededNoise(seed);
        var hits = 0;
        var fell = new int[shares.Count];

        // Each event is one look, each place is counted: the work is bounded, whatever is asked.
        var draws = Math.Min(most, Math.Clamp(MostSteps / (events + shares.Count), FewestDraws, Draws));
        var places = new PlaceDraw(shares);
        for (var draw = 0; draw < draws; draw++)
        {
            Array.Clear(fell);
            for (var e = 0; e < events; e++)
                fell[places.At(dice.Even())]++;
            if (Log(fell, logs) <= seen)
                hits++;
        }

        // What was seen counts as one of the draws, so that the chance is never told as 0.
        return (hits + 1.0) / (draws + 1);
    }
}
