using MildHunch.Core.Diagnosis.Hypotheses;
using MildHunch.Core.Expectation;
using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;

namespace MildHunch.Core.Diagnosis.Verdict;

/// <summary>Something to mend, and the probability that it is what has to be mended.</summary>
public sealed record ActionShare(string Action, string Name, double Probability, double MendMinutes);

/// <summary>Where a suspect may sit, and how likely that is.</summary>
public sealed record LocationShare(int? Cylinder, Side? Side, double Probability);

/// <summary>What one piece of evidence says for (positive) or against a suspect, in decibans within ±60.</summary>
/// <param name="Brief">The same in a few words, for a line beside the name of the suspect.</param>
public sealed record WeightOfEvidence(string Source, double Decibans, string Text, string Brief);

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

/// <summary>A reading that even the best explanation cannot account for, or that had to be put right first (0 sigmas).</summary>
public sealed record Contradiction(string Source, string Text, double Sigmas);

/// <summary>What was read against what a sound pump would show.</summary>
public sealed record Comparison(Observable What, double Read, double Expected, double Low, double High, double Sigmas);
