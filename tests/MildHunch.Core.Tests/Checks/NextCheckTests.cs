using CsCheck;
using MildHunch.Core.Diagnosis.Hypotheses;
using MildHunch.Core.Diagnosis.Likelihood;
using MildHunch.Core.Evidence;
using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;
using static MildHunch.Core.Tests.Setting;

namespace MildHunch.Core.Tests.Checks;

public class NextCheckTests
{
    private static readonly CaseEvidence Missing = Saw(
        [Read("discharge-pressure", 31, "bar"), Read("nozzle-flow", 12.7, "L/min")], new CueFact("needle", "swings"));

    [Fact]
    public void What_tells_most_a_minute_comes_first()
    {
        var checks = Judge(Fog2, Fog2Setup(), Missing).NextChecks;
        checks.Select(c => c.BitsPerMinute).ShouldBeInOrder(SortDirection.Descending);
        foreach (var check in checks)
            check.BitsPerMinute.ShouldBe(check.Bits / check.Check.AllMinutes, 1e-12);
    }

    [Fact]
    public void What_is_answered_or_measured_is_not_proposed()
    {
        var verdict = Judge(
            Fog2, Fog2Setup(),
            Missing with { Readings = [.. Missing.Readings, Read("bypass-flow", 0, "L/min"), Read("speed", 1450, "rpm")] });
        var proposed = verdict.NextChecks.Select(c => c.Check.Id).ToArray();
        proposed.ShouldNotContain("watch-needle");
        proposed.ShouldNotContain("flow-bucket");
        proposed.ShouldNotContain("bypass-bucket");
        proposed.ShouldNotContain("speed-check");
    }

    [Fact]
    public void Every_check_says_what_it_opens_and_how_and_its_hazards_are_known()
    {
        foreach (var check in Known.Checks)
        {
            check.How.ShouldNotBeNullOrWhiteSpace(check.Id);
            check.Opens.ShouldNotBeNullOrWhiteSpace(check.Id);
            check.Hazards.ShouldAllBe(h => Known.Hazard(h) != null);
        }
    }

    /// <summary>An intensifier has strokes to count, no shaft to hold a tachometer to (common practice, no source).</summary>
    [Fact]
    public void Speed_is_asked_for_once_on_every_pump_and_as_strokes_where_there_is_no_shaft()
    {
        foreach (var (name, pump, bar) in Every.Arrangement.Append(("intensifier", Every.Intensifier(), 3000)))
        {
            var asked = Known.Checks.Where(c => c.Reading == "speed" && Catalogue.Fits(c, pump, Every.Plain(pump, bar))).ToArray();
            asked.Length.ShouldBe(1, name);
            asked[0].Name.Contains("strokes", StringComparison.Ordinal).ShouldBe(name == "intensifier", name);
        }
    }

    /// <summary>Opening a part under pressure needs it dead and vented first (common practice, no source).</summary>
    [Theory]
    [InlineData("discharge-valves-out")]
    [InlineData("inlet-valves-out")]
    [InlineData("head-off")]
    [InlineData("unloader-out")]
    public void Opening_shows_lock_out_and_trapped_pressure(string id)
    {
        Known.Check(id)!.Hazards.ShouldContain("lock-out");
        Known.Check(id)!.Hazards.ShouldContain("trapped-pressure");
    }

    [Fact]
    public void A_reading_yet_to_be_taken_has_five_bands_that_join()
    {
        var check = Judge(
            Fog2, Fog2Setup(), Saw([Read("discharge-pressure", 45, "bar")])).NextChecks.First(c => c.Check.Reading is not null);
        check.Answers.Count.ShouldBe(5);
        check.Answers.Sum(a => a.Probability).ShouldBe(1, 0.02);
        check.Answers.ShouldAllBe(a => Math.Abs(a.Probability - 0.2) < 0.05);
        for (var i = 1; i < 5; i++)
            check.Answers[i].From!.Value.ShouldBe(check.Answers[i - 1].To!.Value, 1e-12);
        check.Answers[0].From.ShouldBeNull();
        check.Answers[4].To.ShouldBeNull();
    }

    [Fact]
    public void Listening_at_the_caps_asks_for_every_cavity()
    {
        var six = new CueModel(Known, Fog2, Fog2Setup(), HypothesisSet.For(Known, Fog2, Fog2Setup(), []).All);
        six.Possible(Known.Cue("cap-listen")!).Count.ShouldBe(7);
        var stacked = Triplex(layout: HeadLayout.StackedBore);
        new CueModel(Known, stacked, Fog2Setup(), HypothesisSet.For(Known, stacked, Fog2Setup(), []).All)
            .Possible(Known.Cue("cap-listen")!).Count.ShouldBe(4);
    }

    /// <summary>
    /// By the rule of total probability the answers’ posteriors average to what is believed now, but for the pairs considered, which
    /// depend on the evidence.
    /// </summary>
    [Fact]
    public void Foretelling_is_honest() =>
        Gen.OneOfConst([.. Known.Cues.Where(c => c.Group is null && c.Kind == "choice" && Catalogue.Fits(c, Fog2, Fog2Setup()))]).Sample(
        cue =>
        {
            if (Missing.Cues.Any(c => c.Cue == cue.Id))
                return;
            var now = Judge(Fog2, Fog2Setup(), Missing);
            var check = now.NextChecks.FirstOrDefault(c => c.Check.Cue == cue.Id);
            if (check is null)
                return;
            var average = check.Answers.Sum(a => a.Probability * Judge(
                Fog2, Fog2Setup(),
                Missing with { Cues = [.. Missing.Cues, new CueFact(cue.Id, a.Answer, a.Cylinder, a.Side)] }).Of("discharge-valve-leak"));
            average.ShouldBe(now.Of("discharge-valve-leak"), 0.04);
        },
        iter: 12);

    [Fact]
    public void A_sound_pump_is_not_opened_for_curiosity()
    {
        var verdict = Judge(
            Fog2, Fog2Setup(),
            Saw(
                [Read("discharge-pressure", 70, "bar"), Read("nozzle-flow", 19.2, "L/min")], new("needle", "steady"),
                new("leak-at", "none")));
        verdict.NextChecks[0].Check.PutBackMinutes.ShouldBe(0);
    }
}
