using System.Globalization;
using MildHunch.Core.Diagnosis.Verdict;
using MildHunch.Core.Quantities;
using MildHunch.Web.Diagnosis;

namespace MildHunch.Web.Reports;

/// <summary>What it should have shown, what it showed, and what was made of it.</summary>
public sealed partial class ReportBuilder
{
    private static ReportSectionDto Pump(Told at)
    {
        var (pump, setup) = (at.Shown.Pump.Pump, at.Shown.Pump.Setup);
        (string Name, string? Value)[] rows =
        [
            ("Arrangement", pump.Arrangement), ("Cylinders", pump.Cylinders?.ToString(CultureInfo.InvariantCulture)),
            ("Plunger", Maybe(pump.PlungerDiameter)), ("Stroke", Maybe(pump.Stroke)), ("Rated speed", Maybe(pump.RatedSpeed)),
            ("Rated pressure", Maybe(pump.RatedPressure)), ("Head", pump.HeadLayout), ("Control", pump.Control),
            ("Control opens at", Maybe(setup.ControlSetting)), ("Relief valve", Maybe(setup.Relief)),
            ("Nozzle", setup.Nozzle is { Flow: { } flow, At: { } bar } ? $"{Said(flow)} at {Said(bar)}" : null),
            ("Liquid", setup.Liquid), ("Oil", at.Shown.Pump.Sheet.Oil), ("Grease", at.Shown.Pump.Sheet.Grease),
        ];
        return Section("pump", "Pump", table: new ReportTableDto(
            ["", "As noted"], [.. rows.Where(r => !string.IsNullOrEmpty(r.Value)).Select(r => new[] { r.Name, r.Value! })]));
    }

    private static ReportSectionDto? Readings(Told at) => at.Before.Diagnosis is { } judged
        ? Section("readings", "Readings before, against what it should show", inner: true, table: new ReportTableDto(
            ["Read", "Value", "Expected", "Off by"],
            [.. judged.Comparisons.Select(c => new[]
            {
                c.Name, Said(c.Read), $"{Said(c.Low)} to {Said(c.High)}", OffBy(c),
            })]))
        : null;

    // As it is said at the pump: nobody who pays for it reads standard deviations.
    private static string OffBy(ComparisonDto c) => Math.Abs(c.Sigmas) < 1
        ? "as expected"
        : $"{(c.Sigmas > 0 ? "above" : "short")} by {Quantity.Digits(Math.Abs(c.Read.Value - c.Expected.Value), 2)} {c.Read.Unit}";

    private static ReportSectionDto? Water(Told at) => at.Before.Diagnosis?.Ledger is { } ledger
        ? Section("water", "Where the water went", [ledger.Text], inner: true, table: new ReportTableDto(
            ["", "Flow"],
            [
                .. new[]
                {
                    ("Displaced", ledger.Displaced), ("Nozzle", ledger.Nozzle), ("Bypass", ledger.Bypass), ("Outside", ledger.Outside),
                    ("Missing", ledger.Missing),
                }.Where(t => t.Item2.Flow is not null).Select(t => new[] { t.Item1, Said(t.Item2.Flow!) }),
            ]))
        : null;

    private static ReportSectionDto? Verdict(Told at)
    {
        if (at.Before.Diagnosis is not { } judged)
            return null;
        var leader = judged.Suspects[0];
        return Section(
            "verdict", "Verdict and reasons",
            [
                .. judged.Suspects.Where(s => s.Probability >= Worth).Take(3)
                    .Select(s => $"{s.Name}: {HunchWords.Percent(s.Probability)}, {s.Hunch}."),
                .. leader.Evidence.OrderByDescending(e => Math.Abs(e.Decibans)).Take(MostReasons)
                    .Select(e => $"{(e.Decibans >= 0 ? "For" : "Against")}: {e.Text} ({Quantity.Digits(Math.Abs(e.Decibans), 2)} dB)"),
            ],
            inner: true);
    }

    private static string Taken(int mends, int rounds) =>
        mends == 0 ? "" : rounds == 1 ? " (after the mend)" : $" (after mend {mends})";

    private static ReportSectionDto Seen(Told at) => Section(
        "checks", "Checks made",
        [.. at.Shown.Cues.Select(c => $"{c.Says}{Taken(c.Mends, at.Round)}")], inner: true);
}
