using MildHunch.Core.Quantities;

namespace MildHunch.Core.Fluids;

/// <summary>
/// What is pumped: density, vapour pressure, viscosity and bulk modulus against temperature, each refused outside the
/// range its correlation holds for. Values at atmospheric pressure unless said otherwise.
/// </summary>
public abstract record Liquid
{
    // Tait form for water at 20 °C (docs/trade.md, Liquids; memory): V/V0 = 1 − 0.315·log10(1 + p/300 MPa).
    private const double TaitShare = 0.315;
    private const double TaitPa = 300e6;
    private const double TaitModulus = TaitPa * 2.302585092994046 / TaitShare;

    /// <summary>Water, which is what nearly every pump of this trade moves.</summary>
    public static readonly Liquid PlainWater = new PureWater();

    /// <summary>In the trade's words: "seawater, 35 g/kg".</summary>
    public abstract string Name { get; }

    /// <summary>Where its figures come from.</summary>
    public abstract string Correlation { get; }

    /// <summary>Lowest and highest temperature its correlations hold for, °C.</summary>
    public abstract (double Least, double Most) RangeCelsius { get; }

    /// <summary>
    /// Divisor K of the acceleration head: 1.5 water, 2.0 light hydrocarbons, 2.5 compressible hot oil (docs/trade.md, Inlet).
    /// </summary>
    public virtual double AccelerationDivisor => 1.5;

    /// <summary>Density at no pressure; <see cref="ImpossibleInputException"/> outside the liquid's range.</summary>
    public Density Density(Temperature temperature) => new(DensityAt(Checked(temperature)));

    /// <summary>Vapour pressure; <see cref="ImpossibleInputException"/> outside the liquid's range.</summary>
    public AbsolutePressure VapourPressure(Temperature temperature) => new(VapourPressureAt(Checked(temperature)));

    /// <summary>Dynamic viscosity, Pa·s.</summary>
    public double Viscosity(Temperature temperature) => ViscosityAt(Checked(temperature));

    /// <summary>Isothermal bulk modulus at low pressure, pascal.</summary>
    public double BulkModulus(Temperature temperature) => BulkModulusAt(Checked(temperature));

    /// <summary>
    /// Density at this gauge pressure over density at none, less one: the Tait form of docs/trade.md, Liquids, scaled so that it starts
    /// with this bulk modulus. Within 1 % of p/β up to 10 MPa; a constant β would overstate it by 9 % at 100 MPa.
    /// </summary>
    public static double Compression(double pressurePa, double bulkModulusPa) =>
        ((1 / (1 - (TaitShare * Math.Log10(1 + (Math.Max(pressurePa, 0) / TaitPa))))) - 1) * (TaitModulus / bulkModulusPa);

    /// <summary>kg/m³ at no pressure, within the range.</summary>
    protected abstract double DensityAt(Temperature temperature);

    /// <summary>Pa absolute, within the range.</summary>
    protected abstract double VapourPressureAt(Temperature temperature);

    /// <summary>Pa·s, within the range.</summary>
    protected abstract double ViscosityAt(Temperature temperature);

    /// <summary>Pa at no pressure, within the range.</summary>
    protected abstract double BulkModulusAt(Temperature temperature);

    private Temperature Checked(Temperature temperature)
    {
        var (least, most) = RangeCelsius;
        Guard.Within(
            "temperature", temperature.In(Units.Celsius), least - 1e-9, most + 1e-9, temperature.Format(Units.Celsius),
            $"{Name} of {Quantity.Digits(least)} to {Quantity.Digits(most)} °C");
        return temperature;
    }
}

/// <summary>Water by the IAPWS releases.</summary>
public sealed record PureWater : Liquid
{
    private static readonly AbsolutePressure Air = AbsolutePressure.StandardAir;

    /// <inheritdoc/>
    public override string Name => "water";

    /// <inheritdoc/>
    public override string Correlation => "IAPWS-IF97 and IAPWS R12-08";

    /// <inheritdoc/>
    public override (double Least, double Most) RangeCelsius => (0, 99);

    /// <inheritdoc/>
    protected override double DensityAt(Temperature temperature) => Water.Density(temperature, Air).Si;

    /// <inheritdoc/>
    protected override double VapourPressureAt(Temperature temperature) => Water.VapourPressure(temperature).Si;

    /// <inheritdoc/>
    protected override double ViscosityAt(Temperature temperature) => Water.Viscosity(temperature, Water.Density(temperature, Air));

    /// <inheritdoc/>
    protected override double BulkModulusAt(Temperature temperature) => Water.BulkModulus(temperature, Air);
}

/// <summary>
/// Density at a gauge pressure over density at none, less one, as p/(β + k·p): starts with the liquid's bulk modulus and
/// meets the Tait form of <see cref="Liquid.Compression"/> at one pressure, within 2 % of it below. What both models use.
/// </summary>
public readonly record struct Compressibility(double BulkModulusPa, double Stiffening)
{
    /// <summary>A curve that meets the liquid at no pressure and Tait's at this one, Pa.</summary>
    public static Compressibility Of(Liquid liquid, Temperature temperature, double exactAtPa)
    {
        var modulus = liquid.BulkModulus(temperature);
        return new Compressibility(modulus, (exactAtPa / Liquid.Compression(exactAtPa, modulus) - modulus) / exactAtPa);
    }

    /// <summary>Share of the volume lost at a gauge pressure, Pa.</summary>
    public double At(double pressurePa) =>
        pressurePa <= 0 ? pressurePa / BulkModulusPa : pressurePa / (BulkModulusPa + (Stiffening * pressurePa));
}
