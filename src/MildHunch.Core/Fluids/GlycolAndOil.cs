using MildHunch.Core.Quantities;

namespace MildHunch.Core.Fluids;

/// <summary>
/// Water and ethylene glycol by volume share of glycol. Mixing rules between water (IAPWS) and glycol: volumes add less a
/// contraction, logarithms of viscosity add less an interaction. From memory, within 1 % of density and 10 % of viscosity.
/// </summary>
public sealed record Glycol : Liquid
{
    /// <summary>Glycol and water; share of glycol by volume, 0 to 0.6.</summary>
    /// <exception cref="ImpossibleInputException">A share outside that range.</exception>
    public Glycol(double share)
    {
        Guard.Within("glycol", share, 0, 0.6, $"{Quantity.Digits(share * 100)} %", "0 to 60 % glycol by volume");
        Share = share;
    }

    /// <summary>Volume of glycol over the sum of both volumes before mixing.</summary>
    public double Share { get; }

    /// <inheritdoc/>
    public override string Name => $"glycol and water, {Quantity.Digits(Share * 100)} % glycol";

    /// <inheritdoc/>
    public override string Correlation =>
        "mixing rules between IAPWS water and ethylene glycol (from memory, 1 % of density, 10 % of viscosity)";

    /// <inheritdoc/>
    public override (double Least, double Most) RangeCelsius => (0, 95);

    /// <inheritdoc/>
    protected override double DensityAt(Temperature temperature)
    {
        var glycol = 1127 - (0.70 * temperature.In(Units.Celsius));
        return (((1 - Share) * Water.Density(temperature).Si) + (Share * glycol)) * (1 + (0.044 * Share * (1 - Share)));
    }

    /// <inheritdoc/>
    protected override double ViscosityAt(Temperature temperature)
    {
        // Glycol: 20 mPa·s at 20 °C, 9.2 at 40, 5.0 at 60, 3.0 at 80 (memory), as a Vogel line through 20, 40 and 80 °C.
        var t = temperature.In(Units.Celsius);
        var glycol = 1e-3 * Math.Exp(-3.8171 + (1059.2 / (t + 135.47)));
        var water = Water.Viscosity(temperature, Water.Density(temperature));
        return Math.Exp(((1 - Share) * Math.Log(water)) + (Share * Math.Log(glycol)) - (0.5 * Share * (1 - Share)));
    }

    /// <inheritdoc/>
    protected override double BulkModulusAt(Temperature temperature)
    {
        var glycol = 2.8e9;
        var water = Water.BulkModulus(temperature, AbsolutePressure.StandardAir);
        return 1 / (((1 - Share) / water) + (Share / glycol));
    }

    /// <inheritdoc/>
    protected override double VapourPressureAt(Temperature temperature)
    {
        // Glycol itself hardly evaporates; the water does in proportion to its molecules.
        var water = (1 - Share) * 998 / 18.015;
        return Water.VapourPressure(temperature).Si * water / (water + (Share * 1113 / 62.07));
    }
}

/// <summary>
/// Light mineral oil by its viscosity grade (mm²/s at 40 °C). Viscosity by the double-logarithm line of ASTM D341 through
/// 40 and 100 °C for a viscosity index near 100; density, bulk modulus and vapour pressure common practice, no source.
/// </summary>
public sealed record LightOil : Liquid
{
    private static readonly (double Grade, double AtHundred)[] Grades = [(10, 2.6), (15, 3.4), (22, 4.3), (32, 5.4), (46, 6.8), (68, 8.7)];

    /// <summary>Light oil of this viscosity grade, 10 to 68.</summary>
    /// <exception cref="ImpossibleInputException">A grade outside that range.</exception>
    public LightOil(double grade)
    {
        Guard.Within("oil", grade, 10, 68, Quantity.Digits(grade), "a light oil of viscosity grade 10 to 68");
        Grade = grade;
    }

    /// <summary>mm²/s at 40 °C.</summary>
    public double Grade { get; }

    /// <inheritdoc/>
    public override string Name => $"light oil, grade {Quantity.Digits(Grade)}";

    /// <inheritdoc/>
    public override string Correlation => "ASTM D341 viscosity line; density and bulk modulus common practice";

    /// <inheritdoc/>
    public override (double Least, double Most) RangeCelsius => (0, 100);

    /// <inheritdoc/>
    public override double AccelerationDivisor => 2.0;

    /// <inheritdoc/>
    protected override double DensityAt(Temperature temperature) => 870 - (0.65 * (temperature.In(Units.Celsius) - 15));

    /// <inheritdoc/>
    protected override double VapourPressureAt(Temperature temperature) => 10;

    /// <inheritdoc/>
    protected override double BulkModulusAt(Temperature temperature) => 1.6e9 * (1 - (0.004 * (temperature.In(Units.Celsius) - 20)));

    /// <inheritdoc/>
    protected override double ViscosityAt(Temperature temperature)
    {
        var i = 0;
        while (i < Grades.Length - 2 && Grades[i + 1].Grade < Grade)
            i++;
        var (low, high) = (Grades[i], Grades[i + 1]);
        var atHundred = low.AtHundred + ((high.AtHundred - low.AtHundred) * (Grade - low.Grade) / (high.Grade - low.Grade));
        static double Double(double nu) => Math.Log10(Math.Log10(nu + 0.7));
        var (at40, at100) = (Math.Log10(313.15), Math.Log10(373.15));
        var slope = (Double(atHundred) - Double(Grade)) / (at100 - at40);
        var line = Double(Grade) + (slope * (Math.Log10(temperature.Si) - at40));
        return (Math.Pow(10, Math.Pow(10, line)) - 0.7) * 1e-6 * DensityAt(temperature);
    }
}
