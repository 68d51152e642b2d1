using MildHunch.Store;

namespace MildHunch.Web.Shared;

/// <summary>Puts things away and brings them back; nothing is thrown away, and nothing about them changes.</summary>
public static class Archiving
{
    /// <summary>Serves PUT and DELETE of <c>/{id}/archived</c> for what has an Id and an ArchivedAt.</summary>
    public static void MapArchived<T>(this IEndpointRouteBuilder routes, string what)
        where T : class
    {
        routes.MapPut("/{id}/archived", (string id, MildHunchDb db, TimeProvider clock, CancellationToken stop) =>
            Mark<T>(id, what, clock.GetUtcNow().UtcDateTime, db, stop))
            .WithSummary($"Puts a {what} away: it leaves its list, keeps all that belongs to it, and can be brought back.");
        routes.MapDelete("/{id}/archived", (string id, MildHunchDb db, CancellationToken stop) => Mark<T>(id, what, null, db, stop))
            .WithSummary($"Brings a {what} back that was put away.");
    }

    // Saved as everything is, so that whoever listens for what is stored hears of it.
    private static async Task<IResult> Mark<T>(string id, string what, DateTime? at, MildHunchDb db, CancellationToken stop)
        where T : class
    {
        var stored = await db.FindAsync<T>([id], stop) ?? throw RefusalException.NotFound(what, id);
        db.Entry(stored).Property(nameof(CaseEntity.ArchivedAt)).CurrentValue = at;
        await db.SaveOrRefuse(stop);
        return TypedResults.NoContent();
    }
}
