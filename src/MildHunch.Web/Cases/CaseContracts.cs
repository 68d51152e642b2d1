using System.ComponentModel;
using MildHunch.Web.Diagnosis;
using MildHunch.Web.Pumps;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Cases;

public sealed record NewCaseRequest(string? PumpId, string? Complaint, IReadOnlyList<string>? Context = null);

/// <summary>One action of the technician: readings and answers told, entries taken back, facts set. Saved as one, undone as one.</summary>
public sealed record ChangeRequest(
    string? Says = null,
    IReadOnlyList<ReadingDto>? Readings = null,
    IReadOnlyList<CueDto>? Cues = null,
    IReadOnlyList<string>? Remove = null,
    IReadOnlyList<string>? Context = null,
    IReadOnlyDictionary<string, string>? Facts = null,
    IReadOnlyList<PartHoursDto>? Hours = null,
    [property: Description("cues and quantities tried in vain; replaces what was told before")] IReadOnlyList<string>? CouldNot = null,
    LimitsDto? Limits = null,
    [property: Description("true keeps earlier readings of the same quantity: they are combined")] bool? Again = null);

public sealed record ReadingEntryDto(string Id, string Quantity, QuantityDto Value, QuantityDto? Uncertainty, QuantityDto? To, string? At,
    [property: Description("false where the pump, as it was corrected, can no longer show it: it stays and does not count")] bool Judged);

public sealed record CueEntryInForceDto(
    string Id, string Cue, string Answer, int? Cylinder, string? Side, double? DropsPerMinute, bool Stream, string? When, string? At,
    string Says, string Tag,
    [property: Description("false where it does not count")] bool Judged);

/// <summary>Why there is no verdict; take the entry out that stands in its way.</summary>
public sealed record VerdictTroubleDto(
    string Field, string Text, [property: Description("the entry that cannot be, where it is one")] string? Entry);

/// <summary>A part of the list of cases, and how many there are in all.</summary>
public sealed record CasePage(IReadOnlyList<CaseSummary> Cases, int All);

public sealed record ChangeDto(int Number, string Says, DateTime At, bool Undone);

public sealed record LeaderDto(string Fault, string Name, double Probability, string Hunch);

public sealed record CaseSummary(
    string Id, string PumpId, string Tag, string PumpName, string Duty, string Complaint, string Stage, DateTime OpenedAt,
    DateTime ChangedAt, string? Closed, LeaderDto? Leader, int Entries);

public sealed record CaseResource(
    string Id, int Version, PumpResource Pump, string Complaint, string Stage, string? Closed, DateTime OpenedAt,
    IReadOnlyList<ReadingEntryDto> Readings, IReadOnlyList<CueEntryInForceDto> Cues, IReadOnlyList<string> Context,
    IReadOnlyDictionary<string, string> Facts, IReadOnlyList<ChangeDto> Changes, string? Undo, string? Redo,
    [property: Description("null where none can be computed; trouble then says why")] DiagnosisResponse? Diagnosis,
    VerdictTroubleDto? Trouble,
    IReadOnlyList<PartHoursDto> Hours, IReadOnlyList<string> CouldNot, LimitsDto Limits, IReadOnlyDictionary<string, int> Found);
