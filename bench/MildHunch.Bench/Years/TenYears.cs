using System.Text.Json.Nodes;
using Microsoft.EntityFrameworkCore;
using MildHunch.Core.Records.Outcomes;
using MildHunch.Store;

namespace MildHunch.Bench.Years;

/// <summary>A place of a pump in which parts come and go.</summary>
internal sealed record BenchPlace(string Part, string Kind, int? Cylinder, string? Side);

/// <summary>A pump of the demo that the drawn ones are like.</summary>
internal sealed record BenchPump(PumpEntity Like, IReadOnlyList<BenchPlace> Places);

/// <summary>
/// Ten years of a large shop, drawn from a seed and written into its database: four hundred pumps like those of the demo, read every
/// week, opened fifty times each. What fails is drawn without regard to what the catalogue expects: this is about speed.
/// </summary>
internal sealed class TenYears(string folder, IReadOnlyList<BenchPump> like, DateOnly today, int seed)
{
    public const int Pumps = 400;
    public const int CasesEach = 50;
    private const int ReadingsEach = 20;
    private const int Weeks = 520;
    private const double HoursAWeek = 45;
    private const double WholeSets = 0.4;
    private const int QuarterDays = 91;
    private static readonly string[] Quantities = ["discharge-pressure", "nozzle-flow", "swing", "speed", "bypass-flow"];
    private static readonly string[] Found = ["discharge-valve-leak", "inlet-valve-leak", "nozzle-worn", "hp-seal-worn", "supply-air-leak"];
    private readonly Random dice = new(seed);
    private VerdictEntity verdict = null!;

    /// <summary>Numbers that were read off an instrument: meters, and readings in cases and beside what was expected.</summary>
    public int Readings { get; private set; }

    /// <summary>Lives of parts, ended or not.</summary>
    public int Lives { get; private set; }

    public static MildHunchDb Open(string folder) =>
        new(new DbContextOptionsBuilder<MildHunchDb>().UseSqlite(MildHunchDb.ConnectionTo(folder)).Options);

    public async Task Fill()
    {
        await using var demo = Open(folder);
        verdict = (await demo.Cases.Include(c => c.Verdicts).AsNoTracking().FirstAsync(c => c.Verdicts.Count > 0)).Verdicts[^1];
        for (var i = 0; i < Pumps; i++)
        {
            await using var db = Open(folder);
            db.ChangeTracker.AutoDetectChangesEnabled = false;
            Add(db, i, like[i % like.Count]);
            await db.SaveChangesAsync();
        }
    }

    private void Add(MildHunchDb db, int number, BenchPump pump)
    {
        var first = today.AddDays(-7 * Weeks);
        var day = $"{first:yyyy-MM-dd}";
        var id = Ids.New();
        db.Pumps.Add(new PumpEntity
        {
            Id = id,
            Tag = $"{pump.Like.Tag}/{number}",
            Name = pump.Like.Name,
            Duty = pump.Like.Duty,
            PumpJson = pump.Like.PumpJson,
            SetupJson = pump.Like.SetupJson,
            SheetJson = pump.Like.SheetJson,
            Serial = $"S-{number}",
            RunningJson = new JsonObject { ["serial"] = $"S-{number}", ["commissioned"] = day, ["recordFrom"] = day }.ToJsonString(),
            CreatedAt = At(first),
            Type = pump.Like.Type,
        });
        double hours = 0;
        for (var week = 1; week <= Weeks; week++)
        {
            hours += HoursAWeek * (0.5 + dice.NextDouble());
            db.Meters.Add(new MeterEntity
            {
                Id = Ids.New(),
                PumpId = id,
                On = first.AddDays(7 * week),
                Hours = Math.Round(hours, 1),
                By = "Ines Halvard"
            });
            Readings++;
        }

        foreach (var place in pump.Places)
            Fit(db, id, place, first, null, null);
        var days = Enumerable.Range(0, CasesEach).Select(_ => first.AddDays(1 + dice.Next((7 * Weeks) - 1))).Order().ToArray();
        foreach (var on in days)
            Case(db, id, pump, on);
    }

    private void Case(MildHunchDb db, string pump, BenchPump kind, DateOnly on)
    {
        var closed = $"{Found[dice.Next(Found.Length)]}@{1 + dice.Next(3)}";
        var stored = Closed(pump, on, closed);
        db.Cases.Add(stored);
        var failed = kind.Places[dice.Next(kind.Places.Count)];
        var whole = dice.NextDouble() < WholeSets;
        foreach (var place in kind.Places.Where(p => p == failed || (whole && p.Part == failed.Part)))
            Fit(db, pump, place, on, place == failed ? "failed" : "along", stored.Id);
        db.Outcomes.Add(new OutcomeEntity
        {
            CaseId = stored.Id,
            PumpId = pump,
            On = on,
            Found = Outcome.Read(closed)!.Written,
            Leader = dice.NextDouble() < 0.8 ? Outcome.Read(closed)!.Written : Found[0],
            Probability = 0.5 + (0.5 * dice.NextDouble()),
            MinutesPlanned = 60,
            MinutesTaken = 40 + (40 * dice.NextDouble()),
            Cost = 100,
        });
        for (var i = 0; i < ReadingsEach; i++)
            db.ReadingsOnRecord.Add(new ReadingOnRecordEntity
            {
                Id = Ids.New(),
                PumpId = pump,
                CaseId = stored.Id,
                On = on,
                Quantity = Quantities[i % Quantities.Length],
                Value = 1e6 * (0.9 + (0.2 * dice.NextDouble())),
                Expected = 1e6,
                After = i >= ReadingsEach / 2,
            });
        Readings += 2 * ReadingsEach;
    }

    private void Fit(MildHunchDb db, string pump, BenchPlace place, DateOnly on, string? why, string? from)
    {
        db.PartChanges.Add(new PartChangeEntity
        {
            Id = Ids.New(),
            PumpId = pump,
            CaseId = from,
            Part = place.Part,
            Cylinder = place.Cylinder,
            Side = place.Side,
            On = on,
            OutWhy = why,
            PutIn = true,
            By = "Tobi Marr",
            Batch = $"{place.Kind}-{on.DayNumber / QuarterDays}",
        });
        Lives++;
    }

    private CaseEntity Closed(string pump, DateOnly on, string found)
    {
        var (id, at) = (Ids.New(), At(on));
        return new CaseEntity
        {
            Id = id,
            PumpId = pump,
            OpenedAt = at,
            Version = 4,
            Headline = new CaseHeadline
            {
                Complaint = "Weak",
                Stage = "closed",
                Closed = found,
                ClosedAt = at,
                ChangedAt = at,
                Entries = 4,
                Leader = verdict.Leader,
                LeaderName = verdict.LeaderName,
                Probability = verdict.Probability,
                Hunch = verdict.Hunch,
            },
            Changes = [.. Enumerable.Range(1, 4).Select(n => new ChangeEntity { CaseId = id, Number = n, Says = "Told", At = at })],
            Readings = [.. Enumerable.Range(0, ReadingsEach).Select(i => new ReadingEntity
            {
                Id = Ids.New(), CaseId = id, AddedBy = 2, Quantity = Quantities[i % Quantities.Length], Value = 20, Unit = "bar"
            })],
            Cues = [.. new[] { "needle", "sound" }.Select(c => new CueEntity {
                Id = Ids.New(), CaseId = id, AddedBy = 3, Cue = c, Answer = c == "needle" ? "swings" : "smooth" })],
            Facts = [
                new FactEntity { Id = Ids.New(), CaseId = id, AddedBy = 1, Name = "complaint", Value = "Weak" },
                new FactEntity { Id = Ids.New(), CaseId = id, AddedBy = 4, Name = "closed", Value = found }],
            Verdicts = [new VerdictEntity {
                Id = Ids.New(), CaseId = id, AfterVersion = 3, At = at, Leader = verdict.Leader, LeaderName = verdict.LeaderName,
                Probability = verdict.Probability, Hunch = verdict.Hunch, SuspectsJson = verdict.SuspectsJson }],
        };
    }

    private static DateTime At(DateOnly day) => day.ToDateTime(new TimeOnly(9, 0), DateTimeKind.Utc);
}
