using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;
using MildHunch.Core.Records.Lives;
using MildHunch.Core.Records.Patterns;
using MildHunch.Core.Service;
using MildHunch.Core.Tests.Records;

namespace MildHunch.DemoYears;

/// <summary>A part that failed on a day, and whether the whole set was changed with it.</summary>
internal sealed record Failure(string Tag, DateOnly On, double Hours, RecordPart Part, bool WholeSet, string? Batch);

/// <summary>Failures of the demo pumps over the years, from their seeds alone.</summary>
internal static class Failures
{
    /// <summary>The record of one pump as its seed has it.</summary>
    public static PumpOnRecord Of(PumpYears years, ReciprocatingPump pump, Setup setup, ServiceSheets sheets, Catalogue catalogue) =>
        new RandomShop(years.Seed, Plan.From, Plan.Hard, Plan.WholeSets(years.Tag)).Draw(
            new ShopPump(years.Tag, pump, setup, years.HoursPerWeek) { Batches = Plan.Batches(years.Tag) ?? [] }, sheets, catalogue,
            Plan.To);

    /// <summary>Its failures, the earliest first, but those nobody opens a pump for.</summary>
    public static IReadOnlyList<Failure> In(PumpOnRecord record)
    {
        var parts = record.Parts.ToDictionary(p => p.At.Key);
        var along = record.Lives.Where(l => l.Out is { Out.Why: OutWhy.Along }).Select(l => l.Out!.Hours).ToHashSet();
        return
        [
            .. record.Lives.Where(l => l.Failed && parts[l.At.Key].Family.Tested || l is { Failed: true, At.Part: "nozzle" })
                .OrderBy(l => l.Out!.Hours).Select(l => new Failure(
                    record.Tag, l.Out!.On, l.Out.Hours, parts[l.At.Key], along.Contains(l.Out.Hours), l.Out.In?.Batch)),
        ];
    }
}
