using System.Diagnostics;
using MildHunch.Core.Records.Patterns;

namespace MildHunch.Bench.Years;

/// <summary>
/// How often a record in which nothing is planted tells a pattern: shops whose parts fail by the catalogue’s lives, read every week for
/// five years, half of them served by the calendar, pumps coming and going.
/// </summary>
internal static class FalseAlarms
{
    private const int Years = 5;
    private const int DaysAWeek = 7;
    private static readonly DateOnly From = new(2021, 11, 20);
    private static readonly DateOnly To = From.AddYears(Years);

    public static void Run(int shops, int seed)
    {
        var watch = Stopwatch.StartNew();
        var told = Enumerable.Range(seed, shops).AsParallel().AsOrdered().Select(FirstAlarm).ToArray();
        var alarms = told.OfType<Alarm>().ToArray();
        Console.WriteLine(
            $"{shops} random shops of eight pumps that come and go from seed {seed}, every other served by the calendar, read every week "
                + $"for {Years} years: {alarms.Length} ever told a pattern "
                + $"({100.0 * alarms.Length / shops:0.0} %; 3 % allowed); {watch.Elapsed.TotalSeconds:0} s");
        foreach (var alarm in alarms)
            Console.WriteLine($"  seed {alarm.Seed}, {alarm.On:yyyy-MM-dd}: {alarm.Sentence} Evidence {alarm.Evidence:0}");
    }

    private sealed record Alarm(int Seed, DateOnly On, string Sentence, double Evidence);

    private static Alarm? FirstAlarm(int seed)
    {
        var pumps = new DrawnShop(seed, From, Years, seed % 2 == 0).Draw();
        var failures = pumps.SelectMany(p => p.Lives).Where(l => l.Failed).Select(l => l.Out!.On).ToHashSet();
        var finder = new PatternFinder(PartFamilies.BuiltIn);
        for (var week = From.AddDays(DaysAWeek); week <= To; week = week.AddDays(DaysAWeek))
        {
            // Nothing failed since, nothing is read otherwise; but a year that ends lets its seasons speak.
            var news = Enumerable.Range(1, DaysAWeek).Any(d => failures.Contains(week.AddDays(-d)));
            if (!news && week.DayNumber - From.DayNumber < 365)
                continue;
            if (finder.Find([.. pumps.Where(p => p.From < week).Select(p => Until(p, week))], week).FirstOrDefault(p => p.Told) is { } told)
                return new Alarm(seed, week, told.Sentence, told.Evidence);
        }

        return null;
    }

    // The record as it stood on the morning of a day.
    private static PumpOnRecord Until(PumpOnRecord pump, DateOnly day) => pump with
    {
        Time = pump.Time.Until < day ? pump.Time : pump.Time with { Until = null },
        Lives =
        [
            .. pump.Lives.Where(l => l.Fitted is null || l.Fitted.On < day)
                .Select(l => l.Out is { } o && o.On >= day ? l with { Out = null } : l),
        ],
    };
}
