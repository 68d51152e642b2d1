using MildHunch.Store;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Cases;

/// <summary>
/// What a case knows by name rather than by entry. Some are kept as JSON in a fact of their own: set as a whole, taken back
/// as a whole, and shown elsewhere.
/// </summary>
public static class CaseFacts
{
    public const string Complaint = "complaint";

    /// <summary>Where a case stood, as older versions noted it among the changes.</summary>
    private const string Stage = "stage";

    /// <summary>What it turned out to be.</summary>
    public const string Closed = "closed";

    /// <summary>Why it was opened again.</summary>
    public const string Reopened = "reopened";

    /// <summary>Hours on the pump’s meter.</summary>
    public const string Meter = "meter-hours";

    public const string Context = "context";
    public const string Hours = "hours";
    public const string CouldNot = "could-not";
    public const string Limits = "limits";

    private static readonly string[] Inner = [Context, Hours, CouldNot, Limits, Stage, CaseRounds.FactName];

    /// <summary>Facts that are texts, by name.</summary>
    public static Dictionary<string, string> Texts(this CaseEntity entity) =>
        entity.InForce(entity.Facts)
            .Where(f => !Inner.Contains(f.Name) && !CaseRounds.Prefixes.Any(k => f.Name.StartsWith(k, StringComparison.Ordinal)))
            .ToDictionary(f => f.Name, f => f.Value);

    /// <summary>A fact kept as JSON; null where it was never set.</summary>
    public static T? Kept<T>(this CaseEntity entity, string fact)
        where T : class => entity.Fact(fact) is { } json ? Stored.Read<T>(json) : null;

    /// <summary>Pieces of the pump's history.</summary>
    public static string[] History(this CaseEntity entity) =>
        entity.Fact(Context)?.Split(',', StringSplitOptions.RemoveEmptyEntries) ?? [];
}
