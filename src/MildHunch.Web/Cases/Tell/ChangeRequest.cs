using System.ComponentModel;
using MildHunch.Web.Cases.Prove;
using MildHunch.Web.Cases.Work;
using MildHunch.Web.Diagnosis;
using MildHunch.Web.Evidence;

namespace MildHunch.Web.Cases.Tell;

/// <summary>
/// One action of the technician: readings and answers entered, entries taken back, facts set. Saved as one, undone as one.
/// </summary>
public sealed record ChangeRequest(
    string? Says = null,
    IReadOnlyList<ReadingDto>? Readings = null,
    IReadOnlyList<CueDto>? Cues = null,
    IReadOnlyList<string>? Remove = null,
    IReadOnlyList<string>? Context = null,
    IReadOnlyDictionary<string, string>? Facts = null,
    IReadOnlyList<PartHoursDto>? Hours = null,
    [property: Description("cues and quantities tried in vain; replaces what was entered before")] IReadOnlyList<string>? CouldNot = null,
    LimitsDto? Limits = null,
    WorkChangeDto? Work = null,
    ProofChangeDto? Proof = null,
    [property: Description("true keeps earlier readings of the same quantity: they are combined")] bool? Again = null,
    [property: Description("true where a reading that was asked back is really so")] bool? Sure = null);
