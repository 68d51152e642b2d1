using MildHunch.Core.Numerics;
using MildHunch.Core.Quantities;

namespace MildHunch.Core.Service.Proving;

/// <summary>
/// Sets a control by arithmetic: a quarter turn at most, with a band for what it should do; back where only the closing spike rises;
/// never towards a limit (docs/trade.md, Setting the control).
/// </summary>
public sealed class SettingAssistant
{
    private const double MostTurn = 0.25;
    private const double LeastTurn = 0.01;
    private const double Reached = 0.02;

    // A closing spike so far over what is held is the most that is believed while none was read (docs/trade.md, Controls).
    private const double UnseenSpike = 1.25;

    // Spikes grow faster than in proportion (the time model; common practice, no source).
    private const double SteeperAhead = 1.3;

    // From this chance on that the nozzle makes the pressure, a running gauge says nothing of what is held.
    private const double MaybePinned = 0.3;

    // How sure it must be that the nozzle sets the pressure before the target is given up.
    private const double SureOfNozzle = 0.97;
    private const double Surprise = 3.5;
    private const int EnoughReadings = 3;

    // While nothing is known of the spring, no turn may be worth more than this share of the range.
    private const double StiffestPerTurn = 0.67;
    private const double TrendOver = 0.1;

    private readonly SettingQuestion asked;
    private readonly SettingFit fit;
    private readonly ScrewMove last;
    private readonly double limit;

    private SettingAssistant(SettingQuestion asked)
    {
        this.asked = asked;
        last = asked.Moves[^1];
        limit = asked.Lowest.Pressure.Si;
        fit = Fit(Trusted(asked), asked);
    }

    /// <summary>The next thing to do.</summary>
    public static SettingAdvice Next(SettingQuestion asked) => asked.Moves.Count == 0
        ? new SettingAdvice(SettingAct.Reseat, null, null, "First read it as it stands: water flowing, outlet shut and opened once.")
        {
            Nearest = asked.Lowest,
        }
        : new SettingAssistant(asked).Next();

    // Known well enough to set a closing spike against it.
    private const double KnownHeld = 0.05;

    private double Tolerance => Math.Max(Reached * asked.TargetPa, asked.SigmaPa);

    private ScrewMove[] Here => [.. asked.Moves.Reverse().TakeWhile(m => Math.Abs(m.Turns - last.Turns) < 1e-9)];

    private SettingAdvice Next()
    {
        if (last.RunningPa > limit)
            return Turned(SettingAct.Back, -MostTurn, $"The gauge stands past the {asked.Lowest.What}.");
        if (Spike > asked.MostSpike.Pressure.Si)
            return Turned(SettingAct.Back, -MostTurn, $"The closing spike goes past the {asked.MostSpike.What}.");
        if (FellAsItWentIn())
            return Left(
                SettingAct.Reseat,
                "The screw went in and the pressure fell: nothing leads to expect that. Shut the outlet, open it, read again.");
        var here = fit.Running(last.Turns);
        var read = Here.Average(m => m.RunningPa);
        if (Math.Abs(read - asked.TargetPa) <= Tolerance && Math.Abs(here.Mean - asked.TargetPa) <= 1.5 * Tolerance)
            return AsksShut(0) ? ReadShut() : Left(
                SettingAct.Done,
                "It stands where it was wanted. Hold the screw and set the jam nut, then read once more.");
        if (Surprised())
            return Left(
                SettingAct.Reseat,
                "This is not what the readings before it led to expect. Shut the outlet, open it, read again before turning.");
        if (fit.NozzleEndsBelow(asked.TargetPa - Tolerance) > SureOfNozzle && asked.TargetPa > here.Mean)
            return AtTheKnee();
        return asked.TargetPa > here.Mean ? Raise(here) : Lower(here);
    }

    // The nozzle sets the pressure: more turns only raise what happens when the outlet shuts.
    private SettingAdvice AtTheKnee()
    {
        var knee = fit.KneeTurns ?? asked.Moves.Min(m => m.Turns);
        var said = $"The nozzle takes all the water at {Said(fit.KneePa.Mean)}: turning further only raises the closing spike";
        return last.Turns > knee + (0.2 * MostTurn)
            ? Turned(SettingAct.Back, -Math.Min(MostTurn, last.Turns - knee), $"{said}. Go back to where it began.")
            : Left(SettingAct.Stop, $"{said}. Leave it here; a smaller nozzle or more speed would be needed for {Said(asked.TargetPa)}.");
    }

    private SettingAdvice Raise(Gaussian here)
    {
        var wanted = Math.Clamp((asked.TargetPa - here.Mean) / fit.PerTurn.Mean, LeastTurn, MostTurn);
        if (AsksShut(wanted))
            return ReadShut();
        var allowed = Allowed(wanted);
        if (allowed >= LeastTurn)
            return Turned(SettingAct.Turn, allowed, allowed < wanted
                ? $"Only so far: the {asked.Lowest.What} is near."
                : asked.Moves.Count == 1 ? "The first turn shows what its spring is worth." : "Towards what was wanted.");
        return Here.Length < EnoughReadings && Math.Abs(here.Mean - asked.TargetPa) < 2 * Tolerance
            ? Left(SettingAct.Reseat, "Too near the limit to turn on one reading: shut the outlet, open it, and read again.")
            : Left(
                SettingAct.Stop,
                $"Any further turn could pass the {asked.Lowest.What} ({Said(limit)}). Leave it here, jam nut last.");
    }

    private SettingAdvice Lower(Gaussian here)
    {
        // Beyond the knee a turn out changes nothing at first.
        var beyond = fit.KneeSeen > 0.5 && fit.KneePa.Mean - here.Mean < Tolerance;
        var wanted = beyond ? MostTurn : Math.Clamp((here.Mean - asked.TargetPa) / fit.PerTurn.Mean, LeastTurn, MostTurn);
        return Turned(SettingAct.Turn, -wanted, "It stands above what was wanted: out again, with water flowing.");
    }

    // As far as neither the fit, with twice its uncertainty, nor the trend of the last readings passes a limit.
    private double Allowed(double wanted)
    {
        var most = wanted;
        if (asked.Moves.Select(m => m.Turns).Distinct().Count() < 2)
            most = Math.Min(most, (limit - last.RunningPa) / (StiffestPerTurn * asked.Prior.SpanPa));
        if (Trend() is { } trend && trend > 0)
            most = Math.Min(most, (limit - last.RunningPa) / trend);
        if (Spike is { } spike)
            most = Math.Min(most, (asked.MostSpike.Pressure.Si - (2 * fit.SigmaPa) - spike) / SpikeSlope());

        // What is held while the nozzle makes the pressure is no more than the spike, and no more is known of it.
        if (Spike is { } held && fit.Pinned(last.Turns) > MaybePinned)
            most = Math.Min(most, (limit - held) / SpikeSlope());
        while (most >= LeastTurn && Passes(last.Turns + most))
            most *= 0.8;
        return Math.Floor(most * 100 + 1e-9) / 100;
    }

    private bool Passes(double turns) => Upper(fit.Running(turns)) > limit || (fit.Held(turns) is { } held && Upper(held) > limit);

    private static double Upper(Gaussian pressure) => pressure.Mean + (2 * pressure.Sigma);

    private double? Trend() => Before() is { } before ? (last.RunningPa - before.RunningPa) / (last.Turns - before.Turns) : null;

    // The last spike that was read at this place of the screw.
    private double? Spike => Here.FirstOrDefault(m => m.SpikePa is not null)?.SpikePa;

    // Nothing is turned in, and nothing is done, before a shut reading where a running one does not tell what the outlet shut would do.
    private bool AsksShut(double turns) => Spike is null
        && (fit.Pinned(last.Turns) > MaybePinned
            || UnseenSpike * Upper(fit.Running(last.Turns + turns)) > asked.MostSpike.Pressure.Si);

    private SettingAdvice ReadShut() => Left(
        Here.Length < EnoughReadings ? SettingAct.Reseat : SettingAct.Stop,
        Here.Length < EnoughReadings
            ? "What it holds is not seen while the outlet is open: shut it once with the gauge in view, and read how high it goes."
            : "Nobody read how high it goes as the outlet shuts. Leave it here until that is known.") with
    {
        Shut = true,
    };

    private double SpikeSlope()
    {
        var spring = Math.Max(fit.PerTurn.Mean + fit.PerTurn.Sigma, LeastTurn * asked.Prior.SpanPa);
        if (SpikeTrend() is { } trend)
            return Math.Max(SteeperAhead * trend, spring);
        return asked.Moves.Select(m => m.Turns).Distinct().Count() > 1 && fit.Pinned(last.Turns) < MaybePinned
            ? UnseenSpike * Upper(fit.PerTurn)
            : UnseenSpike * StiffestPerTurn * asked.Prior.SpanPa;
    }

    private bool FellAsItWentIn() => Here.Length == 1 && asked.Moves.Count > 1 && asked.Moves[^2] is var before
        && last.Turns > before.Turns && before.RunningPa - last.RunningPa > Surprise * Math.Sqrt(2) * fit.SigmaPa;

    private double? SpikeTrend() => Spike is { } now && asked.Moves.Reverse()
        .FirstOrDefault(m => m.SpikePa is not null && Math.Abs(m.Turns - last.Turns) >= TrendOver) is { } before
        ? (now - before.SpikePa!.Value) / (last.Turns - before.Turns)
        : null;

    private ScrewMove? Before() => asked.Moves.Reverse().FirstOrDefault(m => Math.Abs(m.Turns - last.Turns) >= TrendOver);

    // Only where enough was read before to expect anything, and it was not read again already.
    private bool Surprised()
    {
        if (Here.Length > 1 || asked.Moves.Count <= EnoughReadings)
            return false;
        var before = Fit([.. asked.Moves.SkipLast(1)], asked);
        var expected = before.Running(last.Turns);
        var sigma = Math.Sqrt((expected.Sigma * expected.Sigma) + (before.SigmaPa * before.SigmaPa));
        return Math.Abs(last.RunningPa - expected.Mean) > Surprise * sigma;
    }

    private SettingAdvice Turned(SettingAct act, double turns, string why)
    {
        var rounded = Math.Sign(turns) * Math.Max(LeastTurn, Math.Round(Math.Abs(turns), 2));
        var then = fit.Running(last.Turns + rounded);
        var spread = 2 * Math.Sqrt((then.Sigma * then.Sigma) + (fit.SigmaPa * fit.SigmaPa));

        // Turned far out, the line runs below nothing; a gauge does not.
        var band = new PressureBand(Math.Max(0, then.Mean), Math.Max(0, then.Mean - spread), Math.Max(0, then.Mean + spread));
        return new SettingAdvice(act, rounded, band, why)
        {
            Curve = Curve(),
            Nearest = asked.Lowest,
        };
    }

    private SettingAdvice Left(SettingAct act, string why) => new(act, null, null, why) { Curve = Curve(), Nearest = asked.Lowest };

    private SettingCurve Curve()
    {
        var seen = fit.KneeSeen > 0.5;
        var turned = asked.Moves.Select(m => m.Turns).Distinct().Count() > 1;
        return new SettingCurve(
            turned ? fit.PerTurn.Mean : null, fit.SigmaPa, seen ? fit.KneeTurns : null, seen ? fit.KneePa.Mean : null,
            turned && fit.Held(last.Turns) is { } held && held.Sigma <= KnownHeld * held.Mean ? held.Mean : null);
    }

    // A reading taken again replaces one that it contradicts.
    private static List<ScrewMove> Trusted(SettingQuestion asked)
    {
        List<ScrewMove> kept = [];
        foreach (var move in asked.Moves)
        {
            if (kept.Count > 0 && Math.Abs(kept[^1].Turns - move.Turns) < 1e-9
                && Math.Abs(kept[^1].RunningPa - move.RunningPa) > 3 * asked.SigmaPa)
                kept.RemoveAt(kept.Count - 1);
            kept.Add(move);
        }

        return kept;
    }

    // How well this gauge repeats shows in the readings themselves once there are some.
    private static SettingFit Fit(IReadOnlyList<ScrewMove> moves, SettingQuestion asked)
    {
        const double ClassCounts = 4;
        var first = new SettingFit(moves, asked.SigmaPa, asked.Prior);
        if (moves.Count < 4)
            return first;
        var off = moves.Sum(m => Math.Pow(m.RunningPa - first.Running(m.Turns).Mean, 2));
        var sigma = Math.Sqrt(((ClassCounts * asked.SigmaPa * asked.SigmaPa) + off) / (ClassCounts + moves.Count - 2));
        return new SettingFit(moves, sigma, asked.Prior);
    }

    private static string Said(double pa) => new GaugePressure(pa).Format(Units.Preferred(QuantityKind.GaugePressure));
}
