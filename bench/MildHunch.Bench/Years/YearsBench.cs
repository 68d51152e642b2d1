using System.Diagnostics;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using MildHunch.Store;

namespace MildHunch.Bench.Years;

/// <summary>What a shop with ten years of four hundred pumps waits for.</summary>
internal static class YearsBench
{
    private const int Seed = 1;
    private const int Rounds = 200;
    private const int WarmUp = 20;
    private const int Changes = 60;

    /// <summary>Measures.</summary>
    /// <param name="kept">A folder in which the years lie already, or are kept for the next time; null where nothing is kept.</param>
    public static async Task Run(string? kept)
    {
        var folder = (kept is null ? Directory.CreateTempSubdirectory("mild-hunch-years-") : Directory.CreateDirectory(kept)).FullName;
        try
        {
            if (!File.Exists(Path.Combine(folder, MildHunchDb.FileName)))
                await Fill(folder);
            using var server = await ServerProcess.Start(folder, demo: false);
            Console.WriteLine($"start with it: {server.Took.TotalSeconds:0.0} s until it answers");
            await First(server.Http);
            await Pages(server.Http);
        }
        finally
        {
            SqliteConnection.ClearAllPools();
            if (kept is null)
                Directory.Delete(folder, true);
        }
    }

    private static async Task Fill(string folder)
    {
        var (like, today) = await Demo(folder);
        var watch = Stopwatch.StartNew();
        var years = new TenYears(folder, like, today, Seed);
        await years.Fill();
        await using var db = TenYears.Open(folder);
        await db.Database.ExecuteSqlRawAsync("PRAGMA wal_checkpoint(TRUNCATE)");
        Console.WriteLine(
            $"ten years: {TenYears.Pumps} pumps beside those of the demo, {TenYears.Pumps * TenYears.CasesEach} closed cases, "
                + $"{years.Readings} readings, {years.Lives} lives of parts; drawn in {watch.Elapsed.TotalSeconds:0} s, "
                + $"file {new FileInfo(Path.Combine(folder, MildHunchDb.FileName)).Length / 1e6:0} MB");
    }

    // Pumps of the demo that have a record, with the places that its sheets give them.
    private static async Task<(IReadOnlyList<BenchPump> Like, DateOnly Today)> Demo(string folder)
    {
        using var server = await ServerProcess.Start(folder, demo: true);
        await using var db = TenYears.Open(folder);
        List<BenchPump> like = [];
        var today = DateOnly.FromDateTime(TimeProvider.System.GetLocalNow().Date);
        foreach (var pump in await db.Pumps.AsNoTracking().Where(p => p.RunningJson != null).OrderBy(p => p.Tag).ToListAsync())
        {
            var life = (await server.Http.GetFromJsonAsync<JsonObject>($"/api/pumps/{pump.Id}/life"))!;
            like.Add(new BenchPump(
                pump,
                [
                    .. life["positions"]!.AsArray().Select(p => new BenchPlace(
                        (string)p!["part"]!, (string)p["kind"]!, (int?)p["place"]!["cylinder"], (string?)p["place"]!["side"])),
                ]));
        }

        return (like, today);
    }

    private static async Task First(HttpClient http)
    {
        foreach (var page in new[] { "/api/cases", "/api/due", "/api/record" })
        {
            var watch = Stopwatch.StartNew();
            var bytes = (await http.GetByteArrayAsync(page)).Length;
            Console.WriteLine($"the first {page,-12} {watch.Elapsed.TotalSeconds,6:0.00} s   {bytes / 1e3:0} kB");
        }
    }

    private static async Task Pages(HttpClient http)
    {
        string[] pumps = [.. (await http.GetFromJsonAsync<JsonArray>("/api/pumps"))!.Select(p => (string)p!["id"]!)];
        await Measure("a pump’s page", i => $"/api/pumps/{pumps[i * 37 % pumps.Length]}/life", http, Rounds);
        await Measure("what is due", _ => "/api/due", http, Rounds);
        await Measure("the record", _ => "/api/record", http, Rounds);
        await Measure("list of cases", _ => "/api/cases", http, Rounds);
        foreach (var page in new[] { "life", "due", "record" })
        {
            var after = new Times($"{page}, right after a meter was read");
            for (var i = 0; i < Changes; i++)
            {
                var pump = pumps[i * 41 % pumps.Length];
                var now = (double?)(await http.GetFromJsonAsync<JsonObject>($"/api/pumps/{pump}/life"))!["hours"]!["now"] ?? 0;
                var watch = Stopwatch.StartNew();
                using var answer = await http.PostAsJsonAsync($"/api/pumps/{pump}/meter", new JsonObject { ["hours"] = Math.Ceiling(now) });
                answer.EnsureSuccessStatusCode();
                if (page != "life")
                {
                    watch.Restart();
                    await http.GetByteArrayAsync($"/api/{page}");
                }

                after.Took(watch.Elapsed);
            }

            after.Tell();
        }
    }

    private static async Task Measure(string what, Func<int, string> page, HttpClient http, int rounds)
    {
        var times = new Times(what);
        for (var i = 0; i < rounds + WarmUp; i++)
        {
            var watch = Stopwatch.StartNew();
            await http.GetByteArrayAsync(page(i));
            if (i >= WarmUp)
                times.Took(watch.Elapsed);
        }

        times.Tell();
    }
}
