using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;
using MildHunch.Core.Service;
using static MildHunch.Core.Tests.Setting;

namespace MildHunch.Core.Tests.Service;

public class SheetTests
{
    private static readonly ServiceSheets Sheets = ServiceSheets.BuiltIn(Known);
    private static readonly ServicePlanner Planner = new(Sheets);

    public static TheoryData<string> Ids => [.. Sheets.All.Select(s => s.Id)];

    /// <summary>Everything is taken apart and put together once: nothing is forgotten, nothing is done twice.</summary>
    [Theory]
    [MemberData(nameof(Ids))]
    public void What_comes_off_goes_back_on_once_and_says_which_way_it_looks(string id)
    {
        foreach (var (sheet, plan) in Everything(id))
        {
            foreach (var part in sheet.Parts)
            {
                plan.Steps.Count(s => s.Part == part && s.Stage is (ServiceStage.Before or ServiceStage.Open)).ShouldBe(
                    part.Off.Count + (part.Group is null ? 0 : 1), part.Id);
                plan.Steps.Count(s => s.Part == part && s.Stage == ServiceStage.Close && s.Facing).ShouldBe(1, part.Id);
                part.Facing.ShouldNotBeNullOrWhiteSpace(part.Id);
            }

            var opened = Order(plan, ServiceStage.Open);
            Order(plan, ServiceStage.Close).ShouldBe(opened.Reverse());
            plan.Steps.Select(s => s.Id).Distinct().Count().ShouldBe(plan.Steps.Count);
            plan.Steps.Where(s => s.Part is not null && s.Stage != ServiceStage.Inspect).Sum(s => s.Minutes)
                .ShouldBe(Disassembly.Minutes(plan.Off), 1e-9);
            plan.Minutes.ShouldBeGreaterThan(Disassembly.Minutes(plan.Off));
        }
    }

    [Theory]
    [MemberData(nameof(Ids))]
    public void Every_group_of_bolts_is_slackened_and_tightened_whole(string id)
    {
        foreach (var (sheet, plan) in Everything(id))
        {
            foreach (var group in sheet.Groups)
            {
                plan.Steps.Count(s => s.Bolts == group && s.Stage == ServiceStage.Open).ShouldBe(1, group.Id);
                plan.Steps.Count(s => s.Bolts == group && s.Stage == ServiceStage.Close).ShouldBe(1, group.Id);
            }

            // Nothing is offered that would break a cap, a plunger, plastic or a tie rod (common practice, no source).
            sheet.Groups.Where(g => g.Kind == "cap" || g.Id.Contains("plunger") || g.Id.Contains("tie-rod")).ShouldAllBe(g => !g.Ceiling);
        }
    }

    /// <summary>Opening a part under pressure needs it dead and vented first (common practice, no source).</summary>
    [Theory]
    [MemberData(nameof(Ids))]
    public void Dead_and_vented_before_the_first_bolt(string id)
    {
        foreach (var (_, plan) in Everything(id))
        {
            var before = plan.Steps.TakeWhile(s => s.Stage == ServiceStage.Before).SelectMany(s => s.Act.Hazards).ToArray();
            before.ShouldContain("lock-out");
            before.ShouldContain("trapped-pressure");
            plan.Hazards.ShouldAllBe(h => Known.Hazard(h) != null);

            // Nothing that needs it running stands after it was locked out, nothing is slackened before.
            var states = plan.Steps.Where(s => s.Stage is ServiceStage.Before or ServiceStage.Open).Select(s => s.Act.Machine).ToArray();
            var dead = Array.IndexOf(states, MachineState.LockedOut);
            states.Take(dead).ShouldAllBe(m => m == MachineState.Running);
            states.Skip(dead).ShouldNotContain(MachineState.Running);
            plan.Steps.Take(dead).ShouldAllBe(s => s.Bolts == null);
        }
    }

    /// <summary>Every pump has a sheet of its own, and one only but for intensifiers, whose makers have two ways.</summary>
    [Fact]
    public void Every_pump_has_its_sheet()
    {
        foreach (var pump in PumpsOfSheets.All)
            Sheets.For(pump, PumpsOfSheets.Everything).Count.ShouldBe(
                pump.Arrangement == Arrangement.Intensifier ? 2 : 1, $"{pump.Arrangement} {pump.HeadLayout}");
    }

    /// <summary>What has to be opened to be mended, inside the pump or at its control, is opened by some sheet.</summary>
    [Fact]
    public void Every_fault_that_is_mended_by_opening_the_pump_has_a_part()
    {
        var elsewhere = new[]
        {
            "supply", "inlet-air", "drive", "nozzle", "gauge", "supply-heat", "outlet-valve", "outlet-hose", "dampener", "drive-end",
            "relief-valve", "boost", "shift", "piston-seal", "bleed-valve", "purge", "stop-switch", "oil-level",
        };
        var missing =
            from pump in PumpsOfSheets.All
            let beside = Sheets.Beside(pump, PumpsOfSheets.Everything)
            from sheet in Sheets.For(pump, PumpsOfSheets.Everything)
            let served = beside.Append(sheet).SelectMany(s => s.Parts).SelectMany(p => p.Serves).ToHashSet()
            from fault in Known.Faults
            where fault.Id != Catalogue.NoFault && Catalogue.Fits(fault, pump, PumpsOfSheets.Round(pump))
                && !elsewhere.Contains(fault.Action) && !served.Contains(fault.Action)
            select $"{sheet.Id}: {fault.Id}";
        missing.Distinct().ShouldBeEmpty();
    }

    [Theory]
    [InlineData("\"under\": [\"cap\"]", "own.json, valve: lies under “cap”, which does not stand before it")]
    [InlineData("\"look\": null", "own.json, parts[0].look: null stands there; give a value or leave it out")]
    [InlineData("\"group\": \"caps\"", "own.json, valve: unknown group “caps”")]
    public void A_sheet_that_is_not_fit_to_use_names_file_entry_and_what_is_wrong(string wrong, string says) =>
        Should.Throw<CatalogueException>(() => ServiceSheets.Read(
            new Dictionary<string, string>
            {
                ["common.json"] = "{}",
                ["own.json"] = $$"""
                    { "id": "own", "name": "Own", "fits": {}, "parts": [ { "id": "valve", "name": "Valve", {{wrong}},
                      "minutes": { "off": 1, "on": 1 }, "off": [{ "do": "out" }], "on": [{ "do": "in" }], "facing": "up" } ] }
                    """,
            },
            Known)).Message.ShouldBe(says);

    // Every part of the sheet at every place, in each of its versions.
    private static IEnumerable<(ServiceSheet Sheet, ServicePlan Plan)> Everything(string id)
    {
        var whole = Sheets.All.Single(s => s.Id == id);
        foreach (var build in whole.Builds)
        {
            var sheet = whole.On(build);
            var pump = PumpsOfSheets.For(whole);
            yield return (sheet, Planner.Plan(
                sheet, pump, [.. sheet.Parts.SelectMany(p => p.Per.On(pump).Select(place => new PartAt(p, place)))],
                ServiceScope.WholeSet));
        }
    }

    private static string[] Order(ServicePlan plan, ServiceStage stage) =>
        [.. plan.Steps.Where(s => s.Stage == stage && s.Part is not null).Select(s => s.Part!.Id).Distinct()];
}
