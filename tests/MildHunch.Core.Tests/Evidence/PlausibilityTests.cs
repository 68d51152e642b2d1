using CsCheck;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;

namespace MildHunch.Core.Tests.Evidence;

/// <summary>What is believed without asking back, and what is taken for granted of a plate.</summary>
public class PlausibilityTests
{
    private static readonly ReciprocatingPump Pump = ReciprocatingPump.Create(
        3, new Length(0.018), new Length(0.018), new RotationalSpeed(1450 / 60.0), new GaugePressure(100e5));

    [Theory]
    [InlineData("discharge-pressure", 31e5, true)]
    [InlineData("discharge-pressure", 240e5, true)]
    [InlineData("discharge-pressure", 6000e5, false)]
    [InlineData("nozzle-flow", 20 / 6e4, true)]
    [InlineData("nozzle-flow", 200 / 6e4, false)]
    [InlineData("speed", 1390 / 60.0, true)]
    [InlineData("speed", 14500 / 60.0, false)]
    public void What_a_faulty_pump_may_show_is_believed_and_what_none_shows_is_asked_back(string quantity, double si, bool believed) =>
        Plausibility.OfReading(quantity, Pump)!.Holds(si).ShouldBe(believed);

    [Fact]
    public void What_may_have_been_meant_is_believable_itself_and_no_more_than_two() =>
        Gen.Select(Gen.Double[-2, 4], Gen.Int[0, 2]).Sample((power, unit) =>
        {
            var believable = Plausibility.OfReading("discharge-pressure", Pump)!;
            var given = Units.Offered(QuantityKind.GaugePressure)[unit];
            var meant = believable.Instead(Math.Pow(10, power), given);
            meant.Count.ShouldBeLessThanOrEqualTo(2);
            meant.ShouldAllBe(m => believable.Holds(m.Unit.ToSi(m.Value)));
        });

    /// <summary>A crank pump of 2.9 bar is none; 29 bar is (common practice, no source).</summary>
    [Fact]
    public void A_rating_of_three_bar_is_asked_back_with_ten_times_as_much()
    {
        var believable = Plausibility.OfRating(Arrangement.CrankPlunger);
        believable.Holds(2.9e5).ShouldBeFalse();
        believable.Instead(2.9, Units.Bar).Select(m => $"{m.Value} {m.Unit.Symbol}").ShouldContain("29 bar");
    }

    [Fact]
    public void The_assumed_nozzle_passes_the_flow_at_four_fifths_and_the_setting_never_exceeds_the_rating() =>
        Gen.Double[1, 200].Sample(litres =>
        {
            var flow = new VolumeFlow(litres / 6e4);
            var nozzle = Assumptions.NozzleFor(Pump, flow);
            nozzle.PressureAt(flow).Si.ShouldBe(80e5, 1);
            nozzle.RelativeSigma.ShouldBe(Nozzle.SigmaAssumed);
            Assumptions.SettingFor(Pump, nozzle, flow).Si.ShouldBe(88e5, 1);
            Assumptions.SettingFor(Pump, nozzle, new VolumeFlow(3 * flow.Si)).Si.ShouldBe(100e5, 1);
        });
}
