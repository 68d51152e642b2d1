namespace MildHunch.Core.Service.Sheets;

/// <summary>One piece of a stack: of which part, drawn how, facing where.</summary>
public sealed record StackItem
{
    /// <summary>Id of the part it belongs to.</summary>
    public required string Part { get; init; }

    /// <summary>Name of a <see cref="PieceShape"/>.</summary>
    public required string Draw { get; init; }

    /// <summary>Its name where it is not that of the part.</summary>
    public string? Name { get; init; }

    /// <summary>How it faces, where it is more than the part's own facing.</summary>
    public string? Says { get; init; }

    /// <summary>True where it is fitted the other way round than its shape is drawn.</summary>
    public bool Flip { get; init; }

    /// <summary>Only on pumps of this version; on all where null.</summary>
    public string? Version { get; init; }
}

/// <summary>What lies in one cavity, from the side from which it is entered to the bottom.</summary>
public sealed record SheetStack
{
    /// <summary>Stable name, kebab-case.</summary>
    public required string Id { get; init; }

    /// <summary>Name in trade words.</summary>
    public required string Name { get; init; }

    /// <summary>How often it is there.</summary>
    public Per Per { get; init; } = Per.Pump;

    /// <summary>What lies beyond the top.</summary>
    public required string Top { get; init; }

    /// <summary>What lies beyond the bottom.</summary>
    public required string Bottom { get; init; }

    /// <summary>How many pieces of the top stand outside the bore.</summary>
    public int Outside { get; init; }

    /// <summary>Its pieces in order, the first one at the top.</summary>
    public required IReadOnlyList<StackItem> Items { get; init; }
}
