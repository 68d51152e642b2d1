using MildHunch.Core.Pumps;
using MildHunch.Core.Records.Lives;

namespace MildHunch.Core.Records.Patterns;

/// <summary>
/// Looks for places, seasons, pumps and batches that fail more often than their hours and the catalogue’s lives let expect. Every
/// question that can be asked of the record counts, also one without an answer, so that a false pattern is told in one
/// shop of twenty at most.
/// </summary>
public static class PatternFinder
{
    private const int DaysAYear = 365;
    private const double LeastShare = 1e-3;

    // Failures that the catalogue’s expectation of one place is worth.
    private const double Doubt = 2;

    /// <summary>What there is to be said, the strongest first; also what is not told, as far as there are events.</summary>
    /// <param name="pumps">Every pump of the shop.</param>
    /// <param name="families">Kinds of part that are tested together.</param>
    public static IReadOnlyList<Pattern> Find(IReadOnlyList<PumpOnRecord> pumps, PartFamilies families, DateOnly today)
    {
        var questions = new List<Question>();
        foreach (var family in families.Families.Where(f => f.Tested))
        {
            Hazards[] mine = [.. pumps.Select(p => new Hazards(p, family)).Where(h => h.Parts.Count > 0)];
            questions.AddRange(mine.Where(h => h.Parts.Count > 1).Select(h => Positions(h, family)));
            questions.AddRange(mine.Select(h => Seasons(h, family, families, today)));
            questions.AddRange(mine.GroupBy(h => (h.Pump.Type, h.Pump.Liquid)).Where(g => g.Count() > 1)
                .Select(g => Sisters([.. g], family)));
            questions.AddRange(family.Kinds.Where(k => mine.Any(h => h.Parts.Any(p => p.Kind == k))).Select(k => Batches(mine, family, k)));
        }

        var adjusted = ManyTests.Adjusted([.. questions.Select(q => q.Evidence)]);
        return [.. questions.Select((q, i) => q.Answer(adjusted[i])).OfType<Pattern>().OrderByDescending(p => p.Evidence)];
    }

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
        var openings = hazards.Events.Select(l => l.Out!.On).Distinct().ToArray();
        for (var from = pump.From; from.AddDays(DaysAYear) <= today; from = from.AddDays(DaysAYear))
        {
            var to = from.AddDays(DaysAYear);
            var fell = openings.Where(d => d >= from && d < to).ToLookup(families.SeasonOf);
            var ran = Ran(pump, families, from, to);
            look.Evidence.AddSpan([.. families.Seasons.Select((_, i) => fell[i].Count())], ran);
        }

        return new Question(PatternKind.Season, family, pump.Id, [look]);
    }

    private static double[] Ran(PumpOnRecord pump, PartFamilies families, DateOnly from, DateOnly to)
    {
        var ran = new double[families.Seasons.Count];
        for (var day = from; day < to;)
        {
            var next = new DateOnly(day.Year, day.Month, 1).AddMonths(1);
            if (next > to)
                next = to;
            ran[families.SeasonOf(day)] += Math.Max(0, pump.HoursAt(next) - pump.HoursAt(day));
            day = next;
        }

        var all = ran.Sum();
        return Shares([.. ran.Select(r => all > 0 ? Math.Max(LeastShare, r / all) : 1)]);
    }

    // Seals that fail together at one opening are one event: a pump that ran dry is not three times worse than its sister.
    private static Question Sisters(Hazards[] group, PartFamily family)
    {
        var look = new Look("sister", [.. group.Select(h => h.Pump.Tag)], i => i);
        var openings = group.SelectMany((h, i) => h.Events.Select(l => l.Out!.On).Distinct().Select(on => (On: on, Pump: i)))
            .OrderBy(o => o.On).ThenBy(o => o.Pump);
        foreach (var (on, pump) in openings)
            look.Add(pump, Shares([.. group.Select(h => Math.Max(1e-12, h.PerDay(on)))]));
        return new Question(PatternKind.Sister, family, null, [look]);
    }

    // Each batch against all others, from the day on which its first part went in until its last has come out.
    private static Question Batches(Hazards[] pumps, PartFamily family, string kind)
    {
        var inside = pumps.SelectMany(h => h.Pump.Lives.Where(l => h.Index.TryGetValue(l.At.Key, out var i) && h.Parts[i].Kind == kind)
            .Select(l => new FittedPart(h.Pump, h.Parts[h.Index[l.At.Key]], l))).ToArray();
        var failures = inside.Where(p => p.Life.Failed).OrderBy(p => p.Life.Out!.On).ThenBy(p => p.Life.Out!.Id, StringComparer.Ordinal)
            .DistinctBy(p => (p.Place.Pump, p.Life.Out!.On)).ToArray();
        var looks = inside.Where(p => p.Batch is not null).GroupBy(p => p.Batch!).OrderBy(g => g.Key, StringComparer.Ordinal)
            .Select(batch =>
        {
            var look = new Look("batch", [$"batch {batch.Key}", "other batches"], i => i, OnlyMore: true);
            foreach (var (failure, risk) in failures.Zip(Risks(inside, failures, batch.Key)))
            {
                var rates = risk.ToLookup(r => r.Key.Batch == batch.Key, r => r.Value);
                if (rates[true].Any() && rates[false].Any())
                    look.Add(failure.Batch == batch.Key ? 0 : 1, Shares([rates[true].Sum(), rates[false].Sum()]));
            }

            return look;
        }).ToArray();
        return new Question(
            PatternKind.Batch, family, null, looks.Length > 0 ? looks : [new Look("batch", ["no batch noted"], _ => 0)]);
    }

    // How likely each part in a pump was to be the next, as things stood before each failure. A place where parts of other batches have
    // failed more than they should is taken to go on doing so: else whatever batch came to stand there would be blamed for it.
    private static List<Dictionary<FittedPart, double>> Risks(FittedPart[] inside, FittedPart[] failures, string batch)
    {
        var seen = new Dictionary<PlaceOfPump, double>();
        var due = new Dictionary<PlaceOfPump, double>();
        List<Dictionary<FittedPart, double>> all = [];
        foreach (var failure in failures)
        {
            var day = failure.Life.Out!.On;
            var plain = inside.Where(p => p.IsIn(day)).ToDictionary(p => p, p => p.Rate(day));
            all.Add(plain.ToDictionary(
                p => p.Key,
                p => p.Value * (Doubt + seen.GetValueOrDefault(p.Key.Place)) / (Doubt + due.GetValueOrDefault(p.Key.Place))));
            if (failure.Batch == batch)
                continue;
            var others = plain.Where(p => p.Key.Batch != batch).ToArray();
            var sum = others.Sum(p => p.Value);
            foreach (var (part, rate) in others)
                due[part.Place] = due.GetValueOrDefault(part.Place) + (rate / sum);
            seen[failure.Place] = seen.GetValueOrDefault(failure.Place) + 1;
        }

        return all;
    }

    private static double[] Shares(double[] rates)
    {
        var all = rates.Sum();
        return [.. rates.Select(r => r / all)];
    }

    private static string Lower(string name) =>
        name.Length > 1 && char.IsLower(name[1]) ? char.ToLowerInvariant(name[0]) + name[1..] : name;

    private sealed record PlaceOfPump(string Pump, string Position);

    // One part that is or was in: compared as the thing it is, not by what it says.
    private sealed class FittedPart(PumpOnRecord pump, RecordPart part, PartLife life)
    {
        public PartLife Life => life;

        public PlaceOfPump Place { get; } = new(pump.Id, part.At.Key);

        public string? Batch => life.Fitted?.In?.Batch;

        public bool IsIn(DateOnly day) => (life.Fitted is null || life.Fitted.On < day) && (life.Out is null || life.Out.On >= day);

        public double Rate(DateOnly day) => Math.Max(
            1e-12, Hazards.Rate(part, pump.HoursAt(day) - (life.Fitted?.Hours ?? pump.HoursAt(pump.From))));
    }
}
