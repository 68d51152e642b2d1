using MildHunch.Core.Diagnosis.Predictions;
using MildHunch.Core.Numerics;

namespace MildHunch.Core.Diagnosis.Likelihood;

/// <summary>
/// A question put to all contenders: of two faults the one that has more to say about it answers, and where both say as
/// much, either may. Which of them it is depends on the question alone, so it is laid out once for all its answers.
/// </summary>
internal sealed class CueAnswers
{
    private const double Alike = 0.05;
    private readonly Contenders contenders;

    // By bin of every pair: the chance that the first of the two answers.
    private readonly double[] firstAnswers;

    public CueAnswers(Contenders contenders, double[] strength)
    {
        this.contenders = contenders;
        firstAnswers = new double[contenders.Pairs.Length * Contenders.PairBins];
        var at = 0;
        foreach (var (first, second, _) in contenders.Pairs)
        {
            var (a, b) = (contenders.Levels(first), contenders.Levels(second));
            for (var i = 0; i < a.Length; i++)
            {
                for (var j = 0; j < b.Length; j++)
                {
                    var (loud, other) = (strength[first] * a[i], strength[second] * b[j]);
                    firstAnswers[at++] = Math.Abs(loud - other) <= Alike * Math.Max(loud, other) ? 0.5 : loud > other ? 1 : 0;
                }
            }
        }
    }

    /// <summary>Likelihood of an answer by bin of every contender; its cube root where it follows another that sees the same.</summary>
    public double[] Likelihoods(CueAtom atom, bool follows = false)
    {
        var all = new double[contenders.Bins];
        double Counted(double likelihood) => follows ? Math.Cbrt(likelihood) : likelihood;
        var silent = Counted(atom.Baseline);
        for (var h = 0; h < contenders.Singles.Length; h++)
        {
            var notice = contenders.Notices(h);
            var row = all.AsSpan(contenders.Offset(h), notice.Length);
            if (atom.Full[h] == atom.Baseline)
            {
                row.Fill(silent);
                continue;
            }

            for (var b = 0; b < row.Length; b++)
                row[b] = Counted(atom.At(h, notice[b]));
        }

        // Of every single at each level: as it is, and as it counts.
        const int levels = SeverityBins.Levels;
        var (plain, counts) = (new double[contenders.Singles.Length * levels], new double[contenders.Singles.Length * levels]);
        for (var h = 0; h < contenders.Singles.Length && contenders.Pairs.Length > 0; h++)
        {
            var notice = contenders.Levels(h);
            for (var (l, i) = (0, h * levels); l < levels; l++, i++)
            {
                plain[i] = atom.At(h, notice[l]);
                counts[i] = plain[i] == atom.Baseline ? silent : Counted(plain[i]);
            }
        }

        var (at, mine) = (contenders.Offset(contenders.Singles.Length), 0);
        foreach (var (first, second, _) in contenders.Pairs)
        {
            for (var i = first * levels; i < (first + 1) * levels; i++)
                for (var j = second * levels; j < (second + 1) * levels; j++, at++, mine++)
                    all[at] = firstAnswers[mine] switch { 1 => counts[i], 0 => counts[j], _ => Counted((plain[i] + plain[j]) / 2) };
        }

        return all;
    }

    /// <summary>
    /// What a posterior makes of every answer: a word moves in a straight line with how noticeable the fault is, so of each
    /// contender only three sums are needed, however many answers there are.
    /// </summary>
    public Summary Summarise(Posterior posterior)
    {
        var sums = new Noticed[contenders.Count];
        for (var h = 0; h < contenders.Singles.Length; h++)
        {
            var notice = contenders.Notices(h);
            var row = posterior.Row(h);
            double noticed = 0;
            for (var b = 0; b < row.Length; b++)
                noticed += row[b] * notice[b];
            sums[h] = new Noticed(posterior.Probability[h], noticed, 0, 0);
        }

        for (var p = 0; p < contenders.Pairs.Length; p++)
        {
            var (first, second, _) = contenders.Pairs[p];
            var (a, b) = (contenders.Levels(first), contenders.Levels(second));
            var row = posterior.Row(contenders.Singles.Length + p);
            var mine = firstAnswers.AsSpan(p * Contenders.PairBins, Contenders.PairBins);
            double whole = 0, byFirst = 0, bySecond = 0, wholeSecond = 0;
            for (int i = 0, at = 0; i < a.Length; i++)
            {
                for (var j = 0; j < b.Length; j++, at++)
                {
                    var x = row[at] * mine[at];
                    var y = row[at] - x;
                    whole += x;
                    byFirst += x * a[i];
                    wholeSecond += y;
                    bySecond += y * b[j];
                }
            }

            sums[contenders.Singles.Length + p] = new Noticed(whole, byFirst, wholeSecond, bySecond);
        }

        return new Summary(contenders, sums);
    }

    /// <summary>
    /// Of one contender: the probability that its first fault answers, and that times how noticeable it is; likewise its second.
    /// </summary>
    internal readonly record struct Noticed(double First, double FirstNoticed, double Second, double SecondNoticed);

    /// <summary>The sums of every contender for one question.</summary>
    internal sealed class Summary(Contenders contenders, Noticed[] sums)
    {
        /// <summary>Chance of the answer, and the probability of every contender once it is given.</summary>
        public AnswerOutcome After(CueAtom atom)
        {
            var after = new double[sums.Length];
            var chance = 0.0;
            for (var h = 0; h < contenders.Singles.Length; h++)
                chance += after[h] = Of(atom, h, sums[h].First, sums[h].FirstNoticed);
            for (var (p, h) = (0, contenders.Singles.Length); h < after.Length; p++, h++)
            {
                var (whole, byFirst, wholeSecond, bySecond) = sums[h];
                chance += after[h] = Of(atom, contenders.Pairs[p].First, whole, byFirst)
                    + Of(atom, contenders.Pairs[p].Second, wholeSecond, bySecond);
            }

            Vectors.Scale(after, 1 / chance);
            return new AnswerOutcome(chance, after);
        }

        private static double Of(CueAtom atom, int single, double whole, double noticed) =>
            atom.AtAnySize
                ? atom.Full[single] * whole
                : (atom.Baseline * whole) + ((atom.Full[single] - atom.Baseline) * noticed);
    }
}
