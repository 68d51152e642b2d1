using Microsoft.EntityFrameworkCore;
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

    private static async Task<IResult> Mark<T>(string id, string what, DateTime? at, MildHunchDb db, CancellationToken stop)
        where T : class =>
        await db.Set<T>().Where(e => EF.Property<string>(e, nameof(CaseEntity.Id)) == id).ExecuteUpdateAsync(
            set => set.SetProperty(e => EF.Property<DateTime?>(e, nameof(CaseEntity.ArchivedAt)), at), stop) == 0
            ? throw RefusalException.NotFound(what, id)
            : TypedResults.NoContent();
}
