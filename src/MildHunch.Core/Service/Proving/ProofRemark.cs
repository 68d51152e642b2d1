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
}

/// <summary>What the proof comes to as it stands, and why.</summary>
/// <param name="Outcome">The outcome that is proposed.</param>
/// <param name="Reasons">All that is not as expected, worst first; what was left out.</param>
public sealed record ProofVerdict(ProofOutcome Outcome, IReadOnlyList<string> Reasons)
{
    /// <summary>From all that was seen, and stages that were left out.</summary>
    public static ProofVerdict Of(IReadOnlyList<ProofRemark> remarks, IReadOnlyList<string> leftOut)
    {
        string[] reasons =
        [
            .. remarks.Where(r => r.Standing != Standing.AsExpected).OrderByDescending(r => r.Standing).Select(r => r.Text),
            .. leftOut.Select(s => $"Left out: {s}."),
        ];
        var outcome = remarks.Any(r => r.Standing == Standing.Off) ? ProofOutcome.Back
            : reasons.Length > 0 ? ProofOutcome.PassWithRemark
            : ProofOutcome.Pass;
        return new ProofVerdict(outcome, reasons);
    }
}
