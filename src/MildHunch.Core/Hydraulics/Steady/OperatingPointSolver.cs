using MildHunch.Core.Fluids;
using MildHunch.Core.Hydraulics.Cycle;
using MildHunch.Core.Hydraulics.Motion;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;

namespace MildHunch.Core.Hydraulics.Steady;

/// <summary>
/// One balance for a pump in a given condition: Σ q_k(p) = nozzle + bypass + outside. Delivery falls and outflow rises with
/// pressure; the root is bracketed and always found.
/// </summary>
public sealed partial class OperatingPointSolver : IPumpModel
{
    /// <summary>Band over which a control goes from shut to full bypass, 2 to 5 % of its setting (docs/trade.md, Controls).</summary>
    public const double ControlBand = 0.03;

    /// <summary>Band of a plain relief valve (common practice, no source).</summary>
    public const double ReliefBand = 0.10;

    /// <summary>Flow at which a sound inlet that nobody measured would cavitate, over the theoretical flow (common practice).</summary>
    public const double OrdinaryInlet = 3;

    private const double UnloadedShare = 0.03;
    private const double InjectorLossShare = 0.10;
    private const int SecantRounds = 12;
    private const int DampenerRounds = 10;
    private const double SameSoftness = 0.1;
    private readonly PumpMotion motion;
    private readonly double volumeM3;
    private readonly double areaSum;
    private readonly double believedSpeedHz;
    private readonly Compressibility compressibility;
    private readonly double clearance;
    private readonly double slip;
    private readonly double density;
    private readonly double viscosity;
    private readonly double settingPa;
    private readonly double reliefPa;
    private readonly double oilLimitPa;
    private readonly double sourcePa;
    private readonly double vapourPa;
    private readonly double inletResistance;
    private readonly double highestPa;
    private readonly TurnTable turn;
    private readonly CycleTable? forward;
    private readonly CycleTable? back;

    /// <summary>
    /// Lays out what does not depend on the condition. Throws <see cref="ImpossibleInputException"/> for a set-up that cannot run.
    /// </summary>
    public OperatingPointSolver(ReciprocatingPump pump, Setup setup)
    {
        Pump = pump;
        Setup = setup;
        believedSpeedHz = setup.Drive?.NoLoad.Si ?? setup.Speed.Si;
        motion = PumpMotion.Of(pump, believedSpeedHz);
        volumeM3 = pump.Cylinders * pump.SweptVolume.Si;
        areaSum = pump.Cylinders * (1 + pump.RodSideShare);
        compressibility = Compressibility.Of(setup.Liquid, setup.Temperature, pump.RatedPressure.Si);
        clearance = pump.Clearance;
        slip = pump.Slip;
        density = setup.Liquid.Density(setup.Temperature).Si;
        viscosity = setup.Liquid.Viscosity(setup.Temperature);
        settingPa = pump.Control is ControlKind.None ? double.PositiveInfinity : setup.ControlSetting?.Si ?? double.PositiveInfinity;
        reliefPa = setup.Relief?.Si ?? double.PositiveInfinity;
        oilLimitPa = setup.OilPressure is { } oil && pump.OilRatio > 0
            ? oil.Si * pump.OilRatio * (1 - ReciprocatingPump.IntensifierFriction)
            : double.PositiveInfinity;
        vapourPa = setup.Liquid.VapourPressure(setup.Temperature).Si;
        sourcePa = setup.SupplyPressure.Si + PhysicalConstants.StandardAirPa
            + (density * PhysicalConstants.Gravity * (setup.Inlet?.Level.Si ?? 0));
        if (sourcePa <= vapourPa)
            throw new ImpossibleInputException(
                "level", setup.Inlet!.Level.Format(Units.Find(QuantityKind.Length, "m")!),
                $"a level from which {setup.Liquid.Name} of that temperature can still be lifted");
        inletResistance = InletResistance();
        Column = new SuctionColumn(pump, setup, motion, believedSpeedHz, inletResistance);
        highestPa = 40 * Math.Max(pump.RatedPressure.Si, 1e6);
        if (setup.State == ControlState.Bypassing && double.IsInfinity(Math.Min(settingPa, reliefPa))
            && pump.Control != ControlKind.Unloader && double.IsInfinity(oilLimitPa))
            throw new ImpossibleInputException(
                "state", "bypassing", "an outlet that stays open: this pump has no control or relief valve with a known setting to go to");
        turn = TurnTable.Of(motion);
        if (motion.Chambers > FewChambers)
            (forward, back) = (CycleTable.For(motion, LeakStroke.Forward), CycleTable.For(motion, LeakStroke.Return));
        var full = volumeM3 * believedSpeedHz;
        (HealthyPa, HealthyFlow) = (Math.Max(1e5, StartPa(full)), full);
        var sound = Solve(new Condition(), 1, 1, OutletCompliance.Typical(setup));
        (HealthyPa, HealthyFlow) = (Math.Max(1e4, sound.PressurePa), full);
    }

    /// <inheritdoc/>
    public ReciprocatingPump Pump { get; }

    /// <inheritdoc/>
    public Setup Setup { get; }

    /// <summary>Mean pressure of the sound pump as set up, Pa: what leak sizes are referred to.</summary>
    public double HealthyPa { get; private set; }

    /// <summary>Theoretical flow as believed, m³/s: what bypass and outside shares are referred to.</summary>
    public double HealthyFlow { get; private set; }

    /// <summary>The liquid between source and inlet valves.</summary>
    internal SuctionColumn Column { get; }

    /// <summary>Loss of the inlet over the square of the flow, Pa/(m³/s)².</summary>
    public double InletLoss => inletResistance;

    /// <summary>
    /// The operating point. <paramref name="deliveryScale"/> and <paramref name="nozzleScale"/> carry what is uncertain in
    /// every reading alike (slip and speed; Kn), <paramref name="complianceM3Pa"/> the softness of the line. A point
    /// solved nearby may be given to start from; it changes the time, not the answer.
    /// </summary>
    public OperatingPoint Solve(
        in Condition c, double deliveryScale, double nozzleScale, double complianceM3Pa, in OperatingPoint near = default)
    {
        if (Setup.State == ControlState.Bypassing && Pump.Control == ControlKind.AutoStop)
            return Standing();
        if (Setup.Dampener is not { } dampener || c.DampenerShare <= 0)
            return Solve(c, deliveryScale, nozzleScale, complianceM3Pa, 0, near);

        // A dampener is as soft as the swing that it leaves lets it be: from the sound pump's on, until the two agree.
        var soft = c.DampenerShare * dampener.ComplianceM3Pa(HealthyPa);
        var point = Solve(c, deliveryScale, nozzleScale, complianceM3Pa, soft, near);
        for (var round = 0; round < DampenerRounds; round++)
        {
            var now = c.DampenerShare * dampener.ComplianceM3Pa(point.PressurePa, point.SwingPa);
            if (Math.Abs(now - soft) < SameSoftness * (complianceM3Pa + soft))
                break;
            soft = now;
            point = Solve(c, deliveryScale, nozzleScale, complianceM3Pa, soft, point);
        }

        return point;
    }

    private OperatingPoint Solve(
        in Condition c, double deliveryScale, double nozzleScale, double complianceM3Pa, double dampenerM3Pa, in OperatingPoint near)
    {
        var balance = new Balance(this, c, deliveryScale, nozzleScale, complianceM3Pa + dampenerM3Pa);
        var warm = near.MeanFactor > 0;
        var pressure = warm ? near.PressurePa : HealthyPa;
        if (!balance.HasTable)
            return TurnPoint(ref balance, c, pressure);
        for (var round = 0; ; round++)
        {
            pressure = Root(balance, pressure);
            if (Setup.Outlet is null || round > 8 || !balance.UpdateLine(balance.At(pressure).Nozzle))
                break;
        }

        var at = balance.At(pressure);
        return PeaksTouch(balance, at, pressure) ? TurnPoint(ref balance, c, pressure) : Point(balance, c, pressure, at);
    }

    /// <summary>What the pump sends forward against a pressure, whatever the outlet; m³/s.</summary>
    public double DeliveredAt(in Condition c, double pressurePa) =>
        new Balance(this, c, 1, 1, OutletCompliance.Typical(Setup)).Driven(pressurePa).Delivered;

    private double StartPa(double flow)
    {
        var k = Setup.Nozzle.Coefficient;
        var free = Setup.Nozzle.OpensAtPa is { } opens ? opens + (flow / k) : flow / k * (flow / k);
        return Math.Min(free, Math.Min(Math.Min(settingPa, reliefPa), Math.Min(oilLimitPa, highestPa)));
    }

    private double InletResistance()
    {
        var flow = volumeM3 * believedSpeedHz;
        if (Setup.Inlet is not { } inlet)
            return (sourcePa - vapourPa) / Math.Pow(OrdinaryInlet * flow, 2);
        var area = Math.PI / 4 * inlet.Run.Bore.Si * inlet.Run.Bore.Si;
        var injector = Setup.Injector == InjectorPlace.Inlet ? 1.0 : 0;
        return PipeFlow.Resistance(inlet.Run, Setup.Liquid, Setup.Temperature, flow)
            + ((inlet.Strainer + injector) * density / (2 * area * area));
    }

    // Stopped by its own switch: nothing moves, the outlet holds what it had.
    private OperatingPoint Standing() => new()
    {
        PressurePa = double.IsFinite(settingPa) ? settingPa : HealthyPa,
        GunPa = double.IsFinite(settingPa) ? settingPa : HealthyPa,
        InletPa = sourcePa - PhysicalConstants.StandardAirPa,
        MeanFactor = 1,
        NozzleCoefficient = Setup.Nozzle.Coefficient,
    };

    // Secant on √p, in which the balance is nearly straight, inside a bracket that always holds the root: a step that leaves
    // it, or too many steps, fall back to halving, so it cannot fail.
    private double Root(in Balance balance, double guess)
    {
        var close = 1e-7 * balance.Size;
        double low = 0, high = Math.Sqrt(highestPa), before = 0, atBefore = 0;
        var x = Math.Clamp(Math.Sqrt(guess), 1, high);
        for (var i = 0; i < 100; i++)
        {
            var at = balance.Excess(x * x, out var steepness);
            if (Math.Abs(at) < close || high - low < 1e-9 * high)
                break;
            if (at > 0)
                low = x;
            else
                high = x;
            var slope = i == 0 ? -steepness : (at - atBefore) / (x - before);
            var next = slope < 0 ? x - (at / slope) : high;
            (before, atBefore) = (x, at);
            x = i < SecantRounds && next > low && next < high ? next : (low + high) / 2;
        }

        return x * x;
    }

    private OperatingPoint Point(in Balance balance, in Condition c, double pressure, in Flows at)
    {
        var swing = balance.ShapeOf(at).Swing * balance.Level(at.AtMean);
        if (pressure > balance.Setting)
            swing = Math.Min(swing, 2 * ControlBand * balance.Setting);
        var weep = c.Outside == 0 ? 0 : Math.Min(at.Lost, balance.LostOutside(at.LeakScale)) * at.Full;
        var power = c.Lame == 0 ? 0 : balance.LameWork(at.LeakScale) * at.Speed * pressure;
        return Point(balance, c, pressure, at, Math.Sqrt(pressure), swing, weep, power);
    }

    // Root: of the pressure, averaged over the turn where that is followed.
    private OperatingPoint Point(
        in Balance balance, in Condition c, double pressure, in Flows at, double root, double swing, double weep, double power)
    {
        var crack = balance.Crack * root;
        var outside = balance.Outside * root;
        var bypass = at.Delivered - at.Nozzle - outside - crack;
        var drawn = at.Delivered - crack + weep;
        return new OperatingPoint
        {
            PressurePa = pressure,
            SwingPa = Math.Min(swing, 3 * pressure) + (c.ExtraSwing * pressure),
            GunPa = Math.Max(0, pressure - balance.LineDrop(pressure, at.Nozzle)),
            NozzleFlow = at.Nozzle,
            BypassFlow = bypass > 1e-6 * at.Delivered ? bypass : 0,
            SupplyFlow = drawn,
            OutsideFlow = weep + outside + c.DripFlow,
            InnerFlow = Math.Max(0, (at.Lost * at.Full) - weep) + crack,
            LeakPower = ((crack + outside) * pressure) + power,
            SpeedHz = at.Speed,
            InletPa = sourcePa - (balance.InletResistance * drawn * drawn) - PhysicalConstants.StandardAirPa,
            DisplacedFlow = volumeM3 * at.Speed * (1 - (clearance * compressibility.At(pressure)) - slip) * balance.DeliveryScale,
            MeanFactor = at.Factor,
            NozzleCoefficient = balance.Nozzle,
            ComplianceM3Pa = balance.Compliance,
        };
    }
}
