using MildHunch.Core;
using MildHunch.Core.Quantities;
using MildHunch.Store;
using MildHunch.Web.Cases;
using MildHunch.Web.Pumps;
using MildHunch.Web.Reports;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Travel;

/// <summary>What a file that claims to be a case must hold before anything of it is stored.</summary>
internal static class CaseFileRules
{
    internal const int LongestTag = 40;
    internal const int LongestName = 200;
    private const int LongestText = 200_000;
    private const int MostEntries = 50_000;
    private const int MostVersion = 1_000_000;
    private const int MostRounds = 100;
    private const int LongestKey = 64;

    public static void Check(CaseFile file)
    {
        CheckPump(file.Pump);
        Id(file.Case.Id, "case.id");
        if (!Stages.All.Contains(file.Case.Stage))
            throw Refused("case.stage", $"“{Short(file.Case.Stage)}” is no stage.");
        var changes = file.Case.Changes.Select(c => c.Number).ToArray();
        if (changes.Length == 0 || changes.Distinct().Count() != changes.Length || changes.Any(n => n is < 1 or > MostVersion)
            || changes.Length > MostEntries)
            throw Refused("case.changes", "The changes are not numbered one by one from 1.");
        var numbers = changes.ToHashSet();
        var entries = file.Case.Readings.Select(r => (r.Id, r.AddedBy, r.RemovedBy))
            .Concat(file.Case.Cues.Select(c => (c.Id, c.AddedBy, c.RemovedBy)))
            .Concat(file.Case.Facts.Select(f => (f.Id, f.AddedBy, f.RemovedBy))).ToArray();
        if (entries.Length > MostEntries || entries.Select(e => e.Id).Distinct().Count() != entries.Length)
            throw Refused("case", "Entries are there twice, or too many.");
        foreach (var (id, added, removed) in entries)
        {
            Id(id, "case entries");
            if (!numbers.Contains(added) || (removed is { } by && !numbers.Contains(by)))
                throw Refused("case", $"Entry {id} belongs to a change that is not there.");
        }

        foreach (var unit in file.Case.Readings.SelectMany(r => new[] { r.Unit, r.UncertaintyUnit }).OfType<string>().Distinct())
            if (Enum.GetValues<QuantityKind>().All(k => Units.Find(k, unit) is null))
                throw Refused("case.readings", $"“{Short(unit)}” is no unit.");
        if (file.Case.Readings.Select(r => r.Mends).Concat(file.Case.Cues.Select(c => c.Mends)).Any(n => n is < 0 or > MostRounds)
            || file.Case.Facts.Any(f => f.Round is < 0 or > MostRounds
                || (f.Name == CaseRounds.FactName && !(int.TryParse(f.Value, out var n) && n is > 1 and <= MostRounds))))
            throw Refused("case", $"Rounds are numbered from 1 to {MostRounds}.");
        if (file.Case.Version is < 1 or > MostVersion)
            throw Refused("case.version", $"A version lies between 1 and {MostVersion}.");
        var moves = file.Case.Moves;
        if (moves.Select(m => m.Key).Distinct().Count() != moves.Count || moves.Select(m => m.Version).Distinct().Count() != moves.Count
            || moves.Any(m => m.Key.Length is 0 or > LongestKey || m.Version < 1 || m.Version > file.Case.Version
                || !numbers.Contains(m.Change)))
            throw Refused("case.moves", "A step from version to version is there twice, or belongs to a change that is not there.");
        foreach (var verdict in file.Case.Verdicts)
            Id(verdict.Id, "case.verdicts");
        foreach (var text in file.Case.Facts.Select(f => f.Value).Concat(file.Case.Changes.Select(c => c.Says)))
            if (text.Length > LongestText)
                throw Refused("case.facts", $"A text of {text.Length} letters is longer than any that was typed.");
        if (file.Case.Reports.Select(r => r.Revision).Distinct().Count() != file.Case.Reports.Count)
            throw Refused("case.reports", "A revision of the report is there twice.");
        foreach (var report in file.Case.Reports)
            if (!Seal.Holds(report.ToEntity(file.Case.Id, report.Revision)))
                throw Refused("case.reports", $"Revision {report.Revision} is not what was signed: it was changed since.");
        CheckPhotos(file.Photos);
    }

    public static void CheckPump(PumpInFile pump)
    {
        Id(pump.Id, "pump.id");
        Plain(pump.Tag, "pump.tag", 1, LongestTag);
        Plain(pump.Name, "pump.name", 0, LongestName);
        Plain(pump.Duty, "pump.duty", 0, LongestName);
        ImpossibleInputException.Under("pump", () => (pump.Pump.ToCore(), pump.Setup.ToCore()));
    }

    public static void CheckPhotos(IReadOnlyList<PhotoInFile> photos)
    {
        foreach (var photo in photos)
            if (photo.Hash.Length != 64 || !photo.Hash.All(char.IsAsciiHexDigitLower))
                throw Refused("photos", $"“{Short(photo.Hash)}” is no checksum.");
    }

    public static RefusalException Refused(string field, string why) =>
        new(StatusCodes.Status400BadRequest, "This file is not taken in", field, why);

    // What a pump may be called where it comes from it may be called here: pages, labels and file names take it for no more than a name.
    public static void Plain(string text, string field, int least, int most)
    {
        if (text.Length < least || text.Length > most || text.Any(char.IsControl))
            throw Refused(field, $"“{Short(text)}” is no name of {least} to {most} plain letters.");
    }

    public static void Id(string id, string field)
    {
        if (id.Length != 32 || !id.All(char.IsAsciiHexDigitLower))
            throw Refused(field, $"“{Short(id)}” is no id of Mild Hunch.");
    }

    private static string Short(string text) => text.Length > 40 ? text[..40] + "…" : text;
}
