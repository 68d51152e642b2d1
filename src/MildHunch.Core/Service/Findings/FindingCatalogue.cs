using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;
using MildHunch.Core.Service.Sheets;

namespace MildHunch.Core.Service.Findings;

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
            Require(
                finding.Draw is null || PieceShapes.Find(finding.Draw) is not null, finding.Id,
                $"“{finding.Draw}” is no shape; known are {string.Join(", ", PieceShapes.Names)}");
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
