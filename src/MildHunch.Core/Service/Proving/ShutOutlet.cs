using System.Globalization;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;

namespace MildHunch.Core.Service.Proving;

/// <summary>Which gauge was read with the outlet shut.</summary>
public enum ShutGauge
{
    /// <summary>At the pump, before what shuts it off from the hose: it falls to bypass when all is well.</summary>
    Head,

    /// <summary>On the hose side: it is what must hold.</summary>
    Hose,
}

/// <summary>What the outlet showed when it was shut. Everything may be missing.</summary>
public sealed record ShutOutlet
{
    // Normal up to 15 % above the setting (docs/trade.md, Controls); up to 25 % is a remark (common practice, no source).
    private const double Normal = 0.15;
    private const double Watch = 0.25;
    private const double DropMillilitres = 0.05;
    private const double SecondsAMinute = 60;

    /// <summary>Which gauge fell; null where nobody said.</summary>
    public ShutGauge? Gauge { get; init; }

    /// <summary>Highest reading as it was shut.</summary>
    public GaugePressure? Spike { get; init; }

    /// <summary>What it stood at once shut.</summary>
    public GaugePressure? From { get; init; }

    /// <summary>What it stood at later.</summary>
    public GaugePressure? To { get; init; }

    /// <summary>Between the two.</summary>
    public Duration? Over { get; init; }

    /// <summary>Readings between them.</summary>
    public IReadOnlyList<FallPoint> Falls { get; init; } = [];

    /// <summary>How it started again.</summary>
    public bool? StartsHard { get; init; }

    /// <summary>What the control holds since it was set in this proof; null where it was not, or that is not known.</summary>
    public GaugePressure? Set { get; init; }

    /// <summary>What leaks while it is shut, as far as the gauge that was read tells; null where that was not read.</summary>
    /// <exception cref="ImpossibleInputException">Readings that cannot be.</exception>
    public PressureFall? Fall(ReciprocatingPump pump, Setup setup) =>
        Judged(pump) && From is { } from && To is { } to && Over is { } over ? PressureFall.Of(setup, from, to, over, Falls) : null;

    /// <summary>The answer it gives to the question of the shut outlet; null where nothing was read.</summary>
    public string? Answer(ReciprocatingPump pump, Setup setup) =>
        SpikeShare(setup) > Watch ? "spikes" : Fall(pump, setup) is { } fall ? fall.Holds ? "holds" : "bleeds-down" : null;

    /// <summary>What is still missing, in trade words; empty where all was read.</summary>
    /// <param name="pump">The pump.</param>
    /// <param name="time">For how long it has to be watched: in a moment no gauge shows a leak.</param>
    public IEnumerable<string> Missing(ReciprocatingPump pump, Duration time)
    {
        if (Spike is null)
            yield return "the spike as it shuts";
        if (From is null || To is null || Over is null)
            yield return "where it stood, where it stands, and the seconds between";
        else if (Over is { } over && over.Si < ProofJudge.HeldShare * time.Si)
            yield return $"watched for {over.Si:0} s, not for {time.Si:0} s";
        else if (!Judged(pump))
            yield return Gauge is null ? "which gauge was read" : "the gauge of the hose side: the head falls to bypass when all is well";
        if (StartsHard is null)
            yield return "how it started again";
    }

    /// <summary>What it says.</summary>
    /// <param name="pump">The pump.</param>
    /// <param name="setup">How it is run.</param>
    /// <param name="most">What no spike may pass: the relief valve’s setting, and the lowest rating in the system.</param>
    /// <param name="held">What nothing may be held above.</param>
    public IEnumerable<ProofRemark> Remarks(ReciprocatingPump pump, Setup setup, PressureLimit most, PressureLimit held)
    {
        if (From is { } stands && stands.Si > held.Pressure.Si)
            yield return new ProofRemark(
                Standing.Off, $"Shut, it stands at {Said(stands)}, above the {held.What} ({Said(held.Pressure)}).");
        if (Spike is { } peak && peak.Si > most.Pressure.Si)
            yield return new ProofRemark(
                Standing.Off, $"Closing spike {Said(peak)}, above the {most.What} ({Said(most.Pressure)}).");
        else if (SpikeShare(setup) is { } spike)
            yield return new ProofRemark(
                spike <= Normal ? Standing.AsExpected : spike <= Watch ? Standing.Doubtful : Standing.Off,
                $"Closing spike {Share(spike)} above what it is set to hold; up to {Share(Normal)} is normal.");
        if (Fall(pump, setup) is { } fall)
            yield return new ProofRemark(fall.Standing, Leaks(fall));
        if (StartsHard is { } hard)
            yield return new ProofRemark(hard ? Standing.Off : Standing.AsExpected, hard ? "Starts hard again." : "Starts easily again.");
    }

    // Behind an unloader or a stop switch only the hose side holds; elsewhere one gauge sees all that is shut.
    private bool Judged(ReciprocatingPump pump) =>
        pump.Control is not (ControlKind.Unloader or ControlKind.AutoStop) || Gauge == ShutGauge.Hose;

    private static string Leaks(PressureFall fall)
    {
        if (fall.Emptied)
            return "Shut, it falls to nothing: it does not hold.";
        var drops = fall.Leak.Si * SecondsAMinute * 1e6 / DropMillilitres;
        var said = drops < 100
            ? $"{drops.ToString("0", CultureInfo.InvariantCulture)} drops a minute"
            : $"{(drops * DropMillilitres).ToString("0", CultureInfo.InvariantCulture)} mL a minute";
        return $"Shut, it loses {said} or so; up to 20 drops hold.";
    }

    // Against what the control is set to hold: as set here, as set up, or as found by shutting; never against a running pressure.
    private double? SpikeShare(Setup setup) => Spike is { } spike && (Set ?? setup.ControlSetting ?? From) is { Si: > 0 } set
        ? Math.Max(0, (spike.Si / set.Si) - 1)
        : null;

    private static string Said(GaugePressure pressure) => pressure.Format(Units.Preferred(QuantityKind.GaugePressure));

    private static string Share(double share) => $"{Math.Round(share * 100).ToString(CultureInfo.InvariantCulture)} %";
}
