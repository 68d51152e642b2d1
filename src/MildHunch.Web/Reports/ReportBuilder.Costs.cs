using MildHunch.Core.Expectation;
using MildHunch.Core.Faults;
using MildHunch.Core.Hydraulics.Steady;
using MildHunch.Core.Quantities;
using MildHunch.Web.Diagnosis;
using MildHunch.Web.Expectation;
using MildHunch.Web.Pumps;
using MildHunch.Web.Service;

namespace MildHunch.Web.Reports;

/// <summary>What it cost, what is due, who did it.</summary>
public sealed partial class ReportBuilder
{
    private ReportSectionDto Hours(Told at) => Section(
        "hours", "Hours", [.. at.Shown.Hours.Select(h =>
            $"{h.Part}{(h.Cylinder is { } k ? $" {k}" : "")}: {Quantity.Digits(h.Hours ?? 0)} h since it was new.")]);

    private ReportSectionDto Costs(IReadOnlyList<Told> rounds)
    {
        List<IReadOnlyList<string>> rows = [];
        foreach (var at in rounds)
        {
            if (at.Plan is not { } plan)
                continue;
            var which = rounds.Count > 1 ? $", round {at.Round}" : "";
            var hours = plan.Minutes / 60;
            var rate = $"{Quantity.Digits(hours, 2)} h at {Money(shop.WorkPerHour)} an hour";
            rows.Add([$"Labour, as planned{which}", rate, Money(hours * shop.WorkPerHour)]);
            if (PartsBill.Of(plan, at.Shown.Pump.Sheet).Cost(shop.Currency) is { } parts)
            {
                var without = parts.WithoutPrice.Count > 0 ? $"without {string.Join(", ", parts.WithoutPrice)}" : "";
                rows.Add([$"Parts and kits{which}", without, Money(parts.Parts)]);
            }
        }

        if (rows.Count > 1 && Sum(rounds) is { } sum)
            rows.Add(["Together", "", Money(sum)]);
        if (FaultPerHour(rounds[0]) is { } fault)
            rows.Add(["What the fault cost", "an hour of running, power and water", Money(fault)]);
        return Section("costs", "Costs", table: new ReportTableDto(["", "How", shop.Currency], rows));
    }

    private static ReportSectionDto Due(Told at) => Section(
        "due", "What is due next", at.Shown.Pump.Sheet.Interval is { } interval ? [$"{Interval(interval)}."] : []);

    private static ReportSectionDto Who(IReadOnlyList<Told> rounds)
    {
        var names = rounds.Select(r => r.Shown).SelectMany(r => r.Work.Steps.Values.Select(s => s.By)
            .Concat(r.Work.Found.Values.Select(f => f.By)).Concat(r.Proof.Acts.Values.Select(a => a.By))
            .Concat(r.Proof.Steps.Values.Select(s => s.By))).Distinct().Order();
        var notes = rounds[^1].Shown.Facts.Where(f => f.Key.StartsWith("note-", StringComparison.Ordinal))
            .Select(f => $"{f.Key[5..]}: {f.Value}");
        string[] worked = names.Any() ? [$"Worked on by {string.Join(", ", names)}."] : [];
        return Section("who", "Who, and notes", [.. worked, .. notes]);
    }

    private string? Cost(IReadOnlyList<Told> rounds) => Sum(rounds) is { } sum ? $"Cost: {Money(sum)}." : null;

    private double? Sum(IReadOnlyList<Told> rounds)
    {
        Told[] planned = [.. rounds.Where(r => r.Plan is not null)];
        return planned.Length == 0
            ? null
            : planned.Sum(r => (r.Plan!.Minutes / 60 * shop.WorkPerHour)
                + (PartsBill.Of(r.Plan, r.Shown.Pump.Sheet).Cost(shop.Currency)?.Parts ?? 0));
    }

    // Of the fault that led before the mend, as strong as it was judged to be.
    private double? FaultPerHour(Told at)
    {
        if (at.Before.Diagnosis?.Suspects[0] is not { } leader || catalogue.Fault(leader.Fault) is null or { Effect: "none" })
            return null;
        var (pump, setup) = (at.Shown.Pump.Pump.ToCore(), at.Shown.Pump.Setup.ToCore());
        var place = leader.Locations.MaxBy(l => l.Probability);
        try
        {
            var condition = FaultLoad.Lay(catalogue, pump, setup, FaultLoads.ToCore(
                [new FaultLoadDto(leader.Fault, leader.Severity.Middle, place?.Cylinder, place?.Side)]));
            var (sound, faulty) = (PumpExpectation.Of(pump, setup), PumpExpectation.Of(pump, setup, null, condition));
            var efficiency = setup.Voltage is null && setup.Drive is null ? 1 : PowerRules.MotorEfficiency;
            return RunningCost.Of(sound.Point, faulty.Point, efficiency, PricesDto.Of(shop).ToCore()).MoneyPerHour;
        }
        catch (Core.ImpossibleInputException)
        {
            return null;
        }
    }
}
