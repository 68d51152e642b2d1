using MildHunch.Core.Diagnosis;
using MildHunch.Core.Pumps;
using static MildHunch.Core.Tests.Setting;

namespace MildHunch.Core.Tests;

/// <summary>What a technician would conclude on FOG-2 from these readings (common practice, no source).</summary>
public class ScenarioTests(ITestOutputHelper output)
{
    private static readonly string[] OneCylinder = ["discharge-valve-leak", "inlet-valve-leak", "hp-seal-worn"];
    private static readonly string[] NozzleOrUnloader = ["nozzle-worn", "nozzle-oversize", "nozzle-blocked", "unloader-leaking-by", "unloader-set-low", "unloader-stuck-shut"];

    private static readonly CueFact Swings = new("needle", "swings");
    private static readonly CueFact Steady = new("needle", "steady");
    private static readonly CueFact BypassNone = new("bypass-with-outlet-open", "none");

    [Theory]
    [InlineData(OutletLine.Hose, 31.0)]
    [InlineData(OutletLine.Unknown, 31.0)]
    [InlineData(OutletLine.Rigid, 40.0)]
    public void One_dead_cylinder_is_recognised(OutletLine line, double bar)
    {
        var verdict = Tell(Judge(Fog2, Fog2Setup(line), Saw([Read("discharge-pressure", bar, "bar"), Read("nozzle-flow", 12.8, "L/min")], Swings, BypassNone)));
        OneCylinder.ShouldContain(verdict.Leader.Fault.Id);
        foreach (var id in NozzleOrUnloader)
            verdict.Of(id).ShouldBeLessThan(0.05, id);
        verdict.Ledger.MissingShares!.Value.ShouldBe(1, 0.2);
        verdict.Ledger.MissingMayBeInBypass.ShouldBeFalse();
    }

    [Fact]
    public void Without_the_bypass_what_is_missing_may_be_there()
    {
        var verdict = Tell(Judge(Fog2, Fog2Setup(), Saw([Read("discharge-pressure", 31, "bar"), Read("nozzle-flow", 12.8, "L/min")], Swings)));
        verdict.Ledger.MissingMayBeInBypass.ShouldBeTrue();
        OneCylinder.ShouldContain(verdict.Leader.Fault.Id);
    }

    [Fact]
    public void A_sound_pump_is_left_closed()
    {
        var verdict = Tell(Judge(Fog2, Fog2Setup(), Saw([Read("discharge-pressure", 70, "bar"), Read("nozzle-flow", 19.2, "L/min")], Steady, new("leak-at", "none"))));
        verdict.Leader.Fault.Id.ShouldBe("no-fault");
    }

    [Fact]
    public void Low_pressure_at_full_flow_is_the_nozzle()
    {
        var verdict = Tell(Judge(Fog2, Fog2Setup(), Saw([Read("discharge-pressure", 45, "bar"), Read("nozzle-flow", 19.2, "L/min")])));
        new[] { "nozzle-worn", "nozzle-oversize" }.ShouldContain(verdict.Leader.Fault.Id);
    }

    /// <summary>Below three tenths of its setting no unloader is merely set low (handbook 3).</summary>
    [Fact]
    public void Next_to_nothing_with_most_in_the_bypass_is_an_unloader_stuck_open() =>
        Tell(Judge(Fog2, Fog2Setup(), Saw([Read("discharge-pressure", 15, "bar"), Read("nozzle-flow", 8.9, "L/min")], Steady, new("bypass-with-outlet-open", "most")))).Leader.Fault.Id.ShouldBe("unloader-stuck-open");

    [Theory]
    [InlineData(40.0, 14.4)]
    [InlineData(27.0, 11.9)]
    public void Pinned_pressure_with_most_in_the_bypass_is_a_low_setting(double bar, double flow)
    {
        var verdict = Tell(Judge(Fog2, Fog2Setup(), Saw([Read("discharge-pressure", bar, "bar"), Read("nozzle-flow", flow, "L/min")], Steady, new("bypass-with-outlet-open", "most"))));
        verdict.Leader.Fault.Id.ShouldBe("unloader-set-low");
    }

    private Verdict Tell(Verdict v)
    {
        foreach (var s in v.Suspects.Take(7))
        {
            output.WriteLine($"{s.Probability:0.000} {s.Fault.Id} sev {s.Severity.Middle:0.00} [{s.Severity.Low:0.00} {s.Severity.High:0.00}]");
            foreach (var w in s.Evidence)
                output.WriteLine($"      {w.Decibans:+0.0;-0.0} {w.Text}");
        }

        foreach (var c in v.NextChecks)
            output.WriteLine($"{c.BitsPerMinute:0.000} {c.Check.Id}: {string.Join("; ", c.Answers.Select(a => $"{a.Text} {a.Probability:0.00} {a.Then}"))}");
        foreach (var c in v.Contradictions)
            output.WriteLine(c.Text);
        return v;
    }
}
