using System.Security.Cryptography;
using System.Text;
using Microsoft.EntityFrameworkCore;
using MildHunch.Core;
using MildHunch.Store;

namespace MildHunch.Web.Shared.Sending;

/// <summary>
/// An answer that was lost on the way is asked for again with the same key: nothing is done twice, and nobody is told that somebody else
/// was faster. The answer is then what stands where the change was made.
/// </summary>
public static class SenderKeys
{
    public const string Header = "Idempotency-Key";
    private const int Longest = 100;

    // Nothing is read of what is gone.
    private const string Nothing = "";

    /// <summary>For how long a key is known; nobody waits that long for an answer.</summary>
    public static readonly TimeSpan Known = TimeSpan.FromDays(14);

    // By how a path ends: where what came of it is read.
    private static readonly (string End, string Read)[] ReadAt =
    [
        ("/changes", ""), ("/undo", ""), ("/redo", ""), ("/report/sign", "/report"), ("/meter", "/life"), ("/part-changes", "/life"),
        ("/part-changes.csv", "/life"), ("/swap", "/life"), ("/running", "/life"), ("/api/stock", "/api/stock"), ("/sheet", ""),
        ("/api/cases", "/api/cases"), ("/api/pumps", "/api/pumps"),
    ];

    /// <summary>Answers what was done before; before anybody looks for the endpoint.</summary>
    public static async Task Replay(HttpContext context, RequestDelegate next)
    {
        var sent = context.Request.Headers[Header].ToString();
        if (sent.Length == 0 || HttpMethods.IsGet(context.Request.Method) || Read(context.Request) is not { } read)
        {
            await next(context);
            return;
        }

        if (sent.Length > Longest)
            throw new ImpossibleInputException(Header, $"{sent.Length} characters", $"at most {Longest} characters");
        var key = new SentKey(KeyOf(context.Request, sent));
        if (await Find(context.RequestServices, key.Key, context.RequestAborted) is { } before)
        {
            await Again(context, before.Location ?? read, next);
            return;
        }

        context.Items[typeof(SentKey)] = key;
        try
        {
            await next(context);
        }
        catch (RefusalException) when (!context.Response.HasStarted)
        {
            // Of the same thing sent twice at once, one went through: the other answers as it did.
            await using var fresh = context.RequestServices.CreateAsyncScope();
            if (await Find(fresh.ServiceProvider, key.Key, context.RequestAborted) is not { } twin)
                throw;
            var own = context.RequestServices;
            context.RequestServices = fresh.ServiceProvider;
            try
            {
                await Again(context, twin.Location ?? read, next);
            }
            finally
            {
                context.RequestServices = own;
            }
        }
    }

    /// <summary>Forgets keys that nobody asks about any more.</summary>
    public static Task Sweep(MildHunchDb db, DateTime now, CancellationToken stop) =>
        db.Sent.Where(s => s.At < now - Known).ExecuteDeleteAsync(stop);

    /// <summary>Says where what comes of a request is read, where its path and what is new do not say it; before it is saved.</summary>
    public static void AnswerAt(this HttpContext context, string location)
    {
        if (Of(context) is { } sent)
            sent.Location = location;
    }

    internal static SentKey? Of(HttpContext? context) => context?.Items[typeof(SentKey)] as SentKey;

    private static string? Read(HttpRequest request)
    {
        var path = request.Path.Value ?? "";
        if (HttpMethods.IsPut(request.Method) && path.StartsWith("/api/pumps/", StringComparison.Ordinal) && path.Count(c => c == '/') == 3)
            return path;
        if (HttpMethods.IsDelete(request.Method))
            return path.Split('/') switch
            {
                ["", "api", "pumps", var pump, "meter" or "part-changes", _] => $"/api/pumps/{pump}/life",
                ["", "api", "stock" or "history", _] => Nothing,
                _ => null,
            };
        return ReadAt.Where(r => path.EndsWith(r.End, StringComparison.Ordinal)).Select(r => path[..^r.End.Length] + r.Read)
            .FirstOrDefault();
    }

    private static Task<SentEntity?> Find(IServiceProvider services, string key, CancellationToken stop) =>
        services.GetRequiredService<MildHunchDb>().Sent.AsNoTracking().FirstOrDefaultAsync(s => s.Key == key, stop);

    private static string KeyOf(HttpRequest request, string sent) => Convert.ToHexStringLower(
        SHA256.HashData(Encoding.UTF8.GetBytes($"{request.Method} {request.Path} {sent}")));

    private static Task Again(HttpContext context, string read, RequestDelegate next)
    {
        if (read == Nothing)
        {
            context.Response.StatusCode = StatusCodes.Status204NoContent;
            return Task.CompletedTask;
        }

        context.Items.Remove(typeof(SentKey));
        context.SetEndpoint(null);
        context.Request.RouteValues.Clear();
        context.Request.Method = HttpMethods.Get;
        context.Request.Path = read;
        context.Request.Body = Stream.Null;
        context.Request.Headers.Remove("If-Match");
        context.Request.Headers.Remove("Content-Type");
        context.Request.ContentLength = null;
        return next(context);
    }
}
