using MildHunch.Core.Faults;
using MildHunch.Core.Numerics;
using MildHunch.Core.Pumps;
using MildHunch.Core.Records.Lives;
using MildHunch.Core.Records.Patterns;
using MildHunch.Core.Records.Running;
using MildHunch.Core.Service;
using MildHunch.Core.Service.Sheets;

namespace MildHunch.Core.Tests.Records;

/// <summary>How much harder a part has it at a place on a day than the catalogue says; 1 where nothing is planted.</summary>
internal delegate double Planted(PumpOnRecord pump, RecordPart part, DateOnly day, string? batch);

/// <summary>A pump of a shop, and how it is run and served.</summary>
internal sealed record ShopPump(string Tag, ReciprocatingPump Pump, Setup Setup, double HoursPerWeek = 45)
{
    /// <summary>Put in use on that day; null on the first of the shop’s.</summary>
    public DateOnly? From { get; init; }

    /// <summary>Put away on that day; null while it is in use.</summary>
    public DateOnly? Until { get; init; }

    /// <summary>Seals and valves are renewed each year on that day; null where they are mended when they fail.</summary>
    public YearDay? Served { get; init; }

    /// <summary>Names of batches, one after another, a quarter of a year each; empty where none is noted.</summary>
    public IReadOnlyList<string> Batches { get; init; } = [];

    /// <summary>Whether what was in from new is noted.</summary>
    public bool FirstNoted { get; init; } = true;
}

/// <summary>
/// A shop whose parts fail by the catalogue’s lives, drawn by its own arithmetic: hour by hour is not walked, each part’s next failure
/// is drawn from its law and the earliest comes first.
/// </summary>
internal sealed class RandomShop(int seed, DateOnly from, Planted? planted = null, double wholeSets = 0.4)
{
    // Lives of what has a weight only: a weight of 10 is a mean of 2184 h.
    private const double HoursPerWeight = 21840;
    private static readonly string[] Yearly = ["seals", "valves"];
    private readonly SeededNoise dice = new(seed);

    /// <summary>What is on record of a pump until a day.</summary>
    public PumpOnRecord Draw(ShopPump drawn, ServiceSheets sheets, Catalogue catalogue, DateOnly to)
    {
        var (tag, pump, setup, batches) = (drawn.Tag, drawn.Pump, drawn.Setup, drawn.Batches);
        var start = drawn.From ?? from;
        var end = drawn.Until < to ? drawn.Until.Value : to;
        var fittings = Fittings.Of(pump, setup);
        ServiceSheet[] mine = [sheets.For(pump, fittings)[0], .. sheets.Beside(pump, fittings)];
        var hours = RunningHours.Of([new MeterReading("start", start, 0)], new Duty(drawn.HoursPerWeek, []), to);
        var record = new PumpOnRecord(
            tag, tag, $"{pump.Arrangement}-{pump.Cylinders}", pump.Arrangement == Arrangement.Intensifier,
            PartFamilies.BuiltIn.On(pump, mine, catalogue), [], new TimeAtRisk(hours, start, drawn.Until, RecordKept.FromNew));
        var changes = new List<PartChange>();
        var next = new Dictionary<string, double>();
        var batch = new Dictionary<string, string?>();
        foreach (var part in record.Parts)
            Fit(part, 0, null);
        if (!drawn.FirstNoted)
            changes.Clear();
        for (var served = NextService(start); ;)
        {
            var (key, at) = next.MinBy(n => n.Value);
            var day = hours.When(at, start) ?? DateOnly.MaxValue;
            if (served <= day && served < end)
            {
                foreach (var part in record.Parts.Where(p => Yearly.Contains(p.Family.Id)))
                    Fit(part, hours.At(served.Value)!.Value, new Removal(OutWhy.Along));
                served = NextService(served.Value);
                continue;
            }

            if (day >= end)
                return record with { Lives = PartLog.Lives(changes, to) };
            var failed = record.Parts.First(p => p.At.Key == key);
            var whole = dice.Even() < wholeSets;
            foreach (var part in record.Parts.Where(p => p == failed || (whole && p.Kind == failed.Kind)))
                Fit(part, at, new Removal(part == failed ? OutWhy.Failed : OutWhy.Along));
        }

        DateOnly? NextService(DateOnly after)
        {
            if (drawn.Served is not { } yearly)
                return null;
            var on = new DateOnly(after.Year, yearly.Month, yearly.Day);
            return on > after ? on : on.AddYears(1);
        }

        void Fit(RecordPart part, double at, Removal? old)
        {
            var day = old is null ? start : hours.When(at, start)!.Value;
            var name = batches.Count > 0 ? batches[(day.DayNumber - from.DayNumber) / 91 % batches.Count] : null;
            changes.Add(new PartChange($"{tag}-{changes.Count}", part.At, day, at, old, new NewPart(Batch: name)));
            batch[part.At.Key] = name;
            next[part.At.Key] = at + Life(part, at, name);
        }

        // Where something is planted that changes with the day, the hours are gone through a day at a time.
        double Life(RecordPart part, double at, string? name)
        {
            var need = -Math.Log(1 - dice.Even());
            if (planted is null)
                return Hours(part, need);
            double spent = 0, age = 0;
            const double step = 8;
            while (spent < need && age < 50_000)
            {
                spent += planted(record, part, hours.When(at + age, start) ?? to, name) * (Risk(part, age + step) - Risk(part, age));
                age += step;
            }

            return age - (step * dice.Even());
        }
    }

    private static double Risk(RecordPart part, double age) => part.Wear is { } wear
        ? -Math.Log(0.9) * Math.Pow(age / wear.B10Hours, wear.Shape)
        : age * part.Weight / HoursPerWeight;

    private static double Hours(RecordPart part, double risk) => part.Wear is { } wear
        ? wear.B10Hours * Math.Pow(risk / -Math.Log(0.9), 1 / wear.Shape)
        : risk * HoursPerWeight / part.Weight;
}
