namespace MildHunch.Core.Diagnosis;

/// <summary>Probability of every contender given some evidence, and within it of every bin of severity.</summary>
internal sealed class Posterior
{
    private const double LeastDivisor = 1e-6;
    private readonly Contenders contenders;
    private readonly double[] mass;

    private Posterior(Contenders contenders, double[] mass)
    {
        (this.contenders, this.mass) = (contenders, mass);
        Probability = new double[contenders.Count];
        for (var h = 0; h < Probability.Length; h++)
            foreach (var m in Row(h))
                Probability[h] += m;
        var all = Probability.Sum();
        for (var h = 0; h < Probability.Length; h++)
            Probability[h] /= all;
        for (var i = 0; i < mass.Length; i++)
            mass[i] /= all;
    }

    /// <summary>Sums to 1: singles first, then pairs.</summary>
    public double[] Probability { get; }

    /// <summary>By bin of one contender; all rows together sum to 1.</summary>
    public ReadOnlySpan<double> Row(int contender) => mass.AsSpan(contenders.Offset(contender), contenders.BinsOf(contender));

    /// <summary>Answers times numbers.</summary>
    public static Posterior Of(Contenders contenders, IReadOnlyList<double[]> numbers, double[] answered)
    {
        var mass = new double[contenders.Bins];
        for (var h = 0; h < contenders.Count; h++)
        {
            var at = contenders.Offset(h);
            var row = numbers[h];
            for (var b = 0; b < row.Length; b++)
                mass[at + b] = answered[at + b] * row[b];
        }

        return new Posterior(contenders, mass);
    }

    /// <summary>The same after one more answer that is independent of all before it: its likelihood by bin of every contender.</summary>
    public Posterior With(double[] likelihood)
    {
        var after = new double[mass.Length];
        for (var i = 0; i < after.Length; i++)
            after[i] = mass[i] * likelihood[i];
        return new Posterior(contenders, after);
    }

    /// <summary>The same with other odds between the contenders, each keeping what it thinks of its own severity.</summary>
    public Posterior With(IReadOnlyList<double> probability, Contenders of)
    {
        var after = new double[mass.Length];
        for (var h = 0; h < probability.Count; h++)
        {
            var scale = Probability[h] > 0 ? probability[h] / Probability[h] : 0;
            for (var i = of.Offset(h); i < of.Offset(h) + of.BinsOf(h); i++)
                after[i] = mass[i] * scale;
        }

        return new Posterior(of, after);
    }

    /// <summary>The same before an answer that is independent of all others; null where the answer ruled a contender out.</summary>
    public Posterior? Without(double[] likelihood)
    {
        var before = new double[mass.Length];
        for (var i = 0; i < before.Length; i++)
        {
            if (mass[i] == 0)
                continue;
            if (likelihood[i] < LeastDivisor)
                return null;
            before[i] = mass[i] / likelihood[i];
        }

        return new Posterior(contenders, before);
    }
}
