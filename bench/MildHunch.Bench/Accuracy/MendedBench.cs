using System.Collections.Concurrent;
using MildHunch.Core.Checks;
using MildHunch.Core.Diagnosis.Hypotheses;
using MildHunch.Core.Diagnosis.Verdict;
using MildHunch.Core.Evidence;
using MildHunch.Core.Faults;
using MildHunch.Core.Simulation;

namespace MildHunch.Bench.Accuracy;

/// <summary>
/// Whether "mended" is said of what is mended: pumps with known faults are mended in the right part or in the wrong one, three mends in a
/// hundred go wrong by themselves, and all is read and looked at again.
/// </summary>
internal static class MendedBench
{
    private const double GoesWrong = 0.03;
    private const int Bins = 10;

    private enum Mending
    {
        Right,
        Wrong,

        // As often each as the verdict says: only then does what it says of the outcome have to come true as often.
        ByTheVerdict,
    }

    private sealed record Judged(Mending Kind, bool WentWrong, bool Mended, double Said, bool LedAgain);

    public static void Run(int cases, int seed)
    {
        var catalogue = Catalogue.BuiltIn();
        var diagnoser = new Diagnoser(catalogue);
        var judged = new ConcurrentBag<Judged>();
        Parallel.For(0, cases, new ParallelOptions { MaxDegreeOfParallelism = Environment.ProcessorCount }, i =>
        {
            var random = new Random(unchecked((seed * 1_000_003) + i));
            try
            {
                foreach (var kind in Enum.GetValues<Mending>())
                    if (One(catalogue, diagnoser, DrawnCase.Next(catalogue, random), kind, random) is { } one)
                        judged.Add(one);
            }
            catch (SimulationException)
            {
                // A run of the time model that cannot be finished tells nothing.
            }
        });
        foreach (var kind in Enum.GetValues<Mending>())
        {
            Line($"{kind}", [.. judged.Where(j => j.Kind == kind && !j.WentWrong)]);
            Line($"{kind}, gone wrong", [.. judged.Where(j => j.Kind == kind && j.WentWrong)]);
        }

        Calibration([.. judged.Where(j => j.Kind == Mending.ByTheVerdict).OrderBy(j => j.Said)]);
    }

    private static Judged? One(Catalogue catalogue, Diagnoser diagnoser, DrawnCase drawn, Mending kind, Random random)
    {
        var before = drawn.Evidence(1, 0, true, random);
        var verdict = diagnoser.Diagnose(drawn.Pump, drawn.Setup, before);
        var all = HypothesisSet.For(catalogue, drawn.Pump, drawn.Setup, before).All;
        Mended[] mended = kind switch
        {
            Mending.Right => [.. drawn.Truth.Where(t => t.Fault.Id != Catalogue.NoFault).Select(Of)],
            Mending.Wrong => Wrong(verdict, drawn),
            _ => Chosen(verdict, random),
        };
        if (mended.Length == 0)
            return null;
        var places = new MendedPlaces(catalogue, all, mended);
        var left = drawn.Truth.Zip(drawn.Severity).Where(t => t.First.Fault.Id != Catalogue.NoFault && !places.Reached[Index(all, t.First)])
            .ToList();
        var went = random.NextDouble() < GoesWrong ? Behind(all, places, random) : null;
        if (went is not null)
            left.Add((went, drawn.SeverityOf(went, random)));
        var healthy = all.First(h => h.Fault.Id == Catalogue.NoFault);
        var after = drawn.With(
            catalogue, left.Count > 0 ? [.. left.Select(l => l.First)] : [healthy], left.Count > 0 ? [.. left.Select(l => l.Second)] : [0],
            random);
        var now = diagnoser.Diagnose(
            drawn.Pump, drawn.Setup,
            after.Evidence(1, 0, true, random) with { Before = [new BeforeMend(before.Readings, before.Cues, mended)] });
        var said = now.Mended!.Probability;
        return new Judged(
            kind, went is not null, left.Count == 0, said,
            left.Any(l => now.Actions[0].Action == l.First.Action));
    }

    private static Mended Of(Hypothesis h) => new(h.Action, Cylinder: h.Cylinder, Side: h.Side);

    // What a careful man would have taken for it, had he been wrong: the likeliest of the rest, at its likeliest place.
    private static Mended[] Wrong(Verdict verdict, DrawnCase drawn)
    {
        var other = verdict.Suspects.FirstOrDefault(s => s.Fault.Id != Catalogue.NoFault
            && drawn.Truth.All(t => t.Action != s.Fault.Action && t.Action != s.Fault.DischargeAction));
        if (other is null || drawn.Truth.All(t => t.Fault.Id == Catalogue.NoFault))
            return [];
        return [At(other)];
    }

    private static Mended At(Suspect suspect)
    {
        var place = suspect.Locations.Count > 0 ? suspect.Locations[0] : null;
        return new Mended(suspect.Fault.ActionOn(place?.Side), Cylinder: place?.Cylinder, Side: place?.Side);
    }

    private static Mended[] Chosen(Verdict verdict, Random random)
    {
        Suspect[] faults = [.. verdict.Suspects.Where(s => s.Fault.Id != Catalogue.NoFault)];
        var at = random.NextDouble() * faults.Sum(s => s.Probability);
        return [At(faults.First(s => (at -= s.Probability) <= 0 || s == faults[^1]))];
    }

    private static int Index(IReadOnlyList<Hypothesis> all, Hypothesis one) =>
        Enumerable.Range(0, all.Count).First(i =>
            all[i].Fault.Id == one.Fault.Id && all[i].Cylinder == one.Cylinder && all[i].Side == one.Side);

    private static Hypothesis? Behind(IReadOnlyList<Hypothesis> all, MendedPlaces places, Random random)
    {
        var at = random.NextDouble() * places.Failing.Sum();
        for (var h = 0; h < all.Count; h++)
            if ((at -= places.Failing[h]) <= 0 && places.Failing[h] > 0)
                return all[h];
        return null;
    }

    private static void Line(string kind, Judged[] of)
    {
        if (of.Length == 0)
            return;
        var said = of.Select(j => j.Said).Order().ToArray();
        Console.WriteLine($"{kind,-26} {of.Length,5}   mended {100.0 * of.Count(j => j.Mended) / of.Length:0.0} %   said: median "
            + $"{100 * said[said.Length / 2]:0.0} %, lower tenth {100 * said[said.Length / 10]:0.0} %, mean {100 * said.Average():0.0} %"
            + $"   what is left leads {100.0 * of.Count(j => j.LedAgain) / of.Length:0.0} %");
    }

    private static void Calibration(Judged[] sorted)
    {
        Console.WriteLine("mended, in ten parts of as many: said, true");
        for (var b = 0; b < Bins; b++)
        {
            var bin = sorted[(b * sorted.Length / Bins)..((b + 1) * sorted.Length / Bins)];
            if (bin.Length > 0)
                Console.WriteLine($"  {bin.Length,5}   {100 * bin.Average(j => j.Said):0.0} %   "
                    + $"{100.0 * bin.Count(j => j.Mended) / bin.Length:0.0} %");
        }
    }
}
