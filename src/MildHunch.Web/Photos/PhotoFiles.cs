using System.Security.Cryptography;
using MildHunch.Core;
using MildHunch.Store;
using SkiaSharp;

namespace MildHunch.Web.Photos;

/// <summary>A picture ready to be kept.</summary>
public sealed record PhotoFile(string Hash, byte[] Content, int Width, int Height);

/// <summary>
/// Photographs beside the database, each named after its content. What is kept is drawn anew: upright, no longer than needed on a screen,
/// and without what the camera wrote into it (place, time, device).
/// </summary>
public sealed class PhotoFiles(string folder)
{
    /// <summary>Longest side that is kept, pixels.</summary>
    public const int LongestSide = 2048;

    // More than any camera of a tablet makes; what unpacks to more is refused before it is unpacked. A JPEG is unpacked to less at once,
    // anything else to all of its points, four bytes each.
    private const long MostPixels = 100_000_000;
    private const long MostWhole = 40_000_000;
    private const int Quality = 86;

    // A JPEG unpacks to whole eighths of its size.
    private const int JpegSteps = 8;
    private const string Accepted = "a photograph (JPEG, PNG or WebP) of at most 20 MB";

    // One at a time: each may need some hundred megabytes while it is drawn.
    private static readonly SemaphoreSlim Drawing = new(1);

    private readonly string root = Path.Combine(folder, "photos");

    /// <summary>Draws a photograph anew, once those before it are drawn; refuses what is no picture.</summary>
    /// <exception cref="ImpossibleInputException">Not a picture, a damaged or too large a one.</exception>
    public static async Task<PhotoFile> Read(byte[] sent, CancellationToken stop)
    {
        await Drawing.WaitAsync(stop);
        try
        {
            return Drawn(sent);
        }
        finally
        {
            Drawing.Release();
        }
    }

    /// <summary>A photograph from elsewhere as it is kept here: as it is where it holds nothing but a picture of our making.</summary>
    /// <exception cref="ImpossibleInputException">Not a picture, a damaged or too large a one.</exception>
    public static async Task<PhotoFile> Taken(byte[] sent, CancellationToken stop)
    {
        var drawn = await Read(sent, stop);
        return PlainJpeg.Is(sent) && Math.Max(drawn.Width, drawn.Height) <= LongestSide
            ? drawn with { Hash = Convert.ToHexStringLower(SHA256.HashData(sent)), Content = sent }
            : drawn;
    }

    private static PhotoFile Drawn(byte[] sent)
    {
        using var codec = SKCodec.Create(new MemoryStream(sent)) ?? throw new ImpossibleInputException("photo", "no picture", Accepted);
        // A large one is unpacked to about the size that is kept, where its kind allows.
        var scale = Math.Min(1, (double)LongestSide / Math.Max(codec.Info.Width, codec.Info.Height));
        var size = codec.GetScaledDimensions((float)(Math.Ceiling(scale * JpegSteps) / JpegSteps));
        if ((long)codec.Info.Width * codec.Info.Height > MostPixels || (long)size.Width * size.Height > MostWhole)
            throw new ImpossibleInputException(
                "photo", $"{codec.Info.Width} by {codec.Info.Height} points", "at most 100 million points as JPEG, 40 million otherwise");
        using var whole = new SKBitmap(codec.Info.WithSize(size));

        // Half a picture is not kept as if it were whole.
        if (codec.GetPixels(whole.Info, whole.GetPixels()) != SKCodecResult.Success)
            throw new ImpossibleInputException("photo", "a picture that is damaged or cut short", Accepted);
        using var upright = Upright(whole, codec.EncodedOrigin);
        using var image = SKImage.FromBitmap(upright);
        using var data = image.Encode(SKEncodedImageFormat.Jpeg, Quality);
        var content = data.ToArray();
        return new PhotoFile(Convert.ToHexStringLower(SHA256.HashData(content)), content, upright.Width, upright.Height);
    }

    /// <summary>Keeps it, on the disk before this returns; a picture that is there already stays as it is.</summary>
    public Task Keep(PhotoFile photo, CancellationToken stop) => Keep(photo.Hash, new MemoryStream(photo.Content), stop);

    /// <summary>The same of a content whose name is known to be its own.</summary>
    public async Task Keep(string hash, Stream content, CancellationToken stop)
    {
        var path = PathOf(hash);
        if (!File.Exists(path))
            await WholeFile.WriteAsync(path, content, stop);
    }

    /// <summary>Where a picture lies; null where there is none of that name.</summary>
    public string? Find(string? hash) =>
        hash is { Length: 64 } && hash.All(char.IsAsciiHexDigitLower) && File.Exists(PathOf(hash)) ? PathOf(hash) : null;

    private string PathOf(string hash) => Path.Combine(root, hash[..2], $"{hash}.jpg");

    private static SKBitmap Upright(SKBitmap whole, SKEncodedOrigin origin)
    {
        var turned = origin >= SKEncodedOrigin.LeftTop;
        var scale = Math.Min(1, (double)LongestSide / Math.Max(whole.Width, whole.Height));
        var (width, height) = (Math.Max(1, (int)Math.Round(whole.Width * scale)), Math.Max(1, (int)Math.Round(whole.Height * scale)));
        var drawn = turned ? new SKBitmap(height, width) : new SKBitmap(width, height);
        using var canvas = new SKCanvas(drawn);
        canvas.Clear(SKColors.White);
        canvas.Concat(Turn(origin, width, height));
        using var image = SKImage.FromBitmap(whole);
        canvas.DrawImage(image, SKRect.Create(width, height), new SKSamplingOptions(SKCubicResampler.Mitchell));
        return drawn;
    }

    // From how the camera was held (Exif 2.3, orientation 1 to 8) to upright; width and height are those of the picture as it was kept.
    private static SKMatrix Turn(SKEncodedOrigin origin, int width, int height) => origin switch
    {
        SKEncodedOrigin.TopRight => new SKMatrix(-1, 0, width, 0, 1, 0, 0, 0, 1),
        SKEncodedOrigin.BottomRight => new SKMatrix(-1, 0, width, 0, -1, height, 0, 0, 1),
        SKEncodedOrigin.BottomLeft => new SKMatrix(1, 0, 0, 0, -1, height, 0, 0, 1),
        SKEncodedOrigin.LeftTop => new SKMatrix(0, 1, 0, 1, 0, 0, 0, 0, 1),
        SKEncodedOrigin.RightTop => new SKMatrix(0, -1, height, 1, 0, 0, 0, 0, 1),
        SKEncodedOrigin.RightBottom => new SKMatrix(0, -1, height, -1, 0, width, 0, 0, 1),
        SKEncodedOrigin.LeftBottom => new SKMatrix(0, 1, 0, -1, 0, width, 0, 0, 1),
        _ => SKMatrix.Identity,
    };
}
