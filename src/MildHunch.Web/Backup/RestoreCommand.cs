using Microsoft.EntityFrameworkCore;
using MildHunch.Store;
using MildHunch.Store.Backup;

namespace MildHunch.Web.Backup;

/// <summary>Lays a backup in place of a shop that is not running, or tries whether it could; says what it did, or why not.</summary>
public static class RestoreCommand
{
    /// <summary>The drill: nothing is changed. 0 where the backup would be taken.</summary>
    public static async Task<int> Check(string file)
    {
        await using var db = new MildHunchDb(new DbContextOptionsBuilder<MildHunchDb>().UseSqlite("Data Source=:memory:").Options);
        try
        {
            var files = await Restoring.TryAsync(file, [.. db.Database.GetMigrations()], CancellationToken.None);
            var count = files == 1 ? "1 file" : $"{files} files";
            Console.WriteLine($"{file} can be restored: {count}, each as the backup says, the database sound.");
            return 0;
        }
        catch (RestoreException e)
        {
            Console.Error.WriteLine($"This backup would not be taken. {e.Message}");
            return 1;
        }
    }

    public static async Task<int> Run(string? folder, string file, TimeProvider clock)
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
                folder, file, [.. db.Database.GetMigrations()], clock.GetUtcNow().UtcDateTime, CancellationToken.None);
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
