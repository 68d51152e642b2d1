using System.ComponentModel;
using MildHunch.Web.Evidence;
using MildHunch.Web.Expectation;
using MildHunch.Web.Pumps;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Diagnosis;

public sealed record DiagnosisRequest(
    PumpDto? Pump, SetupDto? Setup, IReadOnlyList<ReadingDto>? Readings = null, IReadOnlyList<CueDto>? Cues = null,
    IReadOnlyList<string>? Context = null,
    IReadOnlyList<PartHoursDto>? Hours = null,
    [property: Description("what was found in closed cases of such pumps: times by fault")] IReadOnlyDictionary<string, int>? Found = null,
    [property: Description("cues and quantities tried in vain: no evidence, not asked for again")] IReadOnlyList<string>? CouldNot = null,
    LimitsDto? Limits = null,
    [property: Description("lives of kinds of part as the shop’s own record tells them")]
    IReadOnlyList<PartLifeOnRecordDto>? Lives = null,
    [property: Description("the record knows of an opening of this pump")] bool? Opened = null,
    [property: Description("what was renewed, set, cleaned or tightened, in its order")] IReadOnlyList<MendedDto>? Mended = null);

public sealed record ActionDto(string Action, string Name, double Probability, double MendMinutes);

public sealed record LocationDto(int? Cylinder, string? Side, double Probability, string? End = null);

public sealed record PairPartDto(string Fault, string Name, int? Cylinder, string? Side, string? End);

public sealed record PairDto(IReadOnlyList<PairPartDto> Faults, double Probability);

public sealed record EvidenceDto(
    string Source, double Decibans, string Text, [property: Description("the same in a few words")] string Brief);

public sealed record SeverityDto(double Middle, double Low, double High, string Zero, string One);

public sealed record HazardDto(string Id, string Text);

public sealed record SuspectDto(
    string Fault, string Name, string Part, string? Side, double Probability, double Prior, string Hunch, SeverityDto Severity,
    IReadOnlyList<LocationDto> Locations, IReadOnlyList<EvidenceDto> Evidence, double TogetherDecibans,
    string How, IReadOnlyList<string> Causes, string Action, string ActionName, double MendMinutes, IReadOnlyList<HazardDto> Hazards);

public sealed record LedgerTermDto(QuantityDto? Flow, QuantityDto? Sigma, string Source);

public sealed record LedgerDto(
    LedgerTermDto Displaced, LedgerTermDto Nozzle, LedgerTermDto Bypass, LedgerTermDto Outside, LedgerTermDto Missing,
    double? MissingShares, double MissingSharesSigma, bool MissingMayBeInBypass, string Text, IReadOnlyList<FigureDto> Figures);

public sealed record ContradictionDto(string Source, string Text, double Sigmas);

public sealed record CheckAnswerDto(
    string Answer, string Text, int? Cylinder, string? Side, double Probability, string Then,
    [property: Description("who would lead then")] string Leader,
    double LeaderProbability);

public sealed record NextCheckDto(
    string Check, string Name, string Question, string How, string Opens, double Minutes, double PutBackMinutes, double Information,
    double InformationPerMinute, double MinutesToMend,
    string? Cue, string? Reading, IReadOnlyList<HazardDto> Hazards, IReadOnlyList<CheckAnswerDto> Answers);

public sealed record ComparisonDto(
    string Quantity, string Name, string Short, string Place, QuantityDto Read, QuantityDto Expected, QuantityDto Low, QuantityDto High,
    double Sigmas);

public sealed record DiagnosisResponse(
    IReadOnlyList<ActionDto> Actions,
    IReadOnlyList<SuspectDto> Suspects,
    LedgerDto Ledger,
    IReadOnlyList<ContradictionDto> Contradictions,
    IReadOnlyList<NextCheckDto> NextChecks,
    IReadOnlyList<ComparisonDto> Comparisons,
    IReadOnlyList<FigureDto> Expectation,
    int Considered,
    IReadOnlyList<PairDto> Pairs,
    double TwoAtOnce,
    OpenNowDto OpenNow,
    RivalDto? Rival,
    [property: Description("what was seen that must stop the pump at once; no check on the running pump is proposed after it")]
    IReadOnlyList<StopNowDto> StopNow,
    [property: Description("whether it is mended; null where nothing was")] MendedShareDto? Mended);

/// <summary>Whether the pump is mended: nothing is left that acts.</summary>
/// <param name="Was">What the mends most likely did away with.</param>
public sealed record MendedShareDto(double Probability, string Sentence, PairPartDto? Was);

/// <summary>A sign that ends all work on the running pump: what to do, why, and what was seen.</summary>
public sealed record StopNowDto(string Id, string Text, string Why, IReadOnlyList<string> Sources);

/// <summary>The second suspect and what would have to be true for it to lead.</summary>
public sealed record RivalDto(string Fault, string Name, string? Check, string? Answer, double Probability, string Text);

/// <summary>Whether opening now beats testing on: expected minutes to a mended, proved pump either way.</summary>
public sealed record OpenNowDto(bool Recommended, double MinutesIfTested, double MinutesIfOpened, string? BestCheck, string Text);

public sealed record PlanBranchDto(
    string Text, double Probability, string Leader, double LeaderProbability, PlanStepDto? Next, string? Ends);

/// <summary>A check and where each of its answers leads.</summary>
public sealed record PlanStepDto(string Check, string Name, string Question, double Minutes, IReadOnlyList<PlanBranchDto> Branches);

/// <summary>The next three checks as a tree; no first step where opening beats testing already.</summary>
public sealed record PlanResponse(PlanStepDto? First);
