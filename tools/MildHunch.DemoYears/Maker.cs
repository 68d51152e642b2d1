using System.Globalization;
using System.IO.Compression;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using MildHunch.Store;

namespace MildHunch.DemoYears;

/// <summary>Makes the demo shop’s years and packs them into one file.</summary>
internal static class Maker
{
    public static async Task Main(string[] args)
    {
        CultureInfo.DefaultThreadCurrentCulture = CultureInfo.InvariantCulture;
        CultureInfo.CurrentCulture = CultureInfo.InvariantCulture;
        var file = args.Length > 0 ? args[0] : "demo.db.gz";
        var folder = Directory.CreateTempSubdirectory("mild-hunch-years-").FullName;
        var clock = new DemoClock { Now = Plan.Anchor.ToDateTime(new TimeOnly(6, 30), DateTimeKind.Utc) };
        await using (var shop = new DemoShop(folder, clock))
        {
            using var scope = shop.Services.CreateScope();
            await ActivatorUtilities.CreateInstance<History>(scope.ServiceProvider, clock).Write(CancellationToken.None);
            var db = scope.ServiceProvider.GetRequiredService<MildHunchDb>();
            db.Stock.AddRange(
                new StockEntity { Id = Ids.New(), Name = "Valves, one side", InStock = 3, ReorderAt = 2, Shelf = "B2" },
                new StockEntity { Id = Ids.New(), Name = "Seals, three cylinders", InStock = 1, ReorderAt = 2, Shelf = "B2" },
                new StockEntity { Id = Ids.New(), Name = "Seals, one end", InStock = 4, ReorderAt = 4, Shelf = "C1" },
                new StockEntity { Id = Ids.New(), Name = "Packings, one cylinder", InStock = 6, ReorderAt = 3, Shelf = "C2" });
            await db.SaveChangesAsync();

            // Of a closed case the last thought before it was opened and the last of all are enough to look back on.
            await db.Database.ExecuteSqlRawAsync(
                """
                DELETE FROM Verdicts WHERE Id NOT IN (SELECT MAX(Id) FROM Verdicts GROUP BY CaseId)
                    AND Id NOT IN (SELECT MIN(Id) FROM Verdicts WHERE AfterVersion > 1 GROUP BY CaseId)
                """);
        }

        SqliteConnection.ClearAllPools();
        var packed = Path.Combine(folder, "packed.db");
        await using (var connection = new SqliteConnection($"Data Source={Path.Combine(folder, MildHunchDb.FileName)}"))
        {
            await connection.OpenAsync();
            await using var command = connection.CreateCommand();
            command.CommandText = $"PRAGMA user_version = {Plan.Anchor.DayNumber}; VACUUM INTO '{packed}'";
            await command.ExecuteNonQueryAsync();
        }

        await using (var from = File.OpenRead(packed))
        await using (var to = new GZipStream(File.Create(file), CompressionLevel.SmallestSize))
            await from.CopyToAsync(to);
        Console.WriteLine($"{file}: {new FileInfo(file).Length / 1024} kB of {new FileInfo(packed).Length / 1024} kB");
        SqliteConnection.ClearAllPools();
        Directory.Delete(folder, recursive: true);
    }
}
