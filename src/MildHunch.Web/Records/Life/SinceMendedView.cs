using MildHunch.Core.Records.Patterns;

namespace MildHunch.Web.Records.Life;

/// <summary>Closed cases that mended a cause, each with how often it failed before and since.</summary>
internal static class SinceMendedView
{
    private const int Most = 5;

    public static IReadOnlyList<string> Sentences(PumpMemory pump, IReadOnlyList<CaseOnRecordDto> cases, DateOnly today) =>
    [
        .. cases.Where(c => c is { Closed: not null, ClosedAt: not null }).OrderByDescending(c => c.ClosedAt)
            .SelectMany(c => Families(c.Closed!).Select(f => SinceMended.Of(
                pump.Record, f, DateOnly.FromDateTime(c.ClosedAt!.Value.ToLocalTime()), today)))
            .OfType<SinceMended>().Select(s => s.Sentence).Distinct().Take(Most),
    ];

    private static IEnumerable<PartFamily> Families(string closed) =>
        PartFamilies.BuiltIn.Families.Where(f => closed.Split('@')[0].Split('+').Any(f.Causes.Contains));
}
