using MildHunch.Core.Hydraulics.Motion;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;

namespace MildHunch.Core.Hydraulics.Steady;

/// <summary>
/// The inlet side (docs/trade.md, Inlet): what is left at the pump above the vapour pressure, in metres of the liquid.
/// NPSHa = (p_abs source − p_v)/ρg + level − friction − acceleration head.
/// </summary>
public static class Suction
{

    // Form of the Hydraulic Institute (memory; docs/trade.md, Inlet); entries for 1, 4 and 6 cylinders recomputed there at λ = 0.2.
    private static readonly double[] SingleActing = [0.400, 0.200, 0.066, 0.083, 0.040, 0.055, 0.028];
    private const double SimplexDoubleActing = 0.200;
    private const double DuplexDoubleActing = 0.115;
    private const double AxialTriplex = 0.055;

    /// <summary>C of the acceleration head for this arrangement.</summary>
    public static double AccelerationConstant(ReciprocatingPump pump) => pump switch
    {
        { RodDiameter: not null, Cylinders: 1 } => SimplexDoubleActing,
        { RodDiameter: not null, Cylinders: 2 } => DuplexDoubleActing,
        { Arrangement: Arrangement.Axial, Cylinders: 3 } => AxialTriplex,
        _ => SingleActing[pump.Cylinders - 1],
    };

    /// <summary>
    /// h = L·V·N·C/(K·g) in rigid pipe; in a soft one no more than the pressure wave carries, c·δ·V/g with δ the below-mean
    /// share of the flow. Metres; length m, velocity m/s, speed revolutions a second.
    /// </summary>
    public static double AccelerationHead(
        double length, double velocity, double speedHz, double constant, double divisor, double waveSpeed, double belowMean) =>
        Math.Min(
            length * velocity * speedHz * 60 * constant / (divisor * PhysicalConstants.Gravity),
            waveSpeed * belowMean * velocity / PhysicalConstants.Gravity);

    /// <summary>
    /// Required head where the maker's is not known: 1 m at rest and 1.5 m more at the rated speed (common practice, no source).
    /// </summary>
    public static double RequiredHead(ReciprocatingPump pump, double speedHz) =>
        pump.RequiredHead?.Si ?? 1 + (1.5 * Math.Pow(speedHz / pump.RatedSpeed.Si, 2));

    /// <summary>Vapour pressure of a supply so much warmer than believed, Pa; held at the end of the liquid's range.</summary>
    public static double VapourPa(Setup setup, double warmerK)
    {
        var celsius = Math.Min(setup.Temperature.In(Units.Celsius) + warmerK, setup.Liquid.RangeCelsius.Most);
        return setup.Liquid.VapourPressure(Quantity.From<Temperature>(celsius, Units.Celsius)).Si;
    }

    /// <summary>
    /// The terms of NPSHa at a mean flow (m³/s) and speed, of a sound inlet or of one that is restricted or fed too warm. Where
    /// no run was given, friction is that of an ordinary inlet.
    /// </summary>
    public static SuctionHead Of(
        ReciprocatingPump pump, Setup setup, in Condition state, double flow, double speedHz, double ordinaryLossPa)
    {
        var narrower = 1 / (state.InletCapacity * state.InletCapacity);
        var density = setup.Liquid.Density(setup.Temperature).Si;
        var weight = density * PhysicalConstants.Gravity;
        var atSource = (setup.SupplyPressure.Si + AbsolutePressure.StandardAir.Si - VapourPa(setup, state.WarmerK)) / weight;
        var required = RequiredHead(pump, speedHz);
        if (setup.Inlet is not { } inlet)
            return new SuctionHead(atSource, 0, narrower * ordinaryLossPa / weight, 0, required, 0);
        var area = Math.PI / 4 * inlet.Run.Bore.Si * inlet.Run.Bore.Si;
        var velocity = flow / area;
        var friction = narrower
            * (PipeFlow.Resistance(inlet.Run, setup.Liquid, setup.Temperature, flow) + (inlet.Strainer * density / (2 * area * area)))
            * flow * flow / weight;
        var below = FlowRipple.Of(PumpMotion.Of(pump, speedHz)).BelowMean;
        var acceleration = AccelerationHead(
            inlet.Run.Length.Si, velocity, speedHz, AccelerationConstant(pump), setup.Liquid.AccelerationDivisor, inlet.Run.WaveSpeed,
            below);
        return new SuctionHead(atSource, inlet.Level.Si, friction, acceleration, required, velocity);
    }
}

/// <summary>What stands at the inlet, metres of the liquid; velocity m/s in the suction run, 0 when it was not given.</summary>
public readonly record struct SuctionHead(
    double Source, double Level, double Friction, double Acceleration, double Required, double Velocity)
{
    /// <summary>NPSHa, m.</summary>
    public double Available => Source + Level - Friction - Acceleration;

    /// <summary>What is available over what is required, m; below 0 it cavitates.</summary>
    public double Margin => Available - Required;
}
