using MildHunch.Core.Records.Lives;
using MildHunch.Core.Records.Patterns;
using MildHunch.Core.Records.Running;
using MildHunch.Core.Service;
using static MildHunch.Core.Tests.Setting;

namespace MildHunch.Core.Tests.Records.Patterns;

/// <summary>What counts as expected: pumps that were there, parts that were in, at the ages that they had; one event an opening.</summary>
public class AtRiskTests
{
    private static readonly DateOnly From = new(2021, 1, 1);
    private static readonly DateOnly Today = new(2026, 1, 1);
    private static readonly ServiceSheets Sheets = ServiceSheets.BuiltIn(Known);

    /// <summary>Seventeen failures of the older pump, all before the younger came: there is nothing to compare.</summary>
    [Fact]
    public void A_younger_sister_says_nothing_of_the_years_before_her()
    {
        var older = Failing("FOG-1", From, Enumerable.Range(1, 17).Select(i => From.AddDays(40 * i)));
        var younger = Failing("FOG-2", new DateOnly(2025, 6, 1), []);
        var sisters = PatternFinder.Find([older, younger], PartFamilies.BuiltIn, Today).Where(p => p.Kind == PatternKind.Sister);
        sisters.ShouldAllBe(p => p.Events == 0 || p.Family.Id != "seals");
        PatternFinder.Find([older, Failing("FOG-3", From, [])], PartFamilies.BuiltIn, Today)
            .Single(p => p.Kind == PatternKind.Sister && p.Family.Id == "seals").Told.ShouldBeTrue();
    }

    /// <summary>A pump put away after half a year cannot fail any more: of later failures none is expected of it.</summary>
    [Fact]
    public void A_pump_put_away_is_expected_to_fail_no_longer()
    {
        var days = Enumerable.Range(1, 10).Select(i => From.AddDays(160 * i)).ToArray();
        PlaceCount Expected(DateOnly? until)
        {
            var away = Failing("FOG-2", From, []);
            away = away with { Time = away.Time with { Until = until } };
            return PatternFinder.Find([Failing("FOG-1", From, days), away], PartFamilies.BuiltIn, Today)
                .Single(p => p.Kind == PatternKind.Sister && p.Family.Id == "seals").Counts.Single(c => c.Place == "FOG-2");
        }

        Expected(null).Expected.ShouldBeGreaterThan(4);
        Expected(From.AddDays(170)).Expected.ShouldBeInRange(0.4, 0.6);
    }

    /// <summary>A pump that ran dry: three seals at one opening, over two days of one case, are one event.</summary>
    [Fact]
    public void Events_of_one_opening_count_once()
    {
        var pump = Empty("FOG-1", From);
        var seals = pump.Parts.Where(p => p.Kind == "hp-seal").ToArray();
        PartChange[] changes =
        [
            .. Enumerable.Range(1, 6).SelectMany(n => seals.Select((s, i) => new PartChange(
                $"{n}-{i}", s.At, From.AddDays((200 * n) + (i == 2 ? 1 : 0)), (200 * n) + (i == 2 ? 1 : 0), new Removal(OutWhy.Failed),
                new NewPart(), $"case-{n}"))),
        ];
        var found = PatternFinder.Find([pump with { Lives = PartLog.Lives(changes, Today) }], PartFamilies.BuiltIn, Today)
            .Where(p => p.Family.Id == "seals").ToArray();
        found.Select(p => p.Kind).ShouldContain(PatternKind.Position);
        found.ShouldAllBe(p => p.Events <= 6 && !p.Told);
    }

    /// <summary>Which seal stands for an opening prefers no cylinder.</summary>
    [Fact]
    public void The_one_that_stands_for_an_opening_is_any_of_them()
    {
        var seals = Empty("FOG-1", From).Parts.Where(p => p.Kind == "hp-seal").ToArray();
        var lives = Enumerable.Range(0, 1500).SelectMany(n => seals.Select((s, i) => new PartLife(
            s.At, null, new PartChange($"{n:0000}-{i}", s.At, From.AddDays(n), n, new Removal(OutWhy.Failed)))));
        var once = Openings.Once(lives).ToArray();
        once.Length.ShouldBe(1500);
        foreach (var seal in once.GroupBy(l => l.At.Key))
            seal.Count().ShouldBeInRange(430, 570);
    }

    /// <summary>
    /// Batch K fitted at three places of thirty; originals were never noted. The others are in all the same, and most of them have not
    /// failed: of six failures since, three of the batch are many.
    /// </summary>
    [Fact]
    public void Places_of_which_nothing_is_noted_are_at_risk_from_the_start()
    {
        PumpOnRecord[] pumps = [.. Enumerable.Range(1, 10).Select(i => Empty($"FOG-{i}", From))];
        var at = pumps[0].Parts.First(p => p.Kind == "hp-seal").At;
        PumpOnRecord With(PumpOnRecord pump, params PartChange[] changes) => pump with { Lives = PartLog.Lives(changes, Today) };
        PartChange Fitted(int days) => new("f", at, From.AddDays(days), 0, new Removal(OutWhy.Along), new NewPart(Batch: "K"));
        for (var i = 0; i < 3; i++)
            pumps[i] = With(pumps[i], Fitted(10), new("o", at, From.AddDays(300 + i), 300, new Removal(OutWhy.Failed), new NewPart()));
        for (var i = 3; i < 6; i++)
            pumps[i] = With(pumps[i], new PartChange("o", at, From.AddDays(300 + i), 300, new Removal(OutWhy.Failed), new NewPart()));
        var batch = PatternFinder.Find(pumps, PartFamilies.BuiltIn, Today)
            .Single(p => p.Kind == PatternKind.Batch && p.Family.Id == "seals" && p.Leading.Place == "batch K");
        batch.Leading.Events.ShouldBe(3);

        // Three of thirty, then two of twenty-nine, then one: 0.1 + 0.07 + 0.04.
        batch.Leading.Expected.ShouldBeInRange(0.15, 0.25);
    }

    /// <summary>Seals renewed each 1 March are old in winter: failures then are what their age lets expect.</summary>
    [Fact]
    public void Seasons_are_judged_against_the_ages_that_the_parts_had()
    {
        var pump = new RandomShop(1, From).Draw(
            new ShopPump("FOG-1", Fog2, Fog2Setup()) { Served = new YearDay(3, 1) }, Sheets, Known, Today);
        var seasons = PatternFinder.Find([pump], PartFamilies.BuiltIn, Today)
            .Single(p => p.Kind == PatternKind.Season && p.Family.Id == "seals");
        double Share(string of) => seasons.Counts.Single(c => c.Place == of).Expected / seasons.Events;
        Share("spring").ShouldBeLessThan(0.2);
        Share("winter").ShouldBeGreaterThan(0.3);
    }

    private static PumpOnRecord Empty(string tag, DateOnly from)
    {
        var pump = new RandomShop(3, from).Draw(new ShopPump(tag, Fog2, Fog2Setup(), 7), Sheets, Known, from.AddDays(1));
        return pump with { Time = new TimeAtRisk(RunningHours.Of([new("m", from, 0)], new Duty(7, []), Today), from), Lives = [] };
    }

    private static PumpOnRecord Failing(string tag, DateOnly from, IEnumerable<DateOnly> days)
    {
        var pump = Empty(tag, from);
        var seal = pump.Parts.First(p => p.Kind == "hp-seal");
        return pump with
        {
            Lives = PartLog.Lives(
                days.Select((d, i) => new PartChange($"{tag}-{i}", seal.At, d, pump.HoursAt(d), new Removal(OutWhy.Failed), new NewPart())),
                Today),
        };
    }
}
