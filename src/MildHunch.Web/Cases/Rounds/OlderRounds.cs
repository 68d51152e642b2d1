using Microsoft.EntityFrameworkCore;
using MildHunch.Store;
using MildHunch.Web.Cases.Close;

namespace MildHunch.Web.Cases.Rounds;

/// <summary>
/// Brings cases from before rounds were told apart into rounds, once, and lays what they had lost on the record of their pump. A start that
/// is broken off goes on where it was: each case is stored with its record, or not at all.
/// </summary>
public sealed class OlderRounds(MildHunchDb db, CaseStore store, CaseView view, CaseRecorder recorder, ILogger<OlderRounds> log)
{
    /// <summary>All cases of the shop that are not in rounds yet.</summary>
    public async Task BringOver(CancellationToken stop)
    {
        var left = await db.Set<FactEntity>().Where(f => f.Round == OlderCases.Unknown).Select(f => f.CaseId).Distinct().ToListAsync(stop);
        foreach (var id in left)
        {
            var entity = await store.Load(id, stop);
            OlderCases.Divide(entity);
            await Record(entity, stop);
            await db.SaveChangesAsync(stop);
            db.ChangeTracker.Clear();
        }

        if (left.Count > 0)
            log.LogInformation("{Count} cases were brought into rounds", left.Count);
    }

    // A pump that cannot be read keeps its case from being shown, not from being divided.
    private async Task Record(CaseEntity entity, CancellationToken stop)
    {
        if (entity.Headline.Closed is not { } closed || entity.Round() == CaseRounds.First)
            return;
        try
        {
            await recorder.Record(entity, await view.Show(entity, stop), closed, stop);
        }
        catch (Exception e) when (e is not (OperationCanceledException or OutOfMemoryException))
        {
            log.LogWarning(e, "Case {Case} was brought into rounds; its record stays as it was", entity.Id);
        }
    }
}
