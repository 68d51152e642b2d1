using System.ComponentModel;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;
using MildHunch.Core.Service.Proving;
using MildHunch.Web.Pumps;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Proving;

public sealed record PressureLimitDto(string? What, QuantityDto? Pressure);

/// <summary>What was read after a turn of the screw.</summary>
public sealed record ScrewMoveDto(
    [property: Description("turns in since the first reading, in all; below 0 for out")] double? Turns,
    [property: Description("pressure with the outlet open")] QuantityDto? Running,
    [property: Description("highest pressure as the outlet was shut")] QuantityDto? Spike = null,
    [property: Description("none, some or most: what came out of the bypass with the outlet open")] string? Bypass = null);

public sealed record ControlSettingRequest(
    PumpDto? Pump, SetupDto? Setup,
    [property: Description("ratings of whatever else stands under this pressure")] IReadOnlyList<PressureLimitDto>? Limits,
    [property: Description("running pressure that is wanted")] QuantityDto? Target,
    [property: Description("readings in the order in which they were taken; none at first")] IReadOnlyList<ScrewMoveDto>? Moves = null);

public sealed record SettingFitDto(
    [property: Description("what one turn is worth; null while too little was read")] double? BarPerTurn,
    [property: Description("one sigma of a reading, bar")] double Sigma,
    [property: Description("turns at which the nozzle takes all; null while that was not seen")] double? KneeTurns,
    QuantityDto? KneePressure);

public sealed record ExpectedDto(double Value, double Low, double High, string Unit);

public sealed record SettingNextDto(
    [property: Description("turn, reseat (shut, open, read again), back, stop or done")] string Do,
    [property: Description("signed, in is above 0; at most a quarter")] double? Turns, ExpectedDto? Expected, string Why,
    [property: Description("true where the next reading needs the outlet shut once, and how high it went")] bool Shut);

public sealed record ControlSettingResponse(
    SettingFitDto Fit, SettingNextDto Next, PressureLimitDto NearestLimit, IReadOnlyList<PressureLimitDto> Limits);

/// <summary>A control to be set, what to do next, and the unit in which it was asked.</summary>
internal sealed record SolvedSetting(SettingQuestion Asked, SettingAdvice Advice, Unit Unit);

/// <summary>The next move at the screw, between what is sent and what Core computes.</summary>
internal static class ControlSetting
{
    /// <summary>The next move for what is asked.</summary>
    public static SolvedSetting Solve(ControlSettingRequest request)
    {
        var asked = Question(request);
        return new SolvedSetting(asked, SettingAssistant.Next(asked), Units.Find(QuantityKind.GaugePressure, request.Target!.Unit)!);
    }

    /// <summary>As it is sent, pressures in the unit of the target.</summary>
    public static ControlSettingResponse ToDto(this SolvedSetting solved)
    {
        var (asked, advice, unit) = solved;
        return new ControlSettingResponse(
            new SettingFitDto(
                InBar(advice.Curve.PerTurnPa), InBar(advice.Curve.SigmaPa)!.Value, Rounded(advice.Curve.KneeTurns),
                advice.Curve.KneePa is { } knee ? Shown(knee, unit) : null),
            new SettingNextDto(advice.Do.Named(), advice.Turns, advice.Expected is { } band ? Shown(band, unit) : null, advice.Why,
                advice.Shut),
            Shown(advice.Nearest, unit), [.. asked.Limits.Select(l => Shown(l, unit))]);
    }

    /// <summary>Ratings as told; a refusal names the field.</summary>
    public static IReadOnlyList<PressureLimit> Limits(IReadOnlyList<PressureLimitDto>? told) => [.. (told ?? []).Select(Limit)];

    private static SettingQuestion Question(ControlSettingRequest request) => SettingQuestion.Create(
        request.Pump.ToCore(), request.Setup.ToCore(), Limits(request.Limits),
        request.Target.Need<GaugePressure>("target"), [.. (request.Moves ?? []).Select(Move)]);

    private static PressureLimit Limit(PressureLimitDto limit, int k) => new(
        string.IsNullOrWhiteSpace(limit?.What) ? throw Mapping.Missing($"limits[{k}].what", "what it is the limit of") : limit.What.Trim(),
        limit.Pressure.Need<GaugePressure>($"limits[{k}].pressure"));

    private static ScrewMove Move(ScrewMoveDto move, int k)
    {
        var field = $"moves[{k}]";
        return new ScrewMove(
            move?.Turns ?? throw Mapping.Missing($"{field}.turns", "turns in since the first reading, 0 for the first"),
            move.Running.Need<GaugePressure>($"{field}.running").Si, move.Spike.Maybe<GaugePressure>($"{field}.spike")?.Si,
            move.Bypass is null ? null : Mapping.Choice(move.Bypass, $"{field}.bypass", BypassSeen.None));
    }

    private static double? InBar(double? pa) => Rounded(pa / 1e5);

    private static double? Rounded(double? value) => value is { } v ? Math.Round(v, 3) : null;

    private static QuantityDto Shown(double pa, Unit unit) => new Amount(QuantityKind.GaugePressure, pa).ToDto(unit);

    private static PressureLimitDto Shown(PressureLimit limit, Unit unit) => new(limit.What, Shown(limit.Pressure.Si, unit));

    private static ExpectedDto Shown(PressureBand band, Unit unit) => new(
        Shown(band.ValuePa, unit).Value, Shown(band.LowPa, unit).Value, Shown(band.HighPa, unit).Value, unit.Symbol);
}
