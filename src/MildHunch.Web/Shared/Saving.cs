using Microsoft.EntityFrameworkCore;
using MildHunch.Store;

namespace MildHunch.Web.Shared;

/// <summary>Saving where two tablets may race.</summary>
public static class Saving
{
    /// <summary>Saves, or refuses with 412 when somebody else saved the same thing in between.</summary>
    public static async Task SaveOrRefuse(this MildHunchDb db, CancellationToken stop)
    {
        try
        {
            await db.SaveChangesAsync(stop);
        }
        catch (DbUpdateConcurrencyException)
        {
            throw ETags.Stale();
        }
    }
}
