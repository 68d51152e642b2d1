using System.Net;
using System.Net.Http.Headers;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using Microsoft.AspNetCore.Hosting;
using Microsoft.AspNetCore.Mvc.Testing;
using Microsoft.AspNetCore.TestHost;
using Microsoft.Extensions.DependencyInjection;
using SkiaSharp;

namespace MildHunch.Web.Tests;

/// <summary>The product on a real port with a real SQLite file in a folder of its own.</summary>
public class Product : WebApplicationFactory<Program>
{
    // The demo as it ships, filled once: every other product begins with a copy of it.
    private static readonly Lazy<string> Shipped = new(Fill);
    private readonly string folder;
    private readonly bool keep;

    // Dozens of them start and end within seconds: only where it matters is the record read before anybody asks.
    private readonly bool readAhead;
    private readonly TimeProvider? clock;

    public Product()
        : this(true)
    {
    }

    /// <param name="demo">Filled with the demo, or empty.</param>
    /// <param name="folder">Where its data lie, and stay; a folder of its own where null.</param>
    /// <param name="readAhead">True where the record is read before anybody asks.</param>
    /// <param name="clock">The day it is there; the demo is then filled on that day.</param>
    internal Product(bool demo, string? folder = null, bool readAhead = false, TimeProvider? clock = null)
    {
        (this.readAhead, this.clock) = (readAhead, clock);
        keep = folder is not null;
        this.folder = folder ?? Directory.CreateTempSubdirectory("mild-hunch-").FullName;
        Demo = demo;
        if (demo && !keep && clock is null)
            foreach (var file in Directory.EnumerateFiles(Shipped.Value).Where(f => Path.GetExtension(f) != ".lock"))
                File.Copy(file, Path.Combine(this.folder, Path.GetFileName(file)));
        UseKestrel(0);
        StartServer();
        Http = CreateClient();
    }

    public bool Demo { get; }

    public HttpClient Http { get; }

    public string Folder => folder;

    /// <summary>The folder that holds the whole repository.</summary>
    public static string Root()
    {
        var folder = new DirectoryInfo(AppContext.BaseDirectory);
        while (folder is not null && !File.Exists(Path.Combine(folder.FullName, "MildHunch.slnx")))
            folder = folder.Parent;
        return folder!.FullName;
    }

    public static JsonObject Amount(double value, string unit) => new() { ["value"] = value, ["unit"] = unit };

    public static JsonObject Reading(string quantity, double value, string unit) =>
        new() { ["quantity"] = quantity, ["value"] = Amount(value, unit) };

    public static JsonObject Cue(string cue, string answer, int? cylinder = null, string? side = null)
    {
        var json = new JsonObject { ["cue"] = cue, ["answer"] = answer };
        if (cylinder is not null)
            json["cylinder"] = cylinder;
        if (side is not null)
            json["side"] = side;
        return json;
    }

    /// <summary>FOG-2 with one silent cylinder, as a stateless question.</summary>
    public static JsonObject Fog2() => new()
    {
        ["pump"] = Pump(),
        ["setup"] = Setup(),
        ["readings"] = new JsonArray(Reading("discharge-pressure", 31, "bar"), Reading("nozzle-flow", 12.7, "L/min")),
        ["cues"] = new JsonArray(Cue("needle", "swings"), Cue("bypass-with-outlet-open", "none")),
        ["context"] = new JsonArray(),
    };

    public static JsonObject Pump() => new()
    {
        ["arrangement"] = "crank-plunger",
        ["cylinders"] = 3,
        ["plungerDiameter"] = Amount(18, "mm"),
        ["stroke"] = Amount(18, "mm"),
        ["rodRatio"] = 0.2,
        ["ratedSpeed"] = Amount(1450, "rpm"),
        ["ratedPressure"] = Amount(100, "bar"),
        ["control"] = "unloader",
    };

    public static JsonObject Setup() => new()
    {
        ["speed"] = Amount(1450, "rpm"),
        ["nozzle"] = new JsonObject { ["flow"] = Amount(19.17, "L/min"), ["at"] = Amount(70, "bar") },
        ["controlSetting"] = Amount(85, "bar"),
        ["line"] = "hose",
    };

    public async Task<(HttpResponseMessage Response, JsonNode? Body)> Send(
        HttpMethod method, string path, JsonNode? body = null, string? ifMatch = null)
    {
        using var request = new HttpRequestMessage(method, path);
        if (body is not null)
            request.Content = JsonContent.Create(body);
        if (ifMatch is not null)
            request.Headers.TryAddWithoutValidation("If-Match", ifMatch);
        var response = await Http.SendAsync(request, TestContext.Current.CancellationToken);
        var text = await response.Content.ReadAsStringAsync(TestContext.Current.CancellationToken);
        return (response, text.StartsWith('{') || text.StartsWith('[') ? JsonNode.Parse(text) : null);
    }

    public async Task<JsonNode> Get(string path)
    {
        var (response, body) = await Send(HttpMethod.Get, path);
        response.IsSuccessStatusCode.ShouldBeTrue($"{path}: {response.StatusCode}");
        return body!;
    }

    /// <summary>Keeps a photograph of its own colour; returns its hash.</summary>
    public async Task<string> Photograph(int seed = 1)
    {
        using var surface = SKSurface.Create(new SKImageInfo(320, 200));
        surface.Canvas.Clear(new SKColor((uint)(0xff000000 | (uint)(seed * 0x3779b))));
        using var image = surface.Snapshot();
        using var content = new ByteArrayContent(image.Encode(SKEncodedImageFormat.Jpeg, 90).ToArray());
        content.Headers.ContentType = new MediaTypeHeaderValue("image/jpeg");
        var response = await Http.PostAsync("/api/photos", content);
        return (await response.Content.ReadFromJsonAsync<JsonObject>())!["hash"]!.GetValue<string>();
    }

    /// <summary>The mark of this case as it stands, for If-Match.</summary>
    public async Task<string> Etag(string id) => $"\"{(await Get($"/api/cases/{id}"))["version"]}\"";

    /// <summary>Sends a change made upon the case as it stands; what came of it is the caller's to judge.</summary>
    public async Task<(HttpResponseMessage Response, JsonNode? Body)> Tell(string id, JsonObject change) =>
        await Send(HttpMethod.Post, $"/api/cases/{id}/changes", change, await Etag(id));

    /// <summary>A change that is taken; returns the case as shown after it.</summary>
    public async Task<JsonNode> Change(string id, JsonObject change)
    {
        var (response, body) = await Tell(id, change);
        response.StatusCode.ShouldBe(HttpStatusCode.OK, $"{change.ToJsonString()} {body?.ToJsonString()}");
        return body!;
    }

    /// <summary>Everything of the plan of a case laid ready, put back, looked at and counted, as far as it is not ticked yet.</summary>
    public async Task PutBack(string id)
    {
        var shown = await Get($"/api/cases/{id}");
        var ask = shown["work"]!["plan"]!.DeepClone();
        foreach (var part in (string[])["pump", "setup", "sheet"])
            ask[part] = shown["pump"]![part]!.DeepClone();
        var plan = (await Send(HttpMethod.Post, "/api/service-plan", ask)).Body!;
        var ticks = plan["steps"]!.AsArray().Where(s => s!["stage"]!.GetValue<string>() is "mend" or "close")
            .SelectMany(s => s!["places"]!.AsArray()).Select(p => p!["tick"]!.GetValue<string>())
            .Where(t => shown["work"]!["steps"]![t] is null);
        var steps = new JsonObject();
        foreach (var tick in ticks)
            steps[tick] = new JsonObject { ["by"] = "Ines Halvard" };
        await Change(id, new JsonObject { ["work"] = new JsonObject { ["steps"] = steps } });
    }

    /// <summary>Id of the open demo case of this pump.</summary>
    public async Task<string> CaseOf(string tag) =>
        (await Get("/api/cases")).AsArray().First(c => c!["tag"]!.GetValue<string>() == tag)!["id"]!.GetValue<string>();

    private static string Fill()
    {
        var folder = Directory.CreateTempSubdirectory("mild-hunch-demo-").FullName;
        AppDomain.CurrentDomain.ProcessExit += (_, _) => Directory.Delete(folder, recursive: true);
        using (new Product(true, folder))
            return folder;
    }

    protected override void ConfigureWebHost(IWebHostBuilder builder)
    {
        builder.UseSetting("DATA_DIR", folder);
        builder.UseSetting("DEMO", Demo ? "open" : "false");
        builder.UseSetting("READ_AHEAD", readAhead ? "true" : "false");
        builder.ConfigureTestServices(services =>
        {
            if ((clock ?? AnotherDay.Asked) is { } then)
                services.AddSingleton(then);
            if (!Directory.EnumerateFiles(folder, "shop-*.json").Any())
                KnownToAll.Share(services);
        });
    }

    protected override void Dispose(bool disposing)
    {
        base.Dispose(disposing);
        if (!disposing || keep || !Directory.Exists(folder))
            return;
        Microsoft.Data.Sqlite.SqliteConnection.ClearAllPools();
        Directory.Delete(folder, recursive: true);
    }
}
