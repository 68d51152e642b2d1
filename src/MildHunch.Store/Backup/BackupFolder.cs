using System.Globalization;

namespace MildHunch.Store.Backup;

/// <summary>Backups of a shop in its own folder: each named after why and when, kept by age.</summary>
public static class BackupFolder
{
    public const string Name = "backups";
    private const string Stamp = "yyyyMMdd-HHmmss";

    // A week of days, two months of weeks, two years of months.
    private static readonly TimeSpan Days = TimeSpan.FromDays(7);
    private static readonly TimeSpan Weeks = TimeSpan.FromDays(61);
    private static readonly TimeSpan Months = TimeSpan.FromDays(730);

    // Whatever the clock says: a clock a year ahead, or a stamp of a wrong year, lets none of these go.
    private const int Newest = 10;
    private static readonly TimeSpan Ahead = TimeSpan.FromDays(1);

    /// <summary>Writes one, and lets those go that are too old.</summary>
    /// <param name="folder">Of the shop.</param>
    /// <param name="why">First part of its name: "nightly".</param>
    public static async Task<string> WriteAsync(string folder, string why, DateTime at, CancellationToken stop)
    {
        var path = Path.Combine(folder, Name, $"{why}-{at.ToString(Stamp, CultureInfo.InvariantCulture)}.zip");
        await BackupFile.WriteAsync(folder, path, at, stop);
        foreach (var old in TooOld(Files(folder), at))
            File.Delete(Path.Combine(folder, Name, old));
        SweepHalves(folder, at - TimeSpan.FromDays(1));
        return path;
    }

    /// <summary>Removes what a kill in the middle of writing left, as far as it is older: a younger one may still be written.</summary>
    public static void SweepHalves(string folder, DateTime before)
    {
        var backups = Path.Combine(folder, Name);
        if (!Directory.Exists(backups))
            return;
        foreach (var half in Directory.EnumerateFiles(backups, "*.part*").Where(f => File.GetLastWriteTimeUtc(f) < before))
            File.Delete(half);
    }

    /// <summary>
    /// When the last one of a kind was written; null where there is none. Stamps of days to come are of a clock that ran wrong.
    /// </summary>
    public static DateTime? Last(string folder, string why, DateTime now) => Files(folder)
        .Where(f => f.StartsWith($"{why}-", StringComparison.Ordinal)).Select(TimeOf).OfType<DateTime>().Where(at => at <= now + Ahead)
        .Cast<DateTime?>().Max();

    /// <summary>
    /// Those of a list that are let go: of the last week all stay, then of each kind one a week, then one a month, two years long. Age is
    /// counted from the newest before the last, so that one stamp of a wrong clock makes none old; the newest ten stay in any case.
    /// </summary>
    public static IReadOnlyList<string> TooOld(IEnumerable<string> files, DateTime now)
    {
        HashSet<string> kept = [];
        List<string> gone = [];
        var stamped = files.Select(f => (File: f, At: TimeOf(f), Why: f[..Math.Max(0, f.Length - Stamp.Length - ".zip".Length)]))
            .Where(f => f.At is not null).OrderBy(f => f.At).ToArray();
        var newest = stamped.TakeLast(Newest).Select(f => f.File).ToHashSet();
        var from = stamped.Where(f => f.At <= now).SkipLast(1).LastOrDefault().At ?? now;

        // The oldest of a week or month stays: a newer one takes its place only once that one has gone.
        foreach (var (file, at, why) in stamped)
        {
            var age = from - at!.Value;
            var period = age <= Days ? file
                : age <= Weeks ? $"{why} week {at.Value.Ticks / TimeSpan.FromDays(7).Ticks}"
                : age <= Months ? $"{why} month {at.Value:yyyyMM}"
                : null;
            if ((period is null || !kept.Add(period)) && !newest.Contains(file))
                gone.Add(file);
        }

        return gone;
    }

    private static IEnumerable<string> Files(string folder) => Directory.Exists(Path.Combine(folder, Name))
        ? Directory.EnumerateFiles(Path.Combine(folder, Name), "*.zip").Select(Path.GetFileName).OfType<string>()
        : [];

    private static DateTime? TimeOf(string file)
    {
        var name = Path.GetFileNameWithoutExtension(file);
        return name.Length > Stamp.Length && DateTime.TryParseExact(
            name[^Stamp.Length..], Stamp, CultureInfo.InvariantCulture, DateTimeStyles.AssumeUniversal | DateTimeStyles.AdjustToUniversal,
            out var at)
            ? at
            : null;
    }
}
