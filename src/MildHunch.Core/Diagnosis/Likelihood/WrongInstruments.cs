using System.Runtime.Intrinsics;
using Lanes = System.Runtime.Intrinsics.Vector256<double>;

namespace MildHunch.Core.Diagnosis.Likelihood;

/// <summary>
/// Likelihood of all readings, summed over every way in which at most one or two instruments are wrong; three of six at once
/// have a chance below two in 10⁴. At four severities at a time.
/// </summary>
internal sealed class WrongInstruments
{
    // Beside the best, e⁻²⁰ is still kept exactly; what lies lower is weighed afresh.
    private const double Low = -20;
    private readonly NumericLikelihood.InstrumentGroup[] groups;
    private readonly int mostWrong;
    private readonly int[] masks;
    private readonly Lanes[] exponents;
    private readonly Lanes[] determinants;
    private readonly Lanes[] shares;
    private readonly SharedUncertainty[] behind;
    private int count;
    private Lanes top;

    public WrongInstruments(NumericLikelihood.InstrumentGroup[] groups, int mostWrong)
    {
        (this.groups, this.mostWrong) = (groups, mostWrong);
        var ways = 1 + groups.Length + (mostWrong > 1 ? groups.Length * (groups.Length - 1) / 2 : 0);
        behind = new SharedUncertainty[groups.Length + 1];
        (masks, exponents, determinants, shares) = (new int[ways], new Lanes[ways], new Lanes[ways], new Lanes[ways]);
    }

    /// <summary>
    /// Log of the sum over all ways; weighs each for <see cref="SumWhereWrong"/>. A term is what a right instrument says.
    /// </summary>
    public Lanes Sum(ReadOnlySpan<SharedUncertainty> terms)
    {
        count = 0;
        Gather(terms);
        top = exponents[0];
        for (var i = 1; i < count; i++)
            top = Vector256.Max(top, exponents[i]);
        var sum = Lanes.Zero;
        for (var i = 0; i < count; i++)
        {
            shares[i] = Vector256.Exp(exponents[i] - top) / Vector256.Sqrt(determinants[i]);
            sum += shares[i];
        }

        return top + Vector256.Log(sum);
    }

    /// <summary>Log of the sum over the ways in which one instrument is wrong.</summary>
    public Lanes SumWhereWrong(int group)
    {
        var sum = Lanes.Zero;
        var best = Vector256.Create(double.NegativeInfinity);
        for (var i = 0; i < count; i++)
        {
            if ((masks[i] >> group & 1) == 0)
                continue;
            sum += shares[i];
            best = Vector256.Max(best, exponents[i]);
        }

        if (Vector256.GreaterThanAll(best - top, Vector256.Create(Low)))
            return top + Vector256.Log(sum);
        sum = Lanes.Zero;
        for (var i = 0; i < count; i++)
            if ((masks[i] >> group & 1) == 1)
                sum += Vector256.Exp(exponents[i] - best) / Vector256.Sqrt(determinants[i]);
        return best + Vector256.Log(sum);
    }

    // Every way is what stands before a wrong instrument, between two of them, and behind: sums that are shared by many ways.
    private void Gather(ReadOnlySpan<SharedUncertainty> terms)
    {
        behind[terms.Length] = default;
        for (var g = terms.Length - 1; g >= 0; g--)
        {
            behind[g] = behind[g + 1];
            behind[g].Add(terms[g]);
        }

        Leaf(behind[0], 0, 0);
        var before = default(SharedUncertainty);
        for (var g = 0; g < terms.Length; g++)
        {
            var one = before;
            one.Add(behind[g + 1]);
            Leaf(one, 1 << g, groups[g].LogWrong);
            if (mostWrong > 1)
            {
                var between = before;
                for (var h = g + 1; h < terms.Length; h++)
                {
                    var two = between;
                    two.Add(behind[h + 1]);
                    Leaf(two, (1 << g) | (1 << h), groups[g].LogWrong + groups[h].LogWrong);
                    between.Add(terms[h]);
                }
            }

            before.Add(terms[g]);
        }
    }

    private void Leaf(in SharedUncertainty belief, int wrong, double logWrong)
    {
        var (exponent, determinant) = belief.Likelihood();
        (masks[count], exponents[count], determinants[count]) = (wrong, exponent + Vector256.Create(logWrong), determinant);
        count++;
    }
}
