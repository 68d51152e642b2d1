using CsCheck;
using MildHunch.Core.Checks;
using MildHunch.Core.Diagnosis.Hypotheses;
using MildHunch.Core.Diagnosis.Verdict;
using MildHunch.Core.Evidence;
using MildHunch.Core.Expectation;
using MildHunch.Core.Faults;
using MildHunch.Core.Numerics;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;
using static MildHunch.Core.Tests.Setting;

namespace MildHunch.Core.Tests.Checks;

/// <summary>What must hold for any evidence on any pump.</summary>
public class PosteriorTests
{
    private static readonly Gen<Reading> AnyReading = Gen.OneOf(
        Gen.Double[0, 120].Select(v => Read("discharge-pressure", v, "bar")),
        Gen.Double[0, 60].Select(v => Read("swing", v, "bar")),
        Gen.Double[0, 30].Select(v => Read("nozzle-flow", v, "L/min")),
        Gen.Double[0, 30].Select(v => Read("bypass-flow", v, "L/min")),
        Gen.Double[5, 2000].Select(v => Read("speed", v, "rpm")),
        Gen.Double[-0.9, 2].Select(v => Read("inlet-pressure", v, "bar")),
        Gen.Double[0.5, 4].Select(v => Read("nozzle-orifice", v, "mm")));

    // Decibans: which pairs are considered depends on the evidence, so two diagnoses differ by that much at the most.
    private const double PairsDiffer = 0.5;

    private static readonly Gen<CueFact> AnyCue = Gen.OneOfConst(
        Known.Cues.Where(c => c.Kind == "choice" && Catalogue.Fits(c, Fog2, Fog2Setup()))
            .SelectMany(c => c.Answers.Where(a => Catalogue.Fits(a, Fog2, Fog2Setup()))
                .Select(a => new CueFact(c.Id, a.Id, a.At == AnswerPlace.None ? null : 2)))
            .ToArray());

    private static readonly Gen<CaseEvidence> AnyEvidence = Gen.Select(
        AnyReading.Array[0, 5], AnyCue.Array[0, 6], Gen.OneOfConst([.. Known.Contexts.Select(c => c.Id)]).Array[0, 1]).Select(
        (readings, cues, contexts) => new CaseEvidence(readings, [.. cues.DistinctBy(c => c.Cue)], contexts));

    [Fact]
    public void Probabilities_are_probabilities() => AnyEvidence.Sample(
        evidence =>
        {
            var verdict = Judge(Fog2, Fog2Setup(), evidence);
            AddUp(verdict, 1e-9);
            verdict.Actions.Sum(a => a.Probability).ShouldBeInRange(1 - 1e-9, 1 + verdict.TwoAtOnce + 1e-9);
            foreach (var suspect in verdict.Suspects)
            {
                double.IsFinite(suspect.Probability).ShouldBeTrue();
                suspect.Evidence.ShouldAllBe(e => Math.Abs(e.Decibans) <= 60);
                if (suspect.Locations.Count > 0)
                    suspect.Locations.Sum(l => l.Probability)
                        .ShouldBeInRange(suspect.Probability - 1e-9, suspect.Probability + verdict.TwoAtOnce + 1e-9);
            }

            verdict.NextChecks.ShouldAllBe(c => Math.Abs(c.Answers.Sum(a => a.Probability) - 1) < 1e-6);
        },
        iter: 150);

    /// <summary>Anything that is accepted is answered: the widest readings, the sharpest and bluntest instruments, every pump.</summary>
    [Fact]
    public void No_valid_evidence_breaks_the_arithmetic() => Gen.Select(
        Gen.Select(Gen.OneOfConst([.. Observables.All]), Gen.Double[0, 1], Gen.Double[-12, 8]).Array[0, 7],
        AnyCue.Array[0, 4],
        Gen.Int[1, 7],
        Gen.OneOfConst(OutletLine.Hose, OutletLine.Rigid, OutletLine.Unknown)).Sample(
        (readings, cues, cylinders, line) =>
        {
            Reading Wide(Observable what, double share, double logSigma) => new(
                what,
                new Amount(what.Kind, what.Id switch
                {
                    "discharge-pressure" or "swing" => 1e8 * share,
                    "speed" => 0.09 + (99 * share),
                    "inlet-pressure" => 2e6 * share,
                    "nozzle-orifice" => 5e-5 + (0.0999 * share),
                    _ => share,
                }),
                logSigma > -11.9 ? Math.Pow(10, logSigma) : null);
            var pump = Triplex(cylinders);
            var noted = cues.DistinctBy(c => c.Cue).Select(c => c.Cylinder > cylinders ? c with { Cylinder = cylinders } : c);
            var verdict = Judge(
                pump, Fog2Setup(line), new CaseEvidence([.. readings.Select(r => Wide(r.Item1, r.Item2, r.Item3))], [.. noted], []));
            AddUp(verdict, 1e-6);
            verdict.NextChecks.ShouldAllBe(c => double.IsFinite(c.BitsPerMinute) && c.Answers.All(a => double.IsFinite(a.Probability)));
            verdict.Comparisons.ShouldAllBe(c => double.IsFinite(c.Sigmas) && double.IsFinite(c.Expected));
            (verdict.Ledger.MissingShares is null || double.IsFinite(verdict.Ledger.MissingShares.Value)).ShouldBeTrue();
        },
        iter: 400);

    [Fact]
    public void No_evidence_leaves_the_priors()
    {
        var verdict = Judge(Fog2, Fog2Setup(), CaseEvidence.None);
        double Weight(Fault f) => f.Assembly ? f.Weight / 20 : f.Weight;
        var weights = Known.Faults.Where(f => Catalogue.Fits(f, Fog2, Fog2Setup())).Sum(f => Weight(f) * f.Location switch
        {
            FaultLocation.Cylinder => 3,
            FaultLocation.Cavity or FaultLocation.Cap => 6,
            _ => 1,
        });
        verdict.Of("no-fault").ShouldBe((1 - verdict.TwoAtOnce) * 60 / weights, 1e-9);
        verdict.Of("hp-seal-worn").ShouldBeGreaterThan((1 - verdict.TwoAtOnce) * 30 / weights);
        verdict.TwoAtOnce.ShouldBeInRange(1e-4, Pairs.PriorShare);
    }

    // One thing is wrong, or two: suspects that appear in pairs count in both.
    private static void AddUp(Verdict verdict, double within)
    {
        verdict.TwoAtOnce.ShouldBeInRange(0, 1 + within);
        verdict.Suspects.Sum(s => s.Probability).ShouldBeInRange(1 - within, 1 + verdict.TwoAtOnce + within);
        verdict.Suspects.ShouldAllBe(s => s.Probability >= 0 && s.Probability <= 1 + within);
    }

    [Fact]
    public void Nothing_noted_changes_nothing() => AnyEvidence.Sample(
        evidence =>
        {
            var once = Judge(Fog2, Fog2Setup(), evidence);
            var again = Judge(Fog2, Fog2Setup(), evidence with { Contexts = [.. evidence.Contexts], Cues = [.. evidence.Cues] });
            again.Suspects.Select(s => (s.Fault.Id, s.Probability)).ShouldBe(once.Suspects.Select(s => (s.Fault.Id, s.Probability)));
        },
        iter: 20);

    [Fact]
    public void The_order_of_telling_does_not_matter() => AnyEvidence.Sample(
        evidence =>
        {
            var there = Judge(Fog2, Fog2Setup(), evidence);
            var back = Judge(
                Fog2, Fog2Setup(), evidence with { Readings = [.. evidence.Readings.Reverse()], Cues = [.. evidence.Cues.Reverse()] });
            foreach (var suspect in there.Suspects)
                back.Of(suspect.Fault.Id).ShouldBe(suspect.Probability, 1e-7);
        },
        iter: 60);

    /// <summary>With these two singles do exactly equally well, and which pairs are considered must not depend on rounding.</summary>
    [Fact]
    public void Nor_where_two_do_equally_well()
    {
        CueFact[] cues = [new("supply-temperature-felt", "as-told"), new("trace", "alike"), new("known-nozzle", "no-change")];
        var there = Judge(Fog2, Fog2Setup(), Saw([], cues));
        var back = Judge(Fog2, Fog2Setup(), Saw([], [.. cues.Reverse()]));
        back.Considered.ShouldBe(there.Considered);
        foreach (var suspect in there.Suspects)
            back.Of(suspect.Fault.Id).ShouldBe(suspect.Probability, 1e-9);
    }

    [Fact]
    public void The_unit_does_not_matter()
    {
        var bar = Judge(Fog2, Fog2Setup(), Saw([Read("discharge-pressure", 45, "bar"), Read("nozzle-flow", 19, "L/min")]));
        var psi = Judge(Fog2, Fog2Setup(), Saw([Read("discharge-pressure", 4.5, "MPa"), Read("nozzle-flow", 1.14, "m³/h")]));
        foreach (var suspect in bar.Suspects)
            psi.Of(suspect.Fault.Id).ShouldBe(suspect.Probability, 1e-9);
    }

    [Fact]
    public void Cylinders_are_alike_until_something_names_one() => Gen.Int[1, 3].Sample(
        k =>
        {
            var verdict = Judge(
                Fog2, Fog2Setup(), Saw([Read("discharge-pressure", 31, "bar")], new CueFact("cap-listen", "hisses", k, Side.Discharge)));
            var suspect = verdict.Leader;
            suspect.Fault.Id.ShouldBe("discharge-valve-leak");
            suspect.Locations[0].Cylinder.ShouldBe(k);
            suspect.Locations[1].Probability.ShouldBe(suspect.Locations[2].Probability, 1e-9);
        },
        iter: 6);

    /// <summary>Taking one piece out and putting it back is what the weight of evidence is made of.</summary>
    [Fact]
    public void The_weight_of_evidence_is_the_shift_in_odds()
    {
        var readings = new[] { Read("discharge-pressure", 31, "bar"), Read("nozzle-flow", 12.7, "L/min"), Read("speed", 1449, "rpm") };
        CueFact[] cues = [new("sound", "smooth"), new("inlet-hose", "calm")];
        var all = Judge(Fog2, Fog2Setup(), Saw(readings, cues));
        var without = Judge(Fog2, Fog2Setup(), Saw(readings, cues[0]));
        double Odds(Verdict v) => v.Of("discharge-valve-leak") / (1 - v.Of("discharge-valve-leak"));
        var weight = all.Suspects.First(s => s.Fault.Id == "discharge-valve-leak").Evidence.First(e => e.Source.EndsWith(
            "inlet-hose", StringComparison.Ordinal));
        weight.Decibans.ShouldBe(10 * Math.Log10(Odds(all) / Odds(without)), PairsDiffer);
        weight.Text.ShouldContain("calm");
    }

    /// <summary>The same for a number: leaving a reading out by the short way equals never having noted it.</summary>
    [Fact]
    public void Leaving_a_reading_out_equals_never_telling_it()
    {
        var full = Judge(Fog2, Fog2Setup(), Saw([Read("discharge-pressure", 45, "bar"), Read("nozzle-flow", 19.1, "L/min")]));
        var one = Judge(Fog2, Fog2Setup(), Saw([Read("discharge-pressure", 45, "bar")]));
        double Odds(Verdict v) => v.Of("nozzle-worn") / (1 - v.Of("nozzle-worn"));
        var weight = full.Suspects.First(s => s.Fault.Id == "nozzle-worn").Evidence.First(e => e.Source.EndsWith(
            "nozzle-flow", StringComparison.Ordinal));
        weight.Decibans.ShouldBe(10 * Math.Log10(Odds(full) / Odds(one)), PairsDiffer);
    }

    [Fact]
    public void What_a_check_foretells_is_what_happens()
    {
        CueFact[] cues = [new("needle", "swings")];
        Reading[] readings = [Read("discharge-pressure", 31, "bar"), Read("nozzle-flow", 12.7, "L/min")];
        var before = Judge(Fog2, Fog2Setup(), Saw(readings, cues));
        var check = before.NextChecks.First(c => c.Check.Cue is not null);
        var answer = check.Answers[0];
        var after = Judge(
            Fog2, Fog2Setup(), Saw(readings, [.. cues, new CueFact(check.Check.Cue!, answer.Answer, answer.Cylinder, answer.Side)]));
        answer.Then.ToString().ShouldContain(HunchWords.Percent(after.Leader.Probability));
        answer.Then.Name.ShouldStartWith(after.Leader.Fault.Name);
        after.NextChecks.ShouldNotContain(c => c.Check.Cue == check.Check.Cue);
    }

    [Fact]
    public void Two_views_of_one_swing_count_less_than_twice()
    {
        double Leak(params CueFact[] cues) =>
            Judge(
                Fog2, Fog2Setup(),
                Saw([Read("discharge-pressure", 50, "bar")], cues)).Suspects.Where(s =>
                    s.Fault.Effect is "forward-leak" or "return-leak").Sum(s => s.Probability);
        double Odds(double p) => p / (1 - p);
        var none = Odds(Leak());
        var needle = Odds(Leak(new CueFact("needle", "swings")));
        var both = Odds(Leak(new CueFact("needle", "swings"), new CueFact("jet", "pulsing")));
        both.ShouldBeGreaterThan(needle);
        (both / needle).ShouldBeLessThan(needle / none);
    }

    [Fact]
    public void A_reading_that_fits_nothing_is_named()
    {
        var verdict = Judge(
            Fog2, Fog2Setup(),
            Saw(
                [
                    Read("discharge-pressure", 70, "bar"), Read("nozzle-flow", 29, "L/min"), Read("speed", 1450, "rpm"),
                    Read("nozzle-orifice", 1.93, "mm")],
                new CueFact("needle", "steady")));
        verdict.Contradictions.ShouldHaveSingleItem().Text.ShouldContain("Measure this again");
        verdict.Contradictions[0].Source.ShouldContain("nozzle-flow");
        Judge(
            Fog2, Fog2Setup(),
            Saw([Read("discharge-pressure", 69, "bar"), Read("nozzle-flow", 19, "L/min")])).Contradictions.ShouldBeEmpty();
    }

    /// <summary>A nozzle found large explains a low pressure: then the nozzle stands out, not the pressure.</summary>
    [Fact]
    public void A_measured_nozzle_overrides_the_believed_one()
    {
        var verdict = Judge(
            Fog2, Fog2Setup(),
            Saw([Read("discharge-pressure", 45, "bar"), Read("nozzle-flow", 19.1, "L/min"), Read("nozzle-orifice", 2.16, "mm")]));
        verdict.Comparisons.First(c => c.What == Observables.Pressure).Sigmas.ShouldBeInRange(-2, 2);
        verdict.Comparisons.First(c => c.What == Observables.NozzleOrifice).Sigmas.ShouldBeGreaterThan(3);
        new[] { "nozzle-worn", "nozzle-oversize" }.ShouldContain(verdict.Leader.Fault.Id);
    }

    [Fact]
    public void History_moves_the_priors()
    {
        double Sure(params string[] contexts) => Judge(Fog2, Fog2Setup(), new CaseEvidence([], [], contexts)).Of("hp-seal-worn");
        Sure("ran-dry").ShouldBeGreaterThan(2 * Sure());
    }

    [Fact]
    public void A_pump_without_an_unloader_has_no_unloader_faults()
    {
        var verdict = Judge(Triplex(control: ControlKind.None), Fog2Setup(), CaseEvidence.None);
        verdict.Suspects.ShouldNotContain(s => s.Fault.Id.StartsWith("unloader", StringComparison.Ordinal));
        verdict.NextChecks.ShouldNotContain(c => c.Check.Id.StartsWith("unloader", StringComparison.Ordinal));
    }

    [Theory]
    [InlineData("nope", "swings", null, "cues[0].cue")]
    [InlineData("needle", "dances", null, "cues.answer")]
    [InlineData("cap-listen", "hisses", 4, "cues.cylinder")]
    [InlineData("needle", "swings", 1, "cues.cylinder")]
    public void Answers_that_cannot_be_are_refused(string cue, string answer, int? cylinder, string field) =>
        Should.Throw<ImpossibleInputException>(() => Judge(
            Fog2, Fog2Setup(), Saw([], new CueFact(cue, answer, cylinder)))).Field.ShouldBe(field);

    [Fact]
    public void Two_answers_to_one_question_are_refused() =>
        Should.Throw<ImpossibleInputException>(() => Judge(
            Fog2, Fog2Setup(), Saw([], new("needle", "swings"), new("needle", "steady")))).Message.ShouldContain("second answer");

    [Fact]
    public void Absurd_numbers_are_refused()
    {
        Should.Throw<ImpossibleInputException>(() => Judge(
            Fog2, Fog2Setup(), Saw([Read("nozzle-flow", -3, "L/min")]))).Field.ShouldBe("readings[0].value");
        Should.Throw<ImpossibleInputException>(() => Judge(
            Fog2, Fog2Setup(), Saw([Read("speed", 1e9, "rpm")]))).Message.ShouldContain("6000 rpm");
    }

    /// <summary>Words of docs/trade.md, Verdict.</summary>
    [Theory]
    [InlineData(0.3, "mild hunch")]
    [InlineData(0.6, "fair hunch")]
    [InlineData(0.9, "strong hunch")]
    [InlineData(0.97, "as good as found")]
    public void Hunch_words(double probability, string word) => HunchWords.Of(probability).ShouldBe(word);

    [Fact]
    public void Never_certain() => HunchWords.Percent(1).ShouldBe("over 99 %");

    [Fact]
    public void Interpolation_never_overshoots() => Gen.Double[-5, 5].Array[12].Sample(nodes =>
    {
        var fine = new double[64];
        MonotoneCubic.Resample(nodes, fine);
        fine.Min().ShouldBeGreaterThanOrEqualTo(nodes.Min() - 1e-9);
        fine.Max().ShouldBeLessThanOrEqualTo(nodes.Max() + 1e-9);
    });

    /// <summary>Against the general-purpose reference library.</summary>
    [Fact]
    public void Normal_distribution() => Gen.Double[-7, 7].Sample(x =>
        NormalDistribution.Cumulative(x).ShouldBe(MathNet.Numerics.Distributions.Normal.CDF(0, 1, x), 1e-7));
}
