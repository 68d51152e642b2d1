using CsCheck;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;
using MildHunch.Core.Service.Proving;
using static MildHunch.Core.Tests.Setting;

namespace MildHunch.Core.Tests.Service.Proving;

/// <summary>Controls set by following the assistant to the letter, on pumps of the time model that it knows nothing of.</summary>
public class SettingAssistantTests
{
    // Three thousand with ./run bench --hands; a slice in the suite.
    private static readonly int Games = Draws.Of("SETTING_GAMES", 500);

    [Fact]
    public void It_comes_there_in_few_moves_passes_no_limit_and_stops_where_the_nozzle_takes_over()
    {
        var played = Enumerable.Range(0, Games).AsParallel().Select(k =>
        {
            var game = new SettingGame(k);
            return (Game: game, End: game.Play());
        }).ToArray();
        played.Where(p => p.Game.PassedALimit || p.Game.ExpectedToPassALimit).Select(p => p.Game.Story).ShouldBeEmpty();
        played.Where(p => p.End is not (SettingAct.Done or SettingAct.Stop)).Select(p => p.Game.Story).ShouldBeEmpty();

        var can = played.Where(p => p.Game.CanBeReached).ToArray();
        can.Length.ShouldBeGreaterThan(Games / 2);
        var there = can.Count(p => p.End == SettingAct.Done && p.Game.Steps <= p.Game.Allowed
            && Math.Abs(p.Game.ReadPa - p.Game.TargetPa) <= p.Game.Tolerance * 1.0001);
        ((double)there / can.Length).ShouldBeGreaterThan(0.95);

        // Where it cannot come there, it does not go on turning: no further in than it was, or half a turn.
        var cannot = played.Where(p => !p.Game.CanBeReached).ToArray();
        cannot.Length.ShouldBeGreaterThan(Games / 10);
        cannot.Where(p => p.Game.BeyondKnee > Math.Max(0.6, p.Game.BeyondAtStart + 0.01)).Select(p => p.Game.Story).Count()
            .ShouldBeLessThanOrEqualTo(cannot.Length / 20);
    }

    /// <summary>Running pressures of a line of 10 bar a turn that ends at 70 bar; spikes go on rising.</summary>
    [Fact]
    public void Where_only_the_spike_rises_it_goes_back_to_the_knee_and_stops()
    {
        ScrewMove At(double turns) => new(turns, 1e5 * Math.Min(70, 60 + (10 * turns)), 1.1e5 * (60 + (10 * turns)));
        List<ScrewMove> moves = [.. new[] { 0, 0.25, 0.5, 0.75, 1, 1.25, 1.5, 1.75 }.Select(At)];
        SettingAdvice advice;
        do
        {
            advice = Advise(90, [.. moves]);
            if (advice.Do == SettingAct.Back)
                moves.Add(At(moves[^1].Turns + advice.Turns!.Value));
        }
        while (advice.Do == SettingAct.Back && moves.Count < 20);
        advice.Do.ShouldBe(SettingAct.Stop);
        advice.Why.ShouldContain("nozzle");
        advice.Curve.KneePa!.Value.ShouldBe(70e5, 1e5);
        advice.Curve.KneeTurns!.Value.ShouldBe(1, 0.1);
        moves[^1].Turns.ShouldBe(1, 0.1);
    }

    [Fact]
    public void Nothing_read_yet_asks_for_a_first_reading() => Advise(80).Do.ShouldBe(SettingAct.Reseat);

    [Fact]
    public void Past_a_limit_it_goes_back_at_once()
    {
        var advice = Advise(95, new ScrewMove(0, 90e5), new ScrewMove(0.25, 101e5));
        (advice.Do, advice.Turns).ShouldBe((SettingAct.Back, -0.25));
        advice.Nearest.What.ShouldBe("rating of the pump");
    }

    [Fact]
    public void A_reading_that_nothing_led_to_expect_is_taken_again_before_the_next_turn()
    {
        ScrewMove[] line = [.. new[] { 0, 0.25, 0.5, 0.75, 1 }.Select(t => new ScrewMove(t, 1e5 * (30 + (12 * t))))];
        Advise(60, [.. line, new ScrewMove(1.25, 62e5)]).Do.ShouldBe(SettingAct.Reseat);
        Advise(60, [.. line, new ScrewMove(1.25, 62e5), new ScrewMove(1.25, 45e5)]).Do.ShouldBe(SettingAct.Turn);
    }

    /// <summary>Whatever was written down, in whatever order: a quarter turn at most, and every figure is one.</summary>
    [Fact]
    public void Any_readings_are_answered_with_figures_and_a_quarter_turn_at_most()
    {
        var move = from quarter in Gen.Int[-12, 12]
                   from bar in Gen.Double[0, 120]
                   from spike in Gen.Double[0.6, 1.5]
                   from seen in Gen.Bool
                   select new ScrewMove(quarter / 4.0, bar * 1e5, seen ? bar * spike * 1e5 : null);
        Gen.Select(Gen.Double[5, 100], move.Array[0, 12]).Sample(
            (bar, moves) =>
            {
                var advice = Advise(bar, moves);
                Math.Abs(advice.Turns ?? 0).ShouldBeLessThanOrEqualTo(0.25);
                (advice.Do is SettingAct.Turn or SettingAct.Back).ShouldBe(advice.Turns is not null);
                double?[] figures =
                [
                    advice.Turns, advice.Expected?.ValuePa, advice.Expected?.LowPa, advice.Expected?.HighPa, advice.Curve.PerTurnPa,
                    advice.Curve.SigmaPa, advice.Curve.KneeTurns, advice.Curve.KneePa,
                ];
                figures.ShouldAllBe(f => f == null || double.IsFinite(f.Value));
                if (advice.Expected is { } band)
                    (band.LowPa >= 0 && band.LowPa <= band.ValuePa && band.ValuePa <= band.HighPa).ShouldBeTrue();
            },
            iter: 500);
    }

    /// <summary>Nine tenths of the relief valve; the driver's power over the flow at 88.5 % (docs/trade.md, Power).</summary>
    [Fact]
    public void Relief_valve_and_driver_are_limits_too()
    {
        var flow = Q<VolumeFlow>(19.17, "L/min");
        var drive = Drive.Motor(4, 50, Q<Power>(2.2, "kW"));
        var setup = Setup.Create(
            Q<RotationalSpeed>(1450, "rpm"), Nozzle.FromPoint(flow, Q<GaugePressure>(70, "bar")), Q<GaugePressure>(85, "bar"), drive: drive,
            relief: Q<GaugePressure>(105, "bar"));
        var limits = PressureLimit.Of(Fog2, setup).ToDictionary(l => l.What.Split(' ')[0], l => l.Pressure.In(Units.Bar));
        limits["rating"].ShouldBe(100);
        limits["relief"].ShouldBe(94.5, 1e-9);

        // 600 · 2.2 kW · 0.885 / Q in L/min, Q what 18 mm by 18 mm by 3 at 1450 rpm send at 100 bar: 19.92 less slip and squeezing.
        limits["what"].ShouldBe(600 * 2.2 * 0.885 / 19.1, 1.5);
    }

    [Theory]
    [InlineData(ControlKind.Relief)]
    [InlineData(ControlKind.AutoStop)]
    [InlineData(ControlKind.None)]
    public void What_has_no_screw_to_be_set_is_refused(ControlKind control) =>
        Should.Throw<ImpossibleInputException>(() => SettingQuestion.Create(
            Triplex(control: control), Fog2Setup(), [], Q<GaugePressure>(70, "bar"), [])).Field.ShouldBe("pump.control");

    private static SettingAdvice Advise(double bar, params ScrewMove[] moves) =>
        SettingAssistant.Next(SettingQuestion.Create(Fog2, Fog2Setup(), [], Q<GaugePressure>(bar, "bar"), moves));
}
