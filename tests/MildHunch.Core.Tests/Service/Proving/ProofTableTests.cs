using MildHunch.Core.Evidence;
using MildHunch.Core.Expectation;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;
using MildHunch.Core.Service.Proving;
using static MildHunch.Core.Tests.Setting;

namespace MildHunch.Core.Tests.Service.Proving;

/// <summary>
/// Every stage of a proof in every state, and what it comes to: silence is never a pass (common practice, no source, in each row learned
/// from a proof that passed what it should not).
/// </summary>
public class ProofTableTests
{
    private static readonly ProofStages Stages = ProofStages.BuiltIn(Known);
    private static readonly Setup Setup = Setup.Create(
        Q<RotationalSpeed>(1450, "rpm"), Nozzle.FromPoint(Q<VolumeFlow>(19.17, "L/min"), Q<GaugePressure>(70, "bar")),
        Q<GaugePressure>(85, "bar"), OutletLine.Hose, relief: Q<GaugePressure>(105, "bar"));

    /// <summary>Stage × state: how the stage then stands, and what all comes to when everything else is done.</summary>
    [Theory]
    [InlineData("stand", "empty", StageState.NotBegun, ProofOutcome.NotYet)]
    [InlineData("stand", "some", StageState.Begun, ProofOutcome.NotYet)]
    [InlineData("stand", "left out", StageState.LeftOut, ProofOutcome.PassWithRemark)]
    [InlineData("water", "empty", StageState.NotBegun, ProofOutcome.NotYet)]
    [InlineData("water", "some", StageState.Begun, ProofOutcome.NotYet)]
    [InlineData("water", "left out", StageState.LeftOut, ProofOutcome.PassWithRemark)]
    [InlineData("steps", "empty", StageState.NotBegun, ProofOutcome.NotYet)]
    [InlineData("steps", "some", StageState.Begun, ProofOutcome.NotYet)]
    [InlineData("steps", "left out", StageState.LeftOut, ProofOutcome.PassWithRemark)]
    [InlineData("steps", "at 8 bar", StageState.Begun, ProofOutcome.NotYet)]
    [InlineData("steps", "last at 93 %", StageState.Begun, ProofOutcome.NotYet)]
    [InlineData("steps", "shortened", StageState.Begun, ProofOutcome.NotYet)]
    [InlineData("steps", "not timed", StageState.Begun, ProofOutcome.NotYet)]
    [InlineData("steps", "no flow", StageState.Begun, ProofOutcome.NotYet)]
    [InlineData("steps", "no flow, said why", StageState.Doubtful, ProofOutcome.PassWithRemark)]
    [InlineData("steps", "flow off", StageState.Off, ProofOutcome.Back)]
    [InlineData("steps", "above a limit", StageState.Off, ProofOutcome.Back)]
    [InlineData("shut", "empty", StageState.NotBegun, ProofOutcome.NotYet)]
    [InlineData("shut", "some", StageState.Begun, ProofOutcome.NotYet)]
    [InlineData("shut", "left out", StageState.LeftOut, ProofOutcome.PassWithRemark)]
    [InlineData("shut", "no relief", StageState.Forbidden, ProofOutcome.PassWithRemark)]
    [InlineData("shut", "gauge not named", StageState.Begun, ProofOutcome.NotYet)]
    [InlineData("shut", "head gauge", StageState.Begun, ProofOutcome.NotYet)]
    [InlineData("shut", "watched for 3 s", StageState.Begun, ProofOutcome.NotYet)]
    [InlineData("shut", "falls to nothing", StageState.Off, ProofOutcome.Back)]
    [InlineData("shut", "starts hard", StageState.Off, ProofOutcome.Back)]
    [InlineData("shut", "spike above the rating", StageState.Off, ProofOutcome.Back)]
    [InlineData("set", "empty", StageState.NotBegun, ProofOutcome.NotYet)]
    [InlineData("set", "some", StageState.Begun, ProofOutcome.NotYet)]
    [InlineData("set", "left out", StageState.LeftOut, ProofOutcome.PassWithRemark)]
    [InlineData("set", "130 bar", StageState.Off, ProofOutcome.Back)]
    [InlineData("set", "short of it", StageState.Begun, ProofOutcome.NotYet)]
    [InlineData("set", "assistant: back", StageState.Off, ProofOutcome.Back)]
    [InlineData("set", "assistant: reseat", StageState.Begun, ProofOutcome.NotYet)]
    [InlineData("set", "assistant: stop", StageState.Doubtful, ProofOutcome.PassWithRemark)]
    [InlineData("shut-set", "empty", StageState.NotBegun, ProofOutcome.NotYet)]
    [InlineData("shut-set", "falls to nothing", StageState.Off, ProofOutcome.Back)]
    [InlineData("shut-set", "left out", StageState.LeftOut, ProofOutcome.PassWithRemark)]
    [InlineData("shut-set", "watched for 3 s", StageState.Begun, ProofOutcome.NotYet)]
    [InlineData("shut-set", "before it was set", StageState.Begun, ProofOutcome.NotYet)]
    [InlineData("shut-set", "spike above what was set here", StageState.Off, ProofOutcome.Back)]
    [InlineData("cold", "empty", StageState.NotBegun, ProofOutcome.NotYet)]
    [InlineData("cold", "some", StageState.Begun, ProofOutcome.NotYet)]
    [InlineData("cold", "left out", StageState.LeftOut, ProofOutcome.PassWithRemark)]
    public void Stage_by_state(string stage, string state, StageState stands, ProofOutcome outcome)
    {
        var (told, setup) = In(stage, state);
        var verdict = Judge(told, setup);
        verdict.Stages.Single(s => s.Stage.Id == stage).State.ShouldBe(stands, string.Join(" | ", verdict.Reasons));
        verdict.Outcome.ShouldBe(outcome, string.Join(" | ", verdict.Reasons));
        verdict.Reasons.ShouldNotBeEmpty();
    }

    [Fact]
    public void All_done_as_expected_is_a_pass()
    {
        var verdict = Judge(Whole(), Setup);
        verdict.Outcome.ShouldBe(ProofOutcome.Pass, string.Join(" | ", verdict.Reasons));
        verdict.Reasons.ShouldBeEmpty();
    }

    [Fact]
    public void Nothing_told_is_never_a_pass()
    {
        foreach (var pump in PumpsOfSheets.All)
        {
            var setup = Every.Plain(pump, 0.8 * pump.RatedPressure.In(Units.Bar));
            ProofJudge.Judge(Stages.For(pump, setup, []), pump, setup, new ProofTold()).Outcome.ShouldBe(ProofOutcome.NotYet);
        }
    }

    /// <summary>What was not set needs no proof of its setting; the screw left as it was is said.</summary>
    [Fact]
    public void What_was_not_set_is_not_proved_again()
    {
        var told = Whole() with { LeftOut = new Dictionary<string, string> { ["set"] = "screw not touched" } };
        told = told with { Steps = told.Steps.Where(s => s.Key != "set.100").ToDictionary(), Setting = null, Shuts = Only(told, "shut") };
        var verdict = Judge(told, Setup);
        verdict.Stages.Single(s => s.Stage.Id == "shut-set").State.ShouldBe(StageState.NotNeeded);
        verdict.Outcome.ShouldBe(ProofOutcome.PassWithRemark);
    }

    /// <summary>What the backed-off screw does not reach is left out with its reason and proved once it is set.</summary>
    [Fact]
    public void Steps_beyond_the_backed_off_screw_are_proved_by_setting_it()
    {
        var told = Whole();
        told = told with
        {
            Steps = told.Steps.Where(s => s.Key is not ("steps.75" or "steps.100")).ToDictionary(),
            LeftOut = new Dictionary<string, string> { ["steps.75"] = "screw backed off", ["steps.100"] = "screw backed off" },
        };
        Judge(told, Setup).Outcome.ShouldBe(ProofOutcome.Pass);
    }

    /// <summary>Everything left out with a reason, or every act ticked and all that is read left out: nothing was proved.</summary>
    [Theory]
    [InlineData(true)]
    [InlineData(false)]
    public void Without_a_reading_nothing_is_proved(bool acts)
    {
        var whole = Whole();
        var verdict = Judge(
            new ProofTold
            {
                Acts = acts ? whole.Acts : new HashSet<string>(),
                LeftOut = Stages.For(Fog2, Setup, []).Where(s => !acts || s.Kind != StageKind.Acts).ToDictionary(s => s.Id, _ => "no time"),
            }, Setup);
        verdict.Outcome.ShouldBe(ProofOutcome.NotYet, string.Join(" | ", verdict.Reasons));
        verdict.Reasons.ShouldContain(r => r.Contains("Nothing was read", StringComparison.Ordinal));
    }

    [Theory]
    [InlineData("unclosed", ProofOutcome.NotYet)]
    [InlineData("stop sign", ProofOutcome.Back)]
    [InlineData("runs outside", ProofOutcome.Back)]
    [InlineData("drips outside", ProofOutcome.PassWithRemark)]
    public void What_stands_beside_the_stages_counts_too(string what, ProofOutcome outcome)
    {
        var told = what switch
        {
            "unclosed" => Whole() with { Unclosed = ["Valve cap 2 discharge"] },
            "stop sign" => Whole() with { StopSigns = ["Stop now: a knock"] },
            "runs outside" => Whole() with { Leaks = [new(Standing.Off, "Cap 2 runs.")] },
            _ => Whole() with { Leaks = [new(Standing.Doubtful, "Cap 2 drips.")] },
        };
        var verdict = Judge(told, Setup);
        (verdict.Outcome, verdict.Reasons.Count).ShouldBe((outcome, 1));
    }

    private static ProofVerdict Judge(ProofTold told, Setup setup) => ProofJudge.Judge(Stages.For(Fog2, setup, []), Fog2, setup, told);

    private static (ProofTold Told, Setup Setup) In(string stage, string state)
    {
        var whole = Whole();
        HashSet<string> Without(int keep) =>
        [
            .. whole.Acts.Where(a => !a.StartsWith(stage + ".", StringComparison.Ordinal)),
            .. whole.Acts.Where(a => a.StartsWith(stage + ".", StringComparison.Ordinal)).Take(keep),
        ];
        Dictionary<string, StepTold> Steps(Func<string, StepTold, StepTold?> change) => whole.Steps
            .Select(s => (s.Key, Value: change(s.Key, s.Value))).Where(s => s.Value is not null).ToDictionary(s => s.Key, s => s.Value!);
        Dictionary<string, StepTold> Of(Func<StepTold, StepTold?> change) =>
            Steps((id, s) => id.StartsWith(stage + ".", StringComparison.Ordinal) ? change(s) : s);
        Dictionary<string, StepTold> Last(Func<StepTold, StepTold?> change) => Steps((id, s) => id == $"{stage}.100" ? change(s) : s);
        Dictionary<string, ShutOutlet> Shut(Func<ShutOutlet, ShutOutlet> change) =>
            whole.Shuts.ToDictionary(s => s.Key, s => s.Key == stage ? change(s.Value) : s.Value);
        StepTold At(StepTold s, double bar) => s with { Pressure = Q<GaugePressure>(bar, "bar") };
        SettingAdvice Says(SettingAct act) => new(act, null, null, "Because.") { Nearest = new("hose", Q<GaugePressure>(120, "bar")) };
        var told = state switch
        {
            "empty" => whole with
            {
                Acts = Without(0),
                Steps = Of(_ => null),
                Shuts = whole.Shuts.Where(s => s.Key != stage).ToDictionary(),
                Setting = stage == "set" ? null : whole.Setting,
            },
            "some" when stage == "shut" => whole with { Shuts = Shut(s => s with { StartsHard = null }) },
            "some" when stage == "steps" => whole with { Steps = Last(_ => null) },
            "some" => whole with { Acts = Without(1), Steps = Of(_ => null) },
            "left out" => whole with { LeftOut = new Dictionary<string, string> { [stage] = "no time" } },
            "at 8 bar" => whole with { Steps = Of(s => At(s, 8) with { Readings = [], NoFlow = "no bucket" }) },
            "last at 93 %" => whole with { Steps = Last(s => At(s, 0.93 * 70)) },
            "shortened" => whole with { Steps = Of(s => s with { HeldSeconds = 60 }) },
            "not timed" => whole with { Steps = Of(s => s with { HeldSeconds = null }) },
            "no flow" => whole with { Steps = Of(s => s with { Readings = [] }) },
            "no flow, said why" => whole with { Steps = Of(s => s with { Readings = [], NoFlow = "no meter here" }) },
            "flow off" => whole with { Steps = Last(s => s with { Readings = [Read("nozzle-flow", 12, "L/min")] }) },
            "above a limit" => whole with { Steps = Last(s => At(s, 96)) },
            "130 bar" => whole with { Steps = Last(s => At(s, 130)) },
            "short of it" => whole with { Steps = Last(s => At(s, 55)) },
            "gauge not named" => whole with { Shuts = Shut(s => s with { Gauge = null }) },
            "head gauge" => whole with { Shuts = Shut(s => s with { Gauge = ShutGauge.Head }) },
            "falls to nothing" => whole with { Shuts = Shut(s => s with { To = Q<GaugePressure>(0, "bar"), Over = new Duration(1200) }) },
            "watched for 3 s" => whole with { Shuts = Shut(s => s with { To = Q<GaugePressure>(85.97, "bar"), Over = new Duration(3) }) },
            "before it was set" => whole with { ShutBefore = new HashSet<string> { stage } },
            "spike above what was set here" => whole with { Shuts = Shut(s => s with { Set = Q<GaugePressure>(60, "bar") }) },
            "starts hard" => whole with { Shuts = Shut(s => s with { StartsHard = true }) },
            "spike above the rating" => whole with { Shuts = Shut(s => s with { Spike = Q<GaugePressure>(103, "bar") }) },
            "assistant: back" => whole with { Setting = Says(SettingAct.Back) },
            "assistant: reseat" => whole with { Setting = Says(SettingAct.Reseat) },
            "assistant: stop" => whole with { Setting = Says(SettingAct.Stop) },
            _ => whole,
        };
        return (told, state == "no relief" ? Fog2Setup() : Setup);
    }

    // A healthy FOG-2 as a careful hand proves it.
    private static ProofTold Whole()
    {
        var stages = Stages.For(Fog2, Setup, []);
        StepTold Step(double share)
        {
            var pressure = new GaugePressure(share * StageExpectation.WorkingPa(Fog2, Setup));
            var flow = StageExpectation.At(Fog2, Setup, pressure).Figures.Single(f => f.What == Observables.NozzleFlow);
            return new StepTold(pressure, 120, [new Reading(flow.What, new Amount(flow.What.Kind, flow.Value))], null);
        }

        ShutOutlet shut = new()
        {
            Gauge = ShutGauge.Hose,
            Spike = Q<GaugePressure>(88, "bar"),
            From = Q<GaugePressure>(86, "bar"),
            To = Q<GaugePressure>(85.4, "bar"),
            Over = new Duration(60),
            StartsHard = false,
        };
        return new ProofTold
        {
            Acts = stages.SelectMany(s => s.Acts.Select(a => $"{s.Id}.{a.Id}")).ToHashSet(),
            Steps = stages.SelectMany(s => s.Shares.Select(share => (Id: s.StepId(share), share))).Append(("set.100", 1))
                .ToDictionary(s => s.Item1, s => Step(s.Item2)),
            Shuts = new Dictionary<string, ShutOutlet> { ["shut"] = shut, ["shut-set"] = shut },
            Setting = new SettingAdvice(SettingAct.Done, null, null, "It stands.") { Nearest = new("hose", Q<GaugePressure>(120, "bar")) },
        };
    }

    private static Dictionary<string, ShutOutlet> Only(ProofTold told, string stage) =>
        told.Shuts.Where(s => s.Key == stage).ToDictionary();
}
