using MildHunch.Core.Faults;

namespace MildHunch.Core.Diagnosis.Hypotheses;

/// <summary>Two things wrong at once, by their place among the single hypotheses.</summary>
/// <param name="Prior">Probability before any evidence.</param>
internal sealed record Pair(int First, int Second, double Prior);

/// <summary>
/// Which pairs are worth considering (docs/trade.md, Verdict): the dozen or so singles that do best, among each other, the
/// best of them with every fault of the whole pump, and every fault that may sit in two cylinders at once.
/// </summary>
internal static class Pairs
{
    /// <summary>Share of the prior that all pairs hold together.</summary>
    public const double PriorShare = 0.15;

    private const double TwoValves = 3;
    private const int OfCylinders = 9;
    private const int OfThePump = 5;
    private const double Tied = 1e-4;

    // One fault in seven cylinders would otherwise leave no room for any other.
    private const int PlacesOfOneFault = 3;

    /// <summary>Pairs with their share of the prior. <paramref name="score"/>: how well each single does, on any scale.</summary>
    public static IReadOnlyList<Pair> Choose(IReadOnlyList<Hypothesis> singles, double[] score)
    {
        var all = 0.0;
        for (var i = 0; i < singles.Count; i++)
            for (var j = i + 1; j < singles.Count; j++)
                all += Weight(singles[i], singles[j]);
        if (all == 0)
            return [];
        var best = Best(singles, score);
        var leading = Leading(singles, score);
        var pairs = new List<Pair>();
        for (var i = 0; i < singles.Count; i++)
        {
            for (var j = i + 1; j < singles.Count; j++)
            {
                var twins = singles[i].Fault == singles[j].Fault && singles[i].Side == singles[j].Side;
                var beside = (leading.Contains(i) && singles[j].Cylinder is null) || (leading.Contains(j) && singles[i].Cylinder is null);
                if (!twins && !beside && !(best.Contains(i) && best.Contains(j)))
                    continue;
                var weight = Weight(singles[i], singles[j]);
                if (weight > 0)
                    pairs.Add(singles[i].EffectIndex <= singles[j].EffectIndex
                        ? new Pair(i, j, PriorShare * weight / all)
                        : new Pair(j, i, PriorShare * weight / all));
            }
        }

        return pairs;
    }

    // What stands beside the best single may do badly on its own: every fault of the whole pump is tried with it. Singles that do
    // equally well all lead, so that rounding does not choose between them.
    private static HashSet<int> Leading(IReadOnlyList<Hypothesis> singles, double[] score)
    {
        int[] faults = [.. Enumerable.Range(0, singles.Count).Where(h => singles[h].Fault.Id != Catalogue.NoFault)];
        var most = faults.Max(h => score[h]);
        return [.. faults.Where(h => score[h] >= (1 - Tied) * most)];
    }

    // Faults of one cylinder and faults of the whole pump are chosen apart: where any cylinder would do, its many faults
    // would crowd out the nozzle that has to be the other half. Places that nothing has told apart come in together or not
    // at all, so that no cylinder is favoured.
    private static HashSet<int> Best(IReadOnlyList<Hypothesis> singles, double[] score) =>
        [.. Best(singles, score, h => h.Cylinder is not null, OfCylinders), .. Best(singles, score, h => h.Cylinder is null, OfThePump)];

    private static HashSet<int> Best(IReadOnlyList<Hypothesis> singles, double[] score, Func<Hypothesis, bool> among, int most)
    {
        var best = new HashSet<int>();
        var places = new Dictionary<Fault, int>();
        var alikes = Enumerable.Range(0, singles.Count).Where(h => singles[h].Fault.Id != Catalogue.NoFault && among(singles[h]))
            .GroupBy(h => (singles[h].Fault, Score: Math.Round(Math.Log10(Math.Max(score[h], 1e-30)), 4)))
            .OrderByDescending(g => g.Key.Score);
        foreach (var alike in alikes)
        {
            if (places.Values.Sum() >= most)
                break;
            var had = places.GetValueOrDefault(alike.Key.Fault);
            if (had >= PlacesOfOneFault)
                continue;
            best.UnionWith(alike);
            places[alike.Key.Fault] = Math.Min(had + alike.Count(), PlacesOfOneFault);
        }

        return best;
    }

    private static double Weight(Hypothesis a, Hypothesis b)
    {
        if (!Together(a, b))
            return 0;
        return a.Prior * b.Prior * (IsValve(a.Fault) && IsValve(b.Fault) ? TwoValves : 1);
    }

    /// <summary>True where both can be: they touch different parts, or the same part in different cylinders.</summary>
    public static bool Together(Hypothesis a, Hypothesis b)
    {
        if (a.Fault.Id == Catalogue.NoFault || b.Fault.Id == Catalogue.NoFault)
            return false;
        if (a.Cylinder is { } k && b.Cylinder is { } m && k != m)
            return true;
        return a.Action != b.Action && (a.Fault.Part != b.Fault.Part || (a.Fault.HasSides && a.Side != b.Side));
    }

    private static bool IsValve(Fault fault) => fault.Part is "inlet-valve" or "discharge-valve";
}
