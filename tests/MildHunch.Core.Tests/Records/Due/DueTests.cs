using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;
using MildHunch.Core.Records.Due;
using MildHunch.Core.Records.Lives;
using MildHunch.Core.Records.Patterns;
using MildHunch.Core.Records.Running;
using MildHunch.Core.Service;
using MildHunch.Core.Service.Sheets;
using static MildHunch.Core.Tests.Setting;

namespace MildHunch.Core.Tests.Records.Due;

public class DueTests
{
    private static readonly DateOnly Today = new(2026, 11, 28);

    /// <summary>Ends of months and years, a leap day, nights in which the clock is put forward or back.</summary>
    public static TheoryData<string> Days =>
        ["2026-11-28", "2027-01-31", "2027-02-28", "2028-02-29", "2027-12-31", "2027-03-28", "2027-11-07", "2026-12-01"];

    private static readonly ServiceSheets Sheets = ServiceSheets.BuiltIn(Known);
    private static readonly IReadOnlyList<ServiceSheet> Mine =
        [Sheets.For(Fog2, Fittings.Of(Fog2, Fog2Setup()))[0], .. Sheets.Beside(Fog2, Fittings.Of(Fog2, Fog2Setup()))];
    private static readonly IReadOnlyList<RecordPart> Parts = PartFamilies.BuiltIn.On(Fog2, Mine, Known);
    private static readonly DuePlanner Planner = new(Fog2, Mine, new ServicePlanner(Sheets));

    [Fact]
    public void A_triplex_has_the_parts_that_its_count_says()
    {
        // Six caps: two valves a cylinder, one high- and one low-pressure seal a cylinder (common practice, no source).
        Parts.Count(p => p.Kind == "valve").ShouldBe(6);
        Parts.Count(p => p.Kind == "hp-seal").ShouldBe(3);
        Parts.Count(p => p.Kind == "lp-seal").ShouldBe(3);
        Parts.ShouldContain(p => p.At.Key == "nozzle");
        Parts.First(p => p.Kind == "hp-seal").Wear.ShouldBe(new Wear(2, 800));
    }

    [Theory]
    [MemberData(nameof(Days))]
    public void The_service_falls_on_the_day_when_its_hours_have_run(string day)
    {
        // 42 h a week; seals 500 h old today: 300 h to go are 50 days.
        var today = On(day);
        var visit = Planner.Visits(Pump(seals: 500, new ServiceRule(800), today: today), today, today.AddDays(200))[0];
        visit.On.ShouldBe(today.AddDays(50));
        visit.Items[0].Says.ShouldContain("the oldest seal has 500 h on it");
        visit.Plan!.Parts.Single(p => p.Part.Kind == "hp-seal").Count.ShouldBe(3);
    }

    [Theory]
    [MemberData(nameof(Days))]
    public void What_is_overdue_is_due_today(string day) =>
        Planner.Visits(Pump(seals: 900, new ServiceRule(800), today: On(day)), On(day), On(day).AddDays(30))[0].On.ShouldBe(On(day));

    [Fact]
    public void A_season_in_which_it_must_not_stand_is_kept_clear()
    {
        var season = new Season("frost nights", new YearDay(1, 10), new YearDay(3, 31), 42, true);
        var visit = Planner.Visits(Pump(500, new ServiceRule(800), seasons: [season]), Today, Today.AddDays(200))[0];
        visit.On.ShouldBe(new DateOnly(2027, 1, 9));
        visit.Wanted.ShouldBe(Today.AddDays(50));
        visit.Season.ShouldBe(season);
    }

    [Fact]
    public void One_opening_serves_what_lies_near_and_saves_minutes()
    {
        var estimate = LifeEstimator.Estimate([], new LifePrior(new Wear(2, 810)));
        var visit = Planner.Visits(Pump(500, new ServiceRule(SealChanges: 2, Hours: 800), estimate), Today, Today.AddDays(100))
            .ShouldHaveSingleItem();
        visit.Items.Select(i => i.Why).ShouldContain(DueWhy.SealChanges);
        visit.Saved.ShouldBeGreaterThan(20);
        visit.Plan!.Off.ShouldContain(p => p.Part.Kind == "plunger");
    }

    [Fact]
    public void A_task_by_date_comes_again()
    {
        var pump = Pump(0, new ServiceRule()) with { Tasks = [new DatedTask("Gauge G-4 checked", new DateOnly(2026, 1, 15), 6)] };
        Planner.Visits(pump, Today, Today.AddDays(400)).Select(v => v.On).ShouldBe([new(2027, 1, 15), new(2027, 7, 15)]);
    }

    [Theory]
    [MemberData(nameof(Days))]
    public void A_service_comes_again_and_what_it_renews_is_not_due_twice(string day)
    {
        var estimate = LifeEstimator.Estimate([], new LifePrior(new Wear(2, 1000)));
        var today = On(day);
        var visits = Planner.Visits(Pump(500, new ServiceRule(Hours: 800), estimate, today: today), today, today.AddDays(400));

        // 800 h at 42 h a week are 133.3 days; seals renewed each time never reach the 1000 h at which a tenth has failed.
        visits.Select(v => v.On.DayNumber - today.DayNumber).ShouldBe([50, 184, 318]);
        visits.SelectMany(v => v.Items).ShouldAllBe(i => i.Why == DueWhy.Hours);
    }

    [Theory]
    [MemberData(nameof(Days))]
    public void A_tenth_of_such_seals_decides_where_no_service_does(string day)
    {
        var estimate = LifeEstimator.Estimate([], new LifePrior(new Wear(2, 600)));
        var today = On(day);
        var visit = Planner.Visits(Pump(500, new ServiceRule(), estimate, today: today), today, today.AddDays(100))[0];
        visit.On.ShouldBeInRange(today.AddDays(16), today.AddDays(18));
        visit.Items.ShouldAllBe(i => i.Why == DueWhy.Life);
    }

    [Fact]
    public void What_stands_beside_the_pump_is_due_with_its_seals()
    {
        var worn = LifeEstimator.Estimate([.. Enumerable.Range(0, 12).Select(i => new WatchedLife(2020 + (10 * i), true))]);
        worn.Shape.Low.ShouldBeGreaterThan(1);
        var pump = Pump(800, new ServiceRule(Hours: 800));
        pump = pump with { Parts = [.. pump.Parts.Select(p => p.Part.Kind == "nozzle" ? p with { Estimate = worn } : p)] };
        var visit = Planner.Visits(pump, Today, Today.AddDays(60))[0];
        visit.Items.SelectMany(i => i.Parts).ShouldContain(p => p.Kind == "nozzle");
        visit.Plan!.Parts.ShouldNotBeEmpty();
    }

    private static DateOnly On(string day) => DateOnly.Parse(day, System.Globalization.CultureInfo.InvariantCulture);

    private static DuePump Pump(
        double seals, ServiceRule rule, LifeEstimate? estimate = null, Season[]? seasons = null, DateOnly? today = null)
    {
        var now = today ?? Today;
        var hours = RunningHours.Of([new MeterReading("m", now, 2000)], new Duty(42, seasons ?? []), now);
        var day = now.AddDays(-(int)Math.Ceiling(seals / 6));
        PartChange Fitted(RecordPart p, string id, double at, DateOnly on, Removal? old) =>
            new(id + p.At.Key, p.At, on, at, old, new NewPart());
        PartChange[] changes =
        [
            .. Parts.Select(p => Fitted(p, "first", 0, new DateOnly(2024, 1, 1), null)),
            .. Parts.Where(p => p.Family.Id == "seals").Select(p => Fitted(p, "next", 2000 - seals, day, new Removal(OutWhy.Along))),
        ];
        var lives = PartLog.Lives(changes, now);
        return new DuePump(
            "p", "FOG-2", hours, rule,
            [.. Parts.Select(p => new DuePart(p, lives.Last(l => l.At == p.At), p.Family.Id == "seals" ? estimate : null))], lives, []);
    }
}
