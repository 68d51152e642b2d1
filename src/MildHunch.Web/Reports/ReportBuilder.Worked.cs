using System.Globalization;
using MildHunch.Core.Service.Sheets;
using MildHunch.Core.Service;
using MildHunch.Core.Service.Drawing;
using MildHunch.Web.Cases.Work;
using MildHunch.Web.Diagnosis;
using MildHunch.Web.Expectation;
using MildHunch.Web.Service;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Reports;

/// <summary>What was found inside, what went in, and how tight.</summary>
public sealed partial class ReportBuilder
{
    private ReportSectionDto? Found(Told at)
    {
        if (at.Plan is not { } plan || at.Shown.Work.Found.Count == 0)
            return null;
        List<IReadOnlyList<string>> rows = [];
        List<ReportPhotoDto> photos = [];
        foreach (var place in plan.Inspections)
        {
            if (!at.Shown.Work.Found.TryGetValue(CavityMap.Key(place.Part.Id, place.Place), out var found))
                continue;
            var name = PlaceOf(place);
            var finding = findings.All.FirstOrDefault(f => f.Id == found.Finding);
            var measures = found.Measures ?? new Dictionary<string, QuantityDto>();
            var measured = string.Join(", ", measures.Select(m => $"{m.Key} {Said(m.Value)}"));
            rows.Add([name, finding is null ? found.State : $"{finding.Name} ({found.State})", found.By,
                string.Join(" ", new[] { found.Note, measured }.Where(t => !string.IsNullOrEmpty(t)))]);
            photos.AddRange(found.Photos.Select(p => new ReportPhotoDto(p, $"{name}: {finding?.Name ?? found.State}")));
        }

        return Section(
            "found", "Found inside", [.. Causes(at)], photos: photos,
            table: new ReportTableDto(["Part", "Found", "By", "Note"], rows),
            pictures:
            [
                new ReportPictureDto(
                    CavityMap.Of(plan.Pump, plan.Inspections).ToDto(), "Every place of the parts at hand, seen from above",
                    at.Shown.Work.Found.ToDictionary(
                        f => f.Key,
                        f => new ReportMarkDto(
                            f.Value.State, findings.All.FirstOrDefault(x => x.Id == f.Value.Finding)?.Name ?? f.Value.State))),
            ]);
    }

    private static ReportSectionDto? Parts(Told at)
    {
        if (at.Plan is not { } plan)
            return null;
        var bill = PartsBill.Of(plan, at.Shown.Pump.Sheet).Bill;
        return Section(
            "parts", "Parts and kits", [.. bill.Kits.Select(k => $"{k.Count} x {k.Kit.Name}.")],
            table: new ReportTableDto(
                ["Part", "New", "Where"],
                [.. plan.Parts.Select(p => new[]
                {
                    p.Name, p.Count.ToString(CultureInfo.InvariantCulture),
                    string.Join(", ", p.Places.Where(x => x != ServicePlace.Whole).Select(x => x.Key.Replace('.', ' '))),
                })]),
            pictures:
            [
                .. plan.Sheet.Stacks.Where(s => s.Items.Any(i => plan.Off.Any(o => o.Part.Id == i.Part))).Take(1)
                    .Select(s => new ReportPictureDto(StackDrawing.Of(plan.Sheet, s).ToDto(), $"{s.Name}, in its order")),
            ]);
    }

    private static ReportSectionDto? Torques(Told at)
    {
        if (at.Plan is not { } plan)
            return null;
        var done = plan.Steps.Where(s => s.Tightens)
            .Select(s => (Step: s, Tick: Done(s))).Where(s => s.Tick is not null).ToArray();
        TickedDto? Done(ServiceStep step) =>
            step.Ticks.Select(t => at.Shown.Work.Steps.GetValueOrDefault(t.Key)).FirstOrDefault(t => t is { Taps: null });
        return Section(
            "torques", "Torques applied", table: new ReportTableDto(
                ["Bolts", "Torque", "By", "With"],
                [.. done.Select(d =>
                {
                    var group = d.Step.Bolts!.ToDto(at.Shown.Pump.Sheet);
                    return new[]
                    {
                        group.Name,
                        d.Tick!.Torque is { } used
                            ? $"{Said(used)} (as used)"
                            : group.InAllUnits.Count > 0 ? $"{string.Join(", ", group.InAllUnits)} ({group.Basis})" : "no figure on record",
                        d.Tick.By, d.Tick.Wrench ?? "not named",
                    };
                })]),
            pictures:
            [
                .. plan.Bolts.Where(g => g.Places.Places.Count > 1).Take(1)
                    .Select(g => new ReportPictureDto(BoltDrawing.Of(g).ToDto(), $"{g.Name}, numbered in the order they stand")),
            ]);
    }
}
