using MildHunch.Core.Faults;

namespace MildHunch.Core.Service.Proving;

/// <summary>What is done at a stage of the proof beside its ticks.</summary>
public enum StageKind
{
    /// <summary>Ticks alone.</summary>
    Acts,

    /// <summary>Pressures one after another, each held for a while and read.</summary>
    Steps,

    /// <summary>The outlet shut: spike, hold, fall, starting again.</summary>
    Shut,

    /// <summary>The control set.</summary>
    Set,
}

/// <summary>One thing to be seen or done, ticked by name.</summary>
public sealed record ProofAct : IOnlyWhere
{
    /// <summary>Stable name within its stage.</summary>
    public required string Id { get; init; }

    /// <summary>What must hold once it is ticked.</summary>
    public required string Do { get; init; }

    /// <summary>True where a stage is done without it: not every maker allows it.</summary>
    public bool Optional { get; init; }

    /// <summary>Why, where it is not plain.</summary>
    public string? Why { get; init; }

    /// <summary>What goes wrong here.</summary>
    public IReadOnlyList<string> Mind { get; init; } = [];

    /// <summary>Ids of hazards, beside those of the stage.</summary>
    public IReadOnlyList<string> Hazards { get; init; } = [];

    /// <inheritdoc/>
    public IReadOnlyList<string> Requires { get; init; } = [];

    /// <inheritdoc/>
    public IReadOnlyList<string> Arrangements { get; init; } = [];

    /// <inheritdoc/>
    public IReadOnlyList<string> Fitted { get; init; } = [];
}

/// <summary>What may drip at first, and how much.</summary>
/// <param name="Heads">On these heads.</param>
/// <param name="Choices">And on pumps of these versions.</param>
/// <param name="Says">How much.</param>
/// <param name="Gland">The version that has a gland.</param>
/// <param name="GlandSays">What is said there as well.</param>
public sealed record RunIn(IReadOnlyList<string> Heads, IReadOnlyList<string> Choices, string Says, string Gland, string GlandSays);

/// <summary>A stage of the proof.</summary>
public sealed record ProofStage : IOnlyWhere
{
    /// <summary>Stable name.</summary>
    public required string Id { get; init; }

    /// <summary>In words.</summary>
    public required string Name { get; init; }

    /// <summary>What is done beside its ticks.</summary>
    public required StageKind Kind { get; init; }

    /// <summary>Why it is there.</summary>
    public string? Why { get; init; }

    /// <summary>Ids of hazards to be read before it.</summary>
    public IReadOnlyList<string> Hazards { get; init; } = [];

    /// <summary>Ticks, in order.</summary>
    public IReadOnlyList<ProofAct> Acts { get; init; } = [];

    /// <summary>Shares of the working pressure, in order.</summary>
    public IReadOnlyList<double> Shares { get; init; } = [];

    /// <summary>How long each is held, or the shut outlet is watched, s.</summary>
    public double Seconds { get; init; }

    /// <summary>True where water flows, so that flow and swing can be compared.</summary>
    public bool Flow { get; init; }

    /// <summary>True where it may not be done without a relief valve on record; on an intensifier without the limit of its drive.</summary>
    public bool NeedsRelief { get; init; }

    /// <summary>True where it proves what was set, and is there only once something was.</summary>
    public bool AfterSet { get; init; }

    /// <summary>What may drip at first.</summary>
    public RunIn? RunIn { get; init; }

    /// <summary>What is said of it on this pump; null where nothing may drip.</summary>
    public string? MayDrip { get; init; }

    /// <inheritdoc/>
    public IReadOnlyList<string> Requires { get; init; } = [];

    /// <inheritdoc/>
    public IReadOnlyList<string> Arrangements { get; init; } = [];

    /// <inheritdoc/>
    public IReadOnlyList<string> Fitted { get; init; } = [];

    /// <summary>Stable name of the reading once the control is set: "set.100".</summary>
    public string SetStep => StepId(1);

    /// <summary>Stable name of one of its steps: "steps.75".</summary>
    public string StepId(double share) => FormattableString.Invariant($"{Id}.{share * 100:0}");
}
