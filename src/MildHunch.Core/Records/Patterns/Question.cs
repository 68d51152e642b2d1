namespace MildHunch.Core.Records.Patterns;

/// <summary>One way to look at the same events: each place of it gathers some of the finer places.</summary>
/// <param name="About">end, cylinder, side, part, place, season, sister or batch.</param>
/// <param name="Names">Places by name.</param>
/// <param name="OnlyMore">Only that the first place has more than its share is of interest.</param>
internal sealed record Look(string About, IReadOnlyList<string> Names, Func<int, int> Gather, bool OnlyMore = false)
{
    public RunningEvidence Evidence { get; } = new(Names.Count, OnlyMore);

    public void Add(int place, IReadOnlyList<double> shares)
    {
        var gathered = new double[Names.Count];
        for (var i = 0; i < shares.Count; i++)
            gathered[Gather(i)] += shares[i];
        Evidence.Add(Gather(place), gathered);
    }

    public IReadOnlyList<PlaceCount> Counts =>
        [.. Names.Select((n, i) => new PlaceCount(n, (int)Evidence.Counts[i], Evidence.Expected[i]))];
}

/// <summary>
/// One question to the record, however many ways there are to look at it: their mean is evidence as each of them is, so that it counts
/// as one test.
/// </summary>
internal sealed class Question(PatternKind kind, PartFamily family, string? pump, IReadOnlyList<Look> looks)
{
    // A chance is told to a thousandth.
    private const int Draws = 2_000;

    private readonly Lazy<double> evidence = new(() => looks.Average(l => l.Evidence.Value));

    // The look that shows it best, and its exact chance: much work, and wanted only where somebody reads it.
    private readonly Lazy<Look> best = new(() => looks.MaxBy(l => l.Evidence.Value)!);
    private double? chance;

    /// <summary>Once all its events are in.</summary>
    public double Evidence => evidence.Value;

    public void Add(int place, IReadOnlyList<double> shares)
    {
        foreach (var look in looks)
            look.Add(place, shares);
    }

    /// <summary>What it says, by the look that shows it best.</summary>
    /// <param name="adjusted">Its evidence, adjusted for all questions.</param>
    public Pattern? Answer(double adjusted)
    {
        var look = best.Value;
        if (look.Evidence.Events == 0)
            return null;
        var counts = look.Counts;
        var possible = counts.Where(c => c.Expected > 0).ToArray();
        var leading = possible.MaxBy(c => (c.Events - c.Expected) / Math.Sqrt(c.Expected))!;
        return new Pattern(
            kind, family, pump, look.About, counts, leading, () => chance ??= Chance(possible), adjusted,
            adjusted >= ManyTests.Told && look.Evidence.Events >= Pattern.FewestEvents && (!look.OnlyMore || leading == counts[0]));
    }

    private static double Chance(PlaceCount[] possible)
    {
        var events = possible.Sum(c => c.Events);
        return possible.Length < 2
            ? 1
            : ExactMultinomial.Chance([.. possible.Select(c => c.Events)], [.. possible.Select(c => c.Expected / events)], draws: Draws);
    }
}
