using MildHunch.Store.Backup;
using MildHunch.Web.Operations;

namespace MildHunch.Web.Backup;

/// <summary>One backup a night into the shop's own folder, at half past two by the machine's clock; made up for where it was off.</summary>
public sealed class NightlyBackups(ShopFolder shop, ShopHealth health, TimeProvider clock, ILogger<NightlyBackups> log)
    : SteadyWork("the nightly backup", health, clock, log)
{
    private const string Nightly = "nightly";
    private static readonly TimeSpan Night = new(2, 30, 0);
    private static readonly TimeSpan Look = TimeSpan.FromMinutes(10);

    /// <summary>True where the last night has no backup yet.</summary>
    public static bool Due(DateTime? last, DateTimeOffset localNow)
    {
        var night = localNow.Date + Night;
        if (localNow.DateTime < night)
            night -= TimeSpan.FromDays(1);
        return last is null || last < new DateTimeOffset(night, localNow.Offset).UtcDateTime;
    }

    protected override async Task Round(CancellationToken stop)
    {
        if (Due(BackupFolder.Last(shop.Path, Nightly, Clock.GetUtcNow().UtcDateTime), Clock.GetLocalNow()))
            await BackupFolder.WriteAsync(shop.Path, Nightly, Clock.GetUtcNow().UtcDateTime, stop);
    }

    protected override Task Wait(CancellationToken stop) => Task.Delay(Look, Clock, stop);

    // Whoever has just started it does not wait for a backup first.
    protected override Task Begin(CancellationToken stop) => Wait(stop);
}
