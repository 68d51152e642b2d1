using MildHunch.Core.Checks;
using MildHunch.Core.Evidence;
using MildHunch.Core.Faults;
using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Pumps;
using static MildHunch.Core.Tests.Setting;

namespace MildHunch.Core.Tests.Diagnosis;

/// <summary>
/// After a mend the question is whether it is mended, from what was known before it (docs/trade.md, After a mend). Calibration and three
/// thousand simulated mends: ./run bench --mended.
/// </summary>
public class AfterMendTests
{
    private static readonly CueFact[] ValveTwo =
        [new("needle", "swings"), new("jet", "pulsing"), new("cap-listen", "hisses", 2, Side.Discharge)];

    private static readonly CueFact[] Well =
    [
        new("needle", "steady"), new("jet", "steady"), new("cap-listen", "alike"), new("leak-at", "none"), new("oil", "clear"),
        new("sound", "smooth"), new("restart", "easy"), new("bypass-with-outlet-open", "none"), new("supply-strainer", "clean"),
        new("closed-outlet", "holds"), new("prime", "normal"), new("gland-heat", "alike"), new("case-heat", "normal"),
    ];

    private static readonly Mended ValveRenewed = new("discharge-valves", Cylinder: 2, Side: Side.Discharge);

    private static CaseEvidence Sick => Saw([Read("discharge-pressure", 45, "bar"), Read("nozzle-flow", 15.3, "L/min")], ValveTwo);

    private static CaseEvidence Sound => Saw([Read("discharge-pressure", 69, "bar"), Read("nozzle-flow", 19, "L/min")], Well);

    [Fact]
    public void A_valve_that_was_found_and_renewed_and_a_pump_that_shows_what_it_should_is_mended()
    {
        var verdict = After(Sick, Sound, ValveRenewed);
        verdict.Mended!.Probability.ShouldBeGreaterThan(0.95);
        verdict.Leader.Fault.Id.ShouldBe(Catalogue.NoFault);
        verdict.Mended.Sentence.ShouldStartWith("Mended, 9");
    }

    [Fact]
    public void The_wrong_part_renewed_leaves_the_old_suspect_in_the_lead()
    {
        var verdict = After(Sick, Sick, new Mended("nozzle"));
        verdict.Mended!.Probability.ShouldBeLessThan(0.01);
        verdict.Leader.Fault.Id.ShouldBe("discharge-valve-leak");
        verdict.Leader.Locations[0].Cylinder.ShouldBe(2);
        verdict.Mended.Sentence.ShouldContain("leaking discharge valve");
    }

    /// <summary>Renewed, and it shows the same again: the mend itself went wrong, at that valve.</summary>
    [Fact]
    public void A_mend_that_changed_nothing_is_looked_at_again()
    {
        var verdict = After(Sick, Sick, ValveRenewed);
        verdict.Mended!.Probability.ShouldBeLessThan(0.01);
        verdict.Actions[0].Action.ShouldBe("discharge-valves");
    }

    [Fact]
    public void A_pump_that_was_good_before_counts_as_mended() =>
        After(Sound, Sound, new Mended("nozzle")).Mended!.Probability.ShouldBeGreaterThan(0.8);

    [Fact]
    public void Of_two_faults_the_one_not_touched_stays()
    {
        var both = Saw(
            [Read("discharge-pressure", 31, "bar"), Read("nozzle-flow", 15.3, "L/min"), Read("nozzle-orifice", 2.03, "mm")], ValveTwo);
        var left = Saw([Read("discharge-pressure", 48, "bar"), Read("nozzle-flow", 19, "L/min")], Well);
        var verdict = After(both, left, ValveRenewed);
        verdict.Mended!.Probability.ShouldBeLessThan(0.1);
        verdict.Actions[0].Action.ShouldBe("nozzle");
    }

    [Fact]
    public void Right_after_a_mend_it_is_as_likely_mended_as_it_was_that()
    {
        var before = Judge(Fog2, Fog2Setup(), Sick).Actions.First(a => a.Action == "discharge-valves").Probability;
        var mended = After(Sick, CaseEvidence.None, ValveRenewed).Mended!;
        mended.Probability.ShouldBeInRange(before - 0.15, before);
        mended.Sentence.ShouldContain("nothing was read or seen since");
    }

    [Fact]
    public void Several_mends_go_on_in_the_same_way()
    {
        var first = new BeforeMend(Sick.Readings, Sick.Cues, [new Mended("nozzle")]);
        var second = new BeforeMend(Sick.Readings, Sick.Cues, [ValveRenewed]);
        Judge(Fog2, Fog2Setup(), Sound with { Before = [first, second] }).Mended!.Probability.ShouldBeGreaterThan(0.95);
        Judge(Fog2, Fog2Setup(), Sick with { Before = [second, first] }).Leader.Fault.Id.ShouldNotBe(Catalogue.NoFault);
    }

    /// <summary>However much was done, what may have gone wrong with it is a chance: nothing falls below none, all adds up.</summary>
    [Fact]
    public void A_whole_overhaul_leaves_probabilities()
    {
        string[] actions = ["discharge-valves", "inlet-valves", "hp-seals", "lp-seals", "plungers", "cap-orings", "oil-seals"];
        Mended[] all =
        [
            .. actions.SelectMany(a => Enumerable.Range(1, 3).SelectMany(k => new[] { Side.Inlet, Side.Discharge }
                .Select(side => new Mended(a, Cylinder: k, Side: side)))),
            new("unloader-seat"), new("unloader-pin"), new("nozzle"), new("supply"), new("drive"), new("manifold-joint"),
        ];
        foreach (var after in new[] { CaseEvidence.None, Sick, Sound })
        {
            var verdict = After(Sick, after, all);
            verdict.Suspects.ShouldAllBe(s => s.Probability >= 0 && s.Probability <= 1);
            verdict.Suspects.Sum(s => s.Probability).ShouldBeInRange(1 - 1e-6, 1 + verdict.TwoAtOnce + 1e-6);
        }

        After(Sick, Sound, all).Mended!.Probability.ShouldBeGreaterThan(0.9);
    }

    /// <summary>A knock that was heard is not mended by a new nozzle: until somebody listened again, nothing is run.</summary>
    [Fact]
    public void A_stop_sign_stands_until_it_is_mended_or_looked_at_again()
    {
        var knocks = Saw([], new CueFact("sound", "knock"));
        Signs(After(knocks, CaseEvidence.None, new Mended("nozzle"))).ShouldBe(["knock"]);
        After(knocks, CaseEvidence.None, new Mended("nozzle")).NextChecks.ShouldAllBe(c => !c.Check.Running);
        Signs(After(knocks, Sound, new Mended("nozzle"))).ShouldBeEmpty();
        Signs(After(knocks, CaseEvidence.None, new Mended("plunger-joints"))).ShouldBeEmpty();
    }

    /// <summary>Nothing looked at is not a pass, and the words say so.</summary>
    [Fact]
    public void What_is_said_of_a_mend_follows_from_what_was_seen()
    {
        var found = Sick with { Cues = [.. Sick.Cues, new("found-discharge-valves", "bad", 2)] };
        After(found, CaseEvidence.None, ValveRenewed).Mended!.Sentence.ShouldStartWith("Likely mended");
        After(Sick, CaseEvidence.None, new Mended("nozzle")).Mended!.Sentence.ShouldStartWith("Hardly mended");
        After(Sick, Sound, ValveRenewed).Mended!.Sentence.ShouldContain("a leaking discharge valve in cylinder 2 is gone");
        After(Sick, Sick, new Mended("nozzle")).Mended!.Sentence.ShouldContain("a leaking discharge valve in cylinder 2");
    }

    private static IEnumerable<string> Signs(Verdict verdict) => verdict.StopNow.Select(s => s.Sign.Id);

    [Theory]
    [InlineData("polish", null, null, null, "mended[0].action")]
    [InlineData(null, "worn-out", null, null, "mended[0].fault")]
    [InlineData(null, null, "wheel", null, "mended[0].part")]
    [InlineData(null, null, null, 2, "mended[0]")]
    [InlineData("discharge-valves", null, null, 9, "mended[0].cylinder")]
    public void What_cannot_have_been_mended_is_refused(string? action, string? fault, string? part, int? cylinder, string field) =>
        Should.Throw<ImpossibleInputException>(() => After(Sick, Sound, new Mended(action, fault, part, cylinder))).Field.ShouldBe(field);

    /// <summary>Every fault that moves a number of a triplex, mended, and mended in the wrong place; read with usual instruments.</summary>
    [Fact]
    public void Simulated_mends_of_the_right_part_are_told_from_those_of_the_wrong_one()
    {
        var random = new Random(28);
        List<double> right = [];
        var (again, wrong) = (0, 0);
        var solver = new OperatingPointSolver(Fog2, Fog2Setup());
        string[] faults =
            ["discharge-valve-leak", "inlet-valve-leak", "nozzle-worn", "unloader-leaking-by", "supply-restricted", "unloader-set-low"];
        for (var i = 0; i < 300; i++)
        {
            var fault = Known.Fault(faults[i % faults.Length])!;
            int? cylinder = fault.Location == FaultLocation.None ? null : 1 + random.Next(3);
            var load = new FaultLoad(fault.Id, 0.3 + (0.5 * random.NextDouble()), cylinder, null);
            var before = Shown(solver, [load], fault, cylinder, random);
            var mended = new Mended(Fault: fault.Id, Cylinder: cylinder);
            right.Add(After(before, Shown(solver, [], null, null, random), mended).Mended!.Probability);
            if (i % 3 > 0)
                continue;
            wrong++;
            var other = Known.Fault(faults[(i + 1 + random.Next(faults.Length - 1)) % faults.Length])!;
            var now = After(before, Shown(solver, [load], fault, cylinder, random), new Mended(Fault: other.Id));
            if (now.Actions[0].Action == fault.Action)
                again++;
        }

        right.Order().ElementAt(right.Count / 2).ShouldBeGreaterThan(0.95);
        (again / (double)wrong).ShouldBeGreaterThan(0.85);
    }

    // Readings of usual instruments, and what almost everybody would hear and see.
    private static CaseEvidence Shown(OperatingPointSolver solver, FaultLoad[] loads, Fault? fault, int? cylinder, Random random)
    {
        var condition = FaultLoad.Lay(Known, Fog2, Fog2Setup(), loads);
        var point = solver.Solve(condition, 1, 1, OutletCompliance.Typical(Fog2Setup()));
        double Off(double share) => 1 + (share * Math.Sqrt(-2 * Math.Log(1 - random.NextDouble())) * Math.Cos(6.283 * random.NextDouble()));
        var side = fault?.Id switch { "discharge-valve-leak" => Side.Discharge, "inlet-valve-leak" => Side.Inlet, _ => (Side?)null };
        return Saw(
            [
                Read("discharge-pressure", point.PressurePa / 1e5 * Off(0.015), "bar"),
                Read("nozzle-flow", point.NozzleFlow * 6e4 * Off(0.03), "L/min"),
                Read("bypass-flow", point.BypassFlow * 6e4 * Off(0.03), "L/min"), Read("speed", 1450 * Off(0.002), "rpm"),
                Read("inlet-pressure", point.InletPa / 1e5, "bar"),
                Read("nozzle-orifice", 1000 * Nozzle.OrificeOfCoefficient(
                    Fog2Setup().Nozzle.Coefficient * condition.NozzleFactor, 998) * Off(0.01), "mm"),
            ],
            new CueFact("bypass-with-outlet-open", fault?.Part == "control" ? "some" : "none"),
            new CueFact("needle", side is null ? "steady" : "swings"),
            side is null ? new CueFact("cap-listen", "alike") : new CueFact("cap-listen", "hisses", cylinder, side));
    }

    private static Verdict After(CaseEvidence before, CaseEvidence after, params Mended[] mended) =>
        Judge(Fog2, Fog2Setup(), after with { Before = [new BeforeMend(before.Readings, before.Cues, mended)] });
}
