using System.Runtime.Intrinsics;
using Lanes = System.Runtime.Intrinsics.Vector256<double>;

namespace MildHunch.Core.Diagnosis.Likelihood;

/// <summary>
/// Gaussian belief about the three things that move all readings alike (slip, speed, Kn; each in its own sigmas, unit
/// prior), gathered from readings as precision A, pull b, misfit c and norm. Integrating them out is closed form, and
/// beliefs from different readings simply add. Four neighbouring severities are carried at once.
/// </summary>
internal struct SharedUncertainty
{
    private const double Rounding = 1e-11;
    private Lanes a00;
    private Lanes a11;
    private Lanes a22;
    private Lanes a01;
    private Lanes a02;
    private Lanes a12;
    private Lanes b0;
    private Lanes b1;
    private Lanes b2;
    private Lanes misfit;
    private Lanes logNorm;

    /// <summary>Takes in a reading with this residual, variance and sensitivities.</summary>
    public void Add(Lanes residual, Lanes variance, Lanes j0, Lanes j1, Lanes j2)
    {
        var w = Lanes.One / variance;
        a00 += w * j0 * j0;
        a11 += w * j1 * j1;
        a22 += w * j2 * j2;
        a01 += w * j0 * j1;
        a02 += w * j0 * j2;
        a12 += w * j1 * j2;
        b0 += w * j0 * residual;
        b1 += w * j1 * residual;
        b2 += w * j2 * residual;
        misfit += w * residual * residual;
        logNorm -= 0.5 * Vector256.Log(2 * Math.PI * variance);
    }

    /// <summary>Takes in everything another belief was gathered from.</summary>
    public void Add(in SharedUncertainty other)
    {
        a00 += other.a00;
        a11 += other.a11;
        a22 += other.a22;
        a01 += other.a01;
        a02 += other.a02;
        a12 += other.a12;
        b0 += other.b0;
        b1 += other.b1;
        b2 += other.b2;
        misfit += other.misfit;
        logNorm += other.logNorm;
    }

    /// <summary>Multiplies the likelihood by a constant.</summary>
    public void Scale(double logFactor) => logNorm += Vector256.Create(logFactor);

    /// <summary>Likelihood of all readings taken in, as exponent and determinant: exp(exponent)/√determinant.</summary>
    public readonly (Lanes Exponent, Lanes Determinant) Likelihood()
    {
        Adjugate(b0, b1, b2, out var x0, out var x1, out var x2, out var determinant);

        // What is left of the misfit cannot be less than what rounding makes of it.
        var left = Vector256.Max(Rounding * misfit, misfit - (((b0 * x0) + (b1 * x1) + (b2 * x2)) / determinant));
        return (logNorm - (0.5 * left), determinant);
    }

    /// <summary>What these beliefs add to a prediction with these sensitivities: shift of its mean, and variance.</summary>
    public readonly (Lanes Shift, Lanes Variance) Predict(Lanes j0, Lanes j1, Lanes j2)
    {
        Adjugate(j0, j1, j2, out var y0, out var y1, out var y2, out var determinant);
        return (((b0 * y0) + (b1 * y1) + (b2 * y2)) / determinant, ((j0 * y0) + (j1 * y1) + (j2 * y2)) / determinant);
    }

    // adj(I + A)·r and det(I + A); the matrix is at least the unit matrix, so the determinant is at least 1.
    private readonly void Adjugate(Lanes r0, Lanes r1, Lanes r2, out Lanes x0, out Lanes x1, out Lanes x2, out Lanes determinant)
    {
        var d0 = Lanes.One + a00;
        var d1 = Lanes.One + a11;
        var d2 = Lanes.One + a22;
        var c00 = (d1 * d2) - (a12 * a12);
        var c01 = (a02 * a12) - (a01 * d2);
        var c02 = (a01 * a12) - (a02 * d1);
        var c11 = (d0 * d2) - (a02 * a02);
        var c12 = (a01 * a02) - (d0 * a12);
        var c22 = (d0 * d1) - (a01 * a01);
        determinant = Vector256.Max(Lanes.One, (d0 * c00) + (a01 * c01) + (a02 * c02));
        x0 = (c00 * r0) + (c01 * r1) + (c02 * r2);
        x1 = (c01 * r0) + (c11 * r1) + (c12 * r2);
        x2 = (c02 * r0) + (c12 * r1) + (c22 * r2);
    }
}
