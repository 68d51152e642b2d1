using MildHunch.Core.Checks;
using MildHunch.Core.Diagnosis.Hypotheses;
using MildHunch.Core.Evidence;
using static MildHunch.Core.Tests.Setting;

namespace MildHunch.Core.Tests.Checks;

/// <summary>When to test on, when to open, what may be done today, and what the shop's own record says.</summary>
public class PlanningTests
{
    private static readonly CaseEvidence Drizzle = Saw(
        [Read("discharge-pressure", 31, "bar"), Read("nozzle-flow", 12.7, "L/min"), Read("speed", 1450, "rpm")],
        new CueFact("needle", "swings"), new CueFact("bypass-with-outlet-open", "none"));
    private static readonly Diagnoser Diagnoser = new(Known);

    private static Verdict Under(Limits limits) => Diagnoser.Diagnose(Fog2, Fog2Setup(), Drizzle, limits);

    [Fact]
    public void What_was_found_by_opening_ends_the_testing()
    {
        var verdict = Judge(
            Fog2, Fog2Setup(),
            Drizzle with
            {
                Cues = [
                .. Drizzle.Cues, new("found-discharge-valves", "bad", 2), new("cap-listen", "hisses", 2, Pumps.Side.Discharge)]
            });
        verdict.OpenNow.Recommended.ShouldBeTrue();
        verdict.OpenNow.MinutesIfOpened.ShouldBeLessThanOrEqualTo(verdict.OpenNow.MinutesIfTested);

        // Mending takes 35 minutes and proving 15: with a certain fault nothing else is left to pay for.
        verdict.OpenNow.MinutesIfOpened.ShouldBe(50, 8);
    }

    [Fact]
    public void Where_nothing_is_known_testing_is_shorter()
    {
        var verdict = Judge(Fog2, Fog2Setup(), Saw([Read("discharge-pressure", 45, "bar")]));
        verdict.OpenNow.Recommended.ShouldBeFalse();
        verdict.OpenNow.MinutesIfTested.ShouldBeLessThan(verdict.OpenNow.MinutesIfOpened);
        verdict.NextChecks.Min(c => c.MinutesToMend).ShouldBe(verdict.OpenNow.MinutesIfTested, 1e-9);
    }

    /// <summary>Behind an answer of the plan that would be a stop sign, nothing is planned with the pump running.</summary>
    [Fact]
    public void A_plan_stops_the_pump_where_a_verdict_would()
    {
        CaseEvidence[] suspicious =
        [
            Saw([], new CueFact("oil", "low")),
            Saw([Read("discharge-pressure", 60, "bar")], new CueFact("oil", "low"), new CueFact("needle", "steady")),
            Saw([Read("discharge-pressure", 68, "bar")], new CueFact("rhythm", "once")),
            Saw([Read("discharge-pressure", 68, "bar")], new CueFact("case-heat", "hot")),
            Saw([], new CueFact("rhythm", "once"), new CueFact("needle", "steady")),
        ];
        var behind = suspicious.SelectMany(e => Steps(Diagnoser.Plan(Fog2, Fog2Setup(), e)))
            .Where(s => s.Check.Cue == "sound").SelectMany(s => s.Branches.Where(b => b.Text == "knock")).SelectMany(b => Steps(b.Next))
            .ToArray();
        behind.ShouldNotBeEmpty();
        behind.ShouldAllBe(s => !s.Check.Running);
    }

    private static IEnumerable<PlanStep> Steps(PlanStep? from) =>
        from is null ? [] : from.Branches.SelectMany(b => Steps(b.Next)).Prepend(from);

    [Fact]
    public void Limits_keep_checks_away()
    {
        Under(Limits.None).NextChecks.ShouldContain(c => c.Check.Needs.Contains("listening rod"));
        Under(new Limits(["listening rod", "infrared thermometer"])).NextChecks.ShouldAllBe(c => !c.Check.Needs.Contains("listening rod")
            && !c.Check.Needs.Contains("infrared thermometer"));
        Under(new Limits([], KeepRunning: true)).NextChecks.ShouldAllBe(c => !c.Check.Stops);
        Under(new Limits([], Apprentice: true)).NextChecks.ShouldAllBe(c => !c.Check.Skilled);
        Under(new Limits([], MostMinutes: 4)).NextChecks.ShouldAllBe(c => c.Check.AllMinutes <= 4);
        Under(new Limits([], Avoid: ["rotating"])).NextChecks.ShouldAllBe(c => !c.Check.Hazards.Contains("rotating"));
    }

    [Fact]
    public void Limits_that_nobody_knows_are_refused()
    {
        Should.Throw<ImpossibleInputException>(() => Under(new Limits(["crystal ball"]))).Accepted.ShouldContain("transducer");
        Should.Throw<ImpossibleInputException>(() => Under(new Limits([], Avoid: ["boredom"]))).Field.ShouldBe("limits.avoid");
        Should.Throw<ImpossibleInputException>(() => Under(new Limits([], MostMinutes: 0))).Field.ShouldBe("limits.mostMinutes");
    }

    /// <summary>
    /// Common practice, no source: venting and turning only after a hard start; the unloader's screw only once nozzle, flow and gauge
    /// are proved.
    /// </summary>
    [Fact]
    public void Some_checks_wait_for_their_turn()
    {
        var evidence = Saw([Read("discharge-pressure", 45, "bar"), Read("nozzle-flow", 15, "L/min")]);
        Diagnoser.Diagnose(Fog2, Fog2Setup(), evidence).NextChecks.ShouldNotContain(c => c.Check.Id == "unloader-screw"
            || c.Check.Id == "vent-and-turn");
        Judge(Fog2, Fog2Setup(), Saw([], new CueFact("restart", "hard"))).NextChecks.ShouldContain(c => c.Check.Id == "vent-and-turn");
    }

    [Fact]
    public void What_was_tried_in_vain_is_not_asked_again_and_says_nothing()
    {
        var before = Judge(Fog2, Fog2Setup(), Drizzle);
        var first = before.NextChecks.First(c => c.Check.Cue is not null).Check;
        var after = Judge(Fog2, Fog2Setup(), Drizzle with { CouldNot = [first.Cue!] });
        after.NextChecks.ShouldNotContain(c => c.Check.Id == first.Id);
        foreach (var suspect in before.Suspects)
            after.Of(suspect.Fault.Id).ShouldBe(suspect.Probability, 1e-12);
    }

    [Fact]
    public void A_plan_is_three_checks_deep_at_the_most()
    {
        var plan = Diagnoser.Plan(Fog2, Fog2Setup(), Saw([Read("discharge-pressure", 45, "bar")])).ShouldNotBeNull();
        Depth(plan).ShouldBeInRange(1, 3);
        Walk(plan, []);

        static int Depth(PlanStep step) =>
            1 + step.Branches.Where(b => b.Next is not null).Select(b => Depth(b.Next!)).DefaultIfEmpty(0).Max();

        static void Walk(PlanStep step, string[] done)
        {
            done.ShouldNotContain(step.Check.Id);
            step.Branches.Sum(b => b.Probability).ShouldBeLessThanOrEqualTo(1 + 1e-6);
            if (step.Check.Reading is not null)
                step.Branches[0].Text.ShouldStartWith("below");
            foreach (var branch in step.Branches)
            {
                (branch.Next is null).ShouldBe(branch.Ends is not null);
                if (branch.Next is not null)
                    Walk(branch.Next, [.. done, step.Check.Id]);
            }
        }
    }

    [Fact]
    public void The_second_suspect_says_what_would_make_it_lead()
    {
        var rival = Judge(Fog2, Fog2Setup(), Drizzle).Rival.ShouldNotBeNull();
        rival.Fault.Id.ShouldNotBe(Judge(Fog2, Fog2Setup(), Drizzle).Leader.Fault.Id);
        rival.Answer.ShouldNotBeNullOrWhiteSpace();
    }

    /// <summary>(t/B10)^(β−1), held within 1 to 10 (docs/trade.md, Wear).</summary>
    [Theory]
    [InlineData(0, 1)]
    [InlineData(800, 1)]
    [InlineData(1600, 2)]
    [InlineData(2400, 3)]
    [InlineData(80_000, 10)]
    public void Hours_past_their_life_make_seals_likelier(double hours, double times)
    {
        Known.Fault("hp-seal-worn")!.HazardAt(hours).ShouldBe(times, 1e-9);
        double Prior(CaseEvidence evidence) =>
            HypothesisSet.For(Known, Fog2, Fog2Setup(), evidence).All.Where(h => h.Fault.Id == "hp-seal-worn").Sum(h => h.Prior);
        var (before, after) = (Prior(CaseEvidence.None), Prior(CaseEvidence.None with { Hours = [new PartHours("hp-seal", hours)] }));
        (after / (1 - after)).ShouldBe(times * before / (1 - before), 1e-6);
    }

    [Fact]
    public void Hours_of_one_cylinder_speak_of_that_one()
    {
        var verdict = Judge(Fog2, Fog2Setup(), Drizzle with { Hours = [new PartHours("hp-seal", 4000, 2)] });
        verdict.Suspects.First(s => s.Fault.Id == "hp-seal-worn").Locations[0].Cylinder.ShouldBe(2);
    }

    /// <summary>Dirichlet counts: after as many cases as the catalogue is worth, half the weight is the shop's own.</summary>
    [Fact]
    public void A_shops_history_speaks_louder_as_it_grows()
    {
        double Prior(int times) =>
            HypothesisSet.For(
                Known, Fog2, Fog2Setup(),
                CaseEvidence.None with { Found = new Dictionary<string, int> { ["nozzle-worn"] = times } }).All.Where(h =>
                    h.Fault.Id == "nozzle-worn").Sum(h => h.Prior);
        var catalogue = Prior(0);
        Prior((int)ShopHistory.CatalogueCases).ShouldBe((catalogue + 1) / 2, 1e-9);
        Prior(1).ShouldBeGreaterThan(catalogue);
        Prior(100).ShouldBeGreaterThan(Prior(40));
    }

    [Fact]
    public void Hours_and_history_that_cannot_be_are_refused()
    {
        void Refused(CaseEvidence evidence, string field) =>
            Should.Throw<ImpossibleInputException>(() => Judge(Fog2, Fog2Setup(), evidence)).Field.ShouldBe(field);
        Refused(CaseEvidence.None with { Hours = [new PartHours("cloud", 5)] }, "hours[0].part");
        Refused(CaseEvidence.None with { Hours = [new PartHours("hp-seal", -5)] }, "hours[0].hours");
        Refused(CaseEvidence.None with { Hours = [new PartHours("hp-seal", 5, 9)] }, "hours[0].cylinder");
        Refused(CaseEvidence.None with { Found = new Dictionary<string, int> { ["gremlin"] = 1 } }, "found");
        Refused(CaseEvidence.None with { CouldNot = ["the moon"] }, "couldNot");
    }
}
