using System.Collections.Frozen;

namespace MildHunch.Core.Service;

/// <summary>Where a bolt stands in its pattern; x to the right, y down, a pattern one wide between 0 and 1.</summary>
public sealed record BoltPlace(int Number, double X, double Y);

/// <summary>
/// How the bolts of a group stand, and in which order they are tightened crosswise (docs/trade.md, Bolts). Rows are numbered from left
/// to right, the upper row first; circles clockwise from the top.
/// </summary>
public sealed class BoltPattern
{
    /// <summary>Most bolts of a circle that a sheet may name.</summary>
    public const int MostOnACircle = 16;

    private static readonly FrozenDictionary<string, BoltPattern> ByName = All().ToFrozenDictionary(p => p.Name);

    private BoltPattern(string name, IReadOnlyList<BoltPlace> places, IReadOnlyList<int> order)
    {
        Name = name;
        Places = places;
        Order = order;
    }

    /// <summary>Name in a sheet: "single", "pair", "circle-6", "rows-2x4".</summary>
    public string Name { get; }

    /// <summary>Every bolt, by number from 1.</summary>
    public IReadOnlyList<BoltPlace> Places { get; }

    /// <summary>Numbers in the order of tightening; each once.</summary>
    public IReadOnlyList<int> Order { get; }

    /// <summary>Every name that a sheet may use.</summary>
    public static IEnumerable<string> Names => ByName.Keys.Order(StringComparer.Ordinal);

    /// <summary>The pattern of that name; null for one nobody knows.</summary>
    public static BoltPattern? Find(string name) => ByName.GetValueOrDefault(name);

    private static IEnumerable<BoltPattern> All() =>
    [
        new("single", [new(1, 0.5, 0.5)], [1]),
        Rows("pair", 1, 2, [1, 2]),

        // Common practice, no source: rectangles from the middle outwards, each next one across.
        Rows("rows-2x2", 2, 2, [1, 4, 2, 3]),
        Rows("rows-2x3", 2, 3, [2, 5, 1, 6, 4, 3]),
        Rows("rows-2x4", 2, 4, [2, 7, 3, 6, 4, 5, 8, 1]),
        Rows("rows-2x6", 2, 6, [3, 10, 4, 9, 5, 8, 11, 2, 6, 7, 12, 1]),
        .. Enumerable.Range(3, MostOnACircle - 2).Select(n => new BoltPattern($"circle-{n}", [.. Circle(n)], Around(n))),
    ];

    private static BoltPattern Rows(string name, int rows, int columns, IReadOnlyList<int> order) => new(
        name,
        [.. from row in Enumerable.Range(0, rows)
            from column in Enumerable.Range(0, columns)
            select new BoltPlace(
                (row * columns) + column + 1, columns == 1 ? 0.5 : (double)column / (columns - 1),
                rows == 1 ? 0.5 : (double)row / (columns - 1))],
        order);

    private static IEnumerable<BoltPlace> Circle(int n) => Enumerable.Range(0, n).Select(k =>
    {
        var turn = 2 * Math.PI * k / n;
        return new BoltPlace(k + 1, 0.5 + (0.5 * Math.Sin(turn)), 0.5 - (0.5 * Math.Cos(turn)));
    });

    // Odd circles by steps of (n − 1)/2, even ones by opposites, the next pair as far from the last as it can be.
    private static IReadOnlyList<int> Around(int n) => n switch
    {
        4 => [1, 3, 2, 4],
        6 => [1, 4, 6, 3, 5, 2],
        8 => [1, 5, 3, 7, 2, 6, 4, 8],
        _ when n % 2 == 1 => [.. Enumerable.Range(0, n).Select(k => (k * ((n - 1) / 2) % n) + 1)],
        _ => [.. Enumerable.Range(0, n / 2).SelectMany(k => Opposites(n, k * PairStep(n / 2) % (n / 2)))],
    };

    private static int[] Opposites(int n, int first) => [first + 1, first + (n / 2) + 1];

    // A step that meets every pair once and leaves no two neighbours one after the other.
    private static int PairStep(int pairs) => Enumerable.Range(1, pairs - 2)
        .Where(step => CommonDivisor(step, pairs) == 1)
        .MinBy(step => Math.Abs(step - (pairs / 2.0)));

    private static int CommonDivisor(int a, int b) => b == 0 ? a : CommonDivisor(b, a % b);
}
