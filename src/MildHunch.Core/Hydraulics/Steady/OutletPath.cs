using MildHunch.Core.Pumps;

namespace MildHunch.Core.Hydraulics.Steady;

/// <summary>
/// Everything that is always open at the outlet, for one condition: nozzle or process with the line before it, and the leaks
/// beside them. Orifices in m³/s per √Pa. Only the friction of the line changes, with the flow found.
/// </summary>
internal struct OutletPath
{
    private const double UnloadedShare = 0.03;
    private const double InjectorLossShare = 0.10;
    private const double CloseLine = 1e-4;
    private const double Shut = 1e-30;
    private readonly PumpAsSetUp plant;
    private readonly double fixedLine;
    private readonly double bypass;
    private double levelUnit;

    public OutletPath(PumpAsSetUp plant, SoundReference sound, in Condition condition, double nozzleScale)
    {
        this.plant = plant;
        var setup = plant.Setup;
        bypass = condition.BypassShare * sound.Orifice;
        Outside = condition.OutsideShare * sound.Orifice;
        Crack = condition.CrackShare * sound.Orifice;
        Nozzle = setup.Nozzle.Coefficient * condition.NozzleFactor * nozzleScale;
        IsProcess = setup.Nozzle.OpensAtPa is not null;
        OpensAtPa = setup.Nozzle.OpensAtPa ?? 0;
        if (setup.State == ControlState.Bypassing)
        {
            Nozzle = 0;
            if (plant.Pump.Control == ControlKind.Unloader)
                bypass += plant.FullFlow / Math.Sqrt(UnloadedShare * plant.Pump.RatedPressure.Si);
        }

        var lossShare = condition.LineLoss + (setup.Injector == InjectorPlace.Outlet ? InjectorLossShare : 0);
        fixedLine = lossShare > 0 ? lossShare * sound.PressurePa / (plant.FullFlow * plant.FullFlow) : 0;
        LineResistance = fixedLine;
        TakeLine();
    }

    /// <summary>Orifice of the nozzle; of a process its flow for each Pa above the pressure at which it starts.</summary>
    public double Nozzle { get; }

    /// <summary>True where it pumps into a process that starts at a pressure, not through a nozzle.</summary>
    public bool IsProcess { get; }

    public double OpensAtPa { get; }

    /// <summary>Orifice to the outside.</summary>
    public double Outside { get; }

    /// <summary>Orifice inside the head, from the high to the low side.</summary>
    public double Crack { get; }

    /// <summary>Loss between head and nozzle, Pa/(m³/s)².</summary>
    public double LineResistance { get; private set; }

    /// <summary>Nozzle and line in series, as seen from the head.</summary>
    public double EffectiveNozzle { get; private set; }

    /// <summary>All leaks beside the nozzle.</summary>
    public readonly double Beside => bypass + Outside + Crack;

    /// <summary>Everything that is always open.</summary>
    public readonly double Free => EffectiveNozzle + Beside;

    /// <summary>Friction of the outlet run at this flow; false once it no longer changes.</summary>
    public bool UpdateLine(double flow)
    {
        var now = fixedLine + PipeFlow.Resistance(plant.Setup.Outlet!, plant.Density, plant.Viscosity, flow);
        if (Math.Abs(now - LineResistance) < CloseLine * now)
            return false;
        LineResistance = now;
        TakeLine();
        return true;
    }

    /// <summary>
    /// Mean pressure of a steady flow of this size; for a process half of what it is above its own, which has the same slope.
    /// </summary>
    public readonly double LevelPa(double flow)
    {
        if (IsProcess)
            return flow / (2 * Math.Max(Nozzle, Shut));
        var level = flow * levelUnit;
        return Math.Min(level * level, 4 * plant.HighestPa);
    }

    /// <summary>What the process takes at this pressure: Q = K·(p − p0 − R·Q²), solved for Q.</summary>
    public readonly double ProcessFlow(double p)
    {
        var over = Nozzle * Math.Max(0, p - OpensAtPa);
        var loss = Nozzle * LineResistance;
        return over <= 0 ? 0 : 2 * over / (1 + Math.Sqrt(1 + (4 * loss * over)));
    }

    /// <summary>
    /// Lost on the way to the nozzle, Pa. Before an orifice it rises and falls with the pressure, so its mean is a share of that.
    /// </summary>
    public readonly double LineDropPa(double pressure, double flow) =>
        LineResistance * (IsProcess ? flow * flow : EffectiveNozzle * EffectiveNozzle * pressure);

    private void TakeLine()
    {
        EffectiveNozzle = LineResistance > 0 ? Nozzle / Math.Sqrt(1 + (Nozzle * Nozzle * LineResistance)) : Nozzle;
        levelUnit = 1 / Math.Max(Free, Shut);
    }
}
