using MildHunch.Core.Faults;
using MildHunch.Core.Service;
using MildHunch.Core.Service.Sheets;
using static MildHunch.Core.Tests.Setting;

namespace MildHunch.Core.Tests.Service;

/// <summary>The order of hands: each step of a printed plan can be done when it comes (common practice, no source).</summary>
public class SequenceTests
{
    private static readonly ServiceSheets Sheets = ServiceSheets.BuiltIn(Known);

    /// <summary>What is printed for a part, in the order in which a technician does it; another step may stand between.</summary>
    [Theory]
    [InlineData("intensifier-rods", "", "static-seal+dynamic-seal", ServiceStage.Open,
        "Outlet adapter: slacken|Boots off|Stretching tool into|tightened in a figure of eight|backed off one turn|pump to the figure|"
        + "Cap nuts of the tie rods: slacken|released|Tool off|Cap nuts of the tie rods: out|End cap off|Check valve turned|Plunger side")]
    [InlineData("intensifier-rods", "", "static-seal+dynamic-seal", ServiceStage.Close,
        "Spacer tool in|basket, then poppet|Check-valve side first|New hoop|Two new rings|struck once|Turned over; spacer tool out|"
        + "Plunger side|New hoop|Cap on|Cap nuts of the tie rods: in by hand|in two steps; the pump’s valve shut|pump to the figure|"
        + "Cap nuts of the tie rods: 1-3-2-4 to the torque at once|Pressure released|Tool off|Outlet adapter: to its torque|Rods cleaned|"
        + "Boots on|Outlet tube")]
    [InlineData("intensifier-nuts", "", "dynamic-seal+static-seal", ServiceStage.Close,
        "new seal, o-ring to the cylinder|Sleeve out|New hoop, taper to the seal, one blow|Centring ring onto|Guide disc over|"
        + "New hoop over|New seal, its taper|Spacer tube in|Cylinder on its support|Check tube greased|Cap on|in by hand|Straight bar|"
        + "at 30, 70, 100, 100 %|The bar again|Poppet bodies|Outlet fitting: by hand")]
    [InlineData("axial", "", "hp-seal", ServiceStage.Open, "Hold the head|Head bolts: slacken|Stand the round body")]
    [InlineData("axial", "", "hp-seal", ServiceStage.Close, "Swash chamber oiled|Head on, one way|Head bolts: by hand")]
    [InlineData("axial", "greased", "valve", ServiceStage.Close, "halves pressed together|track greased|Head on, one way")]
    [InlineData("twin-piston", "", "cup", ServiceStage.Open,
        "keyway|Centre bolts of the cups: slacken|cup|keyway|Centre bolts of the cups")]
    [InlineData("twin-piston", "", "cup", ServiceStage.Close,
        "New cup in|Spreader in|keyway|Centre bolts of the cups: by hand|New cup in|Spreader in|keyway|Centre bolts of the cups: by hand")]
    [InlineData("flow-through", "", "inlet-valve", ServiceStage.Open, "Old split pin out|Rod nuts: slacken|After the nut")]
    [InlineData("flow-through", "", "inlet-valve", ServiceStage.Close,
        "Inlet valve flat side|Rod nuts: by hand until it seats, then to its torque|New split pin|Manifold over the adapters")]
    [InlineData("flow-through", "", "hp-seal+lp-seal", ServiceStage.Close, "low-pressure seal in square|New seal onto|pressed in together")]
    [InlineData("split-manifold", "", "packing", ServiceStage.Open,
        "Discharge manifold’s bolts: slacken|guide studs in their place|the others out: 8-5-6-3-7-2|slide it off along the studs")]
    [InlineData("split-manifold", "", "packing", ServiceStage.Close,
        "new packings|springs last|spacer pressed in by its groove, on the bench|guided on by the outer plungers|Inlet manifold’s nuts|"
        + "Studs in|the others in by hand: 2-3-5-6-7-8|Studs out|Discharge manifold’s bolts: 2-7-3-6-4-5-8-1 at")]
    [InlineData("valve-plate", "", "packing", ServiceStage.Open, "Manifold’s bolts: slacken|guide studs in their place|the others out")]
    [InlineData("valve-plate", "", "packing", ServiceStage.Close, "Guide studs in|the others in by hand|Studs out|Manifold’s bolts: 2-7")]
    [InlineData("regulator", "", "diaphragm", ServiceStage.Open, "slackest|Bolts of the upper body: slacken|Upper body and spring off")]
    [InlineData("unloader", "", "unloader-pin", ServiceStage.Open, "Screw height|front: slacken|Unscrewed whole|front unscrewed")]
    [InlineData("unloader", "", "unloader-pin", ServiceStage.Close, "front screwed on by hand|Screwed in whole|front: to its torque")]
    [InlineData("two-piece", "", "valve", ServiceStage.Close,
        "Seat in square|New flat gasket round the seat|Plate, spring, retainer|Centre long bolts: by hand|Outer short bolts: by hand")]
    [InlineData("inlet-cover", "", "inlet-valve", ServiceStage.Open, "Cover off|it lies above the valve|Inlet valve twisted out")]
    [InlineData("inlet-cover", "", "hp-seal", ServiceStage.Close, "Head bolts: by hand|Cover on|Inlet cover’s bolts: by hand")]
    [InlineData("six-caps", "", "hp-seal+lp-seal", ServiceStage.Close,
        "into the rear guide, not twisted|Low-pressure seal into|High-pressure seal over|New backup ring on the seal|Front guide|"
        + "Carrier into")]
    [InlineData("drive-end", "", "crank-bearings", ServiceStage.Open,
        "Oil drained|Rear cover’s bolts|Caps and rods marked|Bolts of the rod caps: slacken|Side cover’s bolts: slacken|"
        + "its shims counted|crank drawn out")]
    [InlineData("drive-end", "", "crank-bearings", ServiceStage.Close,
        "crank in level|Same shims|Side cover’s bolts: by hand|Rod and cap by their marks|Bolts of the rod caps: by hand|"
        + "Rear cover’s bolts|Oil of its grade|straight-edge")]
    [InlineData("drive-end", "", "crosshead", ServiceStage.Open, "Cap off, rod pushed clear|its plunger off the crosshead|drawn back")]
    [InlineData("stacked-bore", "", "plunger", ServiceStage.Open,
        "Plunger retainers: slacken|Push the plunger back|Plunger retainers: out")]
    public void Each_step_stands_where_it_can_be_done(string id, string choices, string parts, ServiceStage stage, string inOrder)
    {
        var printed = Plan(id, choices.Split(' '), parts.Split('+')).Steps.Where(s => s.Stage == stage).Select(s => s.Act.Do).ToArray();
        var at = -1;
        foreach (var words in inOrder.Split('|'))
        {
            var next = Array.FindIndex(printed, at + 1, line => line.Contains(words, StringComparison.OrdinalIgnoreCase));
            next.ShouldBeGreaterThan(
                at, $"“{words}” after “{(at < 0 ? "the start" : printed[at])}” in\n{string.Join('\n', printed)}");
            at = next;
        }
    }

    [Fact]
    public void Nothing_turns_under_pressure_but_what_is_held_stretched_and_it_says_so()
    {
        var plan = Plan("intensifier-rods", [], ["dynamic-seal"]);
        plan.Steps.Single(s => s.Id == "end-cap.tighten@1").Act.Mind.ShouldContain(m => m.Contains("one exception"));
        plan.Steps.Where(s => s.Tightens && s.Part!.Id != "end-cap")
            .ShouldAllBe(s => s.Act.Mind.Contains("Nothing is tightened under pressure."));
        plan.Steps.Single(s => s.Id == "end-cap.tighten@1").Rounds.ShouldHaveSingleItem().Share.ShouldBe(1);
    }

    /// <summary>The hazard of what springs or falls stands on the card on which it does.</summary>
    [Theory]
    [InlineData("axial", "hp-seal", "head.loosen", "springs")]
    [InlineData("regulator", "diaphragm", "upper-body.loosen", "springs")]
    [InlineData("split-manifold", "packing", "discharge-manifold.draw", "heavy-head")]
    [InlineData("intensifier-oil", "shift-valve", "shift-valve.loosen", "oil-injection")]
    [InlineData("dampener", "bladder", "dampener-cover.loosen", "nitrogen")]
    public void Hazards_stand_on_their_card(string id, string part, string step, string hazard) =>
        Plan(id, [], [part]).Steps.Single(s => s.Id == step).Act.Hazards.ShouldContain(hazard);

    [Fact]
    public void A_note_of_the_other_way_is_not_shown()
    {
        var plan = Plan("valve-plate", [], ["discharge-valve"]);
        plan.Steps.Single(s => s.Id == "plate.loosen").Act.Mind.ShouldNotContain(m => m.StartsWith("By 3", StringComparison.Ordinal));
        plan.Steps.Single(s => s.Id == "plate.tighten").Act.Mind.ShouldNotContain(m => m.StartsWith("By 2", StringComparison.Ordinal));
        Plan("split-manifold", [], ["packing"]).Steps.Where(s => s.Tightens).SelectMany(s => s.Act.Mind)
            .ShouldNotContain(m => m.Contains("lacken", StringComparison.Ordinal));
    }

    /// <summary>Over all sheets and versions, for all parts together and for each alone.</summary>
    [Theory]
    [MemberData(nameof(SheetTests.Ids), MemberType = typeof(SheetTests))]
    public void Everything_stands_on_the_right_side_of_what_it_needs(string id)
    {
        var whole = Sheets.All.Single(s => s.Id == id);
        var pump = PumpsOfSheets.For(whole);
        foreach (var sheet in whole.Builds.Select(whole.On))
            foreach (var wanted in sheet.Parts.Select(p => new[] { p }).Append([.. sheet.Parts]))
            {
                var plan = new ServicePlanner(Sheets).Plan(
                    sheet, pump, [.. wanted.SelectMany(p => p.Per.On(pump).Select(at => new PartAt(p, at)))], ServiceScope.WhatFailed);
                Wrong(plan, ServiceStage.Open).Concat(Wrong(plan, ServiceStage.Close)).ShouldBeEmpty();
                Counted(plan);
            }
    }

    [Theory]
    [InlineData("""{ "do": "x", "bolts": "slack" }""", "is done with bolts that hold or are slack, and it has none")]
    [InlineData("""{ "do": "x", "after": ["cap.loosen"] }""", "which is no act of a part of this sheet")]
    [InlineData("""{ "do": "x", "after": ["valve.nothing"] }""", "which is not done on this way")]
    [InlineData("""{ "do": "x", "id": "me", "after": ["valve.me"] }""", "waits for itself")]
    [InlineData(
        """{ "do": "x", "id": "a", "after": ["valve.b"] }, { "do": "y", "id": "b", "after": ["valve.a"] }""", "some acts wait for")]
    [InlineData("""{ "do": "x", "during": "stretched" }""", "needs “stretched”, which nothing begins")]
    [InlineData("""{ "do": "x", "begins": "stretched" }""", "“stretched” begins and does not end")]
    [InlineData("""{ "do": "x", "version": "none" }""", "an act for unknown version “none”")]
    public void An_act_on_the_wrong_side_of_what_it_needs_is_refused(string act, string says) =>
        Refusal($$"""{ "id": "valve", "name": "Valve", "off": [{{act}}], "on": [{ "do": "in" }], "facing": "up" }""", "")
            .ShouldContain(says);

    [Theory]
    [InlineData("\"on\": [{ \"do\": \"New o-ring in.\" }], \"facing\": \"up\"", "calls something new that is not counted with it")]
    [InlineData("\"on\": [{ \"do\": \"in\" }], \"facing\": \"up\", \"locks\": \"nuts\"", "locks unknown group “nuts”")]
    [InlineData("\"on\": [], \"facing\": \"up\"", "must say how it comes off and how it goes back")]
    public void A_part_by_which_something_is_forgotten_is_refused(string part, string says) =>
        Refusal($$"""{ "id": "valve", "name": "Valve", "off": [{ "do": "out" }], {{part}} }""", "").ShouldContain(says);

    [Theory]
    [InlineData("\"pattern\": \"row-4\", \"guideStuds\": true", "has no upper row for guide studs")]
    [InlineData("\"pattern\": \"pair\", \"shares\": [0.5, 0.9]", "the last one 1")]
    [InlineData("\"pattern\": \"pair\", \"during\": \"held\"", "turns in unknown state “held”")]
    [InlineData("\"pattern\": \"pair\", \"loosen\": [1, 1]", "an order must name each of 1 to 2 once")]
    public void Bolts_that_cannot_be_worked_are_refused(string group, string says) => Refusal(
        """{ "id": "valve", "name": "Valve", "group": "g", "off": [{ "do": "out" }], "on": [{ "do": "in" }], "facing": "up" }""",
        $$""" "groups": [{ "id": "g", "name": "Bolts", "kind": "bolt", {{group}} }], """).ShouldContain(says);

    private static string Refusal(string part, string groups) => Should.Throw<CatalogueException>(() => ServiceSheets.Read(
        new Dictionary<string, string>
        {
            ["common.json"] = "{}",
            ["own.json"] = $$"""
                { "id": "own", "name": "Own", "fits": {}, {{groups}}
                  "parts": [ {{part.Insert(1, """ "minutes": { "off": 1, "on": 1 }, """)}} ] }
                """,
        },
        Known)).Message;

    private static ServicePlan Plan(string id, string[] choices, string[] parts)
    {
        var whole = Sheets.All.Single(s => s.Id == id);
        var (sheet, pump) = (whole.On(choices), PumpsOfSheets.For(whole));
        return new ServicePlanner(Sheets).Plan(
            sheet, pump, [.. parts.Select(p => sheet.Part(p)!).SelectMany(p => p.Per.On(pump).Take(2).Select(at => new PartAt(p, at)))],
            ServiceScope.WhatFailed);
    }

    // Pairs of steps of which the first should not stand before the second.
    private static IEnumerable<string> Wrong(ServicePlan plan, ServiceStage stage)
    {
        var steps = plan.Steps.Where(s => s.Stage == stage && s.Part is not null).ToArray();
        for (var k = 0; k < steps.Length; k++)
            for (var j = k + 1; j < steps.Length; j++)
                if (steps[k].Places.Any(p => steps[j].Places.Any(p.Meets)) && !May(steps[k], steps[j], stage))
                    yield return $"{plan.Sheet.Id}: {steps[k].Id} before {steps[j].Id}";
    }

    private static bool May(ServiceStep step, ServiceStep later, ServiceStage stage) =>
        !step.Act.After.Contains($"{later.Part!.Id}.{later.Act.Id}")
        && (step.Act.During is null || step.Act.During != later.Act.Begins)
        && (step.Act.Ends is not { } ended || (ended != later.Act.During && ended != later.Act.Begins))
        && (later.Part == step.Part ? Bolts(step, later, stage) : Nested(step, later, stage));

    // On the way off bolts hold, are slack, are out; on the way on the other way round, the facing looked at before they hold.
    private static bool Bolts(ServiceStep step, ServiceStep later, ServiceStage stage)
    {
        if (stage == ServiceStage.Open)
            return later.Job is BoltJob.Slacken or BoltJob.Loosen
                ? step.Act.Bolts == BoltState.Tight
                : step.Bolts is not null || later.Bolts is not null || step.Act.Bolts >= later.Act.Bolts;
        if (step.Tightens)
            return !later.Facing && later.Act.Bolts == BoltState.Tight;
        return step.Facing || later.Facing || step.Bolts is not null || later.Bolts is not null || step.Act.Bolts <= later.Act.Bolts;
    }

    // What lies over a part is off before it and on after it, its bolts too; but for what waits for just that, and what locks bolts.
    private static bool Nested(ServiceStep step, ServiceStep later, ServiceStage stage)
    {
        var (above, below) = stage == ServiceStage.Open ? (later, step) : (step, later);
        if (below.Part!.Locks is { } locked && locked == above.Part!.Group)
            return above.Job is null || stage == ServiceStage.Open || above.Tightens;
        if (stage == ServiceStage.Close && below.Act.After.Any(a => a.StartsWith(above.Part!.Id + ".", StringComparison.Ordinal)))
            return true;
        return !below.Part.Ways.Any(w => w.Contains(above.Part!.Id))
            || !below.Places.Any(p => above.Places.Any(a => above.Part!.Per == Per.Valve ? a.Meets(p) : a.Meets(p with { Side = null })));
    }

    // Everything that an act calls new is laid ready, once; so is each piece that comes along.
    private static void Counted(ServicePlan plan)
    {
        plan.Parts.Select(p => p.Id).Distinct().Count().ShouldBe(plan.Parts.Count, plan.Sheet.Id);
        foreach (var at in plan.Off.Where(o => o.Part.Fit == Fit.New))
        {
            var count = plan.Parts.Single(p => p.Id == at.Part.Id);
            count.Places.ShouldContain(at.Place);
            count.Count.ShouldBe(at.Part.Count * count.Places.Count);
            foreach (var piece in at.Part.With)
                plan.Parts.Single(p => p.Id == piece.Id).Count.ShouldBe(piece.Count * count.Places.Count);
        }

        var said = plan.Steps.Where(
            s => s.Stage == ServiceStage.Close && s.Act.Do.Contains("new", StringComparison.OrdinalIgnoreCase));
        foreach (var step in said)
            plan.Parts.ShouldContain(p => p.Part == step.Part, step.Act.Do);
    }
}
