using MildHunch.Core.Expectation;
using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;

namespace MildHunch.Core.Evidence;

/// <summary>A number read at the pump.</summary>
/// <param name="What">What was read.</param>
/// <param name="Value">How much, SI inside.</param>
/// <param name="Sigma">One sigma in SI when the technician gave it.</param>
/// <param name="Unit">The unit in which it was read, for telling it again.</param>
/// <param name="Source">What it is called by whoever entered it, where that is not its place in the list.</param>
public sealed record Reading(Observable What, Amount Value, double? Sigma = null, Unit? Unit = null, string? Source = null)
{
    /// <summary>The unit to tell it in.</summary>
    public Unit ReadIn => Unit ?? Units.Preferred(What.Kind);
}

/// <summary>When something drips.</summary>
public enum Dripping
{
    /// <summary>Nobody said.</summary>
    Unsaid,

    /// <summary>Only while the pump runs.</summary>
    Running,

    /// <summary>Also while it stands.</summary>
    Standing,
}

/// <summary>A cue as it was answered; a place where the answer has one, drops a minute where it drips.</summary>
/// <param name="Stream">It runs rather than drips: more than anyone counts.</param>
/// <param name="When">Whether it drips also while the pump stands.</param>
/// <param name="Mends">How many mends lay behind the pump when it was seen.</param>
public sealed record CueFact(
    string Cue, string Answer, int? Cylinder = null, Side? Side = null, double? DropsPerMinute = null, string? Source = null,
    bool Stream = false, Dripping When = Dripping.Unsaid, int Mends = 0)
{
    /// <summary>True where it was told how fast it drips.</summary>
    public bool Rated => Stream || DropsPerMinute is > 0;
}

/// <summary>Hours that parts have run since they were new; of one cylinder, or of all where none is named.</summary>
public sealed record PartHours(string Part, double Hours, int? Cylinder = null);

/// <summary>Something about a reading that has to be said aloud.</summary>
public sealed record EvidenceNote(string Source, string Text);

/// <summary>Everything that is known of one case.</summary>
public sealed record CaseEvidence(IReadOnlyList<Reading> Readings, IReadOnlyList<CueFact> Cues, IReadOnlyList<string> Contexts)
{
    /// <summary>Nothing is known yet.</summary>
    public static readonly CaseEvidence None = new([], [], []);

    /// <summary>How long seals and the like have run.</summary>
    public IReadOnlyList<PartHours> Hours { get; init; } = [];

    /// <summary>Lives that the shop’s own record tells, by the kind of part: they take the place of the catalogue’s.</summary>
    public IReadOnlyDictionary<string, Wear> Lives { get; init; } = new Dictionary<string, Wear>();

    /// <summary>What was found in closed cases of pumps of this type: times by fault.</summary>
    public IReadOnlyDictionary<string, int> Found { get; init; } = new Dictionary<string, int>();

    /// <summary>What was known before each mend of this case, first to last; readings and answers here are those after the last.</summary>
    public IReadOnlyList<BeforeMend> Before { get; init; } = [];

    /// <summary>True where the record says that the pump was opened at some time; a context may say so, too.</summary>
    public bool Opened { get; init; }

    /// <summary>What was put right in the readings, to be shown beside the verdict.</summary>
    public IReadOnlyList<EvidenceNote> Notes { get; init; } = [];

    /// <summary>Cues and quantities that were tried and could not be had: no evidence, but not asked for again.</summary>
    public IReadOnlyList<string> CouldNot { get; init; } = [];

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
