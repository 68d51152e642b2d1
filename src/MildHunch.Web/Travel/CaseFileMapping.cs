using MildHunch.Store;
using MildHunch.Web.Pumps;
using MildHunch.Web.Reports;
using MildHunch.Web.Service;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Travel;

/// <summary>A case between the database and its file, nothing lost either way.</summary>
public static class CaseFileMapping
{
    /// <summary>A case that was loaded whole, with its verdicts, and the photographs that it names.</summary>
    public static CaseFile ToFile(
        this CaseEntity c, PumpEntity pump, IEnumerable<PhotoEntity> photos, IEnumerable<ReportEntity> reports) => new(
        CaseFile.FormatName, CaseFile.CurrentVersion,
        pump.InFile(),
        new CaseInFile(
            c.Id, c.OpenedAt, c.ArchivedAt, c.Headline.Stage, c.Version,
            [.. c.Changes.OrderBy(x => x.Number).Select(x => new ChangeInFile(x.Number, x.Says, x.At, x.Undone, x.Abandoned))],
            [.. InOrder(c.Readings).Select(r => new ReadingInFile(
                r.Id, r.AddedBy, r.RemovedBy, r.Quantity, r.Value, r.Unit, r.Uncertainty, r.UncertaintyUnit, r.UpTo, r.Mends))],
            [.. InOrder(c.Cues).Select(q => new CueInFile(
                q.Id, q.AddedBy, q.RemovedBy, q.Cue, q.Answer, q.Cylinder, q.Side, q.DropsPerMinute, q.Stream, q.DripsWhen, q.Mends))],
            [.. InOrder(c.Facts).Select(f => new FactInFile(f.Id, f.AddedBy, f.RemovedBy, f.Name, f.Value, f.Round))],
            [.. c.Verdicts.OrderBy(v => v.Id, StringComparer.Ordinal).Select(v => new VerdictInFile(
                v.Id, v.AfterVersion, v.At, v.Leader, v.LeaderName, v.Probability, v.Hunch,
                Stored.Read<Dictionary<string, double>>(v.SuspectsJson)))],
            [.. c.Moves.OrderBy(m => m.Version).Select(m => new MoveInFile(m.Version, m.Change, m.Key))],
            [.. reports.OrderBy(r => r.Revision).Select(r => new ReportInFile(
                r.Revision, r.At, r.CaseVersion, r.By, r.Witness, r.Gauge, r.Wrench, Stored.Read<ReportContentDto>(r.ContentJson), r.Seal,
                r.Elsewhere))]),
        [.. photos.OrderBy(p => p.Hash, StringComparer.Ordinal).Select(p => p.InFile())]);

    public static PumpInFile InFile(this PumpEntity pump) => new(
        pump.Id, pump.Tag, pump.Name, pump.Duty, Stored.Read<PumpDto>(pump.PumpJson), Stored.Read<SetupDto>(pump.SetupJson),
        pump.SheetJson is null ? null : Stored.Read<PumpSheetDto>(pump.SheetJson), pump.CreatedAt, pump.ArchivedAt, pump.Version);

    public static PhotoInFile InFile(this PhotoEntity photo) => new(photo.Hash, photo.Bytes, photo.Width, photo.Height, photo.At);

    public static PumpEntity ToEntity(this PumpInFile p) => new()
    {
        Id = p.Id,
        Tag = p.Tag,
        Name = p.Name,
        Duty = p.Duty,
        Type = PumpRecord.TypeOf(p.Pump),
        PumpJson = Stored.Write(p.Pump),
        SetupJson = Stored.Write(p.Setup),
        SheetJson = p.Sheet is null ? null : Stored.Write(p.Sheet),
        CreatedAt = p.CreatedAt,
        ArchivedAt = p.ArchivedAt,
        Version = p.Version,
    };

    public static CaseEntity ToEntity(this CaseInFile c, PumpEntity pump)
    {
        var entity = new CaseEntity
        {
            Id = c.Id,
            PumpId = pump.Id,
            Pump = pump,
            OpenedAt = c.OpenedAt,
            ArchivedAt = c.ArchivedAt,
            Version = c.Version,
            Changes = [.. c.Changes.Select(x => new ChangeEntity
            {
                CaseId = c.Id, Number = x.Number, Says = x.Says, At = x.At, Undone = x.Undone, Abandoned = x.Abandoned,
            })],
            Readings = [.. c.Readings.Select(r => new ReadingEntity
            {
                Id = r.Id, CaseId = c.Id, AddedBy = r.AddedBy, RemovedBy = r.RemovedBy, Quantity = r.Quantity, Value = r.Value,
                Unit = r.Unit, Uncertainty = r.Uncertainty, UncertaintyUnit = r.UncertaintyUnit, UpTo = r.UpTo, Mends = r.Mends,
            })],
            Cues = [.. c.Cues.Select(q => new CueEntity
            {
                Id = q.Id, CaseId = c.Id, AddedBy = q.AddedBy, RemovedBy = q.RemovedBy, Cue = q.Cue, Answer = q.Answer,
                Cylinder = q.Cylinder, Side = q.Side, DropsPerMinute = q.DropsPerMinute, Stream = q.Stream, DripsWhen = q.DripsWhen,
                Mends = q.Mends,
            })],
            Facts = [.. c.Facts.Select(f => new FactEntity
            {
                Id = f.Id, CaseId = c.Id, AddedBy = f.AddedBy, RemovedBy = f.RemovedBy, Name = f.Name, Value = f.Value,
                Round = f.Round,
            })],
            Moves = [.. c.Moves.Select(m => new MoveEntity { CaseId = c.Id, Version = m.Version, Change = m.Change, Key = m.Key })],
            Verdicts = [.. c.Verdicts.Select(v => new VerdictEntity
            {
                Id = v.Id, CaseId = c.Id, AfterVersion = v.AfterVersion, At = v.At, Leader = v.Leader, LeaderName = v.LeaderName,
                Probability = v.Probability, Hunch = v.Hunch, SuspectsJson = Stored.Write(v.Suspects),
            })],
        };
        if (entity.Facts.Any(f => f.Round == OlderCases.Unknown))
            OlderCases.Divide(entity);
        entity.Headline.Stage = c.Stage;
        return entity;
    }

    /// <summary>A report as it was signed elsewhere, under a number that is free here.</summary>
    public static ReportEntity ToEntity(this ReportInFile r, string caseId, int revision) => new()
    {
        CaseId = caseId,
        Revision = revision,
        At = r.At,
        CaseVersion = r.CaseVersion,
        By = r.By,
        Witness = r.Witness,
        Gauge = r.Gauge,
        Wrench = r.Wrench,
        ContentJson = Stored.Write(r.Content),
        Seal = r.Seal,
        Elsewhere = true,
    };

    private static IEnumerable<T> InOrder<T>(IEnumerable<T> entries)
        where T : EntryEntity => entries.OrderBy(e => e.AddedBy).ThenBy(e => e.Id, StringComparer.Ordinal);
}
