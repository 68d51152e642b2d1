using MildHunch.Core.Numerics;

namespace MildHunch.Core.Diagnosis.Likelihood;

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
        var all = 0.0;
        for (var h = 0; h < Probability.Length; h++)
        {
            var sum = 0.0;
            foreach (var m in Row(h))
                sum += m;
            all += Probability[h] = sum;
        }

        Vectors.Scale(Probability, 1 / all);
        Vectors.Scale(mass, 1 / all);
    }

    /// <summary>Sums to 1: singles first, then pairs.</summary>
    public double[] Probability { get; }

    /// <summary>By bin of one contender; all rows together sum to 1.</summary>
    public ReadOnlySpan<double> Row(int contender) => mass.AsSpan(contenders.Offset(contender), contenders.BinsOf(contender));

    /// <summary>Answers times numbers, both by bin of every contender.</summary>
    public static Posterior Of(Contenders contenders, double[] numbers, double[] answered) =>
        new(contenders, Vectors.Product(answered, numbers));

    /// <summary>Chance of one more answer, and the probability of every contender after it.</summary>
    public AnswerOutcome After(double[] likelihood)
    {
        var after = new double[Probability.Length];
        var chance = 0.0;
        for (var h = 0; h < after.Length; h++)
        {
            var sum = 0.0;
            for (var i = contenders.Offset(h); i < contenders.Offset(h + 1); i++)
                sum += mass[i] * likelihood[i];
            chance += after[h] = sum;
        }

        Vectors.Scale(after, 1 / chance);
        return new AnswerOutcome(chance, after);
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

/// <summary>Chance of an answer, and the probability of every contender once it is given.</summary>
internal readonly record struct AnswerOutcome(double Chance, double[] After);
