using MildHunch.Core.Evidence;
using MildHunch.Core.Expectation;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;
using static MildHunch.Core.Tests.Setting;

namespace MildHunch.Core.Tests.Evidence;

/// <summary>Readings as they are really taken.</summary>
public class AsTakenTests
{
    private static TakenReading Took(string what, double value, string unit, double? to = null)
    {
        var kind = Observables.Find(what)?.Kind ?? TakenQuantities.All.Single(b => b.Id == what).Kind;
        var noted = Quantity.UnitNamed(kind, unit, what);
        return new TakenReading(
            what, new Amount(kind, noted.ToSi(value)), to is { } t ? new Amount(kind, noted.ToSi(t)) : null, null, noted, 0,
            $"readings[{what}]");
    }

    private static CaseEvidence Of(params TakenReading[] taken) => AsTaken.Evidence(Fog2, Fog2Setup(), taken, [], []);

    [Fact]
    public void A_range_on_the_gauge_is_a_mean_and_a_swing()
    {
        var evidence = Of(Took("discharge-pressure", 28, "bar", 46));
        evidence.Of(Observables.Pressure).Single().Value.Si.ShouldBe(37e5, 1);
        evidence.Of(Observables.Swing).Single().Value.Si.ShouldBe(18e5, 1);
        evidence.Readings.ShouldAllBe(r => r.Source == "readings[discharge-pressure]");
    }

    /// <summary>Evenly spread between two ends the standard deviation is the width over √12.</summary>
    [Fact]
    public void A_range_of_anything_else_is_its_middle_and_its_spread()
    {
        var flow = Of(Took("nozzle-flow", 12, "L/min", 13)).Of(Observables.NozzleFlow).Single();
        flow.Value.Si.ShouldBe(12.5 / 6e4, 1e-9);
        flow.Sigma!.Value.ShouldBe(1 / Math.Sqrt(12) / 6e4, 1e-9);
    }

    [Fact]
    public void A_pump_without_ends_has_no_strokes_of_one()
    {
        var refused = Should.Throw<ImpossibleInputException>(() => Of(Took("strokes-left", 42, "rpm"), Took("strokes-right", 36, "rpm")));
        refused.Field.ShouldBe("readings[strokes-left].quantity");
        refused.Message.ShouldContain("intensifier");
    }

    /// <summary>A gauge that is off zero after venting lies everywhere else too (docs/trade.md, Instruments).</summary>
    [Fact]
    public void What_a_gauge_shows_at_rest_is_taken_off_and_said()
    {
        var evidence = Of(Took("discharge-pressure", 75, "bar"), Took(TakenQuantities.AtRest, 6, "bar"));
        evidence.Of(Observables.Pressure).Single().Value.Si.ShouldBe(69e5, 1);
        Judge(Fog2, Fog2Setup(), evidence).Leader.Fault.Id.ShouldBe("no-fault");
        Judge(Fog2, Fog2Setup(), evidence).Contradictions.Single().Text.ShouldContain("6 bar with nothing in it");
    }

    /// <summary>
    /// A swinging needle is read no better for being corrected: √(dial² + (swing/6)² + dial²) (docs/trade.md, Instruments).
    /// </summary>
    [Fact]
    public void A_corrected_needle_still_swings()
    {
        double Sigma(params TakenReading[] taken) =>
            Of(taken) is var noted ? new Instruments(Fog2, Fog2Setup(), noted).SigmaOf(noted.Of(Observables.Pressure).Single()) : 0;
        var dial = 0.016 * 160e5 / 2;
        Sigma(Took("discharge-pressure", 28, "bar", 46)).ShouldBe(Math.Sqrt((dial * dial) + (3e5 * 3e5)), 1);
        Sigma(Took("discharge-pressure", 34, "bar", 52), Took(TakenQuantities.AtRest, 6, "bar"))
            .ShouldBe(Math.Sqrt((2 * dial * dial) + (3e5 * 3e5)), 1);
    }

    [Fact]
    public void A_gauge_that_shows_less_than_at_rest_is_said()
    {
        var refusal = Should.Throw<ImpossibleInputException>(() => Of(
            Took("discharge-pressure", 30, "bar"), Took(TakenQuantities.AtRest, 80, "bar")));
        (refusal.Field, refusal.Accepted).ShouldBe(("readings[discharge-pressure]", "no less than what the gauge shows at rest"));
    }

    [Fact]
    public void A_hair_off_zero_is_zero()
    {
        var evidence = Of(Took("discharge-pressure", 70, "bar"), Took(TakenQuantities.AtRest, 0.3, "bar"));
        evidence.Of(Observables.Pressure).Single().Value.Si.ShouldBe(70e5, 1);
        evidence.Cues.Single().Answer.ShouldBe("zero");
    }

    [Theory]
    [InlineData(1.5, 1.5, "alike", null)]
    [InlineData(1.2, 1.5, "fast", 1)]
    [InlineData(1.5, 1.2, "fast", 2)]
    public void Strokes_tell_the_fast_end(double left, double right, string answer, int? end)
    {
        var cue = AsTaken.Evidence(
            Every.Intensifier(), Every.IntensifierSetup(),
            [Took(TakenQuantities.StrokeLeft, left, "s"), Took(TakenQuantities.StrokeRight, right, "s")], [], []).Cues.Single();
        (cue.Cue, cue.Answer, cue.Cylinder).ShouldBe(("stroke-timing", answer, end));
    }

    [Theory]
    [InlineData(1, "holds")]
    [InlineData(30, "bleeds-down")]
    public void The_fall_behind_a_closed_outlet_is_said(double bar, string answer) =>
        Of(Took("discharge-pressure", 70, "bar"), Took(TakenQuantities.Fall, bar, "bar")).Cues.Single().Answer.ShouldBe(answer);

    [Fact]
    public void What_was_answered_in_words_stands() =>
        AsTaken.Evidence(
            Fog2, Fog2Setup(), [Took(TakenQuantities.Fall, 30, "bar")], [new CueFact("closed-outlet", "holds")],
            []).Cues.Single().Answer.ShouldBe("holds");

    [Fact]
    public void Readings_of_one_thing_are_combined()
    {
        var twice = Saw([Read("nozzle-flow", 12, "L/min"), Read("nozzle-flow", 13, "L/min")]);
        var both = twice.Combined(Observables.NozzleFlow, _ => 0.4 / 6e4)!.Value;
        both.Value.ShouldBe(12.5 / 6e4, 1e-9);
        both.Sigma.ShouldBe(0.4 / Math.Sqrt(2) / 6e4, 1e-9);
    }

    /// <summary>
    /// Amps tell of a gauge that lies: I = p·Q / (0.885·√3·U·0.88·cos φ) for what it shows (docs/trade.md, Power). 69 bar and
    /// 19 L/min
    /// at 400 V
    /// ask for 4.8 A.
    /// </summary>
    [Theory]
    [InlineData(4.8, "fits")]
    [InlineData(7.5, "more")]
    [InlineData(2.5, "less")]
    public void Amps_are_held_against_the_gauge(double amps, string answer)
    {
        var setup = Setup.Create(
            Fog2Setup().Speed, Fog2Setup().Nozzle, Q<GaugePressure>(85, "bar"), OutletLine.Hose, voltage: Q<Voltage>(400, "V"));
        var noted = AsTaken.Evidence(
            Fog2, setup, [Took("discharge-pressure", 69, "bar"), Took("nozzle-flow", 19, "L/min"), Took(TakenQuantities.Amps, amps, "A")],
            [], []);
        noted.Cues.Single(c => c.Cue == "motor-load").Answer.ShouldBe(answer);
    }

    [Fact]
    public void Amps_without_voltage_are_said_to_mean_nothing()
    {
        var noted = Of(Took("discharge-pressure", 69, "bar"), Took(TakenQuantities.Amps, 5, "A"));
        noted.Cues.ShouldBeEmpty();
        noted.Notes.Single().Text.ShouldContain("voltage");
    }

    [Theory]
    [InlineData(22, "as-told")]
    [InlineData(55, "warmer")]
    public void A_thermometer_tells_of_a_hot_supply(double celsius, string answer)
    {
        var noted = Of(Took("discharge-pressure", 60, "bar"), Took(TakenQuantities.SupplyTemperature, celsius, "°C"));
        noted.Cues.Single().ShouldBe(new CueFact("supply-temperature-felt", answer, Source: "readings[supply-temperature]"));
    }

    [Fact]
    public void Absurd_amps_and_temperatures_are_refused()
    {
        Should.Throw<ImpossibleInputException>(() => Of(Took(TakenQuantities.Amps, -3, "A"))).Accepted.ShouldContain("0 to 5000 A");
        Should.Throw<ImpossibleInputException>(() => Of(Took(
            TakenQuantities.SupplyTemperature, 900, "°C"))).Accepted.ShouldContain("200 °C");
    }
}
