namespace MildHunch.Core.Quantities;

/// <summary>A unit the trade writes. SI value = value · Factor + Offset; factors are exact where the definition is.</summary>
public sealed record Unit(string Symbol, QuantityKind Kind, double Factor, double Offset, params string[] Aliases)
{
    /// <summary>A value in this unit, in SI.</summary>
    public double ToSi(double value) => (value * Factor) + Offset;

    /// <summary>A value in SI, in this unit.</summary>
    public double FromSi(double si) => (si - Offset) / Factor;
}
