using CsCheck;
using MildHunch.Core.Service.Sheets;

namespace MildHunch.Core.Tests.Service;

public class BoltPatternTests
{
    /// <summary>Orders as technicians number them, the figure of eight on four among them (common practice, no source).</summary>
    [Theory]
    [InlineData("pair", "1-2")]
    [InlineData("circle-3", "1-2-3")]
    [InlineData("circle-4", "1-3-2-4")]
    [InlineData("rows-2x2", "1-4-2-3")]
    [InlineData("circle-5", "1-3-5-2-4")]
    [InlineData("circle-6", "1-4-6-3-5-2")]
    [InlineData("circle-7", "1-4-7-3-6-2-5")]
    [InlineData("circle-8", "1-5-3-7-2-6-4-8")]
    [InlineData("rows-2x3", "2-5-1-6-4-3")]
    [InlineData("rows-2x4", "2-7-3-6-4-5-8-1")]
    [InlineData("row-3", "2-1-3")]
    [InlineData("row-4", "2-3-1-4")]
    [InlineData("row-6", "3-4-2-5-1-6")]
    [InlineData("row-8", "4-5-3-6-2-7-1-8")]
    [InlineData("rows-2x5", "3-8-2-9-4-7-1-10-5-6")]
    [InlineData("rows-2x6", "3-10-4-9-5-8-11-2-6-7-12-1")]
    public void The_order_of_each_pattern(string pattern, string order) =>
        string.Join("-", BoltPattern.Find(pattern)!.Order).ShouldBe(order);

    [Fact]
    public void Each_bolt_once_and_neighbours_never_in_succession_where_the_pattern_allows()
    {
        foreach (var pattern in BoltPattern.Names.Select(n => BoltPattern.Find(n)!))
        {
            pattern.Order.Order().ShouldBe(Enumerable.Range(1, pattern.Places.Count), pattern.Name);
            // A single row is drawn down from its middle: the two there are neighbours.
            if (pattern.Places.Count < 5 || pattern.Name.StartsWith("row-", StringComparison.Ordinal))
                continue;
            foreach (var (one, next) in pattern.Order.Zip(pattern.Order.Skip(1)))
                Apart(pattern, one, next).ShouldBeGreaterThan(1.01 * Closest(pattern), $"{pattern.Name}: {one} then {next}");
        }
    }

    /// <summary>An even circle goes by opposites, so that the joint is never drawn down on one side (common practice, no source).</summary>
    [Fact]
    public void Even_circles_go_by_opposites()
    {
        foreach (var n in Enumerable.Range(2, (BoltPattern.MostOnACircle / 2) - 1).Select(k => 2 * k))
        {
            var order = BoltPattern.Find($"circle-{n}")!.Order;
            for (var k = 0; k < n; k += 2)
                Math.Abs(order[k] - order[k + 1]).ShouldBe(n / 2, $"{n} bolts, pair {k / 2}");
        }
    }

    [Fact]
    public void Places_of_a_pattern_are_apart_and_inside_it() => Gen.OneOfConst(BoltPattern.Names.ToArray()).Sample(name =>
    {
        var places = BoltPattern.Find(name)!.Places;
        places.ShouldAllBe(p => p.X >= 0 && p.X <= 1 && p.Y >= 0 && p.Y <= 1);
        places.Select(p => (Math.Round(p.X, 6), Math.Round(p.Y, 6))).Distinct().Count().ShouldBe(places.Count);
    });

    [Fact]
    public void Loosening_is_the_reverse_unless_the_group_says_otherwise()
    {
        var group = new BoltGroup { Id = "head", Name = "Head bolts", Kind = "bolt", Pattern = "rows-2x4" };
        group.ToLoosen.ShouldBe(group.ToTighten.Reverse());
        (group with { Loosen = [2, 7, 3, 6, 4, 5, 8, 1] }).ToLoosen.ShouldBe([2, 7, 3, 6, 4, 5, 8, 1]);
    }

    /// <summary>Plain bolts in steps of 30, 70 and 100 %, the last repeated; sealed caps at once (common practice, no source).</summary>
    [Fact]
    public void Passes_of_each_kind()
    {
        var group = new BoltGroup { Id = "head", Name = "Head bolts", Kind = "bolt", Pattern = "rows-2x4" };
        group.Passes.ShouldBe([0.3, 0.7, 1, 1]);
        (group with { Steps = TorqueSteps.OneLevel }).Passes.ShouldBe([1]);
        (group with { Steps = TorqueSteps.Snug }).Passes.ShouldBeEmpty();
    }

    private static double Apart(BoltPattern pattern, int one, int other)
    {
        var (a, b) = (pattern.Places[one - 1], pattern.Places[other - 1]);

        // Across the rows is never a neighbour: what draws a joint askew is one row after the other.
        return pattern.Name.StartsWith("rows", StringComparison.Ordinal) && a.Y != b.Y
            ? double.PositiveInfinity
            : Math.Sqrt(((a.X - b.X) * (a.X - b.X)) + ((a.Y - b.Y) * (a.Y - b.Y)));
    }

    private static double Closest(BoltPattern pattern) => pattern.Name.StartsWith("rows", StringComparison.Ordinal)
        ? pattern.Places[1].X - pattern.Places[0].X
        : Apart(pattern, 1, 2);
}
