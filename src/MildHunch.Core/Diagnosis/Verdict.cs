using MildHunch.Core.Faults;
using MildHunch.Core.Hydraulics;
using MildHunch.Core.Pumps;

namespace MildHunch.Core.Diagnosis;

/// <summary>Something to mend, and the probability that it is what has to be mended.</summary>
public sealed record ActionShare(string Action, string Name, double Probability, double MendMinutes);

/// <summary>Where a suspect may sit, and how likely that is.</summary>
public sealed record LocationShare(int? Cylinder, Side? Side, double Probability);

/// <summary>What one piece of evidence says for (positive) or against a suspect, in decibans within ±60.</summary>
public sealed record WeightOfEvidence(string Source, double Decibans, string Text);

/// <summary>How bad it would be: middle and 10 to 90 % band of the severity, 0 to 1.</summary>
public sealed record SeverityEstimate(double Middle, double Low, double High, string Zero, string One);

/// <summary>Two things wrong at once at their likeliest places, and how likely the two are wherever they sit.</summary>
public sealed record PairShare(Hypothesis First, Hypothesis Second, double Probability);

/// <summary>A fault, summed over its places, alone or as one of two.</summary>
public sealed record Suspect(
    Fault Fault,
    double Probability,
    double Prior,
    string Hunch,
    SeverityEstimate Severity,
    IReadOnlyList<LocationShare> Locations,
    IReadOnlyList<WeightOfEvidence> Evidence,
    double TogetherDecibans);

/// <summary>An answer a check may give, how likely it is, and what it would do.</summary>
public sealed record CheckAnswer(string Answer, string Text, int? Cylinder, Side? Side, double Probability, string Then, double? From = null, double? To = null)
{
    /// <summary>Probability of every contender once this answer is given.</summary>
    internal double[] After { get; init; } = [];
}

/// <summary>Something worth doing next.</summary>
/// <param name="MinutesToMend">Expected minutes to the pump mended and proved when this is done next and then the likeliest is mended.</param>
public sealed record NextCheck(Check Check, string Question, double Bits, double BitsPerMinute, double MinutesToMend, IReadOnlyList<CheckAnswer> Answers);

/// <summary>Whether to go on testing or to open: expected minutes either way, and the check that makes the first one shortest.</summary>
public sealed record OpenNow(bool Recommended, double MinutesIfTested, double MinutesIfOpened, Check? BestCheck);

/// <summary>A check of a plan, and where each answer leads: on to another check, or to opening what is likeliest.</summary>
public sealed record PlanStep(Check Check, string Question, double Minutes, IReadOnlyList<PlanBranch> Branches);

/// <summary>An answer of a planned check. Without a next step it ends in what is opened or mended.</summary>
public sealed record PlanBranch(string Text, double Probability, string Leader, double LeaderProbability, PlanStep? Next, string? Ends);

/// <summary>A reading that even the best explanation cannot account for, or that had to be put right first (0 sigmas).</summary>
public sealed record Contradiction(string Source, string Text, double Sigmas);

/// <summary>What was read against what a sound pump would show.</summary>
public sealed record Comparison(Observable What, double Read, double Expected, double Low, double High, double Sigmas);

/// <summary>The second suspect and what would have to be true for it to lead: the answer of a check; none where no quick one does.</summary>
public sealed record Rival(Fault Fault, Check? Check, string? Answer, double Probability);

/// <summary>Everything the evidence says about one pump.</summary>
public sealed record Verdict(
    IReadOnlyList<ActionShare> Actions,
    IReadOnlyList<Suspect> Suspects,
    IReadOnlyList<Contradiction> Contradictions,
    IReadOnlyList<NextCheck> NextChecks,
    IReadOnlyList<Comparison> Comparisons,
    WaterLedger Ledger,
    Expectation Expectation,
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
