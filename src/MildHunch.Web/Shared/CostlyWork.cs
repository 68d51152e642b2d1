using System.Collections.Concurrent;
using System.Threading.RateLimiting;

namespace MildHunch.Web.Shared;

/// <summary>
/// One gate for each kind of costly work: so many at once as the machine has processors, a hundred wait, nobody longer than ten seconds.
/// How often one asks is nobody's business.
/// </summary>
public sealed class CostlyWork(TimeProvider clock) : IDisposable
{
    private const int Waiting = 100;
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(10);
    private readonly ConcurrentDictionary<string, ConcurrencyLimiter> gates = new();

    /// <summary>Waits for a place; held until the lease is given back.</summary>
    /// <exception cref="RefusalException">Too many wait already, or it took too long.</exception>
    public async Task<RateLimitLease> Enter(string kind, CancellationToken stop)
    {
        var gate = gates.GetOrAdd(kind, _ => new ConcurrencyLimiter(new ConcurrencyLimiterOptions
        {
            PermitLimit = Environment.ProcessorCount,
            QueueLimit = Waiting,
            QueueProcessingOrder = QueueProcessingOrder.OldestFirst,
        }));
        using var patience = new CancellationTokenSource(Patience, clock);
        using var either = CancellationTokenSource.CreateLinkedTokenSource(stop, patience.Token);
        try
        {
            var lease = await gate.AcquireAsync(1, either.Token);
            return lease.IsAcquired ? lease : throw Busy();
        }
        catch (OperationCanceledException) when (!stop.IsCancellationRequested)
        {
            throw Busy();
        }
    }

    /// <inheritdoc/>
    public void Dispose()
    {
        foreach (var gate in gates.Values)
            gate.Dispose();
    }

    private static RefusalException Busy() => new(
        StatusCodes.Status503ServiceUnavailable, "Too much at once", "",
        "The server is busy with work of this kind. Try again in a moment.");
}

/// <summary>Endpoints whose work is costly.</summary>
public static class CostlyEndpoints
{
    /// <summary>Lets it through one gate of its kind.</summary>
    public static RouteHandlerBuilder Costly(this RouteHandlerBuilder endpoint, string kind) => endpoint.AddEndpointFilter(
        async (asked, next) =>
        {
            var work = asked.HttpContext.RequestServices.GetRequiredService<CostlyWork>();
            using var lease = await work.Enter(kind, asked.HttpContext.RequestAborted);
            return await next(asked);
        });
}
