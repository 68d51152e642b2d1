using MildHunch.Core.Evidence;
using MildHunch.Core.Pumps;

namespace MildHunch.Core.Diagnosis.Predictions;

/// <summary>
/// Severities gathered by how noticeable they are. From the size where evidence words hold, all severities answer cues
/// alike, so they share one bin: the cue arithmetic shrinks several times without losing anything. What shows as water outside is
/// gathered by how much of it there is too.
/// </summary>
internal sealed class SeverityBins
{
    /// <summary>Steps of noticeability that a fault has where it is one of two.</summary>
    public const int Levels = 3;

    /// <summary>
    /// How often a stream to the floor goes unmentioned where nobody looked round (common practice, no source; docs/reasoning.md,
    /// Silence).
    /// </summary>
    public const double Unmentioned = 0.15;

    private readonly LeakRates leaks;

    /// <summary>Sorts the severities of every effect by how noticeable they are.</summary>
    public SeverityBins(PredictionTable table, ReciprocatingPump pump, Setup setup, LeakRates leaks)
        : this(table, pump, leaks, SeverityPrior.Of(table, new Instruments(pump, setup, CaseEvidence.None), pump))
    {
    }

    private SeverityBins(PredictionTable table, ReciprocatingPump pump, LeakRates leaks, double[][] prior)
    {
        this.leaks = leaks;
        Prior = prior;
        Notice = new double[table.Effects.Count][];
        BinOf = new int[table.Effects.Count][];
        for (var e = 0; e < Notice.Length; e++)
        {
            var kinds = new List<BinKind>();
            var bin = new int[PredictionTable.Fine];
            for (var s = 0; s < bin.Length; s++)
            {
                var notice = Math.Clamp(table.Effects[e].NoticeRatio(PredictionTable.Severity(s), pump), 0, 1);
                var kind = new BinKind(notice, leaks.Of(e) is { } logs ? (int)Math.Floor(logs[s]) : 0);
                var at = kinds.IndexOf(kind);
                if (at < 0)
                {
                    at = kinds.Count;
                    kinds.Add(kind);
                }

                bin[s] = at;
            }

            Notice[e] = [.. kinds.Select(k => k.Notice)];
            BinOf[e] = bin;
        }

        (LevelNotice, LevelPrior) = (new double[Notice.Length][], new double[Notice.Length][]);
        (SidePrior, SideLevel) = (new double[Notice.Length][], new int[Notice.Length][]);
        for (var e = 0; e < Notice.Length; e++)
            Gather(e);
        Dripping = new DripBins(this, leaks);
    }

    /// <summary>Mean noticeability of each level of an effect.</summary>
    public double[][] LevelNotice { get; }

    /// <summary>Prior of each of the severities that a fault has where it is one of two.</summary>
    internal double[][] SidePrior { get; }

    /// <summary>Level of each of those severities.</summary>
    internal int[][] SideLevel { get; }

    /// <summary>Prior of each level of an effect.</summary>
    public double[][] LevelPrior { get; }

    /// <summary>How noticeable each bin of an effect is, 0 to 1.</summary>
    public double[][] Notice { get; }

    /// <summary>Probability of each fine severity before any evidence.</summary>
    public double[][] Prior { get; }

    /// <summary>The bin of each fine severity.</summary>
    public int[][] BinOf { get; }

    /// <summary>How each effect is seen to drip.</summary>
    public DripBins Dripping { get; }

    /// <summary>
    /// The same where nobody said a word of water on the floor: sizes at which it runs in a stream count so much less. A drip
    /// that nobody mentions says nothing.
    /// </summary>
    public SeverityBins Unsaid(PredictionTable table, ReciprocatingPump pump) => new(
        table, pump, leaks, [.. Prior.Select((row, e) => row.Select((p, s) => leaks.Streams(e, s) ? Unmentioned * p : p).ToArray())]);

    /// <summary>Level of a noticeability.</summary>
    public static int LevelOf(double notice) => notice >= 1 ? 2 : notice >= 0.5 ? 1 : 0;

    private void Gather(int e)
    {
        var (notice, prior) = (new double[Levels], new double[Levels]);
        for (var s = 0; s < PredictionTable.Fine; s++)
        {
            var seen = Notice[e][BinOf[e][s]];
            notice[LevelOf(seen)] += Prior[e][s] * seen;
            prior[LevelOf(seen)] += Prior[e][s];
        }

        for (var l = 0; l < Levels; l++)
            notice[l] = prior[l] > 0 ? notice[l] / prior[l] : l / 2.0;
        (LevelNotice[e], LevelPrior[e]) = (notice, prior);
        (SidePrior[e], SideLevel[e]) = (new double[PairRows.Side], new int[PairRows.Side]);
        for (var i = 0; i < PairRows.Side; i++)
        {
            SideLevel[e][i] = LevelOf(Notice[e][BinOf[e][PairTable.FineOf(i)]]);
            for (var s = i * PredictionTable.Fine / PairRows.Side; s < (i + 1) * PredictionTable.Fine / PairRows.Side; s++)
                SidePrior[e][i] += Prior[e][s];
        }
    }

    // Of severities that answer alike: as noticeable, and of the same class of drops a minute.
    private readonly record struct BinKind(double Notice, int DropsLog);
}
