using System.Globalization;

namespace MildHunch.Web.Tests.Storms;

/// <summary>
/// Any pump, sheet, running, part, case that the interface takes, in any order of two hundred changes, restarts, files, swaps: the product
/// starts, every page answers or names a conflict, and the record is what a product that just started reads. WALKS walks more of them.
/// </summary>
public sealed class ShopWalkTests : IDisposable
{
    // Walks of two hundred changes where they are asked for; a slice of one every day.
    private static readonly int? Asked = int.TryParse(Environment.GetEnvironmentVariable("WALKS"), out var asked) ? asked : null;
    private static readonly int Walks = Asked ?? 1;
    private static readonly int Steps = Asked is null ? 60 : 200;

    // What is told of the record; how it is now, and who is asked when, is another matter.
    private static readonly string[] OfTheRecord = ["/life", "/api/due", "/api/record", "/part-changes.csv", "/sheets", "/api/history"];
    private readonly string folder = Directory.CreateTempSubdirectory("mild-hunch-walk-").FullName;

    public void Dispose()
    {
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        Directory.Delete(folder, recursive: true);
    }

    [Fact]
    public async Task Whatever_happens_to_a_shop_it_goes_on()
    {
        for (var seed = 1; seed <= Walks; seed++)
        {
            var own = Directory.CreateDirectory(Path.Combine(folder, seed.ToString(CultureInfo.InvariantCulture))).FullName;
            IReadOnlyDictionary<string, string> before;
            string log;
            using (var walk = new ShopWalk(own, seed))
            {
                for (var k = 0; k < Steps; k++)
                    await walk.Step();
                (before, log) = (await walk.Pages(), walk.Log);
            }

            Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
            using var fresh = new ShopWalk(own, seed);
            var after = await fresh.Pages();
            after.Keys.ShouldBe(before.Keys, ignoreOrder: true);
            foreach (var page in before.Keys.Where(p => OfTheRecord.Any(o => p.Contains(o, StringComparison.Ordinal))))
                Unstamped(after[page]).ShouldBe(Unstamped(before[page]), $"seed {seed}, {page}\n{log}");
        }
    }

    // A calendar tells when it was written.
    private static string Unstamped(string page) =>
        string.Join('\n', page.Split('\n').Where(line => !line.StartsWith("DTSTAMP:", StringComparison.Ordinal)));
}
