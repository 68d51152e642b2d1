using MildHunch.Core.Records.Lives;

namespace MildHunch.Core.Records.Patterns;

/// <summary>How likely each part in a pump is to fail next: by the catalogue’s life where there is one, else by its weight.</summary>
internal sealed class Hazards
{
    // A weight of 10 is worth a B10 life of 800 h at shape 2, the catalogue’s high-pressure seal: mean 2184 h.
    private const double HoursPerWeight = 21840;

    // A part just fitted is not quite without risk.
    private const double LeastAge = 1;
    private const int DutyDays = 30;

    private readonly PumpOnRecord pump;
    private readonly RecordPart[] parts;
    private readonly Dictionary<string, PartChange[]> fittings;
    private readonly double began;

    public Hazards(PumpOnRecord pump, PartFamily family)
    {
        this.pump = pump;
        parts = [.. pump.Parts.Where(p => p.Family.Id == family.Id)];
        began = pump.HoursAt(pump.From);
        fittings = pump.Lives.Where(l => l.Fitted is not null).GroupBy(l => l.At.Key)
            .ToDictionary(g => g.Key, g => g.Select(l => l.Fitted!).OrderBy(c => c.Hours).ToArray());
        Index = parts.Index().ToDictionary(p => p.Item.At.Key, p => p.Index);
        Events =
        [
            .. pump.Lives.Where(l => l.Failed && Index.ContainsKey(l.At.Key)).OrderBy(l => l.Out!.On).ThenBy(l => l.Out!.Hours)
                .ThenBy(l => l.At.Key, StringComparer.Ordinal),
        ];
    }

    public IReadOnlyList<RecordPart> Parts => parts;

    public PumpOnRecord Pump => pump;

    /// <summary>Where a position stands among the parts.</summary>
    public IReadOnlyDictionary<string, int> Index { get; }

    /// <summary>Failures of the family, the earliest first.</summary>
    public IReadOnlyList<PartLife> Events { get; }

    /// <summary>Failures an hour of each part, as they stood when the pump had run so many hours and was not opened yet.</summary>
    public double[] At(double hours) => [.. parts.Select(p => Rate(p, hours - Since(p, c => c.Hours < hours)))];

    /// <summary>Failures a day of all of them, as they stood on the morning of a day.</summary>
    public double PerDay(DateOnly day)
    {
        var hours = pump.HoursAt(day);
        return parts.Sum(p => Rate(p, hours - Since(p, c => c.On < day)))
            * Math.Max(1e-3, hours - pump.HoursAt(day.AddDays(-DutyDays))) / DutyDays;
    }

    /// <summary>Failures an hour of a part of an age.</summary>
    public static double Rate(RecordPart part, double age) => part.Wear is { } wear
        ? wear.Shape * Math.Pow(Math.Max(LeastAge, age), wear.Shape - 1) * -Math.Log(0.9) / Math.Pow(wear.B10Hours, wear.Shape)
        : part.Weight / HoursPerWeight;

    // Hours of the pump when what is in was fitted; where nobody noted it, when the record began.
    private double Since(RecordPart part, Predicate<PartChange> before) =>
        fittings.GetValueOrDefault(part.At.Key) is { } fitted && Array.FindLast(fitted, before) is { } last ? last.Hours : began;
}
