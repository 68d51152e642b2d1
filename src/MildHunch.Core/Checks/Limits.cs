using System.Globalization;
using MildHunch.Core.Faults;

namespace MildHunch.Core.Checks;

/// <summary>What cannot or must not be done today.</summary>
/// <param name="Without">Tools that are not at hand, as named by the checks.</param>
/// <param name="KeepRunning">The plant must not be stopped.</param>
/// <param name="MostMinutes">Longest check there is time for, putting back included; 1 and more.</param>
/// <param name="Apprentice">Only what an apprentice may do alone.</param>
/// <param name="Avoid">Hazards that nobody will answer for here today.</param>
public sealed record Limits(
    IReadOnlyList<string> Without, bool KeepRunning = false, double? MostMinutes = null, bool Apprentice = false,
    IReadOnlyList<string>? Avoid = null)
{
    /// <summary>Nothing stands in the way.</summary>
    public static readonly Limits None = new([]);

    /// <summary>True where a check may be done under these limits.</summary>
    public bool Allow(Check check) =>
        !(KeepRunning && check.Stops) && !(Apprentice && check.Skilled) && !(check.AllMinutes > MostMinutes)
        && !check.Needs.Any(Without.Contains) && !check.Hazards.Any(h => Avoid?.Contains(h) == true);

    /// <summary>Checks that the catalogue knows all that is named.</summary>
    /// <exception cref="ImpossibleInputException">A tool or hazard nobody knows.</exception>
    public void Check(Catalogue catalogue)
    {
        foreach (var tool in Without)
            if (!catalogue.Tools.Contains(tool))
                throw new ImpossibleInputException("limits.without", $"“{tool}”", string.Join(", ", catalogue.Tools));
        foreach (var hazard in Avoid ?? [])
            if (hazard is null || catalogue.Hazard(hazard) is null)
                throw new ImpossibleInputException(
                    "limits.avoid", $"“{hazard}”", string.Join(", ", catalogue.Hazards.Select(h => h.Id)));
        if (MostMinutes is { } minutes)
            Guard.Within("limits.mostMinutes", minutes, 1, 1000, minutes.ToString(CultureInfo.InvariantCulture), "1 to 1000 minutes");
    }
}
