using MildHunch.Core.Diagnosis.Likelihood;
using MildHunch.Core.Diagnosis.Verdict;
using MildHunch.Core.Evidence;
using MildHunch.Core.Expectation;
using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;

namespace MildHunch.Core.Checks;

/// <summary>
/// What to do next: expected drop in entropy over what would be mended, a minute of work (docs/trade.md, Checks). Each answer is
/// put through the same sum that the real answer will go through, so what is predicted is what will happen.
/// </summary>
internal sealed class NextChecks
{
    private const double WorthDoing = 0.004;
    private const double MayWellCome = 0.01;
    private const double Noticed = 0.02;
    private const int MostOffered = 16;
    private readonly Workbench bench;
    private readonly Posterior posterior;
    private readonly Limits limits;
    private readonly IReadOnlyList<Supposed> supposed;
    private readonly bool stopped;
    private readonly PredictedAnswers predicted;
    private readonly Ranking ranking;
    private readonly RepairCost repair;
    private readonly LeaderThen now;
    private PredictiveNodes? nodes;

    /// <summary>
    /// Checks after all that was entered, and after those <paramref name="supposed"/> whose answers the posterior already holds.
    /// </summary>
    public NextChecks(Workbench bench, Posterior posterior, Limits limits, IReadOnlyList<Supposed>? supposed = null)
    {
        (this.bench, this.posterior, this.limits, this.supposed) = (bench, posterior, limits, supposed ?? []);
        stopped = bench.Case.StopNow.Count > 0
            || StopSigns.In(
                bench.Case.Catalogue,
                [.. bench.Case.Seen, .. this.supposed.Select(s => s.Seen).OfType<CueFact>()]).Count > 0;
        predicted = new PredictedAnswers(bench, posterior, this.supposed.Count > 0);
        ranking = new Ranking(bench.Contenders);
        repair = new RepairCost(bench.Contenders);
        now = Then(posterior.Probability);
    }

    /// <summary>Expected minutes to the pump mended when nothing more is tested.</summary>
    public double IfOpened => repair.Expected(posterior.Probability);

    /// <summary>Checks worth doing, the most telling a minute first.</summary>
    public IReadOnlyList<NextCheck> Rank() =>
    [
        .. Possible().Select(Try).Where(c => c.Bits >= WorthDoing && ChangesSomething(c)).OrderByDescending(c => c.Check.FollowsAtOnce)
            .ThenByDescending(c => c.BitsPerMinute)
            .ThenBy(c => c.Check.Id, StringComparer.Ordinal).Take(MostOffered),
    ];

    /// <summary>
    /// Stop rule (docs/trade.md, Checks): open once no check shortens the expected way to a mended pump, the check's own minutes
    /// included.
    /// </summary>
    public OpenNow OpenNow(IReadOnlyList<NextCheck> checks)
    {
        var best = checks.MinBy(c => c.MinutesToMend);
        return new OpenNow(best is null || IfOpened <= best.MinutesToMend, best?.MinutesToMend ?? IfOpened, IfOpened, best?.Check);
    }

    /// <summary>What would have to be found for the second suspect to lead: the likeliest such answer.</summary>
    public Rival? Rival(IReadOnlyList<Suspect> suspects, IReadOnlyList<NextCheck> checks)
    {
        if (suspects.Count < 2)
            return null;
        var second = suspects[1].Fault;
        var turns = checks.SelectMany(c => c.Answers.Select(a => (c.Check, Answer: a)))
            .Where(p => bench.Case.Hypotheses[p.Answer.Then.Hypothesis].Fault == second).ToArray();
        if (turns.Length == 0)
            return new Rival(second, null, null, 0);
        var best = turns.MaxBy(t => t.Answer.Probability);
        return new Rival(second, best.Check, best.Answer.Text, best.Answer.Probability);
    }

    // A check of which every answer that may well come leaves the verdict as it stands, to the figure, is nobody's minute worth.
    private bool ChangesSomething(NextCheck check)
    {
        return check.Answers.Where(a => a.Probability >= MayWellCome).Any(a =>
            a.Then.Hypothesis != now.Hypothesis || Math.Abs(a.Then.Share - now.Share) >= Noticed
                || Math.Abs(a.After[now.Hypothesis] - posterior.Probability[now.Hypothesis]) >= Noticed);
    }

    private IEnumerable<Check> Possible() =>
        bench.Case.Catalogue.Checks.Select(OnThisPump)
            .Where(c => Fits(c) && Safe(c) && limits.Allow(c) && !Answered(c) && supposed.All(s => s.Check.Id != c.Id) && Called(c));

    private Check OnThisPump(Check check)
    {
        var here = check.On(bench.Case.Pump);
        return bench.Case.Openings?.On(here, bench.Case.Pump, bench.Case.Setup) ?? here;
    }

    private bool Fits(Check check) =>
        Catalogue.Fits(check, bench.Case.Pump, bench.Case.Fittings)
        && (check.Cue is not { } cue || Catalogue.Fits(bench.Case.Catalogue.Cue(cue)!, bench.Case.Pump, bench.Case.Fittings))
        && (check.Reading is not { } reading || Catalogue.Fits(Readable.Of(reading), bench.Case.Pump, bench.Case.Fittings));

    // At a stop sign the pump runs no more; a shut outlet needs a control that works, and none that may be stuck.
    private bool Safe(Check check) =>
        !(check.Running && stopped)
        && !(check.OutletShut && bench.Case.Setup.State != ControlState.Working)
        && (check.NotWhile is not { } not || ShareOf(not.Fault) < not.Probability);

    private double ShareOf(string fault)
    {
        var share = 0.0;
        for (var row = 0; row < bench.Contenders.Count; row++)
        {
            var (first, second) = bench.Contenders.Parts(row);
            if (bench.Case.Hypotheses[first].Fault.Id == fault || (second is { } other && bench.Case.Hypotheses[other].Fault.Id == fault))
                share += posterior.Probability[row];
        }

        return share;
    }

    private bool Answered(Check check) => bench.Case.CouldNot.Any(c => c == check.Cue || c == check.Reading) || bench.Case.Items.Any(i =>
        (i.Cue is not null && i.Cue.Cue == check.Cue)
            || (i.Reading is { } r && (r.What.Id == check.Reading || check.Also.Contains(r.What.Id))));

    // What only makes sense after some answer, or where another check cannot be done.
    private bool Called(Check check) =>
        check.Proved.All(any => bench.Case.Items.Any(i => any.Contains(i.Cue?.Cue ?? i.Reading!.What.Id)))
        && (check.After is not { } after || bench.Case.Items.Any(i => i.Cue?.Cue == after.Cue && i.Cue?.Answer == after.Answer))
        && (check.InsteadOf is not { } other
            || (bench.Case.Catalogue.Check(other) is { } first && !limits.Allow(first) && !Answered(first)));

    private NextCheck Try(Check check)
    {
        var answers = check.Cue is { } cue ? CueAnswers(bench.Case.Catalogue.Cue(cue)!) : ReadingAnswers(Observables.Find(check.Reading!)!);
        var before = ranking.Entropy(posterior.Probability);
        var bits = Math.Max(0, before - answers.Sum(a => a.Answer.Probability * a.Entropy));
        var question = check.Cue is { } id ? bench.Case.Catalogue.Cue(id)!.Question : $"{check.Name}. What does it show?";
        var toMend = check.AllMinutes + answers.Sum(a => a.Answer.Probability * a.Minutes);
        return new NextCheck(
            check, question, bits, bits / check.AllMinutes, toMend,
            [.. answers.Select(a => a.Answer).OrderByDescending(a => check.Reading is null ? a.Probability : 0)]);
    }

    private List<TriedAnswer> CueAnswers(Cue cue)
    {
        var answers = new List<TriedAnswer>();
        var facts = bench.Case.Cues.Possible(cue);
        var sum = 0.0;
        foreach (var fact in facts)
        {
            var (chance, after) = predicted.After(bench.Case.Item(fact));
            var answer = cue.Answer(fact.Answer)!;
            var text = answer.At == AnswerPlace.None
                ? answer.Text
                : $"{Sentences.Place(fact.Cylinder, fact.Side, answer.At == AnswerPlace.End)}{answer.Text}";
            sum += chance;
            answers.Add(Tried(new CheckAnswer(answer.Id, text, fact.Cylinder, fact.Side, chance, Then(after)) { After = after }));
        }

        return [.. answers.Select(a => a with { Answer = a.Answer with { Probability = a.Answer.Probability / sum } })];
    }

    private List<TriedAnswer> ReadingAnswers(Observable what)
    {
        var bins = new PredictiveBins(bench, nodes ??= new PredictiveNodes(bench, posterior), what);
        var answers = new List<TriedAnswer>();
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
            answers.Add(Tried(
                new CheckAnswer($"band-{b + 1}", Band(what, from, to), null, null, chance, Then(after), from, to) { After = after }));
        }

        return answers;
    }

    private TriedAnswer Tried(CheckAnswer answer) => new(answer, ranking.Entropy(answer.After), repair.Expected(answer.After));

    private double Shown(Observable what, double modelled) => what == Observables.NozzleOrifice
        ? bench.Case.Setup.Nozzle.OrificeOf(Math.Max(modelled, 1e-12), bench.Case.Setup.Liquid.Density(bench.Case.Setup.Temperature).Si)
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

    private LeaderThen Then(double[] after)
    {
        var (best, share) = ranking.Leader(after);
        var h = bench.Case.Hypotheses[best];
        var where = h.Cylinder is { } k && after[best] > 0.6 * share
            ? $", {Sentences.Place(k, null, h.Fault.Location == FaultLocation.End).Trim()}"
            : "";
        return new LeaderThen($"{h.Fault.Name}{where}", share) { Hypothesis = best };
    }

    /// <summary>An answer, what would still be open after it (bits), and the minutes to the pump mended then.</summary>
    private sealed record TriedAnswer(CheckAnswer Answer, double Entropy, double Minutes);
}
