using Microsoft.AspNetCore.Http.Features;

namespace MildHunch.Web.Shared;

/// <summary>
/// Refuses bodies that are too large in words. The body is read to its end first (within reason): a caller whose
/// connection breaks while it is still sending never sees the answer.
/// </summary>
public static class BodyLimit
{
    private const long ReadAtMost = 32 * 1024 * 1024;

    public static async Task Enforce(HttpContext context, RequestDelegate next)
    {
        if (context.Request.ContentLength is not { } length || length <= BodyLimits.BodyBytes)
        {
            await next(context);
            return;
        }

        if (length <= ReadAtMost && context.Features.Get<IHttpMaxRequestBodySizeFeature>() is { IsReadOnly: false } limit)
        {
            limit.MaxRequestBodySize = null;
            await context.Request.Body.CopyToAsync(Stream.Null, context.RequestAborted);
        }

        throw new BadHttpRequestException("too large", StatusCodes.Status413PayloadTooLarge);
    }
}
