using System.Data.Common;
using System.Runtime.CompilerServices;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Diagnostics;
using MildHunch.Store;

namespace MildHunch.Web.Records;

/// <summary>
/// Tells the shop’s memory which pumps something was stored of, whoever stored it; once it is there for others to read.
/// </summary>
public sealed class RecordWatch(ShopMemory memory) : SaveChangesInterceptor, IDbTransactionInterceptor
{
    // What concerns all pumps of a type is read anew with none of them.
    private const string OfNoPump = "";

    // What was saved by a context and is not known to be readable yet.
    private readonly ConditionalWeakTable<DbContext, HashSet<string>> touched = [];

    public override InterceptionResult<int> SavingChanges(DbContextEventData eventData, InterceptionResult<int> result)
    {
        if (eventData.Context is { } db)
            touched.GetOrCreateValue(db).UnionWith(Touched(db));
        return result;
    }

    public override ValueTask<InterceptionResult<int>> SavingChangesAsync(
        DbContextEventData eventData, InterceptionResult<int> result, CancellationToken cancellationToken = default) =>
        new(SavingChanges(eventData, result));

    public override int SavedChanges(SaveChangesCompletedEventData eventData, int result)
    {
        if (eventData.Context is { Database.CurrentTransaction: null } db)
            Tell(db);
        return result;
    }

    public override ValueTask<int> SavedChangesAsync(
        SaveChangesCompletedEventData eventData, int result, CancellationToken cancellationToken = default) =>
        new(SavedChanges(eventData, result));

    public void TransactionCommitted(DbTransaction transaction, TransactionEndEventData eventData)
    {
        if (eventData.Context is { } db)
            Tell(db);
    }

    public Task TransactionCommittedAsync(
        DbTransaction transaction, TransactionEndEventData eventData, CancellationToken cancellationToken = default)
    {
        TransactionCommitted(transaction, eventData);
        return Task.CompletedTask;
    }

    private void Tell(DbContext db)
    {
        if (!touched.TryGetValue(db, out var pumps))
            return;
        memory.Forget(pumps);
        touched.Remove(db);
    }

    private static IEnumerable<string> Touched(DbContext db) => db.ChangeTracker.Entries().Where(e => e.State != EntityState.Unchanged)
        .Select(e => e.Entity switch
        {
            PumpEntity pump => pump.Id,
            MeterEntity meter => meter.PumpId,
            PartChangeEntity change => change.PumpId,
            OutcomeEntity outcome => outcome.PumpId,
            HistoryResetEntity => OfNoPump,
            _ => null,
        }).OfType<string>();
}
