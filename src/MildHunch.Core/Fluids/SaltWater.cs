using MildHunch.Core.Quantities;

namespace MildHunch.Core.Fluids;

/// <summary>
/// Seawater by its salinity. Density and bulk modulus by the one-atmosphere equation of state EOS-80 (UNESCO technical
/// paper 44), viscosity by Sharqawy, Lienhard and Zubair 2010, vapour pressure lowered as Raoult's law has it for sea salt.
/// </summary>
public sealed record Seawater : Liquid
{
    /// <summary>Seawater of this salinity, g/kg, 0 to 42.</summary>
    /// <exception cref="ImpossibleInputException">A salinity outside that range.</exception>
    public Seawater(double salinity = 35)
    {
        Guard.Within(
            "salinity", salinity, 0, 42, $"{Quantity.Digits(salinity)} g/kg",
            "seawater of 0 to 42 g of salt a kilogram; above that it is brine");
        Salinity = salinity;
    }

    /// <summary>Grams of salt a kilogram.</summary>
    public double Salinity { get; }

    /// <inheritdoc/>
    public override string Name => $"seawater, {Quantity.Digits(Salinity)} g/kg";

    /// <inheritdoc/>
    public override string Correlation => "EOS-80 density and bulk modulus; Sharqawy 2010 viscosity; Raoult vapour pressure";

    /// <inheritdoc/>
    public override (double Least, double Most) RangeCelsius => (0, 40);

    /// <inheritdoc/>
    protected override double DensityAt(Temperature temperature)
    {
        var t = temperature.In(Units.Celsius);
        var s = Salinity;
        var pure = 999.842594 + (t * (6.793952e-2 + (t * (-9.095290e-3 + (t * (1.001685e-4 + (t * (-1.120083e-6 + (t * 6.536332e-9)))))))));
        var a = 8.24493e-1 + (t * (-4.0899e-3 + (t * (7.6438e-5 + (t * (-8.2467e-7 + (t * 5.3875e-9)))))));
        var b = -5.72466e-3 + (t * (1.0227e-4 - (t * 1.6546e-6)));
        return pure + (a * s) + (b * s * Math.Sqrt(s)) + (4.8314e-4 * s * s);
    }

    /// <inheritdoc/>
    protected override double BulkModulusAt(Temperature temperature)
    {
        var t = temperature.In(Units.Celsius);
        var s = Salinity;
        var pure = 19652.21 + (t * (148.4206 + (t * (-2.327105 + (t * (1.360477e-2 - (t * 5.155288e-5)))))));
        var a = 54.6746 + (t * (-0.603459 + (t * (1.09987e-2 - (t * 6.1670e-5)))));
        var b = 7.944e-2 + (t * (1.6483e-2 - (t * 5.3009e-4)));
        return (pure + (a * s) + (b * s * Math.Sqrt(s))) * 1e5;
    }

    /// <inheritdoc/>
    protected override double ViscosityAt(Temperature temperature)
    {
        var t = temperature.In(Units.Celsius);
        var s = Salinity / 1000;
        var a = 1.541 + (t * (1.998e-2 - (t * 9.52e-5)));
        var b = 7.974 + (t * (-7.561e-2 + (t * 4.724e-4)));
        return Water.Viscosity(temperature, Water.Density(temperature)) * (1 + (a * s) + (b * s * s));
    }

    /// <inheritdoc/>
    protected override double VapourPressureAt(Temperature temperature) =>
        Water.VapourPressure(temperature).Si / (1 + (0.57357 * Salinity / (1000 - Salinity)));
}

/// <summary>
/// Brine of common salt by its mass share. Density, viscosity and speed of sound by Batzle and Wang 1992; vapour pressure
/// by Raoult's law with the salt wholly split, a few per cent high near saturation. Coefficients from memory.
/// </summary>
public sealed record Brine : Liquid
{
    private const double WaterMolar = 18.015;
    private const double SaltMolar = 58.443;

    /// <summary>Brine of this share of salt by mass, 0 to 0.26.</summary>
    /// <exception cref="ImpossibleInputException">A share outside that range.</exception>
    public Brine(double saltShare)
    {
        Guard.Within(
            "salt", saltShare, 0, 0.26, $"{Quantity.Digits(saltShare * 100)} %", "brine of 0 to 26 % salt by mass: more does not dissolve");
        SaltShare = saltShare;
    }

    /// <summary>Mass of salt over mass of brine.</summary>
    public double SaltShare { get; }

    /// <inheritdoc/>
    public override string Name => $"brine, {Quantity.Digits(SaltShare * 100)} % salt";

    /// <inheritdoc/>
    public override string Correlation => "Batzle and Wang 1992; Raoult vapour pressure";

    /// <inheritdoc/>
    public override (double Least, double Most) RangeCelsius => (0, 99);

    /// <inheritdoc/>
    protected override double DensityAt(Temperature temperature)
    {
        var t = temperature.In(Units.Celsius);
        var s = SaltShare;
        return Water.Density(temperature).Si + (1000 * s * (0.668 + (0.44 * s) + (1e-6 * t * (80 + (3 * t) - (3300 * s)))));
    }

    /// <inheritdoc/>
    protected override double ViscosityAt(Temperature temperature)
    {
        var t = Math.Max(temperature.In(Units.Celsius), 1e-6);
        var s = SaltShare;
        double At(double share) =>
            0.1 + (0.333 * share)
                + ((1.65 + (91.9 * share * share * share))
                    * Math.Exp(-((0.42 * Math.Pow(Math.Pow(share, 0.8) - 0.17, 2)) + 0.045) * Math.Pow(t, 0.8)));

        // The correlation is a little off for pure water; its ratio is kept and hung on the better figure.
        return Water.Viscosity(temperature, Water.Density(temperature)) * At(s) / At(0);
    }

    /// <inheritdoc/>
    protected override double BulkModulusAt(Temperature temperature)
    {
        var t = temperature.In(Units.Celsius);
        var s = SaltShare;
        var water = Math.Sqrt(Water.BulkModulus(temperature, AbsolutePressure.StandardAir) / Water.Density(temperature).Si);
        var sound = water + (s * (1170 - (t * (9.6 - (t * (0.055 - (t * 8.5e-5))))))) + (780 * Math.Pow(s, 1.5)) - (1820 * s * s);
        return DensityAt(temperature) * sound * sound;
    }

    /// <inheritdoc/>
    protected override double VapourPressureAt(Temperature temperature)
    {
        var water = (1 - SaltShare) / WaterMolar;
        return Water.VapourPressure(temperature).Si * water / (water + (2 * SaltShare / SaltMolar));
    }
}
