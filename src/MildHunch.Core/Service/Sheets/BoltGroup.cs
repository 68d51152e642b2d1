namespace MildHunch.Core.Service.Sheets;

/// <summary>What a torque rests on.</summary>
public enum TorqueBasis
{
    /// <summary>The maker's figure, from the sheet of this pump.</summary>
    Sheet,

    /// <summary>The bolt's ceiling, for want of a figure.</summary>
    Estimate,

    /// <summary>Nothing: the sheet has to be found.</summary>
    None,
}

/// <summary>How a group comes to its torque.</summary>
public enum TorqueSteps
{
    /// <summary>Plain bolts: 30, 70, 100 and once more 100 %.</summary>
    Plain,

    /// <summary>Sealed caps, single nuts and stretched rods: at once.</summary>
    OneLevel,

    /// <summary>By hand until it seats, a quarter turn each, no torque: covers, plunger springs.</summary>
    Snug,

    /// <summary>By hand alone, no tool: plastic, hose tails.</summary>
    ByHand,
}

/// <summary>Bolts, nuts or caps that are worked together, as a sheet names them.</summary>
public sealed record BoltGroup
{
    private static readonly double[] PlainShares = [0.3, 0.7, 1, 1];

    /// <summary>Stable name, kebab-case; a pump's own torque is kept by it.</summary>
    public required string Id { get; init; }

    /// <summary>Name in trade words.</summary>
    public required string Name { get; init; }

    /// <summary>"bolt", "nut", "cap", "screw" or "clip".</summary>
    public required string Kind { get; init; }

    /// <summary>Name of a <see cref="BoltPattern"/>.</summary>
    public required string Pattern { get; init; }

    /// <summary>One such pattern for each of these.</summary>
    public Per Per { get; init; } = Per.Pump;

    /// <summary>How it comes to its torque.</summary>
    public TorqueSteps Steps { get; init; } = TorqueSteps.Plain;

    /// <summary>Shares of the torque, one a pass, where they are not those of <see cref="Steps"/>; the last is 1.</summary>
    public IReadOnlyList<double> Shares { get; init; } = [];

    /// <summary>False for valve caps, plunger bolts, plastic and tie rods: a ceiling is never offered for them.</summary>
    public bool Ceiling { get; init; }

    /// <summary>Newton metres that are believed; what lies outside is questioned, not refused.</summary>
    public IReadOnlyList<double> Plausible { get; init; } = [];

    /// <summary>Order of loosening where it is not the reverse of tightening.</summary>
    public IReadOnlyList<int> Loosen { get; init; } = [];

    /// <summary>Order of starting by hand where it is not by number.</summary>
    public IReadOnlyList<int> HandStart { get; init; } = [];

    /// <summary>Order of the first snugging where it is not that of tightening.</summary>
    public IReadOnlyList<int> Snug { get; init; } = [];

    /// <summary>Order of tightening where it is not that of the pattern.</summary>
    public IReadOnlyList<int> Tighten { get; init; } = [];

    /// <summary>True where the two upper outer ones are swapped for guide studs while the part comes and goes.</summary>
    public bool GuideStuds { get; init; }

    /// <summary>True for what is slackened only and stays in its part: the front of a unit that is unscrewed whole.</summary>
    public bool Stays { get; init; }

    /// <summary>A state of the sheet in which alone they turn: rods held stretched.</summary>
    public string? During { get; init; }

    /// <summary>Ids of hazards while they are worked.</summary>
    public IReadOnlyList<string> Hazards { get; init; } = [];

    /// <summary>What fits them: "socket 24 mm"; null where nobody noted it.</summary>
    public string? Wrench { get; init; }

    /// <summary>Square drive, inches: "1/2"; null where nobody noted it.</summary>
    public string? Drive { get; init; }

    /// <summary>Lengths, places and whatever else is to be known of it, either way.</summary>
    public string? Note { get; init; }

    /// <summary>What is to be known while it is slackened.</summary>
    public string? NoteOff { get; init; }

    /// <summary>What is to be known while it is tightened.</summary>
    public string? NoteOn { get; init; }

    /// <summary>How they stand.</summary>
    public BoltPattern Places => BoltPattern.Find(Pattern)!;

    /// <summary>Numbers that guide studs take the place of.</summary>
    public IReadOnlyList<int> Studs => GuideStuds ? Places.GuideStuds : [];

    /// <summary>Numbers in the order of loosening.</summary>
    public IReadOnlyList<int> ToLoosen => Loosen.Count > 0 ? Loosen : [.. ToTighten.Reverse()];

    /// <summary>Numbers in the order of starting by hand.</summary>
    public IReadOnlyList<int> ToStart => HandStart.Count > 0 ? HandStart : [.. Places.Places.Select(p => p.Number)];

    /// <summary>Numbers in the order of snugging.</summary>
    public IReadOnlyList<int> ToSnug => Snug.Count > 0 ? Snug : ToTighten;

    /// <summary>Numbers in the order of tightening.</summary>
    public IReadOnlyList<int> ToTighten => Tighten.Count > 0 ? Tighten : Places.Order;

    /// <summary>Shares of the torque, one a pass; none where there is no torque.</summary>
    public IReadOnlyList<double> Passes => Steps switch
    {
        TorqueSteps.Snug or TorqueSteps.ByHand => [],
        _ when Shares.Count > 0 => Shares,
        TorqueSteps.Plain => PlainShares,
        _ => [1],
    };
}
