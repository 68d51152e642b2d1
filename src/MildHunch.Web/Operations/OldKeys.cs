using MildHunch.Store;
using MildHunch.Web.Shared.Sending;

namespace MildHunch.Web.Operations;

/// <summary>Forgets once a day the keys that nobody sends again: a product that is never ended would keep all of them.</summary>
public sealed class OldKeys(IServiceScopeFactory scopes, ShopHealth health, TimeProvider clock, ILogger<OldKeys> log)
    : SteadyWork("forgetting old keys", health, clock, log)
{
    private static readonly TimeSpan Day = TimeSpan.FromDays(1);

    protected override async Task Round(CancellationToken stop)
    {
        await using var scope = scopes.CreateAsyncScope();
        await SenderKeys.Sweep(scope.ServiceProvider.GetRequiredService<MildHunchDb>(), Clock.GetUtcNow().UtcDateTime, stop);
    }

    protected override Task Wait(CancellationToken stop) => Task.Delay(Day, Clock, stop);
}
