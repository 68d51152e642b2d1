using MildHunch.Core.Evidence;
using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Numerics;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;

namespace MildHunch.Core.Service.Proving;

/// <summary>A control to be set: where it should come to, what must not be passed, what was read so far.</summary>
public sealed record SettingQuestion
{
    // The whole range of a control is worth some eight turns of its screw (common practice, no source), give or take all of it.
    private const double TurnsOfRange = 8;

    // Nozzle and delivery as believed: how far the pressure at which the nozzle takes all may lie off (common practice, no source).
    private const double KneeShare = 0.2;
    private const int MostMoves = 200;
    private const double MostTurns = 60;

    private SettingQuestion(IReadOnlyList<PressureLimit> limits, double targetPa, IReadOnlyList<ScrewMove> moves, double sigmaPa)
    {
        (Limits, TargetPa, Moves, SigmaPa) = (limits, targetPa, moves, sigmaPa);
        Lowest = limits.MinBy(l => l.Pressure.Si)!;
    }

    /// <summary>All limits, at least one.</summary>
    public IReadOnlyList<PressureLimit> Limits { get; }

    /// <summary>The lowest of them: what may be held.</summary>
    public PressureLimit Lowest { get; }

    /// <summary>What no closing spike may pass: the relief valve’s setting and the lowest rating.</summary>
    public PressureLimit MostSpike { get; private init; } = null!;

    /// <summary>Running pressure that is wanted, Pa gauge.</summary>
    public double TargetPa { get; }

    /// <summary>Readings in the order in which they were taken.</summary>
    public IReadOnlyList<ScrewMove> Moves { get; }

    /// <summary>One sigma of the gauge, Pa.</summary>
    public double SigmaPa { get; }

    /// <summary>What is believed of the screw before it is turned.</summary>
    internal ScrewPrior Prior { get; private init; } = null!;

    /// <summary>The question, or a refusal that names the field.</summary>
    /// <param name="pump">The pump; its control is an unloader or a regulator.</param>
    /// <param name="setup">How it is run.</param>
    /// <param name="limits">Ratings of whatever else stands under this pressure; pump, relief valve and driver come to them.</param>
    /// <param name="target">Running pressure that is wanted, above 0.</param>
    /// <param name="moves">What was read so far; none yet is a question too.</param>
    /// <exception cref="ImpossibleInputException">Something that cannot be.</exception>
    public static SettingQuestion Create(
        ReciprocatingPump pump, Setup setup, IReadOnlyList<PressureLimit> limits, GaugePressure target, IReadOnlyList<ScrewMove> moves)
    {
        if (pump.Control is not (ControlKind.Unloader or ControlKind.Regulator))
            throw new ImpossibleInputException(
                "pump.control", pump.Control.Named(),
                "an unloader or a regulator: a relief valve is never raised, a stop switch has no screw");
        Guard.Within("target", target.Si, 1e4, 1e8, target.Format(Units.Bar), "0.1 to 1000 bar");
        if (moves.Count > MostMoves)
            throw new ImpossibleInputException("moves", $"{moves.Count} readings", $"at most {MostMoves}");
        foreach (var (k, limit) in limits.Index())
            Guard.Within($"limits[{k}].pressure", limit.Pressure.Si, 1e4, 1e9, limit.Pressure.Format(Units.Bar), "0.1 to 10 000 bar");
        foreach (var (k, move) in moves.Index())
            Check(k, move);
        var free = new OperatingPointSolver(pump, setup.Uncontrolled()).HealthyPa;
        var perTurn = pump.RatedPressure.Si / TurnsOfRange;
        return new SettingQuestion([.. limits, .. PressureLimit.Of(pump, setup)], target.Si, moves, Instruments.DialSigma(pump, setup))
        {
            MostSpike = PressureLimit.OfSpikes(pump, setup, limits),
            Prior = new ScrewPrior(
                new Gaussian(perTurn, perTurn), new Gaussian(free, KneeShare * free), pump.RatedPressure.Si),
        };
    }

    private static void Check(int k, ScrewMove move)
    {
        Guard.Within(
            $"moves[{k}].turns", move.Turns, -MostTurns, MostTurns, Quantity.Digits(move.Turns), "turns in from the start, −60 to 60");
        Guard.Within(
            $"moves[{k}].running", move.RunningPa, 0, 1e9, new GaugePressure(move.RunningPa).Format(Units.Bar), "0 to 10 000 bar");
        if (move.SpikePa is { } spike)
            Guard.Within(
                $"moves[{k}].spike", spike, move.RunningPa * 0.5, 1e9, new GaugePressure(spike).Format(Units.Bar),
                "a peak as the outlet shuts, no less than half of the running pressure");
    }
}
