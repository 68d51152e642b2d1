using System.Linq.Expressions;
using Microsoft.EntityFrameworkCore;
using MildHunch.Core.Quantities;
using MildHunch.Store;
using MildHunch.Web.Records.Due;

namespace MildHunch.Web.Records.Life;

/// <summary>All that is on record of one pump, for its page.</summary>
public sealed class LifeView(MildHunchDb db, ShopMemory memory, DueView due)
{
    private const int DueDays = 365;
    private const int MostCases = 200;
    private const double MinutesAnHour = 60;

    public async Task<PumpLifeResponse> Of(string id, CancellationToken stop)
    {
        var known = await memory.All(stop);
        var pump = await memory.Of(id, stop);
        var cases = await db.Cases.AsNoTracking().Where(c => c.PumpId == id && c.ArchivedAt == null).OrderByDescending(c => c.OpenedAt)
            .Take(MostCases).Select(c => new CaseOnRecordDto(
                c.Id, c.Headline.Complaint, c.OpenedAt, c.Headline.ClosedAt, c.Headline.Closed, c.Headline.LeaderName)).ToListAsync(stop);
        var readings = await db.ReadingsOnRecord.AsNoTracking().Where(r => r.PumpId == id).ToListAsync(stop);
        return new PumpLifeResponse(
            id, pump.Record.Tag, pump.Shown.Version, pump.Running, Hours(pump, known.Day), known.Day, pump.Record.From,
            PositionView.Of(pump, known), LivesView.Of(pump, known),
            [.. known.Patterns.Where(p => p.Pump == id || (p.Pump is null && p.Leading.Place == pump.Record.Tag))
                .Select(p => p.ToDto(known))],
            cases, DriftView.Of(pump, readings, known.Day), [.. due.Of(pump, known, known.Day.AddDays(DueDays))], pump.Conflicts,
            SinceMendedView.Sentences(pump, cases, memory.DayOf, known.Day), await Stood(s => s.PumpId == id, known, stop),
            await Stood(s => s.Tag == pump.Record.Tag && s.PumpId != id, known, stop));
    }

    private async Task<IReadOnlyList<StoodDto>> Stood(
        Expression<Func<StoodEntity, bool>> which, WholeRecord known, CancellationToken stop) =>
    [
        .. (await db.Stood.AsNoTracking().Where(which).OrderByDescending(s => s.Until).ToListAsync(stop)).Select(s => new StoodDto(
            s.PumpId, known.Pumps.GetValueOrDefault(s.PumpId)?.Running.Serial ?? "", s.Tag,
            memory.DayOf(s.Until))),
    ];

    private static PumpHoursDto Hours(PumpMemory pump, DateOnly today)
    {
        var now = pump.Record.Hours.At(today);
        var strokes = pump.Meters.Where(m => m.Strokes is not null).OrderBy(m => m.On).LastOrDefault()?.Strokes
            ?? (now is { } hours ? hours * MinutesAnHour * Rpm(pump) : null);
        return new PumpHoursDto(
            now is { } h ? Math.Round(h, 1) : null, Math.Round(pump.Record.Hours.Duty.HoursPerYear / 52.1775, 1),
            strokes is { } s ? Math.Round(s) : null,
            [
                .. pump.Meters.OrderBy(m => m.On).ThenBy(m => m.NewMeter).Select(m => new MeterDto(
                    m.Id, m.On, m.Hours, m.NewMeter, m.Strokes, m.By, m.CaseId)),
            ]);
    }

    // Turns of the crank; double strokes of an intensifier are counted the same way.
    private static double? Rpm(PumpMemory pump) =>
        pump.Shown.Setup.Speed is { } speed ? Quantity.From<RotationalSpeed>(speed.Value, speed.Unit).In(Units.Rpm) : null;
}
