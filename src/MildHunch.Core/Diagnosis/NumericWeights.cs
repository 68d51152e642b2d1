namespace MildHunch.Core.Diagnosis;

/// <summary>
/// Likelihood of the numbers by effect, summed over outlet softness, on a common scale: fine in severity, and gathered
/// into <see cref="SeverityBins"/>.
/// </summary>
public sealed class NumericWeights
{
    private const double Lost = -300;

    public NumericWeights(double[][] steady, double[][] swing, double swingExponent, int softCount, SeverityBins bins, double atLeast = double.NegativeInfinity)
    {
        var effects = bins.Notice.Length;
        Nodes = new double[effects * softCount][];
        var top = atLeast;
        for (var r = 0; r < Nodes.Length; r++)
        {
            var row = new double[PredictionTable.Fine];
            for (var s = 0; s < row.Length; s++)
            {
                row[s] = steady[r][s] + (swingExponent * swing[r][s]);
                if (bins.Prior[r / softCount][s] > 0)
                    top = Math.Max(top, row[s]);
            }

            Nodes[r] = row;
        }

        Top = top;
        ByBin = new double[effects][];
        Fine = new double[effects][];
        for (var e = 0; e < effects; e++)
        {
            ByBin[e] = new double[bins.Notice[e].Length];
            Fine[e] = new double[PredictionTable.Fine];
            for (var c = 0; c < softCount; c++)
            {
                var row = Nodes[(e * softCount) + c];
                for (var s = 0; s < row.Length; s++)
                {
                    // What lies so far below the best adds nothing that could be told.
                    row[s] = row[s] - top < Lost || bins.Prior[e][s] == 0 ? 0 : Math.Exp(row[s] - top) / softCount * bins.Prior[e][s];
                    Fine[e][s] += row[s];
                    ByBin[e][bins.BinOf[e][s]] += row[s];
                }
            }
        }
    }

    /// <summary>Log-likelihood that stands as 1 on the common scale.</summary>
    public double Top { get; }

    /// <summary>By effect and softness, then severity.</summary>
    public double[][] Nodes { get; }

    /// <summary>By effect, then severity.</summary>
    public double[][] Fine { get; }

    /// <summary>By effect, then bin.</summary>
    public double[][] ByBin { get; }
}
