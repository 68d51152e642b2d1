namespace MildHunch.Core.Quantities;

/// <summary>A quantity whose kind is only known at run time, for tables of unlike figures. SI inside.</summary>
public readonly record struct Amount(QuantityKind Kind, double Si)
{
    /// <summary>The amount behind a typed quantity.</summary>
    public static Amount Of<T>(T quantity)
        where T : struct, IQuantity<T> => new(T.Kind, quantity.Si);

    /// <summary>The value in this unit, which must be of the same kind.</summary>
    /// <exception cref="ImpossibleInputException">A unit of another kind.</exception>
    public double In(Unit unit) =>
        unit.Kind == Kind ? unit.FromSi(Si) : throw new ImpossibleInputException("unit", unit.Symbol, Units.Accepted(Kind));

    /// <summary>Written in its preferred unit.</summary>
    public string Text(int significant = 3) => Text(Units.Preferred(Kind), significant);

    /// <summary>Value and symbol in this unit, to so many significant digits.</summary>
    public string Text(Unit unit, int significant = 3) => $"{Quantity.Digits(In(unit), significant)} {unit.Symbol}";
}
