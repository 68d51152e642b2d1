namespace MildHunch.Core.Records.Patterns;

/// <summary>What a pattern is about.</summary>
public enum PatternKind
{
    /// <summary>A place in one pump.</summary>
    Position,

    /// <summary>A part of the year.</summary>
    Season,

    /// <summary>One pump beside others of its type.</summary>
    Sister,

    /// <summary>One batch of parts beside the others.</summary>
    Batch,
}

/// <summary>Events at one place beside what was expected there.</summary>
public sealed record PlaceCount(string Place, int Events, double Expected);

/// <summary>What a record says of one question: where failures fall, and whether that is more than chance.</summary>
/// <param name="Pump">Id of the pump; null where several are compared.</param>
/// <param name="About">end, cylinder, side, part, place, season, sister or batch.</param>
/// <param name="Counts">By place, as asked.</param>
/// <param name="Leading">The place that stands out most.</param>
/// <param name="HowLikely">Works out <see cref="Chance"/>, once.</param>
/// <param name="Evidence">Evidence that may be looked at every week, adjusted for every question asked of the shop’s record.</param>
/// <param name="Told">True where it is told: at least five events, and evidence of twenty or more.</param>
public sealed record Pattern(
    PatternKind Kind, PartFamily Family, string? Pump, string About, IReadOnlyList<PlaceCount> Counts, PlaceCount Leading,
    Func<double> HowLikely, double Evidence, bool Told)
{
    /// <summary>Exact chance of counts as unlikely as these, looked at once and alone.</summary>
    public double Chance => HowLikely();

    /// <summary>Fewer events than these tell nothing.</summary>
    public const int FewestEvents = 5;

    /// <summary>All events.</summary>
    public int Events => Counts.Sum(c => c.Events);

    /// <summary>Its usual cause.</summary>
    public string Suspect => Family.Suspects.GetValueOrDefault(About, "");

    /// <summary>In words, with its counts.</summary>
    public string Sentence => PatternWords.Sentence(this);
}
