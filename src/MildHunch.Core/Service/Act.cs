namespace MildHunch.Core.Service;

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

/// <summary>One act of a sheet: small, one picture, one tick.</summary>
public sealed record Act
{
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

    /// <summary>Only on pumps of this version; on all where null.</summary>
    public string? Version { get; init; }
}

/// <summary>Acts that are the same on every sheet.</summary>
public sealed record CommonActs
{
    /// <summary>While it can still run.</summary>
    public IReadOnlyList<Act> Running { get; init; } = [];

    /// <summary>Dead, dry and documented.</summary>
    public IReadOnlyList<Act> LockOut { get; init; } = [];

    /// <summary>Once it is closed.</summary>
    public IReadOnlyList<Act> After { get; init; } = [];

    /// <summary>A pressed-on head comes off.</summary>
    public IReadOnlyList<Act> HeadOff { get; init; } = [];

    /// <summary>A pressed-on head goes on.</summary>
    public IReadOnlyList<Act> HeadOn { get; init; } = [];

    /// <summary>What to do with a part that will not come, gentle first, and when to stop.</summary>
    public IReadOnlyList<string> Stuck { get; init; } = [];

    /// <summary>Shared acts by the name that sheets use; null for one nobody knows.</summary>
    public IReadOnlyList<Act>? Named(string name) => name switch
    {
        "headOff" => HeadOff,
        "headOn" => HeadOn,
        _ => null,
    };
}
