using MildHunch.Core.Quantities;

namespace MildHunch.Core.Fluids;

/// <summary>Pure water by the releases of IAPWS: IF97 for density, bulk modulus and vapour pressure, R12-08 for viscosity.</summary>
public static class Water
{
    private const double GasConstant = 461.526;
    private const double CriticalDensity = 322;
    private const double CriticalK = 647.096;

    // IAPWS R7-97(2012), table 2: the equation of region 1, liquid water up to 350 °C and 100 MPa.
    private static readonly (int I, int J, double N)[] RegionOne =
    [
        (0, -2, 0.14632971213167), (0, -1, -0.84548187169114), (0, 0, -0.37563603672040e1), (0, 1, 0.33855169168385e1),
        (0, 2, -0.95791963387872), (0, 3, 0.15772038513228), (0, 4, -0.16616417199501e-1), (0, 5, 0.81214629983568e-3),
        (1, -9, 0.28319080123804e-3), (1, -7, -0.60706301565874e-3), (1, -1, -0.18990068218419e-1), (1, 0, -0.32529748770505e-1),
        (1, 1, -0.21841717175414e-1), (1, 3, -0.52838357969930e-4), (2, -3, -0.47184321073267e-3), (2, 0, -0.30001780793026e-3),
        (2, 1, 0.47661393906987e-4), (2, 3, -0.44141845330846e-5), (2, 17, -0.72694996297594e-15), (3, -4, -0.31679644845054e-4),
        (3, 0, -0.28270797985312e-5), (3, 6, -0.85205128120103e-9), (4, -5, -0.22425281908000e-5), (4, -2, -0.65171222895601e-6),
        (4, 10, -0.14341729937924e-12), (5, -8, -0.40516996860117e-6), (8, -11, -0.12734301741641e-8), (8, -6, -0.17424871230634e-9),
        (21, -29, -0.68762131295531e-18), (23, -31, 0.14478307828521e-19), (29, -38, 0.26335781662795e-22),
        (30, -39, -0.11947622640071e-22),
        (31, -40, 0.18228094581404e-23), (32, -41, -0.93537087292458e-25),
    ];

    // IAPWS R7-97(2012), table 34: the saturation equation of region 4.
    private static readonly double[] Saturation =
    [
        0.11670521452767e4, -0.72421316703206e6, -0.17073846940092e2, 0.12020824702470e5, -0.32325550322333e7,
        0.14915108613530e2, -0.48232657361591e4, 0.40511340542057e6, -0.23855557567849, 0.65017534844798e3,
    ];

    // IAPWS R12-08, table 2: coefficients H_ij of the finite-density part, by i (temperature) and j (density).
    private static readonly (int I, int J, double H)[] Viscous =
    [
        (0, 0, 5.20094e-1), (1, 0, 8.50895e-2), (2, 0, -1.08374), (3, 0, -2.89555e-1),
        (0, 1, 2.22531e-1), (1, 1, 9.99115e-1), (2, 1, 1.88797), (3, 1, 1.26613), (5, 1, 1.20573e-1),
        (0, 2, -2.81378e-1), (1, 2, -9.06851e-1), (2, 2, -7.72479e-1), (3, 2, -4.89837e-1), (4, 2, -2.57040e-1),
        (0, 3, 1.61913e-1), (1, 3, 2.57399e-1), (0, 4, -3.25372e-2), (3, 4, 6.98452e-2), (4, 5, 8.72102e-3),
        (3, 6, -4.35673e-3), (5, 6, -5.93264e-4),
    ];

    /// <summary>Vapour pressure, 273.15 to 647.096 K, by the saturation equation of IAPWS-IF97.</summary>
    public static AbsolutePressure VapourPressure(Temperature temperature)
    {
        var t = temperature.Si;
        if (t is not (>= 273.15 and <= CriticalK))
            throw new ImpossibleInputException("temperature", temperature.Format(Units.Celsius), "liquid water, 0 to 374 °C");
        var n = Saturation;
        var theta = t + (n[8] / (t - n[9]));
        var a = (theta * theta) + (n[0] * theta) + n[1];
        var b = (n[2] * theta * theta) + (n[3] * theta) + n[4];
        var c = (n[5] * theta * theta) + (n[6] * theta) + n[7];
        var root = 2 * c / (-b + Math.Sqrt((b * b) - (4 * a * c)));
        return new AbsolutePressure(root * root * root * root * 1e6);
    }

    /// <summary>Density at atmospheric pressure, 0 to 100 °C.</summary>
    /// <exception cref="ImpossibleInputException">A temperature outside the range of the formula.</exception>
    public static Density Density(Temperature temperature)
    {
        if (temperature.In(Units.Celsius) is not (>= 0 and <= 100))
            throw new ImpossibleInputException(
                "temperature", temperature.Format(Units.Celsius), "liquid water at atmospheric pressure, 0 to 100 °C");
        return Density(temperature, new AbsolutePressure(PhysicalConstants.StandardAirPa));
    }

    /// <summary>Density of liquid water, region 1 of IF97: 0 to 350 °C, up to 100 MPa.</summary>
    public static Density Density(Temperature temperature, AbsolutePressure pressure)
    {
        var (first, _) = PressureDerivatives(temperature, pressure);
        return new Density(pressure.Si / (Reduced(pressure) * first * GasConstant * temperature.Si));
    }

    /// <summary>Isothermal bulk modulus, pascal, region 1 of IF97.</summary>
    public static double BulkModulus(Temperature temperature, AbsolutePressure pressure)
    {
        // v = RT·γ_π / p*, so −v / (∂v/∂p) = −p*·γ_π / γ_ππ.
        var (first, second) = PressureDerivatives(temperature, pressure);
        return -16.53e6 * first / second;
    }

    /// <summary>Dynamic viscosity, Pa·s, by IAPWS R12-08 without its critical enhancement (nil away from the critical point).</summary>
    public static double Viscosity(Temperature temperature, Density density)
    {
        var t = temperature.Si / CriticalK;
        var r = density.Si / CriticalDensity;
        var dilute = 100 * Math.Sqrt(t) / (1.67752 + (2.20462 / t) + (0.6366564 / (t * t)) - (0.241605 / (t * t * t)));
        var sum = 0.0;
        foreach (var (i, j, h) in Viscous)
            sum += h * Math.Pow((1 / t) - 1, i) * Math.Pow(r - 1, j);
        return dilute * Math.Exp(r * sum) * 1e-6;
    }

    private static double Reduced(AbsolutePressure pressure) => pressure.Si / 16.53e6;

    private static (double First, double Second) PressureDerivatives(Temperature temperature, AbsolutePressure pressure)
    {
        if (temperature.Si is not (>= 273.15 and <= 623.15))
            throw new ImpossibleInputException("temperature", temperature.Format(Units.Celsius), "liquid water, 0 to 350 °C");
        if (pressure.Si is not (> 0 and <= 1e8))
            throw new ImpossibleInputException(
                "pressure", pressure.Format(Units.Preferred(QuantityKind.AbsolutePressure)), "liquid water up to 1000 bar");
        var x = 7.1 - Reduced(pressure);
        var y = (1386 / temperature.Si) - 1.222;
        double first = 0, second = 0;
        foreach (var (i, j, n) in RegionOne)
        {
            if (i == 0)
                continue;
            var power = n * Math.Pow(x, i - 1) * Math.Pow(y, j);
            first -= i * power;
            if (i > 1)
                second += i * (i - 1) * power / x;
        }

        return (first, second);
    }
}
