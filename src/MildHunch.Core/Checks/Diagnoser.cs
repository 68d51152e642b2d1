using MildHunch.Core.Diagnosis.Hypotheses;
using MildHunch.Core.Diagnosis.Likelihood;
using MildHunch.Core.Diagnosis.Predictions;
using MildHunch.Core.Diagnosis.Verdict;
using MildHunch.Core.Evidence;
using MildHunch.Core.Expectation;
using MildHunch.Core.Faults;
using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Pumps;

namespace MildHunch.Core.Checks;

/// <summary>From evidence to a verdict (docs/trade.md, Verdict). Pure: the same question has the same answer.</summary>
/// <param name="catalogue">What is known of faults, cues and checks.</param>
/// <param name="modelOf">The model that predicts readings; the steady balance where none is given.</param>
public sealed class Diagnoser(
    Catalogue catalogue, Func<ReciprocatingPump, Setup, IPumpModel>? modelOf = null, IOpenings? openings = null)
{
    private readonly PreparedPumps prepared = new(catalogue, modelOf ?? ((pump, setup) => new OperatingPointSolver(pump, setup)));

    private const double DropShare = 0.3;
    private const double WorthTelling = 0.01;
    private const int MostPairs = 5;
    private const double WorthNaming = 0.05;

    /// <summary>Lays out what a diagnosis needs of a pump, so that the first question about it is answered as fast as the others.</summary>
    public void Prepare(ReciprocatingPump pump, Setup setup) => Diagnose(pump, setup, CaseEvidence.None);

    /// <summary>Ranks everything that could explain the evidence.</summary>
    /// <exception cref="ImpossibleInputException">Evidence that cannot be.</exception>
    public Verdict Diagnose(ReciprocatingPump pump, Setup setup, CaseEvidence evidence, Limits? limits = null)
    {
        var (bench, was) = Lay(pump, setup, ref evidence, limits);
        var posterior = bench.Posterior();
        var expectation = AsMeasured.Expect(pump, setup, evidence);
        var next = new NextChecks(bench, posterior, limits ?? Limits.None);
        var suspects = new Explanation(bench, posterior, expectation).Suspects();
        var checks = next.Rank();
        return new Verdict(
            Actions(bench, posterior),
            suspects,
            [.. evidence.Notes.Select(n => new Contradiction(n.Source, n.Text, 0)), .. Contradictions.Find(bench, posterior)],
            checks,
            Comparisons(bench, evidence, expectation, setup),
            Ledger(bench, pump, evidence, expectation),
            expectation,
            bench.Contenders.Count,
            PairsOf(bench, posterior),
            posterior.Probability.Skip(bench.Case.Hypotheses.Count).Sum(),
            next.OpenNow(checks),
            next.Rival(suspects, checks),
            bench.Case.StopNow)
        {
            Mended = MendedWords.Of(evidence, suspects, was),
        };
    }

    /// <summary>
    /// The next three checks as a small tree; null where opening beats testing already.
    /// </summary>
    /// <exception cref="ImpossibleInputException">Evidence or limits that cannot be.</exception>
    public PlanStep? Plan(ReciprocatingPump pump, Setup setup, CaseEvidence evidence, Limits? limits = null)
    {
        var (bench, _) = Lay(pump, setup, ref evidence, limits);
        return new CheckPlan(bench, limits ?? Limits.None).Make(bench.Posterior());
    }

    // Checked as it was entered; answers then go by the names they have now, and those that count as nothing are left out.
    private LaidCase Lay(ReciprocatingPump pump, Setup setup, ref CaseEvidence evidence, Limits? limits)
    {
        limits?.Check(catalogue);
        EvidenceRules.Check(catalogue, pump, setup, evidence);
        foreach (var before in evidence.Before)
            EvidenceRules.Check(catalogue, pump, setup, evidence with { Readings = before.Readings, Cues = before.Cues, Before = [] });
        EvidenceRules.CheckMended(catalogue, pump, evidence.Before);
        evidence = evidence with { Cues = Counted(evidence.Cues, evidence.Readings) };
        var known = prepared.For(pump, setup);
        Standing? carried = null;
        Hypothesis? was = null;
        IReadOnlyList<CueFact> stillSeen = [];
        foreach (var before in evidence.Before)
        {
            var earlier = evidence with { Readings = before.Readings, Cues = Counted(before.Cues, before.Readings), Before = [] };
            var laid = new CaseOnPump(catalogue, known, pump, setup, earlier, openings);
            var (stood, places) = (Standing.Of(Bench(laid, carried)), new MendedPlaces(catalogue, laid.Hypotheses, before.Mended));
            was = Likeliest(laid, stood, places) ?? was;
            stillSeen =
            [
                .. stillSeen.Where(s => earlier.Cues.All(c => c.Cue != s.Cue)).Concat(earlier.Cues)
                    .Where(s => !places.Clears(laid.Hypotheses, s)),
            ];
            carried = AfterMend.Of(laid, known.Looked, stood, places);
        }

        var answered = evidence.Cues.Select(c => c.Cue).ToHashSet();
        return new LaidCase(
            Bench(
                new CaseOnPump(
                    catalogue, known, pump, setup, evidence, openings, [.. stillSeen.Where(s => !answered.Contains(s.Cue))]),
                carried),
            was);
    }

    // Of all that the mends reached, alone or as one of two.
    private static Hypothesis? Likeliest(CaseOnPump laid, Standing stood, MendedPlaces places)
    {
        double[] all = [.. laid.Hypotheses.Select((_, h) => stood.Of(h))];
        foreach (var (pair, cells) in stood.Pairs.Zip(stood.Cells))
        {
            all[pair.First] += cells.Sum();
            all[pair.Second] += cells.Sum();
        }

        var most = Enumerable.Range(0, all.Length).MaxBy(h => places.Reached[h] ? all[h] : 0);
        return places.Reached[most] && all[most] >= WorthNaming ? laid.Hypotheses[most] : null;
    }

    /// <summary>A case laid out, and what mends most likely did away with.</summary>
    private readonly record struct LaidCase(Workbench Bench, Hypothesis? Was);

    private static Workbench Bench(CaseOnPump laid, Standing? carried) =>
        carried is null ? Workbench.Of(laid) : Workbench.After(laid, carried);

    // What a gauge says better counts no more as it was told.
    private CueFact[] Counted(IReadOnlyList<CueFact> cues, IReadOnlyList<Reading> readings) =>
    [
        .. cues.Where(catalogue.Counts).Select(catalogue.Current)
            .Where(c => catalogue.Cue(c.Cue)!.UnlessRead is not { } read || readings.All(r => r.What.Id != read)),
    ];

    private static IReadOnlyList<ActionShare> Actions(Workbench bench, Posterior posterior)
    {
        var actionOf = Ranking.Number(bench.Case.Hypotheses.Select(h => h.Action), out var actions);
        var share = new double[actions];
        bench.Contenders.Gather(posterior.Probability, actionOf, share);
        return
        [
            .. share.Select((p, a) => (Share: p, First: bench.Case.Hypotheses[Array.IndexOf(actionOf, a)]))
                .Select(a => new ActionShare(a.First.Action, a.First.Fault.ActionName, a.Share, a.First.Fault.MendMinutes))
                .OrderByDescending(a => a.Probability).ThenBy(a => a.Action, StringComparer.Ordinal),
        ];
    }

    // Two faults at all their places, named by the likeliest places; those worth a word, the best few.
    private static IReadOnlyList<PairShare> PairsOf(Workbench bench, Posterior posterior)
    {
        var singles = bench.Case.Hypotheses;
        var placed = bench.Contenders.Pairs.Select((p, i) =>
            new PairShare(singles[p.First], singles[p.Second], posterior.Probability[singles.Count + i]));
        return
        [
            .. placed.GroupBy(p => (p.First.Fault, p.Second.Fault))
                .Select(g => g.MaxBy(p => p.Probability)! with { Probability = g.Sum(p => p.Probability) })
                .Where(p => p.Probability >= WorthTelling).OrderByDescending(p => p.Probability).Take(MostPairs),
        ];
    }

    private static List<Comparison> Comparisons(Workbench bench, CaseEvidence evidence, PumpExpectation expectation, Setup setup)
    {
        var rows = new List<Comparison>();
        var density = setup.Liquid.Density(setup.Temperature).Si;
        foreach (var what in Observables.All)
        {
            if (evidence.Combined(what, bench.Case.Instruments.ReadSigma) is not { } read)
                continue;
            double expected, low, high;
            if (what == Observables.NozzleOrifice)
            {
                var kn = setup.Nozzle.Coefficient;
                var band = 2 * setup.Nozzle.RelativeSigma;
                (expected, low, high) = (
                    setup.Nozzle.OrificeOf(kn, density), setup.Nozzle.OrificeOf(kn * (1 - band), density),
                    setup.Nozzle.OrificeOf(kn * (1 + band), density));
            }
            else if (what == Observables.Speed)
            {
                var band = 2 * PumpExpectation.BelievedSpeedSigma * setup.Speed.Si;
                (expected, low, high) = (setup.Speed.Si, setup.Speed.Si - band, setup.Speed.Si + band);
            }
            else
            {
                if (expectation.Figures.FirstOrDefault(f => f.Id == what.Id) is not { } figure)
                    continue;
                (expected, low, high) = (figure.Value.Si, figure.Low.Si, figure.High.Si);
            }

            var sigma = Math.Sqrt(Math.Pow((high - low) / 4, 2) + (read.Sigma * read.Sigma));
            rows.Add(new Comparison(what, read.Value, expected, low, high, (read.Value - expected) / sigma));
        }

        return rows;
    }

    private static WaterLedger Ledger(Workbench bench, ReciprocatingPump pump, CaseEvidence evidence, PumpExpectation expectation)
    {
        MeasuredFlow? Flow(Observable what) =>
            evidence.Combined(what, bench.Case.Instruments.SigmaOf) is { } m ? new MeasuredFlow(m.Value, m.Sigma) : null;
        var bypass = Flow(Observables.BypassFlow)
            ?? (evidence.Cues.Any(c => c is { Cue: "bypass-with-outlet-open", Answer: "none" })
                ? new MeasuredFlow(0, 0.01 * expectation.Point.DisplacedFlow)
                : null);
        MeasuredFlow? outside = null;
        var looked = evidence.Cues.Where(c => c.Cue == "leak-at").ToArray();
        if (looked.Length > 0 && looked.All(c => c.Answer == "none" || c.DropsPerMinute is not null))
        {
            var drops = looked.Sum(c => c.DropsPerMinute ?? 0) / LeakRates.DropsPerM3 / 60;
            outside = new MeasuredFlow(drops, DropShare * drops);
        }

        return WaterLedger.Of(pump, expectation.Point, evidence.Of(Observables.Speed).Any(), Flow(Observables.NozzleFlow), bypass, outside);
    }
}
