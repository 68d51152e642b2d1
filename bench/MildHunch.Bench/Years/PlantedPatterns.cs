using System.Diagnostics;
using MildHunch.Core.Records.Patterns;

namespace MildHunch.Bench.Years;

/// <summary>
/// How often a pattern that is there is told: at one place, in one season, in one pump or of one batch parts fail at four times the
/// hazard of the catalogue. By how many of such failures the record holds.
/// </summary>
internal static class PlantedPatterns
{
    private const double Times = 4;
    private static readonly DateOnly From = new(2014, 11, 20);
    private static readonly int[] Steps = [0, 10, 15, 20, 30, 40, int.MaxValue];

    public static void Run(int shops, int seed)
    {
        var watch = Stopwatch.StartNew();
        Console.WriteLine($"{shops} shops a row from seed {seed}, one pattern planted at {Times:0} times the hazard: told, of how many,");
        Console.WriteLine($"  failures there:            {string.Join(" ", Steps.SkipLast(1).Select((s, i) => $"{Span(i),11}"))}");
        foreach (var kind in Enum.GetValues<PatternKind>())
        {
            var told = (from years in (int[])[2, 5, 10] from s in Enumerable.Range(seed, shops) select (years, s)).AsParallel()
                .Select(x => One(kind, x.years, x.s)).ToArray();
            Console.WriteLine($"  {kind,-26} {string.Join(" ", Steps.SkipLast(1).Select((_, i) => $"{Share(told, i),11}"))}"
                + $"   a batch blamed: {told.Count(t => t.Blamed)} of {told.Length}");
        }

        Console.WriteLine($"  {watch.Elapsed.TotalSeconds:0} s");
    }

    private static string Span(int i) => Steps[i + 1] == int.MaxValue ? $"{Steps[i]} on" : $"{Steps[i]} to {Steps[i + 1] - 1}";

    private static string Share(Found[] told, int step)
    {
        var those = told.Where(t => t.Failures >= Steps[step] && t.Failures < Steps[step + 1]).ToArray();
        return those.Length == 0 ? "-" : $"{100.0 * those.Count(t => t.Told) / those.Length:0} % of {those.Length}";
    }

    private sealed record Found(int Failures, bool Told, bool Blamed);

    private static Found One(PatternKind kind, int years, int seed)
    {
        var shop = new DrawnShop(seed, From, years, seed % 2 == 0);
        var batch = $"K-{1 + years}";
        var pumps = shop.Draw((pump, part, day, of) => Hit(kind, pump.Tag, part, day, of, batch) ? Times : 1);
        var failures = pumps.SelectMany(p => p.Lives.Where(l => l.Failed).Select(l => (Pump: p, Life: l)))
            .Where(x => Hit(
                kind, x.Pump.Tag, x.Pump.Parts.First(p => p.At == x.Life.At), x.Life.Out!.On, x.Life.Fitted?.In?.Batch, batch))
            .Select(x => (x.Pump.Tag, x.Life.Out!.On)).Distinct().Count();
        var told = PatternFinder.Find(pumps, PartFamilies.BuiltIn, shop.To).Where(p => p.Told).ToArray();
        return new Found(
            failures,
            told.Any(p => p.Kind == kind && (kind is PatternKind.Position or PatternKind.Season ? p.Pump == "FOG-1"
                : p.Leading.Place == (kind == PatternKind.Sister ? "FOG-1" : $"batch {batch}"))),
            kind != PatternKind.Batch && told.Any(p => p.Kind == PatternKind.Batch));
    }

    private static bool Hit(PatternKind kind, string tag, RecordPart part, DateOnly day, string? of, string batch) => kind switch
    {
        PatternKind.Position => tag == "FOG-1" && part.Family.Id == "valves" && part.At.Place.Cylinder == 2,
        PatternKind.Season => tag == "FOG-1" && part.Family.Id == "valves" && day.Month is >= 3 and <= 5,
        PatternKind.Sister => tag == "FOG-1" && part.Family.Id == "valves",
        _ => of == batch && part.Kind == "valve",
    };
}
