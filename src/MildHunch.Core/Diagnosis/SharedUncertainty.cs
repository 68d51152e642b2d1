namespace MildHunch.Core.Diagnosis;

/// <summary>
/// Gaussian belief about the three things that move all readings alike (slip, speed, Kn; each in its own sigmas),
/// gathered from readings as precision A, pull b and misfit c. Integrating them out is closed form.
/// </summary>
public struct SharedUncertainty()
{
    private double a00 = 1;
    private double a11 = 1;
    private double a22 = 1;
    private double a01;
    private double a02;
    private double a12;
    private double b0;
    private double b1;
    private double b2;
    private double misfit;

    /// <summary>Takes in a reading with this residual, variance and sensitivities.</summary>
    public void Add(double residual, double variance, double j0, double j1, double j2)
    {
        var w = 1 / variance;
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
    }

    /// <summary>−½·ln det A − ½·(c − bᵀA⁻¹b): the log of the integral, less the readings' own norms.</summary>
    public readonly double LogIntegral()
    {
        Solve(b0, b1, b2, out var x0, out var x1, out var x2, out var determinant);
        return -0.5 * (Math.Log(determinant) + misfit - (b0 * x0) - (b1 * x1) - (b2 * x2));
    }

    /// <summary>What these beliefs add to a prediction with these sensitivities: shift of its mean, and variance.</summary>
    public readonly (double Shift, double Variance) Predict(double j0, double j1, double j2)
    {
        Solve(b0, b1, b2, out var x0, out var x1, out var x2, out _);
        Solve(j0, j1, j2, out var y0, out var y1, out var y2, out _);
        return ((j0 * x0) + (j1 * x1) + (j2 * x2), (j0 * y0) + (j1 * y1) + (j2 * y2));
    }

    private readonly void Solve(double r0, double r1, double r2, out double x0, out double x1, out double x2, out double determinant)
    {
        // Cholesky of a 3 x 3 that is at least the unit matrix, so every root is real.
        var l00 = Math.Sqrt(a00);
        var l10 = a01 / l00;
        var l20 = a02 / l00;
        var l11 = Math.Sqrt(a11 - (l10 * l10));
        var l21 = (a12 - (l20 * l10)) / l11;
        var l22 = Math.Sqrt(a22 - (l20 * l20) - (l21 * l21));
        var y0 = r0 / l00;
        var y1 = (r1 - (l10 * y0)) / l11;
        var y2 = (r2 - (l20 * y0) - (l21 * y1)) / l22;
        x2 = y2 / l22;
        x1 = (y1 - (l21 * x2)) / l11;
        x0 = (y0 - (l10 * x1) - (l20 * x2)) / l00;
        var root = l00 * l11 * l22;
        determinant = root * root;
    }
}
