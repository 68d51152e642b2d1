using System.Diagnostics;
using System.Net.Http.Headers;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Microsoft.EntityFrameworkCore;
using MildHunch.Store;

namespace MildHunch.Bench;

/// <summary>
/// What a shop with a long record waits for: its list, a change of a case, the first question about a pump it just put in.
/// </summary>
internal static class RecordBench
{
    private const int ClosedCases = 20_000;
    private const int Rounds = 300;
    private const int WarmUp = 30;
    private const int NewPumps = 60;

    public static async Task LongRecord(HttpClient http, string folder)
    {
        await Fill(folder);
        var list = new Times($"list of cases, {ClosedCases} closed");
        for (var i = 0; i < Rounds + WarmUp; i++)
        {
            var watch = Stopwatch.StartNew();
            await http.GetByteArrayAsync("/api/cases");
            if (i >= WarmUp)
                list.Took(watch.Elapsed);
        }

        list.Tell();
        var pump = (await http.GetFromJsonAsync<JsonArray>("/api/cases"))!
            .First(c => c!["tag"]!.GetValue<string>() == "FOG-2")!["pumpId"]!.GetValue<string>();
        var change = new Times($"a change of a case, {ClosedCases} closed");
        var id = "";
        for (var i = 0; i < Rounds + WarmUp; i++)
        {
            // As many changes as a long case has; then the next.
            if (i % 20 == 0)
                id = (await Made(await http.PostAsJsonAsync(
                    "/api/cases", new JsonObject { ["pumpId"] = pump, ["complaint"] = "Weak" })))["id"]!.GetValue<string>();
            var tag = (await http.GetAsync($"/api/cases/{id}")).Headers.ETag!;
            var watch = Stopwatch.StartNew();
            await Tell(http, id, tag, $"Note {i}");
            if (i >= WarmUp)
                change.Took(watch.Elapsed);
        }

        change.Tell();
    }

    // A pump is stored, its case opened, and something told about it: the last is the first question about its hydraulics with evidence.
    public static async Task FirstQuestions(HttpClient http, Func<int, JsonObject> question)
    {
        var stored = new Times("a new pump is stored, everything fitted");
        var opened = new Times("its case is opened");
        var first = new Times("first question about a newly stored pump");
        for (var i = 0; i < NewPumps; i++)
        {
            var body = question(i);
            var pump = new JsonObject
            {
                ["tag"] = $"BENCH-{i}",
                ["pump"] = body["pump"]!.DeepClone(),
                ["setup"] = body["setup"]!.DeepClone()
            };
            var watch = Stopwatch.StartNew();
            var kept = await Made(await http.PostAsJsonAsync("/api/pumps", pump));
            stored.Took(watch.Elapsed);
            watch.Restart();
            var answer = await http.PostAsJsonAsync(
                "/api/cases", new JsonObject { ["pumpId"] = kept["id"]!.GetValue<string>(), ["complaint"] = "Weak" });
            var told = await Made(answer);
            opened.Took(watch.Elapsed);
            watch.Restart();
            await Tell(http, told["id"]!.GetValue<string>(), answer.Headers.ETag!, "first");
            first.Took(watch.Elapsed);
        }

        stored.Tell();
        opened.Tell();
        first.Tell();
    }

    private static async Task<JsonNode> Made(HttpResponseMessage answer) =>
        answer.IsSuccessStatusCode
            ? (await answer.Content.ReadFromJsonAsync<JsonNode>())!
            : throw new InvalidOperationException(await answer.Content.ReadAsStringAsync());

    private static async Task Tell(HttpClient http, string id, EntityTagHeaderValue tag, string note)
    {
        var change = new JsonObject
        {
            ["readings"] = new JsonArray(new JsonObject
            {
                ["quantity"] = "discharge-pressure",
                ["value"] = new JsonObject { ["value"] = 31, ["unit"] = "bar" }
            }),
            ["cues"] = new JsonArray(new JsonObject { ["cue"] = "needle", ["answer"] = "swings" }),
            ["facts"] = new JsonObject { ["note-ask"] = note },
        };
        using var request = new HttpRequestMessage(HttpMethod.Post, $"/api/cases/{id}/changes") { Content = JsonContent.Create(change) };
        request.Headers.IfMatch.Add(tag);
        using var answer = await http.SendAsync(request);
        await Made(answer);
    }

    // Closed cases with as many entries as a real one, spread over the pumps of the demo.
    private static async Task Fill(string folder)
    {
        await using var db = new MildHunchDb(new DbContextOptionsBuilder<MildHunchDb>()
            .UseSqlite(MildHunchDb.ConnectionTo(folder)).Options);
        var pumps = await db.Pumps.Select(p => p.Id).ToListAsync();
        var like = await db.Cases.Include(c => c.Verdicts).AsNoTracking().FirstAsync(c => c.Verdicts.Count > 0);
        string[] found = ["discharge-valve-leak", "inlet-valve-leak", "nozzle-worn", "hp-seal-leak", "supply-air-leak"];
        for (var i = 0; i < ClosedCases; i++)
        {
            db.Cases.Add(Closed(i, pumps[i % pumps.Count], found[i % found.Length], like.Verdicts[^1]));
            if (i % 1000 != 999)
                continue;
            await db.SaveChangesAsync();
            db.ChangeTracker.Clear();
        }
    }

    private static CaseEntity Closed(int i, string pump, string found, VerdictEntity like)
    {
        var id = Ids.New();
        var at = new DateTime(2026, 1, 1, 0, 0, 0, DateTimeKind.Utc).AddMinutes(i);
        var closed = $"{found}@{1 + (i % 3)}";
        return new CaseEntity
        {
            Id = id,
            PumpId = pump,
            OpenedAt = at,
            Version = 4,
            Headline = new CaseHeadline
            {
                Complaint = "Weak",
                Stage = "closed",
                Closed = closed,
                ClosedAt = at,
                ChangedAt = at,
                Entries = 4,
                Leader = like.Leader,
                LeaderName = like.LeaderName,
                Probability = like.Probability,
                Hunch = like.Hunch,
            },
            Changes = [.. Enumerable.Range(1, 4).Select(n => new ChangeEntity { CaseId = id, Number = n, Says = "Told", At = at })],
            Readings = [.. new[] { "discharge-pressure", "nozzle-flow" }.Select(q => new ReadingEntity {
                Id = Ids.New(), CaseId = id, AddedBy = 2, Quantity = q, Value = 20, Unit = q == "nozzle-flow" ? "L/min" : "bar" })],
            Cues = [.. new[] { "needle", "sound" }.Select(c => new CueEntity {
                Id = Ids.New(), CaseId = id, AddedBy = 3, Cue = c, Answer = c == "needle" ? "swings" : "smooth" })],
            Facts = [
                new FactEntity { Id = Ids.New(), CaseId = id, AddedBy = 1, Name = "complaint", Value = "Weak" },
                new FactEntity { Id = Ids.New(), CaseId = id, AddedBy = 4, Name = "closed", Value = closed }],
            Verdicts = [.. Enumerable.Range(2, 3)
                .Select(n => new VerdictEntity {
                    Id = Ids.New(), CaseId = id, AfterVersion = n, At = at, Leader = like.Leader, LeaderName = like.LeaderName,
                    Probability = like.Probability, Hunch = like.Hunch, SuspectsJson = like.SuspectsJson })],
        };
    }
}
