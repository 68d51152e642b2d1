using MildHunch.Core.Quantities;

namespace MildHunch.Core.Simulation;

/// <summary>How far gun or outlet stands open from a moment on: 0 shut, 1 as set up. Seconds from the start.</summary>
public readonly record struct OutletMove(double AtSeconds, double Opening);

/// <summary>Speed from a moment on, as a share of the set-up's. Seconds from the start.</summary>
public readonly record struct SpeedMove(double AtSeconds, double Share);

/// <summary>What to run and what to note down.</summary>
public sealed record SimulationPlan
{
    /// <summary>Time simulated after settling, 0.01 to 60 s.</summary>
    public double Seconds { get; init; } = 0.5;

    /// <summary>Steps a turn of the crank; null for as many as the accuracy of docs/model.md needs.</summary>
    public int? StepsPerTurn { get; init; }

    /// <summary>Samples noted a second, 10 to 100 000.</summary>
    public double SamplesPerSecond { get; init; } = 2000;

    /// <summary>True to begin with the pump standing and no pressure; else it begins settled.</summary>
    public bool FromRest { get; init; }

    /// <summary>Time over which a driver comes up to speed or runs down.</summary>
    public double RampSeconds { get; init; } = 0.3;

    /// <summary>When the outlet is opened or shut.</summary>
    public IReadOnlyList<OutletMove> Outlet { get; init; } = [];

    /// <summary>When the speed changes.</summary>
    public IReadOnlyList<SpeedMove> Speed { get; init; } = [];

    /// <summary>One sigma of the noise laid over sampled pressures, Pa; 0 for none.</summary>
    public double NoisePa { get; init; }

    /// <summary>Of the noise; the same seed gives the same noise.</summary>
    public int Seed { get; init; } = 1;

    /// <summary>The same with its moves in the order of time, those of one moment as they were given.</summary>
    public SimulationPlan InOrder() =>
        this with { Outlet = [.. Outlet.OrderBy(m => m.AtSeconds)], Speed = [.. Speed.OrderBy(m => m.AtSeconds)] };

    /// <summary>Checks that the plan can be run.</summary>
    /// <exception cref="ImpossibleInputException">It cannot; the field is named.</exception>
    public void Check()
    {
        Guard.Within("seconds", Seconds, 0.01, 60, $"{Quantity.Digits(Seconds)} s", "0.01 to 60 s");
        Guard.Within("samplesPerSecond", SamplesPerSecond, 10, 100_000, Quantity.Digits(SamplesPerSecond), "10 to 100 000 a second");
        Guard.Within(
            "seconds", Seconds * SamplesPerSecond, 0, 200_000,
            $"{Quantity.Digits(Seconds)} s with {Quantity.Digits(SamplesPerSecond)} samples a second",
            "no more than 200 000 samples in all");
        if (StepsPerTurn is { } steps)
            Guard.Within("stepsPerTurn", steps, 90, 20_000, Quantity.Digits(steps), "90 to 20 000 steps a turn");
        Guard.Within("rampSeconds", RampSeconds, 0.01, 30, $"{Quantity.Digits(RampSeconds)} s", "0.01 to 30 s");
        Guard.Within("noise", NoisePa, 0, 1e7, $"{Quantity.Digits(NoisePa / 1e5)} bar", "a noise of 0 to 100 bar");
        foreach (var at in Outlet.Select(m => m.AtSeconds).Concat(Speed.Select(m => m.AtSeconds)))
            Guard.Within("atSeconds", at, 0, 60, $"{Quantity.Digits(at)} s", "a moment from 0 to 60 s after the start");
        foreach (var move in Outlet)
            Guard.Within("outlet", move.Opening, 0, 1, Quantity.Digits(move.Opening), "an opening of 0 (shut) to 1 (open)");
        foreach (var move in Speed)
            Guard.Within("speedMoves", move.Share, 0, 1.5, Quantity.Digits(move.Share), "0 (stopped) to 1.5 of the speed");
    }
}
