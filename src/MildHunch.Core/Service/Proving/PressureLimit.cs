using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;

namespace MildHunch.Core.Service.Proving;

/// <summary>A pressure that is not to be passed, and whose it is.</summary>
public sealed record PressureLimit(string What, GaugePressure Pressure)
{
    /// <summary>
    /// A relief valve is run at no more than nine tenths of its setting, where it is still tight (the margin that API 520 and 527 take;
    /// from memory).
    /// </summary>
    public const double ReliefShare = 0.9;

    /// <summary>
    /// What no closing spike may pass: the relief valve’s own setting, the pump’s rating and that of whatever else stands under this
    /// pressure, the lowest of them.
    /// </summary>
    /// <param name="pump">The pump.</param>
    /// <param name="setup">How it is run.</param>
    /// <param name="others">Ratings of what else stands under this pressure.</param>
    public static PressureLimit OfSpikes(ReciprocatingPump pump, Setup setup, IEnumerable<PressureLimit> others)
    {
        List<PressureLimit> limits = [new("rating of the pump", pump.RatedPressure), .. others];
        if (setup.Relief is { } relief)
            limits.Add(new PressureLimit("setting of the relief valve", relief));
        return limits.MinBy(l => l.Pressure.Si)!;
    }

    /// <summary>What pump, relief valve and driver allow as the pump is set up.</summary>
    /// <exception cref="ImpossibleInputException">The set-up cannot run.</exception>
    public static IReadOnlyList<PressureLimit> Of(ReciprocatingPump pump, Setup setup)
    {
        List<PressureLimit> limits = [new("rating of the pump", pump.RatedPressure)];
        if (setup.Relief is { } relief)
            limits.Add(new PressureLimit("relief valve less its margin", new GaugePressure(relief.Si * ReliefShare)));
        if (setup.Drive is { } drive)
        {
            var sent = new OperatingPointSolver(pump, setup).DeliveredAt(new Condition(), pump.RatedPressure.Si);
            limits.Add(new PressureLimit(
                "what the driver can carry at this flow", new GaugePressure(drive.Rated.Si * PowerRules.MechanicalEfficiency / sent)));
        }

        return limits;
    }
}
