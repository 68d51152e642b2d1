using MildHunch.Core.Numerics;

namespace MildHunch.Core.Service.Proving;

/// <summary>What is believed of a control before its screw is turned. Pa, and Pa a turn.</summary>
/// <param name="PerTurn">What one turn of its screw is worth.</param>
/// <param name="KneePa">Running pressure at which the nozzle takes all, by the model of the pump.</param>
/// <param name="SpanPa">The pressures it could stand at.</param>
internal sealed record ScrewPrior(Gaussian PerTurn, Gaussian KneePa, double SpanPa);

/// <summary>
/// Pressure against turns: a straight line until the nozzle takes all the flow, level beyond (docs/trade.md, Setting the control). Where
/// the knee lies among the readings is not picked: every place of it is weighed by how well it explains them.
/// </summary>
internal sealed class SettingFit
{
    // Closing spike over setting, 0 to 25 % (docs/trade.md, Controls): five values stand for what lies between.
    private static readonly double[] SpikeRatios = [1.0, 1.05, 1.1, 1.16, 1.23];
    private const double SpikeSigmas = 2;
    private const double SpikeShare = 0.01;

    // A spring so soft is none (common practice, no source).
    private const double LeastSlope = 0.2;
    private const double FlatLine = 8;

    // How far a knee may be misplaced between two readings, turns.
    private const double Misplaced = 0.08;

    private readonly List<Guess> guesses;

    /// <summary>Weighs every place of the knee.</summary>
    /// <param name="moves">At least one.</param>
    /// <param name="sigmaPa">One sigma of a reading.</param>
    /// <param name="prior">What is believed beforehand.</param>
    public SettingFit(IReadOnlyList<ScrewMove> moves, double sigmaPa, ScrewPrior prior)
    {
        SigmaPa = sigmaPa;
        ScrewMove[] ordered = [.. moves.OrderBy(m => m.Turns)];
        List<Guess> every = [];
        for (var below = 0; below <= ordered.Length; below++)
        {
            // Readings at one place of the screw are all on the same side of the knee.
            if (below > 0 && below < ordered.Length && ordered[below].Turns - ordered[below - 1].Turns < 1e-9)
                continue;
            foreach (var ratio in moves.Any(m => m.SpikePa is not null) ? SpikeRatios : SpikeRatios[2..3])
                every.Add(Weigh(ordered, below, ratio, prior));
        }

        var best = every.Max(g => g.LogWeight);
        var sum = every.Sum(g => Math.Exp(g.LogWeight - best));
        guesses = [.. every.Select(g => g with { LogWeight = g.LogWeight - best - Math.Log(sum) })];
    }

    /// <summary>One sigma of a reading, Pa.</summary>
    public double SigmaPa { get; }

    /// <summary>What one turn is worth, Pa.</summary>
    public Gaussian PerTurn => Mixed(guesses, g => g.Belief.Of(0, 1, 0));

    /// <summary>Chance that the knee lies among the readings.</summary>
    public double KneeSeen => Seen.Sum(g => g.Weight);

    /// <summary>Chance that the nozzle, not the control, makes the pressure at so many turns.</summary>
    public double Pinned(double turns) => guesses.Where(g => g.Beyond > 0 && (g.Below == 0 || turns >= g.KneeTurns)).Sum(g => g.Weight);

    /// <summary>Running pressure at the knee, where it lies among the readings.</summary>
    public Gaussian KneePa => Mixed(Seen, g => g.Knee);

    /// <summary>Turns at which the nozzle takes over, where the knee lies among the readings and the line before it too.</summary>
    public double? KneeTurns => Seen.Where(g => g.Below > 0).MaxBy(g => g.LogWeight) is { Weight: > 0.02 } likely ? likely.KneeTurns : null;

    private IEnumerable<Guess> Seen => guesses.Where(g => g.Beyond > 0);

    /// <summary>Running pressure at so many turns, the reading's own error not in it.</summary>
    public Gaussian Running(double turns) =>
        Mixed(guesses, g => Gaussian.Least(g.LineAt(turns), g.Knee));

    /// <summary>What the control would hold if the nozzle took nothing; null while the line was not seen.</summary>
    public Gaussian? Held(double turns) => guesses.Where(g => g.Below > 1).ToArray() is { Length: > 0 } known
        && known.Sum(g => g.Weight) > 0.5 ? Mixed(known, g => g.Belief.Of(1, turns, 0)) : null;

    /// <summary>Chance that the nozzle takes all below this pressure, as far as readings at two places or more of the screw tell.</summary>
    public double NozzleEndsBelow(double pressurePa) => Seen.Where(g => g.Beyond > 1).Sum(g => g.Weight * g.Knee.Below(pressurePa));

    // Unknowns: pressure of the line at no turns, what a turn is worth, pressure of the knee.
    private Guess Weigh(ScrewMove[] ordered, int below, double ratio, ScrewPrior prior)
    {
        var start = below > 0 ? ordered[0].RunningPa : ordered[0].RunningPa + (0.15 * prior.SpanPa);
        var belief = new GaussianBelief(
            [start, prior.PerTurn.Mean, prior.KneePa.Mean],
            [(below > 0 ? 0.5 : 0.15) * prior.SpanPa, prior.PerTurn.Sigma, prior.KneePa.Sigma]);
        var seen = 0.0;
        for (var i = 0; i < ordered.Length; i++)
        {
            var (move, line) = (ordered[i], i < below);
            belief.Read(move.RunningPa, SigmaPa, line ? 1 : 0, line ? move.Turns : 0, line ? 0 : 1);
            if (move.SpikePa is { } spike)
                belief.Read(spike, (SpikeSigmas * SigmaPa) + (SpikeShare * spike), ratio, ratio * move.Turns, 0);
            seen += move.Bypass is { } bypass ? Math.Log(Chance(bypass, line)) : 0;
        }

        var knee = belief.Of(0, 0, 1);
        var (beyond, weight) = (ordered[below..], belief.LogEvidence + seen);
        if (below == ordered.Length)
        {
            // The knee was not reached: it lies above all that was read.
            var highest = belief.Of(1, ordered[^1].Turns, 0).Mean - SigmaPa;
            weight += Math.Log(Math.Max(1e-9, 1 - knee.Below(highest)));
            knee = knee.NoLessThan(highest);
        }

        var guess = new Guess(belief, knee, below, beyond.Select(m => m.Turns).Distinct().Count(), weight);
        if (below == 0)
        {
            // Nothing was read of the line: at the lowest place of the screw it lies above what the nozzle gives, by how much nobody knows.
            var lowest = belief.Of(1, ordered[0].Turns, 0);
            guess = guess with { From = ordered[0].Turns, Line = lowest.NoLessThan(knee.Mean) };
        }

        return guess with { LogWeight = weight - Misplacement(guess, ordered, prior) };
    }

    // A knee must lie between the reading before it and the one behind it, and a line goes up.
    private double Misplacement(Guess guess, ScrewMove[] ordered, ScrewPrior prior)
    {
        var slope = guess.Belief.Mean(1);
        if (slope <= LeastSlope * prior.PerTurn.Mean)
            return FlatLine;
        if (guess.Beyond == 0)
            return 0;
        var least = guess.Below > 0 ? ordered[guess.Below - 1].Turns : double.NegativeInfinity;
        var off = Math.Max(0, Math.Max(least - guess.KneeTurns, guess.KneeTurns - ordered[guess.Below].Turns));
        var slack = Math.Max(Misplaced, 1.5 * SigmaPa / slope);
        return 0.5 * (off / slack) * (off / slack);
    }

    // Common practice, no source: a bypass that runs says that the control holds; one that is dry, that the nozzle does.
    private static double Chance(BypassSeen seen, bool line) => seen switch
    {
        BypassSeen.None => line ? 0.15 : 0.85,
        BypassSeen.Some => line ? 0.6 : 0.12,
        _ => line ? 0.25 : 0.03,
    };

    private static Gaussian Mixed(IEnumerable<Guess> of, Func<Guess, Gaussian> read)
    {
        var (weight, mean, square) = (0.0, 0.0, 0.0);
        foreach (var guess in of)
        {
            var value = read(guess);
            weight += guess.Weight;
            mean += guess.Weight * value.Mean;
            square += guess.Weight * ((value.Mean * value.Mean) + (value.Sigma * value.Sigma));
        }

        if (weight <= 0)
            return default;
        mean /= weight;
        return new Gaussian(mean, Math.Sqrt(Math.Max(0, (square / weight) - (mean * mean))));
    }

    /// <summary>One place of the knee: so many readings below it, at so many places of the screw beyond.</summary>
    private sealed record Guess(GaussianBelief Belief, Gaussian Knee, int Below, int Beyond, double LogWeight)
    {
        /// <summary>Turns at which the line is known to lie above the knee; null where the line was read.</summary>
        public double? From { get; init; }

        /// <summary>The line there.</summary>
        public Gaussian Line { get; init; }

        public double Weight => Math.Exp(LogWeight);

        public Gaussian LineAt(double turns)
        {
            if (From is not { } from)
                return Belief.Of(1, turns, 0);
            var slope = Belief.Of(0, turns - from, 0);
            return new Gaussian(Line.Mean + slope.Mean, Math.Sqrt((Line.Sigma * Line.Sigma) + (slope.Sigma * slope.Sigma)));
        }

        public double KneeTurns => (Belief.Mean(2) - Belief.Mean(0)) / Belief.Mean(1);
    }
}
