using System.Collections.Concurrent;
using System.Text.Json.Nodes;
using MildHunch.Core.Checks;
using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;
using MildHunch.Core.Simulation;

namespace MildHunch.Bench.Accuracy;

/// <summary>How often the hunch is right, on pumps whose faults are known because the time model was given them.</summary>
internal static class AccuracyBench
{
    private const string Main = "all quick checks";
    private const string Brute = "ceiling: time model, answers as drawn";
    private const string Likewise = "the same cases by the steady model";
    private static readonly string[] OilSeals = ["oil-seals", "crank-seals"];

    private sealed record Judged(DrawnCase Case, string Run, string[] Faults, (string Action, double Share)[] Actions)
    {
        public bool Pair => Case.Truth.Count > 1;

        public bool Right(int among) => Actions.Take(among).Any(a => Case.Truth.Any(t => Same(t.Action, a.Action)));

        public bool Both(int among) => Case.Truth.All(t => Actions.Take(among).Any(a => Same(a.Action, t.Action)));

        public bool FaultRight(int among) => Faults.Take(among).Any(f => Case.Truth.Any(t => t.Fault.Id == f));

        // The crankshaft seal was mended under the name of the oil seals when the frozen cases were drawn: the two count as one.
        private static bool Same(string one, string other) => one == other || (OilSeals.Contains(one) && OilSeals.Contains(other));
    }

    public static void Run(int cases, int seed, int ceiling, int minutes)
    {
        var catalogue = Catalogue.BuiltIn();
        var diagnoser = new Diagnoser(catalogue);
        var independent = Independent();
        var judged = new ConcurrentBag<Judged>();
        var righted = new ConcurrentBag<(Judged Wrong, string Check, bool Right)>();
        var ways = new ConcurrentBag<(double Hunch, double Chart)>();
        var lost = 0;
        Console.WriteLine($"{cases} simulated pumps, seed {seed}: faults by the catalogue's prior, readings by the time model, answers "
            + "by disturbed tables");
        Parallel.For(0, cases, new ParallelOptions { MaxDegreeOfParallelism = Environment.ProcessorCount }, i =>
        {
            var random = Numbers(seed, i);
            if (Draw(catalogue, random) is not { } drawn)
            {
                Interlocked.Increment(ref lost);
                return;
            }

            foreach (var (run, noise, missing, caps) in new[] {
                (Main, 1.0, 0.0, true), ("all but cap-listen", 1.0, 0.0, false), ("a third missing, good instruments", 0.5, 1.0 / 3, true),
                ("a third missing, usual instruments", 1.0, 1.0 / 3, true), ("a third missing, poor instruments", 2.0, 1.0 / 3, true) })
            {
                var evidence = drawn.Evidence(noise, missing, caps, random);
                var verdict = diagnoser.Diagnose(drawn.Pump, drawn.Setup, evidence);
                var one = Judge(drawn, run, verdict);
                judged.Add(one);
                if (run == Main && !one.Pair && !one.Right(1) && MinutesBench.AfterNext(diagnoser, drawn, evidence, verdict) is { } next)
                    righted.Add((one, next.Check, Judge(drawn, run, next.After).Right(1)));
            }

            if (i < minutes)
                ways.Add((MinutesBench.ByHunch(diagnoser, drawn), MinutesBench.ByChart(catalogue, diagnoser, drawn)));

            // Its own random numbers, so that the others stay what they were.
            if (i < ceiling)
            {
                var evidence = drawn.Evidence(1, 0, true, new Random(i));
                judged.Add(Judge(
                    drawn, Brute,
                    new Diagnoser(independent, (pump, setup) => new TimeModel(pump, setup)).Diagnose(drawn.Pump, drawn.Setup, evidence)));
                judged.Add(Judge(drawn, Likewise, diagnoser.Diagnose(drawn.Pump, drawn.Setup, evidence)));
            }
        });
        if (lost > 0)
            Console.WriteLine($"{lost} runs of the time model could not be finished and are left out");
        foreach (var run in judged.GroupBy(j => (j.Run, j.Pair)).OrderBy(g => g.Key.Pair).ThenBy(g => g.Key.Run, StringComparer.Ordinal))
            Line($"{(run.Key.Pair ? "pairs" : "singles")}, {run.Key.Run}", [.. run]);
        Judged[] main = [.. judged.Where(j => j.Run == Main && !j.Pair)];
        Console.WriteLine();
        foreach (var kind in main.GroupBy(j => j.Case.Kind).OrderBy(g => g.Key, StringComparer.Ordinal))
            Line($"singles, all quick checks, {kind.Key}", [.. kind]);
        Console.WriteLine();
        foreach (var kind in judged.Where(j => j.Run is Brute or Likewise && !j.Pair).GroupBy(j => (j.Case.Kind, j.Run))
            .OrderBy(g => g.Key))
            Line($"{kind.Key.Kind}, {kind.Key.Run}", [.. kind]);
        Console.WriteLine();
        Console.WriteLine("how far the steady model is from the time model, in sigma of the usual instrument (median, upper tenth of its "
            + "size)");
        foreach (var kind in main.GroupBy(j => j.Case.Kind).OrderBy(g => g.Key, StringComparer.Ordinal))
            Console.WriteLine($"  {kind.Key,-26} "
                + string.Join("  ", kind.SelectMany(j => j.Case.SteadyOff).GroupBy(o => o.Reading).Select(Off)));
        Console.WriteLine();
        if (!ways.IsEmpty)
            Console.WriteLine($"minutes to the right mend, {ways.Count} pumps: by the hunch mean {ways.Average(w => w.Hunch):0}, median "
                + $"{Quantile(ways.Select(w => w.Hunch), 0.5):0}; by a cheapest-first chart mean {ways.Average(w => w.Chart):0}, median "
                + $"{Quantile(ways.Select(w => w.Chart), 0.5):0}; hunch over chart "
                + $"{ways.Average(w => w.Hunch) / ways.Average(w => w.Chart):0.00}");
        Console.WriteLine();
        Calibration(main);
        Console.WriteLine();
        foreach (var fault in main.GroupBy(j => j.Case.Truth[0].Fault.Id).OrderBy(g => Share(g, j => j.Right(1)))
            .ThenBy(g => g.Key, StringComparer.Ordinal))
            Line($"singles, all quick checks, {fault.Key}", [.. fault]);
        Console.WriteLine();
        Console.WriteLine("most frequent errors, singles, all quick checks (truth: leading action, times, and what then)");
        foreach (var error in main.Where(j => !j.Right(1)).GroupBy(j => $"{j.Case.Truth[0].Fault.Id}: {j.Actions[0].Action}")
            .OrderByDescending(g => g.Count()).ThenBy(g => g.Key.ToString(), StringComparer.Ordinal).Take(20))
            Console.WriteLine($"  {error.Key,-60} {error.Count(),3}   {Put(error, righted)}");
        Console.WriteLine($"  all errors {main.Count(j => !j.Right(1))}   {Put(main, righted)}");
    }

    /// <summary>Draws the cases of a seed and keeps them in a file.</summary>
    public static void Freeze(string file, int cases, int seed)
    {
        var catalogue = Catalogue.BuiltIn();
        var drawn = new DrawnCase?[cases];
        Parallel.For(
            0, cases, new ParallelOptions { MaxDegreeOfParallelism = Environment.ProcessorCount },
            i => drawn[i] = Draw(catalogue, seed, i));
        FrozenCases.Write(file, drawn.OfType<DrawnCase>());
        Console.WriteLine($"{drawn.Count(d => d is not null)} cases of seed {seed} are kept in {file}");
    }

    /// <summary>How often the hunch is right on the cases that were kept, all quick checks, middle noise.</summary>
    /// <param name="show">An error as it is listed, "truth: action", whose reasons are told; null for none.</param>
    /// <param name="asWhenDrawn">Judged with the faults of that day only, so that nothing is suspected that cannot be the truth.</param>
    public static void Kept(string file, string? show, bool asWhenDrawn)
    {
        var catalogue = asWhenDrawn ? FrozenCases.AsWhenDrawn() : Catalogue.BuiltIn();
        var diagnoser = new Diagnoser(catalogue);
        var judged = new ConcurrentBag<Judged>();
        var cases = FrozenCases.From(catalogue, file);
        Parallel.ForEach(cases, new ParallelOptions { MaxDegreeOfParallelism = Environment.ProcessorCount }, drawn =>
        {
            var verdict = diagnoser.Diagnose(drawn.Pump, drawn.Setup, drawn.Evidence(1, 0, true, new Random(0)));
            var one = Judge(drawn, Main, verdict);
            judged.Add(one);
            if (show is not null && !one.Pair && $"{drawn.Truth[0].Fault.Id}: {one.Actions[0].Action}" == show)
                Reasons(drawn, verdict);
        });
        Console.WriteLine($"{cases.Count} kept cases, {Path.GetFileName(file)}");
        Judged[] main = [.. judged.Where(j => !j.Pair)];
        Line("singles, all quick checks", main);
        Line("pairs, all quick checks", [.. judged.Where(j => j.Pair)]);

        // The old catalogue drew air leaks where the inlet stands above the air: water would come out there, and no air in.
        Line("singles without air drawn into a fed inlet", [.. main.Where(j => !AirIntoFed(j.Case))]);
        Line("all without air drawn into a fed inlet", [.. judged.Where(j => !AirIntoFed(j.Case))]);
        foreach (var kind in main.GroupBy(j => j.Case.Kind).OrderBy(g => g.Key, StringComparer.Ordinal))
            Line($"singles, all quick checks, {kind.Key}", [.. kind]);
        Calibration(main);
        foreach (var fault in main.GroupBy(j => j.Case.Truth[0].Fault.Id).OrderBy(g => Share(g, j => j.Right(1)))
            .ThenBy(g => g.Key, StringComparer.Ordinal))
            Line($"singles, all quick checks, {fault.Key}", [.. fault]);
        foreach (var error in main.Where(j => !j.Right(1)).GroupBy(j => $"{j.Case.Truth[0].Fault.Id}: {j.Actions[0].Action}")
            .OrderByDescending(g => g.Count()).ThenBy(g => g.Key.ToString(), StringComparer.Ordinal).Take(400))
            Console.WriteLine($"  {error.Key,-60} {error.Count(),3}");
    }

    private static bool AirIntoFed(DrawnCase drawn) =>
        Fittings.Of(drawn.Pump, drawn.Setup).HasFlag(Fitting.Pressurised) && drawn.Truth.Any(t => t.Fault.Id == "supply-air-leak");

    private static void Reasons(DrawnCase drawn, Verdict verdict)
    {
        lock (Console.Out)
        {
            Console.WriteLine($"{drawn.Kind}, {drawn.Pump.Control}, truth {drawn.Truth[0].Fault.Id} {drawn.Truth[0].Cylinder} at "
                + $"{drawn.Severity[0]:0.00}");
            foreach (var suspect in verdict.Suspects.Take(3).Concat(verdict.Suspects.Where(s => s.Fault.Id == drawn.Truth[0].Fault.Id))
                .Distinct())
                Console.WriteLine($"  {suspect.Fault.Id} {100 * suspect.Probability:0} % (prior {100 * suspect.Prior:0.0} %): "
                    + string.Join("; ", suspect.Evidence.Where(e => Math.Abs(e.Decibans) > 3).Select(e => $"{e.Decibans:0} {e.Text}")));
        }
    }

    // Not a hash code: those differ from process to process. Null where the time model could not finish.
    private static DrawnCase? Draw(Catalogue catalogue, int seed, int i) => Draw(catalogue, Numbers(seed, i));

    private static Random Numbers(int seed, int i) => new(unchecked((seed * 1_000_003) + i));

    private static DrawnCase? Draw(Catalogue catalogue, Random random)
    {
        try
        {
            return DrawnCase.Next(catalogue, random);
        }
        catch (SimulationException)
        {
            return null;
        }
    }

    // The answers are drawn each on its own; a product that must reckon with answers that repeat one another cannot know that.
    private static Catalogue Independent() => Catalogue.Read(name =>
    {
        using var stream = typeof(Catalogue).Assembly.GetManifestResourceStream($"knowledge/{name}")!;
        var entries = JsonNode.Parse(stream)!.AsArray();
        if (name == "cues.json")
            foreach (var cue in entries)
                cue!.AsObject().Remove("group");
        return entries.ToJsonString();
    });

    // Where readings and answers are the same for two faults, the next check has to part them.
    private static string Put(IEnumerable<Judged> of, IEnumerable<(Judged Wrong, string Check, bool Right)> righted)
    {
        var all = of.ToHashSet();
        var asked = righted.Where(r => all.Contains(r.Wrong)).ToArray();
        return $"put right by the check proposed next: {asked.Count(r => r.Right)} of {asked.Length} "
            + $"({string.Join(", ", asked.GroupBy(r => r.Check).OrderByDescending(g => g.Count()).Take(3)
                .Select(g => $"{g.Key} {g.Count()}"))})";
    }

    private static Judged Judge(DrawnCase drawn, string run, Verdict verdict) =>
        new(
            drawn, run, [.. verdict.Suspects.Take(3).Select(s => s.Fault.Id)],
            [.. verdict.Actions.Take(3).Select(a => (a.Action, a.Probability))]);

    private static double Quantile(IEnumerable<double> of, double share)
    {
        double[] sorted = [.. of.Order()];
        return sorted[(int)(share * (sorted.Length - 1))];
    }

    private static double Share(IEnumerable<Judged> of, Func<Judged, bool> right) => of.Average(j => right(j) ? 1.0 : 0);

    private static void Line(string what, Judged[] of) => Console.WriteLine(
        $"{what,-62} {of.Length,5}   action top-1 {100 * Share(of, j => j.Right(1)),5:0.0} %  top-3 "
            + $"{100 * Share(of, j => j.Right(3)),5:0.0} %   said {100 * of.Average(j => j.Actions[0].Share),5:0.0} %   fault top-1 "
            + $"{100 * Share(of, j => j.FaultRight(1)),5:0.0} %  top-3 {100 * Share(of, j => j.FaultRight(3)),5:0.0} "
            + $"%{(of.All(j => j.Pair) ? $"   both among three {100 * Share(of, j => j.Both(3)),5:0.0} %" : "")}");

    private static string Off(IGrouping<string, (string Reading, double Sigmas)> of) =>
        $"{of.Key} {Quantile(of.Select(o => o.Sigmas), 0.5):0.0} ({Quantile(of.Select(o => Math.Abs(o.Sigmas)), 0.9):0.0})";

    private static void Calibration(Judged[] of)
    {
        Console.WriteLine("calibration of the leading action, singles, all quick checks");
        var error = 0.0;
        foreach (var bin in of.GroupBy(j => Math.Min(9, (int)(10 * j.Actions[0].Share))).OrderBy(g => g.Key))
        {
            var (said, was) = (bin.Average(j => j.Actions[0].Share), Share(bin, j => j.Right(1)));
            error += bin.Count() * Math.Abs(said - was) / of.Length;
            Console.WriteLine($"  said {100 * said,5:0.0} %   right {100 * was,5:0.0} %   {bin.Count(),5} cases");
        }

        Console.WriteLine($"  expected calibration error {error:0.000}");
    }
}
