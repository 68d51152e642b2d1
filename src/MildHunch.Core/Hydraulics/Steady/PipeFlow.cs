using MildHunch.Core.Fluids;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;

namespace MildHunch.Core.Hydraulics.Steady;

/// <summary>Friction in hoses and pipes (docs/trade.md, Lines): Darcy-Weisbach with Colebrook's factor, laminar below Re 2300.</summary>
internal static class PipeFlow
{
    private const double LaminarUpTo = 2300;
    private const double TurbulentFrom = 4000;

    /// <summary>Darcy friction factor. Between Re 2300 and 4000 nothing is certain: laminar and turbulent are blended.</summary>
    /// <param name="reynolds">v·D/ν, above 0.</param>
    /// <param name="relativeRoughness">ε/D, 0 to 0.05.</param>
    public static double FrictionFactor(double reynolds, double relativeRoughness)
    {
        if (reynolds <= LaminarUpTo)
            return 64 / Math.Max(reynolds, 1e-9);
        if (reynolds >= TurbulentFrom)
            return Colebrook(reynolds, relativeRoughness);
        var share = (reynolds - LaminarUpTo) / (TurbulentFrom - LaminarUpTo);
        return ((1 - share) * 64 / LaminarUpTo) + (share * Colebrook(TurbulentFrom, relativeRoughness));
    }

    /// <summary>Loss of a run over the square of the flow, Pa/(m³/s)², at this flow: Δp = R·Q².</summary>
    public static double Resistance(LineRun run, Liquid liquid, Temperature temperature, double flow) =>
        Resistance(run, liquid.Density(temperature).Si, liquid.Viscosity(temperature), flow);

    /// <summary>The same with density (kg/m³) and dynamic viscosity (Pa·s) in hand.</summary>
    public static double Resistance(LineRun run, double density, double viscosity, double flow)
    {
        var area = Math.PI / 4 * run.Bore.Si * run.Bore.Si;
        var velocity = Math.Max(Math.Abs(flow), 1e-9) / area;
        var factor = FrictionFactor(density * velocity * run.Bore.Si / viscosity, run.Roughness.Si / run.Bore.Si);
        return ((factor * run.Length.Si / run.Bore.Si) + run.FittingLoss) * density / (2 * area * area);
    }

    /// <summary>Inertance ρL/A of a run, Pa·s²/m³.</summary>
    public static double Inertance(LineRun run, double density) => density * run.Length.Si / (Math.PI / 4 * run.Bore.Si * run.Bore.Si);

    // Newton on 1/√f + 2·log10(ε/3.7 + 2.51/(Re√f)) = 0 from the explicit start of Swamee and Jain.
    private static double Colebrook(double reynolds, double roughness)
    {
        var start = Math.Log10((roughness / 3.7) + (5.74 / Math.Pow(reynolds, 0.9)));
        var x = -2 * start;
        for (var i = 0; i < 8; i++)
        {
            var inside = (roughness / 3.7) + (2.51 * x / reynolds);
            var off = x + (2 * Math.Log10(inside));
            var slope = 1 + (2 * 2.51 / reynolds / (inside * Math.Log(10)));
            x -= off / slope;
            if (Math.Abs(off) < 1e-12)
                break;
        }

        return 1 / (x * x);
    }
}
