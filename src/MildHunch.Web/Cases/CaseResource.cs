using System.ComponentModel;
using MildHunch.Web.Cases.Prove;
using MildHunch.Web.Cases.Work;
using MildHunch.Web.Diagnosis;
using MildHunch.Web.Evidence;
using MildHunch.Web.Pumps;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Cases;

public sealed record ReadingEntryDto(string Id, string Quantity, QuantityDto Value, QuantityDto? Uncertainty, QuantityDto? To, string? At,
    [property: Description("mends that lay behind the pump when it was read")] int Mends,
    [property: Description("false where the pump, as it was corrected, can no longer show it: it stays and does not count")] bool Judged);

public sealed record CueEntryInForceDto(
    string Id, string Cue, string Answer, int? Cylinder, string? Side, double? DropsPerMinute, bool Stream, string? When, string? At,
    [property: Description("mends that lay behind the pump when it was seen")] int Mends,
    string Says, string Tag,
    [property: Description("false where it does not count")] bool Judged);

/// <summary>Why there is no verdict; take the entry out that stands in its way.</summary>
public sealed record VerdictTroubleDto(
    string Field, string Text, [property: Description("the entry that cannot be, where it is one")] string? Entry);

public sealed record ChangeDto(int Number, string Says, DateTime At, bool Undone);

public sealed record CaseResource(
    string Id, int Version, PumpResource Pump, string Complaint, string Stage, string? Closed, DateTime OpenedAt,
    IReadOnlyList<ReadingEntryDto> Readings, IReadOnlyList<CueEntryInForceDto> Cues, IReadOnlyList<string> Context,
    IReadOnlyDictionary<string, string> Facts, IReadOnlyList<ChangeDto> Changes, string? Undo, string? Redo,
    [property: Description("null where none can be computed; trouble then says why")] DiagnosisResponse? Diagnosis,
    VerdictTroubleDto? Trouble,
    IReadOnlyList<PartHoursDto> Hours,
    [property: Description("hours that the record of the pump has of parts of which the case tells none; they count")]
    IReadOnlyList<PartHoursDto> HoursOnRecord, IReadOnlyList<string> CouldNot, LimitsDto Limits, IReadOnlyDictionary<string, int> Found,
    [property: Description("the work at the pump: what is planned, done and found")] WorkDto Work,
    [property: Description("the proof after it: what was ticked, timed and read")] ProofDto Proof,
    [property: Description("which opening of the pump this is, from 1")] int Round,
    [property: Description("mends that lie behind the pump now: what was taken before the last no longer counts")] int Mends);
