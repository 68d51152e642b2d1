using MildHunch.Core.Checks;
using MildHunch.Core.Evidence;
using MildHunch.Core.Pumps;
using static MildHunch.Core.Tests.Setting;

namespace MildHunch.Core.Tests.Checks;

/// <summary>What a technician would conclude on FOG-2 from these readings (common practice, no source).</summary>
public class ScenarioTests(ITestOutputHelper output)
{
    private static readonly string[] OneCylinder = ["discharge-valve-leak", "inlet-valve-leak", "hp-seal-worn"];
    private static readonly string[] NozzleOrUnloader = [
        "nozzle-worn", "nozzle-oversize", "nozzle-blocked", "unloader-leaking-by", "unloader-set-low", "unloader-stuck-shut"];

    private static readonly CueFact Swings = new("needle", "swings");
    private static readonly CueFact Steady = new("needle", "steady");
    private static readonly CueFact BypassNone = new("bypass-with-outlet-open", "none");

    [Theory]
    [InlineData(OutletLine.Hose, 31.0)]
    [InlineData(OutletLine.Unknown, 31.0)]
    [InlineData(OutletLine.Rigid, 40.0)]
    public void One_dead_cylinder_is_recognised(OutletLine line, double bar)
    {
        var verdict = Tell(Judge(
            Fog2, Fog2Setup(line), Saw([Read("discharge-pressure", bar, "bar"), Read("nozzle-flow", 12.8, "L/min")], Swings, BypassNone)));
        OneCylinder.ShouldContain(verdict.Leader.Fault.Id);
        foreach (var id in NozzleOrUnloader)
            verdict.Of(id).ShouldBeLessThan(0.05, id);
        verdict.Ledger.MissingShares!.Value.ShouldBe(1, 0.2);
        verdict.Ledger.MissingMayBeInBypass.ShouldBeFalse();
    }

    [Fact]
    public void Without_the_bypass_what_is_missing_may_be_there()
    {
        var verdict = Tell(Judge(
            Fog2, Fog2Setup(), Saw([Read("discharge-pressure", 31, "bar"), Read("nozzle-flow", 12.8, "L/min")], Swings)));
        verdict.Ledger.MissingMayBeInBypass.ShouldBeTrue();
        OneCylinder.ShouldContain(verdict.Leader.Fault.Id);
    }

    [Fact]
    public void A_sound_pump_is_left_closed()
    {
        var verdict = Tell(Judge(
            Fog2, Fog2Setup(),
            Saw([Read("discharge-pressure", 70, "bar"), Read("nozzle-flow", 19.2, "L/min")], Steady, new("leak-at", "none"))));
        verdict.Leader.Fault.Id.ShouldBe("no-fault");
    }

    [Fact]
    public void Low_pressure_at_full_flow_is_the_nozzle()
    {
        var verdict = Tell(Judge(Fog2, Fog2Setup(), Saw([Read("discharge-pressure", 45, "bar"), Read("nozzle-flow", 19.2, "L/min")])));
        new[] { "nozzle-worn", "nozzle-oversize" }.ShouldContain(verdict.Leader.Fault.Id);
    }

    /// <summary>
    /// docs/trade.md, Drips: a weep on the middle side that stops with the strokes is the dynamic seal, one that goes on the static one.
    /// </summary>
    [Theory]
    [InlineData("end-weep-middle", "stops", 1, "intens-seal-dynamic")]
    [InlineData("end-weep-check", "goes-on", 2, "intens-seal-static")]
    public void A_weep_of_an_intensifier_tells_its_seal_and_its_end(string weep, string standing, int end, string fault)
    {
        var verdict = Tell(Judge(
            Every.Intensifier(), Every.IntensifierSetup(), Saw([], new("leak-at", weep, end), new("weep-standing", standing))));
        verdict.Leader.Fault.Id.ShouldBe(fault);
        verdict.Leader.Locations[0].Cylinder.ShouldBe(end);
        verdict.NextChecks.ShouldAllBe(c => c.Check.Id != "discharge-valves-out" && c.Check.Id != "head-off");
    }

    /// <summary>A seat o-ring under either valve leaks as that valve does; opening finds it, and its mending is the valve's.</summary>
    [Theory]
    [InlineData("found-inlet-valves", Side.Inlet, "inlet-valves")]
    [InlineData("found-discharge-valves", Side.Discharge, "discharge-valves")]
    public void A_cut_seat_oring_is_found_on_its_side(string found, Side side, string action)
    {
        var verdict = Judge(
            Fog2, Fog2Setup(),
            Saw([Read("discharge-pressure", 40, "bar"), Read("nozzle-flow", 14.4, "L/min")], new CueFact(found, "oring", 2)));
        verdict.Leader.Fault.Id.ShouldBe("valve-seat-oring-leak");
        (verdict.Leader.Locations[0].Cylinder, verdict.Leader.Locations[0].Side).ShouldBe((2, side));
        verdict.Actions[0].Action.ShouldBe(action);
    }

    [Fact]
    public void Only_what_the_pump_has_is_suspected()
    {
        string[] Suspected(ReciprocatingPump pump, Setup setup) => [.. Judge(pump, setup, Saw([])).Suspects.Select(s => s.Fault.Id)];
        var plain = Suspected(Triplex(control: ControlKind.None), Every.Plain(Triplex(control: ControlKind.None), 70));
        plain.ShouldNotContain(f => f.StartsWith("unloader", StringComparison.Ordinal)
            || f.StartsWith("regulator", StringComparison.Ordinal) || f.StartsWith("intens", StringComparison.Ordinal));
        plain.ShouldNotContain("cup-worn");
        plain.ShouldNotContain("dampener-charge-lost");
        Suspected(Every.Twin(36, 420, ControlKind.None), Every.Plain(Every.Twin(36, 420, ControlKind.None), 25)).ShouldContain("cup-worn");
        Suspected(Every.Intensifier(), Every.IntensifierSetup()).ShouldNotContain("hp-seal-worn");
    }

    /// <summary>Below three tenths of its setting no unloader is merely set low (docs/trade.md, Controls).</summary>
    [Fact]
    public void Next_to_nothing_with_most_in_the_bypass_is_an_unloader_stuck_open() =>
        Tell(Judge(
            Fog2, Fog2Setup(),
            Saw(
                [Read("discharge-pressure", 15, "bar"), Read("nozzle-flow", 8.9, "L/min")], Steady,
                new("bypass-with-outlet-open", "most")))).Leader.Fault.Id.ShouldBe("unloader-stuck-open");

    [Theory]
    [InlineData(40.0, 14.4)]
    [InlineData(27.0, 11.9)]
    public void Pinned_pressure_with_most_in_the_bypass_is_a_low_setting(double bar, double flow)
    {
        var verdict = Tell(Judge(
            Fog2, Fog2Setup(),
            Saw(
                [Read("discharge-pressure", bar, "bar"), Read("nozzle-flow", flow, "L/min")], Steady,
                new("bypass-with-outlet-open", "most"))));
        verdict.Leader.Fault.Id.ShouldBe("unloader-set-low");
    }

    private Verdict Tell(Verdict v)
    {
        foreach (var s in v.Suspects.Take(7))
        {
            output.WriteLine($"{s.Probability:0.000} {s.Fault.Id} sev {s.Severity.Middle:0.00} [{s.Severity.Low:0.00} "
                + $"{s.Severity.High:0.00}]");
            foreach (var w in s.Evidence)
                output.WriteLine($"      {w.Decibans:+0.0;-0.0} {w.Text}");
        }

        foreach (var c in v.NextChecks)
            output.WriteLine($"{c.BitsPerMinute:0.000} {c.Check.Id}: "
                + $"{string.Join("; ", c.Answers.Select(a => $"{a.Text} {a.Probability:0.00} {a.Then}"))}");
        foreach (var c in v.Contradictions)
            output.WriteLine(c.Text);
        return v;
    }
}
