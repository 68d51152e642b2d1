using MildHunch.Core.Checks;
using MildHunch.Core.Evidence;
using MildHunch.Core.Expectation;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;
using static MildHunch.Core.Tests.Setting;

namespace MildHunch.Core.Tests.Checks;

/// <summary>What the trade says of single answers (common practice, no source).</summary>
public class TradeTests
{
    private static readonly CaseEvidence Weak = Saw(
        [Read("discharge-pressure", 31, "bar"), Read("nozzle-flow", 12.8, "L/min"), Read("speed", 1447, "rpm")],
        new CueFact("needle", "swings"), new CueFact("leak-at", "none"));

    private static CaseEvidence With(CaseEvidence evidence, params CueFact[] cues) => evidence with { Cues = [.. evidence.Cues, .. cues] };

    /// <summary>Scale or a jammed spring holds it shut: nothing comes through when it is sucked at, as with a good one.</summary>
    [Fact]
    public void A_valve_stuck_shut_passes_the_suction_test()
    {
        var before = Judge(Fog2, Fog2Setup(), Weak);
        var tight = Judge(
            Fog2, Fog2Setup(), With(Weak, new CueFact("found-inlet-valves", "tight"), new CueFact("found-discharge-valves", "tight")));
        tight.Of("inlet-valve-stuck-shut").ShouldBeGreaterThan(2 * before.Of("inlet-valve-stuck-shut"));
        (tight.Of("inlet-valve-leak") / tight.Of("inlet-valve-stuck-shut"))
            .ShouldBeLessThan(0.1 * before.Of("inlet-valve-leak") / before.Of("inlet-valve-stuck-shut"));
        var pressed = Judge(Fog2, Fog2Setup(), With(Weak, new CueFact("found-inlet-valves", "good")));
        pressed.Of("inlet-valve-stuck-shut").ShouldBeLessThan(0.1 * before.Of("inlet-valve-stuck-shut"));
        Judge(
            Fog2, Fog2Setup(),
            With(Weak, new CueFact("found-inlet-valves", "stuck", 2))).Leader.Fault.Id.ShouldBe("inlet-valve-stuck-shut");
    }

    [Fact]
    public void Two_bad_valves_of_one_opening_are_two_findings()
    {
        var verdict = Judge(
            Fog2, Fog2Setup(),
            With(Weak, new CueFact("found-discharge-valves", "bad", 2), new CueFact("found-discharge-valves", "bad", 3)));
        verdict.Leader.Fault.Id.ShouldBe("discharge-valve-leak");
        verdict.TwoAtOnce.ShouldBeGreaterThan(0.9);
        Should.Throw<ImpossibleInputException>(() => Judge(
            Fog2, Fog2Setup(),
            With(Weak, new CueFact("found-discharge-valves", "bad", 2), new CueFact("found-discharge-valves", "spring", 2))));
        Should.Throw<ImpossibleInputException>(() => Judge(
            Fog2, Fog2Setup(), With(Weak, new CueFact("found-discharge-valves", "good"), new CueFact("found-discharge-valves", "bad", 2))));
    }

    [Fact]
    public void The_same_fact_twice_is_one_too_many()
    {
        var twice = Saw([], new CueFact("leak-at", "weep", 2, DropsPerMinute: 30), new CueFact("leak-at", "weep", 2, DropsPerMinute: 30));
        Should.Throw<ImpossibleInputException>(() => Judge(Fog2, Fog2Setup(), twice)).Field.ShouldBe("cues[1]");
        Should.NotThrow(() => Judge(Fog2, Fog2Setup(), Saw([], new CueFact("leak-at", "weep", 2), new CueFact("leak-at", "weep", 3))));
    }

    /// <summary>Behind an unloader the head falls to bypass pressure: that is how it works.</summary>
    [Fact]
    public void The_heads_fall_behind_a_working_unloader_is_healthy()
    {
        var before = Judge(Fog2, Fog2Setup(), Weak);
        var falls = Judge(Fog2, Fog2Setup(), With(Weak, new CueFact("closed-outlet", "head-falls")));
        foreach (var suspect in before.Suspects.Where(s => s.Fault.Id is not "unloader-stuck-shut" && s.Probability > 0.01))
            falls.Of(suspect.Fault.Id).ShouldBe(suspect.Probability, 0.05 * suspect.Probability, suspect.Fault.Id);
        falls.Of("unloader-stuck-shut").ShouldBeLessThan(0.2 * before.Of("unloader-stuck-shut"));
    }

    [Fact]
    public void Swings_speak_for_a_valve_and_hunts_against_it()
    {
        Verdict Needle(string answer) => Judge(Fog2, Fog2Setup(), Saw([], new CueFact("needle", answer)));
        Needle("swings").Of("discharge-valve-leak").ShouldBeGreaterThan(Needle("hunts").Of("discharge-valve-leak") * 5);
        Needle("hunts").Of("discharge-valve-leak")
            .ShouldBeLessThan(Judge(Fog2, Fog2Setup(), CaseEvidence.None).Of("discharge-valve-leak"));
        var regulated = Triplex(control: ControlKind.Regulator);
        Judge(regulated, Fog2Setup(), Saw([], new CueFact("needle", "hunts"))).Of("regulator-diaphragm-cracked")
            .ShouldBeGreaterThan(3 * Judge(regulated, Fog2Setup(), CaseEvidence.None).Of("regulator-diaphragm-cracked"));
    }

    [Theory]
    [InlineData("needle", "flutters")]
    public void What_is_no_longer_asked_counts_as_nothing(string cue, string answer)
    {
        var (without, with) = (Judge(Fog2, Fog2Setup(), CaseEvidence.None), Judge(Fog2, Fog2Setup(), Saw([], new CueFact(cue, answer))));
        foreach (var suspect in without.Suspects)
            with.Of(suspect.Fault.Id).ShouldBe(suspect.Probability, 1e-12);
    }

    [Theory]
    [InlineData("found-hp-seals", "sound", "good")]
    [InlineData("found-unloader", "sound", "good")]
    [InlineData("found-inlet-valves", "sound", "tight")]
    public void A_name_that_was_used_is_still_read(string cue, string was, string now)
    {
        var (old, current) = (
            Judge(Fog2, Fog2Setup(), With(Weak, new CueFact(cue, was))), Judge(Fog2, Fog2Setup(), With(Weak, new CueFact(cue, now))));
        foreach (var suspect in current.Suspects)
            old.Of(suspect.Fault.Id).ShouldBe(suspect.Probability, 1e-12);
    }

    [Fact]
    public void A_blanked_bypass_still_counts_though_nobody_is_sent_to_blank_it()
    {
        var verdict = Judge(Fog2, Fog2Setup(), With(Weak, new CueFact("bypass-blanked", "recovers")));
        verdict.Of("unloader-leaking-by").ShouldBeGreaterThan(3 * Judge(Fog2, Fog2Setup(), Weak).Of("unloader-leaking-by"));
        verdict.NextChecks.ShouldNotContain(c => c.Check.Cue == "bypass-blanked");
    }

    /// <summary>Line pressure pushes the leaking end's plunger back and unloads the opposite stroke.</summary>
    [Fact]
    public void A_leaking_discharge_check_makes_the_other_end_fast()
    {
        Verdict Fast(int end) =>
            Judge(
                Every.Intensifier(), Every.IntensifierSetup(),
                Saw([], new CueFact("stroke-timing", "fast", end), new CueFact("reversal", "once"), new CueFact("leak-at", "none")));
        Fast(1).Suspects.Single(s => s.Fault.Id == "intens-discharge-check").Locations[0].Cylinder.ShouldBe(2);
        Fast(1).Suspects.Single(s => s.Fault.Id == "intens-inlet-check").Locations[0].Cylinder.ShouldBe(1);
    }

    /// <summary>What lets litres a minute run to the floor would have been mentioned; a drip would not.</summary>
    [Fact]
    public void Silence_tells_too()
    {
        Reading[] readings = [
            Read("discharge-pressure", 62, "bar"), Read("nozzle-flow", 18.0, "L/min"), Read("supply-flow", 19.2, "L/min")];
        var unsaid = Judge(Fog2, Fog2Setup(), Saw(readings));
        var looked = Judge(Fog2, Fog2Setup(), Saw(readings, new CueFact("leak-at", "cap", 2, Side.Discharge, Stream: true)));
        looked.Leader.Fault.Id.ShouldBe("valve-cap-oring");
        unsaid.Leader.Fault.Id.ShouldNotBe("valve-cap-oring");
        unsaid.Of("manifold-joint-oring").ShouldBeLessThan(unsaid.Of("no-fault") + unsaid.Of("unloader-leaking-by"));
    }

    [Fact]
    public void One_of_several_nozzles_measured_is_like_the_others()
    {
        var four = Setup.Create(
            Q<RotationalSpeed>(1450, "rpm"), Nozzle.FromOrifice(Q<Length>(0.9, "mm"), Q<Density>(998, "kg/m³")).Times(4),
            Q<GaugePressure>(85, "bar"), OutletLine.Hose);
        var sound = PumpExpectation.Of(Fog2, four).Point;
        var verdict = Judge(
            Fog2, four,
            Saw(
                [
                    Read("nozzle-orifice", 0.9, "mm"), Read("discharge-pressure", sound.PressurePa / 1e5, "bar"),
                    Read("nozzle-flow", sound.NozzleFlow * 6e4, "L/min")],
                new CueFact("needle", "steady")));
        verdict.Comparisons.Count.ShouldBe(3);
        verdict.Comparisons.ShouldAllBe(c => Math.Abs(c.Sigmas) < 1);
        verdict.Contradictions.ShouldBeEmpty();
        verdict.Leader.Fault.Id.ShouldBe("no-fault");
    }

    [Fact]
    public void Membranes_have_no_orifice()
    {
        var membranes = Setup.Create(
            Q<RotationalSpeed>(1450, "rpm"),
            Nozzle.FromProcess(Q<GaugePressure>(27, "bar"), Q<VolumeFlow>(19, "L/min"), Q<GaugePressure>(58, "bar")),
            Q<GaugePressure>(85, "bar"));
        var refused = Should.Throw<ImpossibleInputException>(() => Judge(Fog2, membranes, Saw([Read("nozzle-orifice", 2, "mm")])));
        refused.Field.ShouldBe("readings[0].quantity");
        Judge(
            Fog2, membranes,
            Saw([Read("discharge-pressure", 40, "bar")])).NextChecks.ShouldNotContain(c => c.Check.Reading == "nozzle-orifice");
    }

    [Fact]
    public void A_current_read_as_a_range_is_its_middle()
    {
        CaseEvidence Amps(double low, double? high) => AsTaken.Evidence(
            Fog2,
            Setup.Create(
                Q<RotationalSpeed>(1450, "rpm"), Nozzle.FromPoint(Q<VolumeFlow>(19.17, "L/min"), Q<GaugePressure>(70, "bar")),
                voltage: Q<Voltage>(400, "V")),
            [
                Took("discharge-pressure", 70, "bar"),
                Took(TakenQuantities.Amps, low, "A") with { To = high is { } h ? new Amount(QuantityKind.Current, h) : null }],
            [],
            []);
        Amps(3, 7.4).Cues.Single().ShouldBe(Amps(5.2, null).Cues.Single());
        Amps(3, 7.4).Cues.Single().Answer.ShouldNotBe(Amps(3, null).Cues.Single().Answer);
    }

    private static TakenReading Took(string what, double value, string unit)
    {
        var kind = Observables.Find(what)?.Kind ?? TakenQuantities.All.Single(b => b.Id == what).Kind;
        return new TakenReading(
            what, new Amount(kind, Quantity.UnitNamed(kind, unit, what).ToSi(value)), null, null, Quantity.UnitNamed(kind, unit, what),
            0, what);
    }
}
