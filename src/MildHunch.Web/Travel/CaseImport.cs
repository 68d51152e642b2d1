using System.IO.Compression;
using Microsoft.EntityFrameworkCore;
using MildHunch.Store;
using MildHunch.Web.Cases;
using MildHunch.Web.Reports;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Travel;

/// <summary>A case of a file beside what is here of it, and what is to become of it.</summary>
internal sealed record ComparedCase(CaseFile File, CaseFile? Here, string Outcome)
{
    public const string TakenIn = "taken-in";
    public const string BroughtUpToDate = "brought-up-to-date";
    public const string Merged = "merged";
    public const string AlreadyHere = "already-here";

    /// <summary>It comes in as a second one beside the case that is here.</summary>
    public bool Beside { get; init; }
}

/// <summary>Takes a case in from elsewhere: checked whole first, then stored whole.</summary>
public sealed class CaseImport(
    MildHunchDb db, CaseExport export, CaseView view, CaseStore store, PhotoImport photos, TimeProvider clock, ILogger<CaseImport> log)
{
    /// <summary>One case that came alone.</summary>
    internal async Task<ImportResponse> Take(CaseFile file, ZipArchive zip, bool both, CancellationToken stop)
    {
        // Everything that takes its time is done before others have to wait.
        var taken = await photos.Take(file.Photos, zip, stop);
        try
        {
            var compared = await Compare(file.WithPhotos(taken.Renamed), both, stop);
            var pump = await db.Pumps.Include(p => p.Stood).FirstOrDefaultAsync(p => p.Id == file.Pump.Id, stop);
            var isNew = pump is null;
            pump ??= await New(file.Pump, stop);
            var renamed = isNew && pump.Tag != file.Pump.Tag;
            var shown = await Shown(compared, pump, stop);

            await using var whole = await db.Database.BeginTransactionAsync(stop);
            db.Photos.AddRange(taken.Rows);
            if (isNew && compared.Outcome != ComparedCase.AlreadyHere)
                db.Pumps.Add(pump);
            var more = await Lay(compared, shown, stop);
            await whole.CommitAsync(stop);
            return new ImportResponse(
                compared.File.Case.Id, pump.Id, compared.Outcome,
                compared.Outcome switch
                {
                    ComparedCase.AlreadyHere when more > 0 => "All of it was here but the reports signed elsewhere.",
                    ComparedCase.AlreadyHere => "All of it is here already.",
                    _ when renamed => $"A pump {file.Pump.Tag} was here already: this one is called {pump.Tag}.",
                    _ when compared.Beside => "Taken in beside the one that is here, and open: close the one that holds.",
                    ComparedCase.Merged => "What was done elsewhere was laid on what was done here.",
                    _ => "Taken in.",
                },
                taken.Rows.Count);
        }
        catch
        {
            taken.TakeBack();
            throw;
        }
    }

    /// <summary>What is to become of a case that came; refused where it went on in both places and contradicts.</summary>
    internal async Task<ComparedCase> Compare(CaseFile file, bool both, CancellationToken stop)
    {
        if (!await db.Cases.AsNoTracking().AnyAsync(c => c.Id == file.Case.Id, stop))
            return new ComparedCase(file, null, ComparedCase.TakenIn);
        if (both)
            return new ComparedCase(CaseCopy.Of(file), null, ComparedCase.TakenIn) { Beside = true };
        var here = await export.FileOf(file.Case.Id, stop);
        if (Holds(here.Case, file.Case))
            return new ComparedCase(
                file with { Case = here.Case with { Reports = file.Case.Reports } }, here, ComparedCase.AlreadyHere);
        return Holds(file.Case, here.Case)
            ? new ComparedCase(file, here, ComparedCase.BroughtUpToDate)
            : new ComparedCase(
                file with { Case = CaseMerge.Of(here.Case, file.Case, here.Pump) with { Reports = file.Case.Reports } }, here,
                ComparedCase.Merged);
    }

    /// <summary>The case as it will stand; one that cannot be shown is refused: whoever opened it would find a closed door.</summary>
    internal async Task<ShownCase> Shown(ComparedCase compared, PumpEntity pump, CancellationToken stop)
    {
        var entity = compared.File.Case.ToEntity(pump);
        if (compared.Outcome == ComparedCase.AlreadyHere)
            return new ShownCase(entity, null);
        if (compared.Beside)
            CaseCopy.Open(entity, clock.GetUtcNow().UtcDateTime);
        try
        {
            return new ShownCase(entity, await view.Show(entity, stop));
        }
        catch (Exception e) when (e is not (OperationCanceledException or OutOfMemoryException))
        {
            log.LogWarning(e, "A case file that cannot be shown was refused");
            throw CaseFileRules.Refused("case", "What stands in it cannot be read: a reading, an answer or a note is damaged.");
        }
    }

    /// <summary>Lays it down, within a transaction of the caller; returns how many signed reports came with it.</summary>
    internal async Task<int> Lay(ComparedCase compared, ShownCase shown, CancellationToken stop)
    {
        var (file, here) = (compared.File, compared.Here);
        var now = await db.Cases.AsNoTracking().Where(c => c.Id == file.Case.Id).Select(c => new { c.Version, c.Headline.Closed })
            .FirstOrDefaultAsync(stop);
        if (now?.Version != here?.Case.Version)
            throw ETags.Stale();

        // What was signed here stays as it was signed; what was signed elsewhere comes beside it.
        var signed = await db.Reports.AsNoTracking().Where(r => r.CaseId == file.Case.Id).ToListAsync(stop);
        var more = More(file.Case, signed);
        if (shown.As is null)
        {
            db.Reports.AddRange(more);
            await db.SaveOrRefuse(stop);
            return more.Count;
        }

        if (here is not null)
            await db.Cases.Where(c => c.Id == file.Case.Id).ExecuteDeleteAsync(stop);
        db.Cases.Add(shown.Entity);
        db.Reports.AddRange([.. signed, .. more]);
        await store.SaveAsItCame(shown.Entity, shown.As, now?.Closed, stop);
        return more.Count;
    }

    // Revisions that are not here yet, under the next free numbers.
    private static List<ReportEntity> More(CaseInFile told, List<ReportEntity> signed)
    {
        var known = signed.Select(Seal.Of).ToHashSet();
        var free = signed.Select(r => r.Revision).DefaultIfEmpty(0).Max();
        List<ReportEntity> more = [];
        foreach (var report in told.Reports.OrderBy(r => r.Revision))
            if (known.Add(Seal.Of(report.ToEntity(told.Id, report.Revision))))
                more.Add(report.ToEntity(told.Id, ++free));
        return more;
    }

    /// <summary>A pump that is not here yet, by its tag, or by one near to it where another pump has that.</summary>
    internal async Task<PumpEntity> New(PumpInFile pump, CancellationToken stop)
    {
        var free = pump.Tag;
        for (var k = 2; await db.Pumps.AnyAsync(p => p.Tag.ToLower() == free.ToLower(), stop); k++)
            free = $"{pump.Tag[..Math.Min(pump.Tag.Length, 34)]} ({k})";
        return (pump with { Tag = free }).ToEntity();
    }

    // True where all that was told, undone and done again in one is in the other too.
    private static bool Holds(CaseInFile whole, CaseInFile part)
    {
        var has = whole.Moves.Select(m => m.Key).ToHashSet();
        return part.Moves.All(m => has.Contains(m.Key));
    }
}

/// <summary>A case to be laid down, and as it is shown; null where all of it is here.</summary>
internal sealed record ShownCase(CaseEntity Entity, CaseResource? As);
