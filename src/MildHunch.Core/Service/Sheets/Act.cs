namespace MildHunch.Core.Service.Sheets;

/// <summary>What the machine must be like for an act.</summary>
public enum MachineState
{
    /// <summary>Locked out, vented and open.</summary>
    Open,

    /// <summary>Still running, or able to.</summary>
    Running,

    /// <summary>Locked out.</summary>
    LockedOut,
}

/// <summary>How the bolts of its part stand while an act is done.</summary>
public enum BoltState
{
    /// <summary>They are out, or there are none.</summary>
    Out,

    /// <summary>All are slack and still in.</summary>
    Slack,

    /// <summary>They hold.</summary>
    Tight,
}

/// <summary>
/// One act of a sheet: small, one picture, one tick. Where it stands among the others follows from what it needs: the machine, the bolts
/// of its part, acts before it, a state that holds meanwhile (docs/trade.md, Service).
/// </summary>
public sealed record Act
{
    /// <summary>Its name within its part, by which others refer to it; null where none does.</summary>
    public string? Id { get; init; }

    /// <summary>What is done, in a sentence; empty where <see cref="Use"/> names acts that several sheets share.</summary>
    public string Do { get; init; } = "";

    /// <summary>Shared acts that stand here: "headOff" or "headOn".</summary>
    public string? Use { get; init; }

    /// <summary>Why, where it is not plain.</summary>
    public string? Why { get; init; }

    /// <summary>What goes wrong here.</summary>
    public IReadOnlyList<string> Mind { get; init; } = [];

    /// <summary>Tools beyond bare hands and spanners; what a van carries, where it will do.</summary>
    public IReadOnlyList<string> Tools { get; init; } = [];

    /// <summary>A special tool that makes it easier.</summary>
    public string? Better { get; init; }

    /// <summary>What is used up.</summary>
    public IReadOnlyList<string> Consumables { get; init; } = [];

    /// <summary>Ids of hazards of the catalogue.</summary>
    public IReadOnlyList<string> Hazards { get; init; } = [];

    /// <summary>What the machine must be like.</summary>
    public MachineState Machine { get; init; }

    /// <summary>How the bolts of its part must stand.</summary>
    public BoltState Bolts { get; init; }

    /// <summary>
    /// What must be done before it at the same place, the same way (off or on): "outlet.tighten", "end-cap.stretch". It waits for that,
    /// and nothing but what names it waits for it.
    /// </summary>
    public IReadOnlyList<string> After { get; init; } = [];

    /// <summary>A state that begins with it: "stretched".</summary>
    public string? Begins { get; init; }

    /// <summary>A state that ends with it.</summary>
    public string? Ends { get; init; }

    /// <summary>A state that must hold meanwhile.</summary>
    public string? During { get; init; }

    /// <summary>Only on pumps of this version; on all where null.</summary>
    public string? Version { get; init; }

    /// <summary>Only on these arrangements, by name; on all where empty.</summary>
    public IReadOnlyList<string> Arrangements { get; init; } = [];

    /// <summary>What is to be noted while it is done, in a word or two: "screw height"; null where nothing is.</summary>
    public string? Notes { get; init; }

    /// <summary>True where a photograph is to be taken.</summary>
    public bool Photo { get; init; }

    /// <summary>Where practitioners do it in two ways: both, and why it is done like this.</summary>
    public string? Schools { get; init; }
}
