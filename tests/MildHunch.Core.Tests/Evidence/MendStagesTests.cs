using MildHunch.Core.Evidence;
using MildHunch.Core.Expectation;
using MildHunch.Core.Quantities;
using static MildHunch.Core.Tests.Setting;

namespace MildHunch.Core.Tests.Evidence;

/// <summary>What was taken before, between and after mends.</summary>
public class MendStagesTests
{
    [Fact]
    public void After_a_mend_of_which_nothing_is_told_only_what_was_read_after_it_counts()
    {
        var evidence = Of([Bar(31), Bar(70, 1), Took("nozzle-flow", 19.2, "L/min", 1)], []);
        evidence.Readings.Count.ShouldBe(2);
        Judge(Fog2, Fog2Setup(), evidence).Leader.Fault.Id.ShouldBe("no-fault");
    }

    [Fact]
    public void What_was_seen_before_a_mend_of_which_nothing_is_told_no_longer_counts_after_it()
    {
        var noted = Of([], [new("needle", "swings"), new("jet", "pulsing"), new("needle", "steady", Mends: 1)]);
        noted.Cues.Select(c => c.Answer).ShouldBe(["steady"]);
        Judge(Fog2, Fog2Setup(), noted).Leader.Fault.Id.ShouldBe("no-fault");
    }

    /// <summary>Mends with nothing taken between them are one; each piece of evidence stands where it was taken.</summary>
    [Fact]
    public void Evidence_stands_between_the_mends_where_it_was_taken()
    {
        Mended[] mended = [new("nozzle"), new("unloader-seat"), new("discharge-valves")];
        var evidence = Of([Bar(31), Bar(33, 2), Bar(70, 3)], [], mended);
        evidence.Readings.Single().Value.Si.ShouldBe(70e5, 1);
        evidence.Before.Select(b => b.Readings.Single().Value.Si / 1e5).ShouldBe([31, 33], 0.001);
        evidence.Before.Select(b => b.Mended.Count).ShouldBe([2, 1]);
    }

    [Fact]
    public void More_mends_than_a_verdict_can_carry_are_refused()
    {
        void Refused(TakenReading[] taken, int times) => Should.Throw<ImpossibleInputException>(
            () => Of(taken, [], [.. Enumerable.Repeat(new Mended("nozzle"), times)])).Field.ShouldBe("mended");
        Refused([], 501);
        Refused([.. Enumerable.Range(0, 30).Select(n => Bar(31, n))], 30);
    }

    private static CaseEvidence Of(TakenReading[] taken, CueFact[] cues, params Mended[] mended) =>
        MendStages.Evidence(Fog2, Fog2Setup(), taken, cues, [], mended);

    private static TakenReading Bar(double value, int mends = 0) => Took("discharge-pressure", value, "bar", mends);

    private static TakenReading Took(string what, double value, string unit, int mends)
    {
        var kind = Observables.Find(what)!.Kind;
        var noted = Quantity.UnitNamed(kind, unit, what);
        return new TakenReading(what, new Amount(kind, noted.ToSi(value)), null, null, noted, mends, $"readings[{what} {mends}]");
    }
}
