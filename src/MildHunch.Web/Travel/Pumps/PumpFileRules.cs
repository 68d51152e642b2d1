using MildHunch.Core;
using MildHunch.Core.Pumps;
using MildHunch.Core.Records.Lives;
using MildHunch.Core.Records.Running;
using MildHunch.Web.Pumps;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Travel.Pumps;

/// <summary>What a file that claims to be a pump must hold before anything of it is stored: all that its own page would ask.</summary>
internal static class PumpFileRules
{
    private const int MostEntries = 20_000;
    private const int MostCases = 1000;
    private const int LongestText = 200;
    private const int LongestPart = 120;
    private const int MostCylinders = 12;

    public static void Check(PumpFile file, DateOnly today)
    {
        CaseFileRules.CheckPump(file.Pump);
        CaseFileRules.Plain(file.Serial, "serial", 0, LongestPart);
        if (file.Running is { } running)
            ImpossibleInputException.Under("running", () => Done(() => running.Check(today)));
        Once([.. file.Meters.Select(m => m.Id)], "meters");
        Once([.. file.PartChanges.Select(c => c.Id)], "partChanges");
        Once([.. file.Stood.Select(s => s.Id)], "stood");
        foreach (var (k, meter) in file.Meters.Index())
            ImpossibleInputException.Under($"meters[{k}]", () => Done(() => Check(meter, today)));
        foreach (var (k, change) in file.PartChanges.Index())
            ImpossibleInputException.Under($"partChanges[{k}]", () => Done(() => Check(change, today)));
        foreach (var (k, stood) in file.Stood.Index())
        {
            CaseFileRules.Plain(stood.Tag, $"stood[{k}].tag", 1, CaseFileRules.LongestTag);
            CaseFileRules.Plain(stood.Duty, $"stood[{k}].duty", 0, CaseFileRules.LongestName);
            ImpossibleInputException.Under($"stood[{k}]", () => stood.Setup.ToCore());
        }

        if (file.Cases.Count > MostCases)
            throw CaseFileRules.Refused("cases", $"{file.Cases.Count} cases are more than a pump has; at most {MostCases}.");
        Once([.. file.Cases.Select(c => c.Id)], "cases");
        foreach (var one in file.Cases)
            CaseFileRules.Check(file.Alone(one));
        CaseFileRules.CheckPhotos(file.Photos);
    }

    private static void Check(MeterInFile meter, DateOnly today)
    {
        RunningHours.Of([new MeterReading(meter.Id, meter.On, meter.Hours, meter.NewMeter, meter.Strokes)], null, today);
        if (meter.Strokes < 0)
            throw new ImpossibleInputException("strokes", $"{meter.Strokes}", "0 or more");
        Mapping.Short(meter.By, "by", LongestText);
    }

    private static void Check(PartChangeInFile change, DateOnly today)
    {
        if (change.On > today)
            throw new ImpossibleInputException("on", $"{change.On:yyyy-MM-dd}", $"no day after today, {today:yyyy-MM-dd}");
        if (change.GoodOn > change.On)
            throw new ImpossibleInputException(
                "goodOn", $"{change.GoodOn:yyyy-MM-dd}", $"no day after it came out, {change.On:yyyy-MM-dd}");
        if (change.OutWhy is null && !change.PutIn)
            throw new ImpossibleInputException("putIn", "false, and nothing came out", "something that came out, went in, or both");
        if (change.Part.Trim().Length == 0)
            throw Mapping.Missing("part", "a part of the pump’s sheet");
        if (change.Cylinder is < 1 or > MostCylinders)
            throw new ImpossibleInputException("cylinder", $"{change.Cylinder}", $"1 to {MostCylinders}");
        Mapping.Choice(change.Side, "side", Side.Inlet);
        Mapping.Choice(change.OutWhy, "outWhy", OutWhy.Unsaid);
        Mapping.Short(change.Part, "part", LongestPart);
        foreach (var (text, field) in (ReadOnlySpan<(string?, string)>)
            [(change.Finding, "finding"), (change.By, "by"), (change.Kit, "kit"), (change.Batch, "batch"), (change.Note, "note")])
            Mapping.Short(text, field, LongestText);
    }

    private static void Once(IReadOnlyList<string> ids, string field)
    {
        if (ids.Count > MostEntries || ids.Distinct().Count() != ids.Count)
            throw CaseFileRules.Refused(field, "Entries are there twice, or too many.");
        foreach (var id in ids)
            CaseFileRules.Id(id, field);
    }

    private static bool Done(Action check)
    {
        check();
        return true;
    }
}
