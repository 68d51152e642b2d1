using System.Text.RegularExpressions;
using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;
using MildHunch.Core.Service;
using MildHunch.Core.Service.Sheets;
using static MildHunch.Core.Tests.Setting;

namespace MildHunch.Core.Tests.Service;

public partial class SheetTests
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
            foreach (var part in sheet.Parts.Where(p => !p.InPlace))
            {
                Places(plan, part, s => s.Stage == ServiceStage.Open).ShouldBe(part.Per.On(plan.Pump), ignoreOrder: true, part.Id);
                Places(plan, part, s => s.Facing).ShouldBe(part.Per.On(plan.Pump), ignoreOrder: true, part.Id);
                part.Facing.ShouldNotBeNullOrWhiteSpace(part.Id);
                foreach (var way in new[] { part.Off, part.On })
                    foreach (var act in way)
                        Places(plan, part, s => s.Act == act).ShouldBe(part.Per.On(plan.Pump), ignoreOrder: true, act.Do);
            }

            plan.Steps.Where(s => s.Part is { InPlace: true }).ShouldAllBe(s => s.Stage != ServiceStage.Close);
            plan.Steps.Select(s => s.Id).Distinct().Count().ShouldBe(plan.Steps.Count);
            plan.Steps.SelectMany(s => s.Ticks).Select(t => t.Key).Distinct().Count().ShouldBe(plan.Steps.Sum(s => s.Ticks.Count));
            plan.Steps.Where(s => s.Part is not null && s.Stage is not (ServiceStage.Inspect or ServiceStage.Mend)).Sum(s => s.Minutes)
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
                var part = sheet.Parts.Single(p => p.Group == group.Id);
                Places(plan, part, s => s.Job is BoltJob.Loosen or BoltJob.Slacken).ShouldBe(part.Per.On(plan.Pump), ignoreOrder: true);
                Places(plan, part, s => s.Tightens).ShouldBe(part.Per.On(plan.Pump), ignoreOrder: true);
                var rounds = plan.Steps.Where(s => s.Bolts == group && s.Ticks[0].Place == part.Per.On(plan.Pump)[0])
                    .SelectMany(s => s.Rounds).ToArray();

                // Guide studs stand in for two: they are drawn and started with the studs, everything else by its number.
                foreach (var round in rounds.Where(r => r.Share is not null || r.Name is "a quarter turn" or "snug"))
                    round.Order.Order().ShouldBe(group.Places.Places.Select(p => p.Number), $"{group.Id} {round.Name}");
                rounds.Where(r => r.Share is not null).Select(r => r.Share!.Value).ShouldBe(group.Passes);
            }

            // Nothing is offered that would break a cap, a plunger, plastic or a tie rod (common practice, no source).
            sheet.Groups.Where(g => g.Kind == "cap" || g.Id.Contains("plunger") || g.Id.Contains("tie-rod")).ShouldAllBe(g => !g.Ceiling);
        }
    }

    /// <summary>What is held by bolts has bolts that are worked: it is never taken off in passing by an act of another part.</summary>
    [Theory]
    [MemberData(nameof(Ids))]
    public void What_is_bolted_comes_off_as_a_part_of_its_own(string id)
    {
        var sheet = Sheets.All.Single(s => s.Id == id);
        foreach (var part in sheet.Parts)
            foreach (var act in part.Off.Concat(part.On))
                foreach (Match bolted in Bolted().Matches(act.Do))
                    $"{part.Name} {sheet.Groups.FirstOrDefault(g => g.Id == part.Group)?.Name}".ShouldContain(
                        bolted.Groups[1].Value, Case.Insensitive, act.Do);
    }

    [GeneratedRegex(@"\b(cover|flange|manifold|plug|head|cap|housing) (?:off|on)\b", RegexOptions.IgnoreCase)]
    private static partial Regex Bolted();

    /// <summary>What is snug, or by hand, has no torque, and nobody is sent to one.</summary>
    [Fact]
    public void No_torque_is_asked_of_what_is_snug_or_by_hand()
    {
        foreach (var id in Sheets.All.Select(s => s.Id))
            foreach (var (_, plan) in Everything(id))
                foreach (var step in plan.Steps.Where(s => s.Bolts is { Steps: TorqueSteps.Snug or TorqueSteps.ByHand }))
                {
                    step.Act.Do.ShouldNotContain("to its torque");
                    step.Act.Tools.ShouldNotContain("torque wrench");
                    step.Rounds.ShouldAllBe(r => r.Share == null);
                }
    }

    /// <summary>Opening a part under pressure needs it dead and vented first (common practice, no source).</summary>
    [Theory]
    [MemberData(nameof(Ids))]
    public void Dead_and_vented_before_the_first_bolt(string id)
    {
        foreach (var (_, plan) in Everything(id))
        {
            // What is done while it runs, and opens nothing, is not locked out for.
            if (plan.Off.All(o => o.Part.InPlace && o.Part.Off.All(a => a.Machine == MachineState.Running)))
                continue;
            var before = plan.Steps.TakeWhile(s => s.Stage == ServiceStage.Before).SelectMany(s => s.Act.Hazards).ToArray();
            before.ShouldContain("lock-out");
            before.ShouldContain("trapped-pressure");
            plan.Hazards.ShouldAllBe(h => Known.Hazard(h) != null);

            // Nothing that needs it running stands after it was locked out, nothing is slackened before.
            var states = plan.Steps.Where(s => s.Stage is ServiceStage.Before or ServiceStage.Open).Select(s => s.Act.Machine).ToArray();
            var dead = Array.IndexOf(states, MachineState.LockedOut);
            states.Take(dead).ShouldAllBe(m => m == MachineState.Running);
            states.Skip(dead).ShouldNotContain(MachineState.Running);
            plan.Steps.Take(Math.Max(0, dead)).ShouldAllBe(s => s.Bolts == null);
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

    /// <summary>No suspect ends without hands: what is done about whatever can be wrong with a pump is on some sheet of it.</summary>
    [Fact]
    public void Every_fault_of_every_pump_has_a_part_at_which_it_is_mended()
    {
        var missing =
            from pump in PumpsOfSheets.All
            let beside = Sheets.Beside(pump, PumpsOfSheets.Everything)
            from sheet in Sheets.For(pump, PumpsOfSheets.Everything)
            from build in sheet.Builds
            let there = beside.Select(s => s.On([])).Prepend(sheet.On(build)).ToArray()
            from fault in Known.Faults
            where fault.Id != Catalogue.NoFault && Catalogue.Fits(fault, pump, PumpsOfSheets.Round(pump))
                && there.All(s => ServiceTargets.Of(s, pump, fault, ServicePlace.Whole).Count == 0)
            select $"{sheet.Id} {string.Join('+', build)}: {fault.Id}";
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

    // At which places of a part such steps are done, each as often as it is done.
    private static IReadOnlyList<ServicePlace> Places(ServicePlan plan, SheetPart part, Func<ServiceStep, bool> such) =>
        [
            .. plan.Steps.Where(s => s.Part == part && such(s)).GroupBy(s => s.Act.Do + s.Job).Take(1)
                .SelectMany(g => g.SelectMany(s => s.Places)),
        ];
}
