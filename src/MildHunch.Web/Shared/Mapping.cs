using MildHunch.Core;
using MildHunch.Core.Diagnosis;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;

namespace MildHunch.Web.Shared;

/// <summary>Between what is sent and what Core computes with. Every refusal names the field as the caller wrote it.</summary>
public static class Mapping
{
    /// <summary>The answer that is always allowed and says nothing.</summary>
    public const string Unknown = "unknown";

    public static Reading ToCore(this ReadingDto? dto, string at)
    {
        var what = Observables.Find(dto?.Quantity ?? "")
            ?? throw new ImpossibleInputException($"{at}.quantity", dto?.Quantity is { } q ? $"“{q}”" : "nothing", string.Join(", ", Observables.All.Select(o => o.Id)));
        var value = Amount(dto!.Value, what.Kind, $"{at}.value");
        double? sigma = dto.Uncertainty is null ? null : Amount(dto.Uncertainty, what.Kind, $"{at}.uncertainty").Si - ZeroOf(dto.Uncertainty, what.Kind);
        return new Reading(what, value, sigma, Quantity.UnitNamed(what.Kind, dto.Value!.Unit, at));
    }

    public static CueFact ToCore(this CueDto? dto, string at) => new(
        dto?.Cue ?? throw new ImpossibleInputException($"{at}.cue", "nothing", "the name of a cue"),
        dto.Answer ?? throw new ImpossibleInputException($"{at}.answer", "nothing", "one of the cue's answers"),
        dto.End is null ? dto.Cylinder : dto.End is "left" ? 1 : dto.End is "right" ? 2 : throw new ImpossibleInputException($"{at}.end", $"“{(dto.End.Length > 40 ? dto.End[..40] : dto.End)}”", "left, right"),
        dto.Side is null ? null : Choice<Side>(dto.Side, $"{at}.side", default),
        dto.DropsPerMinute);

    /// <summary>Evidence from what was sent; unknown answers count as not given.</summary>
    public static Evidence ToEvidence(IReadOnlyList<ReadingDto>? readings, IReadOnlyList<CueDto>? cues, IReadOnlyList<string>? context) => new(
        [.. (readings ?? []).Select((r, i) => r.ToCore($"readings[{i}]"))],
        [.. (cues ?? []).Select((c, i) => c.ToCore($"cues[{i}]")).Where(c => c.Answer != Unknown)],
        [.. (context ?? []).Select((c, i) => c ?? throw Missing($"context[{i}]", "the name of a piece of history, such as ran-dry")).Distinct()]);

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

    /// <summary>An enum value as it is written in JSON: "six-caps".</summary>
    public static string Kebab<T>(this T value)
        where T : struct, Enum => System.Text.Json.JsonNamingPolicy.KebabCaseLower.ConvertName(value.ToString());

    public static T Choice<T>(string? text, string field, T unsaid)
        where T : struct, Enum
    {
        if (text is null)
            return unsaid;
        foreach (var value in Enum.GetValues<T>())
            if (value.Kebab() == text)
                return value;
        throw new ImpossibleInputException(field, $"“{(text.Length > 40 ? text[..40] : text)}”", string.Join(", ", Enum.GetValues<T>().Select(v => v.Kebab())));
    }

    public static ImpossibleInputException Missing(string field, string accepted) => new(field, "nothing", accepted);

    /// <summary>Runs it; a refusal gets the parent's name before its field.</summary>
    public static T Under<T>(string parent, Func<T> make)
    {
        try
        {
            return make();
        }
        catch (ImpossibleInputException e)
        {
            throw e.Under(parent);
        }
    }

    public static Amount Amount(QuantityDto? dto, QuantityKind kind, string field)
    {
        if (dto is null)
            throw Missing(field, $"a value and a unit of {Quantity.Name(kind)}");
        var unit = Quantity.UnitNamed(kind, dto.Unit, field);
        return double.IsFinite(dto.Value) ? new Amount(kind, unit.ToSi(dto.Value)) : throw new ImpossibleInputException(field, "a value that is no number", "a finite number");
    }

    private static double ZeroOf(QuantityDto dto, QuantityKind kind) => Quantity.UnitNamed(kind, dto.Unit, "uncertainty").ToSi(0);

    private static double Significant(double value) =>
        value == 0 || !double.IsFinite(value) ? 0 : Math.Round(value, Math.Clamp(5 - (int)Math.Floor(Math.Log10(Math.Abs(value))), 0, 15));
}
