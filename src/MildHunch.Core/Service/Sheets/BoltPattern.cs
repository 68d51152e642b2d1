using System.Collections.Frozen;

namespace MildHunch.Core.Service.Sheets;

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

    /// <summary>Most bolts in a single row.</summary>
    public const int LongestRow = 8;

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

    /// <summary>The two outermost of the upper row, which guide studs take the place of; none where no row is above another.</summary>
    public IReadOnlyList<int> GuideStuds
    {
        get
        {
            var upper = Places.Where(p => p.Y == Places.Min(q => q.Y)).OrderBy(p => p.X).ToArray();
            return Name.StartsWith("rows", StringComparison.Ordinal) && upper.Length > 1 ? [upper[0].Number, upper[^1].Number] : [];
        }
    }

    private static IEnumerable<BoltPattern> All() =>
    [
        new("single", [new(1, 0.5, 0.5)], [1]),
        Rows("pair", 1, 2, [1, 2]),
        .. Enumerable.Range(3, LongestRow - 2).Select(n => Rows($"row-{n}", 1, n, Outwards(1, n))),

        // Common practice, no source: rectangles from the middle outwards, each next one across.
        Rows("rows-2x2", 2, 2, [1, 4, 2, 3]),
        Rows("rows-2x3", 2, 3, [2, 5, 1, 6, 4, 3]),
        Rows("rows-2x4", 2, 4, [2, 7, 3, 6, 4, 5, 8, 1]),
        Rows("rows-2x5", 2, 5, Outwards(2, 5)),
        Rows("rows-2x6", 2, 6, [3, 10, 4, 9, 5, 8, 11, 2, 6, 7, 12, 1]),
        Rows("rows-2x8", 2, 8, Outwards(2, 8)),
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

    // From the middle outwards, left and right in turn; in two rows each one with the one diagonally across.
    private static IReadOnlyList<int> Outwards(int rows, int columns)
    {
        var middle = (columns - 1) / 2.0;
        var pairs = Enumerable.Range(0, columns).GroupBy(c => Math.Abs(c - middle)).OrderBy(g => g.Key)
            .Select(g => (Left: g.Min(), Right: g.Max()));
        return [.. pairs.SelectMany(p => Across(rows, columns, p.Left, p.Right)).Distinct().Select(c => c + 1)];
    }

    private static int[] Across(int rows, int columns, int left, int right) =>
        rows == 1 ? [left, right] : [left, columns + right, right, columns + left];

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
