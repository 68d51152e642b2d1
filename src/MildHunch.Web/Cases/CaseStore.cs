using Microsoft.EntityFrameworkCore;
using MildHunch.Store;
using MildHunch.Web.Cases.Close;
using MildHunch.Web.Cases.Tell;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Cases;

/// <summary>Loads cases whole, and saves them with their headline and what we thought.</summary>
public sealed class CaseStore(MildHunchDb db, CaseView view, CaseRecorder recorder, TimeProvider clock)
{
    public async Task<CaseEntity> Load(string id, CancellationToken stop) =>
        await Whole().FirstOrDefaultAsync(c => c.Id == id, stop) ?? throw RefusalException.NotFound("case", id);

    /// <summary>What was touched since a version of a case, by name; null where that is not known.</summary>
    public async Task<IReadOnlySet<string>?> TouchedSince(CaseEntity entity, int version, CancellationToken stop)
    {
        var moves = await db.Set<MoveEntity>().AsNoTracking().Where(m => m.CaseId == entity.Id && m.Version > version)
            .Select(m => m.Change).ToListAsync(stop);
        return moves.Count == entity.Version - version ? Contradictions.Touched(entity, moves.ToHashSet()) : null;
    }

    public DateTime Now() => clock.GetUtcNow().UtcDateTime;

    public async Task<CaseResource> Save(CaseEntity entity, CancellationToken stop) =>
        await Save(entity, await view.Show(entity, stop), stop);

    public async Task<CaseResource> Save(CaseEntity entity, CaseResource shown, CancellationToken stop)
    {
        await Summarise(entity, shown, entity.Headline.Closed, stop);
        if (shown.Diagnosis?.Suspects[0] is { } leader)
        {
            entity.Verdicts.Add(new VerdictEntity
            {
                Id = Ids.New(),
                CaseId = entity.Id,
                AfterVersion = entity.Version,
                At = Now(),
                Leader = leader.Fault,
                LeaderName = leader.Name,
                Probability = leader.Probability,
                Hunch = leader.Hunch,
                SuspectsJson = Stored.Write(shown.Diagnosis.Suspects.ToDictionary(s => s.Fault, s => s.Probability)),
            });
        }

        await db.SaveOrRefuse(stop);
        return shown;
    }

    private async Task Summarise(CaseEntity entity, CaseResource shown, string? was, CancellationToken stop)
    {
        var line = entity.Headline;
        var closed = entity.InForce(entity.Facts.Where(f => f.Name == CaseFacts.Closed)).LastOrDefault();
        (line.Complaint, line.Closed, line.Entries) = (shown.Complaint, shown.Closed, shown.Readings.Count + shown.Cues.Count);
        line.ClosedAt = closed is null ? null : entity.Changes.First(c => c.Number == closed.AddedBy).At;
        line.ChangedAt = entity.Changes.Max(c => c.At);
        if (shown.Diagnosis?.Suspects[0] is { } leader)
            (line.Leader, line.LeaderName, line.Probability, line.Hunch) = (leader.Fault, leader.Name, leader.Probability, leader.Hunch);
        await recorder.Record(entity, shown, was, stop);
    }

    /// <summary>Saves a case that came from elsewhere: its headline, and no verdict but those it brought.</summary>
    /// <param name="entity">The case.</param>
    /// <param name="shown">As it is shown.</param>
    /// <param name="was">What it was closed as here before: opened again elsewhere, what it left on record is taken back.</param>
    /// <param name="stop">Ends it.</param>
    public async Task SaveAsItCame(CaseEntity entity, CaseResource shown, string? was, CancellationToken stop)
    {
        await Summarise(entity, shown, was, stop);
        await db.SaveOrRefuse(stop);
    }

    private IQueryable<CaseEntity> Whole() =>
        db.Cases.Include(c => c.Pump).ThenInclude(p => p!.Stood).Include(c => c.Changes).Include(c => c.Readings).Include(c => c.Cues)
            .Include(c => c.Facts).AsSplitQuery();
}

/// <summary>The pump of a case that was loaded whole.</summary>
public static class CasePump
{
    /// <summary>As it stood when the case was opened: swapped since, it has another tag and set-up now.</summary>
    public static PumpEntity KnownPump(this CaseEntity entity)
    {
        var pump = entity.Pump ?? throw new InvalidOperationException("A case was loaded without its pump.");
        return pump.Stood.Where(s => s.Until > entity.OpenedAt).MinBy(s => s.Until) is { } stood
            ? new PumpEntity
            {
                Id = pump.Id,
                Tag = stood.Tag,
                Name = pump.Name,
                Duty = stood.Duty,
                PumpJson = pump.PumpJson,
                SetupJson = stood.SetupJson,
                SheetJson = pump.SheetJson,
                Serial = pump.Serial,
                RunningJson = pump.RunningJson,
                CreatedAt = pump.CreatedAt,
                Type = pump.Type,
                ArchivedAt = pump.ArchivedAt,
                Version = pump.Version,
            }
            : pump;
    }
}
