using System.Globalization;
using MildHunch.Core;
using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;
using MildHunch.Core.Records.Lives;
using MildHunch.Core.Records.Patterns;
using MildHunch.Core.Records.Running;
using MildHunch.Core.Service;
using MildHunch.Core.Service.Sheets;
using MildHunch.Store;
using MildHunch.Web.Pumps;
using MildHunch.Web.Service;
using MildHunch.Web.Shared;
using MildHunch.Web.Shared.Door;

namespace MildHunch.Web.Records;

/// <summary>All that the shop remembers of one pump, read once and kept until something of it changes.</summary>
/// <param name="Conflicts">Entries that contradict one another, in words; what they say is left out until somebody corrects them.</param>
public sealed record PumpMemory(
    PumpResource Shown, ReciprocatingPump Pump, IReadOnlyList<ServiceSheet> Sheets, RunningDto Running, PumpOnRecord Record, string Liquid,
    bool Archived, IReadOnlyList<MeterEntity> Meters, IReadOnlyList<PartChangeEntity> Changes, IReadOnlyList<string> Conflicts)
{
    // A pump that is put in here within a month of its first run has its record from new.
    private const int DaysFromNew = 31;

    /// <summary>Which lives are pooled with those of a part.</summary>
    public LifeOf LifeOf(RecordPart part) => new(part.Kind, Record.Type, Liquid);

    /// <summary>Builds it from what is stored.</summary>
    public static PumpMemory Of(
        PumpEntity stored, IReadOnlyList<MeterEntity> meters, IReadOnlyList<PartChangeEntity> changes, ServiceSheets sheets,
        Catalogue catalogue, DateOnly today)
    {
        var shown = stored.ToResource();
        var pump = shown.Pump.ToCore();
        var fitted = SheetFit.Of(shown.Sheet, pump, shown.Setup, sheets);
        shown = shown with { Sheet = fitted.Own };
        var own = ServiceQuestion.Sheets(pump, shown.Setup, fitted.Own, sheets);
        List<string> conflicts =
        [
            .. fitted.LeftOut.Select(l => $"Noted and no longer of this pump, or of the sheets as they are now: {l}."),
        ];
        var told = stored.RunningJson is null ? new RunningDto() : Stored.Read<RunningDto>(stored.RunningJson);
        var running = told with
        {
            Commissioned = NotAhead(told.Commissioned, "commissioned", today, conflicts),
            RecordFrom = NotAhead(told.RecordFrom, "record from", today, conflicts),
        };
        meters = [.. meters.Where(m => OnRecord(m.On, "a reading of its meter", conflicts))];
        changes = [.. changes.Where(c => OnRecord(c.On, $"a change of {c.Part}", conflicts))];
        var hours = Hours(meters, running, today, conflicts);
        var time = OnRecord(stored, hours, running, meters, changes);
        var lives = PartLog.Read([.. changes.Select(c => c.ToCore(time))], today);
        conflicts.AddRange(lives.Conflicts);
        return new PumpMemory(
            shown, pump, own, told,
            new PumpOnRecord(
                stored.Id, stored.Tag, stored.Type, pump.Arrangement == Arrangement.Intensifier,
                PartFamilies.BuiltIn.On(pump, own, catalogue), lives.Lives, time, shown.Setup.Liquid ?? "water"),
            shown.Setup.Liquid ?? "water", stored.ArchivedAt is not null, meters, changes, conflicts);
    }

    // Nobody notes what fails before a pump is put in here: unless somebody says otherwise, its record begins then, or with the first
    // thing that was noted of it.
    private static TimeAtRisk OnRecord(
        PumpEntity stored, RunningHours hours, RunningDto running, IReadOnlyList<MeterEntity> meters,
        IReadOnlyList<PartChangeEntity> changes)
    {
        var created = DateOnly.FromDateTime(stored.CreatedAt);
        DateOnly[] noted = [created, .. meters.Select(m => m.On), .. changes.Select(c => c.On)];
        var first = running.Commissioned;
        var isNew = first is { } day && (running.RecordFrom ?? noted.Min()) is var since && since <= day.AddDays(DaysFromNew);
        var from = isNew ? first!.Value : running.RecordFrom ?? noted.Min();
        return new TimeAtRisk(
            hours, from, stored.ArchivedAt is { } put ? Later(DateOnly.FromDateTime(put), from) : null,
            isNew ? RecordKept.FromNew : running.RecordFrom is null ? RecordKept.Unsaid : RecordKept.FromADay);
    }

    private static DateOnly Later(DateOnly one, DateOnly other) => one > other ? one : other;

    // What cannot be of a pump’s life is left out, and told.
    private static bool OnRecord(DateOnly on, string what, List<string> conflicts)
    {
        if (RecordYears.Hold(on.Year))
            return true;
        conflicts.Add(string.Create(CultureInfo.InvariantCulture, $"{what} on {on:yyyy-MM-dd} is left out: no such day is on record."));
        return false;
    }

    // A clock that ran wrong when it was noted, or runs wrong now, ends nothing.
    private static DateOnly? NotAhead(DateOnly? on, string what, DateOnly today, List<string> conflicts)
    {
        if (on is not { } day || day <= today)
            return on;
        conflicts.Add(string.Create(
            CultureInfo.InvariantCulture, $"{what} on {day:yyyy-MM-dd} is left out: today is {today:yyyy-MM-dd} here."));
        return null;
    }

    // A reading that contradicts another is left out, and told.
    private static RunningHours Hours(IReadOnlyList<MeterEntity> meters, RunningDto running, DateOnly today, List<string> conflicts)
    {
        var duty = running.Duty();
        List<MeterReading> taken = running.Commissioned is { } first && meters.All(m => m.On > first)
            ? [new("commissioned", first, 0)]
            : [];
        MeterReading[] read = [.. meters.OrderBy(m => m.On).ThenBy(m => m.Id, StringComparer.Ordinal).Select(m => m.ToCore())];
        if (Fits([.. taken, .. read]) is null)
            return RunningHours.Of([.. taken, .. read], duty, today);
        foreach (var meter in read)
            if (Fits([.. taken, meter]) is { } conflict)
                conflicts.Add(conflict);
            else
                taken.Add(meter);
        return RunningHours.Of(taken, duty, today);

        string? Fits(MeterReading[] all)
        {
            try
            {
                RunningHours.Of(all, duty, today);
                return null;
            }
            catch (ImpossibleInputException e)
            {
                return e.Message;
            }
        }
    }
}

/// <summary>Entries of the record between database and Core.</summary>
internal static class RecordMapping
{
    public static MeterReading ToCore(this MeterEntity meter) => new(meter.Id, meter.On, meter.Hours, meter.NewMeter, meter.Strokes);

    public static PartChange ToCore(this PartChangeEntity change, TimeAtRisk time)
    {
        var side = change.Side is { } named ? Enum.Parse<Side>(named, true) : (Side?)null;
        return new PartChange(
            change.Id, new PartPosition(change.Part, new ServicePlace(change.Cylinder, side)), change.On,
            time.HoursAt(change.On),
            change.OutWhy is { } why
                ? new Removal(Enum.Parse<OutWhy>(why, true), change.Finding, change.GoodOn is { } good ? time.HoursAt(good) : null)
                : null,
            change.PutIn ? new NewPart(change.By, change.Kit, change.Batch, change.Warranty) : null, change.CaseId);
    }
}
