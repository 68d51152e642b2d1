using MildHunch.Core;
using MildHunch.Core.Expectation.Everyday;
using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;
using MildHunch.Web.Expectation;
using MildHunch.Web.Pumps;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Workings;

public sealed record ChoiceDto(string Id, string Text);

public sealed record SumFieldDto(
    string Id, string Name, string Unit, IReadOnlyList<string> Units, bool Optional, double? Usual, IReadOnlyList<ChoiceDto> Choices);

public sealed record SumDto(
    string Id, string Name, string Purpose, bool FromPump, IReadOnlyList<SumFieldDto> Fields, IReadOnlyList<string> Hazards);

/// <summary>Entries by field; picks for fields with choices.</summary>
public sealed record SumRequest(IReadOnlyDictionary<string, QuantityDto>? Entries, IReadOnlyDictionary<string, string>? Picks = null);

/// <param name="Readings">Quantities of a case this can be entered as.</param>
public sealed record SumResultDto(FigureDto Figure, IReadOnlyList<string> Readings);

public sealed record SumResponse(IReadOnlyList<SumResultDto> Results);

public sealed record FillRequest(PumpDto? Pump, SetupDto? Setup);

public sealed record FillResponse(IReadOnlyDictionary<string, QuantityDto> Entries, IReadOnlyDictionary<string, string> Picks);

/// <summary>The everyday sums of the trade.</summary>
public static class WorkingsEndpoint
{
    public static void Map(IEndpointRouteBuilder routes)
    {
        var group = routes.MapGroup("/api/workings").WithTags("Workings");
        group.MapGet("/", (Catalogue catalogue) => EverydaySums.All.Select(s => ToDto(s, catalogue)).ToArray())
            .WithSummary("All everyday sums and what each asks for.");
        group.MapPost("/{id}", (string id, SumRequest request) => Work(Find(id), request)).WithSummary("Works one out.");
        group.MapPost("/{id}/fill", (string id, FillRequest request) => Fill(Find(id), request))
            .WithSummary("What a pump already says of it.");
    }

    private static EverydaySum Find(string id) => EverydaySums.Find(id) ?? throw RefusalException.NotFound("sum", id);

    private static SumDto ToDto(EverydaySum sum, Catalogue catalogue) => new(sum.Id, sum.Name, sum.Purpose, sum.FromPump is not null,
        [.. sum.Fields.Select(f => new SumFieldDto(
            f.Id, f.Name, f.Unit, [.. Units.All.Where(u => u.Kind == f.Kind).Select(u => u.Symbol)], f.Optional,
            f.Usual is { } usual ? Math.Round(Units.Find(f.Kind, f.Unit)!.FromSi(usual), 4) : null,
            [.. f.Choices.Select(c => new ChoiceDto(c.Id, c.Text))]))],
        [.. sum.Hazards.Select(h => catalogue.Hazard(h)!.Text)]);

    private static SumResponse Work(EverydaySum sum, SumRequest request)
    {
        var entries = new Dictionary<string, Amount>();
        foreach (var (id, given) in request.Entries ?? new Dictionary<string, QuantityDto>())
        {
            var field = sum.Fields.FirstOrDefault(f => f.Id == id)
                ?? throw new ImpossibleInputException(id, "a value", string.Join(", ", sum.Fields.Select(f => f.Id)));
            entries[id] = Mapping.Amount(given, field.Kind, id);
        }

        return new SumResponse([.. sum.Work(entries, request.Picks ?? new Dictionary<string, string>())
            .Select(r => new SumResultDto(r.Figure.ToDto(r.Unit), r.Readings))]);
    }

    private static FillResponse Fill(EverydaySum sum, FillRequest request)
    {
        var (pump, setup) = (request.Pump.ToCore(), request.Setup.ToCore());
        var entries = new Dictionary<string, QuantityDto>();
        foreach (var (id, si) in sum.FromPump?.Invoke(pump, setup) ?? [])
        {
            var field = sum.Fields.First(f => f.Id == id);
            entries[id] = new Amount(field.Kind, si).ToDto(Units.Find(field.Kind, field.Unit)!);
        }

        // Words that a pump has too: its arrangement for the inlet, what its hose is made of.
        var picks = new Dictionary<string, string>();
        if (sum.Fields.Any(f => f.Id == "cylinders" && f.Choices.Count > 0))
            picks["cylinders"] = pump switch
            {
                { RodDiameter: not null, Cylinders: <= 2 } => $"{pump.Cylinders}d",
                { Arrangement: Core.Pumps.Arrangement.Axial, Cylinders: 3 } => "axial",
                _ => pump.Cylinders.ToString(System.Globalization.CultureInfo.InvariantCulture),
            };
        if (sum.Fields.Any(f => f.Id == "material") && (sum.Id == "inlet" ? setup.Inlet?.Run : setup.Outlet) is { } run)
            picks["material"] = run.Material.Named();
        return new FillResponse(entries, picks);
    }
}
