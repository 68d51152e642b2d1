using MildHunch.Core.Evidence;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;
using static MildHunch.Core.Tests.Setting;

namespace MildHunch.Core.Tests.Evidence;

/// <summary>One sigma by instrument, as docs/trade.md, Instruments, gives it (common practice, no source).</summary>
public class InstrumentTests
{
    [Fact]
    public void Dial_gauge_of_class_1_6_over_1_6_times_the_rating() =>
        Sigma(Read("discharge-pressure", 70, "bar")).ShouldBe(0.016 * 160e5 / 2, 1);

    /// <summary>The span that was entered is the head gauge's alone.</summary>
    [Fact]
    public void A_given_span_takes_the_place_of_the_usual_one()
    {
        var setup = Setup.Create(Q<RotationalSpeed>(1450, "rpm"), Fog2Setup().Nozzle, gaugeSpan: Q<GaugePressure>(400, "bar"));
        var instruments = new Instruments(Fog2, setup, CaseEvidence.None);
        instruments.SigmaOf(Read("discharge-pressure", 70, "bar")).ShouldBe(0.016 * 400e5 / 2, 1);
        instruments.SigmaOf(Read("swing", 10, "bar")).ShouldBe(Math.Sqrt(2) * 0.016 * 400e5 / 2, 1);
        instruments.SigmaOf(Read("gun-pressure", 70, "bar")).ShouldBe(0.016 * 160e5 / 2, 1);
        Should.Throw<ImpossibleInputException>(() => Setup.Create(
            Q<RotationalSpeed>(1450, "rpm"), Fog2Setup().Nozzle, gaugeSpan: Q<GaugePressure>(0, "bar")))
            .Field.ShouldBe("gaugeSpan");
    }

    [Fact]
    public void A_swinging_needle_is_read_worse()
    {
        var swinging = new CaseEvidence([Read("swing", 24, "bar")], [], []);
        var expected = Math.Sqrt(Math.Pow(0.016 * 160e5 / 2, 2) + Math.Pow(24e5 / 6, 2));
        new Instruments(Fog2, Fog2Setup(), swinging).SigmaOf(Read("discharge-pressure", 31, "bar")).ShouldBe(expected, 1);
    }

    [Fact]
    public void A_described_needle_widens_too_and_more_when_it_swings()
    {
        double With(string answer) =>
            new Instruments(Fog2, Fog2Setup(), new CaseEvidence([], [new CueFact("needle", answer)], []))
                .SigmaOf(Read("discharge-pressure", 31, "bar"));
        With("steady").ShouldBe(Sigma(Read("discharge-pressure", 31, "bar")), 1e-6);
        With("hunts").ShouldBeGreaterThan(With("steady"));
        With("swings").ShouldBeGreaterThan(With("hunts"));
    }

    [Theory]
    [InlineData("nozzle-flow", 12, "L/min", 0.03)]
    [InlineData("supply-flow", 20, "L/min", 0.03)]
    [InlineData("speed", 1450, "rpm", 0.002)]
    public void Shares_of_the_reading(string what, double value, string unit, double share)
    {
        var reading = Read(what, value, unit);
        Sigma(reading).ShouldBe(share * reading.Value.Si, 1e-9);
    }

    [Fact]
    public void Nothing_in_the_bypass_is_not_known_exactly() => Sigma(Read("bypass-flow", 0, "L/min")).ShouldBeGreaterThan(0);

    [Fact]
    public void What_the_technician_says_of_his_instrument_counts()
    {
        var noted = Read("discharge-pressure", 70, "bar") with { Sigma = 0.2e5 };
        Sigma(noted).ShouldBe(0.2e5);
        var sharp = Judge(Fog2, Fog2Setup(), Saw([noted with { Value = new(noted.Value.Kind, 62e5) }]));
        var blunt = Judge(Fog2, Fog2Setup(), Saw([noted with { Value = new(noted.Value.Kind, 62e5), Sigma = 8e5 }]));
        sharp.Of("no-fault").ShouldBeLessThan(blunt.Of("no-fault"));
    }

    [Fact]
    public void An_orifice_is_compared_as_what_it_passes()
    {
        var instruments = new Instruments(Fog2, Fog2Setup(), CaseEvidence.None);
        var reading = Read("nozzle-orifice", 2, "mm");
        instruments.Modelled(reading)
            .ShouldBe(Nozzle.CoefficientOfOrifice(0.002, MildHunch.Core.Fluids.Water.Density(Fog2Setup().Temperature).Si), 1e-15);
    }

    private static double Sigma(Reading reading) => new Instruments(Fog2, Fog2Setup(), CaseEvidence.None).SigmaOf(reading);
}
