using CsCheck;
using MildHunch.Core.Quantities;

namespace MildHunch.Core.Tests.Quantities;

public class UnitTests
{
    /// <summary>Torque pairs of docs/trade.md, Bolts; NIST SP 811 factors, rounded as tabulated.</summary>
    [Theory]
    [InlineData(10, 88.51, 7.376)]
    [InlineData(30, 265.5, 22.13)]
    [InlineData(100, 885.1, 73.76)]
    public void Torque_pairs(double newtonMetres, double inchPounds, double footPounds)
    {
        var torque = Quantity.From<Torque>(newtonMetres, "N·m");
        torque.In(Units.Find(QuantityKind.Torque, "in-lb")!).ShouldBe(inchPounds, inchPounds * 3e-4);
        torque.In(Units.Find(QuantityKind.Torque, "ft-lb")!).ShouldBe(footPounds, footPounds * 3e-4);
    }

    /// <summary>Exact by definition, or as NIST SP 811 appendix B tabulates them.</summary>
    [Theory]
    [InlineData(QuantityKind.GaugePressure, "psi", 6894.757293168)]
    [InlineData(QuantityKind.GaugePressure, "m water", 9806.65)]
    [InlineData(QuantityKind.GaugePressure, "MPa", 1e6)]
    [InlineData(QuantityKind.VolumeFlow, "US gal/min", 3.785411784e-3 / 60)]
    [InlineData(QuantityKind.VolumeFlow, "imp gal/min", 4.54609e-3 / 60)]
    [InlineData(QuantityKind.VolumeFlow, "m³/h", 1.0 / 3600)]
    [InlineData(QuantityKind.Length, "in", 0.0254)]
    [InlineData(QuantityKind.Power, "hp", 745.69987158227022)]
    [InlineData(QuantityKind.Torque, "in·lbf", 0.1129848290276167)]
    [InlineData(QuantityKind.Torque, "ft·lbf", 1.3558179483314004)]
    public void Factors_are_the_published_ones(QuantityKind kind, string unit, double si) =>
        Units.Find(kind, unit)!.ToSi(1).ShouldBe(si, si * 1e-12);

    [Fact]
    public void Twelve_inch_pounds_are_a_foot_pound() =>
        Quantity.From<Torque>(12, "in·lbf").Si.ShouldBe(Quantity.From<Torque>(1, "ft·lbf").Si, 1e-15);

    /// <summary>20 drops to the millilitre: 30 drops a minute are 0.09 L/h (docs/trade.md, Bolts; common practice).</summary>
    [Fact]
    public void Thirty_drops_a_minute() =>
        Quantity.From<VolumeFlow>(30, "drops/min").In(Units.Find(QuantityKind.VolumeFlow, "L/h")!).ShouldBe(0.09, 1e-12);

    /// <summary>Fixed points of the two temperature scales (BIPM SI brochure).</summary>
    [Theory]
    [InlineData(0, 32)]
    [InlineData(100, 212)]
    [InlineData(-40, -40)]
    public void Celsius_and_fahrenheit_meet(double celsius, double fahrenheit) =>
        Quantity.From<Temperature>(celsius, "°C").In(Units.Find(QuantityKind.Temperature, "°F")!).ShouldBe(fahrenheit, 1e-9);

    [Fact]
    public void Gauge_and_absolute_differ_by_the_air()
    {
        var gauge = Quantity.From<GaugePressure>(0.5, "bar");
        gauge.ToAbsolute(AbsolutePressure.StandardAir).Si.ShouldBe(151_325, 1e-6);
        gauge.ToAbsolute(AbsolutePressure.StandardAir).ToGauge(AbsolutePressure.StandardAir).Si.ShouldBe(gauge.Si, 1e-9);
    }

    [Fact]
    public void Every_unit_round_trips() => Gen.Select(Gen.OneOfConst([.. Units.All]), Gen.Double[-1e6, 1e6]).Sample((unit, value) =>
    {
        var back = unit.FromSi(unit.ToSi(value));
        Math.Abs(back - value)
            .ShouldBeLessThanOrEqualTo(1e-9 * Math.Max(1, Math.Abs(value)) + (1e-9 * Math.Abs(unit.Offset / unit.Factor)));
    });

    [Fact]
    public void What_is_written_is_read_again() =>
        Gen.Select(Gen.OneOfConst([.. Units.All.Where(u => u.Kind == QuantityKind.VolumeFlow)]), Gen.Double[1e-3, 1e5])
            .Sample((unit, value) =>
    {
        var flow = Quantity.From<VolumeFlow>(value, unit);
        var written = flow.Format(unit, 12);

        // "1.234 L/s" is one thing to us and another to half of the trade: refused, never read as the other.
        if (NumberEntry.Read(written, out var problem) is null)
            problem.ShouldNotBeNull().ShouldContain("two ways");
        else
            Quantity.Parse<VolumeFlow>(written).Si.ShouldBe(flow.Si, flow.Si * 1e-9);
    });

    [Theory]
    [InlineData("70bar", 70e5)]
    [InlineData("70 BAR", 70e5)]
    [InlineData("7 MPa", 70e5)]
    [InlineData("7000 kpa", 70e5)]
    [InlineData("12,5 bar", 12.5e5)]
    [InlineData("1.013,25 mbar", 101325)]
    [InlineData("1,013.25 mbar", 101325)]
    [InlineData("-0.3 bar", -0.3e5)]
    [InlineData("10 m water", 98066.5)]
    public void Pressure_is_read_as_the_trade_writes_it(string text, double pascal) =>
        Quantity.Parse<GaugePressure>(text).Si.ShouldBe(pascal, Math.Abs(pascal) * 1e-12);

    [Theory]
    [InlineData("3/8 in", 9.525)]
    [InlineData("1 1/2 in", 38.1)]
    [InlineData("1-1/2\"", 38.1)]
    [InlineData("½ in", 12.7)]
    [InlineData("1½in", 38.1)]
    [InlineData("18mm", 18)]
    [InlineData("0,875 in", 22.225)]
    public void Lengths_may_be_fractions(string text, double millimetres) =>
        Quantity.Parse<Length>(text).In(Units.Millimetre).ShouldBe(millimetres, 1e-9);

    [Theory]
    [InlineData("", "needed")]
    [InlineData("bar", "bar")]
    [InlineData("70", "without a unit")]
    [InlineData("70 furlongs", "furlongs")]
    [InlineData("70 mm", "mm")]
    [InlineData("1,450 bar", "two ways")]
    public void A_refusal_names_value_and_what_is_accepted(string text, string part)
    {
        var refusal = Should.Throw<ImpossibleInputException>(() => Quantity.Parse<GaugePressure>(text, "pressure"));
        refusal.Field.ShouldBe("pressure");
        refusal.Message.ShouldContain(part);
        refusal.Accepted.ShouldNotBeNullOrWhiteSpace();
    }

    [Fact]
    public void No_text_crashes_the_reader() => Gen.String.Sample(text =>
    {
        try
        {
            double.IsFinite(Quantity.Parse<Length>(text).Si).ShouldBeTrue();
        }
        catch (ImpossibleInputException)
        {
            // Refused in words: that is what is asked for.
        }
    });
}
