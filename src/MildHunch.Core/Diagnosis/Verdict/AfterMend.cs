using MildHunch.Core.Diagnosis.Hypotheses;
using MildHunch.Core.Diagnosis.Predictions;
using MildHunch.Core.Faults;
using MildHunch.Core.Numerics;

namespace MildHunch.Core.Diagnosis.Verdict;

/// <summary>
/// Carries what was known over a mend (docs/trade.md, After a mend): a fault that was reached is gone, one that was not stays as it was, of
/// a pair the other half stays; and any mend may itself have gone wrong.
/// </summary>
internal sealed class AfterMend
{
    // The likeliest that are left are tried together with what a mend may have left behind.
    private const int LeftTried = 12;
    private const double WorthKeeping = 1e-12;

    private readonly CaseOnPump laid;
    private readonly MendedPlaces places;
    private readonly SeverityBins fresh;
    private readonly double[][] singles;
    private readonly Dictionary<Spot, double[]> cells = [];
    private readonly int healthy;

    private AfterMend(CaseOnPump laid, SeverityBins fresh, MendedPlaces places)
    {
        (this.laid, this.fresh, this.places) = (laid, fresh, places);
        singles = [.. laid.Hypotheses.Select(_ => new double[PredictionTable.Fine])];
        healthy = Array.FindIndex([.. laid.Hypotheses], h => h.Fault.Id == Catalogue.NoFault);
    }

    /// <summary>How all stands right after the mends, before anything is read.</summary>
    public static Standing Of(CaseOnPump laid, SeverityBins fresh, Standing before, MendedPlaces places)
    {
        var after = new AfterMend(laid, fresh, places);
        after.Leave(before);
        return after.GoWrong();
    }

    private void Leave(Standing before)
    {
        for (var h = 0; h < before.Singles.Length; h++)
        {
            if (places.Reached[h])
                AddGone(before.Singles[h].Sum());
            else
                Vectors.AddTo(singles[h], before.Singles[h]);
        }

        for (var p = 0; p < before.Pairs.Count; p++)
        {
            var (pair, row) = (before.Pairs[p], before.Cells[p]);
            var (first, second) = (places.Reached[pair.First], places.Reached[pair.Second]);
            if (!first && !second)
                AddCells(new Spot(pair.First, pair.Second), row);
            else if (first && second)
                AddGone(row.Sum());
            else
                AddLevels(first ? pair.Second : pair.First, first, row);
        }
    }

    // Nothing is left of it: how bad it was tells nothing any more.
    private void AddGone(double mass)
    {
        var into = singles[healthy];
        for (var s = 0; s < into.Length; s++)
            into[s] += mass / into.Length;
    }

    // The half of a pair that stays keeps its level; within it its sizes are as likely as they were at first.
    private void AddLevels(int stays, bool isSecond, double[] row)
    {
        var levels = new double[SeverityBins.Levels];
        for (var cell = 0; cell < row.Length; cell++)
            levels[isSecond ? cell % SeverityBins.Levels : cell / SeverityBins.Levels] += row[cell];
        var effect = laid.Hypotheses[stays].EffectIndex;
        for (var l = 0; l < levels.Length; l++)
        {
            var of = Level(effect, l);
            for (var s = 0; s < of.Length; s++)
                singles[stays][s] += levels[l] * of[s];
        }
    }

    private double[] Level(int effect, int level)
    {
        var prior = fresh.Prior[effect]
            .Select((p, s) => SeverityBins.LevelOf(fresh.Notice[effect][fresh.BinOf[effect][s]]) == level ? p : 0).ToArray();
        var sum = prior.Sum();
        return sum > 0 ? [.. prior.Select(p => p / sum)] : [.. prior.Select(_ => 1.0 / prior.Length)];
    }

    private void AddCells(Spot spot, double[] row)
    {
        if (!cells.TryGetValue(spot, out var into))
            into = cells[spot] = new double[row.Length];
        Vectors.AddTo(into, row);
    }

    // In the order in which pairs stand.
    private Spot Of(int one, int other)
    {
        var (a, b) = (laid.Hypotheses[one].EffectIndex, laid.Hypotheses[other].EffectIndex);
        return a < b || (a == b && one < other) ? new Spot(one, other) : new Spot(other, one);
    }

    // Where a mend went wrong, what it left is there, alone or beside what was there before.
    private Standing GoWrong()
    {
        int[] wrong = [.. Enumerable.Range(0, places.Failing.Length).Where(h => places.Failing[h] > 0)];
        var left = singles.Select(s => s.Sum()).ToArray();
        int[] beside = [.. Enumerable.Range(0, left.Length).Where(h => h != healthy && left[h] > WorthKeeping)
            .OrderByDescending(h => left[h]).Take(LeftTried)];
        foreach (var h in beside)
        {
            int[] with = [.. wrong.Where(m => Pairs.Together(laid.Hypotheses[h], laid.Hypotheses[m]))];
            foreach (var m in with)
                AddCells(Of(h, m), Beside(Of(h, m), h, left[h] * places.Failing[m]));
            Vectors.Scale(singles[h], 1 - with.Sum(m => places.Failing[m]));
        }

        Vectors.Scale(singles[healthy], 1 - places.Failing.Sum());
        foreach (var m in wrong)
        {
            var prior = fresh.Prior[laid.Hypotheses[m].EffectIndex];
            for (var s = 0; s < prior.Length; s++)
                singles[m][s] += left[healthy] * places.Failing[m] * prior[s];
        }

        var kept = cells.Where(c => c.Value.Sum() > WorthKeeping).OrderBy(c => c.Key.First).ThenBy(c => c.Key.Second).ToArray();
        return new Standing(
            singles, [.. kept.Select(c => new Pair(c.Key.First, c.Key.Second, c.Value.Sum()))], [.. kept.Select(c => c.Value)]);
    }

    private double[] Beside(Spot spot, int left, double mass)
    {
        var (a, b) = (Levels(spot.First, left), Levels(spot.Second, left));
        var row = new double[SeverityBins.Levels * SeverityBins.Levels];
        for (var cell = 0; cell < row.Length; cell++)
            row[cell] = mass * a[cell / SeverityBins.Levels] * b[cell % SeverityBins.Levels];
        return row;
    }

    // Of what is left as it stands by now, of what a mend left as likely as any size is.
    private double[] Levels(int single, int left)
    {
        var effect = laid.Hypotheses[single].EffectIndex;
        var levels = new double[SeverityBins.Levels];
        var mass = single == left ? singles[single] : fresh.Prior[effect];
        for (var s = 0; s < mass.Length; s++)
            levels[SeverityBins.LevelOf(fresh.Notice[effect][fresh.BinOf[effect][s]])] += mass[s];
        Vectors.Scale(levels, 1 / Math.Max(levels.Sum(), double.Epsilon));
        return levels;
    }

    private readonly record struct Spot(int First, int Second);
}
