using MildHunch.Core.Pumps;
using MildHunch.Core.Records.Running;
using MildHunch.Core.Service;
using MildHunch.Core.Service.Sheets;

namespace MildHunch.Core.Records.Due;

/// <summary>One opening of a pump that serves everything due around its day.</summary>
/// <param name="On">When.</param>
/// <param name="Wanted">When it would be due if it did not have to keep clear of a season; null where it stays.</param>
/// <param name="Season">The season in which the pump must not stand that it keeps clear of, or lies in.</param>
/// <param name="Plan">What is opened, with minutes and parts; null where nothing is.</param>
/// <param name="Saved">Minutes that laying it together saves.</param>
public sealed record DueVisit(
    DuePump Pump, DateOnly On, DateOnly? Wanted, Season? Season, IReadOnlyList<DueItem> Items, ServicePlan? Plan, double Saved);

/// <summary>Lays what is due at a pump together, so that one opening serves several parts, and keeps it clear of seasons.</summary>
/// <param name="Pump">The pump.</param>
/// <param name="Sheets">Its own sheet and those of what stands beside it, as they are on it.</param>
public sealed record DuePlanner(ReciprocatingPump Pump, IReadOnlyList<ServiceSheet> Sheets, ServicePlanner Planner)
{
    // What is due within four weeks of one another, or a fifth of the way to it, is not worth opening twice.
    private const int Weeks = 28;
    private const double Share = 0.2;

    private const int MostVisits = 200;

    // Within a week the pump is stopped once, whatever is opened.
    private const int SameStop = 7;

    /// <summary>Visits until a day, the earliest first.</summary>
    public IReadOnlyList<DueVisit> Visits(DuePump pump, DateOnly today, DateOnly until)
    {
        // A look further, so that what is due just after joins what is due before.
        var end = until.AddDays(2 * Weeks);
        var open = DueRules.Of(pump, today, end).ToList();
        var visits = new List<DueVisit>();
        while (open.Count > 0 && visits.Count < MostVisits)
        {
            var first = open.MinBy(i => i.On)!;
            var window = first.On.AddDays(Math.Max(Weeks, (int)(Share * (first.On.DayNumber - today.DayNumber))));
            DueItem[] near = [first, .. open.Where(i => i != first && i.On <= window && Joins(first, i)).OrderBy(i => i.On)];

            // A life that would end later, of a part that is renewed anyway, is no reason.
            DueItem[] together =
            [
                .. near.Where(i => i.Why != DueWhy.Life || i.On <= first.On || !near.Any(o => o.Why != DueWhy.Life && Covers(o, i))),
            ];
            var visit = Visit(pump, together, today);
            visits.Add(visit);

            // A part that is renewed begins its life anew: what was due of it later is not, and comes again from that day.
            var renewed = together.SelectMany(i => i.Parts).Select(p => p.At.Key).ToHashSet();
            open.RemoveAll(i => together.Contains(i) || (i.Parts.Count > 0 && i.Parts.All(p => renewed.Contains(p.At.Key))));
            open.AddRange(DueRules.After(pump, visit.On, renewed).Where(i => i.On <= end && i.On > visit.On));
        }

        return [.. visits.Where(v => v.On <= until).OrderBy(v => v.On)];
    }

    private static bool Covers(DueItem whole, DueItem part) => part.Parts.All(whole.Parts.Contains);

    private bool Joins(DueItem first, DueItem other) =>
        other.On <= first.On.AddDays(SameStop)
        || (first.Parts.Count > 0 && other.Parts.Count > 0 && Opens(first).Overlaps(Opens(other)));

    private HashSet<string> Opens(DueItem item) => [.. Targets([item]).SelectMany(t => Disassembly.Least(
        Sheets.First(s => s.Parts.Contains(t.Part)), Pump, [t])).Where(p => p.Part.Kind is not "ring").Select(p => p.Part.Id)];

    private DueVisit Visit(DuePump pump, DueItem[] items, DateOnly today)
    {
        var wanted = items[0].On;
        var season = pump.Duty.MustRunOn(wanted);
        var before = season is null ? wanted : DayBefore(pump.Duty, wanted);
        var on = before >= today ? before.Value : wanted;
        DueItem[] told =
        [
            .. items.Where(i => i.Why != DueWhy.Life),
            .. items.Where(i => i.Why == DueWhy.Life).GroupBy(i => i.Parts[0].At.Part).Select(g => DueRules.Together([.. g])),
        ];
        var plan = Plan(told);
        return new DueVisit(pump, on, on == wanted ? null : wanted, season, told, plan, Saved(told, plan));
    }

    // Against opening for each by itself; what another reason renews anyway is not counted twice.
    private double Saved(DueItem[] items, ServicePlan? plan)
    {
        var apart = new List<DueItem>();
        foreach (var item in items.Where(i => i.Parts.Count > 0).OrderByDescending(i => i.Parts.Count))
            if (!apart.Any(whole => Covers(whole, item)))
                apart.Add(item);
        return plan is null || apart.Count < 2 ? 0 : Math.Max(0, apart.Sum(i => Plan([i])?.Minutes ?? 0) - plan.Minutes);
    }

    // Before all of its seasons that touch one another; none where it must run all the year.
    private static DateOnly? DayBefore(Duty duty, DateOnly day)
    {
        for (var first = day.AddYears(-1); day >= first; day = day.AddDays(-1))
            if (duty.MustRunOn(day) is null)
                return day;
        return null;
    }

    private ServicePlan? Plan(DueItem[] items)
    {
        var targets = Targets(items);
        return targets.Length == 0
            ? null
            : Planner.Plan(
                ServiceSheet.Together([.. Sheets.Where(s => targets.Any(t => s.Parts.Contains(t.Part)))]), Pump, targets,
                ServiceScope.WhatFailed);
    }

    private PartAt[] Targets(DueItem[] items) =>
    [
        .. items.SelectMany(i => i.Parts).DistinctBy(p => p.At.Key)
            .Select(p => Sheets.Select(s => s.Part(p.At.Part)).OfType<SheetPart>().FirstOrDefault() is { } part
                ? new PartAt(part, p.At.Place)
                : null).OfType<PartAt>(),
    ];
}
