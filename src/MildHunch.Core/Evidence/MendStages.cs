using System.Globalization;
using MildHunch.Core.Pumps;

namespace MildHunch.Core.Evidence;

/// <summary>
/// What was taken of a pump that was mended between, as evidence: by what lay behind the pump when it was taken. Mends with nothing taken
/// between them are one.
/// </summary>
public static class MendStages
{
    // Each mend that something was taken after costs a verdict of its own.
    private const int MostMended = 500;
    private const int MostStages = 20;

    /// <summary>
    /// What was taken after the last mend, with all before. Where nobody tells what was mended, only what was taken after it counts once
    /// anything was.
    /// </summary>
    /// <exception cref="ImpossibleInputException">A reading that cannot be.</exception>
    public static CaseEvidence Evidence(
        ReciprocatingPump pump, Setup setup, IReadOnlyList<TakenReading> taken, IReadOnlyList<CueFact> cues, IReadOnlyList<string> contexts,
        IReadOnlyList<Mended> mended)
    {
        Guard.Within(
            "mended", mended.Count, 0, MostMended, mended.Count.ToString(CultureInfo.InvariantCulture),
            $"at most {MostMended} things mended");
        CaseEvidence At(Func<int, bool> mends) => AsTaken.Evidence(
            pump, setup, [.. taken.Where(t => mends(t.Mends))], [.. cues.Where(c => mends(c.Mends))], contexts);
        if (mended.Count == 0)
        {
            var last = taken.Select(t => t.Mends).Concat(cues.Select(c => c.Mends)).DefaultIfEmpty(0).Max();
            return At(mends => mends == last);
        }

        var stages = taken.Select(t => t.Mends).Concat(cues.Select(c => c.Mends)).Distinct().Count();
        Guard.Within(
            "mended", stages, 0, MostStages, $"readings and answers after {stages} of them", $"at most {MostStages} mends told apart so");
        var before = new List<BeforeMend>();
        for (var (from, n) = (0, 1); n <= mended.Count; n++)
        {
            var ends = n == mended.Count || taken.Any(t => t.Mends == n) || cues.Any(c => c.Mends == n);
            if (!ends)
                continue;
            var stage = At(mends => mends == from);
            before.Add(new BeforeMend(stage.Readings, stage.Cues, [.. mended.Skip(from).Take(n - from)]));
            from = n;
        }

        return At(mends => mends == mended.Count) with { Before = before };
    }
}
