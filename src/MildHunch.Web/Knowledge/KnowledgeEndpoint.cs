using System.ComponentModel;
using Microsoft.EntityFrameworkCore;
using MildHunch.Core.Evidence;
using MildHunch.Core.Expectation;
using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;
using MildHunch.Store;
using MildHunch.Web.Diagnosis;
using MildHunch.Web.Pumps;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Knowledge;

/// <param name="Place">Where it is entered, if not where its cue is.</param>
public sealed record AnswerDto(string Id, string Text, bool Healthy, string At, string? Place);

public sealed record CueEntryDto(
    string Id, string Name, string Place, string Question, string Kind, bool Reveals, IReadOnlyList<AnswerDto> Answers);

public sealed record ObservableDto(
    string Id, string Name, [property: Description("one word for a label")] string Short, string Place, IReadOnlyList<string> Units);

public sealed record ContextDto(string Id, string Name, IReadOnlyList<string> Excludes);

public sealed record FaultDto(
    string Id, string Name, string Part, string? Side, string Location, string How, string Zero, string One);

public sealed record KnowledgeResponse(
    IReadOnlyList<CueEntryDto> Cues, IReadOnlyList<ObservableDto> Observables, IReadOnlyList<ContextDto> Contexts,
    IReadOnlyList<FaultDto> Faults, IReadOnlyDictionary<string, IReadOnlyList<string>> Units, IReadOnlyList<string> Tools,
    IReadOnlyList<HazardDto> Hazards, IReadOnlyList<string> WearingParts, ShopFileDto ShopFile,
    ShopFileDto ShopSheets);

/// <summary>The shop's own entries: whether they are in force, or what is wrong with their file.</summary>
public sealed record ShopFileDto(string Name, bool InUse, string? Trouble);

/// <summary>What can be asked and answered, for whoever draws it.</summary>
public static class KnowledgeEndpoint
{
    public static void Map(IEndpointRouteBuilder routes) =>
        routes.MapGet(
            "/api/knowledge",
            async (
                string? pump, Catalogue catalogue, ShopKnowledge shop, ShopSheets sheets, MildHunchDb db, CancellationToken stop) =>
                Of(catalogue, shop, sheets, await Where(pump, db, stop)))
            .WithTags("Knowledge")
            .WithSummary("Cues, readings, contexts and faults that the product knows; with a pump, those that concern it.");

    // What fits a pump as it stands, or everything.
    private static async Task<About> Where(string? id, MildHunchDb db, CancellationToken stop)
    {
        if (id is null)
            return new About(_ => true, null);
        var stored = await db.Pumps.AsNoTracking().FirstOrDefaultAsync(p => p.Id == id, stop)
            ?? throw RefusalException.NotFound("pump", id);
        var resource = stored.ToResource();
        var pump = resource.Pump.ToCore();
        var fittings = Fittings.Of(pump, resource.Setup.ToCore());
        return new About(entry => Catalogue.Fits(entry, pump, fittings), pump.Arrangement);
    }

    private static KnowledgeResponse Of(Catalogue catalogue, ShopKnowledge shop, ShopSheets sheets, About about) => new(
        [.. catalogue.Cues.Where(c => !c.Retired && about.Fits(c)).Select(c => Cue(c, about.Fits))],
        [
            .. Observables.All.Where(o => about.Fits(Readable.Of(o.Id))).Select(o => Reading(o.Id, o.Place, o.Kind, about)),
            .. TakenQuantities.All.Where(b => !TakenQuantities.Retired(b.Id) && about.Fits(Readable.Of(b.Id)))
                .Select(b => Reading(b.Id, b.Place, b.Kind, about)),
        ],
        [.. catalogue.Contexts.Select(c => new ContextDto(c.Id, c.Name, c.Excludes))],
        [.. catalogue.Faults.Where(f => about.Fits(f))
            .Select(f => new FaultDto(f.Id, f.Name, f.Part, f.Side, f.Location.Named(), f.How, f.Zero, f.One))],
        Enum.GetValues<QuantityKind>().ToDictionary(k => k.Named(), UnitsOf),
        catalogue.Tools,
        [.. catalogue.Hazards.Select(h => new HazardDto(h.Id, h.Text))],
        [.. catalogue.Faults.Where(f => f.Wear is not null).Select(f => f.Part).Distinct()],
        new ShopFileDto(ShopKnowledge.FileName, shop.InUse, shop.Trouble), sheets.File);

    private static ObservableDto Reading(string id, string place, QuantityKind kind, About about) => new(
        id, ReadingNames.Full(id, about.Arrangement), ReadingNames.Short(id, about.Arrangement), place, UnitsOf(kind));

    private static CueEntryDto Cue(Cue c, Func<IOnlyWhere, bool> fits) => new(
        c.Id, c.Name, c.Place, c.Question, c.Kind, c.Reveals,
        [.. c.Answers.Where(a => !a.Retired && fits(a)).Select(a => new AnswerDto(a.Id, a.Text, a.Healthy, a.At.Named(), a.Place))]);

    private static IReadOnlyList<string> UnitsOf(QuantityKind kind) => [.. Units.Offered(kind).Select(u => u.Symbol)];

    /// <summary>What is asked about: a pump as it stands, or everything.</summary>
    private sealed record About(Func<IOnlyWhere, bool> Fits, Arrangement? Arrangement);
}
