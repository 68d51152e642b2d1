using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using MildHunch.Core;
using MildHunch.Core.Quantities;
using MildHunch.Store;
using MildHunch.Web.Shared;
using MildHunch.Web.Shared.Sending;

namespace MildHunch.Web.Records.Due;

/// <summary>Kits and parts on the shelf.</summary>
public static class StockEndpoints
{
    private const int LongestName = 120;
    private const double Most = 1e6;

    public static void Map(IEndpointRouteBuilder routes)
    {
        var stock = routes.MapGroup("/api/stock").WithTags("Due");
        stock.MapGet("/", async (MildHunchDb db, CancellationToken stop) =>
            (await db.Stock.AsNoTracking().OrderBy(s => s.Name).ToListAsync(stop)).Select(s => s.ToDto()).ToList())
            .WithSummary("What is on the shelf.");
        stock.MapGet("/{id}", async (string id, MildHunchDb db, CancellationToken stop) => (await One(id, db, stop)).ToDto())
            .WithSummary("One kit or part on the shelf.");
        stock.MapPut("/", Keep).WithSummary("Counts a kit or part by its name; the version it was read at keeps two from overwriting.");
        stock.MapDelete("/{id}", Remove).WithSummary("Is no longer counted.");
    }

    public static StockDto ToDto(this StockEntity stock) =>
        new(stock.Id, stock.Name, stock.InStock, stock.ReorderAt, stock.Shelf, stock.Version);

    private static async Task<StockDto> Keep(StockDto told, MildHunchDb db, HttpContext http, CancellationToken stop)
    {
        var name = told.Name?.Trim() ?? "";
        if (name.Length is 0 or > LongestName)
            throw new ImpossibleInputException(
                "name", name.Length == 0 ? "nothing" : $"{name.Length} characters", $"a name of 1 to {LongestName} characters");
        var shelf = Mapping.Short(told.Shelf, "shelf", LongestName);
        var (inStock, reorder) = (Count(told.InStock, "inStock"), Count(told.ReorderAt, "reorderAt"));
        var kept = await db.Stock.FirstOrDefaultAsync(s => s.Name.ToLower() == name.ToLower(), stop);
        if (kept is null)
            db.Stock.Add(kept = new StockEntity { Id = Ids.New(), Name = name, Version = 0 });
        else if (told.Version is { } version && version != kept.Version)
            throw ETags.Stale();
        (kept.Name, kept.InStock, kept.ReorderAt, kept.Shelf) = (name, inStock, reorder, shelf);
        kept.Version++;
        http.AnswerAt($"/api/stock/{kept.Id}");
        await db.SaveOrRefuse(stop);
        return kept.ToDto();
    }

    private static async Task<NoContent> Remove(string id, MildHunchDb db, CancellationToken stop)
    {
        db.Remove(await One(id, db, stop));
        await db.SaveOrRefuse(stop);
        return TypedResults.NoContent();
    }

    private static async Task<StockEntity> One(string id, MildHunchDb db, CancellationToken stop) =>
        await db.Stock.FirstOrDefaultAsync(s => s.Id == id, stop) ?? throw RefusalException.NotFound("stock", id);

    private static double Count(double? told, string field) => told is null ? 0
        : told is >= 0 and <= Most ? told.Value
        : throw new ImpossibleInputException(field, Quantity.Digits(told.Value), "0 to 1000000");
}
