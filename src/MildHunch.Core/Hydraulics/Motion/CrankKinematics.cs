namespace MildHunch.Core.Hydraulics.Motion;

/// <summary>
/// Plunger motion of a crank drive (docs/trade.md, Motion). θ = 0 at the crank-side dead centre, where the discharge
/// stroke starts; λ = crank radius / rod length.
/// </summary>
public static class CrankKinematics
{
    /// <summary>Advance of the plunger as a share of the crank radius, 0 to 2.</summary>
    public static double Advance(double theta, double lambda)
    {
        if (lambda == 0)
            return 1 - Math.Cos(theta);
        var s = lambda * Math.Sin(theta);
        return 1 - Math.Cos(theta) - ((1 - Math.Sqrt(1 - (s * s))) / lambda);
    }

    /// <summary>Velocity of the plunger over rω; positive on the discharge stroke, its peak after 90°.</summary>
    public static double Velocity(double theta, double lambda)
    {
        var (sin, cos) = Math.SinCos(theta);
        return sin - (lambda * sin * cos / Math.Sqrt(1 - (lambda * lambda * sin * sin)));
    }
}
