using System.Text.Json;
using System.Text.RegularExpressions;
using Microsoft.AspNetCore.Diagnostics;
using Microsoft.AspNetCore.Http.Metadata;
using Microsoft.AspNetCore.Mvc;
using Microsoft.Extensions.Options;
using MildHunch.Core;
using MildHunch.Web.Shared.Door;
using HttpJsonOptions = Microsoft.AspNetCore.Http.Json.JsonOptions;

namespace MildHunch.Web.Shared;

/// <summary>A request that cannot be carried out as things stand; becomes problem details with this status.</summary>
public sealed class RefusalException(int status, string title, string field, string detail) : Exception(detail)
{
    public int Status { get; } = status;

    public string Title { get; } = title;

    public string Field { get; } = field;

    public static RefusalException NotFound(string what, string id) =>
        new(StatusCodes.Status404NotFound, $"There is no {what} here", what, $"No {what} has the id “{id}”.");
}

/// <summary>Every refusal as problem details (RFC 9457) with the field named.</summary>
public sealed partial class Refusals(ILogger<Refusals> log, IOptions<HttpJsonOptions> json) : IExceptionHandler
{
    // When to try again what did not go for want of time or room.
    private const string TrySeconds = "10";

    public async ValueTask<bool> TryHandleAsync(HttpContext context, Exception exception, CancellationToken cancellationToken)
    {
        var problem = exception switch
        {
            ImpossibleInputException e => Several(e.All),
            DoubtException e => Doubtful(e),
            RefusalException e => Problem(e.Status, e.Title, e.Field, e.Message),
            BadHttpRequestException { StatusCode: StatusCodes.Status413PayloadTooLarge } => TooLarge(),
            BadHttpRequestException { InnerException: JsonException unread } => Unreadable(unread, context),
            BadHttpRequestException e =>
                Problem(
                    e.StatusCode, "This request cannot be read", "body",
                    "Nothing was sent, or not as JSON. Send a JSON object with Content-Type application/json."),
            JsonException unread => Unreadable(unread, context),
            _ when FullDisk.Is(exception) => Problem(
                StatusCodes.Status503ServiceUnavailable, "The disk is full", "",
                "Nothing was kept of this. Make room on the disk of the server, then send it again; what was typed is still on the "
                    + "screen."),
            _ => null,
        };
        if (problem is null)
        {
            log.LogError(exception, "Unexpected failure at {Path}", context.Request.Path);
            problem = Problem(
                StatusCodes.Status500InternalServerError, "Something went wrong on our side", "",
                "It has been logged. What was typed is still on the screen; try again.");
        }

        context.Response.StatusCode = problem.Status!.Value;
        if (problem.Status == StatusCodes.Status503ServiceUnavailable)
            context.Response.Headers.RetryAfter = TrySeconds;
        await context.Response.WriteAsJsonAsync(problem, options: null, contentType: "application/problem+json", cancellationToken);
        return true;
    }

    /// <summary>The refusal of a body that is too large.</summary>
    public static ProblemDetails TooLarge() =>
        Problem(StatusCodes.Status413PayloadTooLarge, "Too much at once", "body", $"A request may hold {BodyLimits.BodyBytes / 1024} kB.");

    private ProblemDetails Unreadable(JsonException unread, HttpContext context)
    {
        var path = unread.Path ?? "";
        var field = Start().Replace(path, "");
        if (unread is DoorException door)
            return Several(
                [new ImpossibleInputException(field.Length == 0 ? door.Field : $"{field}.{door.Field}", door.Given, door.Accepted)]);
        var body = context.Features.Get<IExceptionHandlerFeature>()?.Endpoint?.Metadata.GetMetadata<IAcceptsMetadata>()?.RequestType;
        return field.Length == 0
            ? Problem(
                StatusCodes.Status400BadRequest, "This request cannot be read", "body",
                "What was sent is not a JSON object as described in /openapi/v1.json.")
            : Problem(
                StatusCodes.Status400BadRequest, "This cannot be", field,
                $"{field}: what stands there is of the wrong kind. Accepted: {Wanted.At(body, path, json.Value.SerializerOptions)}.");
    }

    // Each stands at its own field; the first speaks for all where there is no field to put it. Rows of a table are all told.
    private static ProblemDetails Several(IReadOnlyList<ImpossibleInputException> all) => new()
    {
        Status = StatusCodes.Status400BadRequest,
        Title = "This cannot be",
        Detail = all[0].Field.StartsWith("row ", StringComparison.Ordinal) ? string.Join('\n', all.Select(e => e.Message)) : all[0].Message,
        Extensions = { ["errors"] = all.GroupBy(e => e.Field).ToDictionary(g => g.Key, g => g.Select(e => Capital(e.Sentence)).ToArray()) },
    };

    private static ProblemDetails Doubtful(DoubtException e)
    {
        var problem = Problem(StatusCodes.Status409Conflict, "Is that so?", e.Doubts[0].Field, e.Doubts[0].Says);
        problem.Extensions["doubts"] = e.Doubts;
        return problem;
    }

    private static string Capital(string sentence) => char.ToUpperInvariant(sentence[0]) + sentence[1..];

    private static ProblemDetails Problem(int status, string title, string field, string detail) => new()
    {
        Status = status,
        Title = title,
        Detail = detail,
        Extensions = { ["errors"] = new Dictionary<string, string[]> { [field] = [detail] } },
    };

    [GeneratedRegex(@"^\$\.?")]
    private static partial Regex Start();
}

/// <summary>Sizes beyond which nothing sensible lies.</summary>
public static class BodyLimits
{
    public const int BodyBytes = 512 * 1024;

    /// <summary>Where photographs are sent, which alone may be larger.</summary>
    public const string PhotoPath = "/api/photos";

    /// <summary>Largest photograph that is taken in.</summary>
    public const int PhotoBytes = 20 * 1024 * 1024;

    /// <summary>Where a case from elsewhere is sent, photographs and all.</summary>
    public const string ImportPath = "/api/import";

    /// <summary>Largest case file that is taken in.</summary>
    public const long ImportBytes = 1024L * 1024 * 1024;
}
