using System.Globalization;
using MildHunch.Core.Expectation;
using MildHunch.Core.Quantities;
using MildHunch.Core.Records.Running;
using MildHunch.Store;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Records.Life;

/// <summary>Readings over the years beside what was expected of each, and where they drift since the last service.</summary>
internal static class DriftView
{
    private const int Ahead = 365;
    private const int Steps = 12;
    private static readonly string[] Shown = ["discharge-pressure", "nozzle-flow", "swing", "bypass-flow", "speed"];

    public static IReadOnlyList<ReadingsOverYearsDto> Of(PumpMemory memory, IReadOnlyList<ReadingOnRecordEntity> readings, DateOnly today)
    {
        var served = memory.Changes.Select(c => (DateOnly?)c.On).Max();
        return
        [
            .. Shown.SelectMany(q => readings.Where(r => r.Quantity == q).GroupBy(r => r.Quantity))
                .Select(g => Quantity(memory, g.Key, [.. g.OrderBy(r => r.On).ThenBy(r => r.After)], served, today)),
        ];
    }

    private static ReadingsOverYearsDto Quantity(
        PumpMemory memory, string quantity, ReadingOnRecordEntity[] readings, DateOnly? served, DateOnly today)
    {
        var kind = Observables.Find(quantity)!.Kind;
        var unit = Units.Preferred(kind);
        SharePoint[] since =
        [
            .. readings.Where(r => r.Expected > 0 && (served is null || r.On > served || (r.On == served && r.After)))
                .Select(r => new SharePoint(r.On, r.Value / r.Expected)),
        ];
        return new ReadingsOverYearsDto(
            quantity, ReadingNames.Full(quantity, memory.Pump.Arrangement), unit.Symbol,
            [
                .. readings.Select(r => new ReadingPointDto(
                    r.On, memory.Record.Hours.At(r.On), new Amount(kind, r.Value).ToDto(unit), new Amount(kind, r.Expected).ToDto(unit),
                    r.After, r.CaseId)),
            ],
            Drift.Through(since) is { } drift ? ToDto(drift, since[^1].On, today, served) : null);
    }

    private static DriftDto ToDto(Drift drift, DateOnly last, DateOnly today, DateOnly? served)
    {
        var from = served ?? last;
        var span = today.AddDays(Ahead).DayNumber - from.DayNumber;
        var words = string.Create(
            CultureInfo.InvariantCulture,
            $"{Math.Abs(drift.PerYear) * 100:0.#} % {(drift.PerYear < 0 ? "less" : "more")} a year since "
                + $"{(served is null ? "the first reading" : $"{served:yyyy-MM-dd}")}");
        return new DriftDto(
            Math.Round(drift.PerYear, 4), Math.Round(drift.Low, 4), Math.Round(drift.High, 4), drift.Told,
            [.. Enumerable.Range(0, Steps + 1).Select(i => drift.On(from.AddDays(span * i / Steps)))
                .Select(p => new DriftPointDto(p.On, Math.Round(p.Share, 4), Math.Round(p.Low, 4), Math.Round(p.High, 4)))],
            drift.Told ? $"It drifts: {words}." : $"No drift to be told: {words}, within the scatter of the readings.");
    }
}
