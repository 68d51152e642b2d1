using System.Collections.Concurrent;
using MildHunch.Store;

namespace MildHunch.Web.Operations;

/// <summary>How the product is: “well”, or “degraded” with what does not go and why.</summary>
public sealed record HealthDto(string Status, IReadOnlyList<string> Why);

/// <summary>What does not go at present, told by whoever found it; everything else goes on.</summary>
public sealed class ShopHealth
{
    private readonly ConcurrentDictionary<string, string> troubles = new();

    public static void Map(IEndpointRouteBuilder routes) =>
        routes.MapGet("/health", async (MildHunchDb db, ShopHealth health, CancellationToken stop) =>
            await db.Database.CanConnectAsync(stop)
                ? Results.Ok(health.Now())
                : Results.Problem("The database does not answer.", statusCode: StatusCodes.Status503ServiceUnavailable))
            .Produces<HealthDto>().WithTags("Operations")
            .WithSummary("well, or degraded with why; both with 200, since the product serves. 503 where the database does not answer.");

    /// <summary>How it is now.</summary>
    public HealthDto Now() => new(
        troubles.IsEmpty ? "well" : "degraded", [.. troubles.OrderBy(t => t.Key, StringComparer.Ordinal).Select(t => t.Value)]);

    /// <summary>Something does not go.</summary>
    /// <param name="what">Its name: it is told once, and taken back by it.</param>
    /// <param name="why">In words.</param>
    public void Ails(string what, string why) => troubles[what] = why;

    /// <summary>It goes again.</summary>
    public void Mended(string what) => troubles.TryRemove(what, out _);
}
