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
        var task = new DatedTask("Gauge G-4 checked", new DateOnly(2026, 1, 15), 6, new DateOnly(2026, 7, 20));
        var pump = Pump(0, new ServiceRule()) with { Tasks = [task] };
        Planner.Visits(pump, Today, Today.AddDays(400)).Select(v => v.On).ShouldBe([new(2027, 1, 15), new(2027, 7, 15)]);

        // Done a week ahead of its day is done; nobody saying so, it stays due and says since when.
        task = task with { Done = new DateOnly(2026, 7, 8) };
        task.Due(Today, Today.AddDays(100)).Select(i => i.On).ShouldBe([new(2027, 1, 15)]);
        var missed = (task with { Done = new DateOnly(2026, 1, 10) }).Due(Today, Today.AddDays(10)).ShouldHaveSingleItem();
        (missed.On, missed.Says).ShouldBe((Today, "Gauge G-4 checked: due since 2026-07-15"));
        new DatedTask("Oil changed", new DateOnly(2026, 1, 15)).Due(Today, Today).ShouldHaveSingleItem().On.ShouldBe(Today);
        new DatedTask("Oil changed", new DateOnly(2026, 1, 15), Done: Today).Due(Today, Today).ShouldBeEmpty();
    }

    /// <summary>The 31st is the last day of a shorter month, and the 31st again where there is one.</summary>
    [Fact]
    public void A_monthly_task_keeps_its_day() =>
        new DatedTask("Oil seen", new DateOnly(2026, 12, 31), 1).Due(Today, new DateOnly(2027, 5, 31)).Select(i => i.On)
            .ShouldBe([new(2026, 12, 31), new(2027, 1, 31), new(2027, 2, 28), new(2027, 3, 31), new(2027, 4, 30), new(2027, 5, 31)]);

    /// <summary>Seasons that touch one another are all stepped out of; one of the whole year leaves nowhere to step.</summary>
    [Fact]
    public void All_seasons_in_which_it_must_not_stand_are_kept_clear()
    {
        Season Run(int from, int day, int to, int last) => new($"from {from}", new YearDay(from, day), new YearDay(to, last), 42, true);
        DueVisit First(params Season[] seasons) =>
            Planner.Visits(Pump(500, new ServiceRule(800), seasons: seasons), Today, Today.AddDays(400))[0];
        First(Run(1, 10, 3, 31), Run(12, 15, 1, 9)).On.ShouldBe(new DateOnly(2026, 12, 14));
        var never = First(Run(1, 1, 12, 31));
        (never.On, never.Wanted).ShouldBe((Today.AddDays(50), null));
        never.Season.ShouldNotBeNull();
        First(Run(1, 1, 6, 30), Run(7, 1, 12, 31)).On.ShouldBe(Today.AddDays(50));
    }

    /// <summary>A seal of which nobody noted a change is as old as the pump, and the oldest of all places decides.</summary>
    [Fact]
    public void A_part_never_noted_as_changed_is_due_by_the_hours_of_the_pump()
    {
        var noted = Pump(100, new ServiceRule(800));
        var first = Parts.First(p => p.Kind == "hp-seal");
        var one = noted with
        {
            Parts = [.. noted.Parts.Select(p => p.Part == first ? p with { Life = null } : p)],
            Lives = [.. noted.Lives.Where(l => l.At != first.At)],
        };
        var visit = Planner.Visits(one, Today, Today.AddDays(30))[0];
        visit.On.ShouldBe(Today);
        visit.Items[0].Says.ShouldContain("no change of some seal is on record, and the pump has run 2000 h");
        Planner.Visits(noted, Today, Today.AddDays(30)).ShouldBeEmpty();
    }

    /// <summary>“Plungers out every two changes”, no hours, no months: at the next change, or now where one was missed.</summary>
    [Fact]
    public void A_rule_of_openings_stands_alone()
    {
        var estimate = LifeEstimator.Estimate([], new LifePrior(new Wear(2, 600)));
        var visits = Planner.Visits(Pump(500, new ServiceRule(SealChanges: 2), estimate), Today, Today.AddDays(60));
        visits[0].Items.Select(i => i.Why).ShouldBe([DueWhy.SealChanges, DueWhy.Life, DueWhy.Life], ignoreOrder: true);
        visits[0].On.ShouldBeInRange(Today.AddDays(10), Today.AddDays(20));
        var missed = Planner.Visits(Pump(500, new ServiceRule(SealChanges: 1)), Today, Today.AddDays(60))[0];
        missed.On.ShouldBe(Today);
        missed.Items[0].Says.ShouldContain("1 were made");

        // A pump that has no plungers has none to come out.
        var without = Pump(500, new ServiceRule(SealChanges: 1));
        without = without with { Parts = [.. without.Parts.Where(p => p.Part.Family.Id != "plungers")] };
        Planner.Visits(without, Today, Today.AddDays(60)).ShouldBeEmpty();
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
            "p", "FOG-2", new TimeAtRisk(hours, new DateOnly(2024, 1, 1)), rule,
            [.. Parts.Select(p => new DuePart(p, lives.Last(l => l.At == p.At), p.Family.Id == "seals" ? estimate : null))], lives, []);
    }
}
