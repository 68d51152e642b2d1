using System.Globalization;
using MildHunch.Core;
using MildHunch.Core.Evidence;
using MildHunch.Core.Expectation;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Evidence;

/// <summary>Readings and answers as Core knows them. Every refusal names the field as the caller wrote it.</summary>
public static class EvidenceMapping
{
    /// <summary>The answer that is always allowed and says nothing.</summary>
    public const string Unknown = "unknown";

    /// <summary>CaseEvidence from what was sent; unknown answers count as asked in vain.</summary>
    public static CaseEvidence ToEvidence(
        ReciprocatingPump pump, Setup setup, IReadOnlyList<ReadingDto>? readings, IReadOnlyList<CueDto>? cues = null,
        IReadOnlyList<string>? context = null, IReadOnlyList<MendedDto>? mended = null)
    {
        RefuseTwins((readings ?? []).Select((r, i) => new NamedEntry(r?.Id, $"readings[{i}].id"))
            .Concat((cues ?? []).Select((c, i) => new NamedEntry(c?.Id, $"cues[{i}].id"))));
        CueFact[] answers =
        [
            .. (cues ?? []).Select((c, i) => c.ToCore($"cues[{i}]", mended?.Count) with { Source = c?.Id ?? $"cues[{i}]" }),
        ];
        var evidence = MendStages.Evidence(
            pump,
            setup,
            [.. (readings ?? []).Select((r, i) => r.ToCore($"readings[{i}]", mended?.Count))],
            [.. answers.Where(c => c.Answer != Unknown)],
            [.. (context ?? []).Select(Named).Distinct()],
            [.. (mended ?? []).Select((m, i) => m.ToCore($"mended[{i}]"))]);
        return evidence with { CouldNot = [.. answers.Where(c => c.Answer == Unknown).Select(c => c.Cue)] };
    }

    private static string Named(string? context, int at) =>
        context ?? throw Mapping.Missing($"context[{at}]", "the name of a piece of history, such as ran-dry");

    public static TakenReading ToCore(this ReadingDto? dto, string at, int? mends = null)
    {
        var kind = Observables.Find(dto?.Quantity ?? "")?.Kind
            ?? (TakenQuantities.All.FirstOrDefault(b => b.Id == dto?.Quantity) is { Id: not null } beside
                ? beside.Kind
                : null as QuantityKind?)
            ?? throw new ImpossibleInputException(
                $"{at}.quantity", dto?.Quantity is { } q ? $"“{q}”" : "nothing",
                string.Join(", ", Observables.All.Select(o => o.Id).Concat(TakenQuantities.All.Select(b => b.Id))));
        var value = Mapping.Amount(dto!.Value, kind, $"{at}.value");
        Amount? to = dto.To is null ? null : Mapping.Amount(dto.To, kind, $"{at}.to");
        double? sigma = dto.Uncertainty is null
            ? null
            : Mapping.Amount(dto.Uncertainty, kind, $"{at}.uncertainty").Si - ZeroOf(dto.Uncertainty, kind);
        return new TakenReading(
            dto.Quantity!, value, to, sigma, Quantity.UnitNamed(kind, dto.Value!.Unit, at),
            Taken(dto.At, $"{at}.at", mends), dto.Id ?? at, at);
    }

    public static PartHours ToCore(this PartHoursDto? dto, string at) => new(
        dto?.Part ?? throw Mapping.Missing($"{at}.part", "a part that wears, such as hp-seal"),
        dto.Hours ?? throw Mapping.Missing($"{at}.hours", "hours run"),
        dto.Cylinder);

    public static CueFact ToCore(this CueDto? dto, string at, int? mends = null) => new(
        dto?.Cue ?? throw new ImpossibleInputException($"{at}.cue", "nothing", "the name of a cue"),
        dto.Answer ?? throw new ImpossibleInputException($"{at}.answer", "nothing", "one of the cue's answers"),
        End(dto.End, $"{at}.end") ?? dto.Cylinder,
        dto.Side is null ? null : Mapping.Choice<Side>(dto.Side, $"{at}.side", default),
        dto.DropsPerMinute,
        Stream: dto.Stream ?? false,
        When: Mapping.Choice<Dripping>(dto.When, $"{at}.when", default),
        Mends: Taken(dto.At, $"{at}.at", mends));

    public static Mended ToCore(this MendedDto? dto, string at) => dto is null
        ? throw Mapping.Missing(at, "what was mended: an action, a fault or a part")
        : new Mended(
            dto.Action, dto.Fault, dto.Part, End(dto.End, $"{at}.end") ?? dto.Cylinder,
            dto.Side is null ? null : Mapping.Choice<Side>(dto.Side, $"{at}.side", default));

    private static int? End(string? told, string field) => told switch
    {
        null => null,
        "left" => 1,
        "right" => 2,
        _ => throw new ImpossibleInputException(field, $"“{(told.Length > 40 ? told[..40] : told)}”", "left, right"),
    };

    // Mends that lay behind the pump then. Only where it is told what was mended can they be counted.
    private static int Taken(string? told, string field, int? mends)
    {
        var all = mends ?? 0;
        return told switch
        {
            null or TakenAt.Before => 0,
            TakenAt.After => Math.Max(1, all),
            _ when all > 0 && int.TryParse(told, NumberStyles.None, CultureInfo.InvariantCulture, out var counted) && counted <= all =>
                counted,
            _ => throw new ImpossibleInputException(
                field, $"“{(told.Length > 40 ? told[..40] : told)}”",
                $"{TakenAt.Before}, {TakenAt.After}{(all > 0 ? $", or 0 to {all}, counted by what was mended" : "")}"),
        };
    }

    // Two entries of one name could not be told apart in the verdict.
    private static void RefuseTwins(IEnumerable<NamedEntry> named)
    {
        var seen = new HashSet<string>();
        foreach (var (id, field) in named)
            if (id is not null && (id.Length is 0 or > 100 || !seen.Add(id)))
                throw new ImpossibleInputException(
                    field, id.Length > 40 ? $"“{id[..40]}…”" : $"“{id}”",
                    "a name of 1 to 100 characters that no other entry has");
    }

    private static double ZeroOf(QuantityDto dto, QuantityKind kind) => Quantity.UnitNamed(kind, dto.Unit, "uncertainty").ToSi(0);

    private readonly record struct NamedEntry(string? Id, string Field);
}
