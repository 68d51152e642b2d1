using System.Collections.Concurrent;
using Microsoft.EntityFrameworkCore;
using MildHunch.Core.Faults;
using MildHunch.Core.Records.Patterns;
using MildHunch.Core.Service;
using MildHunch.Store;
using MildHunch.Web.Operations;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Records;

/// <summary>
/// What the shop remembers, kept in memory: lives of parts, how long they last, patterns. Read from the database when first asked, and
/// again only for pumps of which something was stored since.
/// </summary>
public sealed class ShopMemory(
    IServiceScopeFactory scopes, ServiceSheets sheets, Catalogue catalogue, ShopDay day, ShopHealth health, ILogger<ShopMemory> log)
{
    private const string RecordOfPumps = "record of pumps";
    private readonly SemaphoreSlim reading = new(1);
    private readonly ConcurrentDictionary<string, bool> stale = [];
    private readonly PatternFinder finder = new(PartFamilies.BuiltIn);
    private WholeRecord known = WholeRecord.Nothing;
    private volatile bool complete;
    private TaskCompletionSource told = new(TaskCreationOptions.RunContinuationsAsynchronously);

    // How often something was stored, and how much of it the record has: while one reads, others wait for what he reads.
    private long changes;
    private long readUpTo;

    /// <summary>Today in the shop.</summary>
    public DateOnly Today => day.Today;

    /// <summary>The day on which something was, in the shop.</summary>
    public DateOnly DayOf(DateTime utc) => day.Of(utc);

    /// <summary>Something of these pumps was stored: they are read again when next asked for.</summary>
    public void Forget(IReadOnlyCollection<string> pumps)
    {
        if (pumps.Count == 0)
            return;
        foreach (var pump in pumps)
            stale[pump] = true;
        Interlocked.Increment(ref changes);
        Interlocked.Exchange(ref told, new TaskCompletionSource(TaskCreationOptions.RunContinuationsAsynchronously)).TrySetResult();
    }

    /// <summary>How often something was stored.</summary>
    public long Changes => Interlocked.Read(ref changes);

    /// <summary>Waits until something was stored, or a new day has begun.</summary>
    /// <param name="seen">How often something had been stored when the caller last looked.</param>
    /// <param name="stop">Ends it.</param>
    public async Task Stored(long seen, CancellationToken stop)
    {
        var next = Volatile.Read(ref told).Task;
        if (Changes != seen)
            return;
        try
        {
            await next.WaitAsync(day.UntilTomorrow, stop);
        }
        catch (TimeoutException)
        {
            // A new day.
        }
    }

    /// <summary>One pump.</summary>
    /// <exception cref="RefusalException">There is none, or its record cannot be read.</exception>
    public async Task<PumpMemory> Of(string id, CancellationToken stop)
    {
        var all = await All(stop);
        return all.Pumps.GetValueOrDefault(id) ?? (all.Readings.GetValueOrDefault(id)?.Unread is { } unread
            ? throw new RefusalException(
                StatusCodes.Status409Conflict, "Its record cannot be read", "record",
                $"What is stored of {unread.Tag} is kept and cannot be read: {unread.Why}")
            : throw RefusalException.NotFound("pump", id));
    }

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
        var read = pumps.ToDictionary(
            p => p.Id, p => PumpReading.Of(p, [.. meters[p.Id]], [.. changes[p.Id]], sheets, catalogue, today));
        foreach (var reading in read.Values.Where(r => r.Unread is not null))
            log.LogError(reading.Cause, "The record of pump {Tag} cannot be read", reading.Unread!.Tag);
        var all = again is null
            ? read
            : known.Readings.Where(p => !again.Contains(p.Key)).Concat(read).ToDictionary(p => p.Key, p => p.Value);
        var whole = new WholeRecord(today, all, finder, again is null ? null : new RecordBefore(known, again));
        if (whole.Unread.Count > 0)
            health.Ails(RecordOfPumps, $"The record of {string.Join(", ", whole.Unread.Select(u => u.Tag))} cannot be read.");
        else
            health.Mended(RecordOfPumps);
        return whole;
    }
}
