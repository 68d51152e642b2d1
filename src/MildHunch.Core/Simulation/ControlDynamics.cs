using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Pumps;

namespace MildHunch.Core.Simulation;

/// <summary>
/// Unloader, regulator, relief and stop switch in time. The valve follows its steady opening with a lag; an unloader also
/// has its second state, everything round the bypass behind a check valve that keeps the outlet's pressure.
/// </summary>
internal sealed class ControlDynamics(Plant plant)
{
    // Time a spool needs (common practice, no source): it lets a closing outlet spike by some tenths of its setting.
    private const double LagSeconds = 0.002;
    private const double UnloadLagSeconds = 0.015;
    private const double TripShare = 0.6;
    private const double LittleFlow = 0.05;
    private const double LittleFlowWhenFlowActuated = 0.12;
    private const double ReloadShare = 0.85;
    private const double RestartShare = 0.75;
    private readonly double gain = double.IsFinite(plant.SettingPa) ? 1 / (OperatingPointSolver.ControlBand * plant.SettingPa) : 0;
    private readonly double reliefGain = double.IsFinite(plant.ReliefPa)
        ? plant.FullFlow / (OperatingPointSolver.ReliefBand * plant.ReliefPa)
        : 0;
    private readonly bool modulates = double.IsFinite(plant.SettingPa)
        && plant.Pump.Control is ControlKind.Unloader or ControlKind.Regulator or ControlKind.Relief;
    private double opening;
    private double unloaded;
    private double blend;
    private double unloadedBlend;

    /// <summary>True while an unloader sends everything round.</summary>
    public bool Unloaded { get; private set; } = plant.Pump.Control == ControlKind.Unloader && plant.Setup.State == ControlState.Bypassing;

    /// <summary>True while a stop switch holds the motor.</summary>
    public bool Stopped { get; private set; } = plant.Pump.Control == ControlKind.AutoStop && plant.Setup.State == ControlState.Bypassing;

    /// <summary>An unloader has a check valve towards the outlet.</summary>
    public bool HasCheck { get; } = plant.Pump.Control == ControlKind.Unloader;

    /// <summary>Sets the opening to what it would be at rest under this pressure.</summary>
    public void Settle(double headPa)
    {
        opening = modulates ? Math.Clamp((headPa - plant.SettingPa) * gain, 0, 1.5) : 0;
        unloaded = Unloaded ? 1 : 0;
    }

    /// <summary>Prepares a step of this length.</summary>
    public void Begin(double dt)
    {
        blend = dt / LagSeconds;
        unloadedBlend = dt / UnloadLagSeconds;
    }

    /// <summary>Flow to the bypass at a head pressure at the end of the step, and its slope.</summary>
    public double Flow(double headPa, out double slope)
    {
        slope = 0;
        var sum = 0.0;
        if (modulates && headPa > 0)
        {
            var (y, ySlope) = Opening(headPa);
            var share = Driven(headPa, out var shareSlope);
            sum += y * share * plant.FullFlow;
            slope += ((ySlope * share) + (y * shareSlope)) * plant.FullFlow;
        }

        if (unloaded > 0 || Unloaded)
        {
            sum += UnloadedNext * Orifice.Flow(plant.OpenBypass, headPa, out var s);
            slope += UnloadedNext * s;
        }

        if (headPa > plant.ReliefPa)
        {
            sum += reliefGain * (headPa - plant.ReliefPa);
            slope += reliefGain;
        }

        return sum;
    }

    /// <summary>Takes the step; decides on the two-state parts from where it led.</summary>
    public void End(double headPa, double gunPa, double nozzleFlow)
    {
        if (modulates)
            (opening, _) = Opening(headPa);
        unloaded = UnloadedNext;
        if (HasCheck)
        {
            var little = plant.Pump.Unloader == UnloaderType.FlowActuated ? LittleFlowWhenFlowActuated : LittleFlow;
            var trips = gunPa >= plant.SettingPa * (1 + (TripShare * OperatingPointSolver.ControlBand))
                || plant.Pump.Unloader == UnloaderType.FlowActuated;
            if (!Unloaded && trips && nozzleFlow < little * plant.FullFlow && headPa > 0.5 * plant.SettingPa)
                Unloaded = true;
            else if (Unloaded && gunPa < ReloadShare * plant.SettingPa)
                Unloaded = false;
        }

        if (plant.Pump.Control == ControlKind.AutoStop)
            Stopped = Stopped ? headPa > RestartShare * plant.SettingPa : headPa > plant.SettingPa;
    }

    private double UnloadedNext => (unloaded + (unloadedBlend * (Unloaded ? 1 : 0))) / (1 + unloadedBlend);

    // A valve still open after the pressure has gone passes only what is left to drive it: nothing at nothing, without a jump.
    private double Driven(double headPa, out double slope)
    {
        slope = 0;
        if (headPa >= plant.SettingPa)
            return 1;
        var whole = Orifice.Flow(1, plant.SettingPa, out _);
        var flow = Orifice.Flow(1, headPa, out slope);
        slope /= whole;
        return flow / whole;
    }

    private (double Y, double Slope) Opening(double headPa)
    {
        var wanted = (headPa - plant.SettingPa) * gain;
        var inside = wanted is > 0 and < 1.5;
        return ((opening + (blend * Math.Clamp(wanted, 0, 1.5))) / (1 + blend), inside ? blend * gain / (1 + blend) : 0);
    }
}
