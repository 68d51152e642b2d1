using System.Diagnostics;
using MildHunch.Core.Checks;
using MildHunch.Core.Diagnosis.Likelihood;
using MildHunch.Core.Evidence;
using MildHunch.Core.Expectation;
using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;

namespace MildHunch.Bench.Accuracy;

/// <summary>
/// Anything that is accepted is answered with numbers: pumps of every arrangement, readings over all that is allowed, any answers.
/// </summary>
internal static class RandomBench
{
    private const int MostReadings = 7;
    private const int AnswersOneIn = 6;
    private const int QuestionsAPump = 20;
    private const int TellEvery = 10_000;

    public static void Run(int cases, int seed)
    {
        var catalogue = Catalogue.BuiltIn();
        var diagnoser = new Diagnoser(catalogue);
        var bad = 0;
        var watch = Stopwatch.StartNew();
        var done = 0;

        // Some questions to each pump: solving a new one costs more than asking.
        Parallel.For(
            0, (cases + QuestionsAPump - 1) / QuestionsAPump, new ParallelOptions { MaxDegreeOfParallelism = Environment.ProcessorCount },
            group =>
        {
            var (kind, pump, _, setup) = PumpDraw.Next(new Random(unchecked((seed * 7_919) + group)));
            for (var i = group * QuestionsAPump; i < Math.Min(cases, (group + 1) * QuestionsAPump); i++)
            {
                if (Trouble(
                    diagnoser, pump, setup, Anything(catalogue, pump, setup, new Random(unchecked((seed * 1_000_003) + i)))) is { } trouble)
                {
                    Console.WriteLine($"case {i}, {kind}: {trouble}");
                    Interlocked.Increment(ref bad);
                }

                if (Interlocked.Increment(ref done) % TellEvery == 0)
                    Console.WriteLine($"{done} done, {bad} went wrong, {watch.Elapsed.TotalMinutes:0.0} minutes");
            }
        });
        Console.WriteLine($"{cases} random diagnoses, seed {seed}: {bad} went wrong; {watch.Elapsed.TotalMinutes:0.0} minutes on "
            + $"{Environment.ProcessorCount} cores");
    }

    private static string? Trouble(Diagnoser diagnoser, ReciprocatingPump pump, Setup setup, CaseEvidence evidence)
    {
        try
        {
            return Sound(diagnoser.Diagnose(pump, setup, evidence)) ? null : "a figure is no number";
        }
        catch (Exception e)
        {
            return $"{e.GetType().Name}, {e.Message}";
        }
    }

    private static CaseEvidence Anything(Catalogue catalogue, ReciprocatingPump pump, Setup setup, Random random)
    {
        var model = new CueModel(catalogue, pump, setup, []);
        var cues = catalogue.Cues.Where(c => !c.Retired && Catalogue.Fits(c, pump, setup) && random.Next(AnswersOneIn) == 0)
            .Select(c => Dripping(PumpDraw.Pick(random, [.. model.Possible(c)]), catalogue, random)).ToArray();
        return new CaseEvidence(
            [.. Enumerable.Range(0, random.Next(MostReadings))
                .Select(_ => Reading(PumpDraw.Pick(random, [.. Observables.All.Where(o => Readable.On(o.Id, pump, setup))]), random))],
            cues, [PumpDraw.Pick(random, [.. catalogue.Contexts]).Id]);
    }

    // Half of what drips is counted or runs, half of it is told to drip also standing or not.
    private static CueFact Dripping(CueFact fact, Catalogue catalogue, Random random)
    {
        var cue = catalogue.Cue(fact.Cue)!;
        if (cue.Kind != "places" || cue.Answers.First(a => a.Id == fact.Answer).Healthy)
            return fact;
        var stream = random.Next(4) == 0;
        return fact with
        {
            Stream = stream,
            DropsPerMinute = stream || random.Next(2) == 0 ? null : 1e5 * Math.Pow(random.NextDouble(), 6),
            When = (Dripping)random.Next(3),
        };
    }

    // Over the whole range of what is accepted, half of the flows of ordinary size; told uncertainties from absurdly sharp to absurdly
    // blunt.
    private static Reading Reading(Observable what, Random random)
    {
        var share = random.NextDouble();
        var si = what.Id switch
        {
            "discharge-pressure" or "gun-pressure" or "swing" => 6.5e8 * Math.Pow(share, 4),
            "speed" => 0.02 + (99 * share),
            "inlet-pressure" => -1e5 + (2.1e6 * share),
            "nozzle-orifice" => 6e-5 + (0.0999 * share),
            _ => share * (random.Next(2) == 0 ? 1e-3 : 1),
        };
        return new Reading(what, new Amount(what.Kind, si), random.Next(2) == 0 ? null : Math.Pow(10, PumpDraw.Between(random, -11.5, 8)));
    }

    private static bool Sound(Verdict v) =>
        v.Suspects.All(s => double.IsFinite(s.Probability) && double.IsFinite(s.Severity.Middle) && double.IsFinite(s.TogetherDecibans)
            && s.Evidence.All(e => double.IsFinite(e.Decibans)) && s.Locations.All(l => double.IsFinite(l.Probability)))
        && v.Actions.All(a => a.Probability is >= 0 and <= 1 + 1e-6)
        && v.NextChecks.All(c => double.IsFinite(c.BitsPerMinute) && double.IsFinite(c.MinutesToMend)
            && c.Answers.All(a => double.IsFinite(a.Probability)))
        && v.Comparisons.All(c => double.IsFinite(c.Sigmas))
        && double.IsFinite(v.OpenNow.MinutesIfOpened) && double.IsFinite(v.TwoAtOnce);
}
