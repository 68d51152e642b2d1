using System.Collections.Concurrent;
using MildHunch.Core.Pumps;
using MildHunch.Core.Records.Due;
using MildHunch.Core.Service;
using MildHunch.Web.Service;

namespace MildHunch.Web.Records.Due;

/// <summary>What is due at a pump, laid together; kept until something of the pump or of what is known of its parts changes.</summary>
public sealed class DueView(ServiceSheets sheets, ILogger<DueView> log)
{
    // Two years ahead is as far as anybody plans.
    private const int Horizon = 731;
    private readonly ConcurrentDictionary<string, Kept> kept = [];

    private sealed record Kept(PumpMemory Memory, DateOnly Day, string Lives, Lazy<Reckoned> Visits);

    private sealed record Reckoned(IReadOnlyList<DueVisitDto> Visits, string? Why = null);

    /// <summary>Visits of one pump until a day, at most two years ahead.</summary>
    public IEnumerable<DueVisitDto> Of(PumpMemory memory, WholeRecord known, DateOnly until)
    {
        // A life is known to three figures at best: what moves less moves no visit.
        var lives = string.Join(
            ' ', memory.Record.Parts.DistinctBy(p => p.Kind)
                .Select(p => known.Life(memory.LifeOf(p)) is { } life ? ThreeFigures(life.Estimate.B10.Value) : 0));
        var now = kept.GetValueOrDefault(memory.Record.Id);
        if (now is null || !ReferenceEquals(now.Memory, memory) || now.Day != known.Day || now.Lives != lives)
            kept[memory.Record.Id] = now = new Kept(
                memory, known.Day, lives, new(() => Reckon(memory, known)));
        return now.Visits.Value.Visits.Where(v => v.On <= until);
    }

    /// <summary>Pumps of which it could not be reckoned what is due, among those that were asked for.</summary>
    public IEnumerable<UnreadPump> Unreckoned(WholeRecord known) =>
        from pump in known.Pumps.Values
        let why = kept.GetValueOrDefault(pump.Record.Id) is { Visits.IsValueCreated: true } now && ReferenceEquals(now.Memory, pump)
            ? now.Visits.Value.Why
            : null
        where why is not null
        select new UnreadPump(pump.Record.Id, pump.Record.Tag, why);

    // Whatever is on record of one pump, the others are served.
    private Reckoned Reckon(PumpMemory memory, WholeRecord known)
    {
        try
        {
            return new Reckoned(Visits(memory, known, known.Day.AddDays(Horizon)));
        }
        catch (Exception e) when (e is not OutOfMemoryException)
        {
            log.LogError(e, "What is due at pump {Tag} cannot be reckoned", memory.Record.Tag);
            return new Reckoned([], e.Message);
        }
    }

    private static double ThreeFigures(double hours)
    {
        var last = Math.Pow(10, Math.Floor(Math.Log10(Math.Max(1, hours))) - 2);
        return Math.Round(hours / last) * last;
    }

    private IReadOnlyList<DueVisitDto> Visits(PumpMemory memory, WholeRecord known, DateOnly until)
    {
        var now = memory.Record.Lives.Where(l => l.Out is null).ToDictionary(l => l.At.Key);
        var interval = memory.Shown.Sheet.Interval;
        var pump = new DuePump(
            memory.Record.Id, memory.Record.Tag, memory.Record.Time,
            new ServiceRule(interval?.Hours, memory.Running.Months, interval?.SealChanges),
            [.. memory.Record.Parts.Select(p => new DuePart(p, now.GetValueOrDefault(p.At.Key), known.Life(memory.LifeOf(p))?.Estimate))],
            memory.Record.Lives, memory.Running.Dated());
        return
        [
            .. new DuePlanner(memory.Pump, memory.Sheets, new ServicePlanner(sheets)).Visits(pump, known.Day, until)
                .Select(v => ToDto(v, memory)),
        ];
    }

    private static DueVisitDto ToDto(DueVisit visit, PumpMemory memory)
    {
        var parts = visit.Plan is { } plan ? Parts(plan, memory.Shown.Sheet) : [];
        var what = visit.Items.SelectMany(i => i.Parts).Select(p => p.Family.Name).Distinct().ToArray();
        return new DueVisitDto(
            memory.Record.Id, memory.Record.Tag, visit.On, visit.Wanted, visit.Season?.Name, Math.Round(visit.Plan?.Minutes ?? 0),
            Math.Round(visit.Saved),
            [.. visit.Items.Select(i => new DueItemDto(i.Why.Named(), i.On, i.Says, [.. i.Parts.Select(p => p.At.Key)]))], parts,
            what.Length > 0 ? Listed(what) : visit.Items[0].Says);
    }

    // “Seals, valves and plungers”.
    private static string Listed(string[] what)
    {
        var text = what.Length == 1 ? what[0] : $"{string.Join(", ", what[..^1])} and {what[^1]}";
        return char.ToUpperInvariant(text[0]) + text[1..];
    }

    private static IReadOnlyList<DuePartDto> Parts(ServicePlan plan, PumpSheetDto own)
    {
        var bill = PartsBill.Of(plan, own).Bill;
        string Name(string part) => plan.Sheet.NameOf(part) ?? part;
        return
        [
            .. bill.Kits.Select(k => new DuePartDto(
                k.Kit.Name, k.Count, true,
                k.LeftOver.Count > 0 ? string.Join(", ", k.LeftOver.Select(l => $"{l.Value} x {Name(l.Key)}")) : null)),
            .. bill.Beside.Select(b => new DuePartDto(Name(b.Key), b.Value, false, null)),
        ];
    }
}
