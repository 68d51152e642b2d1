namespace MildHunch.Core.Service.Proving;

/// <summary>Something that the proof showed, in trade words.</summary>
/// <param name="Standing">As expected, doubtful, or off.</param>
/// <param name="Text">What it was.</param>
public sealed record ProofRemark(Standing Standing, string Text);

/// <summary>What comes of a proof.</summary>
public enum ProofOutcome
{
    /// <summary>All as expected.</summary>
    Pass,

    /// <summary>It may run; something is to be kept in view.</summary>
    PassWithRemark,

    /// <summary>It is not mended: back to the suspects with the new readings.</summary>
    Back,

    /// <summary>Too little was done to say.</summary>
    NotYet,
}

/// <summary>How one stage stands, and why where it is not simply done.</summary>
public sealed record StageJudged(ProofStage Stage, StageState State, IReadOnlyList<string> Reasons)
{
    /// <summary>What the shut outlet said, good or bad.</summary>
    public IReadOnlyList<string> Shut { get; init; } = [];
}

/// <summary>What the proof comes to as it stands, and why.</summary>
/// <param name="Outcome">The outcome that is proposed.</param>
/// <param name="Reasons">All that stands against a plain pass, gravest first.</param>
/// <param name="Stages">Every stage in order.</param>
public sealed record ProofVerdict(ProofOutcome Outcome, IReadOnlyList<string> Reasons, IReadOnlyList<StageJudged> Stages);
