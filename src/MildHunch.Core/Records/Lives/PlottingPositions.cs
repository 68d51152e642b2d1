using MildHunch.Core.Numerics;

namespace MildHunch.Core.Records.Lives;

/// <summary>A failure on the probability plot: the share that has failed by then.</summary>
public sealed record PlottedFailure(double Hours, double Failed);

/// <summary>
/// Where failures stand on a probability plot: the product-limit estimate (Kaplan and Meier 1958), each failure in the middle of its
/// step. Where parts are watched from an age on, the one or two watched at first would carry it to all failed at once and for good: the
/// hazards are then added instead (Nelson 1969, Aalen 1978).
/// </summary>
public static class PlottingPositions
{
    /// <summary>One for each failure, the earliest first; a failure found at an opening stands in the middle of its span.</summary>
    public static IReadOnlyList<PlottedFailure> Of(IReadOnlyList<WatchedLife> lives)
    {
        double At(WatchedLife l) => l.Found is { } f ? 0.5 * (Math.Max(f.Good, l.From) + f.Failed) : l.Hours;
        var late = lives.Any(l => l.From > 0);
        double[] ends = [.. lives.Select(At).Order()];
        double[] entries = [.. lives.Select(l => l.From).Order()];
        double alive = 1;
        List<PlottedFailure> points = [];
        foreach (var failed in lives.Where(l => l.Failed).GroupBy(At).OrderBy(g => g.Key))
        {
            // Watched then: everything that ended later or just then, but for what came under watch only afterwards.
            var watched = From(ends) - From(entries);
            int From(double[] rising) => rising.Length - Rising.First(rising, h => h >= failed.Key);
            var share = (double)failed.Count() / Math.Max(watched, failed.Count());
            var after = alive * (late ? Math.Exp(-share) : 1 - share);
            points.Add(new PlottedFailure(failed.Key, 1 - (0.5 * (alive + after))));
            alive = after;
        }

        return points;
    }
}
