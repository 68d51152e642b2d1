using MildHunch.Core.Diagnosis.Likelihood;
using MildHunch.Core.Expectation;

namespace MildHunch.Core.Diagnosis.Verdict;

/// <summary>Readings that even the best explanation is more than three sigma away from: measure those again.</summary>
internal static class Contradictions
{
    private const double TooFar = 3;

    public static IReadOnlyList<Contradiction> Find(Workbench bench, Posterior posterior)
    {
        var readings = bench.Case.Items.Where(i => i.Reading is not null).Select(i => i.Reading!).ToArray();
        if (readings.Length < 2)
            return [];
        var leader = Array.IndexOf(posterior.Probability, posterior.Probability.Max());
        var (first, second) = bench.Contenders.Parts(leader);
        var best = second is { } other
            ? $"{bench.Case.Hypotheses[first].Fault.Phrase} and {bench.Case.Hypotheses[other].Fault.Phrase}"
            : bench.Case.Hypotheses[first].Fault.Phrase;
        return
        [
            .. bench.Case.Numbers.Misfits(readings, Leading(bench, leader)).Where(m => Math.Abs(m.Sigmas) > TooFar).Select(m =>
            {
                var at = Array.FindIndex([.. bench.Case.Items], i => ReferenceEquals(i.Reading, m.Reading));
                return new Contradiction(
                    bench.Case.Items[at].Id,
                    $"{ReadingNames.Full(m.Reading.What.Id, bench.Case.Pump.Arrangement)}: {m.Reading.Value.Text(m.Reading.ReadIn)} "
                        + "does not fit the other readings. Even the best "
                        + $"explanation, {best}, would show something far from it. Measure this again.",
                    m.Sigmas);
            }),
        ];
    }

    // The best contender at the size that suits it best.
    private static NumericLikelihood.Account Leading(Workbench bench, int leader)
    {
        var source = bench.SourceOf(leader);
        if (source >= bench.Case.Table.Effects.Count)
        {
            var rows = source - bench.Case.Table.Effects.Count;
            var log = bench.AllWeights().PairLog[rows];
            return PairNumbers.AccountOf(bench.PairWeights.AllSolved[rows].Rows, Array.IndexOf(log, log.Max()));
        }

        var (soft, severity) = BestNode(bench.AllWeights().Singles, source, bench.Case.Table.SoftCount);
        return bench.Case.Numbers.AccountOf(source, soft, severity);
    }

    private static (int Soft, int Severity) BestNode(NumericWeights weights, int effect, int softCount)
    {
        var best = (Soft: 0, Severity: 0, Weight: -1.0);
        for (var c = 0; c < softCount; c++)
        {
            var row = weights.Nodes[(effect * softCount) + c];
            for (var s = 0; s < row.Length; s++)
                if (row[s] > best.Weight)
                    best = (c, s, row[s]);
        }

        return (best.Soft, best.Severity);
    }
}
