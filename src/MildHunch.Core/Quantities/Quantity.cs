using System.Globalization;

namespace MildHunch.Core.Quantities;

/// <summary>Conversion, reading and writing of typed quantities.</summary>
public static class Quantity
{
    /// <summary>A value in a unit of the right kind.</summary>
    /// <exception cref="ImpossibleInputException">A unit of another kind or a value that is no number.</exception>
    public static T From<T>(double value, Unit unit, string field = "value")
        where T : struct, IQuantity<T>
    {
        if (unit.Kind != T.Kind)
            throw new ImpossibleInputException(
                field, $"{value.ToString(CultureInfo.InvariantCulture)} {unit.Symbol}",
                $"a unit of {Name(T.Kind)}: {Units.Accepted(T.Kind)}");
        return double.IsFinite(value)
            ? T.FromSi(unit.ToSi(value))
            : throw new ImpossibleInputException(field, value.ToString(CultureInfo.InvariantCulture), "a finite number");
    }

    /// <summary>As <see cref="From{T}(double, Unit, string)"/> with the unit as it was written.</summary>
    public static T From<T>(double value, string unit, string field = "value")
        where T : struct, IQuantity<T> =>
        From<T>(value, UnitNamed(T.Kind, unit, field), field);

    /// <summary>The value in the unit given, which must be of the same kind.</summary>
    /// <exception cref="ImpossibleInputException">A unit of another kind.</exception>
    public static double In<T>(this T quantity, Unit unit)
        where T : struct, IQuantity<T> =>
        unit.Kind == T.Kind ? unit.FromSi(quantity.Si) : throw new ImpossibleInputException("unit", unit.Symbol, Units.Accepted(T.Kind));

    /// <summary>Reads "70bar", "12,3 l/min", "3/8 in", "40 °C". The unit may be left out where the caller names one to assume.</summary>
    public static T Parse<T>(string text, string field = "value", Unit? assumed = null)
        where T : struct, IQuantity<T>
    {
        var trimmed = (text ?? "").Trim();
        if (NumberEntry.Read(trimmed, out var problem) is not { To: null } entry)
            throw new ImpossibleInputException(
                field, trimmed.Length == 0 ? "nothing" : $"“{Short(trimmed)}”",
                problem ?? $"one number and a unit, such as 12.5 {Units.Preferred(T.Kind).Symbol}");
        var (value, written) = entry.From;
        if (written.Length > 0)
            return From<T>(value, written, field);
        return assumed is null
            ? throw new ImpossibleInputException(field, $"“{Short(trimmed)}” without a unit", Units.Accepted(T.Kind))
            : From<T>(value, assumed, field);
    }

    /// <summary>Written with so many significant digits, the way a technician would say it: "31 bar", "12.6 L/min".</summary>
    public static string Format<T>(this T quantity, Unit unit, int significant = 3)
        where T : struct, IQuantity<T> =>
        $"{Digits(quantity.In(unit), significant)} {unit.Symbol}";

    /// <summary>A number with so many significant digits, never in exponent form for everyday sizes.</summary>
    public static string Digits(double value, int significant = 3)
    {
        if (value == 0 || !double.IsFinite(value))
            return value == 0 ? "0" : value.ToString(CultureInfo.InvariantCulture);
        var magnitude = (int)Math.Floor(Math.Log10(Math.Abs(value)));
        if (magnitude is > 8 or < -6)
            return value.ToString("0.##E0", CultureInfo.InvariantCulture);
        var decimals = Math.Clamp(significant - 1 - magnitude, 0, 12);
        return Math.Round(value, decimals).ToString("0." + new string('#', decimals), CultureInfo.InvariantCulture);
    }

    /// <summary>The unit of this kind, or a refusal that lists what is accepted.</summary>
    /// <exception cref="ImpossibleInputException">No such unit of this kind; it names the field.</exception>
    public static Unit UnitNamed(QuantityKind kind, string? unit, string field) =>
        Units.Find(kind, unit ?? "") ?? throw new ImpossibleInputException(
            field, string.IsNullOrWhiteSpace(unit) ? "a value without a unit" : $"the unit “{Short(unit)}”",
            $"a unit of {Name(kind)}: {Units.Accepted(kind)}");

    /// <summary>The kind in words.</summary>
    public static string Name(QuantityKind kind) => kind switch
    {
        QuantityKind.GaugePressure => "pressure",
        QuantityKind.AbsolutePressure => "absolute pressure",
        QuantityKind.VolumeFlow => "flow",
        QuantityKind.RotationalSpeed => "speed",
        _ => kind.ToString().ToLowerInvariant(),
    };

    private static string Short(string text) => text.Length <= 40 ? text : text[..40] + "…";
}
