using MildHunch.Core.Expectation.Everyday;
using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;
using MildHunch.Core.Service;
using MildHunch.Core.Service.Counts;
using MildHunch.Core.Service.Sheets;
using static MildHunch.Core.Tests.Setting;

namespace MildHunch.Core.Tests.Service;

/// <summary>How many of what a pump takes, and how long it lasts (common practice, no source, where nothing else is named).</summary>
public class CountTests
{
    private static readonly ServiceSheets Sheets = ServiceSheets.BuiltIn(Known);

    [Theory]
    [InlineData("six-caps", "valve", "valve 6, seat-oring 6, cap-oring 6")]
    [InlineData("six-caps", "hp-seal", "hp-seal 3, carrier-oring 3, backup-ring 3")]
    [InlineData("stacked-bore", "discharge-valve", "plug-oring 3, bottom-oring 3, discharge-valve 3, discharge-seat-ring 3")]
    [InlineData("split-manifold", "packing", "packing 6, spacer-orings 6, inlet-spacer-oring 3")]
    [InlineData("two-piece", "valve", "valve 6, flat-gasket 6, joint-oring 3")]
    [InlineData("intensifier-nuts", "dynamic-seal", "dynamic-seal 2, dynamic-hoop 2")]
    public void What_the_whole_set_takes(string id, string part, string holds)
    {
        var (sheet, pump) = Of(id);
        var parts = Plan(sheet, pump, ServiceScope.WholeSet, [part]).Parts.ToDictionary(p => p.Id, p => p.Count);
        foreach (var (name, count) in holds.Split(", ").Select(h => h.Split(' ')).Select(h => (h[0], int.Parse(h[1]))))
            parts.GetValueOrDefault(name).ShouldBe(count, name);
    }

    /// <summary>An end of an intensifier takes two seals and two hoops.</summary>
    [Theory]
    [InlineData("intensifier-nuts")]
    [InlineData("intensifier-rods")]
    public void One_end_takes_two_seals_and_two_hoops(string id)
    {
        var (sheet, pump) = Of(id);
        PartAt[] wanted = [.. new[] { "dynamic-seal", "static-seal" }.Select(p => new PartAt(sheet.Part(p)!, new ServicePlace(1)))];
        var parts = new ServicePlanner(Sheets).Plan(sheet, pump, wanted, ServiceScope.WhatFailed).Parts;
        parts.Where(p => p.Part.Id.EndsWith("-seal", StringComparison.Ordinal) && p.Part.Id != "rod-seal").Sum(p => p.Count).ShouldBe(2);
        parts.Where(p => p.Part.Id.EndsWith("-hoop", StringComparison.Ordinal)).Sum(p => p.Count).ShouldBe(2);
    }

    /// <summary>A kit for one row of a two-piece head is needed twice for both.</summary>
    [Fact]
    public void Two_kits_for_both_rows_of_a_two_piece_head()
    {
        var (sheet, pump) = Of("two-piece");
        var needed = Plan(sheet, pump, ServiceScope.WholeSet, ["valve"]).Parts.ToDictionary(p => p.Id, p => p.Count);
        var bill = KitCounting.Count(needed, [new Kit("row", "Row", new Dictionary<string, int> { ["valve"] = 3, ["flat-gasket"] = 3 })]);
        bill.Kits.ShouldHaveSingleItem().Count.ShouldBe(2);
        bill.Beside.ShouldBe(new Dictionary<string, int> { ["joint-oring"] = 3 });
    }

    /// <summary>M8 25, M10 50, M12 88, M16 219 N·m for 8.8 dry; oiled three quarters (ISO 898-1, ISO 724; from memory).</summary>
    [Theory]
    [InlineData("M8", 25)]
    [InlineData("M10", 50)]
    [InlineData("M12", 88)]
    [InlineData("M16", 219)]
    public void The_ceiling_of_a_bolt(string size, double newtonMetres)
    {
        BoltMake Made(ThreadMetal metal, ThreadDressing dressing) => new(size, "8.8", metal, dressing);
        var dry = BoltCeiling.Of(Made(ThreadMetal.Steel, ThreadDressing.Dry))!.Value.Si;
        dry.ShouldBe(newtonMetres, 0.6);
        BoltCeiling.Of(Made(ThreadMetal.Steel, ThreadDressing.Oiled))!.Value.Si.ShouldBe(0.75 * dry, 1e-9);
        foreach (var softer in new[] { ThreadMetal.Brass, ThreadMetal.Aluminium })
            BoltCeiling.Of(Made(softer, ThreadDressing.Dry))!.Value.Si.ShouldBeLessThan(dry);
        BoltCeiling.Of(Made(ThreadMetal.Plastic, ThreadDressing.Dry)).ShouldBeNull();
    }

    /// <summary>A tenth have failed at B10, by its definition.</summary>
    [Fact]
    public void A_new_part_fails_in_a_tenth_of_all_cases_before_its_B10()
    {
        var wear = new Wear(2, 800);
        OpeningAgain.Of(0, [new WearingPart("Seal", 0, wear)], 800).AtLeast.ShouldBe(0.1, 1e-9);
        OpeningAgain.Of(0.2, [], 800).AtLeast.ShouldBe(0.2, 1e-9);

        // One that has run is likelier to fail, and what is not known is said.
        var worn = OpeningAgain.Of(0, [new WearingPart("Seal", 700, wear), new WearingPart("Valve", 0, null)], 800);
        worn.AtLeast.ShouldBeGreaterThan(0.1);
        worn.Unknown.ShouldBe(["Valve: no life on record"]);
        OpeningAgain.Of(0, [new WearingPart("Seal", null, wear)], null).Unknown
            .ShouldBe(["Seal: hours not noted", "hours until the next service not noted"]);
    }

    /// <summary>What a check opens is what the pump's own sheet opens, not what another kind of head would.</summary>
    [Theory]
    [InlineData("six-caps", "discharge-valves-out", "3 x valve cap")]
    [InlineData("inlet-cover", "inlet-valves-out", "inlet cover")]
    [InlineData("stacked-bore", "inlet-valves-out", "3 x valve plug")]
    [InlineData("two-piece", "discharge-valves-out", "outer short bolts, centre long bolts")]
    [InlineData("two-piece", "head-off", "centre long bolts")]
    public void What_a_check_opens_follows_from_the_sheet(string id, string check, string opens)
    {
        var (_, pump) = Of(id);
        var here = new SheetOpenings(Sheets).On(Known.Check(check)!, pump, Fog2Setup());
        here.Opens.ShouldBe(opens);
        here.Minutes.ShouldBeGreaterThan(0);
        here.PutBackMinutes.ShouldBeGreaterThan(0);
        new SheetOpenings(Sheets).On(Known.Check("cap-listen")!, pump, Fog2Setup()).ShouldBe(Known.Check("cap-listen"));
    }

    private static (ServiceSheet Sheet, ReciprocatingPump Pump) Of(string id)
    {
        var whole = Sheets.All.Single(s => s.Id == id);
        return (whole.On([]), PumpsOfSheets.For(whole));
    }

    private static ServicePlan Plan(ServiceSheet sheet, ReciprocatingPump pump, ServiceScope scope, string[] parts) =>
        new ServicePlanner(Sheets).Plan(
            sheet, pump, [.. parts.Select(p => sheet.Part(p)!).Select(p => new PartAt(p, p.Per.On(pump)[0]))], scope);
}
