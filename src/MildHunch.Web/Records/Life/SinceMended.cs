using System.Globalization;
using MathNet.Numerics.Distributions;
using MildHunch.Core.Records.Patterns;

namespace MildHunch.Web.Records.Life;

/// <summary>How often a family of parts failed before a cause was mended, and since.</summary>
internal static class SinceMended
{
    public static IReadOnlyList<string> Sentences(PumpMemory pump, IReadOnlyList<CaseOnRecordDto> cases, DateOnly today)
    {
        List<string> told = [];
        foreach (var closed in cases.Where(c => c is { Closed: not null, ClosedAt: not null }).OrderByDescending(c => c.ClosedAt))
            foreach (var family in Families(closed.Closed!))
                if (Sentence(pump, family, DateOnly.FromDateTime(closed.ClosedAt!.Value.ToLocalTime()), today) is { } sentence)
                    told.Add(sentence);
        return [.. told.Distinct().Take(5)];
    }

    private static IEnumerable<PartFamily> Families(string closed) =>
        PartFamilies.BuiltIn.Families.Where(f => closed.Split('@')[0].Split('+').Any(f.Causes.Contains));

    private static string? Sentence(PumpMemory pump, PartFamily family, DateOnly mended, DateOnly today)
    {
        var keys = pump.Record.Parts.Where(p => p.Family.Id == family.Id).Select(p => p.At.Key).ToHashSet();
        var failures = pump.Record.Lives.Where(l => l.Failed && keys.Contains(l.At.Key)).Select(l => l.Out!.On).Distinct().ToArray();
        int before = failures.Count(d => d <= mended), since = failures.Length - before;
        double ranBefore = pump.Record.HoursAt(mended) - pump.Record.HoursAt(pump.Record.From),
            ranSince = pump.Record.HoursAt(today) - pump.Record.HoursAt(mended);
        if (before + since < Pattern.FewestEvents || ranBefore <= 0 || ranSince <= 0)
            return null;

        // Given how many there were in all, each fell before or since as the hours are long: the binomial law.
        var chance = new Binomial(ranSince / (ranBefore + ranSince), before + since).CumulativeDistribution(since);
        return string.Create(
            CultureInfo.InvariantCulture,
            $"Before the mend of {mended:yyyy-MM-dd}: {before} openings for {family.Name} in {ranBefore:0} h. Since: {since} in "
                + $"{ranSince:0} h (p {chance:0.000}).");
    }
}
