using System.Diagnostics;
using System.Net.Http.Json;
using System.Text.Json.Nodes;
using SkiaSharp;

namespace MildHunch.Bench;

/// <summary>What a technician waits for at the end: a report with ten photographs as PDF.</summary>
internal static class ReportBench
{
    private const int Photos = 10;
    private const int Rounds = 20;

    public static async Task WithTenPhotographs(HttpClient http)
    {
        var cases = (await http.GetFromJsonAsync<JsonArray>("/api/cases"))!;
        var id = cases.First(c => c!["closed"] is not null)!["id"]!.GetValue<string>();
        var hashes = new JsonArray();
        for (var k = 0; k < Photos; k++)
            hashes.Add(await Keep(http, k));
        var shown = (await http.GetFromJsonAsync<JsonObject>($"/api/cases/{id}"))!;
        var found = shown["work"]!["found"]!.AsObject().First();
        using var told = new HttpRequestMessage(HttpMethod.Post, $"/api/cases/{id}/changes")
        {
            Content = JsonContent.Create(new JsonObject
            {
                ["work"] = new JsonObject
                {
                    ["found"] = new JsonObject
                    {
                        [found.Key] = new JsonObject { ["state"] = "fine", ["by"] = "Pell Okoro", ["photos"] = hashes },
                    },
                },
            }),
        };
        told.Headers.TryAddWithoutValidation("If-Match", $"\"{shown["version"]}\"");
        (await http.SendAsync(told)).EnsureSuccessStatusCode();
        List<double> taken = [];
        var bytes = 0;
        for (var round = 0; round < Rounds; round++)
        {
            var watch = Stopwatch.StartNew();
            bytes = (await http.GetByteArrayAsync($"/api/cases/{id}/report.pdf")).Length;
            taken.Add(watch.Elapsed.TotalMilliseconds);
        }

        Console.WriteLine(
            $"report as PDF, ten photographs of 2048 by 1536: first {taken[0]:0} ms, "
                + $"then middle {taken.Skip(1).Order().ElementAt(Rounds / 2):0} ms, longest {taken.Skip(1).Max():0} ms, {bytes / 1024} kB");
    }

    // Of a camera's size and busy enough not to be squeezed to nothing.
    private static async Task<string> Keep(HttpClient http, int seed)
    {
        using var surface = SKSurface.Create(new SKImageInfo(2048, 1536));
        var random = new Random(seed);
        using var paint = new SKPaint();
        for (var k = 0; k < 4000; k++)
        {
            paint.Color = new SKColor((byte)random.Next(256), (byte)random.Next(256), (byte)random.Next(256));
            surface.Canvas.DrawCircle(random.Next(2048), random.Next(1536), random.Next(4, 60), paint);
        }

        using var image = surface.Snapshot();
        using var content = new ByteArrayContent(image.Encode(SKEncodedImageFormat.Jpeg, 90).ToArray());
        content.Headers.ContentType = new("image/jpeg");
        return (await (await http.PostAsync("/api/photos", content)).Content.ReadFromJsonAsync<JsonObject>())!["hash"]!.GetValue<string>();
    }
}
