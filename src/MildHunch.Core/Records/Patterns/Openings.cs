using MildHunch.Core.Records.Lives;

namespace MildHunch.Core.Records.Patterns;

/// <summary>
/// Failures by the openings at which they were found. Parts that fail together (the pump ran dry) are one event, whatever was noted:
/// failures of one case or of one day count once.
/// </summary>
internal static class Openings
{
    private const uint Offset = 2_166_136_261;
    private const uint Prime = 16_777_619;

    /// <summary>One failure of each opening, the earliest opening first.</summary>
    /// <param name="failed">Of one family or kind in one pump.</param>
    public static IEnumerable<PartLife> Once(IEnumerable<PartLife> failed)
    {
        var cases = new HashSet<string>();
        foreach (var day in failed.Where(l => l.Failed).GroupBy(l => l.Out!.On).OrderBy(g => g.Key))
        {
            PartLife[] fresh = [.. day.Where(l => l.Out!.Case is not { } of || !cases.Contains(of))];
            cases.UnionWith(day.Select(l => l.Out!.Case).OfType<string>());
            if (fresh.Length > 0)
                yield return fresh.MinBy(l => Lot($"{day.Key.DayNumber} {l.At.Key} {l.Out!.Id}"))!;
        }
    }

    // Which of them stands for the opening is left to a lot that is the same every time and prefers no place (FNV-1a, stirred).
    private static uint Lot(string of)
    {
        var lot = Offset;
        foreach (var letter in of)
            lot = (lot ^ letter) * Prime;
        lot ^= lot >> 15;
        lot *= 0x2c1b3c6d;
        return lot ^ (lot >> 13);
    }
}
