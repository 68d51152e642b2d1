using System.Net;
using System.Net.Http.Headers;
using System.Text.Json.Nodes;
using SkiaSharp;

namespace MildHunch.Web.Tests;

/// <summary>Photographs: drawn anew, upright, kept beside the database under the name of what is in them.</summary>
public class PhotoTests(Product product)
{
    [Fact]
    public async Task A_large_photograph_is_kept_no_longer_than_a_screen_and_is_the_same_twice()
    {
        var sent = Jpeg(3000, 1500);
        var (response, body) = await Send(sent, "image/jpeg");
        response.StatusCode.ShouldBe(HttpStatusCode.Created);
        (body!["width"]!.GetValue<int>(), body["height"]!.GetValue<int>()).ShouldBe((2048, 1024));
        var hash = body["hash"]!.GetValue<string>();
        (await Send(sent, "image/jpeg")).Body!["hash"]!.GetValue<string>().ShouldBe(hash);
        File.Exists(Path.Combine(product.Folder, "photos", hash[..2], $"{hash}.jpg")).ShouldBeTrue();
        var kept = await product.Http.GetByteArrayAsync($"/api/photos/{hash}", TestContext.Current.CancellationToken);
        Convert.ToHexStringLower(System.Security.Cryptography.SHA256.HashData(kept)).ShouldBe(hash);
    }

    /// <summary>Exif orientation 6 is a picture held a quarter turn to the left (Exif 2.3): it is kept upright.</summary>
    [Fact]
    public async Task A_photograph_taken_on_its_side_is_kept_upright_and_says_nothing_of_the_camera()
    {
        var (_, body) = await Send(WithOrientation(Jpeg(400, 200), 6), "image/jpeg");
        (body!["width"]!.GetValue<int>(), body["height"]!.GetValue<int>()).ShouldBe((200, 400));
        var kept = await product.Http.GetByteArrayAsync($"/api/photos/{body["hash"]}", TestContext.Current.CancellationToken);
        kept.AsSpan().IndexOf("Exif"u8).ShouldBe(-1);

        // The red half was on the left as it was kept; turned to the right it is above.
        using var upright = SKBitmap.Decode(kept);
        upright.GetPixel(100, 50).Red.ShouldBeGreaterThan((byte)150);
        upright.GetPixel(100, 350).Red.ShouldBeLessThan((byte)100);
    }

    [Fact]
    public async Task What_is_no_picture_or_too_large_is_refused_in_words()
    {
        (await Send("not a picture"u8.ToArray(), "application/pdf")).Response.StatusCode.ShouldBe(HttpStatusCode.UnsupportedMediaType);
        foreach (var type in new[] { "image/jpeg", "application/octet-stream" })
        {
            var (refused, why) = await Send("not a picture"u8.ToArray(), type);
            refused.StatusCode.ShouldBe(HttpStatusCode.BadRequest, type);
            why!["errors"]!["photo"]![0]!.GetValue<string>().ShouldContain("JPEG, PNG or WebP");
        }

        var (response, body) = await Send(new byte[60 * 1024 * 1024], "image/jpeg");
        response.StatusCode.ShouldBe(HttpStatusCode.RequestEntityTooLarge);
        body!["detail"]!.GetValue<string>().ShouldContain("60 MB; at most 20 MB");
        (await product.Http.GetAsync("/api/photos/..%2f..%2fmild-hunch.db", TestContext.Current.CancellationToken)).StatusCode
            .ShouldBe(HttpStatusCode.NotFound);
    }

    /// <summary>What unpacks to hundreds of megabytes is refused by its size, half a picture because it is one; neither is kept.</summary>
    [Fact]
    public async Task A_picture_that_is_too_many_points_or_cut_short_is_refused()
    {
        var (large, why) = await Send(Png(10_000, 10_000), "image/png");
        large.StatusCode.ShouldBe(HttpStatusCode.BadRequest);
        why!["errors"]!["photo"]![0]!.GetValue<string>().ShouldContain("10000 by 10000 points");
        var whole = Jpeg(400, 200);
        var (half, says) = await Send(whole[..(whole.Length / 2)], "image/jpeg");
        half.StatusCode.ShouldBe(HttpStatusCode.BadRequest);
        says!["errors"]!["photo"]![0]!.GetValue<string>().ShouldContain("damaged or cut short");
    }

    // A head that promises so many points, and hardly any data: CRC-32 as in the PNG specification (ISO/IEC 15948).
    private static byte[] Png(int width, int height)
    {
        using var file = new MemoryStream();
        file.Write([0x89, 0x50, 0x4E, 0x47, 0x0D, 0x0A, 0x1A, 0x0A]);
        Chunk("IHDR", [.. Big(width), .. Big(height), 8, 6, 0, 0, 0]);
        Chunk("IDAT", [0x78, 0x9C, 0x63, 0x00, 0x00]);
        return file.ToArray();

        byte[] Big(int number) => [(byte)(number >> 24), (byte)(number >> 16), (byte)(number >> 8), (byte)number];

        void Chunk(string name, byte[] data)
        {
            byte[] named = [.. System.Text.Encoding.ASCII.GetBytes(name), .. data];
            file.Write(Big(data.Length));
            file.Write(named);
            file.Write(Big((int)Crc(named)));
        }

        uint Crc(byte[] data)
        {
            var crc = uint.MaxValue;
            foreach (var one in data)
            {
                crc ^= one;
                for (var k = 0; k < 8; k++)
                    crc = (crc & 1) == 1 ? (crc >> 1) ^ 0xEDB88320 : crc >> 1;
            }

            return ~crc;
        }
    }

    private async Task<(HttpResponseMessage Response, JsonNode? Body)> Send(byte[] photo, string type)
    {
        using var content = new ByteArrayContent(photo);
        content.Headers.ContentType = new MediaTypeHeaderValue(type);
        var response = await product.Http.PostAsync("/api/photos", content, TestContext.Current.CancellationToken);
        return (response, JsonNode.Parse(await response.Content.ReadAsStringAsync(TestContext.Current.CancellationToken)));
    }

    // Left half red, right half blue.
    private static byte[] Jpeg(int width, int height)
    {
        using var surface = SKSurface.Create(new SKImageInfo(width, height));
        surface.Canvas.Clear(SKColors.Blue);
        using var red = new SKPaint { Color = SKColors.Red };
        surface.Canvas.DrawRect(0, 0, width / 2f, height, red);
        using var image = surface.Snapshot();
        return image.Encode(SKEncodedImageFormat.Jpeg, 90).ToArray();
    }

    // A minimal Exif segment with one entry, the orientation, behind the start of the picture.
    private static byte[] WithOrientation(byte[] jpeg, byte orientation) =>
    [
        .. jpeg.AsSpan(0, 2),
        0xFF, 0xE1, 0, 34, .. "Exif\0\0"u8, .. "MM"u8, 0, 42, 0, 0, 0, 8,
        0, 1, 0x01, 0x12, 0, 3, 0, 0, 0, 1, 0, orientation, 0, 0, 0, 0, 0, 0,
        .. jpeg.AsSpan(2),
    ];
}
