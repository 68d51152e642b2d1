using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;

namespace MildHunch.Core.Diagnosis;

/// <summary>A number read at the pump. <paramref name="Sigma"/> is one sigma in SI when the technician told it.</summary>
public sealed record Reading(Observable What, Amount Value, double? Sigma = null);

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
        double weight = 0, sum = 0;
        foreach (var reading in Of(what))
        {
            var w = 1 / Math.Pow(sigmaOf(reading), 2);
            weight += w;
            sum += w * reading.Value.Si;
        }

        return weight > 0 ? (sum / weight, 1 / Math.Sqrt(weight)) : null;
    }
}
