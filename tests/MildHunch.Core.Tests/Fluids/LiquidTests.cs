using CsCheck;
using MildHunch.Core.Fluids;
using MildHunch.Core.Quantities;
using static MildHunch.Core.Tests.Setting;

namespace MildHunch.Core.Tests.Fluids;

public class LiquidTests
{
    private static readonly Liquid[] All = [Liquid.PlainWater, new Seawater(), new Brine(0.12), new Glycol(0.3), new LightOil(22)];

    private static Temperature At(double celsius) => Q<Temperature>(celsius, "°C");

    /// <summary>Specific volumes of the verification table of region 1 (IAPWS R7-97(2012), table 5).</summary>
    [Theory]
    [InlineData(300, 3, 0.100215168e-2)]
    [InlineData(300, 80, 0.971180894e-3)]
    [InlineData(500, 3, 0.120241800e-2)]
    public void Density_of_water(double kelvin, double megapascal, double volume) =>
        (1 / Water.Density(new Temperature(kelvin), new AbsolutePressure(megapascal * 1e6)).Si).ShouldBe(volume, volume * 1e-8);

    /// <summary>Viscosities of the verification table without critical enhancement (IAPWS R12-08, table 4), µPa·s.</summary>
    [Theory]
    [InlineData(298.15, 998, 889.735100)]
    [InlineData(298.15, 1200, 1437.649467)]
    [InlineData(373.15, 1000, 307.883622)]
    public void Viscosity_of_water(double kelvin, double density, double micro) =>
        (Water.Viscosity(new Temperature(kelvin), new Density(density)) * 1e6).ShouldBe(micro, micro * 1e-7);

    /// <summary>The bulk modulus is what the density says it is: ρ·dp/dρ.</summary>
    [Fact]
    public void Bulk_modulus_follows_from_density() => Gen.Select(Gen.Double[275, 370], Gen.Double[0.2, 90]).Sample(
        (kelvin, megapascal) =>
        {
            double Rho(double pa) => Water.Density(new Temperature(kelvin), new AbsolutePressure(pa)).Si;
            var p = megapascal * 1e6;
            var numeric = Rho(p) * 2000 / (Rho(p + 1000) - Rho(p - 1000));
            Water.BulkModulus(new Temperature(kelvin), new AbsolutePressure(p)).ShouldBe(numeric, 2e-4 * numeric);
        },
        iter: 200);

    /// <summary>Densities of the check table of EOS-80 (UNESCO technical paper 44; from memory).</summary>
    [Theory]
    [InlineData(0, 5, 999.96675)]
    [InlineData(35, 5, 1027.67547)]
    [InlineData(35, 25, 1023.34306)]
    public void Density_of_seawater(double salinity, double celsius, double density) =>
        new Seawater(salinity).Density(At(celsius)).Si.ShouldBe(density, 1e-4);

    /// <summary>Secant bulk moduli at no pressure of the same table, bar (from memory).</summary>
    [Theory]
    [InlineData(0, 5, 20337.80375)]
    [InlineData(35, 25, 23726.34949)]
    public void Bulk_modulus_of_seawater(double salinity, double celsius, double bar) =>
        (new Seawater(salinity).BulkModulus(At(celsius)) / 1e5).ShouldBe(bar, 1e-3);

    /// <summary>Saturated brine of 25 °C weighs 1197 kg/m³ (handbooks of chemistry, from memory); without salt it is water.</summary>
    [Fact]
    public void Brine()
    {
        new Brine(0.26).Density(At(25)).Si.ShouldBe(1197, 8);
        new Brine(0).Density(At(25)).Si.ShouldBe(Liquid.PlainWater.Density(At(25)).Si, 0.01);
        new Brine(0).Viscosity(At(25)).ShouldBe(Liquid.PlainWater.Viscosity(At(25)), 1e-9);
        new Brine(0.2).BulkModulus(At(25)).ShouldBeGreaterThan(Liquid.PlainWater.BulkModulus(At(25)));
    }

    /// <summary>Half glycol at 20 °C: 1068 kg/m³ and 3.9 mPa·s (heating engineers' tables, from memory).</summary>
    [Fact]
    public void Glycol()
    {
        new Glycol(0.5).Density(At(20)).Si.ShouldBe(1068, 8);
        (new Glycol(0.5).Viscosity(At(20)) * 1000).ShouldBe(3.9, 0.4);
    }

    /// <summary>The grade is the viscosity at 40 °C (ISO 3448).</summary>
    [Fact]
    public void Oil()
    {
        var oil = new LightOil(32);
        (oil.Viscosity(At(40)) / oil.Density(At(40)).Si * 1e6).ShouldBe(32, 0.05);
        (oil.Viscosity(At(100)) / oil.Density(At(100)).Si * 1e6).ShouldBe(5.4, 0.05);
    }

    /// <summary>
    /// docs/trade.md, Liquids: Tait takes 11 % of the volume at 380 MPa. Up to 10 MPa it is p/β; at 100 MPa IF97 is met.
    /// </summary>
    [Fact]
    public void Compression_at_high_pressure()
    {
        var beta = Liquid.PlainWater.BulkModulus(At(20));
        (1 - (1 / (1 + Liquid.Compression(380e6, beta)))).ShouldBe(0.11, 0.004);
        Liquid.Compression(10e6, beta).ShouldBe(10e6 / beta, 0.015 * 10e6 / beta);
        var measured = (Water.Density(At(20), new AbsolutePressure(1e8)).Si / Water.Density(At(20)).Si) - 1;
        Liquid.Compression(1e8 - 101_325, beta).ShouldBe(measured, 0.02 * measured);
        (1e8 / beta).ShouldBeGreaterThan(1.08 * measured);
    }

    [Fact]
    public void What_both_models_use_meets_the_tait_form()
    {
        var used = Compressibility.Of(Liquid.PlainWater, At(20), 400e6);
        foreach (var pa in new[] { 1e5, 7e6, 40e6, 150e6, 300e6, 400e6 })
            used.At(pa).ShouldBe(Liquid.Compression(pa, used.BulkModulusPa), 0.025 * used.At(pa));
    }

    [Fact]
    public void Every_liquid_refuses_what_lies_outside_its_range_and_answers_inside()
    {
        foreach (var liquid in All)
        {
            var (least, most) = liquid.RangeCelsius;
            foreach (var celsius in new[] { least - 2, most + 2 })
                Should.Throw<ImpossibleInputException>(() => liquid.Density(At(celsius))).Accepted.ShouldContain(liquid.Name);
            foreach (var celsius in new[] { least, (least + most) / 2, most })
            {
                liquid.Density(At(celsius)).Si.ShouldBeInRange(700, 1300);
                liquid.Viscosity(At(celsius)).ShouldBeInRange(1e-4, 1);
                liquid.BulkModulus(At(celsius)).ShouldBeInRange(0.9e9, 3.5e9);
                liquid.VapourPressure(At(celsius)).Si.ShouldBeInRange(0, 101_325);
            }
        }

        Should.Throw<ImpossibleInputException>(() => new Seawater(80)).Field.ShouldBe("salinity");
        Should.Throw<ImpossibleInputException>(() => new Brine(0.4)).Accepted.ShouldContain("does not dissolve");
    }

    [Fact]
    public void Salt_and_glycol_boil_later_than_water()
    {
        foreach (var liquid in All.Skip(1))
            liquid.VapourPressure(At(20)).Si.ShouldBeLessThan(Liquid.PlainWater.VapourPressure(At(20)).Si);
    }
}
