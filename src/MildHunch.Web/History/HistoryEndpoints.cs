namespace MildHunch.Web.History;

/// <summary>The shop's own record.</summary>
public static class HistoryEndpoints
{
    public static void Map(IEndpointRouteBuilder routes)
    {
        var group = routes.MapGroup("/api/history").WithTags("History");
        group.MapGet("/", (ShopRecord record, CancellationToken stop) => record.All(stop))
            .WithSummary("What closed cases turned out to be, by type of pump: it moves the priors.");
        group.MapDelete("/{pumpType}", async (string pumpType, ShopRecord record, CancellationToken stop) =>
        {
            await record.Reset(pumpType, stop);
            return TypedResults.NoContent();
        }).WithSummary("Sets the record of one type of pump back: only cases closed from now on count.");
    }
}
