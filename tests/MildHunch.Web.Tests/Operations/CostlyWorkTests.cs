using Microsoft.Extensions.Time.Testing;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Tests.Operations;

/// <summary>Costly work waits its turn, gives up after a while, and ends for who hangs up.</summary>
public sealed class CostlyWorkTests
{
    private static CancellationToken Stop => TestContext.Current.CancellationToken;

    [Fact]
    public async Task Who_waits_comes_in_when_a_place_is_free()
    {
        using var work = new CostlyWork(new FakeTimeProvider());
        var held = await Fill(work);
        var waiting = work.Enter("pdf", Stop);
        waiting.IsCompleted.ShouldBeFalse();
        (await work.Enter("curves", Stop)).IsAcquired.ShouldBeTrue("each kind has a gate of its own");
        held[0].Dispose();
        (await waiting).IsAcquired.ShouldBeTrue();
    }

    [Fact]
    public async Task Nobody_waits_longer_than_ten_seconds()
    {
        var clock = new FakeTimeProvider();
        using var work = new CostlyWork(clock);
        await Fill(work);
        var waiting = work.Enter("pdf", Stop);
        clock.Advance(TimeSpan.FromSeconds(9));
        waiting.IsCompleted.ShouldBeFalse();
        clock.Advance(TimeSpan.FromSeconds(2));
        (await Should.ThrowAsync<RefusalException>(waiting)).Status.ShouldBe(503);
    }

    [Fact]
    public async Task The_hundred_and_first_is_sent_away_at_once()
    {
        using var work = new CostlyWork(new FakeTimeProvider());
        await Fill(work);
        var waiting = Enumerable.Range(0, 100).Select(_ => work.Enter("pdf", Stop)).ToArray();
        (await Should.ThrowAsync<RefusalException>(work.Enter("pdf", Stop))).Status.ShouldBe(503);
        waiting.ShouldAllBe(w => !w.IsCompleted);
    }

    [Fact]
    public async Task Who_hangs_up_waits_no_more()
    {
        using var work = new CostlyWork(new FakeTimeProvider());
        await Fill(work);
        using var asker = new CancellationTokenSource();
        var waiting = work.Enter("pdf", asker.Token);
        await asker.CancelAsync();
        await Should.ThrowAsync<OperationCanceledException>(waiting);
    }

    private static async Task<List<System.Threading.RateLimiting.RateLimitLease>> Fill(CostlyWork work)
    {
        List<System.Threading.RateLimiting.RateLimitLease> held = [];
        for (var k = 0; k < Environment.ProcessorCount; k++)
            held.Add(await work.Enter("pdf", Stop));
        return held;
    }
}
