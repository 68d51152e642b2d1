using System.Globalization;

namespace MildHunch.Web.Reports;

/// <summary>What the proof showed, and how the control was set.</summary>
public sealed partial class ReportBuilder
{
    private static ReportSectionDto Proof(Told at) => Section(
        "proof", "Proof",
        [
            .. at.Proved.Stages.Where(s => s.State != "nothing").Select(s =>
                $"{s.Name}: {s.State}{(s.Acknowledged is { } read ? $", hazards read by {read.By}" : "")}."),
            .. at.Proved.Shut, .. at.Proved.Reasons,
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
