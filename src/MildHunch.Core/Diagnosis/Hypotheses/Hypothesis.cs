using MildHunch.Core.Evidence;
using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;

namespace MildHunch.Core.Diagnosis.Hypotheses;

/// <summary>One thing that may be wrong: a fault at a place. (Pairs of these come as further hypotheses.)</summary>
/// <param name="Prior">Probability before any evidence; all hypotheses sum to 1.</param>
/// <param name="EffectIndex">Which solved effect it shares with its twins in other cylinders.</param>
public sealed record Hypothesis(Fault Fault, int? Cylinder, Side? Side, double Prior, int EffectIndex)
{
    /// <summary>What is mended when it is this.</summary>
    public string Action => Fault.ActionOn(Side);
}

/// <summary>All hypotheses for one pump, with their priors.</summary>
public sealed class HypothesisSet
{
    private HypothesisSet(IReadOnlyList<Hypothesis> all, IReadOnlyList<string> effects)
    {
        All = all;
        Effects = effects;
    }

    /// <summary>Every hypothesis about this pump; priors add to 1.</summary>
    public IReadOnlyList<Hypothesis> All { get; }

    /// <summary>Distinct effects, each solved once however many places it can sit in.</summary>
    public IReadOnlyList<string> Effects { get; }

    /// <summary>Catalogue weight times context, only what this pump can have. An end of an intensifier counts as a cylinder.</summary>
    public static HypothesisSet For(Catalogue catalogue, ReciprocatingPump pump, Setup setup, IReadOnlyList<string> contexts) =>
        For(catalogue, pump, setup, CaseEvidence.None with { Contexts = contexts });

    /// <summary>The same with hours run and what was found in the shop's own closed cases of such pumps.</summary>
    public static HypothesisSet For(Catalogue catalogue, ReciprocatingPump pump, Setup setup, CaseEvidence evidence)
    {
        var effects = new List<string>();
        var raw = new List<Hypothesis>();
        var fittings = Fittings.Of(pump, setup);
        var opened = evidence.Opened || evidence.Contexts.Any(c => catalogue.Context(c)!.Opened);
        var history = new ShopHistory(catalogue, pump, setup, evidence.Found, opened);
        foreach (var fault in catalogue.Faults.Where(f => Catalogue.Fits(f, pump, fittings)).Select(f => f.On(pump)))
        {
            var weight = history.WeightOf(fault);
            foreach (var where in fault.WeightWhere.Where(w => fittings.HasAll(w.Fitted)))
                weight *= where.Multiply;
            foreach (var id in evidence.Contexts)
                weight *= catalogue.Context(id)!.Multiply.GetValueOrDefault(fault.Id, 1);
            Side?[] sides = fault.Location switch
            {
                FaultLocation.Cavity => [Side.Inlet, Side.Discharge],
                FaultLocation.Cap => [.. pump.CapSides().Select(s => (Side?)s)],
                _ => [fault.Side is null ? null : Enum.Parse<Side>(fault.Side, true)],
            };
            IEnumerable<int?> places = fault.Location == FaultLocation.None
                ? [null]
                : Enumerable.Range(1, pump.Cylinders).Select(k => (int?)k);
            raw.AddRange(places.SelectMany(k => sides.Select(side => new Hypothesis(
                fault, k, side, weight * fault.HazardAt(HoursOf(fault, k), OwnLife(fault)), EffectOf(fault.EffectOn(side))))));
        }

        var sum = raw.Sum(h => h.Prior);
        return new HypothesisSet([.. raw.Select(h => h with { Prior = h.Prior / sum })], effects);

        double HoursOf(Fault fault, int? cylinder) =>
            evidence.Hours.Where(h => (h.Part == fault.Part || h.Part == fault.Wearing) && (h.Cylinder is null || h.Cylinder == cylinder))
                .Select(h => h.Hours)
                .DefaultIfEmpty(0).Max();

        Wear? OwnLife(Fault fault) => fault.Wearing is { } kind ? evidence.Lives.GetValueOrDefault(kind) : null;

        int EffectOf(string id)
        {
            if (!effects.Contains(id))
                effects.Add(id);
            return effects.IndexOf(id);
        }
    }
}
