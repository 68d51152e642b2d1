using MildHunch.Core.Quantities;

namespace MildHunch.Core.Pumps;

/// <summary>
/// What is taken for granted of a pump of which only the type plate is known (docs/trade.md, From the plate). Common practice,
/// no source: pumps are run at about four fifths of their rating, and the control is set a tenth above the working pressure.
/// </summary>
public static class Assumptions
{
    /// <summary>Working pressure as a share of the rating.</summary>
    public const double WorkingShare = 0.8;

    /// <summary>Setting of the control over the working pressure.</summary>
    public const double SettingOverWorking = 1.1;

    /// <summary>The nozzle such a pump would be given: it passes the pump's flow at the usual working pressure.</summary>
    /// <exception cref="ImpossibleInputException">A flow that cannot be.</exception>
    public static Nozzle NozzleFor(ReciprocatingPump pump, VolumeFlow flow) =>
        Nozzle.FromPoint(flow, new GaugePressure(WorkingShare * pump.RatedPressure.Si)).AsAssumed();

    /// <summary>What the control would be set to on this nozzle.</summary>
    public static GaugePressure SettingFor(ReciprocatingPump pump, Nozzle nozzle, VolumeFlow flow) =>
        new(Math.Min(pump.RatedPressure.Si, SettingOverWorking * nozzle.PressureAt(flow).Si));
}
