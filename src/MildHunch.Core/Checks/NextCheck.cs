using MildHunch.Core.Diagnosis.Verdict;
using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;

namespace MildHunch.Core.Checks;

/// <summary>Who would lead after an answer, in words with the place where one stands out, and by what share.</summary>
public sealed record LeaderThen(string Name, double Share)
{
    /// <summary>Where among the hypotheses it stands.</summary>
    internal int Hypothesis { get; init; }

    /// <summary>Both in one line.</summary>
    public override string ToString() => $"{Name} → {HunchWords.Percent(Share)}";
}

/// <summary>An answer a check may give, how likely it is, and what it would do.</summary>
public sealed record CheckAnswer(
    string Answer, string Text, int? Cylinder, Side? Side, double Probability, LeaderThen Then, double? From = null, double? To = null)
{
    /// <summary>Probability of every contender once this answer is given.</summary>
    internal double[] After { get; init; } = [];
}

/// <summary>Something worth doing next.</summary>
/// <param name="MinutesToMend">Expected minutes to the pump mended and proved when this is done next and then the likeliest is
/// mended.</param>
public sealed record NextCheck(
    Check Check, string Question, double Bits, double BitsPerMinute, double MinutesToMend, IReadOnlyList<CheckAnswer> Answers);

/// <summary>Whether to go on testing or to open: expected minutes either way, and the check that makes the first one shortest.</summary>
public sealed record OpenNow(bool Recommended, double MinutesIfTested, double MinutesIfOpened, Check? BestCheck);

/// <summary>A check of a plan, and where each answer leads: on to another check, or to opening what is likeliest.</summary>
public sealed record PlanStep(Check Check, string Question, double Minutes, IReadOnlyList<PlanBranch> Branches);

/// <summary>An answer of a planned check. Without a next step it ends in what is opened or mended.</summary>
public sealed record PlanBranch(string Text, double Probability, string Leader, double LeaderProbability, PlanStep? Next, string? Ends);

/// <summary>
/// The second suspect and what would have to be true for it to lead: the answer of a check; none where no quick one does.
/// </summary>
public sealed record Rival(Fault Fault, Check? Check, string? Answer, double Probability);
