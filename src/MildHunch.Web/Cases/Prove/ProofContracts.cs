using System.ComponentModel;
using MildHunch.Web.Diagnosis;
using MildHunch.Web.Proving;
using MildHunch.Web.Service;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Cases.Prove;

/// <summary>Who ticked something.</summary>
public sealed record SignedDto(string? By = null);

/// <summary>What was read while a pressure was held.</summary>
public sealed record StepReadDto(
    string? By = null, QuantityDto? Pressure = null, QuantityDto? NozzleFlow = null, QuantityDto? BypassFlow = null,
    QuantityDto? Swing = null,
    [property: Description("seconds it was held by a watch, where its timer was not started")] double? HeldSeconds = null,
    [property: Description("why its flow could not be had")] string? NoFlow = null);

/// <summary>A reading of a gauge that falls.</summary>
public sealed record FallDto([property: Description("since it was shut")] double? Seconds = null, QuantityDto? Pressure = null);

/// <summary>A stage or a step that is left out, and why.</summary>
public sealed record LeftOutDto(string? Reason = null, string? By = null);

/// <summary>What was read with the outlet shut.</summary>
public sealed record ShutReadDto(
    string? By = null, [property: Description("held, or running, before it was shut")] QuantityDto? Running = null,
    [property: Description("highest as it was shut")] QuantityDto? Spike = null, QuantityDto? From = null, QuantityDto? To = null,
    [property: Description("between the two")] double? Seconds = null,
    [property: Description("easy or hard")] string? Restart = null,
    [property: Description("hose or head: which gauge was read; behind an unloader only the hose side must hold")] string? Gauge = null,
    [property: Description("readings between, in order")] IReadOnlyList<FallDto>? Falls = null);

/// <summary>The control’s screw: how high it stood, where it should come to, what was read on the way.</summary>
public sealed record ScrewDto(
    [property: Description("as measured before it was backed off: \"14 mm, nut 3 threads\"")] string? Height = null,
    QuantityDto? Target = null, IReadOnlyList<PressureLimitDto>? Limits = null, IReadOnlyList<ScrewMoveDto>? Moves = null);

/// <summary>What the technician makes of it.</summary>
public sealed record ProofSignedDto(
    [property: Description("pass, pass-with-remark or back")] string? Outcome = null, string? Remark = null, string? By = null);

/// <summary>What changes in the proof: each entry by its key.</summary>
public sealed record ProofChangeDto(
    [property: Description("hazards that were read, by stage")] IReadOnlyDictionary<string, SignedDto>? Acknowledged = null,
    [property: Description("ticks by stage and act: \"stand.oil\"")] IReadOnlyDictionary<string, SignedDto>? Acts = null,
    IReadOnlyList<string>? ActsBack = null,
    [property: Description("steps of which the timer starts now")] IReadOnlyList<string>? Started = null,
    [property: Description("by step: \"steps.75\", \"set.100\"")] IReadOnlyDictionary<string, StepReadDto>? Steps = null,
    IReadOnlyList<string>? StepsBack = null, ShutReadDto? Shut = null, ScrewDto? Screw = null, ProofSignedDto? Verdict = null,
    [property: Description("true to prove it anew from the start; what was proved before stays among the changes")] bool? Anew = null,
    [property: Description("what was read with the outlet shut, by stage: \"shut\", \"shut-set\"")]
    IReadOnlyDictionary<string, ShutReadDto>? Shuts = null,
    [property: Description("stages and steps that are left out, each with its reason")]
    IReadOnlyDictionary<string, LeftOutDto>? LeftOut = null,
    IReadOnlyList<string>? LeftOutBack = null);

public sealed record SignedAtDto(string By, DateTime At);

public sealed record StepReadAtDto(
    string By, DateTime At, QuantityDto Pressure, QuantityDto? NozzleFlow, QuantityDto? BypassFlow, QuantityDto? Swing,
    double? HeldSeconds = null, string? NoFlow = null);

public sealed record ShutReadAtDto(
    string By, DateTime At, QuantityDto? Running, QuantityDto? Spike, QuantityDto? From, QuantityDto? To, double? Seconds, string? Restart,
    string? Gauge = null, IReadOnlyList<FallDto>? Falls = null);

public sealed record LeftOutAtDto(string Reason, string By, DateTime At);

public sealed record ProofSignedAtDto(string Outcome, string? Remark, string By, DateTime At);

/// <summary>The proof of a case as it stands.</summary>
public sealed record ProofDto(
    IReadOnlyDictionary<string, SignedAtDto> Acknowledged, IReadOnlyDictionary<string, SignedAtDto> Acts,
    IReadOnlyDictionary<string, DateTime> Started, IReadOnlyDictionary<string, StepReadAtDto> Steps, ShutReadAtDto? Shut, ScrewDto? Screw,
    ProofSignedAtDto? Verdict,
    [property: Description("what was read with the outlet shut, by stage")] IReadOnlyDictionary<string, ShutReadAtDto> Shuts,
    IReadOnlyDictionary<string, LeftOutAtDto> LeftOut);

public sealed record ProofActDto(string Id, string Text, string? Why, IReadOnlyList<string> Mind, SignedAtDto? Done, bool Optional);

public sealed record ProofFigureDto(
    string Quantity, string Name, QuantityDto Value, QuantityDto Low, QuantityDto High, QuantityDto? Read,
    [property: Description("as-expected, doubtful or off; null where nothing was read")] string? Standing);

public sealed record ProofStepDto(
    string Id, double Share, [property: Description("to be held")] QuantityDto Pressure, double Seconds,
    [property: Description("when its timer was started")] DateTime? Started,
    [property: Description("at the pressure that was read, or else at the one to be held")] IReadOnlyList<ProofFigureDto> Figures,
    StepReadAtDto? Read, LeftOutAtDto? LeftOut);

public sealed record ProofStageDto(
    string Id, string Name, [property: Description("acts, steps, shut or set")] string Kind, string? Why,
    [property: Description("why it may not be done on this pump")] string? Forbidden,
    IReadOnlyList<HazardDto> Hazards, SignedAtDto? Acknowledged, IReadOnlyList<ProofActDto> Acts, IReadOnlyList<ProofStepDto> Steps,
    [property: Description("what may drip at first")] string? RunIn,
    [property: Description("not-begun, begun, left-out, forbidden, done, doubtful, off or not-needed")] string State,
    [property: Description("what stands against it")] IReadOnlyList<string> Reasons, LeftOutAtDto? LeftOut,
    [property: Description("what the shut outlet showed, in words")] IReadOnlyList<string> Shut,
    [property: Description("true where only the hose side can be judged")] bool NamesGauge,
    [property: Description("for how long it is held, or watched while it is shut; 0 where nothing is")] double Seconds);

public sealed record BeforeAfterDto(string Quantity, string Name, QuantityDto? Before, QuantityDto? After);

/// <summary>The proof of a case: its stages with what is expected at each, what stands in its way, and what it comes to.</summary>
public sealed record ProofViewResponse(
    [property: Description("the server’s clock, by which timers run")] DateTime Now, IReadOnlyList<ProofStageDto> Stages,
    [property: Description("what of the work is not closed and counted: nothing is run before that")] IReadOnlyList<string> Unclosed,
    ControlSettingResponse? Setting, PictureDto? SettingDrawing,
    [property: Description("pass, pass-with-remark, back or not-yet")] string Proposed, IReadOnlyList<string> Reasons,
    IReadOnlyList<BeforeAfterDto> Changed);
