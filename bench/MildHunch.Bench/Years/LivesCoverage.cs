using System.Diagnostics;
using MildHunch.Core.Records.Lives;
using MildHunch.Core.Records.Patterns;
using MildHunch.Core.Records.Running;

namespace MildHunch.Bench.Years;

/// <summary>
/// How many bands of 90 % hold the truth: lives of high-pressure seals read out of the records of drawn shops as the product reads them,
/// in each of the ways in which a record is less than whole.
/// </summary>
internal static class LivesCoverage
{
    private const string Kind = "hp-seal";
    private const int Years = 3;
    private const double BetweenOpenings = 250;
    private static readonly DateOnly From = new(2021, 11, 20);

    public static void Run(int records, int seed)
    {
        var watch = Stopwatch.StartNew();
        Console.WriteLine($"{records} records of high-pressure seals a row from seed {seed}, no prior: bands of 90 % that hold the truth");
        Tell("as noted", records, seed, p => p, l => l);
        Tell("found failed between openings", records, seed, p => p, Between);
        Tell("no meter, by hours a week", records, seed, WithoutMeter, l => l);
        Tell("from a day on, two years in", records, seed, FromADay, l => l);
        Console.WriteLine($"  each with pumps put away, and half of them kept from new without a note; {watch.Elapsed.TotalSeconds:0} s");
    }

    private static void Tell(
        string name, int records, int seed, Func<PumpOnRecord, PumpOnRecord> kept, Func<WatchedLife, WatchedLife> seen)
    {
        var held = Enumerable.Range(seed, records).AsParallel().Select(s => Holds(s, kept, seen)).OfType<Held>().ToArray();
        Console.WriteLine(
            $"  {name,-32} B10 {held.Average(h => h.B10 ? 1 : 0.0):0.000}, shape {held.Average(h => h.Shape ? 1 : 0.0):0.000}, "
                + $"median of B10 over the truth {held.Select(h => h.Ratio).Order().ElementAt(held.Length / 2):0.000} "
                + $"({held.Length} records)");
    }

    private sealed record Held(bool B10, bool Shape, double Ratio);

    private static Held? Holds(int seed, Func<PumpOnRecord, PumpOnRecord> kept, Func<WatchedLife, WatchedLife> seen)
    {
        var shop = new DrawnShop(seed, From, Years, false);
        var pumps = shop.Draw().Where(p => p.Tag.StartsWith("FOG", StringComparison.Ordinal)).Select(kept).ToArray();
        var part = pumps[0].Parts.First(p => p.Kind == Kind);
        WatchedLife[] lives =
        [
            .. pumps.SelectMany(p => p.Watched(p.Parts.Where(x => x.Kind == Kind).Select(x => x.At.Key).ToHashSet(), shop.To)).Select(seen),
        ];
        if (lives.Count(l => l.Failed) < 3)
            return null;
        var life = LifeEstimator.Estimate(lives);
        return new Held(
            Within(life.B10, part.Wear!.B10Hours), Within(life.Shape, part.Wear.Shape), life.B10.Value / part.Wear.B10Hours);
    }

    private static bool Within(Banded band, double truth) => band.Low <= truth && truth <= band.High;

    // Looked at every so many hours: nobody knows when in between it failed.
    private static WatchedLife Between(WatchedLife life)
    {
        if (!life.Failed)
            return life;
        var good = Math.Floor(life.Hours / BetweenOpenings) * BetweenOpenings;
        return new WatchedLife(good + BetweenOpenings, true, life.From, new FoundBetween(good, good + BetweenOpenings));
    }

    private static PumpOnRecord WithoutMeter(PumpOnRecord pump)
    {
        var time = pump.Time with { Hours = RunningHours.Of([], pump.Hours.Duty, From.AddYears(Years)) };
        PartChange? At(PartChange? change) => change is null ? null : change with { Hours = time.HoursAt(change.On) };
        return pump with { Time = time, Lives = [.. pump.Lives.Select(l => new PartLife(l.At, At(l.Fitted), At(l.Out)))] };
    }

    // Changes before it were noted from papers, those that had failed and gone were not.
    private static PumpOnRecord FromADay(PumpOnRecord pump)
    {
        var from = From.AddYears(2) > pump.From ? From.AddYears(2) : pump.From;
        return pump with { Time = pump.Time with { From = from, Kept = RecordKept.FromADay } };
    }
}
