using MildHunch.Core.Pumps;

namespace MildHunch.Core.Diagnosis;

/// <summary>
/// Severities gathered by how noticeable they are. From the size where evidence words hold, all severities answer cues
/// alike, so they share one bin: the cue arithmetic shrinks several times without losing anything.
/// </summary>
public sealed class SeverityBins
{
    public SeverityBins(PredictionTable table, ReciprocatingPump pump, Setup setup)
    {
        Prior = SeverityPrior.Of(table, new Instruments(pump, setup, Evidence.None));
        Notice = new double[table.Effects.Count][];
        BinOf = new int[table.Effects.Count][];
        for (var e = 0; e < Notice.Length; e++)
        {
            var levels = new List<double>();
            var bin = new int[PredictionTable.Fine];
            for (var s = 0; s < bin.Length; s++)
            {
                var notice = Math.Clamp(table.Effects[e].Size(PredictionTable.Severity(s), pump), 0, 1);
                var at = levels.IndexOf(notice);
                if (at < 0)
                {
                    at = levels.Count;
                    levels.Add(notice);
                }

                bin[s] = at;
            }

            Notice[e] = [.. levels];
            BinOf[e] = bin;
        }
    }

    /// <summary>How noticeable each bin of an effect is, 0 to 1.</summary>
    public double[][] Notice { get; }

    /// <summary>Probability of each fine severity before any evidence.</summary>
    public double[][] Prior { get; }

    /// <summary>The bin of each fine severity.</summary>
    public int[][] BinOf { get; }
}
