using MildHunch.Core.Pumps;
using MildHunch.Core.Service.Sheets;

namespace MildHunch.Core.Service.Findings;

/// <summary>How a part was found.</summary>
public enum FoundState
{
    /// <summary>As good as new for its purpose.</summary>
    Fine,

    /// <summary>Worn, and not the cause.</summary>
    Worn,

    /// <summary>It no longer does what it is for.</summary>
    Failed,
}

/// <summary>What can be found at one kind of part, and what it tells.</summary>
public sealed record Finding
{
    /// <summary>Stable name, kebab-case.</summary>
    public required string Id { get; init; }

    /// <summary>In a word or two: "pitted".</summary>
    public required string Name { get; init; }

    /// <summary>Kinds of part at which it is found.</summary>
    public required IReadOnlyList<string> At { get; init; }

    /// <summary>How bad it is.</summary>
    public required FoundState State { get; init; }

    /// <summary>The answer it gives to the question of that kind; null where the verdict has nothing to ask.</summary>
    public string? Answer { get; init; }

    /// <summary>What caused it, in a sentence.</summary>
    public string? Cause { get; init; }

    /// <summary>What else to look at before it runs again.</summary>
    public string? Then { get; init; }

    /// <summary>Name of the <see cref="PieceShape"/> on which it is drawn; null where words are enough.</summary>
    public string? Draw { get; init; }

    /// <summary>What is drawn on that piece.</summary>
    public FindingMarks Marks { get; init; } = new();
}

/// <summary>Marks upon a piece: x from its axis, y from its top, down.</summary>
public sealed record FindingMarks
{
    /// <summary>Open lines through points.</summary>
    public IReadOnlyList<IReadOnlyList<double[]>> Lines { get; init; } = [];

    /// <summary>Spots: x, y and radius.</summary>
    public IReadOnlyList<double[]> Discs { get; init; } = [];
}

/// <summary>One kind of part: the question of the catalogue that its findings answer.</summary>
public sealed record PartKind
{
    /// <summary>Stable name, as parts of sheets carry it.</summary>
    public required string Id { get; init; }

    /// <summary>Id of the question; {side} stands for inlet or discharge. Null where none is asked.</summary>
    public string? Cue { get; init; }

    /// <summary>The question where such a part stands on this side.</summary>
    public string? CueOn(Side? side) => Cue?.Replace("{side}", side?.Named(), StringComparison.Ordinal);

    /// <summary>True for what is pressed by hand and tried by suction.</summary>
    public bool Tested { get; init; }

    /// <summary>True for what must have been seen at every place before all is said to be good.</summary>
    public bool Whole { get; init; }

    /// <summary>What is measured at it, where a sheet has limits.</summary>
    public IReadOnlyList<string> Measured { get; init; } = [];
}
