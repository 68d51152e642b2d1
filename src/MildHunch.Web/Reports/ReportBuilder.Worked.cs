using System.Globalization;
using MildHunch.Core.Service.Drawing;
using MildHunch.Core.Service.Sheets;
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
            var name = place.Said();
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

        var laid = LaidParts.Of(plan, at.Shown.Work).ToDictionary(l => l.Part.Id);
        return Section(
            "parts", "Parts and kits",
            [
                .. bill.Kits.Select(k => $"Planned: {k.Count} x {k.Kit.Name}."),
                .. plan.Mended(at.Shown.Work).Select(s => s.Act.Do),
            ],
            table: new ReportTableDto(
                ["Part", "New, as ticked", "Where"],
                [.. plan.Parts.Select(p => (Part: p, Laid: laid.GetValueOrDefault(p.Id))).Select(p => new[]
                {
                    p.Part.Name, p.Laid is null ? "planned, not ticked" : p.Laid.Count.ToString(CultureInfo.InvariantCulture),
                    p.Laid?.Where ?? "",
                })]),
            pictures:
            [
                .. plan.Sheet.Stacks.Where(s => s.Items.Any(i => plan.Off.Any(o => o.Part.Id == i.Part))).Take(1)
                    .Select(s => new ReportPictureDto(StackDrawing.Of(plan.Sheet, s).ToDto(), $"{s.Name}, in its order")),
            ]);
    }

    private sealed record Tightened(string Name, ServicePlace Place, string Torque, string By, string Wrench);

    private static Tightened Torque(Told at, BoltGroup bolts, ServicePlace place, TickedDto tick)
    {
        var group = bolts.ToDto(at.Shown.Pump.Sheet);
        var torque = tick.Torque is { } used ? $"{Said(used)} (as used)"
            : group.InAllUnits.Count > 0 ? $"{string.Join(", ", group.InAllUnits)} ({group.Basis})" : "no figure on record";
        return new Tightened(group.Name, place, torque, tick.By, tick.Wrench ?? "not named");
    }

    private static ReportSectionDto? Torques(Told at)
    {
        if (at.Plan is not { } plan)
            return null;
        var done = plan.Steps.Where(s => s.Tightens).SelectMany(s => s.Ticks.Where(t => at.Shown.Work.Ticked(t.Key))
            .Select(t => Torque(at, s.Bolts!, t.Place, at.Shown.Work.Steps[t.Key])));

        // One row for all places that were done alike.
        return Section(
            "torques", "Torques applied", table: new ReportTableDto(
                ["Bolts", "Torque", "By", "With"],
                [.. done.GroupBy(d => d with { Place = ServicePlace.Whole }).Select(g => new[]
                {
                    string.Join(", ", g.Select(d => d.Place).Where(x => x != ServicePlace.Whole)
                        .Select(x => x.Said()).Prepend(g.Key.Name)),
                    g.Key.Torque, g.Key.By, g.Key.Wrench,
                })]),
            pictures:
            [
                .. plan.Bolts.Where(g => g.Places.Places.Count > 1).Take(1)
                    .Select(g => new ReportPictureDto(BoltDrawing.Of(g).ToDto(), $"{g.Name}, numbered in the order they stand")),
            ]);
    }
}
