using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using MildHunch.Store;

namespace MildHunch.Web.Shared;

/// <summary>Saving where two tablets may race.</summary>
public static class Saving
{
    // SQLite: a unique index or a primary key was violated.
    private const int UniqueViolated = 2067;
    private const int KeyViolated = 1555;

    /// <summary>Saves, or refuses with 412 when somebody else saved the same thing in between.</summary>
    /// <param name="db">What is saved.</param>
    /// <param name="stop">Ends it.</param>
    /// <param name="twin">What is said where the database has one of that name or number already; 412 where null.</param>
    public static async Task SaveOrRefuse(this MildHunchDb db, CancellationToken stop, RefusalException? twin = null)
    {
        try
        {
            await db.SaveChangesAsync(stop);
        }
        catch (DbUpdateConcurrencyException)
        {
            throw ETags.Stale();
        }
        catch (DbUpdateException e) when (e.InnerException is SqliteException { SqliteExtendedErrorCode: UniqueViolated or KeyViolated })
        {
            // Of two at the same moment the database lets one through.
            throw twin ?? ETags.Stale();
        }
    }
}
