using System.IO.Compression;
using Microsoft.EntityFrameworkCore;
using MildHunch.Store;
using MildHunch.Web.Records;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Travel.Pumps;

/// <summary>
/// Takes a pump in with its whole life. Where it is here already, what is missing here is added and what stands here stays: two shops may
/// each know something of it, and neither loses it.
/// </summary>
public sealed class PumpImport(MildHunchDb db, CaseImport cases, PhotoImport photos)
{
    internal async Task<ImportResponse> Take(PumpFile sent, ZipArchive zip, CancellationToken stop)
    {
        var taken = await photos.Take(sent.Photos, zip, stop);
        try
        {
            var file = sent.WithPhotos(taken.Renamed);
            var pump = await db.Pumps.Include(p => p.Stood).FirstOrDefaultAsync(p => p.Id == file.Pump.Id, stop);
            var isNew = pump is null;
            pump ??= await New(file, stop);
            if (isNew || pump.Serial.Length == 0)
                await RefuseTwin(file.Serial, pump, stop);
            string[] stays = isNew ? [] : [.. Differing(pump, file)];
            if (!isNew)
                Fill(pump, file);
            List<Told> told = [];
            foreach (var one in file.Cases.OrderBy(c => c.OpenedAt).ThenBy(c => c.Id, StringComparer.Ordinal))
            {
                var compared = await cases.Compare(file.Alone(one), false, stop);
                told.Add(new Told(compared, await cases.Shown(compared, pump, stop)));
            }

            await using var whole = await db.Database.BeginTransactionAsync(stop);
            db.Photos.AddRange(taken.Rows);
            if (isNew)
                db.Pumps.Add(pump);
            var added = await Lives(pump, file, stop);
            await db.SaveOrRefuse(stop);
            var reports = 0;
            foreach (var (compared, shown) in told)
                reports += await cases.Lay(compared, shown, stop);
            await whole.CommitAsync(stop);
            var more = told.Count(t => t.Compared.Outcome != ComparedCase.AlreadyHere);
            return new ImportResponse(
                null, pump.Id,
                isNew ? ComparedCase.TakenIn : added + more + reports > 0 ? ComparedCase.BroughtUpToDate : ComparedCase.AlreadyHere,
                Says(pump, file, isNew, added, more, stays), taken.Rows.Count);
        }
        catch
        {
            taken.TakeBack();
            throw;
        }
    }

    private sealed record Told(ComparedCase Compared, ShownCase Shown);

    private async Task<PumpEntity> New(PumpFile file, CancellationToken stop)
    {
        var pump = await cases.New(file.Pump, stop);
        pump.Serial = file.Serial;
        pump.RunningJson = Run(file);
        return pump;
    }

    // One very pump is here once: its history would be in two halves that never meet.
    private async Task RefuseTwin(string serial, PumpEntity pump, CancellationToken stop)
    {
        if (serial.Length == 0)
            return;
        if (await db.Pumps.AsNoTracking().FirstOrDefaultAsync(p => p.Serial == serial && p.Id != pump.Id, stop) is { } twin)
            throw new RefusalException(
                StatusCodes.Status409Conflict, "This serial is taken", "serial", $"{twin.Tag} has serial {serial} already.");
    }

    // What is told here and there and is not the same, in words.
    private static IEnumerable<string> Differing(PumpEntity here, PumpFile there)
    {
        // Both as they are written today: what an older product stored may lack what it did not know.
        var (own, told) = (here.InFile().ToEntity(), there.Pump.ToEntity());
        if (own.PumpJson != told.PumpJson)
            yield return "type plate";
        if (own.SetupJson != told.SetupJson)
            yield return "set-up";
        if (own.SheetJson is not null && told.SheetJson is not null && own.SheetJson != told.SheetJson)
            yield return "service figures";
        if (here.Serial.Length > 0 && there.Serial.Length > 0 && here.Serial != there.Serial)
            yield return "serial number";
        if (here.Running() is { } run && there.Running is not null && Stored.Write(run) != Stored.Write(there.Running))
            yield return "how it runs";
    }

    // What nobody said here yet.
    private static void Fill(PumpEntity here, PumpFile there)
    {
        var before = (here.SheetJson, here.Serial, here.RunningJson);
        here.SheetJson ??= there.Pump.Sheet is null ? null : Stored.Write(there.Pump.Sheet);
        here.RunningJson ??= Run(there);
        if (here.Serial.Length == 0 && there.Serial.Length > 0)
        {
            here.Serial = there.Serial;
            here.RunningJson = Stored.Write((here.Running() ?? new RunningDto()) with { Serial = there.Serial });
        }

        if (before != (here.SheetJson, here.Serial, here.RunningJson))
            here.Version++;
    }

    // One serial, wherever it stands in the file.
    private static string? Run(PumpFile file) =>
        file.Running is not { } told ? null
            : Stored.Write(file.Serial.Length > 0 || told.Serial is not null ? told with { Serial = file.Serial } : told);

    // Entries that are not here yet; how many.
    private async Task<int> Lives(PumpEntity pump, PumpFile file, CancellationToken stop)
    {
        var meters = await Missing(db.Meters.AsNoTracking().Select(m => m.Id), file.Meters, m => m.Id, stop);
        var changes = await Missing(db.PartChanges.AsNoTracking().Select(c => c.Id), file.PartChanges, c => c.Id, stop);
        var stood = await Missing(db.Stood.AsNoTracking().Select(s => s.Id), file.Stood, s => s.Id, stop);
        db.Meters.AddRange(meters.Select(m => m.ToEntity(pump.Id)));
        db.PartChanges.AddRange(changes.Select(c => c.ToEntity(pump.Id)));
        db.Stood.AddRange(stood.Select(s => s.ToEntity(pump.Id)));
        return meters.Count + changes.Count + stood.Count;
    }

    private static async Task<List<T>> Missing<T>(
        IQueryable<string> here, IReadOnlyList<T> told, Func<T, string> id, CancellationToken stop)
    {
        string[] asked = [.. told.Select(id)];
        var known = (await here.Where(i => asked.Contains(i)).ToListAsync(stop)).ToHashSet();
        return [.. told.Where(t => !known.Contains(id(t)))];
    }

    private static string Says(PumpEntity pump, PumpFile file, bool isNew, int added, int more, IReadOnlyList<string> stays)
    {
        List<string> says =
        [
            isNew ? "Taken in."
                : added + more > 0 ? $"{pump.Tag} was here: {Count(added, "entry", "entries")} of its record and "
                    + $"{Count(more, "case", "cases")} were new."
                : $"All of {pump.Tag} is here already.",
        ];
        if (isNew && pump.Tag != file.Pump.Tag)
            says.Add($"A pump {file.Pump.Tag} was here already: this one is called {pump.Tag}.");
        if (stays.Count > 0)
            says.Add($"As it stands here, and not as in the file: {string.Join(", ", stays)}.");
        return string.Join(" ", says);
    }

    private static string Count(int count, string one, string many) => count == 1 ? $"1 {one}" : $"{count} {many}";
}
