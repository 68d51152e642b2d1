using CsCheck;
using MildHunch.Core.Pumps;
using MildHunch.Core.Records.Lives;
using MildHunch.Core.Service.Sheets;

namespace MildHunch.Core.Tests.Records.Lives;

public class PartLogTests
{
    private static readonly DateOnly Today = new(2026, 11, 28);
    private static readonly PartPosition Seal = new("hp-seal", new ServicePlace(2));

    [Fact]
    public void One_change_ends_a_life_and_begins_the_next()
    {
        var lives = PartLog.Lives(
            [In("a", 1, 0), Change("b", 100, 420, OutWhy.Failed), Change("c", 200, 900, OutWhy.Along)], Today);
        lives.Select(l => l.Ran(1000)).ShouldBe([420, 480, 100]);
        lives.Select(l => l.Failed).ShouldBe([true, false, false]);
        lives[^1].Out.ShouldBeNull();
    }

    [Fact]
    public void What_was_in_before_the_record_has_no_age() =>
        PartLog.Lives([Change("b", 100, 420, OutWhy.Failed)], Today)[0].ShouldSatisfyAllConditions(
            l => l.Ran(1000).ShouldBeNull(), l => l.Watched(1000, 0).ShouldBeNull(), l => l.Failed.ShouldBeTrue());

    [Fact]
    public void Found_failed_at_an_opening_lies_between_two_hours()
    {
        var change = Change("b", 100, 900, OutWhy.Failed);
        var lives = PartLog.Lives([In("a", 1, 100), change with { Out = change.Out! with { GoodAt = 500 } }], Today);
        lives[0].Watched(1000, 300).ShouldBe(new WatchedLife(800, true, 200, new FoundBetween(400, 800)));
    }

    [Fact]
    public void Lives_at_a_place_follow_one_another_and_none_is_lost() => Gen.Int[1, 60].Array[1, 12].Sample(gaps =>
    {
        var (day, hours) = (1, 0.0);
        var changes = new List<PartChange> { In("c0", day, hours) };
        foreach (var gap in gaps)
            changes.Add(Change($"c{changes.Count}", day += gap, hours += 10 * gap, gap % 2 == 0 ? OutWhy.Failed : OutWhy.Along));
        var lives = PartLog.Lives(changes.AsEnumerable().Reverse(), new DateOnly(2030, 1, 1));
        lives.Count.ShouldBe(changes.Count);
        lives.Sum(l => l.Ran(hours)!.Value).ShouldBe(hours, 1e-9);
        lives.Zip(lives.Skip(1)).ShouldAllBe(p => p.First.Out == p.Second.Fitted);
    });

    [Fact]
    public void A_part_fitted_where_one_still_is_names_both()
    {
        var told = Should.Throw<ImpossibleInputException>(() => PartLog.Lives([In("a", 10, 5), In("b", 90, 50)], Today)).Message;
        told.ShouldContain("hp-seal.2, fitted on 2026-04-01 at 50 h");
        told.ShouldContain("hp-seal.2, fitted on 2026-01-11 at 5 h");
    }

    [Fact]
    public void Taken_out_twice_or_before_it_was_fitted_is_told()
    {
        var outOnly = Change("b", 50, 40, OutWhy.Failed) with { In = null };
        Should.Throw<ImpossibleInputException>(
            () => PartLog.Lives([In("a", 10, 5), outOnly, outOnly with { Id = "c", On = outOnly.On.AddDays(3) }], Today))
            .Message.ShouldContain("it came out before");
        Should.Throw<ImpossibleInputException>(() => PartLog.Lives([In("a", 60, 30), Change("b", 90, 20, OutWhy.Failed)], Today))
            .Message.ShouldContain("do not go backwards");
    }

    [Fact]
    public void A_day_to_come_is_told() => Should.Throw<ImpossibleInputException>(() => PartLog.Lives([In("a", 600, 5)], Today))
        .Message.ShouldContain("no day after today");

    [Fact]
    public void Places_have_their_names()
    {
        Seal.Key.ShouldBe("hp-seal.2");
        new PartPosition("valve", new ServicePlace(3, Side.Inlet)).Key.ShouldBe("valve.3.inlet");
        new PartPosition("nozzle", ServicePlace.Whole).Key.ShouldBe("nozzle");
    }

    private static DateOnly Day(int day) => new DateOnly(2026, 1, 1).AddDays(day);

    private static PartChange In(string id, int day, double hours) => new(id, Seal, Day(day), hours, null, new NewPart());

    private static PartChange Change(string id, int day, double hours, OutWhy why) =>
        new(id, Seal, Day(day), hours, new Removal(why), new NewPart());
}
