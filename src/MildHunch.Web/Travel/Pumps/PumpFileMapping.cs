using MildHunch.Store;
using MildHunch.Web.Pumps;
using MildHunch.Web.Records;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Travel.Pumps;

/// <summary>A pump’s life between the database and its file, nothing lost either way.</summary>
internal static class PumpFileMapping
{
    public static MeterInFile ToFile(this MeterEntity m) => new(m.Id, m.On, m.Hours, m.NewMeter, m.Strokes, m.By);

    public static PartChangeInFile ToFile(this PartChangeEntity c) => new(
        c.Id, c.Part, c.Cylinder, c.Side, c.On, c.OutWhy, c.Finding, c.GoodOn, c.PutIn, c.By, c.Kit, c.Batch, c.Warranty, c.Note);

    public static StoodInFile ToFile(this StoodEntity s) => new(s.Id, s.Tag, s.Duty, Stored.Read<SetupDto>(s.SetupJson), s.Until);

    public static RunningDto? Running(this PumpEntity pump) =>
        pump.RunningJson is null ? null : Stored.Read<RunningDto>(pump.RunningJson);

    public static MeterEntity ToEntity(this MeterInFile m, string pump) => new()
    {
        Id = m.Id,
        PumpId = pump,
        On = m.On,
        Hours = m.Hours,
        NewMeter = m.NewMeter,
        Strokes = m.Strokes,
        By = m.By,
    };

    public static PartChangeEntity ToEntity(this PartChangeInFile c, string pump) => new()
    {
        Id = c.Id,
        PumpId = pump,
        Part = c.Part,
        Cylinder = c.Cylinder,
        Side = c.Side,
        On = c.On,
        OutWhy = c.OutWhy,
        Finding = c.Finding,
        GoodOn = c.GoodOn,
        PutIn = c.PutIn,
        By = c.By,
        Kit = c.Kit,
        Batch = c.Batch,
        Warranty = c.Warranty,
        Note = c.Note,
    };

    public static StoodEntity ToEntity(this StoodInFile s, string pump) => new()
    {
        Id = s.Id,
        PumpId = pump,
        Tag = s.Tag,
        Duty = s.Duty,
        SetupJson = Stored.Write(s.Setup),
        Until = s.Until,
    };
}
