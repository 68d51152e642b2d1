using CsCheck;
using MildHunch.Core.Evidence;
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
    [InlineData(ControlKind.Unloader, true, "stand water steps shut set shut-set cold")]
    [InlineData(ControlKind.Regulator, false, "stand water steps shut set shut-set cold")]
    [InlineData(ControlKind.AutoStop, true, "stand water auto-stop work shut cold")]
    [InlineData(ControlKind.Relief, true, "stand water steps cold")]
    [InlineData(ControlKind.None, false, "stand water steps cold")]
    public void A_crank_pump_is_proved_by_the_stages_of_its_control(ControlKind control, bool relief, string stages)
    {
        var setup = relief ? WithRelief() : Fog2Setup();
        var pump = Triplex(control: control);
        var mine = Stages.For(pump, setup, []);
        mine.Select(s => s.Id).ShouldBe(stages.Split(' '));

        // Whatever shuts the outlet wants a relief on record, setting the control too.
        mine.Where(s => ProofStages.Forbidden(s, pump, setup) is not null).Select(s => s.Id)
            .ShouldBe(!relief && mine.Any(s => s.Id == "shut") ? ["shut", "set", "shut-set"] : []);
        mine.ShouldAllBe(s => s.Hazards.Count > 0);
    }

    [Fact]
    public void An_intensifier_has_a_gate_of_its_own_and_new_packings_may_drip()
    {
        var intensifier = Every.Intensifier();
        var setup = Every.Plain(intensifier, 3000);
        var gate = Stages.For(intensifier, setup, []);
        gate.Select(s => s.Id).ShouldBe(["stand", "gate-open", "gate-shut", "gate-work", "cold"]);
        gate.Where(s => ProofStages.Forbidden(s, intensifier, setup) is not null).Select(s => s.Id)
            .ShouldBe(setup.OilPressure is null ? ["gate-shut", "gate-work"] : []);
        Stages.For(Fog2, Fog2Setup(), []).ShouldAllBe(s => s.MayDrip == null);
        foreach (var head in new[] { HeadLayout.SplitManifold, HeadLayout.ValvePlate })
            Stages.For(Triplex(layout: head), Fog2Setup(), []).Count(s => s.MayDrip != null).ShouldBe(1);
        var flow = Every.FlowThrough(25, 700);
        Stages.For(flow, Fog2Setup(), []).ShouldAllBe(s => s.MayDrip == null);
        Stages.For(flow, Fog2Setup(), ["v-packing"]).Count(s => s.MayDrip != null).ShouldBe(1);

        // Never until it is dry is said of a gland alone.
        var split = Triplex(layout: HeadLayout.SplitManifold);
        Stages.For(split, Fog2Setup(), []).Select(s => s.MayDrip).ShouldNotContain(t => t != null && t.Contains("gland"));
        Stages.For(split, Fog2Setup(), ["packing-gland"]).Select(s => s.MayDrip).ShouldContain(t => t != null && t.Contains("gland"));
    }

    /// <summary>Nobody turns an intensifier or an axial set by hand (common practice, no source).</summary>
    [Fact]
    public void Turning_by_hand_is_asked_only_where_a_hand_can()
    {
        foreach (var pump in PumpsOfSheets.All)
            Stages.For(pump, Fog2Setup(), []).SelectMany(s => s.Acts).Any(a => a.Do.Contains("by hand", StringComparison.Ordinal))
                .ShouldBe(pump.Arrangement is not (Arrangement.Intensifier or Arrangement.Axial), $"{pump.Arrangement}");
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

    /// <summary>By hand, C 1.6e-12 m³/Pa of a hose: 8 bar a minute are 1.3 mL, 1 bar 0.2 mL; a millilitre holds (practice).</summary>
    [Theory]
    [InlineData(70, 62, 60, Standing.Off)]
    [InlineData(70, 69, 60, Standing.AsExpected)]
    [InlineData(70, 65, 60, Standing.Doubtful)]
    [InlineData(100, 0, 600, Standing.Off)]
    [InlineData(70, 0, 1200, Standing.Off)]
    public void A_fall_is_judged_as_a_leak_and_reaching_nothing_never_holds(double from, double to, double seconds, Standing standing) =>
        PressureFall.Of(Fog2Setup(), Q<GaugePressure>(from, "bar"), Q<GaugePressure>(to, "bar"), new Duration(seconds)).Standing
            .ShouldBe(standing);

    /// <summary>A hose settles at first: what counts is what goes on after that.</summary>
    [Fact]
    public void A_fall_is_judged_by_its_course()
    {
        PressureFall Of(params FallPoint[] between) => PressureFall.Of(
            Fog2Setup(), Q<GaugePressure>(70, "bar"), Q<GaugePressure>(61, "bar"), new Duration(120), between);
        Of(new FallPoint(new Duration(45), Q<GaugePressure>(61.5, "bar"))).Standing.ShouldBe(Standing.AsExpected);
        Of(new FallPoint(new Duration(45), Q<GaugePressure>(69.5, "bar"))).Holds.ShouldBeFalse();

        // Two readings at the end say nothing of what went before them.
        PressureFall.Of(
            Fog2Setup(), Q<GaugePressure>(70, "bar"), Q<GaugePressure>(30, "bar"), new Duration(120),
            [new FallPoint(new Duration(118), Q<GaugePressure>(30, "bar"))]).Holds.ShouldBeFalse();
        Should.Throw<ImpossibleInputException>(() => Of(new FallPoint(new Duration(200), Q<GaugePressure>(65, "bar"))));
        Should.Throw<ImpossibleInputException>(() => Of(new FallPoint(new Duration(60), Q<GaugePressure>(80, "bar"))));
    }

    /// <summary>Behind an unloader the head falls to bypass when shut, and is well.</summary>
    [Fact]
    public void Behind_an_unloader_only_the_hose_side_is_judged()
    {
        var read = new ShutOutlet { From = Q<GaugePressure>(85, "bar"), To = Q<GaugePressure>(4, "bar"), Over = new Duration(30) };
        read.Fall(Fog2, Fog2Setup()).ShouldBeNull();
        read.Missing(Fog2, new Duration(30)).ShouldContain("which gauge was read");
        (read with { Gauge = ShutGauge.Head }).Answer(Fog2, Fog2Setup()).ShouldBeNull();
        (read with { Gauge = ShutGauge.Hose }).Answer(Fog2, Fog2Setup()).ShouldBe("bleeds-down");
        read.Answer(Triplex(control: ControlKind.Regulator), Fog2Setup()).ShouldBe("bleeds-down");
    }

    /// <summary>Against what it is set to hold, 85 bar, up to 15 % is normal (practice); running pressure is another thing.</summary>
    [Theory]
    [InlineData(88, Standing.AsExpected)]
    [InlineData(97, Standing.AsExpected)]
    [InlineData(99, Standing.Doubtful)]
    [InlineData(101, Standing.Off)]
    public void A_closing_spike_is_judged_by_what_the_control_is_set_to_hold_and_by_what_nothing_may_pass(double bar, Standing standing)
    {
        var shut = new ShutOutlet { Spike = Q<GaugePressure>(bar, "bar") };
        var limit = new PressureLimit("hose", Q<GaugePressure>(200, "bar"));
        shut.Remarks(Fog2, WithRelief(), PressureLimit.OfSpikes(Fog2, WithRelief(), []), limit).Single().Standing.ShouldBe(standing);
    }

    /// <summary>What lies within its printed band is never off, and where nothing is the least, only more can be.</summary>
    [Fact]
    public void A_figure_within_its_printed_band_is_as_expected() => Gen.Select(Gen.Double[12, 70], Gen.Double[0, 1]).Sample((bar, at) =>
    {
        var stage = StageExpectation.At(Fog2, Fog2Setup(), Q<GaugePressure>(bar, "bar"));
        foreach (var figure in stage.Figures)
        {
            var value = new Amount(figure.What.Kind, figure.Low + (at * (figure.High - figure.Low)));
            stage.Judge(new Reading(figure.What, value)).ShouldBe(Standing.AsExpected, $"{figure.What.Id} at {bar}");
            figure.Sigma.ShouldBeGreaterThan(0);
        }
    }, iter: 60);

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
