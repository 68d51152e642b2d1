namespace MildHunch.Web.Operations;

/// <summary>
/// Work in the background that comes again and again. Whatever it throws is told and tried again later; it never ends the product.
/// </summary>
/// <param name="name">What it is, in words: “the nightly backup”.</param>
public abstract class SteadyWork(string name, ShopHealth health, TimeProvider clock, ILogger log) : BackgroundService
{
    private static readonly TimeSpan First = TimeSpan.FromSeconds(5);
    private static readonly TimeSpan Longest = TimeSpan.FromMinutes(10);

    /// <summary>By which it waits.</summary>
    protected TimeProvider Clock => clock;

    /// <summary>One round of it.</summary>
    protected abstract Task Round(CancellationToken stop);

    /// <summary>Waits until there is a reason for the next round.</summary>
    protected abstract Task Wait(CancellationToken stop);

    /// <summary>What comes before the first round.</summary>
    protected virtual Task Begin(CancellationToken stop) => Task.CompletedTask;

    /// <summary>Waits until the product answers: whoever waits for that goes first.</summary>
    protected static async Task Started(IHostApplicationLifetime product, CancellationToken stop)
    {
        var started = new TaskCompletionSource();
        await using var told = product.ApplicationStarted.Register(started.SetResult);
        await started.Task.WaitAsync(stop);
        await Task.Yield();
    }

    protected sealed override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        var pause = First;
        var begun = false;
        while (!stoppingToken.IsCancellationRequested)
        {
            try
            {
                if (!begun)
                    await Begin(stoppingToken);
                begun = true;
                await Round(stoppingToken);
                health.Mended(name);
                pause = First;
                await Wait(stoppingToken);
            }
            catch (OperationCanceledException) when (stoppingToken.IsCancellationRequested)
            {
                return;
            }
            catch (Exception e)
            {
                log.LogError(e, "{Work} failed; it is tried again in {Pause}", name, pause);
                health.Ails(name, $"{char.ToUpperInvariant(name[0])}{name[1..]} failed and is tried again: {e.Message}");
                await Task.Delay(pause, clock, stoppingToken).ConfigureAwait(ConfigureAwaitOptions.SuppressThrowing);
                pause = pause * 2 < Longest ? pause * 2 : Longest;
            }
        }
    }
}
