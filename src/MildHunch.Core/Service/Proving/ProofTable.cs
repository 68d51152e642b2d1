namespace MildHunch.Core.Service.Proving;

/// <summary>How a stage of the proof stands.</summary>
public enum StageState
{
    /// <summary>Nothing of it was done.</summary>
    NotBegun,

    /// <summary>Some of it is missing, or was read at another pressure than its own, or not held.</summary>
    Begun,

    /// <summary>Left out, with a reason.</summary>
    LeftOut,

    /// <summary>May not be done on this pump as it is on record.</summary>
    Forbidden,

    /// <summary>Done, and as expected.</summary>
    Done,

    /// <summary>Done; something is to be kept in view.</summary>
    Doubtful,

    /// <summary>Something is off, or a limit was passed.</summary>
    Off,

    /// <summary>Nothing to prove: what it proves was not done.</summary>
    NotNeeded,
}

/// <summary>What a stage in a state does to the whole.</summary>
public enum StageWeight
{
    /// <summary>Nothing against a pass.</summary>
    Passes,

    /// <summary>A pass at most with a remark.</summary>
    Remark,

    /// <summary>No pass yet.</summary>
    Open,

    /// <summary>Back to the suspects.</summary>
    SendsBack,
}

/// <summary>
/// The verdict of a proof by a table: what each state of a stage weighs, and what the weights come to (docs/trade.md, Proving).
/// </summary>
public static class ProofTable
{
    /// <summary>What a stage of any kind weighs in a state.</summary>
    public static StageWeight Of(StageState state) => state switch
    {
        StageState.Done or StageState.NotNeeded => StageWeight.Passes,
        StageState.LeftOut or StageState.Forbidden or StageState.Doubtful => StageWeight.Remark,
        StageState.Off => StageWeight.SendsBack,
        _ => StageWeight.Open,
    };

    /// <summary>What all weights come to: the gravest decides, and what is open is graver than a remark.</summary>
    public static ProofOutcome Of(IEnumerable<StageWeight> weights) => weights.DefaultIfEmpty(StageWeight.Open).Max() switch
    {
        StageWeight.SendsBack => ProofOutcome.Back,
        StageWeight.Open => ProofOutcome.NotYet,
        StageWeight.Remark => ProofOutcome.PassWithRemark,
        _ => ProofOutcome.Pass,
    };
}
