using System.IO.Compression;
using System.Net;
using System.Security.Cryptography;
using System.Text;
using System.Text.Json.Nodes;
using SkiaSharp;

namespace MildHunch.Web.Tests.Travel;

/// <summary>Measured alone, so that nobody else's memory counts.</summary>
[CollectionDefinition(nameof(Alone), DisableParallelization = true)]
public sealed class Alone;

/// <summary>A case with many photographs passes through piece by piece.</summary>
[Collection(nameof(Alone))]
public class LargeCaseFileTests
{
    private const int Photos = 50;
    private const int Side = 800;

    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    [Fact]
    public async Task Fifty_megabytes_are_taken_in_with_less_than_150_more()
    {
        using var product = new Product();
        var path = Path.Combine(product.Folder, "large.zip");
        await Write(product, path);
        GC.Collect();
        var before = GC.GetTotalMemory(forceFullCollection: true);
        var most = 0L;
        using var ended = CancellationTokenSource.CreateLinkedTokenSource(Stop);
        var watching = Task.Run(
            async () =>
            {
                while (!ended.IsCancellationRequested)
                {
                    // What is held, not what waits to be collected.
                    most = Math.Max(most, GC.GetTotalMemory(forceFullCollection: true) - before);
                    await Task.Delay(50, CancellationToken.None);
                }
            }, Stop);
        using var form = new MultipartFormDataContent { { new StreamContent(File.OpenRead(path)), "file", "large.zip" } };
        var response = await product.Http.PostAsync("/api/import", form, Stop);
        await ended.CancelAsync();
        await watching;
        var body = await response.Content.ReadAsStringAsync(Stop);
        response.StatusCode.ShouldBe(HttpStatusCode.OK, body);
        JsonNode.Parse(body)!["photos"]!.GetValue<int>().ShouldBe(Photos);
        most.ShouldBeLessThan(150L * 1024 * 1024);
    }

    // About a megabyte of colours by chance.
    private static byte[] Noise(int seed)
    {
        using var picture = new SKBitmap(new SKImageInfo(Side, Side, SKColorType.Rgba8888, SKAlphaType.Opaque));
        new Random(seed).NextBytes(picture.GetPixelSpan());
        using var data = picture.Encode(SKEncodedImageFormat.Jpeg, 95);
        return data.ToArray();
    }

    // A case of another id, with photographs that no camera took.
    private static async Task Write(Product product, string path)
    {
        var sent = await product.Http.GetByteArrayAsync($"/api/cases/{await product.CaseOf("FOG-2")}/export", Stop);
        using var old = new ZipArchive(new MemoryStream(sent));
        var json = (await JsonNode.ParseAsync(old.GetEntry("case.json")!.Open(), cancellationToken: Stop))!;
        json["case"]!["id"] = new string('a', 32);
        foreach (var entry in new[] { "readings", "cues", "facts", "verdicts" }.SelectMany(kind => json["case"]![kind]!.AsArray()))
            entry!["id"] = $"b{entry["id"]!.GetValue<string>()[1..]}";
        using var zip = ZipFile.Open(path, ZipArchiveMode.Create);
        for (var k = 0; k < Photos; k++)
        {
            var content = Noise(k);
            var hash = Convert.ToHexStringLower(SHA256.HashData(content));
            await using var photo = zip.CreateEntry($"photos/{hash}.jpg", CompressionLevel.NoCompression).Open();
            await photo.WriteAsync(content, Stop);
            json["photos"]!.AsArray().Add(new JsonObject
            {
                ["hash"] = hash,
                ["bytes"] = content.Length,
                ["width"] = 640,
                ["height"] = 480,
                ["at"] = "2026-11-20T08:00:00Z",
            });
        }

        await using var text = zip.CreateEntry("case.json").Open();
        await text.WriteAsync(Encoding.UTF8.GetBytes(json.ToJsonString()), Stop);
    }
}
