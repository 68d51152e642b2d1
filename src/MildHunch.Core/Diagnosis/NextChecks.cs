using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;

namespace MildHunch.Core.Diagnosis;

/// <summary>
/// What to do next: expected drop in entropy over what would be mended, a minute of work (handbook 4). Each answer is
/// put through the same sum that the real answer will go through, so what is foretold is what will happen.
/// </summary>
internal sealed class NextChecks(Workbench bench, Posterior posterior)
{
    private const double WorthDoing = 0.004;
    private const int MostOffered = 8;
    private PredictiveNodes? nodes;
    private readonly string[] actions = [.. bench.Hypotheses.Select(h => h.Fault.Action).Distinct()];

    public IReadOnlyList<NextCheck> Rank() =>
    [
        .. bench.Catalogue.Checks.Where(c => Catalogue.Fits(c.Requires, bench.Pump) && !Answered(c)).Select(Try)
            .Where(c => c.Bits >= WorthDoing).OrderByDescending(c => c.BitsPerMinute).ThenBy(c => c.Check.Id, StringComparer.Ordinal).Take(MostOffered),
    ];

    private bool Answered(Check check) => bench.Items.Any(i =>
        (i.Cue is not null && i.Cue.Cue == check.Cue) || (i.Reading is { } r && (r.What.Id == check.Reading || check.Also.Contains(r.What.Id))));

    private NextCheck Try(Check check)
    {
        var answers = check.Cue is { } cue ? CueAnswers(bench.Catalogue.Cue(cue)!) : ReadingAnswers(Observables.Find(check.Reading!)!);
        var before = Entropy(posterior.Probability);
        var bits = Math.Max(0, before - answers.Sum(a => a.Answer.Probability * a.After));
        var question = check.Cue is { } id ? bench.Catalogue.Cue(id)!.Question : $"{check.Name}. What does it show?";
        return new NextCheck(check, question, bits, bits / check.AllMinutes, [.. answers.Select(a => a.Answer).OrderByDescending(a => check.Reading is null ? a.Probability : 0)]);
    }

    private List<(CheckAnswer Answer, double After)> CueAnswers(Cue cue)
    {
        var answers = new List<(CheckAnswer, double)>();
        var facts = bench.Cues.Possible(cue);
        var chances = facts.Select(f => Chance(bench.Item(f))).ToArray();
        var sum = chances.Sum();
        for (var i = 0; i < facts.Count; i++)
        {
            var after = bench.PosteriorWith(posterior, bench.Item(facts[i])).Probability;
            var answer = cue.Answers.First(a => a.Id == facts[i].Answer);
            var text = answer.At == AnswerPlace.None ? answer.Text : $"{Sentences.Place(facts[i].Cylinder, facts[i].Side)}{answer.Text}";
            answers.Add((new CheckAnswer(answer.Id, text, facts[i].Cylinder, facts[i].Side, chances[i] / sum, Then(after)), Entropy(after)));
        }

        return answers;
    }

    private List<(CheckAnswer Answer, double After)> ReadingAnswers(Observable what)
    {
        var bins = new PredictiveBins(bench, nodes ??= new PredictiveNodes(bench, posterior), what);
        var answers = new List<(CheckAnswer, double)>();
        for (var b = 0; b < PredictiveBins.Count; b++)
        {
            var after = new double[posterior.Probability.Length];
            var chance = 0.0;
            for (var h = 0; h < after.Length; h++)
            {
                after[h] = posterior.Probability[h] * bins.ByEffect[bench.Hypotheses[h].EffectIndex][b];
                chance += after[h];
            }

            if (chance < 1e-6)
                continue;
            for (var h = 0; h < after.Length; h++)
                after[h] /= chance;
            double? from = b == 0 ? null : Shown(what, bins.Edges[b - 1]);
            double? to = b == PredictiveBins.Count - 1 ? null : Shown(what, bins.Edges[b]);
            answers.Add((new CheckAnswer($"band-{b + 1}", Band(what, from, to), null, null, chance, Then(after), from, to), Entropy(after)));
        }

        return answers;
    }

    private double Shown(Observable what, double modelled) => what == Observables.NozzleOrifice
        ? Nozzle.OrificeOfCoefficient(Math.Max(modelled, 1e-12), bench.Setup.Liquid.Density(bench.Setup.Temperature).Si)
        : modelled;

    private static string Band(Observable what, double? from, double? to)
    {
        var unit = Units.Preferred(what.Kind);
        string Figure(double si) => Quantity.Digits(unit.FromSi(si));
        return (from, to) switch
        {
            (null, { } t) => $"below {Figure(t)} {unit.Symbol}",
            ({ } f, null) => $"above {Figure(f)} {unit.Symbol}",
            ({ } f, { } t) => $"{Figure(f)} to {Figure(t)} {unit.Symbol}",
            _ => "any",
        };
    }

    private double Chance(EvidenceItem item)
    {
        var chance = 0.0;
        for (var h = 0; h < bench.Hypotheses.Count; h++)
        {
            var notice = bench.Bins.Notice[bench.Hypotheses[h].EffectIndex];
            for (var b = 0; b < notice.Length; b++)
                chance += posterior.ByBin[h][b] * Posterior.Likelihood(item, h, notice[b]);
        }

        return chance;
    }

    private double Entropy(double[] probability)
    {
        var entropy = 0.0;
        foreach (var action in actions)
        {
            var p = 0.0;
            for (var h = 0; h < probability.Length; h++)
                if (bench.Hypotheses[h].Fault.Action == action)
                    p += probability[h];
            if (p > 0)
                entropy -= p * Math.Log2(p);
        }

        return entropy;
    }

    private string Then(double[] after)
    {
        var leader = bench.Hypotheses.Select((h, i) => (h, i)).GroupBy(p => p.h.Fault.Id).MaxBy(g => g.Sum(p => after[p.i]))!;
        var share = leader.Sum(p => after[p.i]);
        var best = leader.MaxBy(p => after[p.i]);
        var name = best.h.Fault.Name;
        var where = best.h.Cylinder is { } k && after[best.i] > 0.6 * share ? $", cylinder {k}" : "";
        return $"{name}{where} → {HunchWords.Percent(share)}";
    }
}
