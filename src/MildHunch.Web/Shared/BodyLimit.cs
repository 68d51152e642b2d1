using Microsoft.AspNetCore.Http.Features;

namespace MildHunch.Web.Shared;

/// <summary>
/// Refuses bodies that are too large in words. The body is read to its end first (within reason): a caller whose
/// connection breaks while it is still sending never sees the answer.
/// </summary>
public static class BodyLimit
{
    private const long ReadAtMost = 128 * 1024 * 1024;

    public static async Task Enforce(HttpContext context, RequestDelegate next)
    {
        // Photographs and cases from elsewhere alone may be larger.
        var photo = context.Request.Path.StartsWithSegments(BodyLimits.PhotoPath);
        var most = photo ? BodyLimits.PhotoBytes
            : context.Request.Path.StartsWithSegments(BodyLimits.ImportPath) ? BodyLimits.ImportBytes
            : BodyLimits.BodyBytes;
        if (context.Request.ContentLength is not { } length || length <= most)
        {
            await next(context);
            return;
        }

        if (length <= ReadAtMost && context.Features.Get<IHttpMaxRequestBodySizeFeature>() is { IsReadOnly: false } limit)
        {
            limit.MaxRequestBodySize = null;
            await context.Request.Body.CopyToAsync(Stream.Null, context.RequestAborted);
        }

        if (photo)
            throw new RefusalException(
                StatusCodes.Status413PayloadTooLarge, "Too large a photograph", "photo",
                $"This photograph has {length / (1024 * 1024)} MB; at most {BodyLimits.PhotoBytes / (1024 * 1024)} MB are taken in. "
                    + "Take it again with a smaller picture size.");
        throw new BadHttpRequestException("too large", StatusCodes.Status413PayloadTooLarge);
    }
}
