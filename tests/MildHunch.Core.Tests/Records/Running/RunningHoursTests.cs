using CsCheck;
using MildHunch.Core.Records.Running;

namespace MildHunch.Core.Tests.Records.Running;

public class RunningHoursTests
{
    private static readonly DateOnly Today = new(2026, 11, 28);
    private static readonly Season Frost = new("frost nights", new YearDay(3, 15), new YearDay(5, 31), 70, true);
    private static readonly Gen<DateOnly> AnyDay = Gen.Int[0, 1500].Select(d => new DateOnly(2022, 6, 1).AddDays(d));

    [Fact]
    public void Duty_adds_up_over_any_split() => Gen.Select(AnyDay, AnyDay, AnyDay).Sample((a, b, c) =>
    {
        var duty = new Duty(20, [Frost, new Season("lay-up", new YearDay(12, 1), new YearDay(1, 31), 0, false)]);
        DateOnly[] days = [.. new[] { a, b, c }.Order()];
        duty.Between(days[0], days[2]).ShouldBe(duty.Between(days[0], days[1]) + duty.Between(days[1], days[2]), 1e-6);
    });

    [Fact]
    public void A_season_has_its_own_hours()
    {
        var duty = new Duty(20, [Frost]);
        duty.Between(new DateOnly(2026, 3, 14), new DateOnly(2026, 5, 31)).ShouldBe(78 * 10, 1e-9);
        duty.MustRunOn(new DateOnly(2026, 4, 1))!.Name.ShouldBe("frost nights");
        duty.MustRunOn(new DateOnly(2026, 6, 1)).ShouldBeNull();
    }

    [Fact]
    public void The_day_of_some_hours_is_the_first_that_has_them() => Gen.Select(AnyDay, Gen.Double[1, 4000]).Sample((from, hours) =>
    {
        var duty = new Duty(12, [Frost]);
        var day = duty.After(from, hours)!.Value;
        duty.Between(from, day).ShouldBeGreaterThanOrEqualTo(hours - 1e-6);
        duty.Between(from, day.AddDays(-1)).ShouldBeLessThan(hours + 1e-6);
    });

    [Fact]
    public void Between_readings_the_hours_fall_where_the_duty_is()
    {
        MeterReading[] read = [new("a", new DateOnly(2026, 1, 1), 1000), new("b", new DateOnly(2026, 12, 31).AddDays(-40), 1900)];
        var hours = RunningHours.Of(read, new Duty(2, [Frost]), Today);
        hours.At(read[0].On).ShouldBe(1000);
        hours.At(read[1].On).ShouldBe(1900);
        (hours.At(new DateOnly(2026, 5, 31))!.Value - hours.At(new DateOnly(2026, 3, 14))!.Value).ShouldBeGreaterThan(700);
    }

    [Fact]
    public void A_new_meter_goes_on_counting()
    {
        var hours = RunningHours.Of(
            [new("a", new DateOnly(2026, 1, 1), 5000), new("b", new DateOnly(2026, 2, 1), 5100),
             new("c", new DateOnly(2026, 2, 1), 0, NewMeter: true), new("d", new DateOnly(2026, 3, 1), 80)], null, Today);
        hours.At(new DateOnly(2026, 3, 1)).ShouldBe(5180);
    }

    /// <summary>It was fitted a month after the last reading: what the pump had run until then, by its readings, is not lost.</summary>
    [Fact]
    public void A_new_meter_loses_no_hours()
    {
        var hours = RunningHours.Of(
            [new("a", new DateOnly(2026, 1, 1), 5000), new("b", new DateOnly(2026, 2, 10), 5200),
             new("c", new DateOnly(2026, 3, 12), 0, NewMeter: true)], null, Today);
        hours.At(new DateOnly(2026, 3, 12))!.Value.ShouldBe(5350, 1e-6);
    }

    [Fact]
    public void Without_a_duty_the_readings_tell_it()
    {
        var hours = RunningHours.Of([new("a", new DateOnly(2026, 1, 1), 0), new("b", new DateOnly(2026, 10, 8), 400)], null, Today);
        hours.Duty.HoursPerWeek.ShouldBe(10);
        hours.When(470, Today).ShouldBe(Today);
        hours.When(900, Today)!.Value.ShouldBe(new DateOnly(2026, 10, 8).AddDays(350));
    }

    [Theory]
    [InlineData("2026-03-01", 900, "2026-04-01", 880, "at least the 900 h on 2026-03-01")]
    [InlineData("2026-03-01", 900, "2026-03-03", 1000, "at most 972")]
    [InlineData("2026-03-01", 900, "2026-12-24", 1000, "no day after today")]
    public void Hours_that_cannot_be_name_what_they_conflict_with(string on, double hours, string then, double more, string says) =>
        Should.Throw<ImpossibleInputException>(() => RunningHours.Of(
            [new("a", DateOnly.Parse(on), hours), new("b", DateOnly.Parse(then), more)], null, Today)).Message.ShouldContain(says);

    [Fact]
    public void Seasons_do_not_overlap() => Should.Throw<ImpossibleInputException>(
        () => new Duty(10, [Frost, new Season("spring", new YearDay(5, 1), new YearDay(6, 30), 5, false)])).Message.ShouldContain("01 May");
}
