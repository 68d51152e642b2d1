using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;

namespace MildHunch.Core.Diagnosis;

/// <summary>A number read at the pump.</summary>
/// <param name="What">What was read.</param>
/// <param name="Value">How much, SI inside.</param>
/// <param name="Sigma">One sigma in SI when the technician told it.</param>
/// <param name="Unit">The unit in which it was read, for telling it again.</param>
public sealed record Reading(Observable What, Amount Value, double? Sigma = null, Unit? Unit = null)
{
    /// <summary>The unit to tell it in.</summary>
    public Unit Told => Unit ?? Units.Preferred(What.Kind);
}

/// <summary>A cue as it was answered; a place where the answer has one, drops a minute where it drips.</summary>
public sealed record CueFact(string Cue, string Answer, int? Cylinder = null, Side? Side = null, double? DropsPerMinute = null);

/// <summary>Everything that is known of one case.</summary>
public sealed record Evidence(IReadOnlyList<Reading> Readings, IReadOnlyList<CueFact> Cues, IReadOnlyList<string> Contexts)
{
    public static readonly Evidence None = new([], [], []);

    /// <summary>The readings of one quantity.</summary>
    public IEnumerable<Reading> Of(Observable what) => Readings.Where(r => r.What.Index == what.Index);

    /// <summary>Mean and one sigma of the mean of all readings of a quantity, SI; null when there is none.</summary>
    public (double Value, double Sigma)? Combined(Observable what, Func<Reading, double> sigmaOf)
    {
        double weight = 0, sum = 0, least = double.PositiveInfinity, most = double.NegativeInfinity;
        foreach (var reading in Of(what))
        {
            var w = 1 / Math.Pow(sigmaOf(reading), 2);
            weight += w;
            sum += w * reading.Value.Si;
            least = Math.Min(least, reading.Value.Si);
            most = Math.Max(most, reading.Value.Si);
        }

        // A mean lies among its readings; rounding must not carry it past the edge of what was accepted.
        return weight > 0 ? (Math.Clamp(sum / weight, least, most), 1 / Math.Sqrt(weight)) : null;
    }
}
