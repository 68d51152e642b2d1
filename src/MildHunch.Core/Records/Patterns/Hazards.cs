using MildHunch.Core.Numerics;
using MildHunch.Core.Records.Lives;

namespace MildHunch.Core.Records.Patterns;

/// <summary>How likely each part in a pump is to fail next: by the catalogue’s life where there is one, else by its weight.</summary>
internal sealed class Hazards
{
    private const int DutyDays = 30;

    private readonly PumpOnRecord pump;
    private readonly RecordPart[] parts;
    private readonly FailureLaw[] laws;
    private readonly PartChange[][] fittings;
    private readonly double began;

    public Hazards(PumpOnRecord pump, PartFamily family)
    {
        this.pump = pump;
        parts = [.. pump.Parts.Where(p => p.Family.Id == family.Id)];
        began = pump.HoursAt(pump.From);
        var lives = pump.Lives.ToLookup(l => l.At.Key);
        Lives = [.. parts.Select(p => (PartLife[])[.. lives[p.At.Key]])];
        laws = [.. parts.Select(p => new FailureLaw(p))];
        fittings =
        [
            .. Lives.Select(part => part.Select(l => l.Fitted).OfType<PartChange>().OrderBy(c => c.On).ThenBy(c => c.Hours).ToArray()),
        ];
        Index = parts.Index().ToDictionary(p => p.Item.At.Key, p => p.Index);
        Events =
        [
            .. pump.Lives.Where(l => l.Failed && Index.ContainsKey(l.At.Key)).OrderBy(l => l.Out!.On).ThenBy(l => l.Out!.Hours)
                .ThenBy(l => l.At.Key, StringComparer.Ordinal),
        ];
    }

    public IReadOnlyList<RecordPart> Parts => parts;

    /// <summary>What was and is in at each of them, in the order in which it went in.</summary>
    public IReadOnlyList<IReadOnlyList<PartLife>> Lives { get; }

    public PumpOnRecord Pump => pump;

    /// <summary>Where a position stands among the parts.</summary>
    public IReadOnlyDictionary<string, int> Index { get; }

    /// <summary>Failures of the family, the earliest first.</summary>
    public IReadOnlyList<PartLife> Events { get; }

    /// <summary>Failures an hour of each part, as they stood when the pump had run so many hours and was not opened yet.</summary>
    public double[] At(double hours)
    {
        var rates = new double[parts.Length];
        for (var i = 0; i < rates.Length; i++)
            rates[i] = laws[i].At(hours - (Array.FindLast(fittings[i], c => c.Hours < hours)?.Hours ?? began));
        return rates;
    }

    /// <summary>Failures a day of all of them, as they stood on the morning of a day.</summary>
    public double PerDay(DateOnly day)
    {
        var hours = pump.HoursAt(day);
        double sum = 0;
        for (var i = 0; i < laws.Length; i++)
            sum += laws[i].At(hours - Fitted(fittings[i], day));
        return sum * Math.Max(1e-3, hours - pump.HoursAt(day.AddDays(-DutyDays))) / DutyDays;
    }

    // Hours of the pump when what was in that morning was fitted; where nobody noted it, when the record began.
    private double Fitted(PartChange[] changes, DateOnly morning)
    {
        var after = Rising.First(changes, c => c.On >= morning);
        return after > 0 ? changes[after - 1].Hours : began;
    }
}
