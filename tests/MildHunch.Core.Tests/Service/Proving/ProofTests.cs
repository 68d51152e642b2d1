using CsCheck;
using MildHunch.Core.Expectation;
using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;
using MildHunch.Core.Service.Proving;
using MildHunch.Core.Simulation;
using static MildHunch.Core.Tests.Setting;

namespace MildHunch.Core.Tests.Service.Proving;

/// <summary>Stages, what is expected at each, and what a proof comes to.</summary>
public class ProofTests
{
    private static readonly ProofStages Stages = ProofStages.BuiltIn(Known);

    /// <summary>Which stages there are: common practice, no source.</summary>
    [Theory]
    [InlineData(ControlKind.Unloader, true, "stand water steps shut set cold")]
    [InlineData(ControlKind.Regulator, false, "stand water steps shut set cold")]
    [InlineData(ControlKind.AutoStop, true, "stand water steps shut cold")]
    [InlineData(ControlKind.Relief, true, "stand water steps cold")]
    [InlineData(ControlKind.None, false, "stand water steps cold")]
    public void A_crank_pump_is_proved_by_the_stages_of_its_control(ControlKind control, bool relief, string stages)
    {
        var setup = relief ? WithRelief() : Fog2Setup();
        var mine = Stages.For(Triplex(control: control), setup);
        mine.Select(s => s.Id).ShouldBe(stages.Split(' '));
        mine.Where(s => ProofStages.Forbidden(s, setup) is not null).Select(s => s.Id)
            .ShouldBe(!relief && mine.Any(s => s.Id == "shut") ? ["shut"] : []);
        mine.ShouldAllBe(s => s.Hazards.Count > 0);
    }

    [Fact]
    public void An_intensifier_has_a_gate_of_its_own_and_new_packings_may_drip()
    {
        var intensifier = Every.Intensifier();
        Stages.For(intensifier, Every.Plain(intensifier, 3000)).Select(s => s.Id)
            .ShouldBe(["stand", "gate-open", "gate-shut", "gate-work", "cold"]);
        Stages.For(Fog2, Fog2Setup()).ShouldAllBe(s => s.RunIn == null);
        Stages.For(Triplex(layout: HeadLayout.SplitManifold), Fog2Setup()).Count(s => s.RunIn != null).ShouldBe(1);
    }

    /// <summary>Held by its control, nozzle and bypass share what the pump sends at that pressure; the nozzle passes Kn·√p.</summary>
    [Fact]
    public void A_stage_expects_what_the_steady_model_sends_at_its_pressure() => Gen.Double[12, 66].Sample(bar =>
    {
        var pressure = Q<GaugePressure>(bar, "bar");
        var figures = StageExpectation.At(Fog2, Fog2Setup(), pressure).Figures.ToDictionary(f => f.What.Id);
        var nozzle = Fog2Setup().Nozzle.Coefficient * Math.Sqrt(pressure.Si);
        figures["nozzle-flow"].Value.ShouldBe(nozzle, 0.01 * nozzle);
        var sent = new OperatingPointSolver(Fog2, Fog2Setup()).DeliveredAt(new Condition(), pressure.Si);
        (figures["nozzle-flow"].Value + figures["bypass-flow"].Value).ShouldBe(sent, 0.01 * sent);
        figures.Values.ShouldAllBe(f => f.Low <= f.Value && f.Value <= f.High);
    }, iter: 60);

    [Fact]
    public void Without_a_screw_the_outlet_takes_all_that_is_sent_at_that_pressure()
    {
        var pump = Triplex(control: ControlKind.Relief);
        var figures = StageExpectation.At(pump, WithRelief(), Q<GaugePressure>(35, "bar")).Figures.ToDictionary(f => f.What.Id);
        var sent = new OperatingPointSolver(pump, WithRelief()).DeliveredAt(new Condition(), 35e5);
        figures["nozzle-flow"].Value.ShouldBe(sent, 0.01 * sent);
    }

    [Fact]
    public void At_working_pressure_a_stage_expects_what_the_case_expects()
    {
        var working = StageExpectation.WorkingPa(Fog2, Fog2Setup());
        var expected = PumpExpectation.Of(Fog2, Fog2Setup());
        working.ShouldBe(expected["discharge-pressure"].Value.Si, 1);
        var figure = StageExpectation.At(Fog2, Fog2Setup(), new GaugePressure(working)).Figures.First(f => f.What.Id == "nozzle-flow");
        figure.Value.ShouldBe(expected["nozzle-flow"].Value.Si, 0.01 * figure.Value);
    }

    [Theory]
    [InlineData(13.6, Standing.AsExpected)]
    [InlineData(12.2, Standing.Doubtful)]
    [InlineData(9.0, Standing.Off)]
    public void A_reading_is_judged_with_its_instrument(double flow, Standing standing) =>
        StageExpectation.At(Fog2, Fog2Setup(), Q<GaugePressure>(35, "bar")).Judge(Read("nozzle-flow", flow, "L/min")).ShouldBe(standing);

    /// <summary>Closed form, C·dp/dt = −k√p, on what the time model shows of a stopped pump with its outlet shut.</summary>
    [Fact]
    public void What_a_falling_pressure_loses_is_what_the_leak_lets_out()
    {
        var pump = Triplex(control: ControlKind.None);
        var solver = new OperatingPointSolver(pump, Every.Plain(pump, 70));
        var result = PumpSimulation.Run(
            solver, new Condition { OutsideShare = 0.002 },
            new SimulationPlan
            {
                Seconds = 3,
                Speed = [new SpeedMove(0, 0)],
                RampSeconds = 0.01,
                Outlet = [new OutletMove(0.02, 0)],
                SamplesPerSecond = 200,
            });
        var (from, to) = (result.Samples.First(s => s.Seconds > 0.5), result.Samples[^1]);
        var k = 0.002 * solver.HealthyFlow / Math.Sqrt(solver.HealthyPa);
        var fall = PressureFall.Of(
            solver.Setup, new GaugePressure(from.HeadPa), new GaugePressure(to.HeadPa), new Duration(to.Seconds - from.Seconds),
            OutletCompliance.Typical(solver.Setup));

        // Mean of k√p over the fall, √p falling in a straight line.
        var mean = k * (Math.Sqrt(from.HeadPa) + Math.Sqrt(to.HeadPa)) / 2;
        fall.Leak.Si.ShouldBe(mean, 0.02 * mean);
        (fall.Low, fall.High).ShouldBe((fall.Leak, fall.Leak));
    }

    /// <summary>By hand: 2 bar lost in 60 s, and 5 bar with 0.1 L/h let out: C = 0.1 L/h over 3 bar a minute.</summary>
    [Fact]
    public void A_known_drip_tells_how_soft_the_line_is()
    {
        var drip = Q<VolumeFlow>(0.1 / 60, "L/min");
        PressureFall.Calibrated(drip, 2e5 / 60, 5e5 / 60).ShouldBe(0.1e-3 / 3600 / (3e5 / 60), 1e-18);
        Should.Throw<ImpossibleInputException>(() => PressureFall.Calibrated(drip, 3, 3));
        var fall = PressureFall.Of(
            Fog2Setup(), Q<GaugePressure>(60, "bar"), Q<GaugePressure>(57, "bar"), new Duration(60));
        fall.ShareAMinute.ShouldBe(0.05, 1e-9);
        fall.Holds.ShouldBeTrue();
        fall.Low.Si.ShouldBeLessThan(fall.High.Si);
    }

    /// <summary>Up to 15 % above the setting is normal (common practice, no source).</summary>
    [Theory]
    [InlineData(78, Standing.AsExpected)]
    [InlineData(84, Standing.Doubtful)]
    [InlineData(95, Standing.Off)]
    public void A_closing_spike_is_judged_by_what_the_control_holds(double spike, Standing standing)
    {
        var shut = new ShutOutlet(Q<GaugePressure>(70, "bar"), Q<GaugePressure>(spike, "bar"), null, null, null, null);
        shut.Remarks(Fog2Setup()).Single().Standing.ShouldBe(standing);
        shut.Answer(Fog2Setup()).ShouldBe(standing == Standing.Off ? "spikes" : null);
    }

    [Fact]
    public void What_is_off_sends_it_back_and_what_is_left_out_is_said()
    {
        ProofVerdict.Of([new(Standing.AsExpected, "a")], []).Outcome.ShouldBe(ProofOutcome.Pass);
        var left = ProofVerdict.Of([new(Standing.AsExpected, "a")], ["cold again"]);
        (left.Outcome, left.Reasons[0]).ShouldBe((ProofOutcome.PassWithRemark, "Left out: cold again."));
        var off = ProofVerdict.Of([new(Standing.Doubtful, "b"), new(Standing.Off, "c")], []);
        off.Outcome.ShouldBe(ProofOutcome.Back);
        off.Reasons.ShouldBe(["c", "b"]);
    }

    [Fact]
    public void The_drawing_of_a_setting_stays_on_its_sheet()
    {
        ScrewMove[] moves = [new(0, 30e5, 33e5), new(0.25, 36e5, 40e5), new(0.5, 41e5)];
        var asked = SettingQuestion.Create(Fog2, Fog2Setup(), [], Q<GaugePressure>(60, "bar"), moves);
        var picture = SettingDrawing.Of(asked, SettingAssistant.Next(asked));
        foreach (var point in picture.Shapes.SelectMany(s => s.Points))
        {
            point.X.ShouldBeInRange(0, picture.Width);
            point.Y.ShouldBeInRange(0, picture.Height);
        }

        picture.Shapes.Select(s => s.Key).ShouldBeSubsetOf(
            [null, "running", "running.0", "running.1", "running.2", "spike.0", "spike.1", "target", "limit", "knee", "expected"]);
    }

    private static Setup WithRelief() => Setup.Create(
        Q<RotationalSpeed>(1450, "rpm"), Nozzle.FromPoint(Q<VolumeFlow>(19.17, "L/min"), Q<GaugePressure>(70, "bar")),
        Q<GaugePressure>(85, "bar"), OutletLine.Hose, relief: Q<GaugePressure>(105, "bar"));
}
