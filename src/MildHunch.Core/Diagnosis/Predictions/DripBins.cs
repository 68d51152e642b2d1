using MildHunch.Core.Evidence;

namespace MildHunch.Core.Diagnosis.Predictions;

/// <summary>How a fault is seen to drip, by bin of a single and by level of one of two.</summary>
/// <param name="SeenByBin">Chance that it is seen to drip.</param>
/// <param name="ToldByBin">That times how much likelier the rate told is than of a drip that means nothing.</param>
internal sealed record DripsSeen(double[] SeenByBin, double[] ToldByBin, double[] SeenByLevel, double[] ToldByLevel);

/// <summary>How effects that let water out are seen to drip, gathered as severities are.</summary>
internal sealed class DripBins
{
    private readonly SeverityBins bins;
    private readonly LeakRates leaks;
    private readonly DripsSeen?[] unrated;

    public DripBins(SeverityBins bins, LeakRates leaks)
    {
        (this.bins, this.leaks) = (bins, leaks);
        unrated = [.. Enumerable.Range(0, bins.Notice.Length).Select(Unrated)];
    }

    /// <summary>
    /// How an effect is seen to drip, and how well that fits the rate told against so many drops that mean nothing; null where the model
    /// knows of no water.
    /// </summary>
    public DripsSeen? Of(int effect, CueFact fact, double idle)
    {
        if (unrated[effect] is not { } seen || leaks.Of(effect) is not { } logs || !fact.Rated)
            return unrated[effect];
        double[] told = [.. logs.Select(log => LeakRates.Seen(log) * LeakRates.Ratio(fact, log, idle))];
        return seen with { ToldByBin = ByBin(effect, told), ToldByLevel = ByLevel(effect, told) };
    }

    /// <summary>Chance that somebody who looks sees it drip, by bin; null where the model knows of no water.</summary>
    public double[]? Seen(int effect) => unrated[effect]?.SeenByBin;

    private DripsSeen? Unrated(int effect)
    {
        if (leaks.Of(effect) is not { } logs)
            return null;
        double[] seen = [.. logs.Select(LeakRates.Seen)];
        var (byBin, byLevel) = (ByBin(effect, seen), ByLevel(effect, seen));
        return new DripsSeen(byBin, byBin, byLevel, byLevel);
    }

    private double[] ByBin(int effect, double[] fine) => Mean(effect, fine, bins.Notice[effect].Length, s => bins.BinOf[effect][s]);

    private double[] ByLevel(int effect, double[] fine) =>
        Mean(effect, fine, SeverityBins.Levels, s => SeverityBins.LevelOf(bins.Notice[effect][bins.BinOf[effect][s]]));

    // By prior; where none of a group can be, all of it alike.
    private double[] Mean(int effect, double[] fine, int groups, Func<int, int> groupOf)
    {
        var (sum, prior, plain, count) = (new double[groups], new double[groups], new double[groups], new double[groups]);
        for (var s = 0; s < fine.Length; s++)
        {
            var group = groupOf(s);
            sum[group] += bins.Prior[effect][s] * fine[s];
            prior[group] += bins.Prior[effect][s];
            plain[group] += fine[s];
            count[group]++;
        }

        return [.. sum.Select((x, g) => prior[g] > 0 ? x / prior[g] : count[g] > 0 ? plain[g] / count[g] : 0)];
    }
}
