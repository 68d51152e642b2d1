using MildHunch.Core.Diagnosis.Verdict;
using MildHunch.Core.Evidence;
using MildHunch.Core.Expectation;

namespace MildHunch.Core.Checks;

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
    /// <summary>The likeliest fault.</summary>
    public Suspect Leader => Suspects[0];
}
