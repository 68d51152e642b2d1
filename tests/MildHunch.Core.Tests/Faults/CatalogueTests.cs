using MildHunch.Core.Checks;
using MildHunch.Core.Diagnosis.Hypotheses;
using MildHunch.Core.Diagnosis.Likelihood;
using MildHunch.Core.Evidence;
using MildHunch.Core.Faults;
using MildHunch.Core.Faults.Effects;
using MildHunch.Core.Hydraulics.Steady;
using static MildHunch.Core.Tests.Setting;

namespace MildHunch.Core.Tests.Faults;

public class CatalogueTests
{
    /// <summary>Prior weights of docs/trade.md, Faults for the faults of the first version.</summary>
    [Theory]
    [InlineData("no-fault", 60)]
    [InlineData("supply-restricted", 8)]
    [InlineData("supply-air-leak", 5)]
    [InlineData("speed-low", 3)]
    [InlineData("inlet-valve-leak", 8)]
    [InlineData("discharge-valve-leak", 8)]
    [InlineData("hp-seal-worn", 10)]
    [InlineData("lp-seal-worn", 9)]
    [InlineData("unloader-leaking-by", 9)]
    [InlineData("unloader-set-low", 5)]
    [InlineData("unloader-stuck-shut", 3)]
    [InlineData("nozzle-worn", 9)]
    [InlineData("nozzle-oversize", 4)]
    [InlineData("nozzle-blocked", 4)]
    [InlineData("gauge-wrong", 5)]
    public void Weights_are_the_handbook_ones(string id, double weight) => Known.Fault(id)!.Weight.ShouldBe(weight);

    /// <summary>Evidence words of docs/trade.md, Words (common practice, no source).</summary>
    [Theory]
    [InlineData("almost always", 0.95)]
    [InlineData("usually", 0.80)]
    [InlineData("often", 0.60)]
    [InlineData("as often as not", 0.50)]
    [InlineData("sometimes", 0.30)]
    [InlineData("seldom", 0.10)]
    [InlineData("hardly ever", 0.02)]
    public void Words_stand_for_likelihoods(string word, double likelihood)
    {
        EvidenceWords.Likelihood(word).ShouldBe(likelihood);
        EvidenceWords.Nearest(likelihood).ShouldBe(word);
    }

    [Fact]
    public void Likelihoods_of_the_answers_to_a_question_sum_to_one()
    {
        var hypotheses = HypothesisSet.For(Known, Fog2, Fog2Setup(), []).All;
        var model = new CueModel(Known, Fog2, Fog2Setup(), hypotheses);
        foreach (var cue in Known.Cues.Where(c => c.Kind == "choice" && Catalogue.Fits(c, Fog2, Fog2Setup())))
        {
            var atoms = model.Possible(cue).Select(f => model.Atoms(f).Single()).ToArray();
            for (var h = 0; h < hypotheses.Count; h++)
                atoms.Sum(a => a.Full[h]).ShouldBe(1, 1e-9, $"{cue.Id} under {hypotheses[h].Fault.Id}");
        }
    }

    [Fact]
    public void Every_effect_starts_small_and_grows()
    {
        foreach (var fault in Known.Faults)
        {
            var effect = EffectLibrary.Find(fault.Effect)!;
            if (effect is GaugeWrong or NoEffect)
                continue;
            var sizes = Enumerable.Range(0, 11).Select(i => effect.NoticeRatio(i / 10.0, Fog2)).ToArray();
            sizes.ShouldBeInOrder(SortDirection.Ascending, fault.Id);
            sizes[10].ShouldBeGreaterThanOrEqualTo(1, fault.Id);
        }
    }

    /// <summary>Ranges of docs/trade.md, Controls: leaking-by 2 to 40 % of the flow.</summary>
    [Theory]
    [InlineData(0, 0.02)]
    [InlineData(1, 0.40)]
    public void Leaking_by_ranges_as_the_handbook_says(double severity, double share)
    {
        var solver = new OperatingPointSolver(Fog2, Fog2Setup());
        var condition = new Condition();
        EffectLibrary.Find("bypass-leak")!.Apply(ref condition, severity, Fog2);
        var point = solver.Solve(condition, 1, 1, 1e-12);
        (point.BypassFlow / point.SupplyFlow).ShouldBe(share, 0.02);
    }

    [Theory]
    [InlineData(
        "faults.json", "\"cue\": \"needle\", \"answer\": \"swings\", \"word\": \"often\"",
        "\"cue\": \"nidle\", \"answer\": \"swings\", \"word\": \"often\"", "unknown cue")]
    [InlineData(
        "faults.json", "\"answer\": \"gravel\", \"word\": \"usually\"", "\"answer\": \"gravle\", \"word\": \"usually\"", "has no answer")]
    [InlineData("faults.json", "\"word\": \"as often as not\"", "\"word\": \"now and then\"", "unknown evidence word")]
    [InlineData("faults.json", "\"word\": \"as often as not\"", "\"word\": \"almost always\"", "more than certain")]
    [InlineData("faults.json", "\"effect\": \"speed-low\"", "\"effect\": \"speed-lo\"", "unknown effect")]
    [InlineData("cues.json", "\"requires\": [\"regulator\"]", "\"requires\": [\"regulater\"]", "unknown control")]
    [InlineData(
        "faults.json", "\"cues\": [ { \"cue\": \"leak-at\", \"answer\": \"unloader\", \"word\": \"almost always\" } ]", "\"cues\": []",
        "cannot be reached")]
    [InlineData(
        "faults.json", "\"dischargeAction\": \"discharge-valves\"", "\"dischargeAction\": \"discharge-valves\", \"side\": \"left\"",
        "unknown side")]
    [InlineData("checks.json", "\"cue\": \"prime\"", "\"cue\": \"prim\"", "unknown cue")]
    [InlineData("checks.json", "\"reading\": \"speed\"", "\"reading\": \"spid\"", "unknown reading")]
    [InlineData("checks.json", "\"id\": \"look-round\"", "\"id\": \"watch-needle\"", "stands twice")]
    [InlineData("contexts.json", "\"hp-seal-worn\": 4", "\"hp-seal\": 4", "which is no fault")]
    [InlineData("cues.json", "\"text\": \"steady\", \"healthy\": true", "\"text\": \"steady\"", "healthy answer")]
    public void Knowledge_that_would_go_wrong_is_refused_by_file_and_entry(string file, string good, string bad, string? problem)
    {
        string Text(string name)
        {
            using var stream = typeof(Catalogue).Assembly.GetManifestResourceStream($"knowledge/{name}")!;
            using var reader = new StreamReader(stream);
            var text = reader.ReadToEnd();
            return name == file ? Replaced(text, good, bad) : text;
        }

        if (problem is null)
        {
            Catalogue.Read(Text).Checks.ShouldNotBeEmpty();
            return;
        }

        var refusal = Should.Throw<CatalogueException>(() => Catalogue.Read(Text));
        refusal.Message.ShouldContain(file);
        refusal.Message.ShouldContain(problem);
    }

    private const string Own = """
        {
          "cues": [ { "id": "pulley-wobble", "name": "Pulley wobble", "short": "pulley", "place": "crank",
            "question": "Does the pulley wobble?",
            "answers": [ { "id": "quiet", "text": "quiet", "healthy": true }, { "id": "squeals", "text": "wobbles" } ] } ],
          "checks": [ { "id": "hear-belt", "name": "Listen to the belt", "minutes": 1, "opens": "nothing",
            "cue": "pulley-wobble", "how": "Under load, guards on.", "hazards": ["rotating"] } ],
          "words": [ { "fault": "speed-low", "cue": "pulley-wobble", "answer": "squeals", "word": "usually" } ],
          "contexts": [ { "id": "salt-spray", "name": "Salt spray", "multiply": { "speed-low": 3 } } ]
        }
        """;

    /// <summary>A shop's own cue, check, words and history are merged and judged with.</summary>
    [Fact]
    public void A_shops_own_entries_are_merged()
    {
        var merged = Known.With(Own, "shop-knowledge.json");
        merged.Checks.Count.ShouldBe(Known.Checks.Count + 1);
        var diagnoser = new Diagnoser(merged);
        var squeals = diagnoser.Diagnose(
            Fog2, Fog2Setup(), new CaseEvidence([], [new CueFact("pulley-wobble", "squeals")], ["salt-spray"]));
        squeals.Of("speed-low").ShouldBeGreaterThan(3 * Judge(Fog2, Fog2Setup(), CaseEvidence.None).Of("speed-low"));
        new MildHunch.Core.Evidence.Jot.JotLine(merged)
            .Read("pulley wobble wobbles", Fog2).Items.Single().Cue!.Cue.ShouldBe("pulley-wobble");
    }

    [Theory]
    [InlineData("\"fault\": \"speed-low\"", "\"fault\": \"speed-lo\"", "speed-lo")]
    [InlineData("\"word\": \"usually\"", "\"word\": \"mostly\"", "unknown evidence word")]
    [InlineData("\"minutes\": 1", "\"minutes\": 0", "hear-belt")]
    [InlineData("\"cues\"", "\"clues\"", "clues")]
    [InlineData("{", "", "shop-knowledge.json")]
    public void A_shops_file_that_is_wrong_is_refused_by_entry(string good, string bad, string says) =>
        Should.Throw<CatalogueException>(() => Known.With(Replaced(Own, good, bad), "shop-knowledge.json")).Message.ShouldContain(says);

    private static string Replaced(string text, string good, string bad)
    {
        var at = text.IndexOf(good, StringComparison.Ordinal);
        return at < 0 ? text : text[..at] + bad + text[(at + good.Length)..];
    }
}
