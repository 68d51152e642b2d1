using System.Globalization;

namespace MildHunch.Web.Shared;

/// <summary>Version numbers as entity tags, so that two tablets cannot overwrite one another.</summary>
public static class ETags
{
    public static string Of(int version) => $"\"{version.ToString(CultureInfo.InvariantCulture)}\"";

    /// <summary>The version that the caller saw; null where it says none, or no number.</summary>
    public static int? Given(HttpRequest request) =>
        request.Headers.IfMatch.ToString() is ['"', .. var number, '"']
            && int.TryParse(number, NumberStyles.None, CultureInfo.InvariantCulture, out var version)
            ? version
            : null;

    /// <summary>Refuses with 428 when If-Match is missing and with 412 when somebody else was faster.</summary>
    public static void Require(HttpRequest request, int version)
    {
        var given = request.Headers.IfMatch.ToString();
        if (given.Length == 0)
            throw new RefusalException(
                StatusCodes.Status428PreconditionRequired, "Which version is changed?", "If-Match",
                "Send If-Match with the ETag of what you saw.");
        if (given != Of(version))
            throw Stale();
    }

    public static RefusalException Stale() => new(
        StatusCodes.Status412PreconditionFailed, "Changed elsewhere meanwhile", "If-Match",
        "Somebody else changed this meanwhile. Load it again; what you typed is still on your screen.");

    public static void Show(HttpResponse response, int version) => response.Headers.ETag = Of(version);
}
