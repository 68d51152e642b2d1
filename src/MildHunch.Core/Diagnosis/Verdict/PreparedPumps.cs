using MildHunch.Core.Diagnosis.Hypotheses;
using MildHunch.Core.Diagnosis.Likelihood;
using MildHunch.Core.Diagnosis.Predictions;
using MildHunch.Core.Faults;
using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Pumps;

namespace MildHunch.Core.Diagnosis.Verdict;

/// <summary>A pump solved under every effect: all of a diagnosis that does not depend on the evidence.</summary>
/// <param name="Looked">Severities where somebody looked for water on the floor; <paramref name="Unsaid"/> where nobody said a word of
/// it.</param>
internal sealed record PreparedPump(
    IPumpModel Model, PredictionTable Table, PairTable Pairs, SeverityBins Looked, SeverityBins Unsaid, CueModel Cues, LeakRates Leaks)
{
    public long Bytes => Table.Bytes + Pairs.Bytes;
}

/// <summary>What the words of the catalogue depend on.</summary>
internal readonly record struct PumpKind(int Cylinders, ControlKind Control, HeadLayout Layout, Arrangement Arrangement, Fitting Fittings);

/// <summary>
/// Keeps the prepared pumps asked about last: a case asks about the same one after every entry. A pure function remembered,
/// up to so many bytes.
/// </summary>
internal sealed class PreparedPumps(Catalogue catalogue, Func<ReciprocatingPump, Setup, IPumpModel> modelOf)
{
    private const long MostBytes = 128L << 20;
    private const long MostWordBytes = 32L << 20;
    private readonly BoundedMemory<(ReciprocatingPump Pump, Setup Setup), PreparedPump> pumps = new(MostBytes, p => p.Bytes);
    private readonly BoundedMemory<PumpKind, CueModel> words = new(MostWordBytes, w => w.Bytes);

    public PreparedPump For(ReciprocatingPump pump, Setup setup) => pumps.Get((pump, setup), _ => Prepare(pump, setup));

    private PreparedPump Prepare(ReciprocatingPump pump, Setup setup)
    {
        var set = HypothesisSet.For(catalogue, pump, setup, []);
        var solved = modelOf(pump, setup);
        var table = new PredictionTable(solved, set.Effects);
        var model = words.Get(
            new PumpKind(pump.Cylinders, pump.Control, pump.HeadLayout, pump.Arrangement, Fittings.Of(pump, setup)),
            _ => new CueModel(catalogue, pump, setup, set.All));
        var leaks = new LeakRates(solved.ForPairs, table);
        var bins = new SeverityBins(table, pump, setup, leaks);
        return new PreparedPump(solved, table, new PairTable(solved.ForPairs, table), bins, bins.Unsaid(table, pump), model, leaks);
    }
}
