using MildHunch.Core.Evidence;
using Lanes = System.Runtime.Intrinsics.Vector256<double>;

namespace MildHunch.Core.Diagnosis.Likelihood;

/// <summary>A reading as the model predicts it, with one sigma of its instrument.</summary>
internal readonly record struct ModelledReading(Reading Reading, double Value, double Sigma);

/// <summary>A reading that an explanation has to call wrong, and by how many sigma it is off.</summary>
internal readonly record struct Misfit(Reading Reading, double Sigmas);

/// <summary>Mean and variance of a reading not yet taken, at four neighbouring sizes.</summary>
internal readonly record struct Predicted(Lanes Mean, Lanes Variance);

/// <summary>Log-likelihood without one instrument, of which there are so many readings.</summary>
internal sealed record WithoutInstrument(int What, int Readings, double[][] Log);

/// <summary>Log-likelihood of the steady readings by effect and softness, then severity; of all, and without each instrument.</summary>
internal sealed record SteadyLikelihood(double[][] All, WithoutInstrument[] Without)
{
    /// <summary>Reads the rows of an effect from those of its kind, straight between neighbouring severities.</summary>
    internal void Stretch(int from, int to, int rows, ReadOnlySpan<double> along)
    {
        foreach (var table in Without.Select(w => w.Log).Prepend(All))
        {
            for (var r = 0; r < rows; r++)
            {
                var (source, row) = (table[from + r], table[to + r]);
                for (var s = 0; s < row.Length; s++)
                {
                    var x = Math.Clamp((along[s] * source.Length) - 0.5, 0, source.Length - 1);
                    var i = Math.Min((int)x, source.Length - 2);
                    row[s] = source[i] + ((x - i) * (source[i + 1] - source[i]));
                }
            }
        }
    }

    /// <summary>Copies what does not depend on softness or severity to where it would stand.</summary>
    internal void Repeat(int firstRow, int rows, int solvedRows, int solvedSeverities)
    {
        foreach (var table in Without.Select(w => w.Log).Prepend(All))
        {
            for (var r = 0; r < rows; r++)
            {
                var source = table[firstRow + Math.Min(r, solvedRows - 1)];
                if (solvedSeverities == 1)
                    Array.Fill(source, source[0]);
                if (r >= solvedRows)
                    source.CopyTo(table[firstRow + r], 0);
            }
        }
    }
}
