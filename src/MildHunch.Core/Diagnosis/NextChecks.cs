using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;

namespace MildHunch.Core.Diagnosis;

/// <summary>
/// What to do next: expected drop in entropy over what would be mended, a minute of work (handbook 4). Each answer is
/// put through the same sum that the real answer will go through, so what is foretold is what will happen.
/// </summary>
internal sealed class NextChecks
{
    private const double WorthDoing = 0.004;
    private const int MostOffered = 8;
    private readonly Workbench bench;
    private readonly Posterior posterior;
    private readonly Foretelling foretelling;
    private readonly Standing standing;
    private PredictiveNodes? nodes;

    public NextChecks(Workbench bench, Posterior posterior)
    {
        (this.bench, this.posterior) = (bench, posterior);
        foretelling = new Foretelling(bench, posterior);
        standing = new Standing(bench.Contenders);
    }

    public IReadOnlyList<NextCheck> Rank() =>
    [
        .. bench.Catalogue.Checks.Where(c => Catalogue.Fits(c, bench.Pump, bench.Setup) && !Answered(c)).Select(Try)
            .Where(c => c.Bits >= WorthDoing).OrderByDescending(c => c.BitsPerMinute).ThenBy(c => c.Check.Id, StringComparer.Ordinal).Take(MostOffered),
    ];

    private bool Answered(Check check) => bench.Items.Any(i =>
        (i.Cue is not null && i.Cue.Cue == check.Cue) || (i.Reading is { } r && (r.What.Id == check.Reading || check.Also.Contains(r.What.Id))));

    private NextCheck Try(Check check)
    {
        var answers = check.Cue is { } cue ? CueAnswers(bench.Catalogue.Cue(cue)!) : ReadingAnswers(Observables.Find(check.Reading!)!);
        var before = standing.Entropy(posterior.Probability);
        var bits = Math.Max(0, before - answers.Sum(a => a.Answer.Probability * a.After));
        var question = check.Cue is { } id ? bench.Catalogue.Cue(id)!.Question : $"{check.Name}. What does it show?";
        return new NextCheck(check, question, bits, bits / check.AllMinutes, [.. answers.Select(a => a.Answer).OrderByDescending(a => check.Reading is null ? a.Probability : 0)]);
    }

    private List<(CheckAnswer Answer, double After)> CueAnswers(Cue cue)
    {
        var answers = new List<(CheckAnswer, double)>();
        var facts = bench.Cues.Possible(cue);
        var sum = 0.0;
        foreach (var fact in facts)
        {
            var (chance, after) = foretelling.After(bench.Item(fact));
            var answer = cue.Answers.First(a => a.Id == fact.Answer);
            var text = answer.At == AnswerPlace.None ? answer.Text : $"{Sentences.Place(fact.Cylinder, fact.Side, answer.At == AnswerPlace.End)}{answer.Text}";
            sum += chance;
            answers.Add((new CheckAnswer(answer.Id, text, fact.Cylinder, fact.Side, chance, Then(after)), standing.Entropy(after)));
        }

        for (var i = 0; i < answers.Count; i++)
            answers[i] = (answers[i].Item1 with { Probability = answers[i].Item1.Probability / sum }, answers[i].Item2);
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
                after[h] = posterior.Probability[h] * bins.BySource[bench.SourceOf(h)][b];
                chance += after[h];
            }

            if (chance < 1e-6)
                continue;
            for (var h = 0; h < after.Length; h++)
                after[h] /= chance;
            double? from = b == 0 ? null : Shown(what, bins.Edges[b - 1]);
            double? to = b == PredictiveBins.Count - 1 ? null : Shown(what, bins.Edges[b]);
            answers.Add((new CheckAnswer($"band-{b + 1}", Band(what, from, to), null, null, chance, Then(after), from, to), standing.Entropy(after)));
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

    private string Then(double[] after)
    {
        var (best, share) = standing.Leader(after);
        var h = bench.Hypotheses[best];
        var where = h.Cylinder is { } k && after[best] > 0.6 * share ? $", {Sentences.Place(k, null, h.Fault.Location == FaultLocation.End).Trim()}" : "";
        return $"{h.Fault.Name}{where} → {HunchWords.Percent(share)}";
    }
}
