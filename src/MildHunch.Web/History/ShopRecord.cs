using Microsoft.EntityFrameworkCore;
using MildHunch.Core.Faults;
using MildHunch.Store;
using MildHunch.Web.Pumps;
using MildHunch.Web.Shared;

namespace MildHunch.Web.History;

public sealed record FoundDto(string Fault, string Name, int Times);

/// <summary>What closed cases of one type of pump turned out to be, and since when they count.</summary>
public sealed record PumpTypeRecord(string PumpType, int Cases, DateTime? Since, IReadOnlyList<FoundDto> Found);

/// <summary>What this shop has found in its closed cases, by type of pump: it moves the priors, so it is shown and can be set back.</summary>
public sealed class ShopRecord(MildHunchDb db, Catalogue catalogue, TimeProvider clock)
{
    /// <summary>Pumps that wear alike: arrangement and number of cylinders.</summary>
    public static string TypeOf(PumpDto pump) => $"{pump.Arrangement ?? "crank-plunger"}-{pump.Cylinders}";

    /// <summary>Times each fault was found in closed cases of a type of pump, one case apart.</summary>
    public async Task<Dictionary<string, int>> Found(string pumpType, string? butCase, CancellationToken stop) =>
        (await Closed(stop)).Where(c => c.Type == pumpType && c.CaseId != butCase).GroupBy(c => c.Fault).ToDictionary(g => g.Key, g => g.Count());

    public async Task<IReadOnlyList<PumpTypeRecord>> All(CancellationToken stop)
    {
        var since = await db.HistoryResets.ToDictionaryAsync(r => r.PumpType, r => r.At, stop);
        return
        [
            .. (await Closed(stop)).GroupBy(c => c.Type).Select(g => new PumpTypeRecord(
                g.Key, g.Count(), since.TryGetValue(g.Key, out var at) ? at : null,
                [.. g.GroupBy(c => c.Fault).Select(f => new FoundDto(f.Key, catalogue.Fault(f.Key)!.Name, f.Count())).OrderByDescending(f => f.Times).ThenBy(f => f.Name, StringComparer.Ordinal)]))
            .OrderByDescending(t => t.Cases),
        ];
    }

    /// <summary>From now on only cases closed later count for this type of pump.</summary>
    public async Task Reset(string pumpType, CancellationToken stop)
    {
        if ((await Closed(stop)).All(c => c.Type != pumpType))
            throw RefusalException.NotFound("type of pump with closed cases", pumpType);
        var now = clock.GetUtcNow().UtcDateTime;
        if (await db.HistoryResets.FirstOrDefaultAsync(r => r.PumpType == pumpType, stop) is { } known)
            known.At = now;
        else
            db.HistoryResets.Add(new HistoryResetEntity { PumpType = pumpType, At = now });
        await db.SaveOrRefuse(stop);
    }

    private async Task<IReadOnlyList<(string CaseId, string Type, string Fault)>> Closed(CancellationToken stop)
    {
        var cases = await db.Cases.AsNoTracking().Where(c => c.Facts.Any(f => f.Name == "closed"))
            .Include(c => c.Pump).Include(c => c.Changes).Include(c => c.Facts.Where(f => f.Name == "closed")).AsSplitQuery().ToListAsync(stop);
        var since = await db.HistoryResets.AsNoTracking().ToDictionaryAsync(r => r.PumpType, r => r.At, stop);
        var found = new List<(string, string, string)>();
        foreach (var one in cases)
        {
            if (one.Standing(one.Facts).LastOrDefault() is not { } closed)
                continue;
            var type = TypeOf(PumpEndpoints.Resource(one.Pump!).Pump);
            if (since.TryGetValue(type, out var at) && one.Changes.First(c => c.Number == closed.AddedBy).At <= at)
                continue;
            foreach (var fault in closed.Value.Split('@')[0].Split('+').Where(f => catalogue.Fault(f) is not null))
                found.Add((one.Id, type, fault));
        }

        return found;
    }
}

/// <summary>The shop's own record.</summary>
public static class HistoryEndpoints
{
    public static void Map(IEndpointRouteBuilder routes)
    {
        var group = routes.MapGroup("/api/history").WithTags("History");
        group.MapGet("/", (ShopRecord record, CancellationToken stop) => record.All(stop)).WithSummary("What closed cases turned out to be, by type of pump: it moves the priors.");
        group.MapDelete("/{pumpType}", async (string pumpType, ShopRecord record, CancellationToken stop) =>
        {
            await record.Reset(pumpType, stop);
            return TypedResults.NoContent();
        }).WithSummary("Sets the record of one type of pump back: only cases closed from now on count.");
    }
}
