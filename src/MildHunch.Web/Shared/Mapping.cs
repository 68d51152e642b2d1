using MildHunch.Core;
using MildHunch.Core.Diagnosis;
using MildHunch.Core.Fluids;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;

namespace MildHunch.Web.Shared;

/// <summary>Between what is sent and what Core computes with. Every refusal names the field as the caller wrote it.</summary>
public static class Mapping
{
    /// <summary>The answer that is always allowed and says nothing.</summary>
    public const string Unknown = "unknown";

    public static ReciprocatingPump ToCore(this PumpDto? dto)
    {
        const string at = "pump";
        if (dto is null)
            throw new ImpossibleInputException(at, "nothing", "what the pump is: cylinders, plungerDiameter, stroke, ratedSpeed, ratedPressure, control");
        if (dto.Arrangement is not (null or "crank-plunger"))
            throw new ImpossibleInputException($"{at}.arrangement", $"“{dto.Arrangement}”", "crank-plunger");
        return Under(at, () => ReciprocatingPump.Create(
            dto.Cylinders ?? throw Missing("cylinders", "1 to 7"),
            dto.PlungerDiameter.Need<Length>("plungerDiameter"),
            dto.Stroke.Need<Length>("stroke"),
            dto.RatedSpeed.Need<RotationalSpeed>("ratedSpeed"),
            dto.RatedPressure.Need<GaugePressure>("ratedPressure"),
            Choice<ControlKind>(dto.Control, "control", ControlKind.None),
            Choice(dto.HeadLayout, "headLayout", HeadLayout.SixCaps),
            Choice(dto.SealReturn, "sealReturn", SealReturn.Inlet),
            dto.RodRatio));
    }

    public static Setup ToCore(this SetupDto? dto)
    {
        const string at = "setup";
        if (dto is null)
            throw new ImpossibleInputException(at, "nothing", "how it is run: at least speed and nozzle");
        if (dto.Liquid is not (null or "water"))
            throw new ImpossibleInputException($"{at}.liquid", $"“{dto.Liquid}”", "water");
        return Under(at, () =>
        {
            var temperature = dto.Temperature.Maybe<Temperature>("temperature");
            return Setup.Create(
                dto.Speed.Need<RotationalSpeed>("speed"),
                Under("nozzle", () => ToNozzle(dto.Nozzle, temperature)),
                dto.ControlSetting.Maybe<GaugePressure>("controlSetting"),
                Choice(dto.Line, "line", OutletLine.Unknown),
                temperature,
                dto.SupplyPressure.Maybe<GaugePressure>("supplyPressure"),
                dto.Voltage.Maybe<Voltage>("voltage"));
        });
    }

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
        dto.Cylinder,
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

    private static ImpossibleInputException Missing(string field, string accepted) => new(field, "nothing", accepted);

    private static T Under<T>(string parent, Func<T> make)
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

    private static Nozzle ToNozzle(NozzleDto? dto, Temperature? temperature)
    {
        if (dto is { Orifice: { } orifice })
            return Nozzle.FromOrifice(orifice.Maybe<Length>("orifice")!.Value, Water.Density(temperature ?? Quantity.From<Temperature>(20, Units.Celsius)));
        if (dto is { Size: { } size })
            return Nozzle.FromSize(size);
        if (dto is { Flow: not null } or { At: not null })
            return Nozzle.FromPoint(dto.Flow.Need<VolumeFlow>("flow"), dto.At.Need<GaugePressure>("at"));
        throw new ImpossibleInputException("flow", "nothing", "a flow and the pressure it is passed at, a size number, or an orifice");
    }

    private static Amount Amount(QuantityDto? dto, QuantityKind kind, string field)
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
