using MildHunch.Core.Pumps;

namespace MildHunch.Core.Evidence;

/// <summary>
/// Something that was renewed, set, cleaned or tightened: by what was done, for which fault, or at which part; at one place or all.
/// </summary>
/// <param name="Action">Id of an action of the catalogue; null where not told.</param>
/// <param name="Fault">Id of a fault: whatever mends it was done.</param>
/// <param name="Part">Kind of part, as faults name theirs.</param>
public sealed record Mended(string? Action = null, string? Fault = null, string? Part = null, int? Cylinder = null, Side? Side = null);

/// <summary>What was known before a mend, and what was then mended, perhaps several things at once.</summary>
public sealed record BeforeMend(IReadOnlyList<Reading> Readings, IReadOnlyList<CueFact> Cues, IReadOnlyList<Mended> Mended);
