namespace MildHunch.Core.Diagnosis;

/// <summary>Probability of every hypothesis given some evidence, and within it of every severity bin.</summary>
public sealed class Posterior
{
    private const double LeastDivisor = 1e-6;

    private Posterior(double[] probability, double[][] byBin)
    {
        Probability = probability;
        ByBin = byBin;
    }

    /// <summary>Sums to 1.</summary>
    public double[] Probability { get; }

    /// <summary>By hypothesis and bin; sums to 1 over all.</summary>
    public double[][] ByBin { get; }

    /// <summary>Prior times numbers times answers, each answer to the power its group leaves it.</summary>
    public static Posterior Of(IReadOnlyList<Hypothesis> hypotheses, NumericWeights numbers, SeverityBins bins, IReadOnlyList<(EvidenceItem Item, double Exponent)> cues)
    {
        var byBin = new double[hypotheses.Count][];
        var probability = new double[hypotheses.Count];
        for (var h = 0; h < byBin.Length; h++)
        {
            var effect = hypotheses[h].EffectIndex;
            var notice = bins.Notice[effect];
            var row = new double[notice.Length];
            var numeric = numbers.ByBin[effect];
            for (var b = 0; b < row.Length; b++)
            {
                var weight = numeric[b];
                if (weight == 0)
                    continue;
                foreach (var (item, exponent) in cues)
                {
                    var likelihood = Likelihood(item, h, notice[b]);
                    weight *= exponent == 1 ? likelihood : Math.Pow(likelihood, exponent);
                }

                row[b] = hypotheses[h].Prior * weight;
                probability[h] += row[b];
            }

            byBin[h] = row;
        }

        return Normalised(probability, byBin);
    }

    /// <summary>The same after one more answer that is independent of all before it.</summary>
    public Posterior With(IReadOnlyList<Hypothesis> hypotheses, SeverityBins bins, EvidenceItem item)
    {
        var byBin = new double[ByBin.Length][];
        var probability = new double[ByBin.Length];
        for (var h = 0; h < byBin.Length; h++)
        {
            var notice = bins.Notice[hypotheses[h].EffectIndex];
            var row = new double[notice.Length];
            for (var b = 0; b < row.Length; b++)
            {
                row[b] = ByBin[h][b] * Likelihood(item, h, notice[b]);
                probability[h] += row[b];
            }

            byBin[h] = row;
        }

        return Normalised(probability, byBin);
    }

    /// <summary>The same before an answer that is independent of all others; null where the answer ruled a hypothesis out.</summary>
    public Posterior? Without(IReadOnlyList<Hypothesis> hypotheses, SeverityBins bins, EvidenceItem item)
    {
        var byBin = new double[ByBin.Length][];
        var probability = new double[ByBin.Length];
        for (var h = 0; h < byBin.Length; h++)
        {
            var notice = bins.Notice[hypotheses[h].EffectIndex];
            var row = new double[notice.Length];
            for (var b = 0; b < row.Length; b++)
            {
                var likelihood = Likelihood(item, h, notice[b]);
                if (likelihood < LeastDivisor)
                    return null;
                row[b] = ByBin[h][b] / likelihood;
                probability[h] += row[b];
            }

            byBin[h] = row;
        }

        return Normalised(probability, byBin);
    }

    /// <summary>Chance of an answer under one hypothesis at one noticeability.</summary>
    public static double Likelihood(EvidenceItem item, int hypothesis, double notice)
    {
        var likelihood = 1.0;
        foreach (var atom in item.Atoms)
        {
            var full = atom.Full[hypothesis];
            likelihood *= double.IsNaN(atom.Baseline) ? full : atom.Baseline + ((full - atom.Baseline) * notice);
        }

        return likelihood;
    }

    private static Posterior Normalised(double[] probability, double[][] byBin)
    {
        var sum = probability.Sum();
        for (var h = 0; h < byBin.Length; h++)
        {
            probability[h] /= sum;
            for (var b = 0; b < byBin[h].Length; b++)
                byBin[h][b] /= sum;
        }

        return new Posterior(probability, byBin);
    }
}
