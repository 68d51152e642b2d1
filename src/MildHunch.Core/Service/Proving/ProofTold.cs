using MildHunch.Core.Evidence;
using MildHunch.Core.Quantities;

namespace MildHunch.Core.Service.Proving;

/// <summary>What was read while a pressure was held.</summary>
/// <param name="Pressure">At the head.</param>
/// <param name="HeldSeconds">For how long it was held, by a clock; null where none ran.</param>
/// <param name="Readings">Flow, bypass and swing, as far as they were read.</param>
/// <param name="NoFlow">Why its flow could not be had; null where it was, or nobody says.</param>
public sealed record StepTold(GaugePressure Pressure, double? HeldSeconds, IReadOnlyList<Reading> Readings, string? NoFlow);

/// <summary>All that was told of a proof. What is missing was not done.</summary>
public sealed record ProofTold
{
    /// <summary>Acts that were ticked: "stand.oil".</summary>
    public IReadOnlySet<string> Acts { get; init; } = new HashSet<string>();

    /// <summary>Stages and steps that were left out, each with its reason: "shut", "steps.75".</summary>
    public IReadOnlyDictionary<string, string> LeftOut { get; init; } = new Dictionary<string, string>();

    /// <summary>Steps that were read: "steps.75", "set.100".</summary>
    public IReadOnlyDictionary<string, StepTold> Steps { get; init; } = new Dictionary<string, StepTold>();

    /// <summary>What the shut outlet showed, by stage.</summary>
    public IReadOnlyDictionary<string, ShutOutlet> Shuts { get; init; } = new Dictionary<string, ShutOutlet>();

    /// <summary>Stages whose outlet was shut before the control came to stand as it is.</summary>
    public IReadOnlySet<string> ShutBefore { get; init; } = new HashSet<string>();

    /// <summary>What the assistant says of the screw as it stands; null where it was not asked.</summary>
    public SettingAdvice? Setting { get; init; }

    /// <summary>Running pressure to which the control is set; null takes the working pressure.</summary>
    public GaugePressure? Target { get; init; }

    /// <summary>Ratings of what else stands under this pressure.</summary>
    public IReadOnlyList<PressureLimit> Limits { get; init; } = [];

    /// <summary>What of the work is not closed: steps not ticked, facings not looked at, parts not counted.</summary>
    public IReadOnlyList<string> Unclosed { get; init; } = [];

    /// <summary>Signs that end all work at the running pump, noted after the mend.</summary>
    public IReadOnlyList<string> StopSigns { get; init; } = [];

    /// <summary>What drips or runs since the mend.</summary>
    public IReadOnlyList<ProofRemark> Leaks { get; init; } = [];
}
