using System.Globalization;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;

namespace MildHunch.Core.Service.Proving;

/// <summary>What the outlet showed when it was shut. Everything may be missing.</summary>
/// <param name="Set">What the control holds, or was running at before it was shut.</param>
/// <param name="Spike">Highest reading as it was shut.</param>
/// <param name="From">What it stood at once shut.</param>
/// <param name="To">What it stood at later.</param>
/// <param name="Over">Between the two.</param>
/// <param name="StartsHard">How it started again.</param>
public sealed record ShutOutlet(
    GaugePressure? Set, GaugePressure? Spike, GaugePressure? From, GaugePressure? To, Duration? Over, bool? StartsHard)
{
    // Normal up to 15 % above the setting (docs/trade.md, Controls); as much again is a remark (common practice, no source).
    private const double Normal = 0.15;
    private const double Watch = 0.25;

    /// <summary>What leaks while it is shut; null where that was not read.</summary>
    /// <exception cref="ImpossibleInputException">Readings that cannot be.</exception>
    public PressureFall? Fall(Setup setup) =>
        From is { } from && To is { } to && Over is { } over ? PressureFall.Of(setup, from, to, over) : null;

    /// <summary>The answer it gives to the question of the shut outlet; null where nothing was read.</summary>
    public string? Answer(Setup setup) =>
        SpikeShare > Watch ? "spikes" : Fall(setup) is { } fall ? fall.Holds ? "holds" : "bleeds-down" : null;

    /// <summary>What it says.</summary>
    public IEnumerable<ProofRemark> Remarks(Setup setup)
    {
        if (SpikeShare is { } spike)
            yield return new ProofRemark(
                spike <= Normal ? Standing.AsExpected : spike <= Watch ? Standing.Doubtful : Standing.Off,
                $"Closing spike {Share(spike)} above what it holds; up to {Share(Normal)} is normal.");
        if (Fall(setup) is { } fall)
            yield return new ProofRemark(
                fall.Holds ? Standing.AsExpected : Standing.Off,
                $"Shut, it loses {Share(fall.ShareAMinute)} of its pressure in a minute, "
                    + $"{fall.Leak.Format(Units.Preferred(QuantityKind.VolumeFlow))} or so.");
        if (StartsHard is { } hard)
            yield return new ProofRemark(hard ? Standing.Off : Standing.AsExpected, hard ? "Starts hard again." : "Starts easily again.");
    }

    private static string Share(double share) => $"{Math.Round(share * 100).ToString(CultureInfo.InvariantCulture)} %";

    private double? SpikeShare => Spike is { } spike && Set is { } set && set.Si > 0 ? Math.Max(0, (spike.Si / set.Si) - 1) : null;
}
