using MildHunch.Core.Records.Lives;
using MildHunch.Core.Records.Patterns;
using MildHunch.Core.Records.Running;

namespace MildHunch.Core.Records.Due;

/// <summary>Something that comes on a day whatever the pump runs: an oil change each spring, a gauge to be checked.</summary>
/// <param name="EveryMonths">How often it comes again; null where it comes once.</param>
public sealed record DatedTask(string What, DateOnly On, int? EveryMonths = null);

/// <summary>When a pump is to be served.</summary>
/// <param name="Hours">After so many hours since its seals were changed; null where nobody said.</param>
/// <param name="Months">At the latest after so many months; null where nobody said.</param>
/// <param name="SealChanges">Every so many changes of the seals the plungers come out too; null where nobody said.</param>
public sealed record ServiceRule(double? Hours = null, int? Months = null, int? SealChanges = null);

/// <summary>A part that is in, and how long such parts last; the estimate null where nothing is known of it.</summary>
public sealed record DuePart(RecordPart Part, PartLife? Life, LifeEstimate? Estimate);

/// <summary>A pump with all that decides when something is due at it.</summary>
/// <param name="Lives">Every life on record, also ended ones: they count the changes of seals.</param>
public sealed record DuePump(
    string Id, string Tag, RunningHours Hours, ServiceRule Rule, IReadOnlyList<DuePart> Parts, IReadOnlyList<PartLife> Lives,
    IReadOnlyList<DatedTask> Tasks);

/// <summary>Why something is due.</summary>
public enum DueWhy
{
    /// <summary>The hours of the service interval.</summary>
    Hours,

    /// <summary>The months of the service interval.</summary>
    Months,

    /// <summary>The change of seals at which the plungers come out too.</summary>
    SealChanges,

    /// <summary>A tenth of such parts would have failed.</summary>
    Life,

    /// <summary>A day that was set.</summary>
    Date,
}

/// <summary>One thing that is due.</summary>
/// <param name="Parts">What is renewed or looked at; empty for a task by date.</param>
/// <param name="On">When.</param>
/// <param name="Says">Why, in words with its figures.</param>
public sealed record DueItem(DueWhy Why, DateOnly On, string Says, IReadOnlyList<RecordPart> Parts)
{
    /// <summary>Hours on the parts, where their lives are the reason.</summary>
    internal IReadOnlyList<double> Ages { get; init; } = [];

    /// <summary>Hours by which a tenth has failed, where lives are the reason.</summary>
    internal Banded? B10 { get; init; }
}

/// <summary>What falls due at one pump by itself, before anything is laid together.</summary>
public static class DueRules
{
    private const string Seals = "seals";
    private const string Plungers = "plungers";
    private const double LeastWear = 1.2;

    /// <summary>Everything due until a day, the earliest first; what is overdue is due today.</summary>
    public static IReadOnlyList<DueItem> Of(DuePump pump, DateOnly today, DateOnly until)
    {
        List<DueItem?> items = [.. Services(pump, today), .. pump.Parts.Select(p => Worn(pump, p, today))];
        foreach (var task in pump.Tasks)
            for (var on = task.On; on <= until; on = on.AddMonths(task.EveryMonths!.Value))
            {
                if (on >= today || task.EveryMonths is null)
                    items.Add(new DueItem(DueWhy.Date, on < today ? today : on, task.What, []));
                if (task.EveryMonths is null)
                    break;
            }

        return [.. items.OfType<DueItem>().Where(i => i.On <= until).OrderBy(i => i.On)];
    }

    /// <summary>What comes due again once parts have been renewed on a day to come.</summary>
    public static IEnumerable<DueItem> After(DuePump pump, DateOnly renewed, IReadOnlySet<string> positions)
    {
        if (pump.Hours.At(renewed) is not { } then)
            yield break;
        DuePart[] seals = [.. pump.Parts.Where(p => p.Part.Family.Id == Seals)];
        if (seals.Length > 0 && seals.All(s => positions.Contains(s.Part.At.Key)))
        {
            RecordPart[] parts = [.. seals.Select(p => p.Part)];
            if (pump.Rule.Hours is { } hours && pump.Hours.When(then + hours, renewed) is { } on)
                yield return new DueItem(DueWhy.Hours, on, $"Service after {hours:0} h more", parts);
            if (pump.Rule.Months is { } months)
                yield return new DueItem(DueWhy.Months, renewed.AddMonths(months), $"Service after {months} months more", parts);
        }

        foreach (var part in pump.Parts.Where(p => positions.Contains(p.Part.At.Key) && p.Estimate is not null && Wears(p.Estimate)))
            if (pump.Hours.When(then + part.Estimate!.B10.Value, renewed) is { } worn)
                yield return Life(part.Part, worn, part.Estimate.B10.Value, part.Estimate.B10);
    }

    // The oldest seal decides: one that was changed alone does not put the service of the others off.
    private static IEnumerable<DueItem> Services(DuePump pump, DateOnly today)
    {
        DuePart[] seals = [.. pump.Parts.Where(p => p.Part.Family.Id == Seals)];
        if (seals.Select(p => p.Life?.Fitted).OfType<PartChange>().MinBy(c => c.On) is not { } last)
            yield break;
        DueItem[] services =
        [
            .. pump.Rule.Hours is { } hours && pump.Hours.At(today) is { } now && pump.Hours.When(last.Hours + hours, today) is { } on
                ? (DueItem[])[Service(DueWhy.Hours, on, $"Service after {hours:0} h: the oldest seal has {now - last.Hours:0} h on it")]
                : [],
            .. pump.Rule.Months is { } months
                ? (DueItem[])[Service(
                    DueWhy.Months, Later(last.On.AddMonths(months), today),
                    $"Service after {months} months: the oldest seal went in on {last.On:yyyy-MM-dd}")]
                : [],
        ];
        foreach (var service in services)
            yield return service;
        if (services.MinBy(s => s.On) is { } next && pump.Rule.SealChanges is { } every && Changes(pump) + 1 >= every)
            yield return new DueItem(
                DueWhy.SealChanges, next.On, $"Plungers out: every {every} changes of seals, and the next is number {Changes(pump) + 1}",
                [.. pump.Parts.Where(p => p.Part.Family.Id == Plungers).Select(p => p.Part)]);

        DueItem Service(DueWhy why, DateOnly on, string says) => new(why, on, says, [.. seals.Select(p => p.Part)]);
    }

    // Days on which seals were changed since the plungers were last new; the first fitting is no change.
    private static int Changes(DuePump pump)
    {
        var parts = pump.Parts.ToDictionary(p => p.Part.At.Key, p => p.Part.Family.Id);
        DateOnly[] Days(string family) => [.. pump.Lives.Where(l => l.Fitted is not null && parts.GetValueOrDefault(l.At.Key) == family)
            .Select(l => l.Fitted!.On).Distinct().Order()];
        var since = Days(Plungers).LastOrDefault();
        return Days(Seals).Count(d => d > since);
    }

    private static DueItem? Worn(DuePump pump, DuePart part, DateOnly today)
    {
        if (part is not { Life.Fitted: { } fitted, Estimate: { } life } || !Wears(life) || pump.Hours.At(today) is not { } now)
            return null;
        return pump.Hours.When(fitted.Hours + life.B10.Value, today) is { } on
            ? Life(part.Part, on, now - fitted.Hours, life.B10)
            : null;
    }

    private static DueItem Life(RecordPart part, DateOnly on, double age, Banded b10) =>
        new(DueWhy.Life, on, Worn([part], [age], b10), [part]) { Ages = [age], B10 = b10 };

    // A part that fails by chance is no better for being new: only where it is known to wear is it renewed before it fails.
    private static bool Wears(LifeEstimate life) => life.Method switch
    {
        LifeMethod.ShapeHeld => false,
        LifeMethod.Pooled => life.Shape.Value >= LeastWear,
        _ => life.Shape.Low > 1,
    };

    /// <summary>Several parts of one kind that come due by their lives, in one sentence.</summary>
    internal static DueItem Together(IReadOnlyList<DueItem> alike)
    {
        RecordPart[] parts = [.. alike.SelectMany(i => i.Parts).OrderBy(p => p.At.Place.Cylinder).ThenBy(p => p.At.Place.Side)];
        double[] ages = [.. alike.SelectMany(i => i.Ages)];
        return alike[0] with { Says = Worn(parts, ages, alike[0].B10!), Parts = parts, Ages = ages };
    }

    private static string Worn(RecordPart[] parts, double[] ages, Banded b10)
    {
        var places = string.Join(", ", parts.Select(p => p.At.Place.Key.Replace('.', ' ')).Where(k => k.Length > 0));
        var hours = $"{ages.Min():0}" == $"{ages.Max():0}" ? $"{ages[0]:0} h" : $"{ages.Min():0} to {ages.Max():0} h";
        return $"{parts[0].Name}{(places.Length > 0 ? $" {places}" : "")}: {hours} on {(parts.Length == 1 ? "it" : "them")}, "
            + $"a tenth has failed by {b10.Value:0} h ({Band(b10)})";
    }

    private static string Band(Banded b10) => b10.High is { } high ? $"{b10.Low:0} to {high:0} h" : $"at least {b10.Low:0} h";

    private static DateOnly Later(DateOnly on, DateOnly today) => on < today ? today : on;
}
