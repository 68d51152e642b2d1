using System.Net;
using System.Text;
using Microsoft.Net.Http.Headers;

namespace MildHunch.Web.Shared;

/// <summary>What keeps a foreign page from using the product behind its user's back.</summary>
public static class Protection
{
    // Everything ships with the product; PrimeVue sets styles of its own while it runs.
    private const string FetchSite = "Sec-Fetch-Site";
    private const string Policy =
        "default-src 'self'; script-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data: blob:; font-src 'self' data:; "
            + "connect-src 'self'; worker-src 'self' blob:; "
        + "object-src 'none'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'";

    /// <summary>
    /// Headers on everything that is served, refusals too: they are set at the last moment, since a failing request loses what was set
    /// before.
    /// </summary>
    public static Task Headers(HttpContext context, RequestDelegate next)
    {
        context.Response.OnStarting(() =>
        {
            var headers = context.Response.Headers;
            headers.ContentSecurityPolicy = Policy;
            headers.XContentTypeOptions = "nosniff";
            headers.XFrameOptions = "DENY";
            headers["Referrer-Policy"] = "no-referrer";
            return Task.CompletedTask;
        });
        return next(context);
    }

    /// <summary>
    /// Names by which the product may be called: loopback, this machine's own names and addresses, and what the shop lists in
    /// ALLOWED_HOSTS (parted by semicolons). Any other name is a foreign page that had its own name point here.
    /// </summary>
    public static IReadOnlySet<string> HostNames(string? allowed)
    {
        var names = new HashSet<string>(StringComparer.OrdinalIgnoreCase) {
            "localhost", "127.0.0.1", "[::1]", Environment.MachineName, $"{Environment.MachineName}.local" };
        foreach (var name in (allowed ?? "").Split(';', StringSplitOptions.RemoveEmptyEntries | StringSplitOptions.TrimEntries))
            names.Add(name);
        try
        {
            names.Add(Dns.GetHostName());
            foreach (var address in Dns.GetHostAddresses(Dns.GetHostName()))
                names.Add(address.AddressFamily == System.Net.Sockets.AddressFamily.InterNetworkV6 ? $"[{address}]" : address.ToString());
        }
        catch (System.Net.Sockets.SocketException)
        {
            // A machine that cannot look up its own name is called by loopback or by what is listed.
        }

        return names;
    }

    /// <summary>Refuses requests under any other name.</summary>
    public static Func<HttpContext, RequestDelegate, Task> OnlyFor(IReadOnlySet<string> names) => (context, next) =>
        names.Contains(context.Request.Host.Host)
            ? next(context)
            : throw new RefusalException(
                StatusCodes.Status421MisdirectedRequest, "Not by this name", "Host",
                $"Mild Hunch is not called “{Short(context.Request.Host.Host)}” here. A shop may list names of its own in "
                    + "ALLOWED_HOSTS.");

    /// <summary>
    /// Refuses what a page of somebody else sends through its reader’s browser: forms and plain text need no leave to be sent across. The
    /// browser says where a request comes from; one that says nothing is no browser, such as a script on this machine.
    /// </summary>
    public static Task OnlyOwnPages(HttpContext context, RequestDelegate next)
    {
        var request = context.Request;
        if (HttpMethods.IsGet(request.Method) || HttpMethods.IsHead(request.Method) || HttpMethods.IsOptions(request.Method)
            || Own(request.Headers[FetchSite].ToString(), request.Headers.Origin.ToString(), request.Host.Value))
            return next(context);
        throw new RefusalException(
            StatusCodes.Status403Forbidden, "Sent by another page", "Origin",
            "Only the pages of Mild Hunch itself change anything here; this was sent from another one.");
    }

    private static bool Own(string site, string origin, string? host) => site switch
    {
        "same-origin" or "none" => true,
        "" => origin.Length == 0
            || (Uri.TryCreate(origin, UriKind.Absolute, out var page)
                && string.Equals(page.Authority, host, StringComparison.OrdinalIgnoreCase)),
        _ => false,
    };

    /// <summary>Refuses a body in letters that nobody knows, before anything tries to read it.</summary>
    public static Task KnownLetters(HttpContext context, RequestDelegate next)
    {
        if (MediaTypeHeaderValue.TryParse(context.Request.ContentType, out var type) && type.Charset.HasValue
            && !Known(type.Charset.Value.Trim('"')))
            throw new RefusalException(
                StatusCodes.Status415UnsupportedMediaType, "This request cannot be read", "Content-Type",
                $"The charset “{Short(type.Charset.Value)}” is not known. Send JSON as UTF-8.");
        return next(context);
    }

    private static bool Known(string charset)
    {
        try
        {
            _ = Encoding.GetEncoding(charset);
            return true;
        }
        catch (Exception e) when (e is ArgumentException or NotSupportedException)
        {
            return false;
        }
    }

    private static string Short(string text) => text.Length > 60 ? text[..60] + "…" : text;
}
