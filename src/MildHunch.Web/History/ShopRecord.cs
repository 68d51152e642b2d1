using Microsoft.EntityFrameworkCore;
using MildHunch.Core.Faults;
using MildHunch.Core.Records.Outcomes;
using MildHunch.Store;
using MildHunch.Web.Shared;

namespace MildHunch.Web.History;

public sealed record FoundDto(string Fault, string Name, int Times);

/// <summary>What closed cases of one type of pump turned out to be, and since when they count.</summary>
public sealed record PumpTypeRecord(string PumpType, int Cases, DateTime? Since, IReadOnlyList<FoundDto> Found);

/// <summary>
/// What this shop has found in its closed cases, by type of pump: it moves the priors, so it is shown and can be set back.
/// </summary>
public sealed class ShopRecord(MildHunchDb db, Catalogue catalogue, TimeProvider clock)
{
    /// <summary>Times each fault was found in closed cases of a type of pump, one case apart. Counted by the database.</summary>
    public async Task<Dictionary<string, int>> Found(string pumpType, CaseEntity but, CancellationToken stop)
    {
        var times = new Dictionary<string, int>();
        foreach (var (closed, count) in await Closed(pumpType, stop))
            Count(times, closed, count);
        if (but.Headline.Closed is { } own && await Counts(pumpType, but.Headline.ClosedAt, stop))
            Count(times, own, -1);
        return times.Where(t => t.Value > 0).ToDictionary();
    }

    public async Task<IReadOnlyList<PumpTypeRecord>> All(CancellationToken stop)
    {
        var since = await db.HistoryResets.AsNoTracking().ToDictionaryAsync(r => r.PumpType, r => r.At, stop);
        var records = new List<PumpTypeRecord>();
        foreach (var type in await db.Cases.Where(c => c.Headline.Closed != null).Select(c => c.Pump!.Type).Distinct().ToListAsync(stop))
        {
            var closed = await Closed(type, stop);
            var times = new Dictionary<string, int>();
            foreach (var (found, count) in closed)
                Count(times, found, count);
            if (times.Count > 0)
                records.Add(new PumpTypeRecord(
                    type, times.Values.Sum(), since.TryGetValue(type, out var at) ? at : null,
                    [.. times.Select(t => new FoundDto(t.Key, catalogue.Fault(t.Key)!.Name, t.Value)).OrderByDescending(f => f.Times)
                        .ThenBy(f => f.Name, StringComparer.Ordinal)]));
        }

        return [.. records.OrderByDescending(r => r.Cases)];
    }

    /// <summary>From now on only cases closed later count for this type of pump.</summary>
    public async Task Reset(string pumpType, CancellationToken stop)
    {
        if ((await Closed(pumpType, stop)).Count == 0)
            throw RefusalException.NotFound("type of pump with closed cases", pumpType);
        var now = clock.GetUtcNow().UtcDateTime;
        if (await db.HistoryResets.FirstOrDefaultAsync(r => r.PumpType == pumpType, stop) is { } known)
            known.At = now;
        else
            db.HistoryResets.Add(new HistoryResetEntity { PumpType = pumpType, At = now });
        await db.SaveOrRefuse(stop);
    }

    // What was found, and how often, in cases of a type of pump closed since its record was set back.
    private async Task<IReadOnlyList<(string Found, int Times)>> Closed(string pumpType, CancellationToken stop)
    {
        var since = await Since(pumpType, stop);
        var rows = await db.Cases.Where(c => c.Pump!.Type == pumpType && c.Headline.Closed != null && c.Headline.ClosedAt > since)
            .GroupBy(c => c.Headline.Closed!).Select(g => new { Found = g.Key, Times = g.Count() }).ToListAsync(stop);
        return [.. rows.Select(r => (r.Found, r.Times))];
    }

    private async Task<bool> Counts(string pumpType, DateTime? closedAt, CancellationToken stop) => closedAt > await Since(pumpType, stop);

    private async Task<DateTime> Since(string pumpType, CancellationToken stop) =>
        await db.HistoryResets.Where(r => r.PumpType == pumpType).Select(r => (DateTime?)r.At).FirstOrDefaultAsync(stop)
            ?? DateTime.SpecifyKind(DateTime.MinValue, DateTimeKind.Utc);

    // "inlet-valve-leak+nozzle-worn@…": every fault of it that the catalogue still knows.
    private void Count(Dictionary<string, int> times, string closed, int count)
    {
        foreach (var fault in Outcome.Read(closed)!.Faults.Where(f => catalogue.Fault(f) is not null))
            times[fault] = times.GetValueOrDefault(fault) + count;
    }
}
