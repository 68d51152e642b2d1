using MildHunch.Core.Numerics;
using MildHunch.Core.Records.Lives;

namespace MildHunch.Core.Records.Patterns;

/// <summary>How likely each part in a pump is to fail next: by the catalogue’s life where there is one, else by its weight.</summary>
internal sealed class Hazards
{
    private readonly PumpOnRecord pump;
    private readonly RecordPart[] parts;
    private readonly FailureLaw[] laws;
    private readonly PartChange[][] fittings;

    // Failures expected at each part until each of its fittings.
    private readonly double[][] until;
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
        until = [.. fittings.Select((changes, i) => Added(changes, laws[i], began))];
        Events = [.. Openings.Once(pump.Lives.Where(l => Index.ContainsKey(l.At.Key))).Where(l => pump.Time.Holds(l.Out!.On))];
    }

    public IReadOnlyList<RecordPart> Parts => parts;

    /// <summary>What was and is in at each of them, in the order in which it went in.</summary>
    public IReadOnlyList<IReadOnlyList<PartLife>> Lives { get; }

    public PumpOnRecord Pump => pump;

    /// <summary>Where a position stands among the parts.</summary>
    public IReadOnlyDictionary<string, int> Index { get; }

    /// <summary>Failures of the family while the pump was on record, one for each opening, the earliest first.</summary>
    public IReadOnlyList<PartLife> Events { get; }

    /// <summary>Failures an hour of each part, as they stood when the pump had run so many hours and was not opened yet.</summary>
    public double[] At(double hours)
    {
        var rates = new double[parts.Length];
        for (var i = 0; i < rates.Length; i++)
            rates[i] = laws[i].At(hours - (Array.FindLast(fittings[i], c => c.Hours < hours)?.Hours ?? began));
        return rates;
    }

    /// <summary>Failures a day of all of them, as they stood on the morning of a day; 0 where the pump was not in use.</summary>
    public double PerDay(DateOnly day)
    {
        var hours = pump.HoursAt(day);
        double sum = 0;
        for (var i = 0; i < laws.Length; i++)
            sum += laws[i].At(hours - Fitted(fittings[i], day));
        return sum * pump.Time.HoursADay(day);
    }

    /// <summary>Failures expected of all of them between two hours of the pump, at the ages that they had.</summary>
    public double Between(double from, double to)
    {
        double sum = 0;
        for (var i = 0; i < laws.Length; i++)
            sum += Expected(i, to) - Expected(i, from);
        return sum;
    }

    private double Expected(int part, double hours)
    {
        var after = Rising.First(fittings[part], c => c.Hours > hours);
        return after == 0
            ? laws[part].Until(hours - began)
            : until[part][after - 1] + laws[part].Until(hours - fittings[part][after - 1].Hours);
    }

    private static double[] Added(PartChange[] fittings, FailureLaw law, double began)
    {
        var added = new double[fittings.Length];
        double before = began, sum = 0;
        for (var i = 0; i < added.Length; i++)
        {
            sum += law.Until(fittings[i].Hours - before);
            (added[i], before) = (sum, fittings[i].Hours);
        }

        return added;
    }

    // Hours of the pump when what was in that morning was fitted; where nobody noted it, when the record began.
    private double Fitted(PartChange[] changes, DateOnly morning)
    {
        var after = Rising.First(changes, c => c.On >= morning);
        return after > 0 ? changes[after - 1].Hours : began;
    }
}
