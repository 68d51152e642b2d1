using MildHunch.Core.Faults;

namespace MildHunch.Core.Service.Counts;

/// <summary>How likely a pump is to be opened again before its next service.</summary>
/// <param name="AtLeast">Chance from what is known, 0 to 1.</param>
/// <param name="Unknown">Parts about whose life nothing is known, in trade words.</param>
public sealed record AgainChance(double AtLeast, IReadOnlyList<string> Unknown);

/// <summary>A part that wears: hours on it after the work, and its life.</summary>
/// <param name="Name">In trade words.</param>
/// <param name="Hours">Hours it has run, 0 for a new one; null where nobody noted them.</param>
/// <param name="Wear">Its life; null where there is none on record.</param>
public sealed record WearingPart(string Name, double? Hours, Wear? Wear);

/// <summary>
/// A pump is opened again where the cause was elsewhere in it, or where a part does not last until the next service: two-parameter
/// Weibull lives, a part that has run so far given (docs/trade.md, Wear).
/// </summary>
public static class OpeningAgain
{
    // The share that has failed at B10.
    private const double Tenth = 0.1;

    /// <summary>The chance.</summary>
    /// <param name="elsewhere">Share of suspicion on parts that this work opens nothing of, 0 to 1.</param>
    /// <param name="parts">Parts that wear, one entry a place.</param>
    /// <param name="interval">Hours until the next service; null where nobody noted them.</param>
    public static AgainChance Of(double elsewhere, IReadOnlyList<WearingPart> parts, double? interval)
    {
        Guard.Within("elsewhere", elsewhere, 0, 1 + 1e-9, $"{elsewhere}", "0 to 1");
        var lasts = 1 - Math.Min(1, elsewhere);
        var unknown = parts.Where(p => p.Wear is null).Select(p => $"{p.Name}: no life on record")
            .Concat(parts.Where(p => p is { Wear: not null, Hours: null }).Select(p => $"{p.Name}: hours not noted"))
            .Concat(interval is null ? ["hours until the next service not noted"] : []).Distinct().ToArray();
        if (interval is { } hours)
            foreach (var part in parts)
                if (part is { Wear: { } wear, Hours: { } run })
                    lasts *= Surviving(wear, run + hours) / Surviving(wear, run);
        return new AgainChance(1 - lasts, unknown);
    }

    private static double Surviving(Wear wear, double hours)
    {
        var scale = wear.B10Hours / Math.Pow(-Math.Log(1 - Tenth), 1 / wear.Shape);
        return Math.Exp(-Math.Pow(hours / scale, wear.Shape));
    }
}
