using MildHunch.Core.Diagnosis.Hypotheses;
using MildHunch.Core.Diagnosis.Verdict;
using MildHunch.Core.Evidence;
using MildHunch.Core.Expectation;

namespace MildHunch.Core.Checks;

/// <summary>Whether the pump is mended: nothing is left that acts.</summary>
/// <param name="Was">What the mends most likely did away with; null where nothing was likely that they reached.</param>
public sealed record MendedShare(double Probability, string Sentence, Hypothesis? Was);

/// <summary>Everything the evidence says about one pump.</summary>
public sealed record Verdict(
    IReadOnlyList<ActionShare> Actions,
    IReadOnlyList<Suspect> Suspects,
    IReadOnlyList<Contradiction> Contradictions,
    IReadOnlyList<NextCheck> NextChecks,
    IReadOnlyList<Comparison> Comparisons,
    WaterLedger Ledger,
    PumpExpectation Expectation,
    int Considered,
    IReadOnlyList<PairShare> Pairs,
    double TwoAtOnce,
    OpenNow OpenNow,
    Rival? Rival,
    IReadOnlyList<StopNow> StopNow)
{
    /// <summary>Whether it is mended; null where nothing was mended.</summary>
    public MendedShare? Mended { get; init; }

    /// <summary>The likeliest fault.</summary>
    public Suspect Leader => Suspects[0];
}
