namespace MildHunch.Core.Records.Lives;

/// <summary>A failure on the probability plot: the share that has failed by then.</summary>
public sealed record PlottedFailure(double Hours, double Failed);

/// <summary>
/// Where failures stand on a probability plot: the product-limit estimate (Kaplan and Meier 1958) with parts watched from an age on, each
/// failure in the middle of its step.
/// </summary>
public static class PlottingPositions
{
    /// <summary>One for each failure, the earliest first; a failure found at an opening stands in the middle of its span.</summary>
    public static IReadOnlyList<PlottedFailure> Of(IReadOnlyList<WatchedLife> lives)
    {
        double At(WatchedLife l) => l.Found is { } f ? 0.5 * (f.Good + f.Failed) : l.Hours;
        double alive = 1;
        List<PlottedFailure> points = [];
        foreach (var life in lives.Where(l => l.Failed).OrderBy(At))
        {
            var hours = At(life);
            var failedThen = lives.Count(l => l.Failed && At(l) == hours);
            var watched = lives.Count(l => l.From < hours && At(l) >= hours);
            if (points.Count > 0 && points[^1].Hours == hours)
                continue;
            var after = alive * (1 - ((double)failedThen / Math.Max(watched, failedThen)));
            points.Add(new PlottedFailure(hours, 1 - (0.5 * (alive + after))));
            alive = after;
        }

        return points;
    }
}
