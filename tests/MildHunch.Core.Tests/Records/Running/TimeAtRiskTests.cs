using MildHunch.Core.Records.Lives;
using MildHunch.Core.Records.Patterns;
using MildHunch.Core.Records.Running;
using MildHunch.Core.Service;
using static MildHunch.Core.Tests.Setting;

namespace MildHunch.Core.Tests.Records.Running;

/// <summary>A pump counts while it was on record and in use, and no longer.</summary>
public class TimeAtRiskTests
{
    private static readonly DateOnly From = new(2025, 1, 1);
    private static readonly DateOnly Put = new(2025, 7, 1);
    private static readonly DateOnly Today = new(2026, 7, 1);
    private static readonly Duty Daily = new(7, []);
    private static readonly PumpOnRecord Drawn =
        new RandomShop(3, From).Draw(new ShopPump("FOG-2", Fog2, Fog2Setup(), 7), ServiceSheets.BuiltIn(Known), Known, From.AddDays(1));
    private static readonly IReadOnlySet<string> Seals =
        Drawn.Parts.Where(p => p.Kind == "hp-seal").Select(p => p.At.Key).ToHashSet();

    [Fact]
    public void Hours_stand_still_once_it_is_put_away()
    {
        var time = new TimeAtRisk(RunningHours.Of([new("m", From, 100)], Daily, Today), From, Put);
        time.HoursAt(Today).ShouldBe(time.HoursAt(Put));
        time.HoursAt(Put).ShouldBe(100 + Put.DayNumber - From.DayNumber, 1e-6);
        time.HoursADay(Today).ShouldBe(0);
        time.HoursADay(Put).ShouldBe(1, 1e-6);
        (time.Holds(Put), time.Holds(Put.AddDays(1)), time.Holds(From.AddDays(-1))).ShouldBe((true, false, false));
    }

    /// <summary>What survived until it was put away did not survive the years in the loft.</summary>
    [Fact]
    public void A_pump_put_away_goes_on_surviving_no_longer()
    {
        var pump = Drawn with { Time = Drawn.Time with { Hours = RunningHours.Of([new("m", From, 0)], Daily, Today), Until = Put } };
        pump.Watched(Seals, Today).ShouldAllBe(l => Math.Abs(l.Hours - (Put.DayNumber - From.DayNumber)) < 1e-6);
    }

    [Fact]
    public void Without_a_meter_hours_are_those_of_its_week_since_the_record_began()
    {
        var time = new TimeAtRisk(RunningHours.Of([], Daily, Today), From);
        (time.IsKnown, time.HoursAt(From), time.HoursAt(From.AddDays(10))).ShouldBe((true, 0, 10));
        time.When(30, From).ShouldBe(From.AddDays(30));
    }

    /// <summary>Where nobody knows, failures keep their order, and no life is read out of them.</summary>
    [Fact]
    public void Where_nobody_knows_the_hours_no_life_is_told()
    {
        var time = new TimeAtRisk(RunningHours.Of([], null, Today), From, Kept: RecordKept.FromNew);
        time.IsKnown.ShouldBeFalse();
        time.HoursAt(Today).ShouldBeGreaterThan(time.HoursAt(Put));
        (Drawn with { Time = time }).Watched(Seals, Today).ShouldBeEmpty();
        time.When(30, From).ShouldBeNull();
    }

    /// <summary>Kept from its first run: what was in from new failed at 100 h, though nobody noted that it went in.</summary>
    [Fact]
    public void The_first_lives_of_a_pump_kept_from_new_count()
    {
        var seal = Drawn.Parts.First(p => p.Kind == "hp-seal");
        PartChange failed = new("c", seal.At, From.AddDays(100), 100, new Removal(OutWhy.Failed), new NewPart());
        PumpOnRecord Kept(RecordKept kept) => Drawn with
        {
            Time = new TimeAtRisk(RunningHours.Of([new("m", From, 0)], Daily, Today), From, Kept: kept),
            Lives = PartLog.Lives([failed], Today),
        };
        var now = Today.DayNumber - From.DayNumber;
        Kept(RecordKept.FromNew).Watched(Seals, Today).OrderBy(l => l.Hours)
            .ShouldBe([new(100, true), new(now - 100, false), new(now, false), new(now, false)]);
        Kept(RecordKept.Unsaid).Watched(Seals, Today).ShouldBe([new(now - 100, false)]);

        // Something went in and nobody said what came out: what was new had lasted until then.
        var unsaid = Kept(RecordKept.FromNew) with { Lives = PartLog.Lives([failed with { Out = null }], Today) };
        unsaid.Watched(Seals, Today).OrderBy(l => l.Hours).First().ShouldBe(new(100, false));
    }
}
