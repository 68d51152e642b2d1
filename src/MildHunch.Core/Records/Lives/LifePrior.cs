using MildHunch.Core.Faults;

namespace MildHunch.Core.Records.Lives;

/// <summary>
/// What the catalogue knows of a part’s life before the shop’s own record speaks: normal in ln shape and in ln B10, as wide as
/// makers’ and users’ figures differ (common practice, no source).
/// </summary>
/// <param name="Wear">Shape and B10 life of the catalogue.</param>
public sealed record LifePrior(Wear Wear)
{
    /// <summary>One sigma of ln shape: shapes 1.5 to 2.7 are plausible beside 2.</summary>
    public const double ShapeSigma = 0.3;

    /// <summary>One sigma of ln B10: half to nearly twice the catalogue’s life is plausible.</summary>
    public const double LifeSigma = 0.6;

    /// <summary>Failures that it is worth where a band is drawn.</summary>
    public const int Worth = 5;

    // H(B10) = −ln 0.9.
    private static readonly double AtTenth = Math.Log(-Math.Log(0.9));

    /// <summary>Parts that the catalogue knows a life of, by the kind of part: “hp-seal”.</summary>
    public static IReadOnlyDictionary<string, Wear> Known(Catalogue catalogue) => catalogue.Faults.Where(f => f.Wear is not null)
        .DistinctBy(f => f.Wearing).ToDictionary(f => f.Wearing!, f => f.Wear!);

    /// <summary>Its log density but for a constant; w = ln scale^−shape.</summary>
    internal double Log(double shape, double w)
    {
        var z = Math.Log(shape / Wear.Shape) / ShapeSigma;
        var l = Off(shape, w) / LifeSigma;
        return -0.5 * ((z * z) + (l * l));
    }

    /// <summary>Where it is densest at one shape.</summary>
    internal double LogRate(double shape) => AtTenth - (shape * Math.Log(Wear.B10Hours));

    internal double Slope(double shape, double w) => Off(shape, w) / (LifeSigma * LifeSigma * shape);

    internal static double Bend(double shape) => -1 / (LifeSigma * LifeSigma * shape * shape);

    private double Off(double shape, double w) => ((AtTenth - w) / shape) - Math.Log(Wear.B10Hours);
}
