using MildHunch.Core;
using MildHunch.Core.Checks;
using MildHunch.Core.Evidence;
using MildHunch.Core.Expectation;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;

namespace MildHunch.Web.Shared;

/// <summary>Between what is sent and what Core computes with. Every refusal names the field as the caller wrote it.</summary>
public static class Mapping
{
    /// <summary>The answer that is always allowed and says nothing.</summary>
    public const string Unknown = "unknown";

    public static TakenReading ToCore(this ReadingDto? dto, string at)
    {
        var kind = Observables.Find(dto?.Quantity ?? "")?.Kind
            ?? (TakenQuantities.All.FirstOrDefault(b => b.Id == dto?.Quantity) is { Id: not null } beside
                ? beside.Kind
                : null as QuantityKind?)
            ?? throw new ImpossibleInputException(
                $"{at}.quantity", dto?.Quantity is { } q ? $"“{q}”" : "nothing",
                string.Join(", ", Observables.All.Select(o => o.Id).Concat(TakenQuantities.All.Select(b => b.Id))));
        var value = Amount(dto!.Value, kind, $"{at}.value");
        Amount? to = dto.To is null ? null : Amount(dto.To, kind, $"{at}.to");
        double? sigma = dto.Uncertainty is null
            ? null
            : Amount(dto.Uncertainty, kind, $"{at}.uncertainty").Si - ZeroOf(dto.Uncertainty, kind);
        return new TakenReading(
            dto.Quantity!, value, to, sigma, Quantity.UnitNamed(kind, dto.Value!.Unit, at), Choice<Mend>(dto.At, $"{at}.at", default),
            dto.Id ?? at, at);
    }

    public static Limits ToCore(this LimitsDto? dto) => dto is null
        ? Limits.None
        : new Limits(dto.Without ?? [], dto.KeepRunning ?? false, dto.MostMinutes, dto.Apprentice ?? false, dto.Avoid);

    public static PartHours ToCore(this PartHoursDto? dto, string at) => new(
        dto?.Part ?? throw Missing($"{at}.part", "a part that wears, such as hp-seal"),
        dto.Hours ?? throw Missing($"{at}.hours", "hours run"),
        dto.Cylinder);

    public static CueFact ToCore(this CueDto? dto, string at) => new(
        dto?.Cue ?? throw new ImpossibleInputException($"{at}.cue", "nothing", "the name of a cue"),
        dto.Answer ?? throw new ImpossibleInputException($"{at}.answer", "nothing", "one of the cue's answers"),
        dto.End is null
            ? dto.Cylinder
            : dto.End is "left"
            ? 1
            : dto.End is "right"
            ? 2
            : throw new ImpossibleInputException($"{at}.end", $"“{(dto.End.Length > 40 ? dto.End[..40] : dto.End)}”", "left, right"),
        dto.Side is null ? null : Choice<Side>(dto.Side, $"{at}.side", default),
        dto.DropsPerMinute,
        Stream: dto.Stream ?? false,
        When: Choice<Dripping>(dto.When, $"{at}.when", default),
        At: Choice<Mend>(dto.At, $"{at}.at", default));

    // Two entries of one name could not be told apart in the verdict.
    private static void RefuseTwins(IEnumerable<(string? Id, string Field)> named)
    {
        var seen = new HashSet<string>();
        foreach (var (id, field) in named)
            if (id is not null && (id.Length is 0 or > 100 || !seen.Add(id)))
                throw new ImpossibleInputException(
                    field, id.Length > 40 ? $"“{id[..40]}…”" : $"“{id}”",
                    "a name of 1 to 100 characters that no other entry has");
    }

    /// <summary>CaseEvidence from what was sent; unknown answers count as asked in vain.</summary>
    public static CaseEvidence ToEvidence(
        ReciprocatingPump pump, Setup setup, IReadOnlyList<ReadingDto>? readings, IReadOnlyList<CueDto>? cues = null,
        IReadOnlyList<string>? context = null)
    {
        RefuseTwins((readings ?? []).Select((r, i) => (r?.Id, Field: $"readings[{i}].id"))
            .Concat((cues ?? []).Select((c, i) => (c?.Id, Field: $"cues[{i}].id"))));
        CueFact[] told = [.. (cues ?? []).Select((c, i) => c.ToCore($"cues[{i}]") with { Source = c?.Id ?? $"cues[{i}]" })];
        var evidence = AsTaken.Evidence(
            pump,
            setup,
            [.. (readings ?? []).Select((r, i) => r.ToCore($"readings[{i}]"))],
            [.. told.Where(c => c.Answer != Unknown)],
            [.. (context ?? []).Select((c, i) => c ?? throw Missing($"context[{i}]", "the name of a piece of history, such as ran-dry"))
                .Distinct()]);
        return evidence with { CouldNot = [.. told.Where(c => c.Answer == Unknown).Select(c => c.Cue)] };
    }

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
        throw new ImpossibleInputException(
            field, $"“{(text.Length > 40 ? text[..40] : text)}”", string.Join(", ", Enum.GetValues<T>().Select(v => v.Kebab())));
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
        return double.IsFinite(dto.Value)
            ? new Amount(kind, unit.ToSi(dto.Value))
            : throw new ImpossibleInputException(field, "a value that is no number", "a finite number");
    }

    private static double ZeroOf(QuantityDto dto, QuantityKind kind) => Quantity.UnitNamed(kind, dto.Unit, "uncertainty").ToSi(0);

    private static double Significant(double value) =>
        value == 0 || !double.IsFinite(value) ? 0 : Math.Round(value, Math.Clamp(5 - (int)Math.Floor(Math.Log10(Math.Abs(value))), 0, 15));
}
