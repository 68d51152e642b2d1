using System.IO.Compression;
using Microsoft.Data.Sqlite;
using Microsoft.EntityFrameworkCore;
using MildHunch.Core.Faults;
using MildHunch.Core.Records.Patterns;
using MildHunch.Core.Service;
using MildHunch.DemoYears;
using MildHunch.Store;
using MildHunch.Web.Demo;
using MildHunch.Web.Pumps;
using MildHunch.Web.Records;

namespace MildHunch.Web.Tests.Records;

/// <summary>The packed years of the demo shop: current, ending on any day, and telling what was planted in them and nothing else.</summary>
public sealed class DemoYearsTests : IDisposable
{
    private static readonly Catalogue Known = Catalogue.BuiltIn();
    private static readonly ServiceSheets Sheets = ServiceSheets.BuiltIn(Known);
    private readonly string folder = Directory.CreateTempSubdirectory("mild-hunch-years-").FullName;

    public void Dispose()
    {
        SqliteConnection.ClearAllPools();
        Directory.Delete(folder, recursive: true);
    }

    [Theory]
    [InlineData("2026-11-28")]
    [InlineData("2027-01-01")]
    [InlineData("2027-05-10")]
    [InlineData("2028-02-29")]
    [InlineData("2029-09-15")]
    public async Task Ending_on_any_day_it_tells_what_was_planted_and_nothing_else(string day)
    {
        var today = DateOnly.Parse(day, System.Globalization.CultureInfo.InvariantCulture);
        var pumps = await Read(new DateTimeOffset(today, new TimeOnly(12, 0), TimeSpan.Zero));
        pumps.SelectMany(p => p.Conflicts).ShouldBeEmpty();
        var told = PatternFinder.Find([.. pumps.Select(p => p.Record)], PartFamilies.BuiltIn, today).Where(p => p.Told).ToArray();
        told.Select(p => $"{p.Kind}: {p.Leading.Place}").Order().ToArray().ShouldBe(
            ["Batch: batch K-2290", "Position: left end, static seal", "Season: spring", "Season: summer"],
            customMessage: string.Join("; ", told.Select(t => t.Sentence)));
    }

    [Theory]
    [MemberData(nameof(Moments.All), MemberType = typeof(Moments))]
    public async Task Open_cases_are_of_the_last_day_and_nothing_lies_ahead(string moment, string zone)
    {
        var now = Moments.In(moment, zone);
        await using var db = Unpacked(now);
        var stop = TestContext.Current.CancellationToken;
        var open = await db.Cases.Where(c => c.Headline.Closed == null).ToListAsync(stop);
        open.Count.ShouldBeGreaterThanOrEqualTo(8);
        open.ShouldAllBe(c => c.OpenedAt > now.UtcDateTime.AddDays(-2) && c.Headline.ChangedAt <= now.UtcDateTime);
        var (today, utc) = (DateOnly.FromDateTime(now.DateTime), now.UtcDateTime);
        (await db.Cases.MaxAsync(c => c.Headline.ChangedAt, stop)).ShouldBeLessThanOrEqualTo(utc);
        (await db.Set<ChangeEntity>().MaxAsync(c => c.At, stop)).ShouldBeLessThanOrEqualTo(utc);
        (await db.PartChanges.MaxAsync(c => c.On, stop)).ShouldBeLessThanOrEqualTo(today);
        (await db.Meters.MaxAsync(c => c.On, stop)).ShouldBeLessThanOrEqualTo(today);
        (await db.Cases.CountAsync(c => c.Headline.ClosedAt > utc.AddYears(-2), stop)).ShouldBeInRange(60, 160);
        var known = db.Cases.Select(c => c.Id);
        (await db.Set<MoveEntity>().CountAsync(m => !known.Contains(m.CaseId), stop)).ShouldBe(0);
        (await db.Set<FactEntity>().CountAsync(f => !known.Contains(f.CaseId), stop)).ShouldBe(0);
    }

    [Fact]
    public async Task It_is_as_the_product_and_the_seeds_have_it_now()
    {
        await using var db = Unpacked(null);
        (await db.Database.GetPendingMigrationsAsync(TestContext.Current.CancellationToken)).ShouldBeEmpty();
        var failed = await db.PartChanges.Where(c => c.OutWhy == "failed" && c.CaseId != null)
            .ToListAsync(TestContext.Current.CancellationToken);
        foreach (var years in Plan.Pumps)
        {
            var pump = await db.Pumps.SingleAsync(p => p.Tag == years.Tag, TestContext.Current.CancellationToken);
            var shown = pump.ToResource();
            var drawn = Failures.In(Failures.Of(years, shown.Pump.ToCore(), shown.Setup.ToCore(), Sheets, Known))
                .Select(f => $"{f.On} {f.Part.At.Key}").ToHashSet();
            var there = failed.Where(c => c.PumpId == pump.Id).Select(c => $"{c.On} {new[] { c.Part, $"{c.Cylinder}", c.Side }
                .Where(t => !string.IsNullOrEmpty(t)).Aggregate((a, b) => $"{a}.{b}")}").ToArray();
            there.ShouldBeSubsetOf(drawn, years.Tag);
            there.Length.ShouldBeGreaterThan((int)(0.7 * drawn.Count) - 3, years.Tag);
        }
    }

    private MildHunchDb Unpacked(DateTimeOffset? now)
    {
        var file = Path.Combine(folder, MildHunchDb.FileName);
        if (now is { } moment)
            DemoFile.Lay(folder, moment);
        else
        {
            var packed = Path.Combine(Product.Root(), "src", "MildHunch.Web", "Demo", "years.db.gz");
            using var from = new GZipStream(File.OpenRead(packed), CompressionMode.Decompress);
            using var to = File.Create(file);
            from.CopyTo(to);
        }

        return new MildHunchDb(new DbContextOptionsBuilder<MildHunchDb>().UseSqlite($"Data Source={file};Pooling=False").Options);
    }

    private async Task<PumpMemory[]> Read(DateTimeOffset now)
    {
        var today = DateOnly.FromDateTime(now.DateTime);
        await using var db = Unpacked(now);
        var meters = (await db.Meters.ToListAsync(TestContext.Current.CancellationToken)).ToLookup(m => m.PumpId);
        var changes = (await db.PartChanges.ToListAsync(TestContext.Current.CancellationToken)).ToLookup(c => c.PumpId);
        return
        [
            .. (await db.Pumps.ToListAsync(TestContext.Current.CancellationToken)).Select(p => PumpMemory.Of(
                p, [.. meters[p.Id]], [.. changes[p.Id]], Sheets, Known, today)),
        ];
    }
}
