using MildHunch.Core.Checks;
using MildHunch.Core.Diagnosis.Verdict;
using MildHunch.Core.Evidence;
using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Pumps;
using static MildHunch.Core.Tests.Setting;

namespace MildHunch.Core.Tests.Checks;

/// <summary>
/// The short ways of the arithmetic against the long ones, among the same contenders: which pairs are considered depends
/// on the evidence, and that alone is what two whole diagnoses may differ by.
/// </summary>
public class SameContendersTests
{
    private static readonly CaseEvidence Noted = Saw(
        [Read("discharge-pressure", 31, "bar"), Read("nozzle-flow", 12.7, "L/min"), Read("speed", 1449, "rpm")],
        new("sound", "smooth"), new("inlet-hose", "calm"), new("leak-at", "weep", 2), new("cap-listen", "hisses", 2, Side.Discharge));

    private static Workbench Bench(CaseEvidence evidence) =>
        Workbench.Of(new CaseOnPump(
            Known, new PreparedPumps(Known, (pump, setup) => new OperatingPointSolver(pump, setup)).For(Fog2, Fog2Setup()), Fog2,
            Fog2Setup(), evidence));

    /// <summary>
    /// By the rule of total probability the answers to a question average to what is believed now: for every contender, every question.
    /// </summary>
    [Fact]
    public void Predicted_answers_average_to_what_is_believed()
    {
        var bench = Bench(Noted);
        var now = bench.Posterior();
        bench.Contenders.Pairs.ShouldNotBeEmpty();
        var predicted = new PredictedAnswers(bench, now);
        foreach (var cue in Known.Cues.Where(c => c.Kind == "choice" && c.Group is null
            && MildHunch.Core.Faults.Catalogue.Fits(c, Fog2, Fog2Setup()) && Noted.Cues.All(t => t.Cue != c.Id)))
        {
            var average = new double[now.Probability.Length];
            var sum = 0.0;
            foreach (var fact in bench.Case.Cues.Possible(cue))
            {
                var (chance, after) = predicted.After(bench.Case.Item(fact));
                after.Sum().ShouldBe(1, 1e-9, cue.Id);
                sum += chance;
                for (var h = 0; h < average.Length; h++)
                    average[h] += chance * after[h];
            }

            sum.ShouldBe(1, 1e-9, cue.Id);
            for (var h = 0; h < average.Length; h++)
                average[h].ShouldBe(now.Probability[h], 1e-9, cue.Id);
        }
    }

    [Fact]
    public void An_answer_divided_out_is_an_answer_never_given()
    {
        var bench = Bench(Noted);
        var all = bench.Posterior();
        foreach (var item in bench.Case.Items.Where(i => i.Cue is not null))
        {
            var (quick, slow) = (bench.PosteriorWithout(all, item), bench.Posterior(item));
            for (var h = 0; h < all.Probability.Length; h++)
                quick.Probability[h].ShouldBe(slow.Probability[h], 1e-9, item.Id);
        }
    }

    /// <summary>Read thirty times, a quantity is one piece of evidence, told once with its mean.</summary>
    [Fact]
    public void Readings_of_one_quantity_are_one_piece_of_evidence()
    {
        Reading[] readings =
        [
            .. Enumerable.Range(0, 30).SelectMany(k => new[]
            {
                Read("discharge-pressure", 31 + (0.02 * (k - 14.5)), "bar"), Read("nozzle-flow", 12.7, "L/min"), Read("speed", 1449, "rpm"),
            }),
        ];
        var bench = Bench(Saw(readings, new CueFact("sound", "smooth")));
        bench.Pieces().Count.ShouldBe(4);
        var judged = Judge(Fog2, Fog2Setup(), Saw(readings, new CueFact("sound", "smooth")));
        judged.Suspects.ShouldAllBe(s => s.Evidence.Count <= 4);
        judged.Suspects.SelectMany(s => s.Evidence).Select(e => e.Text)
            .ShouldContain(t => t.Contains("31 bar read in the mean of 30"));
    }

    /// <summary>
    /// A predicted answer and the same answer given are one sum: alone, following what sees the same, taking the lead of it,
    /// and at a place where it drips.
    /// </summary>
    [Theory]
    [InlineData("prime", "slow", null)]
    [InlineData("jet", "pulsing", null)]
    [InlineData("needle", "swings", null)]
    [InlineData("trace", "weak", 2)]
    [InlineData("cap-heat", "warm", 2)]
    [InlineData("leak-at", "weep", 1)]
    public void A_predicted_answer_is_the_answer_given(string cue, string answer, int? cylinder)
    {
        var bench = Bench(Noted with
        {
            Readings = [.. Noted.Readings, Read("swing", 14, "bar")],
            Cues = [.. Noted.Cues, new CueFact("rhythm", "once")]
        });
        var item = bench.Case.Item(new CueFact(cue, answer, cylinder));
        var (quick, slow) = (new PredictedAnswers(bench, bench.Posterior()).After(item).After, bench.Posterior(added: item));
        for (var h = 0; h < quick.Length; h++)
            quick[h].ShouldBe(slow.Probability[h], 1e-12);
    }

    /// <summary>The likelihood without an instrument, gathered on the way, is that of the others alone.</summary>
    [Fact]
    public void An_instrument_left_out_is_one_that_was_never_read()
    {
        var bench = Bench(Noted);
        var readings = Noted.Readings;
        var all = bench.Case.Numbers.Steady(readings);
        for (var i = 0; i < readings.Count; i++)
        {
            var without = all.Without.Single(w => w.What == readings[i].What.Index).Log;
            var others = bench.Case.Numbers.Steady([.. readings.Where((_, k) => k != i)]).All;
            var best = others.Max(r => r.Max());
            for (var r = 0; r < others.Length; r++)
                for (var s = 0; s < others[r].Length; s++)
                    if (others[r][s] > best - 5)
                        without[r][s].ShouldBe(others[r][s], 0.02, $"{readings[i].What.Id}, row {r}, severity {s}");
        }
    }
}
