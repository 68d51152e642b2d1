namespace MildHunch.Core.Records.Patterns;

/// <summary>
/// Each batch of a kind of part against all others, from the day on which its first part went in until its last has come out. The
/// record is gone through once, week by week, for all batches together.
/// </summary>
internal sealed class BatchQuestion
{
    private const double LeastRate = 1e-12;
    private const int DaysAWeek = 7;
    private const int Nothing = -1;
    private const int NoBatch = -2;

    private readonly IReadOnlyList<Hazards> pumps;
    private readonly Look[] looks;
    private readonly double[] hours;
    private readonly double[] daily;
    private readonly double[] risks;
    private readonly int[] parts;
    private readonly List<PlaceSoFar> places = [];
    private readonly List<Change> changes = [];
    private PlaceSoFar[] now = [];
    private int next;
    private double plain;
    private double all;
    private int inside;

    private BatchQuestion(IReadOnlyList<Hazards> pumps, string kind)
    {
        this.pumps = pumps;
        (hours, daily) = (new double[pumps.Count], new double[pumps.Count]);
        string[] batches =
        [
            .. pumps.SelectMany(h => Places(h, kind).SelectMany(i => h.Lives[i])).Select(l => l.Fitted?.In?.Batch).OfType<string>()
                .Distinct().Order(StringComparer.Ordinal),
        ];
        looks = [.. batches.Select(b => new Look("batch", [$"batch {b}", "other batches"], i => i, OnlyMore: true))];
        risks = new double[looks.Length];
        parts = new int[looks.Length];
        var numbers = batches.Index().ToDictionary(b => b.Item, b => b.Index);
        foreach (var (pump, hazards) in pumps.Index())
            Read(pump, hazards, kind, numbers);
    }

    /// <summary>What the record says of the batches of one kind of part.</summary>
    /// <param name="pumps">Those that have such parts.</param>
    public static Question Of(IReadOnlyList<Hazards> pumps, PartFamily family, string kind)
    {
        var all = new BatchQuestion(pumps, kind);
        all.Walk();
        return new Question(
            PatternKind.Batch, family, null, all.looks.Length > 0 ? all.looks : [new Look("batch", ["no batch noted"], _ => 0)]);
    }

    private static IEnumerable<int> Places(Hazards pump, string kind) =>
        Enumerable.Range(0, pump.Parts.Count).Where(i => pump.Parts[i].Kind == kind);

    private void Read(int pump, Hazards hazards, string kind, Dictionary<string, int> numbers)
    {
        var time = hazards.Pump.Time;
        var began = time.HoursAt(time.From);
        int[] mine = [.. Places(hazards, kind)];
        var counted = Openings.Once(mine.SelectMany(i => hazards.Lives[i])).ToHashSet();
        foreach (var part in mine)
        {
            var at = places.Count;
            places.Add(new PlaceSoFar(pump, new FailureLaw(hazards.Parts[part])));

            // Something is in from the start, whether anybody noted it or not.
            changes.Add(new Change(at, time.From, NoBatch, began, null));
            foreach (var life in hazards.Lives[part].Where(l => !(l.Out?.On < time.From)))
            {
                var batch = life.Fitted?.In?.Batch is { } name ? numbers[name] : NoBatch;
                if (life.Fitted is { } fitted)
                    changes.Add(new Change(at, fitted.On < time.From ? time.From : fitted.On, batch, fitted.Hours, null));
                if (life.Out is { } came)
                    changes.Add(new Change(
                        at, came.On, Nothing, 0,
                        counted.Contains(life) && time.Holds(came.On) ? new Failure(at, batch, came.On, came.Id) : null));
            }

            if (time.Until is { } until)
                changes.Add(new Change(at, until.AddDays(1), Nothing, 0, null));
        }
    }

    private void Walk()
    {
        // Changes of one place keep their order, also within a day. Parts that fail together at one opening are one event.
        Change[] rising = [.. changes.OrderBy(c => c.On)];
        var failures = rising.Select(c => c.Failed).OfType<Failure>().OrderBy(f => f.On).ThenBy(f => f.Id, StringComparer.Ordinal);
        now = [.. places];
        foreach (var week in failures.GroupBy(f => f.On.DayNumber / DaysAWeek))
        {
            Stand(new DateOnly(1, 1, 1).AddDays(week.Key * DaysAWeek));
            foreach (var failure in week)
            {
                // What was in on the morning of that day.
                for (; next < rising.Length && rising[next].On < failure.On; next++)
                    Put(rising[next]);
                Take(failure);
            }

            Learn([.. week]);
        }
    }

    // The rates of a week are those of its first day, as the record is read every week.
    private void Stand(DateOnly day)
    {
        for (var i = 0; i < hours.Length; i++)
            (hours[i], daily[i]) = (pumps[i].Pump.HoursAt(day), pumps[i].Pump.Time.HoursADay(day));
        (plain, all, inside) = (0, 0, 0);
        Array.Clear(risks);
        Array.Clear(parts);
        for (var i = 0; i < now.Length; i++)
            if (now[i].Batch != Nothing)
                Count(ref now[i], 1);
    }

    private void Put(Change change)
    {
        ref var place = ref now[change.Place];
        if (place.Batch != Nothing)
            Count(ref place, -1);
        place.Put(change);
        if (place.Batch != Nothing)
            Count(ref place, 1);
    }

    private void Count(ref PlaceSoFar place, int sign)
    {
        if (sign > 0)
            place.Weigh(hours, daily);
        plain += sign * place.Rate;
        all += sign * place.Risk;
        inside += sign;
        if (place.Batch < 0)
            return;
        risks[place.Batch] += sign * place.Risk;
        parts[place.Batch] += sign;
    }

    private void Take(Failure failure)
    {
        for (var batch = 0; batch < looks.Length; batch++)
            if (parts[batch] > 0 && parts[batch] < inside)
            {
                var share = Math.Clamp(risks[batch] / all, LeastRate, 1 - LeastRate);
                looks[batch].Add(failure.Batch == batch ? 0 : 1, [share, 1 - share]);
            }
    }

    // A place where parts have failed more than they should is taken to go on doing so: else whatever batch came to stand there would be
    // blamed for it.
    private void Learn(Failure[] week)
    {
        for (var i = 0; i < now.Length; i++)
            if (now[i].Batch != Nothing)
                now[i].Due += week.Length * now[i].Rate / plain;
        foreach (var failure in week)
            now[failure.Place].Seen++;
    }

    private sealed record Failure(int Place, int Batch, DateOnly On, string Id);

    // Something went in at a place, of a batch, at hours of its pump; or what was in came out.
    private sealed record Change(int Place, DateOnly On, int Batch, double Hours, Failure? Failed);

    // A place of a pump: what is in, what has failed there and what should have. Thousands of them are gone through every week, so
    // they lie side by side.
    private struct PlaceSoFar(int pump, FailureLaw law)
    {
        // Failures that the catalogue’s expectation of one place is worth.
        private const double Doubt = 2;
        private double fitted;

        public int Batch { get; private set; } = Nothing;

        public double Seen { get; set; }

        public double Due { get; set; }

        /// <summary>Failures a day in the week in hand, by the catalogue.</summary>
        public double Rate { get; private set; }

        /// <summary>The same by what has failed here.</summary>
        public double Risk { get; private set; }

        public void Put(Change change) => (Batch, fitted) = (change.Batch, change.Hours);

        public void Weigh(double[] hours, double[] daily)
        {
            Rate = Math.Max(LeastRate, daily[pump] * law.At(hours[pump] - fitted));
            Risk = Rate * (Doubt + Seen) / (Doubt + Due);
        }
    }
}
