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

/// <summary>
/// A shop whose parts fail by the catalogue’s lives, drawn by its own arithmetic: hour by hour is not walked, each part’s next failure
/// is drawn from its law and the earliest comes first.
/// </summary>
internal sealed class RandomShop(int seed, DateOnly from, Planted? planted = null, double wholeSets = 0.4)
{
    // Lives of what has a weight only: a weight of 10 is a mean of 2184 h.
    private const double HoursPerWeight = 21840;
    private readonly SeededNoise dice = new(seed);

    /// <summary>What is on record of a pump until a day.</summary>
    /// <param name="hoursPerWeek">How much it runs.</param>
    /// <param name="batches">Names of batches, one after another, a quarter of a year each; empty where none is noted.</param>
    public PumpOnRecord Draw(
        string tag, ReciprocatingPump pump, Setup setup, ServiceSheets sheets, Catalogue catalogue, double hoursPerWeek, DateOnly to,
        IReadOnlyList<string>? batches = null)
    {
        var fittings = Fittings.Of(pump, setup);
        ServiceSheet[] mine = [sheets.For(pump, fittings)[0], .. sheets.Beside(pump, fittings)];
        var duty = new Duty(hoursPerWeek, []);
        var hours = RunningHours.Of([new MeterReading("start", from, 0)], duty, to);
        var record = new PumpOnRecord(
            tag, tag, $"{pump.Arrangement}-{pump.Cylinders}", pump.Arrangement == Arrangement.Intensifier,
            PartFamilies.BuiltIn.On(pump, mine, catalogue), [], hours, from);
        var changes = new List<PartChange>();
        var next = new Dictionary<string, double>();
        var batch = new Dictionary<string, string?>();
        foreach (var part in record.Parts)
            Fit(part, 0, null);
        while (true)
        {
            var (key, at) = next.MinBy(n => n.Value);
            var day = hours.When(at, from) ?? DateOnly.MaxValue;
            if (day >= to)
                return record with { Lives = PartLog.Lives(changes, to) };
            var failed = record.Parts.First(p => p.At.Key == key);
            var whole = dice.Even() < wholeSets;
            foreach (var part in record.Parts.Where(p => p == failed || (whole && p.Kind == failed.Kind)))
                Fit(part, at, new Removal(part == failed ? OutWhy.Failed : OutWhy.Along));
        }

        void Fit(RecordPart part, double at, Removal? old)
        {
            var day = old is null ? from : hours.When(at, from)!.Value;
            var name = batches is { Count: > 0 } ? batches[(day.DayNumber - from.DayNumber) / 91 % batches.Count] : null;
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
                spent += planted(record, part, hours.When(at + age, from) ?? to, name) * (Risk(part, age + step) - Risk(part, age));
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
