using MildHunch.Core.Service.Sheets;

namespace MildHunch.Core.Service;

/// <summary>How far the bolts of a part are, on the way off or on; acts stand between them in this order.</summary>
internal enum StepRank
{
    /// <summary>Acts while the bolts hold (off), or while they are out (on).</summary>
    First,

    /// <summary>That it looks the right way (on).</summary>
    Faced,

    /// <summary>Slackened (off), or started by hand (on).</summary>
    Begun,

    /// <summary>Acts while all are slack.</summary>
    Slack,

    /// <summary>Drawn (off), or brought to their torque (on).</summary>
    Ended,

    /// <summary>Acts once they are out (off), or hold (on).</summary>
    Last,
}

/// <summary>One thing to do on the way off or on, not yet in its place among the others.</summary>
/// <param name="Part">At which part.</param>
/// <param name="Places">At which places.</param>
/// <param name="Rank">How the bolts of the part stand.</param>
/// <param name="Name">Its name within the part: "loosen", "off.1".</param>
/// <param name="Act">What is done.</param>
/// <param name="Job">What is done with the bolts; null for anything else.</param>
internal sealed record StepNode(
    SheetPart Part, IReadOnlyList<ServicePlace> Places, StepRank Rank, string Name, Act Act, BoltJob? Job = null)
{
    /// <summary>True for the tick that it looks the right way.</summary>
    public bool Facing => Rank == StepRank.Faced;

    /// <summary>True where it waits for something done at that part, by a link or because it locks its bolts.</summary>
    public bool WaitsFor(SheetPart other) =>
        Act.After.Any(a => Begins(a, other.Id)) || (Part.Locks is { } locks && locks == other.Group);

    /// <summary>Whether a link names it: "part.act".</summary>
    public bool Answers(string link) => Begins(link, Part.Id) && (Ends(link, Act.Id) || (Facing && Ends(link, "facing")));

    /// <summary>True where both are done at one place.</summary>
    public bool Meets(StepNode other) => Places.Any(p => other.Places.Any(p.Meets));

    // Asked for every pair of steps: nothing is built to compare with.
    private static bool Begins(string link, string part) =>
        link.Length > part.Length && link[part.Length] == '.' && link.StartsWith(part, StringComparison.Ordinal);

    private bool Ends(string link, string? act) =>
        act is not null && link.Length == Part.Id.Length + 1 + act.Length && link.EndsWith(act, StringComparison.Ordinal);
}
