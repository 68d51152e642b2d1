using MildHunch.Web.Operations;
using MildHunch.Web.Records.Due;

namespace MildHunch.Web.Records;

/// <summary>
/// Works out lives, patterns and what is due after the start, after a change and on a new day, so that nobody waits for them who opens
/// a page a little later.
/// </summary>
public sealed class RecordWarmth(
    ShopMemory memory, DueView due, IHostApplicationLifetime product, ShopHealth health, TimeProvider clock, ILogger<RecordWarmth> log)
    : SteadyWork("reading the record ahead", health, clock, log)
{
    private long seen;

    protected override Task Begin(CancellationToken stop) => Started(product, stop);

    protected override async Task Round(CancellationToken stop)
    {
        seen = memory.Changes;
        var known = await memory.All(stop);
        foreach (var pump in known.Pumps.Values.Where(p => !p.Archived).TakeWhile(_ => !stop.IsCancellationRequested))
            due.Of(pump, known, known.Day);
        _ = known.Patterns;
    }

    protected override Task Wait(CancellationToken stop) => memory.Stored(seen, stop);
}
