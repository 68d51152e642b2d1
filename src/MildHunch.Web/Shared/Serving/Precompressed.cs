using Microsoft.AspNetCore.StaticFiles;

namespace MildHunch.Web.Shared.Serving;

/// <summary>Sends the files of the client as they were compressed when it was built, to every browser that reads Brotli.</summary>
public static class Precompressed
{
    private const string Ending = ".br";

    /// <summary>Turns to the compressed file where there is one and it can be read.</summary>
    public static Task Prefer(HttpContext context, RequestDelegate next)
    {
        var request = context.Request;
        var files = context.RequestServices.GetRequiredService<IWebHostEnvironment>().WebRootFileProvider;
        if (HttpMethods.IsGet(request.Method) && ReadsBrotli(request) && request.Path.Value is { Length: > 1 } path
            && files.GetFileInfo(path + Ending).Exists)
            request.Path = path + Ending;
        return next(context);
    }

    /// <summary>Says what a compressed file holds.</summary>
    public static void Describe(StaticFileResponseContext file)
    {
        if (!file.File.Name.EndsWith(Ending, StringComparison.Ordinal))
            return;
        var headers = file.Context.Response.Headers;
        headers.ContentEncoding = "br";
        headers.Vary = "Accept-Encoding";
        headers.ContentType = new FileExtensionContentTypeProvider().TryGetContentType(file.File.Name[..^Ending.Length], out var type)
            ? type
            : "application/octet-stream";
    }

    private static bool ReadsBrotli(HttpRequest request) =>
        request.Headers.AcceptEncoding.ToString().Split(',').Any(e => e.Split(';')[0].Trim() == "br");
}
