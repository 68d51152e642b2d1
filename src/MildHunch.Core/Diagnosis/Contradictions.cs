using MildHunch.Core.Quantities;

namespace MildHunch.Core.Diagnosis;

/// <summary>Readings that even the best explanation is more than three sigma away from: measure those again.</summary>
internal static class Contradictions
{
    private const double TooFar = 3;

    public static IReadOnlyList<Contradiction> Find(Workbench bench, Posterior posterior)
    {
        var readings = bench.Items.Where(i => i.Reading is not null).Select(i => i.Reading!).ToArray();
        if (readings.Length < 2)
            return [];
        var leader = Array.IndexOf(posterior.Probability, posterior.Probability.Max());
        var effect = bench.Hypotheses[leader].EffectIndex;
        var (soft, severity) = BestNode(bench.AllWeights(), effect, bench.Table.SoftCount);
        return
        [
            .. bench.Numbers.Misfits(readings, effect, soft, severity).Where(m => Math.Abs(m.Sigmas) > TooFar).Select(m =>
            {
                var at = Array.FindIndex([.. bench.Items], i => ReferenceEquals(i.Reading, m.Reading));
                var best = bench.Hypotheses[leader].Fault.Phrase;
                return new Contradiction(
                    bench.Items[at].Id,
                    $"{m.Reading.What.Name}: {m.Reading.Value.Text(m.Reading.Told)} does not fit the other readings. Even the best explanation, {best}, is {Quantity.Digits(Math.Abs(m.Sigmas), 2)} sigma away. Measure this again.",
                    m.Sigmas);
            }),
        ];
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
