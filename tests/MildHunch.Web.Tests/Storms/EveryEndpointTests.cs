using System.Net.Http.Headers;
using System.Net.Http.Json;
using System.Text;
using System.Text.Json.Nodes;
using MildHunch.Web.Tests.Cases.Rounds;
using SkiaSharp;

namespace MildHunch.Web.Tests.Storms;

/// <summary>
/// Each endpoint of the interface document does once what it is for, in a shop in which there is something of everything: no question
/// to the database is one that it cannot answer. Who adds an endpoint writes down what a sound request to it is.
/// </summary>
public sealed class EveryEndpointTests : IDisposable
{
    private readonly Product product = new();

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    public void Dispose() => product.Dispose();

    [Fact]
    public async Task Every_endpoint_does_once_what_it_is_for()
    {
        var shop = await Filled();
        var operations = (await product.Get("/openapi/v1.json"))["paths"]!.AsObject()
            .SelectMany(p => p.Value!.AsObject().Select(o => (Path: p.Key, Verb: o.Key.ToUpperInvariant())))
            .OrderBy(o => o.Verb is "GET" ? 0 : o.Verb is "DELETE" ? 2 : 1).ThenBy(o => o.Path.EndsWith("/redo",
                StringComparison.Ordinal) || o.Path.EndsWith("/swap", StringComparison.Ordinal))
            .ToArray();
        operations.Length.ShouldBeGreaterThan(60);
        foreach (var (path, verb) in operations)
            await Does(path, verb, shop);
    }

    private async Task Does(string template, string verb, Shop shop)
    {
        var path = template switch
        {
            "/api/pumps/{id}/meter/{entry}" => $"/api/pumps/{shop.Pump}/meter/{shop.Meter}",
            "/api/pumps/{id}/part-changes/{entry}" => $"/api/pumps/{shop.Pump}/part-changes/{shop.Part}",
            "/api/stock/{id}" => $"/api/stock/{shop.Stock}",
            "/api/photos/{hash}" => $"/api/photos/{shop.Photo}",
            "/api/history/{pumpType}" => "/api/history/crank-plunger-3",
            "/api/service-sheets/{id}" => $"/api/service-sheets/{(await product.Get("/api/service-sheets")).AsArray()[0]!["id"]}",
            "/api/workings/{id}" or "/api/workings/{id}/fill" => template.Replace("{id}", "bucket", StringComparison.Ordinal),
            _ => template.Replace("{id}", template.StartsWith("/api/cases", StringComparison.Ordinal) ? shop.Case : shop.Pump,
                StringComparison.Ordinal),
        };
        using var request = new HttpRequestMessage(new HttpMethod(verb), path) { Content = await Content(template, verb, shop) };
        request.Headers.TryAddWithoutValidation("If-Match", path.StartsWith("/api/cases", StringComparison.Ordinal)
            ? await product.Etag(shop.Case)
            : $"\"{(await product.Get($"/api/pumps/{shop.Pump}"))["version"]}\"");
        using var response = await product.Http.SendAsync(request, Stop);
        var said = await response.Content.ReadAsStringAsync(Stop);
        response.IsSuccessStatusCode.ShouldBeTrue($"{verb} {path}: {(int)response.StatusCode} {said}");
    }

    private async Task<HttpContent?> Content(string template, string verb, Shop shop)
    {
        if (verb is "GET" or "DELETE" || template.EndsWith("/archived", StringComparison.Ordinal)
            || template.EndsWith("/undo", StringComparison.Ordinal) || template.EndsWith("/redo", StringComparison.Ordinal))
            return null;
        var random = new Random(1);
        return template switch
        {
            "/api/import" => new MultipartFormDataContent
            {
                { new ByteArrayContent(await product.Http.GetByteArrayAsync($"/api/cases/{shop.Case}/export", Stop)), "file", "case.zip" },
            },
            "/api/photos" => Picture(),
            "/api/pumps.csv" => Csv(await product.Http.GetStringAsync("/api/pumps.csv", Stop)),
            "/api/pumps/{id}/part-changes.csv" => Csv("part,on\noil,2024-02-03"),
            "/api/pumps/{id}/swap" => JsonContent.Create(new JsonObject { ["with"] = shop.Spare }),
            "/api/pumps/{id}/running" => JsonContent.Create(new JsonObject { ["serial"] = "AX-1", ["hoursPerWeek"] = 40 }),
            "/api/workings/{id}" => JsonContent.Create(new JsonObject
            {
                ["entries"] = new JsonObject { ["volume"] = Product.Amount(10, "L"), ["time"] = Product.Amount(49, "s") },
            }),
            "/api/workings/{id}/fill" => JsonContent.Create(Product.Fog2()),
            "/api/cases" => JsonContent.Create(new JsonObject { ["pumpId"] = shop.Pump, ["complaint"] = "Weak" }),
            "/api/pumps" => JsonContent.Create(With(Sound.Body(template, random)!, "tag", "EACH-1")),
            "/api/pumps/{id}/part-changes" => JsonContent.Create(new JsonObject
            {
                ["part"] = "oil",
                ["on"] = "2026-02-01",
                ["out"] = "along"
            }),
            "/api/cases/{id}/changes" => JsonContent.Create(TwoRounds.Read(44)),
            _ => JsonContent.Create(Sound.Body(template, random).ShouldNotBeNull($"no sound request is written down for {template}")),
        };
    }

    // Two pumps that may change places, a case in two rounds, closed with parts found failed beside the cause, and something of all else.
    private async Task<Shop> Filled()
    {
        var closed = await TwoRounds.Worked(product);
        await TwoRounds.Close(product, closed);
        var pump = (await product.Get($"/api/cases/{closed}"))["pump"]!["id"]!.GetValue<string>();
        var spare = (await Done("/api/pumps", new JsonObject
        {
            ["tag"] = "MIST-B",
            ["pump"] = Product.Pump(),
            ["setup"] = Product.Setup(),
            ["sure"] = true,
        }))["id"]!.GetValue<string>();
        foreach (var (id, serial) in new[] { (pump, "AX-1"), (spare, "AX-2") })
            (await product.Send(
                HttpMethod.Put, $"/api/pumps/{id}/running", new JsonObject { ["serial"] = serial },
                $"\"{(await product.Get($"/api/pumps/{id}"))["version"]}\"")).Response.EnsureSuccessStatusCode();
        var life = await Done($"/api/pumps/{pump}/meter", new JsonObject { ["on"] = "2026-03-01", ["hours"] = 900 });
        var meter = life["hours"]!["readings"]!.AsArray().First(r => r!["caseId"] is null)!["id"]!.GetValue<string>();
        life = await Done($"/api/pumps/{pump}/part-changes", new JsonObject { ["part"] = "nozzle", ["on"] = "2026-03-01" });
        var part = life["positions"]!.AsArray().First(p =>
            p!["part"]!.GetValue<string>() == "nozzle")!["lives"]![0]!["fitted"]!.GetValue<string>();
        var stock = (await product.Send(HttpMethod.Put, "/api/stock", Sound.Body("/api/stock",
            new Random(2)))).Body!["id"]!.GetValue<string>();
        return new Shop(pump, spare, closed, meter, part, stock, await product.Photograph());
    }

    private async Task<JsonNode> Done(string path, JsonObject told)
    {
        var (response, body) = await product.Send(HttpMethod.Post, path, told);
        response.IsSuccessStatusCode.ShouldBeTrue(body?.ToJsonString());
        return body!;
    }

    private static JsonObject With(JsonObject told, string name, string value)
    {
        told[name] = value;
        return told;
    }

    private static StringContent Csv(string rows) => new(rows, Encoding.UTF8, "text/csv");

    private static ByteArrayContent Picture()
    {
        using var surface = SKSurface.Create(new SKImageInfo(40, 30));
        using var image = surface.Snapshot();
        var content = new ByteArrayContent(image.Encode(SKEncodedImageFormat.Png, 90).ToArray());
        content.Headers.ContentType = new MediaTypeHeaderValue("image/png");
        return content;
    }

    private sealed record Shop(string Pump, string Spare, string Case, string Meter, string Part, string Stock, string Photo);
}
