using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;

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

/// <summary>Everything that can be found, loaded from data and validated once.</summary>
public sealed class FindingCatalogue
{
    private const string File = "findings.json";

    private FindingCatalogue(Entries entries, Catalogue catalogue)
    {
        (Kinds, All) = (entries.Kinds, entries.Findings);
        void Require(bool holds, string entry, string problem)
        {
            if (!holds)
                throw new CatalogueException(File, entry, problem);
        }

        foreach (var kind in Kinds.Where(k => k.Cue is not null))
            foreach (var cue in CuesOf(kind))
                Require(catalogue.Cue(cue) is not null, kind.Id, $"unknown question “{cue}”");
        Require(All.Select(f => f.Id).Distinct().Count() == All.Count, "findings", "has one twice");
        foreach (var finding in All)
        {
            Require(finding.State != FoundState.Fine, finding.Id, "is fine, which needs no name");
            foreach (var at in finding.At)
            {
                var kind = Kinds.FirstOrDefault(k => k.Id == at);
                Require(kind is not null, finding.Id, $"unknown kind “{at}”");
                if (finding.Answer is null)
                    continue;
                Require(
                    kind!.Cue is not null && CuesOf(kind).All(c => catalogue.Cue(c)!.Answer(finding.Answer) is not null), finding.Id,
                    $"the question of “{at}” has no answer “{finding.Answer}”");
            }
        }
    }

    /// <summary>Kinds of part.</summary>
    public IReadOnlyList<PartKind> Kinds { get; }

    /// <summary>Every finding.</summary>
    public IReadOnlyList<Finding> All { get; }

    /// <summary>What ships with the product.</summary>
    /// <exception cref="CatalogueException">The file cannot be used; it names the entry.</exception>
    public static FindingCatalogue BuiltIn(Catalogue catalogue) =>
        new(KnowledgeFile.Read<Entries>(File, KnowledgeFile.Shipped($"findings/{File}")), catalogue);

    /// <summary>The kind of that id; null for one nobody knows.</summary>
    public PartKind? Kind(string id) => Kinds.FirstOrDefault(k => k.Id == id);

    /// <summary>What can be found at a kind of part.</summary>
    public IEnumerable<Finding> At(string kind) => All.Where(f => f.At.Contains(kind));

    private static IEnumerable<string> CuesOf(PartKind kind) =>
        kind.Cue!.Contains("{side}", StringComparison.Ordinal)
            ? [kind.CueOn(Side.Inlet)!, kind.CueOn(Side.Discharge)!]
            : [kind.Cue];

    private sealed record Entries
    {
        public required IReadOnlyList<PartKind> Kinds { get; init; }

        public required IReadOnlyList<Finding> Findings { get; init; }
    }
}
