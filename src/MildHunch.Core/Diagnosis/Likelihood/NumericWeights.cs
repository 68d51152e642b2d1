using System.Runtime.Intrinsics;
using MildHunch.Core.Diagnosis.Predictions;
using MildHunch.Core.Numerics;
using Lanes = System.Runtime.Intrinsics.Vector256<double>;

namespace MildHunch.Core.Diagnosis.Likelihood;

/// <summary>
/// Likelihood of the numbers by effect, summed over outlet softness, on a common scale: fine in severity, and gathered
/// into <see cref="SeverityBins"/>.
/// </summary>
internal sealed class NumericWeights
{
    /// <summary>Weights by bin from log-likelihoods by severity.</summary>
    public NumericWeights(
        double[][] steady, double[][] swing, double swingExponent, int softCount, SeverityBins bins,
        double atLeast = double.NegativeInfinity)
    {
        var effects = bins.Notice.Length;
        var share = 1.0 / softCount;
        Nodes = new double[effects * softCount][];
        var top = atLeast;
        for (var r = 0; r < Nodes.Length; r++)
        {
            var row = new double[PredictionTable.Fine];
            var highest = Vector256.Create(double.NegativeInfinity);
            for (var s = 0; s < row.Length; s += Lanes.Count)
            {
                var four = NumericLikelihood.Four(steady[r], s) + (swingExponent * NumericLikelihood.Four(swing[r], s));
                four.CopyTo(row.AsSpan(s, Lanes.Count));
                highest = Vector256.ConditionalSelect(
                    Vector256.GreaterThan(NumericLikelihood.Four(bins.Prior[r / softCount], s), Lanes.Zero), Vector256.Max(highest, four),
                    highest);
            }

            top = Math.Max(top, Vectors.Highest(highest));
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
                for (var s = 0; s < row.Length; s += Lanes.Count)
                {
                    var four = share
                        * Vectors.Weights(NumericLikelihood.Four(row, s) - Vector256.Create(top), NumericLikelihood.Four(bins.Prior[e], s));
                    four.CopyTo(row.AsSpan(s, Lanes.Count));
                    (NumericLikelihood.Four(Fine[e], s) + four).CopyTo(Fine[e].AsSpan(s, Lanes.Count));
                }
            }

            for (var s = 0; s < Fine[e].Length; s++)
                ByBin[e][bins.BinOf[e][s]] += Fine[e][s];
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
