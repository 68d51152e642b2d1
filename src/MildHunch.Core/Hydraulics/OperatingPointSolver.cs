using MildHunch.Core.Fluids;
using MildHunch.Core.Pumps;

namespace MildHunch.Core.Hydraulics;

/// <summary>
/// One balance for a pump in a given condition: Σ q_k(p) = Kn√(p/F) + bypass(p). Delivery falls and outflow rises with
/// pressure, so there is one root; it is bracketed and always found. Allocates nothing.
/// </summary>
public sealed class OperatingPointSolver
{
    /// <summary>Band over which an unloader goes from shut to full bypass, 2 to 5 % of its setting (handbook 2).</summary>
    public const double ControlBand = 0.03;

    private const double AirPa = 101_325;
    private const int MostRounds = 40;
    private const int SecantRounds = 12;
    private const double CloseFactor = 1e-4;
    private const double MostFactor = 20;
    private readonly int cylinders;
    private readonly double sweptM3;
    private readonly double believedSpeedHz;
    private readonly double believedNozzle;
    private readonly double settingPa;
    private readonly double sourcePa;
    private readonly double vapourPa;
    private readonly double highestPa;
    private readonly CycleTable forward;
    private readonly CycleTable back;

    public OperatingPointSolver(CrankPump pump, Setup setup)
    {
        Pump = pump;
        Setup = setup;
        cylinders = pump.Cylinders;
        sweptM3 = pump.SweptVolume.Si;
        believedSpeedHz = setup.Speed.Si;
        believedNozzle = setup.Nozzle.Coefficient;
        settingPa = pump.Control is ControlKind.None ? double.PositiveInfinity : setup.ControlSetting?.Si ?? double.PositiveInfinity;
        sourcePa = setup.SupplyPressure.Si + AirPa;
        vapourPa = Water.VapourPressure(setup.Temperature).Si;
        highestPa = 40 * Math.Max(pump.RatedPressure.Si, 1e6);
        forward = CycleTable.For(cylinders, pump.RodRatio, LeakStroke.Forward);
        back = CycleTable.For(cylinders, pump.RodRatio, LeakStroke.Return);
        HealthyPa = Math.Max(1e4, Solve(new Condition(), 1, 1, TypicalCompliance).PressurePa);
    }

    /// <summary>Compliance of a few metres of hose, m³/Pa: the middle of the range over which it is integrated when unknown.</summary>
    public static double TypicalCompliance => 1e-12;

    public CrankPump Pump { get; }

    public Setup Setup { get; }

    /// <summary>Mean pressure of the sound pump as set up, Pa: what leak sizes are referred to.</summary>
    public double HealthyPa { get; }

    /// <summary>
    /// The operating point. <paramref name="deliveryScale"/> and <paramref name="nozzleScale"/> carry what is uncertain in
    /// every reading alike (slip and speed; Kn), <paramref name="complianceM3Pa"/> the softness of the outlet. A point
    /// solved nearby may be given to start from; it changes the time, not the answer.
    /// </summary>
    public OperatingPoint Solve(in Condition c, double deliveryScale, double nozzleScale, double complianceM3Pa, in OperatingPoint near = default)
    {
        var speed = believedSpeedHz * c.SpeedFactor;
        var theoretical = cylinders * sweptM3 * speed;
        var setting = settingPa * c.SettingFactor;
        var leakScale = HealthyPa > 0 ? believedSpeedHz / (Math.Sqrt(HealthyPa) * speed) : 0;
        var balance = new Balance
        {
            Cylinders = cylinders,
            Theoretical = theoretical,
            Scale = c.FillFactor * deliveryScale,
            Cavitation = c.InletCapacity * cylinders * sweptM3 * believedSpeedHz,
            ForwardUnit = c.ForwardLeak * leakScale,
            BackUnit = c.ReturnLeak * leakScale,
            Nozzle = believedNozzle * c.NozzleFactor * nozzleScale,
            Bypass = c.BypassShare > 0 ? c.BypassShare * cylinders * sweptM3 * believedSpeedHz / Math.Sqrt(HealthyPa) : 0,
            Setting = setting,
            ControlGain = double.IsFinite(setting) ? theoretical / (ControlBand * setting) : 0,
        };
        var omega = 2 * Math.PI * speed;

        // One or two cylinders, leaking into a stiff line, can settle in more than one way: those always start from the same place.
        var warm = near.MeanFactor > 0 && cylinders > 2;
        var mean = warm ? near.MeanFactor : 1.0;
        var pressure = warm ? near.PressurePa : 0;
        double before = 0, offBefore = 0, least = 1, most = MostFactor;
        var shape = new CycleShape(1, 0);
        for (var round = 0; round < MostRounds; round++)
        {
            balance.FreeFactor = mean;
            pressure = Root(balance, pressure);
            var through = Math.Max(balance.Delivered(pressure), 1e-12);
            var outlet = balance.Nozzle + balance.Bypass;
            var level = through / outlet;
            var kappa = omega * complianceM3Pa * level * level / through;
            var rootP = Math.Sqrt(pressure);
            shape = balance.BackUnit > balance.ForwardUnit
                ? back.At(balance.BackUnit * rootP, kappa)
                : forward.At(balance.ForwardUnit * rootP, kappa);

            if (Math.Abs(shape.MeanFactor - mean) < CloseFactor)
                break;

            // Few and leaky cylinders on a stiff line overshoot, so from the second round on by secant; inside what is known
            // to hold the answer, halving it when the secant leaves it or goes round in circles.
            var off = shape.MeanFactor - mean;
            if (off > 0)
                least = mean;
            else
                most = mean;
            var slope = round == 0 || mean == before ? 0 : (off - offBefore) / (mean - before);
            var next = slope < -0.05 ? mean - (off / slope) : shape.MeanFactor;
            (before, offBefore) = (mean, off);
            mean = next > least && next < most && round < SecantRounds ? next : (least + most) / 2;
        }

        var flow = balance.Delivered(pressure);
        var nozzleFlow = balance.Nozzle * Math.Sqrt(pressure / balance.FactorAt(pressure));
        var displaced = theoretical * Delivery.VolumetricEfficiency(pressure) * deliveryScale;
        var forwardLost = displaced / cylinders * Delivery.LostShare(balance.ForwardUnit * Math.Sqrt(pressure));
        var outside = c.ForwardLeakOutside ? Math.Min(forwardLost, displaced / cylinders) : 0;
        var drawn = flow + outside;
        var swing = shape.Swing * pressure / Math.Max(shape.MeanFactor, 1);
        if (pressure > setting)
            swing = Math.Min(swing, 2 * ControlBand * setting);
        var inletLoss = (sourcePa - vapourPa) * drawn * drawn / (balance.Cavitation * balance.Cavitation);
        return new OperatingPoint
        {
            PressurePa = pressure,
            SwingPa = swing + (c.ExtraSwing * pressure),
            NozzleFlow = nozzleFlow,
            BypassFlow = flow - nozzleFlow > 1e-6 * flow ? flow - nozzleFlow : 0,
            SupplyFlow = drawn,
            OutsideFlow = outside,
            SpeedHz = speed,
            InletPa = sourcePa - inletLoss - AirPa,
            DisplacedFlow = displaced,
            MeanFactor = balance.FreeFactor,
            NozzleCoefficient = balance.Nozzle,
        };
    }

    // Illinois variant of regula falsi: keeps its bracket, so it cannot fail, and converges in a handful of steps.
    private double Root(in Balance balance, double guess)
    {
        var close = 1e-8 * balance.Excess(0);
        if (close <= 0)
            return 0;
        var width = guess > 0 ? 0.02 : 0.3;
        var low = guess > 0 ? guess * (1 - width) : 0;
        var high = guess > 0 ? guess * (1 + width) : Math.Max(HealthyPa, 1e5) * 1.2;
        var atLow = balance.Excess(low);
        var atHigh = balance.Excess(high);
        while (atLow <= 0 && low > 0)
        {
            (high, atHigh) = (low, atLow);
            width *= 3;
            low = width < 1 ? guess * (1 - width) : 0;
            atLow = balance.Excess(low);
        }

        while (atHigh > 0 && high < highestPa)
        {
            (low, atLow) = (high, atHigh);
            width *= 3;
            high *= 1 + Math.Min(width, 1);
            atHigh = balance.Excess(high);
        }

        if (atHigh > 0)
            return high;
        var p = high;
        for (var i = 0; i < 80; i++)
        {
            p = ((low * atHigh) - (high * atLow)) / (atHigh - atLow);
            var at = balance.Excess(p);
            if (Math.Abs(at) < close || high - low < 1e-7 * high)
                break;
            if (at > 0)
            {
                low = p;
                atLow = at;
                atHigh *= 0.5;
            }
            else
            {
                high = p;
                atHigh = at;
                atLow *= 0.5;
            }
        }

        return p;
    }

    /// <summary>What flows in and out at a pressure.</summary>
    private struct Balance
    {
        public int Cylinders;
        public double Theoretical;
        public double Scale;
        public double Cavitation;
        public double ForwardUnit;
        public double BackUnit;
        public double Nozzle;
        public double Bypass;
        public double Setting;
        public double ControlGain;
        public double FreeFactor;

        public readonly double Delivered(double p)
        {
            var full = Math.Min(Theoretical * Delivery.VolumetricEfficiency(p) * Scale, Cavitation);
            var root = Math.Sqrt(p);
            var lost = Delivery.LostShare(ForwardUnit * root) + Delivery.LostShare(BackUnit * root);
            return full * (1 - (Math.Min(1, lost) / Cylinders));
        }

        // Held by its control the pressure no longer follows the nozzle's ripple: over the first part of the band F goes to 1.
        public readonly double FactorAt(double p) =>
            p <= Setting ? FreeFactor : FreeFactor + ((1 - FreeFactor) * Math.Min(1, (p - Setting) / (0.3 * ControlBand * Setting)));

        public readonly double Excess(double p) =>
            Delivered(p) - (Nozzle * Math.Sqrt(p / FactorAt(p))) - (Bypass * Math.Sqrt(p)) - (p > Setting ? ControlGain * (p - Setting) : 0);
    }
}
