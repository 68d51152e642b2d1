using MathNet.Numerics.Integration;
using MildHunch.Core.Fluids;
using MildHunch.Core.Hydraulics.Motion;
using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;
using static MildHunch.Core.Tests.Setting;

namespace MildHunch.Core.Tests.Hydraulics;

/// <summary>Figures that stand in published tables, or in the handbook as recomputed from them.</summary>
public class PublishedFiguresTests
{
    /// <summary>
    /// Flow variation of plunger pumps, λ about 1/6, as pump handbooks tabulate it (from memory); recomputed in docs/trade.md, Pulsation.
    /// </summary>
    [Theory]
    [InlineData(3, 6.2, 16.9, 0.0255)]
    [InlineData(4, 11.1, 21.5, 0.0422)]
    [InlineData(5, 1.9, 5.2, 0.0069)]
    [InlineData(6, 4.7, 9.3, 0.0181)]
    [InlineData(7, 0.9, 2.6, 0.0033)]
    public void Ripple_table(int cylinders, double above, double below, double volume)
    {
        var ripple = FlowRipple.Of(Crank(cylinders, 1.0 / 6));
        (100 * ripple.AboveMean).ShouldBe(above, 0.06);
        (100 * ripple.BelowMean).ShouldBe(below, 0.06);
        ripple.VolumeSwing.ShouldBe(volume, 0.0001);
    }

    /// <summary>Triplex at other rod ratios, recomputed in docs/trade.md, Pulsation.</summary>
    [Theory]
    [InlineData(0, 4.7, 9.3, 0.0090)]
    [InlineData(0.2, 6.8, 18.5, 0.0294)]
    [InlineData(0.25, 8.0, 20.9, 0.0355)]
    public void Ripple_of_a_triplex_by_rod_ratio(double lambda, double above, double below, double volume)
    {
        var ripple = FlowRipple.Of(Crank(3, lambda));
        (100 * ripple.AboveMean).ShouldBe(above, 0.06);
        (100 * ripple.BelowMean).ShouldBe(below, 0.06);
        ripple.VolumeSwing.ShouldBe(volume, 0.0001);
    }

    /// <summary>Geometry: the velocity is the derivative of the advance, the stroke is two radii, the peak comes after 90°.</summary>
    [Fact]
    public void Kinematics_agree_with_themselves()
    {
        const double lambda = 0.2;
        CrankKinematics.Advance(Math.PI, lambda).ShouldBe(2, 1e-12);
        GaussLegendreRule.Integrate(t => CrankKinematics.Velocity(t, lambda), 0, Math.PI, 64).ShouldBe(2, 1e-9);
        var peak = Enumerable.Range(0, 18_000).MaxBy(i => CrankKinematics.Velocity(i * Math.PI / 18_000, lambda)) / 100.0;
        peak.ShouldBeInRange(95, 110);
    }

    /// <summary>
    /// Size 1.0 passes 0.22794·√bar L/min (docs/trade.md, Nozzle, from the trade's definition: US gal/min at 4000 psi).
    /// </summary>
    [Fact]
    public void Nozzle_size_one()
    {
        Nozzle.FromSize(1).FlowAt(Q<GaugePressure>(1, "bar")).In(Units.LitrePerMinute).ShouldBe(0.22794, 0.00001);
        Nozzle.FromSize(4).FlowAt(Q<GaugePressure>(4000, "psi")).In(Units.Find(QuantityKind.VolumeFlow, "gpm")!).ShouldBe(4, 1e-9);
    }

    /// <summary>Wear that grows the area by w lowers the pressure at the same flow to 1/(1+w)² (docs/trade.md, Nozzle).</summary>
    [Fact]
    public void Nozzle_wear_rule()
    {
        var fresh = Nozzle.FromSize(4);
        var worn = Nozzle.FromSize(4 * 1.25);
        var flow = fresh.FlowAt(Q<GaugePressure>(70, "bar"));
        worn.FlowAt(Q<GaugePressure>(70 / 1.5625, "bar")).Si.ShouldBe(flow.Si, flow.Si * 1e-12);
    }

    /// <summary>An orifice of Cd 0.92: Q = Cd·A·√(2p/ρ) (Torricelli).</summary>
    [Fact]
    public void Orifice_and_back()
    {
        var nozzle = Nozzle.FromOrifice(Q<Length>(2, "mm"), new Density(1000));
        nozzle.FlowAt(Q<GaugePressure>(100, "bar")).In(Units.LitrePerMinute)
            .ShouldBe(0.92 * Math.PI / 4 * 4e-6 * Math.Sqrt(2 * 1e7 / 1000) * 60_000, 1e-6);
        Nozzle.OrificeOfCoefficient(nozzle.Coefficient, 1000).ShouldBe(0.002, 1e-12);
    }

    /// <summary>bar·L/min/600 = kW; psi·gpm/1714 = hp (pump handbooks); hp = psi·gpm/1460 at the shaft (common practice).</summary>
    [Fact]
    public void Power_rules()
    {
        var kw = PowerRules.Hydraulic(Q<GaugePressure>(150, "bar").Si, Q<VolumeFlow>(20, "L/min").Si) / 1000;
        kw.ShouldBe(150 * 20 / 600.0, 1e-9);
        var horse = PowerRules.Hydraulic(Q<GaugePressure>(2000, "psi").Si, Q<VolumeFlow>(5, "gpm").Si);
        new Power(horse).In(Units.Find(QuantityKind.Power, "hp")!).ShouldBe(2000 * 5 / 1714.0, 2e-3);
        new Power(PowerRules.Shaft(horse)).In(Units.Find(QuantityKind.Power, "hp")!).ShouldBe(2000 * 5 / 1460.0, 0.35);
    }

    /// <summary>IAPWS R7-97(2012), table 35: p_sat.</summary>
    [Theory]
    [InlineData(300, 0.00353658941)]
    [InlineData(500, 2.63889776)]
    [InlineData(600, 12.3443146)]
    public void Saturation_check_values(double kelvin, double megapascal) =>
        (Water.VapourPressure(new Temperature(kelvin)).Si / 1e6).ShouldBe(megapascal, megapascal * 1e-8);

    /// <summary>docs/trade.md, Liquids: 2.339, 19.95, 47.41, 84.61 kPa.</summary>
    [Theory]
    [InlineData(20, 2.339)]
    [InlineData(60, 19.95)]
    [InlineData(80, 47.41)]
    [InlineData(95, 84.61)]
    public void Vapour_pressure_in_everyday_water(double celsius, double kilopascal) =>
        (Water.VapourPressure(Q<Temperature>(celsius, "°C")).Si / 1000).ShouldBe(kilopascal, 0.006);

    /// <summary>Density of air-free water (Kell 1975): 999.972 at 4 °C, 998.207 at 20 °C, 958.36 at 100 °C; from memory.</summary>
    [Theory]
    [InlineData(4, 999.972)]
    [InlineData(20, 998.207)]
    [InlineData(100, 958.36)]
    public void Density_of_water(double celsius, double density) =>
        Water.Density(Q<Temperature>(celsius, "°C")).Si.ShouldBe(density, 0.02);

    /// <summary>FOG-2: 3 · π/4·18² · 18 mm · 1450 /min.</summary>
    [Fact]
    public void Theoretical_flow_by_hand() =>
        (Delivery.TheoreticalFlow(Fog2, 1450 / 60.0) * 60_000).ShouldBe(3 * Math.PI / 4 * 18 * 18 * 18 * 1450 / 1e6, 1e-9);

    /// <summary>The closed form for a leak that cannot exceed what the plunger moves equals the integral it stands for.</summary>
    [Theory]
    [InlineData(0.05)]
    [InlineData(0.4)]
    [InlineData(0.9)]
    [InlineData(1.7)]
    public void Lost_share_is_the_integral(double g)
    {
        var lost = DoubleExponentialTransformation.Integrate(t => Math.Min(g, Math.Sin(t)), 0, Math.PI / 2, 1e-10);
        Delivery.LostShare(g).ShouldBe(lost, 1e-6);
    }
}
