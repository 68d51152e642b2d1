using System.Collections.Concurrent;
using MildHunch.Core.Faults;
using MildHunch.Core.Hydraulics;
using MildHunch.Core.Pumps;

namespace MildHunch.Core.Diagnosis;

/// <summary>A pump solved under every effect: all of a diagnosis that does not hang on the evidence.</summary>
internal sealed record PreparedPump(IPumpModel Model, PredictionTable Table, PairTable Pairs, SeverityBins Bins, CueModel Cues, LeakRates Leaks);

/// <summary>
/// Keeps the last few prepared pumps: a case asks about the same one after every entry. A pure function remembered, so
/// it changes the time and never the answer.
/// </summary>
internal sealed class PreparedPumps(Catalogue catalogue, Func<ReciprocatingPump, Setup, IPumpModel> modelOf)
{
    private const int Most = 64;
    private readonly ConcurrentDictionary<(ReciprocatingPump, Setup), PreparedPump> pumps = new();
    private readonly ConcurrentDictionary<(int, ControlKind, HeadLayout, Arrangement, bool, bool), CueModel> cues = new();

    public PreparedPump For(ReciprocatingPump pump, Setup setup)
    {
        if (pumps.TryGetValue((pump, setup), out var known))
            return known;
        var set = HypothesisSet.For(catalogue, pump, setup, []);
        var solved = modelOf(pump, setup);
        var table = new PredictionTable(solved, set.Effects);
        var model = cues.GetOrAdd(
            (pump.Cylinders, pump.Control, pump.HeadLayout, pump.Arrangement, setup.Dampener is not null, setup.Injector is not null),
            _ => new CueModel(catalogue, pump, setup, set.All));
        if (pumps.Count >= Most)
            pumps.Clear();
        var bins = new SeverityBins(table, pump, setup);
        return pumps[(pump, setup)] = new PreparedPump(solved, table, new PairTable(solved.ForPairs, table), bins, model, new LeakRates(solved.ForPairs, table, bins));
    }
}
