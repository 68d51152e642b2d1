using MildHunch.Core.Records.Lives;
using MildHunch.Core.Records.Patterns;
using MildHunch.Core.Records.Running;

namespace MildHunch.Core.Records.Due;

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
    string Id, string Tag, TimeAtRisk Time, ServiceRule Rule, IReadOnlyList<DuePart> Parts, IReadOnlyList<PartLife> Lives,
    IReadOnlyList<DatedTask> Tasks)
{
    /// <summary>How much it runs.</summary>
    public Duty Duty => Time.Hours.Duty;
}

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
    private const string PlungersOut = "plungers";
    private const double LeastWear = 1.2;

    /// <summary>Everything due until a day, the earliest first; what is overdue is due today.</summary>
    public static IReadOnlyList<DueItem> Of(DuePump pump, DateOnly today, DateOnly until)
    {
        DueItem[] worn = [.. pump.Parts.Select(p => Worn(pump, p, today)).OfType<DueItem>()];
        DueItem[] services = [.. Services(pump, today)];
        IEnumerable<DueItem> items =
        [
            .. services, .. Plungers(pump, [.. services, .. worn.Where(w => w.Parts[0].Family.Id == Seals)], today), .. worn,
            .. pump.Tasks.SelectMany(t => t.Due(today, until)),
        ];
        return [.. items.Where(i => i.On <= until).OrderBy(i => i.On)];
    }

    /// <summary>What comes due again once parts have been renewed on a day to come.</summary>
    public static IEnumerable<DueItem> After(DuePump pump, DateOnly renewed, IReadOnlySet<string> positions)
    {
        if (!pump.Time.IsKnown)
            yield break;
        var then = pump.Time.HoursAt(renewed);
        DuePart[] seals = [.. pump.Parts.Where(p => p.Part.Family.Id == Seals)];
        if (seals.Length > 0 && seals.All(s => positions.Contains(s.Part.At.Key)))
        {
            RecordPart[] parts = [.. seals.Select(p => p.Part)];
            if (pump.Rule.Hours is { } hours && pump.Time.When(then + hours, renewed) is { } on)
                yield return new DueItem(DueWhy.Hours, on, $"Service after {hours:0} h more", parts);
            if (pump.Rule.Months is { } months)
                yield return new DueItem(DueWhy.Months, renewed.AddMonths(months), $"Service after {months} months more", parts);
        }

        foreach (var part in pump.Parts.Where(p => positions.Contains(p.Part.At.Key) && p.Estimate is not null && Wears(p.Estimate)))
            if (pump.Time.When(then + part.Estimate!.B10.Value, renewed) is { } worn)
                yield return Life(part.Part, worn, part.Estimate.B10.Value, part.Estimate.B10);
    }

    // The oldest seal decides, of all places: one that was changed alone does not put the service of the others off, and one of which
    // nobody noted a change is as old as the pump.
    private static IEnumerable<DueItem> Services(DuePump pump, DateOnly today)
    {
        RecordPart[] seals = [.. pump.Parts.Where(p => p.Part.Family.Id == Seals).Select(p => p.Part)];
        if (seals.Length == 0)
            yield break;
        FittedWhen[] fitted = [.. pump.Parts.Where(p => p.Part.Family.Id == Seals).Select(p => FittedWhen.Of(pump, p))];
        if (pump.Rule.Hours is { } hours && pump.Time.IsKnown && fitted.MinBy(f => f.Hours) is { } oldest
            && pump.Time.When(oldest.Hours + hours, today) is { } on)
            yield return new DueItem(
                DueWhy.Hours, on,
                $"Service after {hours:0} h: {(oldest.IsNoted
                    ? $"the oldest seal has {pump.Time.HoursAt(today) - oldest.Hours:0} h on it"
                    : $"no change of some seal is on record, and the pump has run {pump.Time.HoursAt(today):0} h")}", seals);
        if (pump.Rule.Months is { } months && fitted.MinBy(f => f.On) is { On: { } last } first)
            yield return new DueItem(
                DueWhy.Months, Later(last.AddMonths(months), today),
                $"Service after {months} months: {(first.IsNoted
                    ? $"the oldest seal went in on {last:yyyy-MM-dd}"
                    : $"no change of some seal is on record since {last:yyyy-MM-dd}")}", seals);
    }

    // The plungers come out at the next change of seals, whatever that is for; one change too late, they are due.
    private static IEnumerable<DueItem> Plungers(DuePump pump, DueItem[] changes, DateOnly today)
    {
        RecordPart[] plungers = [.. pump.Parts.Where(p => p.Part.Family.Id == PlungersOut).Select(p => p.Part)];
        if (pump.Rule.SealChanges is not { } every || plungers.Length == 0 || Changes(pump) is var so && so + 1 < every)
            yield break;
        var on = so >= every ? today : changes.MinBy(c => c.On)?.On;
        if (on is { } day)
            yield return new DueItem(
                DueWhy.SealChanges, day,
                so >= every
                    ? $"Plungers out: every {every} changes of seals, and {so} were made since they were new"
                    : $"Plungers out: every {every} changes of seals, and the next is number {so + 1}",
                plungers);
    }

    // Days on which seals were changed since the plungers were last new; the first fitting is no change.
    private static int Changes(DuePump pump)
    {
        var parts = pump.Parts.ToDictionary(p => p.Part.At.Key, p => p.Part.Family.Id);
        DateOnly[] Days(string family) => [.. pump.Lives.Where(l => l.Fitted is not null && parts.GetValueOrDefault(l.At.Key) == family)
            .Select(l => l.Fitted!.On).Distinct().Order()];
        var since = Days(PlungersOut).LastOrDefault();
        return Days(Seals).Count(d => d > since);
    }

    private static DueItem? Worn(DuePump pump, DuePart part, DateOnly today)
    {
        if (part.Estimate is not { } life || !Wears(life) || !pump.Time.IsKnown)
            return null;
        var fitted = FittedWhen.Of(pump, part);
        return pump.Time.When(fitted.Hours + life.B10.Value, today) is { } on
            ? Life(part.Part, on, pump.Time.HoursAt(today) - fitted.Hours, life.B10)
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
