using MildHunch.Core;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;

namespace MildHunch.Web.Shared;

/// <summary>Quantities and choices between what is sent and what Core computes with; refusals name the field as it was written.</summary>
public static class Mapping
{
    /// <summary>A typed quantity, or a refusal naming the field.</summary>
    public static T Need<T>(this QuantityDto? dto, string field)
        where T : struct, IQuantity<T> =>
        dto.Maybe<T>(field) ?? throw Missing(field, $"a value and a unit of {Quantity.Name(T.Kind)}: {Units.Accepted(T.Kind)}");

    public static T? Maybe<T>(this QuantityDto? dto, string field)
        where T : struct, IQuantity<T> =>
        dto is null ? null : Quantity.From<T>(dto.Value, dto.Unit ?? "", field);

    /// <summary>Written in its preferred unit.</summary>
    public static QuantityDto ToDto(this Amount amount) => amount.ToDto(Units.Preferred(amount.Kind));

    public static QuantityDto ToDto(this Amount amount, Unit unit) => new(Significant(amount.In(unit)), unit.Symbol);

    public static T Choice<T>(string? text, string field, T unsaid)
        where T : struct, Enum
    {
        if (text is null)
            return unsaid;
        foreach (var value in Enum.GetValues<T>())
            if (value.Named() == text)
                return value;
        throw new ImpossibleInputException(
            field, $"“{(text.Length > 40 ? text[..40] : text)}”", string.Join(", ", Enum.GetValues<T>().Select(v => v.Named())));
    }

    public static ImpossibleInputException Missing(string field, string accepted) => new(field, "nothing", accepted);

    /// <summary>A typed quantity, or nothing where it is missing or refused; that is objected to.</summary>
    public static T? Need<T>(this Objections objections, QuantityDto? dto, string field)
        where T : struct, IQuantity<T> =>
        objections.Take(() => (T?)dto.Need<T>(field));

    /// <summary>A typed quantity, or nothing where it was not told or refused.</summary>
    public static T? Maybe<T>(this Objections objections, QuantityDto? dto, string field)
        where T : struct, IQuantity<T> =>
        objections.Take(() => dto.Maybe<T>(field));

    /// <summary>One of several, or what counts where nothing was said; another word is objected to.</summary>
    public static T Choice<T>(this Objections objections, string? text, string field, T unsaid)
        where T : struct, Enum =>
        objections.Take(() => Choice(text, field, unsaid));

    public static Amount Amount(QuantityDto? dto, QuantityKind kind, string field)
    {
        if (dto is null)
            throw Missing(field, $"a value and a unit of {Quantity.Name(kind)}");
        var unit = Quantity.UnitNamed(kind, dto.Unit, field);
        return double.IsFinite(dto.Value)
            ? new Amount(kind, unit.ToSi(dto.Value))
            : throw new ImpossibleInputException(field, "a value that is no number", "a finite number");
    }

    /// <summary>A short text, trimmed; refused where it is longer than it may be.</summary>
    public static string? Short(string? text, string field, int most) => text?.Trim() is { } told && told.Length > most
        ? throw new ImpossibleInputException(field, $"{told.Length} characters", $"at most {most} characters")
        : text?.Trim();

    /// <summary>Six significant digits: what comes out of a computation has no more.</summary>
    public static double Significant(double value) =>
        value == 0 || !double.IsFinite(value) ? 0 : Math.Round(value, Math.Clamp(5 - (int)Math.Floor(Math.Log10(Math.Abs(value))), 0, 15));
}
