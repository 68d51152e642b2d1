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
        IReadOnlyList<string>? context = null)
    {
        RefuseTwins((readings ?? []).Select((r, i) => new NamedEntry(r?.Id, $"readings[{i}].id"))
            .Concat((cues ?? []).Select((c, i) => new NamedEntry(c?.Id, $"cues[{i}].id"))));
        CueFact[] answers = [.. (cues ?? []).Select((c, i) => c.ToCore($"cues[{i}]") with { Source = c?.Id ?? $"cues[{i}]" })];
        var evidence = AsTaken.Evidence(
            pump,
            setup,
            [.. (readings ?? []).Select((r, i) => r.ToCore($"readings[{i}]"))],
            [.. answers.Where(c => c.Answer != Unknown)],
            [.. (context ?? []).Select(Named).Distinct()]);
        return evidence with { CouldNot = [.. answers.Where(c => c.Answer == Unknown).Select(c => c.Cue)] };
    }

    private static string Named(string? context, int at) =>
        context ?? throw Mapping.Missing($"context[{at}]", "the name of a piece of history, such as ran-dry");

    public static TakenReading ToCore(this ReadingDto? dto, string at)
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
            Mapping.Choice<Mend>(dto.At, $"{at}.at", default),
            dto.Id ?? at, at);
    }

    public static PartHours ToCore(this PartHoursDto? dto, string at) => new(
        dto?.Part ?? throw Mapping.Missing($"{at}.part", "a part that wears, such as hp-seal"),
        dto.Hours ?? throw Mapping.Missing($"{at}.hours", "hours run"),
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
        dto.Side is null ? null : Mapping.Choice<Side>(dto.Side, $"{at}.side", default),
        dto.DropsPerMinute,
        Stream: dto.Stream ?? false,
        When: Mapping.Choice<Dripping>(dto.When, $"{at}.when", default),
        At: Mapping.Choice<Mend>(dto.At, $"{at}.at", default));

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
