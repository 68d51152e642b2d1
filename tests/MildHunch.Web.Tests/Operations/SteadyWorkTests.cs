using Microsoft.Extensions.Logging.Abstractions;
using Microsoft.Extensions.Time.Testing;
using MildHunch.Web.Operations;

namespace MildHunch.Web.Tests.Operations;

/// <summary>Work in the background fails, is told, and is tried again; it never ends what it works for.</summary>
public sealed class SteadyWorkTests
{
    [Fact]
    public async Task What_fails_is_told_and_tried_again_until_it_goes()
    {
        var clock = new FakeTimeProvider();
        var health = new ShopHealth();
        using var work = new Failing(health, clock);
        await work.StartAsync(TestContext.Current.CancellationToken);
        await Until(() => work.Rounds == 1 && health.Now().Status == "degraded");
        health.Now().Why.Single().ShouldBe("Counting failed and is tried again: no ink");
        await Until(() =>
        {
            clock.Advance(TimeSpan.FromMinutes(10));
            return work.Rounds >= 4;
        });
        await Until(() => health.Now().Status == "well");
        await work.StopAsync(TestContext.Current.CancellationToken);
    }

    private static async Task Until(Func<bool> so)
    {
        for (var k = 0; k < 500 && !so(); k++)
            await Task.Delay(10, TestContext.Current.CancellationToken);
        so().ShouldBeTrue();
    }

    private sealed class Failing(ShopHealth health, TimeProvider clock) : SteadyWork("counting", health, clock, NullLogger.Instance)
    {
        public int Rounds { get; private set; }

        protected override Task Round(CancellationToken stop) =>
            ++Rounds < 4 ? throw new NotSupportedException("no ink") : Task.CompletedTask;

        protected override Task Wait(CancellationToken stop) => Task.Delay(Timeout.Infinite, stop);
    }
}
