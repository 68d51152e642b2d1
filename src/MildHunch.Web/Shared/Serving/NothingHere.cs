using Microsoft.AspNetCore.Http.Metadata;
using Microsoft.AspNetCore.Routing.Template;

namespace MildHunch.Web.Shared.Serving;

/// <summary>What nobody answers under /api: because there is nothing, or not by this method, or not of this kind.</summary>
public static class NothingHere
{
    public static void Map(IEndpointRouteBuilder routes) =>
        routes.Map("/api/{**rest}", (HttpContext context, EndpointDataSource all) => Say(context, all)).ExcludeFromDescription();

    private static IResult Say(HttpContext context, EndpointDataSource all)
    {
        var request = context.Request;
        RouteEndpoint[] here =
        [
            .. all.Endpoints.OfType<RouteEndpoint>().Where(e => e.RoutePattern.RawText?.Contains("{*", StringComparison.Ordinal) == false
                && new TemplateMatcher(new RouteTemplate(e.RoutePattern), []).TryMatch(request.Path, [])),
        ];
        if (here.Length == 0)
            throw new RefusalException(
                StatusCodes.Status404NotFound, "Nothing there", "path", $"There is nothing at {request.Path}.");
        string[] methods = [.. here.SelectMany(Methods).Distinct().Order(StringComparer.Ordinal)];
        if (!methods.Contains(request.Method))
        {
            var allowed = string.Join(", ", methods);

            // At the last moment: a refusal loses what was set before.
            context.Response.OnStarting(() =>
            {
                context.Response.Headers.Allow = allowed;
                return Task.CompletedTask;
            });
            throw new RefusalException(
                StatusCodes.Status405MethodNotAllowed, "Not by this method", "method",
                $"{request.Path} answers to {string.Join(" and ", methods)}, not to {request.Method}.");
        }

        var kinds = here.Where(e => Methods(e).Contains(request.Method))
            .SelectMany(e => e.Metadata.GetMetadata<IAcceptsMetadata>()?.ContentTypes ?? []).Distinct();
        throw new RefusalException(
            StatusCodes.Status415UnsupportedMediaType, "Not of this kind", "Content-Type", $"Send {string.Join(" or ", kinds)} here.");
    }

    private static IReadOnlyList<string> Methods(RouteEndpoint endpoint) =>
        endpoint.Metadata.GetMetadata<HttpMethodMetadata>()?.HttpMethods ?? [];
}
