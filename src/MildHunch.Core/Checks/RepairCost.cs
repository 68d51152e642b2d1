using MildHunch.Core.Diagnosis.Likelihood;
using MildHunch.Core.Diagnosis.Verdict;

namespace MildHunch.Core.Checks;

/// <summary>
/// Expected cost of repair (Heckerman, Breese and Rommelse 1995, from memory): mend what is likeliest for its minutes
/// first, prove, and go on to the next if that was not it. Minutes.
/// </summary>
internal sealed class RepairCost
{
    /// <summary>What proving after every mend takes (common practice, no source).</summary>
    public const double ProveMinutes = 15;

    private readonly Contenders contenders;
    private readonly int[] actionOf;
    private readonly double[] mend;
    private readonly double[] share;
    private readonly double[] rank;
    private readonly int[] order;

    public RepairCost(Contenders contenders)
    {
        this.contenders = contenders;
        actionOf = Ranking.Number(contenders.Singles.Select(h => h.Action), out var actions);
        mend = new double[actions];
        for (var h = actionOf.Length - 1; h >= 0; h--)
            mend[actionOf[h]] = contenders.Singles[h].Fault.MendMinutes;
        (share, rank, order) = (new double[mend.Length], new double[mend.Length], new int[mend.Length]);
    }

    /// <summary>Minutes to the pump mended and proved when nothing more is tested.</summary>
    public double Expected(double[] probability)
    {
        contenders.Gather(probability, actionOf, share);
        for (var a = 0; a < mend.Length; a++)
            (order[a], rank[a]) = (a, -share[a] / mend[a]);
        Array.Sort(rank, order);
        double cost = 0, left = 1;
        foreach (var a in order)
        {
            cost += (mend[a] + ProveMinutes) * left;
            left -= share[a];
            if (left <= 1e-6)
                break;
        }

        return cost;
    }
}
