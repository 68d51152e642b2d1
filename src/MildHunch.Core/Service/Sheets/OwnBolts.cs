using System.Globalization;

namespace MildHunch.Core.Service.Sheets;

/// <summary>Bolts of a group as they are on one pump; what is null or empty is as the sheet has it.</summary>
public sealed record OwnBolts
{
    /// <summary>Square drives of wrenches, inches.</summary>
    public static IReadOnlyList<string> Drives { get; } = ["1/4", "3/8", "1/2", "3/4", "1"];

    /// <summary>Most passes that a sheet may ask for.</summary>
    public const int MostPasses = 8;
    private const int LongestWrench = 60;

    /// <summary>Name of a <see cref="BoltPattern"/>: how many, and how they stand.</summary>
    public string? Pattern { get; init; }

    /// <summary>How they come to their torque.</summary>
    public TorqueSteps? Steps { get; init; }

    /// <summary>Shares of the torque, one a pass, above 0, the last one 1.</summary>
    public IReadOnlyList<double> Shares { get; init; } = [];

    /// <summary>Numbers in the order of tightening.</summary>
    public IReadOnlyList<int> Tighten { get; init; } = [];

    /// <summary>Numbers in the order of loosening.</summary>
    public IReadOnlyList<int> Loosen { get; init; } = [];

    /// <summary>What fits them, in a few words.</summary>
    public string? Wrench { get; init; }

    /// <summary>Square drive, one of <see cref="Drives"/>.</summary>
    public string? Drive { get; init; }

    /// <summary>The group of the sheet as it is on this pump.</summary>
    /// <exception cref="ImpossibleInputException">What cannot be, by its field: "pattern", "steps", "shares", "tighten" …</exception>
    public BoltGroup On(BoltGroup group)
    {
        var own = group;
        if (Pattern is not null && Pattern != group.Pattern)
        {
            var pattern = BoltPattern.Find(Pattern)
                ?? throw new ImpossibleInputException("pattern", $"“{Pattern}”", string.Join(", ", BoltPattern.Names));

            // Orders of the sheet are of the sheet's own pattern.
            own = own with
            {
                Pattern = Pattern,
                Loosen = [],
                HandStart = [],
                Snug = [],
                Tighten = [],
                GuideStuds = own.GuideStuds && pattern.GuideStuds.Count > 0,
            };
        }

        if ((Steps is not null || Shares.Count > 0) && group.During is not null)
            throw new ImpossibleInputException("steps", "passes of its own", "one level: these are torqued while they are held");
        Order("tighten", Tighten, own);
        Order("loosen", Loosen, own);
        Passes();
        if (Wrench?.Length > LongestWrench)
            throw new ImpossibleInputException("wrench", $"{Wrench.Length} characters", $"at most {LongestWrench} characters");
        if (Drive is not null && !Drives.Contains(Drive))
            throw new ImpossibleInputException("drive", $"“{Drive}”", $"{string.Join(", ", Drives)}, inches");
        return own with
        {
            Steps = Steps ?? own.Steps,
            Shares = Shares.Count > 0 ? Shares : Steps is null || Steps == own.Steps ? own.Shares : [],
            Tighten = Tighten.Count > 0 ? Tighten : own.Tighten,
            Snug = Tighten.Count > 0 ? [] : own.Snug,
            Loosen = Loosen.Count > 0 ? Loosen : Tighten.Count > 0 ? [] : own.Loosen,
            Wrench = string.IsNullOrWhiteSpace(Wrench) ? own.Wrench : Wrench.Trim(),
            Drive = Drive ?? own.Drive,
        };
    }

    private void Passes()
    {
        if (Shares.Count > MostPasses || Shares.Any(s => s is not (> 0 and <= 1)) || (Shares.Count > 0 && Shares[^1] != 1))
            throw new ImpossibleInputException(
                "shares", string.Join(", ", Shares.Select(s => (100 * s).ToString("0.##", CultureInfo.InvariantCulture))) + " %",
                $"at most {MostPasses} passes above 0 %, the last one 100 %");
        if (Shares.Count > 0 && Steps is TorqueSteps.Snug or TorqueSteps.ByHand)
            throw new ImpossibleInputException("shares", "passes", "no passes where there is no torque");
    }

    private static void Order(string field, IReadOnlyList<int> order, BoltGroup group)
    {
        var count = group.Places.Places.Count;
        if (order.Count > 0 && !order.Order().SequenceEqual(Enumerable.Range(1, count)))
            throw new ImpossibleInputException(field, string.Join("-", order), $"each of 1 to {count} once");
    }
}
