using System.Globalization;
using MildHunch.Web.Cases.Prove;

namespace MildHunch.Web.Reports;

/// <summary>What the proof showed, and how the control was set.</summary>
public sealed partial class ReportBuilder
{
    private static ReportSectionDto Proof(Told at) => Section(
        "proof", "Proof",
        [
            .. at.Proved.Stages.Where(s => s.State != "not-needed").Select(s =>
                $"{s.Name}: {StageWords(s)}{(s.Acknowledged is { } read ? $", hazards read by {read.By}" : "")}."),
            .. at.Proved.Stages.SelectMany(s => s.Shut).Concat(at.Proved.Reasons).Distinct(),
        ],
        table: new ReportTableDto(
            ["At", "Read", "Expected", "Stands"],
            [
                .. at.Proved.Stages.SelectMany(s => s.Steps).Where(s => s.Read is not null)
                    .SelectMany(s => s.Figures.Where(f => f.Read is not null).Select(f => new[]
                    {
                        $"{Said(s.Read!.Pressure)}, {f.Name.ToLowerInvariant()}", Said(f.Read!), $"{Said(f.Low)} to {Said(f.High)}",
                        (f.Standing ?? "").Replace('-', ' '),
                    })),
            ]));

    private static string StageWords(ProofStageDto stage) => stage.State switch
    {
        "not-begun" => "not done",
        "begun" => "begun, not done",
        "left-out" => $"left out by {stage.LeftOut?.By}: {stage.LeftOut?.Reason}",
        "forbidden" => "not done on this pump as it is on record",
        "doubtful" => "done, with a remark",
        "off" => "off",
        _ => "done, as expected",
    };

    private static ReportSectionDto? Setting(Told at) => at.Shown.Proof.Screw is { } screw
        ? Section(
            "setting", "Control set",
            [
                .. screw.Height is { } height ? [$"Screw before: {height}."] : Array.Empty<string>(),
                .. screw.Target is { } target ? [$"Wanted: {Said(target)}."] : Array.Empty<string>(),
                .. at.Shown.Proof.Steps.TryGetValue("set.100", out var set)
                    ? [$"Set at {Said(set.Pressure)} by {set.By}."]
                    : Array.Empty<string>(),
            ],
            table: new ReportTableDto(
                ["Turns in", "Running", "Spike"],
                [.. (screw.Moves ?? []).Select(m => new[]
                {
                    (m.Turns ?? 0).ToString("0.00", CultureInfo.InvariantCulture), Maybe(m.Running) ?? "", Maybe(m.Spike) ?? "",
                })]),
            pictures: at.Proved.SettingDrawing is { } drawing ? [new ReportPictureDto(drawing, "Pressure against turns")] : [])
        : null;
}
