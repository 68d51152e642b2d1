using MildHunch.Core.Diagnosis.Likelihood;
using MildHunch.Core.Diagnosis.Predictions;
using MildHunch.Core.Evidence;
using MildHunch.Core.Expectation;
using MildHunch.Core.Faults;
using MildHunch.Core.Quantities;

namespace MildHunch.Core.Diagnosis.Verdict;

/// <summary>Says in trade sentences what each piece of evidence does to each suspect, with the numbers behind it.</summary>
internal sealed class Explanation(Workbench bench, Posterior posterior, PumpExpectation expectation)
{
    private const double WorthExplaining = 0.005;
    private const int MostExplained = 6;
    private const double Limit = 60;
    private const double WorthTelling = 0.05;

    public IReadOnlyList<Suspect> Suspects()
    {
        var faultOf = Ranking.Number(bench.Case.Hypotheses.Select(h => h.Fault.Id), out var count);
        double[] ByFault(Func<int, double> probability) =>
            Gathered([.. Enumerable.Range(0, bench.Contenders.Count).Select(probability)], faultOf, count);
        var share = Gathered(posterior.Probability, faultOf, count);
        var prior = ByFault(bench.Contenders.Prior);
        var priors = Enumerable.Range(0, bench.Contenders.Count).Sum(bench.Contenders.Prior);
        var pieces = bench.Pieces();
        var without = pieces.Select(p => Gathered(bench.PosteriorWithout(posterior, p).Probability, faultOf, count)).ToArray();
        var here = Gathered(posterior.Probability, [.. Enumerable.Range(0, bench.Case.Hypotheses.Count)], bench.Case.Hypotheses.Count);
        var faults = Enumerable.Range(0, bench.Case.Hypotheses.Count).GroupBy(h => faultOf[h])
            .Select(g => (Fault: bench.Case.Hypotheses[g.First()].Fault, Number: g.Key, Rows: g.ToArray()))
            .OrderByDescending(f => share[f.Number]).ThenBy(f => f.Fault.Id, StringComparer.Ordinal);
        return
        [
            .. faults.Select((f, rank) =>
            {
                var probability = share[f.Number];
                var likeliest = f.Rows.MaxBy(i => posterior.Probability[i]);
                var severity = Severity(f.Fault, likeliest, out var middle);
                var explained = probability >= WorthExplaining && rank < MostExplained;
                var evidence = explained
                    ? pieces.Select((item, i) => Weigh(item, f.Fault, probability, without[i][f.Number], likeliest, middle))
                        .Where(w => Math.Abs(w.Decibans) >= WorthTelling).OrderByDescending(w => Math.Abs(w.Decibans)).ToArray()
                    : [];
                var before = prior[f.Number] / priors;
                var together = Decibans(probability, before) - evidence.Sum(e => e.Decibans);
                return new Suspect(
                    f.Fault, probability, before, HunchWords.Of(probability), severity, Locations(f.Rows, here), evidence, together);
            }),
        ];
    }

    private double[] Gathered(double[] probability, int[] groupOf, int groups)
    {
        var into = new double[groups];
        bench.Contenders.Gather(probability, groupOf, into);
        return into;
    }

    private static double Decibans(double after, double before) =>
        Math.Clamp(10 * (LogOdds(after) - LogOdds(before)), -Limit, Limit);

    private static double LogOdds(double p)
    {
        var held = Math.Clamp(p, 1e-12, 1 - 1e-12);
        return Math.Log10(held / (1 - held));
    }

    private IReadOnlyList<LocationShare> Locations(int[] rows, double[] here) =>
        rows.Length == 1 && bench.Case.Hypotheses[rows[0]].Cylinder is null
            ? []
            : [.. rows.Select(i => bench.Case.Hypotheses[i])
                .Zip(rows, (h, i) => new LocationShare(h.Cylinder, h.Side, here[i]))
                .OrderByDescending(l => l.Probability).ThenBy(l => l.Cylinder)];

    private SeverityEstimate Severity(Fault fault, int hypothesis, out int middle)
    {
        var effect = bench.Case.Hypotheses[hypothesis].EffectIndex;
        var fine = bench.Fine(hypothesis);
        var bins = bench.Case.Bins.BinOf[effect];
        var mass = new double[fine.Length];
        var inBin = new double[posterior.Row(hypothesis).Length];
        for (var s = 0; s < mass.Length; s++)
            inBin[bins[s]] += fine[s];
        for (var s = 0; s < mass.Length; s++)
            mass[s] = inBin[bins[s]] > 0 ? posterior.Row(hypothesis)[bins[s]] * fine[s] / inBin[bins[s]] : 0;

        var total = mass.Sum();
        middle = Quantile(mass, total * 0.5);
        var displayed = bench.Case.Table.Effects[effect];
        var low = displayed.ToDisplayed(PredictionTable.Severity(Quantile(mass, total * 0.1)));
        var high = displayed.ToDisplayed(PredictionTable.Severity(Quantile(mass, total * 0.9)));
        return new SeverityEstimate(
            displayed.ToDisplayed(PredictionTable.Severity(middle)), Math.Min(low, high), Math.Max(low, high), fault.Zero, fault.One);
    }

    private static int Quantile(double[] mass, double upTo)
    {
        var sum = 0.0;
        for (var s = 0; s < mass.Length; s++)
        {
            sum += mass[s];
            if (sum >= upTo)
                return s;
        }

        return mass.Length - 1;
    }

    private WeightOfEvidence Weigh(EvidenceItem item, Fault fault, double probability, double before, int likeliest, int severity)
    {
        var weight = Decibans(probability, before);
        return item.Reading is { } reading
            ? Weigh(item.Id, weight, reading, fault, likeliest, severity)
            : new WeightOfEvidence(
                item.Id, weight, Sentence(item, fault, likeliest, severity), Sentences.Say(bench.Case.Catalogue, item.Cue!));
    }

    private WeightOfEvidence Weigh(string source, double weight, Reading reading, Fault fault, int hypothesis, int severity)
    {
        var effect = bench.Case.Hypotheses[hypothesis].EffectIndex;
        var mean = 0.0;
        for (var c = 0; c < bench.Case.Table.SoftCount; c++)
            mean += bench.Case.Table.Mean(effect, c, reading.What.Index)[severity] / bench.Case.Table.SoftCount;
        var expected = reading.What == Observables.NozzleOrifice
            ? bench.Case.Setup.Nozzle.Coefficient
            : reading.What.Read(expectation.Point, 1);
        var compared = fault.Id == Catalogue.NoFault ? "" : $"; {fault.Phrase} gives {Figure(reading, mean)}";
        double[] all = [.. bench.Case.Readings.Readings.Where(r => r.What == reading.What).Select(r => r.Value.Si)];
        var (id, arrangement) = (reading.What.Id, bench.Case.Pump.Arrangement);

        // Read several times, it is one piece of evidence: their mean.
        var read = (reading.Value with { Si = all.Average() }).Text(reading.ReadIn);
        var times = all.Length == 1 ? "" : $" in the mean of {all.Length}";
        var against = fault.Id == Catalogue.NoFault ? $"; {Figure(reading, expected)} expected" : compared;
        return new WeightOfEvidence(
            source, weight, $"{ReadingNames.Full(id, arrangement)}: {read} read{times}, {Figure(reading, expected)} expected{compared}",
            $"{ReadingNames.Short(id, arrangement)} {read}{against}");
    }

    // A modelled value in the unit of the reading, without naming it again.
    private string Figure(Reading reading, double modelled) => Quantity.Digits(reading.ReadIn.FromSi(
        reading.What == Observables.NozzleOrifice
            ? bench.Case.Setup.Nozzle.OrificeOf(modelled, bench.Case.Setup.Liquid.Density(bench.Case.Setup.Temperature).Si)
            : modelled));

    private string Sentence(EvidenceItem item, Fault fault, int hypothesis, int severity)
    {
        var effect = bench.Case.Hypotheses[hypothesis].EffectIndex;
        var bin = bench.Case.Bins.BinOf[effect][severity];
        var notice = item.Drips is not null && bench.Case.Bins.Dripping.Seen(effect) is { } seen
            ? seen[bin]
            : bench.Case.Bins.Notice[effect][bin];
        var word = EvidenceWords.Nearest(Contenders.Of(item, hypothesis, notice));
        return $"{Sentences.Say(bench.Case.Catalogue, item.Cue!)}; {word} so with {fault.Phrase}";
    }
}
