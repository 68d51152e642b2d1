using MildHunch.Core.Evidence;
using MildHunch.Core.Expectation;
using MildHunch.Core.Faults;
using MildHunch.Core.Quantities;
using MildHunch.Web.Diagnosis;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Knowledge;

/// <param name="Place">Where it is told, if not where its cue is.</param>
public sealed record AnswerDto(
    string Id, string Text, bool Healthy, string At, string? Place, IReadOnlyList<string> Requires, IReadOnlyList<string> Arrangements,
    IReadOnlyList<string> Fitted);

public sealed record CueEntryDto(
    string Id, string Name, string Place, string Question, string Kind, bool Reveals, IReadOnlyList<AnswerDto> Answers,
    IReadOnlyList<string> Requires, IReadOnlyList<string> Arrangements, IReadOnlyList<string> Fitted);

/// <param name="Arrangements">Where it can be read, if not on every pump; <paramref name="Fitted"/> what must be there.</param>
public sealed record ObservableDto(
    string Id, string Name, string Place, IReadOnlyList<string> Units, IReadOnlyList<string> Arrangements, IReadOnlyList<string> Fitted);

public sealed record ContextDto(string Id, string Name, IReadOnlyList<string> Excludes);

public sealed record FaultDto(
    string Id, string Name, string Part, string? Side, string Location, string How, string Zero, string One, IReadOnlyList<string> Requires,
    IReadOnlyList<string> Arrangements, IReadOnlyList<string> Fitted);

public sealed record KnowledgeResponse(
    IReadOnlyList<CueEntryDto> Cues, IReadOnlyList<ObservableDto> Observables, IReadOnlyList<ContextDto> Contexts,
    IReadOnlyList<FaultDto> Faults, IReadOnlyDictionary<string, IReadOnlyList<string>> Units, IReadOnlyList<string> Tools,
    IReadOnlyList<HazardDto> Hazards, IReadOnlyList<string> WearingParts, ShopFileDto ShopFile);

/// <summary>The shop's own entries: whether they are in force, or what is wrong with their file.</summary>
public sealed record ShopFileDto(string Name, bool InUse, string? Trouble);

/// <summary>What can be asked and answered, for whoever draws it.</summary>
public static class KnowledgeEndpoint
{
    public static void Map(IEndpointRouteBuilder routes) =>
        routes.MapGet("/api/knowledge", (Catalogue catalogue, ShopKnowledge shop) => new KnowledgeResponse(
            [.. catalogue.Cues.Where(c => !c.Retired)
                .Select(c => new CueEntryDto(
                    c.Id, c.Name, c.Place, c.Question, c.Kind, c.Reveals,
                    [.. c.Answers.Where(a => !a.Retired)
                        .Select(a => new AnswerDto(a.Id, a.Text, a.Healthy, a.At.Kebab(), a.Place, a.Requires, a.Arrangements, a.Fitted))],
                    c.Requires, c.Arrangements, c.Fitted))],
            [
                .. Observables.All.Select(o => Observable(o.Id, o.Name, o.Place, o.Kind)),
                .. TakenQuantities.All.Where(b => !TakenQuantities.Retired(b.Id)).Select(b => Observable(b.Id, b.Name, b.Place, b.Kind)),
            ],
            [.. catalogue.Contexts.Select(c => new ContextDto(c.Id, c.Name, c.Excludes))],
            [.. catalogue.Faults.Select(f => new FaultDto(
                f.Id, f.Name, f.Part, f.Side, f.Location.Kebab(), f.How, f.Zero, f.One, f.Requires, f.Arrangements, f.Fitted))],
            Enum.GetValues<QuantityKind>().ToDictionary(k => k.Kebab(), UnitsOf),
            catalogue.Tools,
            [.. catalogue.Hazards.Select(h => new HazardDto(h.Id, h.Text))],
            [.. catalogue.Faults.Where(f => f.Wear is not null).Select(f => f.Part).Distinct()],
            new ShopFileDto(ShopKnowledge.FileName, shop.InUse, shop.Trouble)))
            .WithTags("Knowledge").WithSummary("Cues, readings, contexts and faults that the product knows.");

    private static ObservableDto Observable(string id, string name, string place, QuantityKind kind) =>
        new(id, name, place, UnitsOf(kind), Readable.Of(id).Arrangements, Readable.Of(id).Fitted);

    private static IReadOnlyList<string> UnitsOf(QuantityKind kind) => [.. Units.All.Where(u => u.Kind == kind).Select(u => u.Symbol)];
}
