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

    /// <summary>When the last one of a kind was written; null where there is none.</summary>
    public static DateTime? Last(string folder, string why) => Files(folder)
        .Where(f => f.StartsWith($"{why}-", StringComparison.Ordinal)).Select(TimeOf).OfType<DateTime>().Cast<DateTime?>().Max();

    /// <summary>
    /// Those of a list that are let go: of the last week all stay, then of each kind one a week, then one a month, two years long.
    /// </summary>
    public static IReadOnlyList<string> TooOld(IEnumerable<string> files, DateTime now)
    {
        HashSet<string> kept = [];
        List<string> gone = [];

        // The oldest of a week or month stays: a newer one takes its place only once that one has gone.
        foreach (var (file, at) in files.Select(f => (File: f, At: TimeOf(f))).Where(f => f.At is not null).OrderBy(f => f.At))
        {
            var age = now - at!.Value;
            var why = file[..^(Stamp.Length + 1)];
            var period = age <= Days ? file
                : age <= Weeks ? $"{why} week {at.Value.Ticks / TimeSpan.FromDays(7).Ticks}"
                : age <= Months ? $"{why} month {at.Value:yyyyMM}"
                : null;
            if (period is null || !kept.Add(period))
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
