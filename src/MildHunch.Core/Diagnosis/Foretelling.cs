namespace MildHunch.Core.Diagnosis;

/// <summary>
/// What an answer not yet given would leave of every hypothesis. A word moves in a straight line with how noticeable the
/// fault is, so mean and mean square of that are all an answer of one or two statements needs.
/// </summary>
internal sealed class Foretelling
{
    private const double Hardly = 1e-4;
    private readonly Workbench bench;
    private readonly Posterior posterior;
    private readonly bool planned;
    private readonly double[] first;
    private readonly double[] second;

    /// <param name="planned">True where the posterior already holds answers that nobody gave yet.</param>
    public Foretelling(Workbench bench, Posterior posterior, bool planned = false)
    {
        (this.bench, this.posterior, this.planned) = (bench, posterior, planned);
        (first, second) = (new double[bench.Hypotheses.Count], new double[bench.Hypotheses.Count]);
        for (var h = 0; h < first.Length; h++)
        {
            var notice = bench.Bins.Notice[bench.Hypotheses[h].EffectIndex];
            var row = posterior.Row(h);
            for (var b = 0; b < row.Length; b++)
            {
                first[h] += row[b] * notice[b];
                second[h] += row[b] * notice[b] * notice[b];
            }
        }
    }

    /// <summary>Chance of the answer as its words tell, and the probability of every hypothesis once it is given.</summary>
    public (double Chance, double[] After) After(EvidenceItem item)
    {
        var after = new double[posterior.Probability.Length];
        var chance = 0.0;
        var weighed = 0.0;
        for (var h = 0; h < after.Length; h++)
        {
            if (Negligible(h))
                continue;
            after[h] = h < first.Length ? Mass(item, h) : Summed(item, h);
            chance += after[h];
            weighed += posterior.Probability[h];
        }

        // Pairs that hardly stand cannot come back by one answer; they move as all others do together.
        var together = chance / weighed;
        for (var h = first.Length; h < after.Length; h++)
            if (Negligible(h))
                after[h] = posterior.Probability[h] * together;
        chance = together;
        if (bench.Sees(item))
            return (chance, planned ? bench.PosteriorFollowing(posterior, item).Probability : bench.PosteriorWith(posterior, item).Probability);
        for (var h = 0; h < after.Length; h++)
            after[h] /= chance;
        return (chance, after);
    }

    private bool Negligible(int h) => h >= first.Length && posterior.Probability[h] < Hardly;

    private double Mass(EvidenceItem item, int h)
    {
        var still = 1.0;
        double a = 0, b = 0, c = 0, d = 0;
        var moving = 0;
        foreach (var atom in item.Atoms)
        {
            var full = atom.Full[h];
            if (double.IsNaN(atom.Baseline) || full == atom.Baseline)
            {
                still *= full;
                continue;
            }

            moving++;
            if (moving == 1)
                (a, b) = (atom.Baseline, full - atom.Baseline);
            else if (moving == 2)
                (c, d) = (atom.Baseline, full - atom.Baseline);
            else
                return Summed(item, h);
        }

        var p = posterior.Probability[h];
        return still * moving switch
        {
            0 => p,
            1 => (a * p) + (b * first[h]),
            _ => (a * c * p) + (((a * d) + (b * c)) * first[h]) + (b * d * second[h]),
        };
    }

    private double Summed(EvidenceItem item, int h)
    {
        var row = posterior.Row(h);
        var sum = 0.0;
        for (var b = 0; b < row.Length; b++)
            if (row[b] > 0)
                sum += row[b] * bench.Contenders.Likelihood(item, h, b);
        return sum;
    }
}
