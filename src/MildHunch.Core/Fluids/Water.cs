using MildHunch.Core.Quantities;

namespace MildHunch.Core.Fluids;

/// <summary>Liquid water between 0.01 and 100 °C.</summary>
public static class Water
{
    /// <summary>Bulk modulus of water up to about 100 MPa, pascal (handbook 2, inlet).</summary>
    public const double BulkModulusPa = 2.2e9;

    // IAPWS R7-97(2012), table 34: the saturation equation of region 4.
    private static readonly double[] N =
    [
        0.11670521452767e4, -0.72421316703206e6, -0.17073846940092e2, 0.12020824702470e5, -0.32325550322333e7,
        0.14915108613530e2, -0.48232657361591e4, 0.40511340542057e6, -0.23855557567849, 0.65017534844798e3,
    ];

    /// <summary>Vapour pressure, 273.15 to 647.096 K, by the saturation equation of IAPWS-IF97.</summary>
    public static AbsolutePressure VapourPressure(Temperature temperature)
    {
        var t = temperature.Si;
        if (t is not (>= 273.15 and <= 647.096))
            throw new ImpossibleInputException("temperature", temperature.Format(Units.Celsius), "liquid water, 0 to 374 °C");
        var theta = t + (N[8] / (t - N[9]));
        var a = (theta * theta) + (N[0] * theta) + N[1];
        var b = (N[2] * theta * theta) + (N[3] * theta) + N[4];
        var c = (N[5] * theta * theta) + (N[6] * theta) + N[7];
        var root = 2 * c / (-b + Math.Sqrt((b * b) - (4 * a * c)));
        return new AbsolutePressure(root * root * root * root * 1e6);
    }

    /// <summary>Density at atmospheric pressure, 0 to 100 °C (Kell 1975; coefficients from memory, checked against 4, 20 and 100 °C).</summary>
    public static Density Density(Temperature temperature)
    {
        var t = temperature.In(Units.Celsius);
        if (t is not (>= 0 and <= 100))
            throw new ImpossibleInputException("temperature", temperature.Format(Units.Celsius), "liquid water at atmospheric pressure, 0 to 100 °C");
        var sum = 999.83952 + (t * (16.945176 + (t * (-7.9870401e-3 + (t * (-46.170461e-6 + (t * (105.56302e-9 - (t * 280.54253e-12)))))))));
        return new Density(sum / (1 + (16.879850e-3 * t)));
    }
}
