using Microsoft.EntityFrameworkCore;
using MildHunch.Store;
using MildHunch.Store.Backup;

namespace MildHunch.Web.Backup;

/// <summary>Lays a backup in place of a shop that is not running; says what it did, or why not.</summary>
public static class RestoreCommand
{
    public static async Task<int> Run(string? folder, string file)
    {
        if (string.IsNullOrWhiteSpace(folder))
        {
            Console.Error.WriteLine("Nothing was changed. DATA_DIR has to say which shop.");
            return 1;
        }

        var options = new DbContextOptionsBuilder<MildHunchDb>().UseSqlite(MildHunchDb.ConnectionTo(folder)).Options;
        await using var db = new MildHunchDb(options);
        try
        {
            var kept = await Restoring.RestoreAsync(
                folder, file, [.. db.Database.GetMigrations()], DateTime.UtcNow, CancellationToken.None);
            Console.WriteLine($"Restored {file} into {folder}.");
            if (kept is not null)
                Console.WriteLine($"What was there before is kept in {kept}.");
            return 0;
        }
        catch (RestoreException e)
        {
            Console.Error.WriteLine($"Nothing was changed. {e.Message}");
            return 1;
        }
    }
}
