using Microsoft.AspNetCore.Http.Features;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using MildHunch.Core;
using MildHunch.Store;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Photos;

/// <summary>A photograph as it was kept; name it where it belongs.</summary>
public sealed record PhotoResource(string Hash, int Width, int Height, int Bytes);

/// <summary>Photographs of plates, plumbing and parts.</summary>
public static class PhotoEndpoints
{
    public static void Map(IEndpointRouteBuilder routes)
    {
        var group = routes.MapGroup(BodyLimits.PhotoPath).WithTags("Photographs");
        group.MapPost("/", Add).Accepts<byte[]>("image/*", "application/octet-stream")
            .WithSummary("Keeps a photograph, at most 20 MB: drawn anew, upright, without what the camera wrote into it.");
        group.MapGet("/{hash}", (string hash, PhotoFiles files, HttpResponse response) =>
        {
            var path = files.Find(hash) ?? throw RefusalException.NotFound("photograph", hash);
            response.Headers.CacheControl = "private, max-age=31536000, immutable";
            return TypedResults.PhysicalFile(path, "image/jpeg");
        }).WithSummary("One photograph.");
    }

    private static async Task<Created<PhotoResource>> Add(
        HttpRequest request, PhotoFiles files, MildHunchDb db, TimeProvider clock, CancellationToken stop)
    {
        var photo = await PhotoFiles.Read(await Sent(request, stop), stop);

        // On the disk first: a row never names a file that is not there.
        await files.Keep(photo, stop);
        await db.Database.ExecuteSqlAsync(
            $"""
            INSERT OR IGNORE INTO Photos (Hash, Bytes, Width, Height, At)
            VALUES ({photo.Hash}, {photo.Content.Length}, {photo.Width}, {photo.Height}, {clock.GetUtcNow().UtcDateTime})
            """, stop);
        return TypedResults.Created(
            $"{BodyLimits.PhotoPath}/{photo.Hash}", new PhotoResource(photo.Hash, photo.Width, photo.Height, photo.Content.Length));
    }

    private static async Task<byte[]> Sent(HttpRequest request, CancellationToken stop)
    {
        if (request.HttpContext.Features.Get<IHttpMaxRequestBodySizeFeature>() is { IsReadOnly: false } limit)
            limit.MaxRequestBodySize = BodyLimits.PhotoBytes + 1;
        using var content = new MemoryStream();
        await request.Body.CopyToAsync(content, stop);
        return content.Length is > 0 and <= BodyLimits.PhotoBytes
            ? content.ToArray()
            : throw new ImpossibleInputException(
                "photo", content.Length == 0 ? "nothing" : "more than 20 MB", "a photograph (JPEG, PNG or WebP) of at most 20 MB");
    }
}
