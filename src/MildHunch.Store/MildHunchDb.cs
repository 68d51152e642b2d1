using System.Linq.Expressions;
using Microsoft.EntityFrameworkCore;
using Microsoft.EntityFrameworkCore.Design;
using Microsoft.EntityFrameworkCore.Storage.ValueConversion;

namespace MildHunch.Store;

/// <summary>The shop's database, one SQLite file.</summary>
public sealed class MildHunchDb(DbContextOptions<MildHunchDb> options) : DbContext(options)
{
    public DbSet<PumpEntity> Pumps => Set<PumpEntity>();

    public DbSet<CaseEntity> Cases => Set<CaseEntity>();

    public DbSet<PhotoEntity> Photos => Set<PhotoEntity>();

    public DbSet<ReportEntity> Reports => Set<ReportEntity>();

    public DbSet<HistoryResetEntity> HistoryResets => Set<HistoryResetEntity>();

    public DbSet<MeterEntity> Meters => Set<MeterEntity>();

    public DbSet<PartChangeEntity> PartChanges => Set<PartChangeEntity>();

    public DbSet<ReadingOnRecordEntity> ReadingsOnRecord => Set<ReadingOnRecordEntity>();

    public DbSet<OutcomeEntity> Outcomes => Set<OutcomeEntity>();

    public DbSet<StockEntity> Stock => Set<StockEntity>();

    public DbSet<StoodEntity> Stood => Set<StoodEntity>();

    public DbSet<SentEntity> Sent => Set<SentEntity>();

    /// <summary>Name of the database file.</summary>
    public const string FileName = "mild-hunch.db";

    /// <summary>Connection string of the database in this folder.</summary>
    public static string ConnectionTo(string folder, string file = FileName) =>
        $"Data Source={Path.Combine(folder, file)};Foreign Keys=True";

    // Times are UTC and say so: SQLite keeps no zone.
    protected override void ConfigureConventions(ModelConfigurationBuilder conventions) =>
        conventions.Properties<DateTime>().HaveConversion<UtcTimes>();

    protected override void OnModelCreating(ModelBuilder model)
    {
        model.Entity<PumpEntity>(pump =>
        {
            pump.HasIndex(p => p.Tag).IsUnique();
            pump.HasIndex(p => p.Type);
            pump.Property(p => p.Version).IsConcurrencyToken();
        });
        model.Entity<CaseEntity>(entity =>
        {
            entity.HasOne(c => c.Pump).WithMany().HasForeignKey(c => c.PumpId).OnDelete(DeleteBehavior.Restrict);
            entity.HasIndex(c => c.ArchivedAt).HasFilter("ArchivedAt IS NOT NULL");
            entity.Property(c => c.Version).IsConcurrencyToken();
            entity.OwnsOne(c => c.Headline, line =>
            {
                line.HasIndex(h => new { h.Closed, h.ChangedAt });
                line.HasIndex(h => h.ChangedAt);
            });
            entity.Navigation(c => c.Headline).IsRequired();
            entity.HasMany(c => c.Changes).WithOne().HasForeignKey(c => c.CaseId);
            entity.HasMany(c => c.Readings).WithOne().HasForeignKey(c => c.CaseId);
            entity.HasMany(c => c.Cues).WithOne().HasForeignKey(c => c.CaseId);
            entity.HasMany(c => c.Facts).WithOne().HasForeignKey(c => c.CaseId);
            entity.HasMany(c => c.Verdicts).WithOne().HasForeignKey(c => c.CaseId);
            entity.HasMany(c => c.Moves).WithOne().HasForeignKey(m => m.CaseId);
        });
        model.Entity<ChangeEntity>().HasKey(c => new { c.CaseId, c.Number });
        model.Entity<MoveEntity>().ToTable("Moves").HasKey(m => new { m.CaseId, m.Version });
        model.Entity<SentEntity>().HasKey(s => s.Key);
        model.Entity<SentEntity>().HasIndex(s => s.At);
        model.Entity<HistoryResetEntity>().HasKey(r => r.PumpType);
        model.Entity<ReportEntity>(report =>
        {
            report.HasKey(r => new { r.CaseId, r.Revision });
            report.HasOne<CaseEntity>().WithMany().HasForeignKey(r => r.CaseId);
        });
        OfPump<MeterEntity>(m => new { m.PumpId, m.On });
        OfPump<PartChangeEntity>(c => new { c.PumpId, c.On });
        OfPump<ReadingOnRecordEntity>(r => new { r.PumpId, r.On });
        OfPump<OutcomeEntity>(o => new { o.PumpId, o.On });
        model.Entity<OutcomeEntity>().HasKey(o => o.CaseId);
        model.Entity<OutcomeEntity>().HasIndex(o => o.On);
        model.Entity<PartChangeEntity>().HasIndex(c => c.CaseId);
        model.Entity<PartChangeEntity>().HasIndex(c => new { c.On, c.Finding });
        model.Entity<StoodEntity>(stood =>
        {
            stood.HasOne<PumpEntity>().WithMany(p => p.Stood).HasForeignKey(s => s.PumpId).OnDelete(DeleteBehavior.Restrict);
            stood.HasIndex(s => s.Tag);
        });
        model.Entity<StockEntity>(stock =>
        {
            stock.HasIndex(s => s.Name).IsUnique();
            stock.Property(s => s.Version).IsConcurrencyToken();
        });
        model.Entity<PhotoEntity>().HasKey(p => p.Hash);
        model.Entity<ReadingEntity>().ToTable("Readings");
        model.Entity<CueEntity>().ToTable("Cues");
        model.Entity<FactEntity>().ToTable("Facts");
        model.Entity<VerdictEntity>().ToTable("Verdicts");
        model.Entity<ChangeEntity>().ToTable("Changes");

        void OfPump<T>(Expression<Func<T, object?>> order)
            where T : class
        {
            model.Entity<T>().HasOne<PumpEntity>().WithMany().HasForeignKey("PumpId").OnDelete(DeleteBehavior.Restrict);
            model.Entity<T>().HasIndex(order);
        }
    }

    /// <summary>Marks what comes from the database as UTC.</summary>
    private sealed class UtcTimes() : ValueConverter<DateTime,
    DateTime>(t => t.ToUniversalTime(), t => DateTime.SpecifyKind(t, DateTimeKind.Utc));

    /// <summary>For the migration tool only.</summary>
    internal sealed class DesignFactory : IDesignTimeDbContextFactory<MildHunchDb>
    {
        public MildHunchDb CreateDbContext(string[] args) =>
            new(new DbContextOptionsBuilder<MildHunchDb>().UseSqlite("Data Source=design.db").Options);
    }
}
