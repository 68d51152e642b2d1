namespace MildHunch.Core.Service.Sheets;

/// <summary>What is done to a part in place of a new one.</summary>
/// <param name="Mend">What.</param>
/// <param name="Kinds">Kinds of part to which it is done.</param>
/// <param name="Minutes">Minutes at each place.</param>
/// <param name="Act">How.</param>
public sealed record MendAct(Mend Mend, IReadOnlyList<string> Kinds, double Minutes, Act Act);

/// <summary>What becomes of a part that is wanted.</summary>
public enum Mend
{
    /// <summary>A new one.</summary>
    Renew,

    /// <summary>Off and on again, with new rings.</summary>
    Refit,

    /// <summary>Cleaned and refitted.</summary>
    Clean,

    /// <summary>Its faces lapped, then refitted.</summary>
    Lap,
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

    /// <summary>What holds wherever bolts are slackened.</summary>
    public Act Loosening { get; init; } = new();

    /// <summary>What holds wherever bolts are tightened.</summary>
    public Act Tightening { get; init; } = new();

    /// <summary>What is done in place of a new part.</summary>
    public IReadOnlyList<MendAct> Mends { get; init; } = [];

    /// <summary>Names that a target may have beside the ids of a sheet, and the kinds of part they mean, the first that is there.</summary>
    public IReadOnlyDictionary<string, IReadOnlyList<string>> Names { get; init; } =
        new Dictionary<string, IReadOnlyList<string>>();

    /// <summary>How a part is mended in place of a new one; null where it cannot be, or need not.</summary>
    public MendAct? MendOf(Mend mend, SheetPart part) => Mends.FirstOrDefault(m => m.Mend == mend && m.Kinds.Contains(part.Kind));

    /// <summary>Shared acts by the name that sheets use; null for one nobody knows.</summary>
    public IReadOnlyList<Act>? Named(string name) => name switch
    {
        "headOff" => HeadOff,
        "headOn" => HeadOn,
        _ => null,
    };
}
