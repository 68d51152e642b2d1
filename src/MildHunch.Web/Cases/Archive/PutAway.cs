using Microsoft.EntityFrameworkCore;
using MildHunch.Store;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Cases.Archive;

/// <summary>Cases are put away and brought back, never thrown away. What was found in one that was closed still counts.</summary>
public static class PutAway
{
    public static void Map(IEndpointRouteBuilder cases)
    {
        cases.MapPut("/{id}/archived", (string id, MildHunchDb db, TimeProvider clock, CancellationToken stop) =>
            Mark(id, clock.GetUtcNow().UtcDateTime, db, stop)).WithSummary("Puts a case away: it leaves the list and can be brought back.");
        cases.MapDelete("/{id}/archived", (string id, MildHunchDb db, CancellationToken stop) => Mark(id, null, db, stop))
            .WithSummary("Brings a case back that was put away.");
    }

    private static async Task<IResult> Mark(string id, DateTime? at, MildHunchDb db, CancellationToken stop) =>
        await db.Cases.Where(c => c.Id == id).ExecuteUpdateAsync(set => set.SetProperty(c => c.ArchivedAt, at), stop) == 0
            ? throw RefusalException.NotFound("case", id)
            : TypedResults.NoContent();
}
