using MathNet.Numerics.Distributions;

namespace MildHunch.Core.Records.Running;

/// <summary>A reading as a share of what was expected, on a day.</summary>
public sealed record SharePoint(DateOnly On, double Share);

/// <summary>Where the line stands on a day, with its band of 90 %.</summary>
public sealed record DriftPoint(DateOnly On, double Share, double Low, double High);

/// <summary>
/// The straight line through readings since a pump was last served, by least squares; bands by Student’s law (any textbook of
/// statistics).
/// It is a line, not a promise: a valve that lets go does not follow it.
/// </summary>
public sealed class Drift
{
    /// <summary>Fewer readings than these make no line.</summary>
    public const int Fewest = 3;
    private const double Year = 365.25;
    private const double Upper = 0.95;

    private readonly DateOnly origin;
    private readonly double meanDay;
    private readonly double meanShare;
    private readonly double spread;
    private readonly double residual;
    private readonly double t;
    private readonly int count;

    private Drift(IReadOnlyList<SharePoint> points)
    {
        count = points.Count;
        origin = points.Min(p => p.On);
        var x = points.Select(p => (double)(p.On.DayNumber - origin.DayNumber)).ToArray();
        (meanDay, meanShare) = (x.Average(), points.Average(p => p.Share));
        spread = x.Sum(d => (d - meanDay) * (d - meanDay));
        var slope = points.Select((p, i) => (x[i] - meanDay) * (p.Share - meanShare)).Sum() / spread;
        residual = Math.Sqrt(
            points.Select((p, i) => Math.Pow(p.Share - meanShare - (slope * (x[i] - meanDay)), 2)).Sum() / (count - 2));
        t = StudentT.InvCDF(0, 1, count - 2, Upper);
        PerYear = slope * Year;
        var band = t * residual / Math.Sqrt(spread) * Year;
        (Low, High) = (PerYear - band, PerYear + band);
    }

    /// <summary>Change of the share a year.</summary>
    public double PerYear { get; }

    /// <summary>Lower end of its band of 90 %.</summary>
    public double Low { get; }

    /// <summary>Upper end of its band of 90 %.</summary>
    public double High { get; }

    /// <summary>True where its band does not hold 0.</summary>
    public bool Told => Low > 0 || High < 0;

    /// <summary>The line; null where there are fewer than three readings or they lie on one day.</summary>
    public static Drift? Through(IReadOnlyList<SharePoint> points) =>
        points.Count >= Fewest && points.Select(p => p.On).Distinct().Count() >= Fewest ? new Drift(points) : null;

    /// <summary>Where a reading would lie on a day.</summary>
    public DriftPoint On(DateOnly day)
    {
        double x = day.DayNumber - origin.DayNumber, share = meanShare + (PerYear / Year * (x - meanDay));
        var band = t * residual * Math.Sqrt(1 + (1.0 / count) + ((x - meanDay) * (x - meanDay) / spread));
        return new DriftPoint(day, share, share - band, share + band);
    }
}
