using Microsoft.Data.Sqlite;
using MildHunch.Web.Records.Due;

namespace MildHunch.Web.Records;

/// <summary>
/// Works out lives, patterns and what is due after the start, after a change and on a new day, so that nobody waits for them who opens
/// a page a little later.
/// </summary>
public sealed class RecordWarmth(
    ShopMemory memory, DueView due, IHostApplicationLifetime product, ILogger<RecordWarmth> log) : BackgroundService
{
    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        // Whoever waits for the product to answer goes first.
        var started = new TaskCompletionSource();
        await using var told = product.ApplicationStarted.Register(started.SetResult);
        await started.Task.WaitAsync(stoppingToken);
        await Task.Yield();
        while (!stoppingToken.IsCancellationRequested)
        {
            try
            {
                var known = await memory.All(stoppingToken);
                foreach (var pump in known.Pumps.Values.Where(p => !p.Archived).TakeWhile(_ => !stoppingToken.IsCancellationRequested))
                    due.Of(pump, known, known.Day);
                _ = known.Patterns;
            }
            catch (SqliteException e)
            {
                log.LogError(e, "The record could not be read ahead; it is read when a page asks for it");
            }

            await memory.Stored(stoppingToken);
        }
    }
}
