using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;

namespace MildHunch.Core.Hydraulics.Steady;

/// <summary>
/// One balance for a pump in a given condition: Σ q_k(p) = nozzle + bypass + outside. Delivery falls and outflow rises with
/// pressure; the root is bracketed and always found.
/// </summary>
public sealed class OperatingPointSolver : IPumpModel
{
    /// <summary>Band over which a control goes from shut to full bypass, 2 to 5 % of its setting (docs/trade.md, Controls).</summary>
    public const double ControlBand = 0.03;

    /// <summary>Band of a plain relief valve (common practice, no source).</summary>
    public const double ReliefBand = 0.10;

    /// <summary>Flow at which a sound inlet that nobody measured would cavitate, over the theoretical flow (common practice).</summary>
    public const double OrdinaryInlet = 3;

    private const int DampenerRounds = 10;
    private const double SameSoftness = 0.1;
    private const double LeastStartPa = 1e5;
    private const double LeastSoundPa = 1e4;
    private readonly PumpAsSetUp plant;
    private readonly SoundReference sound;

    /// <summary>Lays out what does not depend on the condition.</summary>
    /// <exception cref="ImpossibleInputException">The set-up cannot run.</exception>
    public OperatingPointSolver(ReciprocatingPump pump, Setup setup)
    {
        plant = PumpAsSetUp.Of(pump, setup);
        var guess = new SoundReference(Math.Max(LeastStartPa, plant.StartPa()), plant.FullFlow);
        var found = Solve(plant, guess, new Condition(), 1, 1, OutletCompliance.Typical(setup), default);
        sound = guess with { PressurePa = Math.Max(LeastSoundPa, found.PressurePa) };
    }

    /// <inheritdoc/>
    public ReciprocatingPump Pump => plant.Pump;

    /// <inheritdoc/>
    public Setup Setup => plant.Setup;

    /// <summary>Mean pressure of the sound pump as set up, Pa: what leak sizes are referred to.</summary>
    public double HealthyPa => sound.PressurePa;

    /// <summary>Theoretical flow as believed, m³/s: what bypass and outside shares are referred to.</summary>
    public double HealthyFlow => sound.Flow;

    /// <summary>The liquid between source and inlet valves.</summary>
    internal SuctionColumn Column => plant.Column;

    /// <summary>Loss of the inlet over the square of the flow, Pa/(m³/s)².</summary>
    public double InletLoss => plant.InletResistance;

    /// <summary>
    /// The operating point. <paramref name="deliveryScale"/> and <paramref name="nozzleScale"/> carry what is uncertain in
    /// every reading alike (slip and speed; Kn), <paramref name="complianceM3Pa"/> the softness of the line. A point
    /// solved nearby may be given to start from; it changes the time, not the answer.
    /// </summary>
    public OperatingPoint Solve(
        in Condition c, double deliveryScale, double nozzleScale, double complianceM3Pa, in OperatingPoint near = default) =>
        Solve(plant, sound, c, deliveryScale, nozzleScale, complianceM3Pa, near);

    /// <summary>What the pump sends forward against a pressure, whatever the outlet; m³/s.</summary>
    public double DeliveredAt(in Condition c, double pressurePa) =>
        new SteadyBalance(plant, sound, c, 1, 1, OutletCompliance.Typical(Setup)).Driven(pressurePa).Delivered;

    private static OperatingPoint Solve(
        PumpAsSetUp plant, SoundReference sound, in Condition c, double deliveryScale, double nozzleScale, double complianceM3Pa,
        in OperatingPoint near)
    {
        if (plant.Setup.State == ControlState.Bypassing && plant.Pump.Control == ControlKind.AutoStop)
            return AtStandstill(plant, sound);
        var from = near.MeanFactor > 0 ? near.PressurePa : sound.PressurePa;
        if (plant.Setup.Dampener is not { } dampener || c.DampenerShare <= 0)
            return SteadySolution.Of(plant, sound, c, deliveryScale, nozzleScale, complianceM3Pa, from);

        // A dampener is as soft as the swing that it leaves lets it be: from the sound pump's on, until the two agree.
        var soft = c.DampenerShare * dampener.ComplianceM3Pa(sound.PressurePa);
        var point = SteadySolution.Of(plant, sound, c, deliveryScale, nozzleScale, complianceM3Pa + soft, from);
        for (var round = 0; round < DampenerRounds; round++)
        {
            var now = c.DampenerShare * dampener.ComplianceM3Pa(point.PressurePa, point.SwingPa);
            if (Math.Abs(now - soft) < SameSoftness * (complianceM3Pa + soft))
                break;
            soft = now;
            point = SteadySolution.Of(plant, sound, c, deliveryScale, nozzleScale, complianceM3Pa + soft, point.PressurePa);
        }

        return point;
    }

    // Stopped by its own switch: nothing moves, the outlet holds what it had.
    private static OperatingPoint AtStandstill(PumpAsSetUp plant, SoundReference sound)
    {
        var held = double.IsFinite(plant.SettingPa) ? plant.SettingPa : sound.PressurePa;
        return new OperatingPoint
        {
            PressurePa = held,
            GunPa = held,
            InletPa = plant.SourcePa - PhysicalConstants.StandardAirPa,
            MeanFactor = 1,
            NozzleCoefficient = plant.Setup.Nozzle.Coefficient,
        };
    }
}
