using System.Net.Http.Json;
using System.Text.Json.Nodes;

namespace MildHunch.Web.Tests.Storms;

/// <summary>Something that was sent: by its mark it is found again, by its key it is sent again.</summary>
internal sealed record SentWrite(string Kind, string Mark, string Path, HttpMethod Method, JsonObject? Body, string? IfMatch)
{
    /// <summary>True once somebody was told that it is kept.</summary>
    public bool Acknowledged { get; set; }
}

/// <summary>One who writes without end, each time something else: all kinds of writes, each with a mark of its own.</summary>
internal sealed class Hand(int number, string pump, string @case)
{
    private int count;
    private int caseVersion = 1;
    private int pumpVersion = 1;
    private string? lastOfCase;

    public string Case => @case;

    public string Pump => pump;

    /// <summary>All that it sent.</summary>
    public List<SentWrite> Sent { get; } = [];

    /// <summary>Writes until nobody answers any more; the last one may have come through or not.</summary>
    public async Task Write(HttpClient http, CancellationToken stop)
    {
        while (true)
        {
            var next = Next();
            Sent.Add(next);
            try
            {
                using var response = await Send(http, next, stop);
                response.IsSuccessStatusCode.ShouldBeTrue($"{next}: {await response.Content.ReadAsStringAsync(stop)}");
                next.Acknowledged = true;
                Heard(next);
            }
            catch (HttpRequestException)
            {
                return;
            }
        }
    }

    /// <summary>Sends again what nobody answered.</summary>
    public async Task Again(HttpClient http, CancellationToken stop)
    {
        if (Sent.LastOrDefault() is not { Acknowledged: false } open)
            return;
        using var response = await Send(http, open, stop);
        response.IsSuccessStatusCode.ShouldBeTrue($"{open}: {await response.Content.ReadAsStringAsync(stop)}");
        open.Acknowledged = true;
        Heard(open);
    }

    private static Task<HttpResponseMessage> Send(HttpClient http, SentWrite write, CancellationToken stop)
    {
        var message = new HttpRequestMessage(write.Method, write.Path);
        if (write.Body is not null)
            message.Content = JsonContent.Create(write.Body);
        if (write.IfMatch is not null)
            message.Headers.TryAddWithoutValidation("If-Match", write.IfMatch);
        message.Headers.Add("Idempotency-Key", write.Mark);
        return http.SendAsync(message, stop);
    }

    private void Heard(SentWrite write)
    {
        if (write.Kind is "note" or "undo" or "redo")
            (caseVersion, lastOfCase) = (caseVersion + 1, write.Kind);
        if (write.Kind is "running" or "sheet")
            pumpVersion++;
    }

    private SentWrite Next()
    {
        var mark = $"mark-{number}-{++count}-";
        var (of, at) = ($"\"{caseVersion}\"", $"\"{pumpVersion}\"");
        SentWrite Post(string kind, string path, JsonObject? body, string? match = null) => new(kind, mark, path, HttpMethod.Post, body,
            match);
        SentWrite Put(string kind, string path, JsonObject? body, string? match = null) => new(kind, mark, path, HttpMethod.Put, body,
            match);

        // Each hand is at something else.
        return (((count * 5) + (number * 3)) % 12) switch
        {
            0 => Post("pump", "/api/pumps", new JsonObject
            {
                ["tag"] = mark,
                ["pump"] = Product.Pump(),
                ["setup"] = Product.Setup(),
                ["sure"] = true
            }),
            1 => Post("case", "/api/cases", new JsonObject { ["pumpId"] = pump, ["complaint"] = mark }),
            2 => Note(mark, of),
            3 or 4 or 5 when lastOfCase == "undo" => Post("redo", $"/api/cases/{@case}/redo", null, of),
            4 or 5 when lastOfCase is not null => Post("undo", $"/api/cases/{@case}/undo", null, of),
            3 or 4 or 5 => Note(mark, of),
            6 => Post("meter", $"/api/pumps/{pump}/meter", new JsonObject { ["on"] = "2026-03-01", ["hours"] = 100, ["by"] = mark }),
            7 => Post("part", $"/api/pumps/{pump}/part-changes", new JsonObject
            {
                ["part"] = "nozzle",
                ["on"] = "2026-03-01",
                ["out"] = "along",
                ["note"] = mark,
            }),
            8 => Put("stock", "/api/stock", new JsonObject { ["name"] = mark, ["inStock"] = 4 }),
            9 => Put("running", $"/api/pumps/{pump}/running", new JsonObject { ["serial"] = mark, ["hoursPerWeek"] = 40 }, at),
            10 => Put("sheet", $"/api/pumps/{pump}/sheet", new JsonObject { ["sheet"] = new JsonObject { ["oil"] = mark } }, at),
            _ => Put("archive", $"/api/cases/{@case}/archived", null),
        };
    }

    private SentWrite Note(string mark, string of) => new(
        "note", mark, $"/api/cases/{@case}/changes", HttpMethod.Post,
            new JsonObject { ["facts"] = new JsonObject { ["note-ask"] = mark } }, of);
}
