using MildHunch.Core.Fluids;
using MildHunch.Core.Hydraulics.Motion;
using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;

namespace MildHunch.Core.Simulation;

/// <summary>Every constant of a run, from pump, set-up, condition and where the steady model says it settles. SI throughout.</summary>
internal sealed class Plant
{
    // Drop over a sound valve at the fastest plunger (common practice, no source), and what it takes to lift it.
    private const double DischargeValveDropPa = 40e3;
    private const double UnloadedShare = 0.03;
    private const double LeastLineDropShare = 1e-4;

    public Plant(OperatingPointSolver solver, Condition condition)
    {
        var (pump, setup) = (solver.Pump, solver.Setup);
        Pump = pump;
        Setup = setup;
        Condition = condition;
        Line = OutletCompliance.Typical(setup);
        Steady = solver.Solve(condition, 1, 1, Line);
        SpeedHz = Steady.SpeedHz > 0 ? Steady.SpeedHz : solver.Setup.Speed.Si * condition.SpeedFactor;
        var believed = setup.Drive?.NoLoad.Si ?? setup.Speed.Si;
        OilDriven = pump.Arrangement == Arrangement.Intensifier;
        if (OilDriven)
            SpeedHz = believed * condition.SpeedFactor;
        Motion = PumpMotion.Of(pump, believed);
        Radius = pump.Stroke.Si / 2;
        PlungerArea = pump.PlungerArea.Si;
        Compressibility = Compressibility.Of(setup.Liquid, setup.Temperature, pump.RatedPressure.Si);
        Density = setup.Liquid.Density(setup.Temperature).Si;
        var warm = condition.WarmerK > 0
            ? Math.Min(setup.Temperature.In(Units.Celsius) + condition.WarmerK, setup.Liquid.RangeCelsius.Most)
            : setup.Temperature.In(Units.Celsius);
        VapourPa = setup.Liquid.VapourPressure(Quantity.From<Temperature>(warm, Units.Celsius)).Si - PhysicalConstants.StandardAirPa;
        GasShare = (1 - condition.FillFactor) / (1 + pump.Clearance);
        FullFlow = solver.HealthyFlow;

        var peak = PlungerArea * Radius * 2 * Math.PI * SpeedHz * Motion.PeakVelocity;
        InletValve = peak / Math.Sqrt(SuctionColumn.ValveDropPa);
        DischargeValve = peak / Math.Sqrt(DischargeValveDropPa);
        var leakUnit = PlungerArea * Radius * 2 * Math.PI * believed / Math.Sqrt(solver.HealthyPa);
        ForwardLeak = [.. Enumerable.Range(0, Motion.Chambers).Select(k => condition.ForwardLeak(k) * leakUnit)];
        ReturnLeak = [.. Enumerable.Range(0, Motion.Chambers).Select(k => condition.ReturnLeak(k) * leakUnit)];
        Filled = [.. Enumerable.Range(0, Motion.Chambers).Select(k => 1 - condition.Unfilled(k))];
        LeaksOutside = condition.Outside;

        var unit = FullFlow / Math.Sqrt(solver.HealthyPa);
        BypassLeak = condition.BypassShare * unit;
        OutsideLeak = condition.OutsideShare * unit;
        Crack = condition.CrackShare * unit;
        Nozzle = setup.Nozzle.Coefficient * condition.NozzleFactor;
        ProcessPa = setup.Nozzle.OpensAtPa;
        SettingPa = pump.Control == ControlKind.None
            ? double.PositiveInfinity
            : (setup.ControlSetting?.Si ?? double.PositiveInfinity) * condition.SettingFactor;
        ReliefPa = (setup.Relief?.Si ?? double.PositiveInfinity) * condition.ReliefFactor;
        OilLimitPa = setup.OilPressure is { } oil && pump.OilRatio > 0
            ? oil.Si * pump.OilRatio * (1 - ReciprocatingPump.IntensifierFriction)
            : double.PositiveInfinity;
        OpenBypass = FullFlow / Math.Sqrt(UnloadedShare * pump.RatedPressure.Si);

        HalfLine = Line / 2;
        var flow = Math.Max(Steady.NozzleFlow, 0.05 * FullFlow);
        var drop = Math.Max(Steady.PressurePa - Steady.GunPa, LeastLineDropShare * Math.Max(Steady.PressurePa, 1e5));
        LineConductance = flow / Math.Sqrt(drop);

        InletResistance = solver.InletLoss / (condition.InletCapacity * condition.InletCapacity);
        var level = setup.Inlet?.Level.Si ?? 0;
        SourcePa = setup.SupplyPressure.Si + (Density * PhysicalConstants.Gravity * level);
        Inertance = solver.Column.Inertance;
        InletVolume = solver.Column.Volume;
        InletCompliance = solver.Column.Compliance;
    }

    public ReciprocatingPump Pump { get; }

    public Setup Setup { get; }

    public Condition Condition { get; }

    public OperatingPoint Steady { get; }

    public PumpMotion Motion { get; }

    public Compressibility Compressibility { get; }

    public bool OilDriven { get; }

    public double SpeedHz { get; }

    public double Radius { get; }

    public double PlungerArea { get; }

    public double Density { get; }

    public double Line { get; }

    /// <summary>Vapour pressure, Pa gauge.</summary>
    public double VapourPa { get; }

    /// <summary>
    /// Share of what comes in that is gas. What stays in the clearance swells again, so each part of it costs 1 + c parts of the
    /// stroke.
    /// </summary>
    public double GasShare { get; }

    public double FullFlow { get; }

    public double InletValve { get; }

    public double DischargeValve { get; }

    public double[] ForwardLeak { get; }

    public double[] ReturnLeak { get; }

    public double[] Filled { get; }

    public int LeaksOutside { get; }

    public double BypassLeak { get; }

    public double OutsideLeak { get; }

    public double Crack { get; }

    public double Nozzle { get; }

    public double? ProcessPa { get; }

    public double SettingPa { get; }

    public double ReliefPa { get; }

    public double OilLimitPa { get; }

    public double OpenBypass { get; }

    public double HalfLine { get; }

    public double LineConductance { get; }

    public double InletResistance { get; }

    public double SourcePa { get; }

    public double Inertance { get; }

    public double InletVolume { get; }

    public double InletCompliance { get; }

    /// <summary>Liquid taken up by the dampener at a gauge pressure, and its slope.</summary>
    public double DampenerLiquid(double pressurePa, out double slope)
    {
        slope = 0;
        if (Setup.Dampener is not { } dampener || Condition.DampenerShare <= 0)
            return 0;
        var liquid = Condition.DampenerShare * dampener.TakenUp(Steady.PressurePa, pressurePa, out slope);
        slope *= Condition.DampenerShare;
        return liquid;
    }
}
