using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;
using MildHunch.Core.Records.Lives;
using MildHunch.Core.Service.Sheets;

namespace MildHunch.Core.Records.Patterns;

/// <summary>Kinds of part that wear alike and are tested together, and what a pattern among them usually comes from.</summary>
public sealed record PartFamily
{
    /// <summary>Stable name, kebab-case.</summary>
    public required string Id { get; init; }

    /// <summary>In trade words, several of them.</summary>
    public required string Name { get; init; }

    /// <summary>Kinds of part of the sheets.</summary>
    public required IReadOnlyList<string> Kinds { get; init; }

    /// <summary>Whether patterns are looked for.</summary>
    public bool Tested { get; init; }

    /// <summary>
    /// Faults that wear such parts out rather than being wear of theirs: lives before and since such a mend are compared.
    /// </summary>
    public IReadOnlyList<string> Causes { get; init; } = [];

    /// <summary>
    /// What to suspect, by what the pattern is about: end, cylinder, side, part, place, end-place, season, sister, batch.
    /// </summary>
    public IReadOnlyDictionary<string, string> Suspects { get; init; } = new Dictionary<string, string>();
}

/// <summary>A part that no sheet opens and that has a life all the same.</summary>
public sealed record PartBeside(string Part, string Kind, string Name, IReadOnlyList<string> Serves);

/// <summary>Months that belong together.</summary>
public sealed record PartOfYear(string Id, string Name, IReadOnlyList<int> Months);

/// <summary>A part at its place with what is known of how it wears before the record speaks.</summary>
/// <param name="Kind">Kind of part.</param>
/// <param name="Name">In trade words.</param>
/// <param name="Wear">Life of the catalogue; null where it only has a weight.</param>
/// <param name="Weight">Weight of its faults in the catalogue at this place.</param>
/// <param name="Wearing">Kind of part by which the verdict knows that wear; null where it only has a weight.</param>
public sealed record RecordPart(
    PartPosition At, string Kind, string Name, PartFamily Family, Wear? Wear, double Weight, string? Wearing = null);

/// <summary>The families as data, and the parts of a pump that have a life on record.</summary>
public sealed record PartFamilies
{
    private const string File = "families.json";
    private static readonly Lazy<PartFamilies> Shipped =
        new(() => KnowledgeFile.Read<PartFamilies>(File, KnowledgeFile.Shipped($"records/{File}")));

    /// <summary>Every family, each kind in one of them.</summary>
    public required IReadOnlyList<PartFamily> Families { get; init; }

    /// <summary>Parts that every pump has beside those of its sheet.</summary>
    public required IReadOnlyList<PartBeside> Beside { get; init; }

    /// <summary>The year in its parts.</summary>
    public required IReadOnlyList<PartOfYear> Seasons { get; init; }

    /// <summary>As they ship with the product.</summary>
    public static PartFamilies BuiltIn => Shipped.Value;

    /// <summary>The family of a kind of part; null where it has no life on record.</summary>
    public PartFamily? Of(string kind) => Families.FirstOrDefault(f => f.Kinds.Contains(kind));

    /// <summary>The part of the year in which a day lies, from 0.</summary>
    public int SeasonOf(DateOnly day) => Seasons.Index().First(s => s.Item.Months.Contains(day.Month)).Index;

    /// <summary>Every part of a pump that has a life on record, at each of its places.</summary>
    /// <param name="sheets">The pump’s sheet and those of what stands beside it.</param>
    public IReadOnlyList<RecordPart> On(ReciprocatingPump pump, IReadOnlyList<ServiceSheet> sheets, Catalogue catalogue)
    {
        var parts = sheets.SelectMany(s => s.Parts).DistinctBy(p => p.Id).Where(p => Of(p.Kind) is not null)
            .SelectMany(p => p.Per.On(pump).Select(at => Part(new PartPosition(p.Id, at), p.Kind, p.Name, p.Serves, catalogue)));
        return [.. parts, .. Beside.Select(b => Part(new PartPosition(b.Part, ServicePlace.Whole), b.Kind, b.Name, b.Serves, catalogue))];
    }

    private static bool OnSide(Fault fault, Side? side) => fault.Side is null || side is null || fault.Side == side.Value.Named();

    private RecordPart Part(PartPosition at, string kind, string name, IReadOnlyList<string> serves, Catalogue catalogue)
    {
        var faults = catalogue.Faults.Where(f => serves.Contains(f.ActionOn(at.Place.Side)) && OnSide(f, at.Place.Side)).ToArray();
        var worn = faults.FirstOrDefault(f => f.Wear is not null);
        var weight = Math.Max(1, faults.Where(f => f.Hourly).Sum(f => f.Weight));
        return new RecordPart(at, kind, name, Of(kind)!, worn?.Wear, weight, worn?.Wearing);
    }
}
