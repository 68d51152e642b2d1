using System.Collections.Concurrent;
using Microsoft.EntityFrameworkCore;
using MildHunch.Core.Faults;
using MildHunch.Core.Records.Lives;
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
    private Known known = new(DateOnly.MinValue, []);
    private volatile bool complete;

    /// <summary>Today, by the server’s clock.</summary>
    public DateOnly Today => DateOnly.FromDateTime(clock.GetLocalNow().DateTime);

    /// <summary>Something of these pumps was stored: they are read again when next asked for.</summary>
    public void Forget(IEnumerable<string> pumps)
    {
        foreach (var pump in pumps)
            stale[pump] = true;
    }

    /// <summary>One pump.</summary>
    public async Task<PumpMemory> Of(string id, CancellationToken stop) =>
        (await All(stop)).Pumps.GetValueOrDefault(id) ?? throw RefusalException.NotFound("pump", id);

    /// <summary>Everything, as it stands now.</summary>
    public async Task<Known> All(CancellationToken stop)
    {
        var today = Today;
        if (complete && known.Day == today && stale.IsEmpty)
            return known;
        await reading.WaitAsync(stop);
        try
        {
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
            return known;
        }
        finally
        {
            reading.Release();
        }
    }

    private async Task<Known> Read(string[]? again, DateOnly today, CancellationToken stop)
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
        return new Known(today, all);
    }

    /// <summary>The whole record at one moment; what follows from it is worked out when first asked for.</summary>
    public sealed class Known(DateOnly day, Dictionary<string, PumpMemory> pumps)
    {
        private readonly ConcurrentDictionary<LifeOf, LifeOnRecord?> lives = [];
        private readonly Lazy<IReadOnlyList<Pattern>> patterns = new(() => PatternFinder.Find(
            [.. pumps.Values.Select(p => p.Record).OrderBy(r => r.Tag, StringComparer.Ordinal)], PartFamilies.BuiltIn, day));

        public DateOnly Day => day;

        public IReadOnlyDictionary<string, PumpMemory> Pumps => pumps;

        /// <summary>Patterns, the strongest first; also those that are not told.</summary>
        public IReadOnlyList<Pattern> Patterns => patterns.Value;

        /// <summary>How long a kind of part lasts in pumps of a type on a liquid; null where nothing is known.</summary>
        public LifeOnRecord? Life(LifeOf of) => lives.GetOrAdd(of, asked =>
        {
            var alike = pumps.Values.Where(p => p.Record.Type == asked.PumpType && p.Liquid == asked.Liquid)
                .Select(p => (Pump: p, Parts: p.Record.Parts.Where(x => x.Kind == asked.Kind).ToDictionary(x => x.At.Key))).ToArray();
            WatchedLife[] watched =
            [
                .. alike.SelectMany(a => a.Pump.Record.Lives.Where(l => a.Parts.ContainsKey(l.At.Key))
                    .Select(l => l.Watched(a.Pump.Record.HoursAt(day), a.Pump.WatchedFrom))).OfType<WatchedLife>(),
            ];
            var prior = alike.SelectMany(a => a.Parts.Values).Select(p => p.Wear).OfType<Wear>().FirstOrDefault() is { } wear
                ? new LifePrior(wear)
                : null;
            return prior is null && !watched.Any(w => w.Failed)
                ? null
                : new LifeOnRecord(of, LifeEstimator.Estimate(watched, prior), watched, prior);
        });
    }
}

/// <summary>Which lives are pooled: a kind of part in pumps of a type on a liquid.</summary>
public sealed record LifeOf(string Kind, string PumpType, string Liquid);

/// <summary>How long such parts last, and what it was read from.</summary>
public sealed record LifeOnRecord(LifeOf Of, LifeEstimate Estimate, IReadOnlyList<WatchedLife> Watched, LifePrior? Prior);
