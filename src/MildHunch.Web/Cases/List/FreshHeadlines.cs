using Microsoft.EntityFrameworkCore;
using MildHunch.Store;
using MildHunch.Web.Operations;
using MildHunch.Web.Records;

namespace MildHunch.Web.Cases.List;

/// <summary>
/// Works out anew what the list says of open cases, after the start and whenever the record changed: what was found elsewhere moves every
/// verdict, and the list must not say another figure than the case. Closed cases say what was found.
/// </summary>
public sealed class FreshHeadlines(
    IServiceScopeFactory scopes, ShopMemory memory, IHostApplicationLifetime product, ShopHealth health, TimeProvider clock,
    ILogger<FreshHeadlines> log)
    : SteadyWork("working out the list of cases", health, clock, log)
{
    // Who changes one thing changes another soon after; where that does not end, it is not waited for longer than this.
    private static readonly TimeSpan Settled = TimeSpan.FromSeconds(2);
    private const int MostWaits = 15;

    // Of the time it works it rests so many times as long, since somebody waits for a page meanwhile.
    private const int Rests = 3;
    private long seen = -1;

    protected override Task Begin(CancellationToken stop) => Started(product, stop);

    protected override async Task Round(CancellationToken stop)
    {
        seen = memory.Changes;
        foreach (var id in await Open(stop))
        {
            var began = Clock.GetTimestamp();
            await One(id, stop);
            await Task.Delay(Rests * Clock.GetElapsedTime(began), Clock, stop);
        }
    }

    protected override async Task Wait(CancellationToken stop)
    {
        await memory.Stored(seen, stop);
        for (var (k, before) = (0, -1L); k < MostWaits && before != memory.Changes; k++)
        {
            before = memory.Changes;
            await Task.Delay(Settled, Clock, stop);
        }
    }

    private async Task One(string id, CancellationToken stop)
    {
        await using var scope = scopes.CreateAsyncScope();
        try
        {
            if (await scope.ServiceProvider.GetRequiredService<CaseStore>().Load(id, stop) is { Headline.Closed: null } entity)
                await Refresh(scope.ServiceProvider, entity, stop);
        }
        catch (Exception e) when (e is not (OperationCanceledException or OutOfMemoryException))
        {
            // Its pump cannot be read, or it went meanwhile; the others go on, and its own page says what is wrong.
            log.LogWarning("The line of case {Case} stays as it is: {Why}", id, e.Message);
        }
    }

    private static async Task Refresh(IServiceProvider services, CaseEntity entity, CancellationToken stop)
    {
        var shown = await services.GetRequiredService<CaseView>().Show(entity, stop);
        var line = entity.Headline;
        if (shown.Diagnosis?.Suspects[0] is not { } leader
            || (line.Leader == leader.Fault && line.LeaderName == leader.Name && line.Probability == leader.Probability
                && line.Hunch == leader.Hunch))
            return;

        // Whoever changed the case meanwhile wrote its line himself.
        await services.GetRequiredService<MildHunchDb>().Cases.Where(c => c.Id == entity.Id && c.Version == entity.Version)
            .ExecuteUpdateAsync(
                set => set.SetProperty(c => c.Headline.Leader, leader.Fault).SetProperty(c => c.Headline.LeaderName, leader.Name)
                    .SetProperty(c => c.Headline.Probability, leader.Probability).SetProperty(c => c.Headline.Hunch, leader.Hunch),
                stop);
    }

    private async Task<IReadOnlyList<string>> Open(CancellationToken stop)
    {
        await using var scope = scopes.CreateAsyncScope();
        return await scope.ServiceProvider.GetRequiredService<MildHunchDb>().Cases.AsNoTracking()
            .Where(c => c.Headline.Closed == null && c.ArchivedAt == null).OrderByDescending(c => c.Headline.ChangedAt).Select(c => c.Id)
            .ToListAsync(stop);
    }
}
