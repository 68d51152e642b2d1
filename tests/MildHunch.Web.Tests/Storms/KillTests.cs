using System.Text.Json.Nodes;
using System.Text.RegularExpressions;
using Microsoft.Data.Sqlite;
using MildHunch.Web.Tests.Travel;

namespace MildHunch.Web.Tests.Storms;

/// <summary>
/// Killed in the middle of writing: what somebody was told is kept is there once and whole, what nobody was told of is there once or not at
/// all, and sent again it is there once. KILLS kills more often.
/// </summary>
public sealed class KillTests : IDisposable
{
    private const int Hands = 4;
    private const int ShortestMs = 1500;
    private const int LongestMs = 4000;
    private static readonly int Kills = int.TryParse(Environment.GetEnvironmentVariable("KILLS"), out var asked) ? asked : 1;
    private readonly string folder = Directory.CreateTempSubdirectory("mild-hunch-kill-").FullName;

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    public void Dispose()
    {
        SqliteConnection.ClearAllPools();
        Directory.Delete(folder, recursive: true);
    }

    [Fact]
    public async Task Nothing_acknowledged_is_lost_doubled_or_torn()
    {
        List<Hand> hands = [];
        var random = new Random(7);
        var running = await OwnProcess.Start(folder, Stop);
        try
        {
            for (var k = 0; k < Hands; k++)
                hands.Add(await New(running.Http, k));
            for (var kill = 0; kill < Kills; kill++)
            {
                var writing = hands.Select(h => h.Write(running.Http, Stop)).ToArray();
                await Task.Delay(random.Next(ShortestMs, LongestMs), Stop);
                running.Kill();
                await Task.WhenAll(writing);
                running.Dispose();
                running = await OwnProcess.Start(folder, Stop);
                Counted(await Everything(running.Http, hands), hands);
                foreach (var hand in hands)
                    await hand.Again(running.Http, Stop);
                Counted(await Everything(running.Http, hands), hands);
            }
        }
        finally
        {
            running.Dispose();
        }

        await using var db = new SqliteConnection($"Data Source={Directory.GetFiles(folder, "*.db").Single()};Pooling=False");
        await db.OpenAsync(Stop);
        await using var check = db.CreateCommand();
        check.CommandText = "PRAGMA integrity_check";
        (await check.ExecuteScalarAsync(Stop)).ShouldBe("ok");
        var sent = hands.SelectMany(h => h.Sent).ToArray();
        Console.WriteLine($"killed {Kills} times within {sent.Length} writes: "
            + string.Join(", ", sent.GroupBy(s => s.Kind).OrderBy(g => g.Key).Select(g =>
                $"{g.Count()} x {g.Key}")) + "; none lost, doubled or torn");
    }

    private static async Task<Hand> New(HttpClient http, int number)
    {
        async Task<JsonNode> Post(string path, JsonObject body)
        {
            using var response = await http.PostAsync(path, System.Net.Http.Json.JsonContent.Create(body), Stop);
            return JsonNode.Parse(await response.Content.ReadAsStringAsync(Stop))!;
        }

        var pump = (await Post("/api/pumps", new JsonObject
        {
            ["tag"] = $"HAND-{number}",
            ["pump"] = Product.Pump(),
            ["setup"] = Product.Setup(),
            ["sure"] = true,
        }))["id"]!.GetValue<string>();
        var opened = await Post("/api/cases", new JsonObject { ["pumpId"] = pump, ["complaint"] = "Weak" });
        return new Hand(number, pump, opened["id"]!.GetValue<string>());
    }

    // Every text in which marks stand, by the kind of write that leaves them there.
    private static async Task<IReadOnlyDictionary<string, string>> Everything(HttpClient http, IReadOnlyList<Hand> hands)
    {
        async Task<string> Get(string path) => await http.GetStringAsync(path, Stop);
        List<string> lives = [], parts = [], notes = [], pumps = [];
        foreach (var hand in hands)
        {
            lives.Add((JsonNode.Parse(await Get($"/api/pumps/{hand.Pump}/life"))!["hours"]!["readings"]!).ToJsonString());
            parts.Add(await Get($"/api/pumps/{hand.Pump}/part-changes.csv"));
            notes.Add(CaseFiles.Json(await http.GetByteArrayAsync($"/api/cases/{hand.Case}/export", Stop)));
            pumps.Add(CaseFiles.Json(await http.GetByteArrayAsync($"/api/pumps/{hand.Pump}/export", Stop), "pump.json"));
        }

        var cases = "";
        for (var page = ""; page != "[]"; cases += page)
            page = await Get($"/api/cases?take=500&skip={Regex.Count(cases, "\"openedAt\"")}");
        return new Dictionary<string, string>
        {
            ["meter"] = string.Join('\n', lives),
            ["part"] = string.Join('\n', parts),
            ["stock"] = await Get("/api/stock"),
            ["pump"] = await Get("/api/pumps"),
            ["case"] = cases,
            ["note"] = string.Join('\n', notes.Select(n => JsonNode.Parse(n)!["case"]!["facts"]!.ToJsonString())),
            ["pumps"] = string.Join('\n', pumps),
        };
    }

    private static void Counted(IReadOnlyDictionary<string, string> all, IReadOnlyList<Hand> hands)
    {
        foreach (var hand in hands)
        {
            foreach (var write in hand.Sent.Where(w => all.ContainsKey(w.Kind)))
            {
                var times = Regex.Count(all[write.Kind], write.Mark);
                times.ShouldBeInRange(write.Acknowledged ? 1 : 0, 1, $"{write}");
            }

            // Of what stands in one place the last that was acknowledged stands, or the one after it.
            foreach (var kind in new[] { "running", "sheet" })
                if (hand.Sent.LastOrDefault(w => w.Kind == kind && w.Acknowledged) is { } last)
                    hand.Sent.Where(w => w.Kind == kind).SkipWhile(w => w != last).Any(w => all["pumps"].Contains(w.Mark,
                        StringComparison.Ordinal))
                        .ShouldBeTrue($"{last}");
        }
    }
}
