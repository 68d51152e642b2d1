using MildHunch.Bench.Accuracy;
using MildHunch.Core.Diagnosis.Hypotheses;
using MildHunch.Core.Faults;
using MildHunch.Core.Faults.Effects;
using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;
using MildHunch.Core.Simulation;
using MildHunch.Web.Evidence;
using MildHunch.Web.Shared;

namespace MildHunch.DemoYears;

/// <summary>What was read and seen at a pump with one fault, by the time model and the catalogue’s own odds.</summary>
internal sealed class CaseStory(Catalogue catalogue, ReciprocatingPump pump, Setup setup, Random random)
{
    private const int MostCues = 5;
    private static readonly string[] Quantities = ["discharge-pressure", "nozzle-flow", "bypass-flow", "speed"];

    // Asked in this order; what a pump does not have is left out.
    private static readonly string[] Asked =
    [
        "needle", "leak-at", "bypass-with-outlet-open", "inlet-hose", "sound", "oil", "cap-listen", "rhythm", "weep-standing",
        "closed-outlet",
    ];

    /// <summary>The fault at its place; null where this pump cannot have it.</summary>
    public Hypothesis? Truth(string fault, int? cylinder, Side? side)
    {
        var all = HypothesisSet.For(catalogue, pump, setup, []).All.Where(h => h.Fault.Id == fault).ToArray();
        return all.FirstOrDefault(h => (h.Cylinder is null || h.Cylinder == (cylinder ?? 1))
            && (h.Side is null || side is null || h.Side == side));
    }

    /// <summary>Readings and answers before the mend.</summary>
    public (ReadingDto[] Readings, CueDto[] Cues) Before(Hypothesis truth)
    {
        double[] severity = [0.35 + (0.6 * random.NextDouble())];
        var load = new FaultLoad(
            truth.Fault.Id, EffectLibrary.Find(truth.Fault.EffectOn(truth.Side))!.ToDisplayed(severity[0]), truth.Cylinder, truth.Side);
        var readings = Read(FaultLoad.Lay(catalogue, pump, setup, [load]), null);
        var known = catalogue.Cues.Where(c => !c.Retired && Catalogue.Fits(c, pump, setup) && Asked.Contains(c.Id))
            .OrderBy(c => Array.IndexOf(Asked, c.Id));
        var told = DrawnCase.Answers(catalogue, pump, setup, [truth], severity, known.Take(MostCues), random);
        return (readings, [.. told.Select(c => new CueDto(
            c.Cue, c.Answer, c.Cylinder, c.Side?.Named(), c.DropsPerMinute, Stream: c.Stream ? true : null))]);
    }

    /// <summary>Readings once it is mended.</summary>
    public ReadingDto[] After() => Read(new Condition(), "after");

    private ReadingDto[] Read(Condition condition, string? at)
    {
        var means = PumpSimulation.Run(new OperatingPointSolver(pump, setup), condition, DrawnCase.Plan(pump)).Means;
        return
        [
            .. DrawnCase.Read(pump, setup, means, condition, random).Where(r => Quantities.Contains(r.Reading.What.Id)).Select(r =>
            {
                var unit = Units.Preferred(r.Reading.What.Kind);
                var si = DrawnCase.Held(r.Reading.What, r.Reading.Value.Si + r.Error);
                return new ReadingDto(r.Reading.What.Id, new QuantityDto(Rounded(unit.FromSi(si)), unit.Symbol), At: at);
            }),
        ];
    }

    private static double Rounded(double value) =>
        value == 0 ? 0 : Math.Round(value, Math.Clamp(2 - (int)Math.Floor(Math.Log10(Math.Abs(value))), 0, 6));
}
