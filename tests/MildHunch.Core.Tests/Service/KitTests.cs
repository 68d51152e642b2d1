using CsCheck;
using MildHunch.Core.Service.Counts;

namespace MildHunch.Core.Tests.Service;

/// <summary>Counts of kits (common practice, no source).</summary>
public class KitTests
{
    private static readonly Dictionary<string, int> Triplex = new() { ["valve"] = 6, ["seat-oring"] = 6, ["cap-oring"] = 6 };

    [Fact]
    public void A_kit_for_one_side_is_needed_twice()
    {
        var bill = KitCounting.Count(Triplex, [Kit("one side", ("valve", 3), ("seat-oring", 3), ("cap-oring", 3))]);
        bill.Kits.ShouldHaveSingleItem().Count.ShouldBe(2);
        bill.Kits[0].LeftOver.ShouldBeEmpty();
        bill.Beside.ShouldBeEmpty();
    }

    /// <summary>A pair of packings a cylinder, kits for one cylinder: three; a kit for two leaves one over.</summary>
    [Fact]
    public void What_is_left_over_and_what_a_kit_leaves_out_is_said()
    {
        var bill = KitCounting.Count(
            new Dictionary<string, int> { ["hp-seal"] = 3, ["lp-seal"] = 3, ["carrier"] = 3 },
            [Kit("seals of two", ("hp-seal", 2), ("lp-seal", 2))]);
        bill.Kits.ShouldHaveSingleItem().Count.ShouldBe(2);
        bill.Kits[0].LeftOver.ShouldBe(new Dictionary<string, int> { ["hp-seal"] = 1, ["lp-seal"] = 1 });
        bill.Beside.ShouldBe(new Dictionary<string, int> { ["carrier"] = 3 });
    }

    [Fact]
    public void An_empty_kit_is_refused() =>
        Should.Throw<ImpossibleInputException>(() => KitCounting.Count(Triplex, [Kit("nothing")])).Message.ShouldContain("nothing");

    [Fact]
    public void Enough_of_everything_and_one_kit_fewer_is_too_few() => Gen.Select(
        Gen.Int[1, 12], Gen.Int[1, 12], Gen.Int[1, 6], Gen.Int[1, 6]).Sample((seals, rings, sealsInIt, ringsInIt) =>
    {
        var bill = KitCounting.Count(
            new Dictionary<string, int> { ["seal"] = seals, ["ring"] = rings }, [Kit("kit", ("seal", sealsInIt), ("ring", ringsInIt))]);
        var count = bill.Kits.ShouldHaveSingleItem().Count;
        (count * sealsInIt).ShouldBeGreaterThanOrEqualTo(seals);
        (count * ringsInIt).ShouldBeGreaterThanOrEqualTo(rings);
        ((count - 1) * sealsInIt < seals || (count - 1) * ringsInIt < rings).ShouldBeTrue();
        bill.Kits[0].LeftOver.GetValueOrDefault("seal").ShouldBe((count * sealsInIt) - seals);
    });

    private static Kit Kit(string name, params (string Part, int Count)[] holds) =>
        new(name, name, holds.ToDictionary(h => h.Part, h => h.Count));
}
