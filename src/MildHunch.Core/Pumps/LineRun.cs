using MildHunch.Core.Quantities;

namespace MildHunch.Core.Pumps;

/// <summary>What a run is made of: decides how rough it is and how far it stretches.</summary>
public enum LineMaterial
{
    /// <summary>Rubber hose.</summary>
    Hose,
    /// <summary>Steel pipe.</summary>
    Steel,
    /// <summary>Plastic pipe.</summary>
    Plastic,
}

/// <summary>A run of hose or pipe.</summary>
public sealed record LineRun
{
    private LineRun()
    {
    }

    /// <summary>Length along the run.</summary>
    public Length Length { get; private init; }

    /// <summary>Inside diameter.</summary>
    public Length Bore { get; private init; }

    /// <summary>What it is made of.</summary>
    public LineMaterial Material { get; private init; }

    /// <summary>Sum of the loss coefficients of its fittings, in velocity heads.</summary>
    public double FittingLoss { get; private init; }

    /// <summary>Height of the wall's grains: 0.0015 mm drawn or rubber, 0.045 mm steel (common practice).</summary>
    public Length Roughness => new(Material == LineMaterial.Steel ? 45e-6 : 1.5e-6);

    /// <summary>
    /// Speed of a pressure wave: 1200 m/s in rigid pipe, 100 to 400 in rubber or plastic (docs/trade.md, Lines; common practice).
    /// </summary>
    public double WaveSpeed => Material == LineMaterial.Steel ? 1200 : 250;

    /// <summary>
    /// Volume it takes up for a rise in pressure, m³/Pa. The liquid's own share is V/β; hose stretches by about 2.5 % of
    /// its volume at 100 bar, plastic pipe by 1 %, steel by its wall's 0.02 % (common practice, no source).
    /// </summary>
    public double ComplianceM3Pa(double bulkModulusPa)
    {
        var volume = Math.PI / 4 * Bore.Si * Bore.Si * Length.Si;
        var stretch = Material switch { LineMaterial.Hose => 0.025, LineMaterial.Plastic => 0.01, _ => 0.0002 } / 1e7;
        return volume * (stretch + (1 / bulkModulusPa));
    }

    /// <summary>The run, or <see cref="ImpossibleInputException"/> naming the field that cannot be.</summary>
    /// <exception cref="ImpossibleInputException">A length, bore or loss that cannot be.</exception>
    public static LineRun Create(Length length, Length bore, LineMaterial material = LineMaterial.Hose, double fittingLoss = 0)
    {
        var objections = new Objections();
        objections.Within("length", length.Si, 0.01, 2000, length.Format(Units.Preferred(QuantityKind.Length)), "a run of 10 mm to 2000 m");
        objections.Within("bore", bore.Si, 1e-3, 0.5, bore.Format(Units.Millimetre), "a bore of 1 to 500 mm");
        objections.Within(
            "fittings", fittingLoss, 0, 500, Quantity.Digits(fittingLoss), "loss coefficients that add to 0 to 500 velocity heads");
        objections.ThrowIfAny();
        return new LineRun { Length = length, Bore = bore, Material = material, FittingLoss = fittingLoss };
    }
}
