using CsCheck;
using MildHunch.Core.Records.Outcomes;

namespace MildHunch.Core.Tests.Records.Outcomes;

/// <summary>What a case came to, written and read back.</summary>
public class OutcomeTests
{
    [Fact]
    public void What_is_written_is_read_back() =>
        Gen.Select(Gen.String[Gen.Char["abc-"], 1, 9].Array[1, 3], Gen.Int[0, 8]).Sample((faults, cylinder) =>
        {
            var outcome = new Outcome(faults, cylinder == 0 ? null : cylinder);
            var read = Outcome.Parse(outcome.ToString(), "closed")!;
            return read.Faults.SequenceEqual(faults) && read.Cylinder == outcome.Cylinder && read.ToString() == outcome.ToString();
        });

    [Theory]
    [InlineData("seal-worn@0")]
    [InlineData("seal-worn@-1")]
    [InlineData("seal-worn@two")]
    [InlineData("seal-worn@1@2")]
    [InlineData("+seal-worn")]
    [InlineData("@2")]
    public void What_is_no_outcome_is_refused_at_the_door_and_read_where_it_is_stored(string text)
    {
        Should.Throw<ImpossibleInputException>(() => Outcome.Parse(text, "closed")).Field.ShouldBe("closed");
        Outcome.Read(text).ShouldNotBeNull();
    }

    [Fact]
    public void A_place_that_nobody_said_is_none()
    {
        var outcome = Outcome.Parse("seal-worn+valve-worn@", "closed")!;
        (outcome.Written, outcome.Cylinder).ShouldBe(("seal-worn+valve-worn", null));
    }

    [Theory]
    [InlineData("")]
    [InlineData(null)]
    public void An_open_case_has_none(string? text) => Outcome.Parse(text, "closed").ShouldBeNull();
}
