using MildHunch.Store.Backup;

namespace MildHunch.Web.Backup;

/// <summary>One backup a night into the shop's own folder, at half past two by the machine's clock; made up for where it was off.</summary>
public sealed class NightlyBackups(ShopFolder shop, TimeProvider clock, ILogger<NightlyBackups> log) : BackgroundService
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

    protected override async Task ExecuteAsync(CancellationToken stoppingToken)
    {
        using var timer = new PeriodicTimer(Look, clock);
        while (await timer.WaitForNextTickAsync(stoppingToken))
        {
            try
            {
                if (Due(BackupFolder.Last(shop.Path, Nightly), clock.GetLocalNow()))
                    await BackupFolder.WriteAsync(shop.Path, Nightly, clock.GetUtcNow().UtcDateTime, stoppingToken);
            }
            catch (Exception e) when (e is IOException or UnauthorizedAccessException or Microsoft.Data.Sqlite.SqliteException)
            {
                log.LogError(e, "The nightly backup could not be written to {Folder}", shop.Path);
            }
        }
    }
}
