using MildHunch.Core.Pumps;

namespace MildHunch.Core.Records.Patterns;

/// <summary>
/// Looks for places, seasons, pumps and batches that fail more often than their hours and the catalogue’s lives let expect. Every
/// question that can be asked of the record counts, also one without an answer, so that a false pattern is told in one
/// shop of twenty at most. What it found of pumps whose record is still the same is kept from one look to the next.
/// </summary>
/// <param name="families">Kinds of part that are tested together.</param>
public sealed class PatternFinder(PartFamilies families)
{
    private const int DaysAYear = 365;
    private const double LeastShare = 1e-3;
    private const double LeastRate = 1e-12;
    private readonly PartFamily[] tested = [.. families.Families.Where(f => f.Tested)];
    private readonly Lock looking = new();
    private Dictionary<PumpOnRecord, Hazards[]> hazards = new(ReferenceEqualityComparer.Instance);
    private Dictionary<QuestionOf, Asked> asked = [];

    /// <summary>What there is to be said, looked at once.</summary>
    public static IReadOnlyList<Pattern> Find(IReadOnlyList<PumpOnRecord> pumps, PartFamilies families, DateOnly today) =>
        new PatternFinder(families).Find(pumps, today);

    /// <summary>What there is to be said, the strongest first; also what is not told, as far as there are events.</summary>
    /// <param name="pumps">Every pump of the shop.</param>
    public IReadOnlyList<Pattern> Find(IReadOnlyList<PumpOnRecord> pumps, DateOnly today)
    {
        lock (looking)
        {
            hazards = pumps.ToDictionary(
                p => p, p => hazards.GetValueOrDefault(p) ?? [.. tested.Select(f => new Hazards(p, f))],
                (IEqualityComparer<PumpOnRecord>)ReferenceEqualityComparer.Instance);
            var now = new Dictionary<QuestionOf, Asked>();
            foreach (var (i, family) in tested.Index())
                Ask([.. pumps.Select(p => hazards[p][i]).Where(h => h.Parts.Count > 0)], family, today, now);
            asked = now;
            Question[] questions = [.. now.Values.Select(a => a.Question)];
            var adjusted = ManyTests.Adjusted([.. questions.Select(q => q.Evidence)]);
            return [.. questions.Select((q, n) => q.Answer(adjusted[n])).OfType<Pattern>().OrderByDescending(p => p.Evidence)];
        }
    }

    private void Ask(Hazards[] mine, PartFamily family, DateOnly today, Dictionary<QuestionOf, Asked> now)
    {
        foreach (var h in mine.Where(h => h.Parts.Count > 1))
            Put(PatternKind.Position, h.Pump.Id, [h], () => Positions(h, family));
        foreach (var h in mine)
            Put(PatternKind.Season, h.Pump.Id, [h], () => Seasons(h, family, families, today));
        foreach (var g in mine.GroupBy(h => $"{h.Pump.Type} {h.Pump.Liquid}").Where(g => g.Count() > 1))
            Put(PatternKind.Sister, g.Key, [.. g], () => Sisters([.. g], family));
        foreach (var kind in family.Kinds)
            if (mine.Where(h => h.Parts.Any(p => p.Kind == kind)).ToArray() is { Length: > 0 } with)
                Put(PatternKind.Batch, kind, with, () => BatchQuestion.Of(with, family, kind));

        void Put(PatternKind kind, string about, Hazards[] of, Func<Question> question)
        {
            var key = new QuestionOf(kind, family.Id, about);
            var before = asked.GetValueOrDefault(key);
            now[key] = before is not null && before.Today == today && before.Of.SequenceEqual(of)
                ? before
                : new Asked(of, today, question());
        }
    }

    private sealed record QuestionOf(PatternKind Kind, string Family, string About);

    // What was asked, of which records as they stood.
    private sealed record Asked(Hazards[] Of, DateOnly Today, Question Question);

    private static Question Positions(Hazards hazards, PartFamily family)
    {
        var parts = hazards.Parts;
        var ends = hazards.Pump.Ends;
        string Bore(RecordPart p) => ends ? p.At.Place.Cylinder == 1 ? "left end" : "right end" : $"cylinder {p.At.Place.Cylinder}";
        string Kind(RecordPart p) => p.At.Place.Side is { } side && !ends ? $"{side.Named()} side" : Lower(p.Name);
        var question = new Question(PatternKind.Position, family, hazards.Pump.Id,
        [
            By(ends ? "end-place" : "place", p => p.At.Place.Cylinder is null ? Lower(p.Name) : $"{Bore(p)}, {Kind(p)}"),
            .. parts.Any(p => p.At.Place.Cylinder is not null)
                ? (Look[])[By(ends ? "end" : "cylinder", Bore), By(parts[0].At.Place.Side is not null && !ends ? "side" : "part", Kind)]
                : [],
        ]);
        foreach (var life in hazards.Events)
            question.Add(hazards.Index[life.At.Key], Shares(hazards.At(life.Out!.Hours)));
        return question;

        Look By(string about, Func<RecordPart, string> name)
        {
            string[] names = [.. parts.Select(name).Distinct()];
            var gather = parts.Select(p => Array.IndexOf(names, name(p))).ToArray();
            return new Look(about, names, i => gather[i]);
        }
    }

    // Only whole years speak: within one, time itself decides which season can have an event.
    private static Question Seasons(Hazards hazards, PartFamily family, PartFamilies families, DateOnly today)
    {
        var pump = hazards.Pump;
        var look = new Look("season", [.. families.Seasons.Select(s => s.Name)], i => i);
        var last = pump.Time.Until is { } until && until < today ? until : today;
        for (var from = pump.From; from.AddDays(DaysAYear) <= last; from = from.AddDays(DaysAYear))
        {
            var to = from.AddDays(DaysAYear);
            var fell = hazards.Events.Select(l => l.Out!.On).Where(d => d >= from && d < to).ToLookup(families.SeasonOf);
            look.Evidence.AddSpan([.. families.Seasons.Select((_, i) => fell[i].Count())], Expected(hazards, families, from, to));
        }

        return new Question(PatternKind.Season, family, pump.Id, [look]);
    }

    // By the ages that the parts had: what was renewed each March is young all summer and old by the winter.
    private static double[] Expected(Hazards hazards, PartFamilies families, DateOnly from, DateOnly to)
    {
        var expected = new double[families.Seasons.Count];
        var before = hazards.Pump.HoursAt(from);
        for (var day = from; day < to;)
        {
            var next = new DateOnly(day.Year, day.Month, 1).AddMonths(1);
            if (next > to)
                next = to;
            var hours = hazards.Pump.HoursAt(next);
            expected[families.SeasonOf(day)] += Math.Max(0, hazards.Between(before, hours));
            (before, day) = (hours, next);
        }

        var all = expected.Sum();
        return Shares([.. expected.Select(e => all > 0 ? Math.Max(LeastShare, e / all) : 1)]);
    }

    // A pump counts only while it was on record and in use: a younger sister says nothing of the years before her.
    private static Question Sisters(Hazards[] group, PartFamily family)
    {
        var look = new Look("sister", [.. group.Select(h => h.Pump.Tag)], i => i);
        var openings = group.SelectMany((h, i) => h.Events.Select(l => (l.Out!.On, Pump: i))).OrderBy(o => o.On).ThenBy(o => o.Pump);
        foreach (var (on, pump) in openings)
            if (group.Select(h => h.Pump.Time.Holds(on) ? Math.Max(LeastRate, h.PerDay(on)) : 0).ToArray() is var rates
                && rates.Count(r => r > 0) > 1)
                look.Add(pump, Shares(rates));
        return new Question(PatternKind.Sister, family, null, [look]);
    }

    private static double[] Shares(double[] rates)
    {
        var all = rates.Sum();
        return [.. rates.Select(r => r / all)];
    }

    private static string Lower(string name) =>
        name.Length > 1 && char.IsLower(name[1]) ? char.ToLowerInvariant(name[0]) + name[1..] : name;
}
