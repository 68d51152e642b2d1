using System.Collections.Concurrent;
using Microsoft.EntityFrameworkCore;
using MildHunch.Core.Faults;
using MildHunch.Core.Records.Patterns;
using MildHunch.Core.Service;
using MildHunch.Store;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Records;

/// <summary>
/// What the shop remembers, kept in memory: lives of parts, how long they last, patterns. Read from the database when first asked, and
/// again only for pumps of which something was stored since.
/// </summary>
public sealed class ShopMemory(IServiceScopeFactory scopes, ServiceSheets sheets, Catalogue catalogue, TimeProvider clock)
{
    private readonly SemaphoreSlim reading = new(1);
    private readonly ConcurrentDictionary<string, bool> stale = [];
    private readonly PatternFinder finder = new(PartFamilies.BuiltIn);
    private WholeRecord known = WholeRecord.Nothing;
    private readonly SemaphoreSlim told = new(0, 1);
    private volatile bool complete;

    // How often something was stored, and how much of it the record has: while one reads, others wait for what he reads.
    private long changes;
    private long readUpTo;

    /// <summary>Today, by the server’s clock.</summary>
    public DateOnly Today => DateOnly.FromDateTime(clock.GetLocalNow().DateTime);

    /// <summary>Something of these pumps was stored: they are read again when next asked for.</summary>
    public void Forget(IReadOnlyCollection<string> pumps)
    {
        if (pumps.Count == 0)
            return;
        foreach (var pump in pumps)
            stale[pump] = true;
        Interlocked.Increment(ref changes);
        try
        {
            told.Release();
        }
        catch (SemaphoreFullException)
        {
            // Somebody was told already and has not looked yet.
        }
    }

    /// <summary>Waits until something was stored, or a new day has begun. For one who waits.</summary>
    public async Task Stored(CancellationToken stop)
    {
        var now = clock.GetLocalNow().DateTime;
        await told.WaitAsync(now.Date.AddDays(1) - now, stop);
    }

    /// <summary>One pump.</summary>
    public async Task<PumpMemory> Of(string id, CancellationToken stop) =>
        (await All(stop)).Pumps.GetValueOrDefault(id) ?? throw RefusalException.NotFound("pump", id);

    /// <summary>Everything, as it stands now.</summary>
    public async Task<WholeRecord> All(CancellationToken stop)
    {
        var today = Today;
        if (IsCurrent(today))
            return known;
        await reading.WaitAsync(stop);
        try
        {
            if (IsCurrent(today))
                return known;
            var upTo = Interlocked.Read(ref changes);
            var whole = !complete || known.Day != today;
            string[] again = [.. stale.Keys];

            // What is stored while it is read is read again the next time.
            foreach (var id in again)
                stale.TryRemove(id, out _);
            try
            {
                if (whole || again.Length > 0)
                    known = await Read(whole ? null : again, today, stop);
            }
            catch
            {
                Forget(again);
                throw;
            }

            complete = true;
            Interlocked.Exchange(ref readUpTo, upTo);
            return known;
        }
        finally
        {
            reading.Release();
        }
    }

    private bool IsCurrent(DateOnly today) =>
        complete && known.Day == today && Interlocked.Read(ref readUpTo) == Interlocked.Read(ref changes);

    private async Task<WholeRecord> Read(string[]? again, DateOnly today, CancellationToken stop)
    {
        await using var scope = scopes.CreateAsyncScope();
        var db = scope.ServiceProvider.GetRequiredService<MildHunchDb>();
        var pumps = await db.Pumps.AsNoTracking().Where(p => again == null || again.Contains(p.Id)).ToListAsync(stop);
        var meters = (await db.Meters.AsNoTracking().Where(m => again == null || again.Contains(m.PumpId)).ToListAsync(stop))
            .ToLookup(m => m.PumpId);
        var changes = (await db.PartChanges.AsNoTracking().Where(c => again == null || again.Contains(c.PumpId)).ToListAsync(stop))
            .ToLookup(c => c.PumpId);
        var read = pumps.ToDictionary(p => p.Id, p => PumpMemory.Of(p, [.. meters[p.Id]], [.. changes[p.Id]], sheets, catalogue, today));
        var all = again is null
            ? read
            : known.Pumps.Where(p => !again.Contains(p.Key)).Concat(read).ToDictionary(p => p.Key, p => p.Value);
        return new WholeRecord(today, all, finder, again is null ? null : new RecordBefore(known, again));
    }
}
