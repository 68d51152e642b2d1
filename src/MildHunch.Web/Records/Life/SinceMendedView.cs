using MildHunch.Core.Records.Outcomes;
using MildHunch.Core.Records.Patterns;

namespace MildHunch.Web.Records.Life;

/// <summary>Closed cases that mended a cause, each with how often it failed before and since.</summary>
internal static class SinceMendedView
{
    private const int Most = 5;

    public static IReadOnlyList<string> Sentences(
        PumpMemory pump, IReadOnlyList<CaseOnRecordDto> cases, Func<DateTime, DateOnly> dayOf, DateOnly today) =>
    [
        .. cases.Where(c => c is { Closed: not null, ClosedAt: not null }).OrderByDescending(c => c.ClosedAt)
            .SelectMany(c => Families(c.Closed!).Select(f => SinceMended.Of(
                pump.Record, f, dayOf(c.ClosedAt!.Value), today)))
            .OfType<SinceMended>().Select(s => s.Sentence).Distinct().Take(Most),
    ];

    private static IEnumerable<PartFamily> Families(string closed) =>
        PartFamilies.BuiltIn.Families.Where(f => Outcome.Read(closed)!.Faults.Any(f.Causes.Contains));
}
