using Microsoft.Data.Sqlite;

namespace MildHunch.Web.Shared;

/// <summary>The one fault of the machine that a shop can mend itself, told as what it is.</summary>
public static class FullDisk
{
    // ENOSPC of the system, SQLITE_FULL of the database.
    private const int NoSpace = 28;
    private const int DatabaseFull = 13;

    /// <summary>True where this, or what lies under it, says that the disk is full.</summary>
    public static bool Is(Exception? e) => e switch
    {
        null => false,
        IOException { HResult: NoSpace } => true,
        SqliteException { SqliteErrorCode: DatabaseFull } => true,
        _ => Is(e.InnerException),
    };
}
