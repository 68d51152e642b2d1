using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;
using MildHunch.Core.Records.Patterns;
using MildHunch.Core.Service;
using MildHunch.Core.Service.Drawing;
using MildHunch.Store;
using MildHunch.Web.Cases;
using MildHunch.Web.Cases.Open;
using MildHunch.Web.Cases.Tell;
using MildHunch.Web.Cases.Work;
using MildHunch.Web.Pumps;
using MildHunch.Web.Records;
using MildHunch.Web.Service;
using MildHunch.Web.Shared;

namespace MildHunch.DemoYears;

/// <summary>Goes through the cases of the demo shop’s years as its technicians would have: told, opened, found, mended, closed.</summary>
internal sealed class History(
    MildHunchDb db, OpenCase open, TellCase tell, CaseStore store, CaseWork work, Catalogue catalogue, ServiceSheets sheets,
    DemoClock clock)
{
    private static readonly string[] People = ["Ines Halvard", "Tobi Marr", "Runa Estcott", "Pell Okoro"];

    // Things that are not wear: each pump has met a few of them.
    private static readonly string[] Others =
    [
        "supply-restricted", "supply-air-leak", "gauge-wrong", "nozzle-blocked", "unloader-set-low", "hose-leak-or-restricted", "speed-low",
        "belt-slip", "nozzle-oversize", "drive-end-dry",
    ];

    private readonly Random random = new(5);

    public async Task Write(CancellationToken stop)
    {
        var events = new List<(DateOnly On, Func<Task> Do)>();
        foreach (var years in Plan.Pumps)
        {
            var stored = db.Pumps.Single(p => p.Tag == years.Tag);
            var shown = stored.ToResource();
            var (pump, setup) = (shown.Pump.ToCore(), shown.Setup.ToCore());
            Begin(stored, years, pump, setup);
            var story = new CaseStory(catalogue, pump, setup, random);
            var record = Failures.Of(years, pump, setup, sheets, catalogue);
            foreach (var failure in Failures.In(record))
                events.Add((failure.On, () => Worn(stored, story, pump, setup, failure, stop)));
            var luck = new Random(years.Seed);
            for (var i = 0; i < 4; i++)
            {
                var (fault, day) = (Others[luck.Next(Others.Length)], Plan.From.AddDays(luck.Next(1090)));
                var hours = record.HoursAt(day);
                events.Add((day, () => Other(stored, story, fault, day, hours, stop)));
            }
        }

        await db.SaveChangesAsync(stop);
        var done = 0;
        foreach (var (on, act) in events.OrderBy(e => e.On))
        {
            await act();
            db.ChangeTracker.Clear();
            if (++done % 20 == 0)
                Console.WriteLine($"{done} of {events.Count}, {on:yyyy-MM-dd}");
        }
    }

    // As it was set up: everything new, and how it runs.
    private void Begin(PumpEntity stored, PumpYears years, ReciprocatingPump pump, Setup setup)
    {
        stored.Serial = years.Serial;
        stored.RunningJson = Stored.Write(new RunningDto(
            years.Serial, Plan.From, Plan.From, years.HoursPerWeek,
            years.MustRunInSpring ? [new SeasonDto("frost nights", "03-15", "05-31", years.HoursPerWeek, true)] : null));
        var fittings = Fittings.Of(pump, setup);
        foreach (var part in PartFamilies.BuiltIn.On(pump, [sheets.For(pump, fittings)[0], .. sheets.Beside(pump, fittings)], catalogue))
            db.PartChanges.Add(new PartChangeEntity
            {
                Id = Ids.New(),
                PumpId = stored.Id,
                Part = part.At.Part,
                Cylinder = part.At.Place.Cylinder,
                Side = part.At.Place.Side?.Named(),
                On = Plan.From,
                PutIn = true,
                By = People[0],
                Batch = Plan.Batches(years.Tag)[0],
            });
    }

    private async Task Worn(
        PumpEntity stored, CaseStory story, ReciprocatingPump pump, Setup setup, Failure failure, CancellationToken stop)
    {
        var place = failure.Part.At.Place;
        if (Words.Fault(failure.Part.Kind, place.Side) is not { } fault || story.Truth(fault, place.Cylinder, place.Side) is not { } truth)
            return;
        var entity = await Opened(stored, fault, failure.On, stop);
        var (readings, cues) = story.Before(truth);
        await tell.Apply(entity, new ChangeRequest("First look and first readings", readings, cues), stop);
        clock.Pass(15 + random.Next(60));
        if (failure.Part.Kind == "nozzle")
            db.PartChanges.Add(new PartChangeEntity
            {
                Id = Ids.New(),
                PumpId = stored.Id,
                Part = "nozzle",
                On = failure.On,
                OutWhy = "failed",
                PutIn = true,
                By = Somebody(),
            });
        else
            await Opened(entity, pump, failure, stop);
        await tell.Apply(entity, new ChangeRequest("Read again", story.After()), stop);
        var where = truth.Cylinder is { } k ? $"@{k}" : "";
        await Close(entity, fault + where, failure.Hours, stop);
    }

    // Strainers, gauges, nozzles: nothing of the pump is opened.
    private async Task Other(PumpEntity stored, CaseStory story, string fault, DateOnly day, double hours, CancellationToken stop)
    {
        if (story.Truth(fault, null, null) is not { } truth)
            return;
        var entity = await Opened(stored, fault, day, stop);
        var (readings, cues) = story.Before(truth);
        await tell.Apply(entity, new ChangeRequest("First look and first readings", readings, cues), stop);
        clock.Pass(30);
        await Close(entity, fault, hours, stop);
    }

    private async Task<CaseEntity> Opened(PumpEntity stored, string fault, DateOnly on, CancellationToken stop)
    {
        clock.Now = on.ToDateTime(new TimeOnly(7, 20 + random.Next(40)), DateTimeKind.Utc);
        var made = await open.Open(new NewCaseRequest(stored.Id, Words.Complaint(fault, random)), stop);
        clock.Pass(10 + random.Next(20));
        return await store.Load(made.Id, stop);
    }

    private async Task Opened(CaseEntity entity, ReciprocatingPump pump, Failure failure, CancellationToken stop)
    {
        var (part, by) = (failure.Part, Somebody());
        var ends = pump.Arrangement == Arrangement.Intensifier;
        var target = new ServiceTargetDto(
            part.At.Part, null, ends ? null : part.At.Place.Cylinder, ends ? null : part.At.Place.Side?.Named(),
            ends ? part.At.Place.Cylinder == 1 ? "left" : "right" : null);
        var plan = new WorkPlanDto([target], failure.WholeSet ? "whole-set" : "what-failed");
        await Told(new WorkChangeDto(Plan: plan, Acknowledged: new AcknowledgedDto(by, ["lock-out"])));
        var planned = work.Plan(entity, plan)!;
        var steps = planned.Steps.SelectMany(s => s.Ticks.Select(t => (Step: s, Tick: t))).ToArray();
        var pace = planned.Minutes * (0.8 + (0.5 * random.NextDouble())) / Chunks;
        foreach (var chunk in steps.Chunk((steps.Length / Chunks) + 1))
        {
            await Told(new WorkChangeDto(Steps: chunk.ToDictionary(
                x => x.Tick.Key, _ => new TickDto(by, chunk.Any(c => c.Step.Bolts is not null) ? "W-2, checked 2026-05" : null))));
            clock.Pass(pace);
        }

        var batches = Plan.Batches(failure.Tag);
        var batch = batches[(failure.On.DayNumber - Plan.From.DayNumber) / 91 % batches.Length];
        await Told(new WorkChangeDto(
            Found: planned.Inspections.ToDictionary(
                i => CavityMap.Key(i.Part.Id, i.Place),
                i => i.Part.Id == part.At.Part && i.Place == part.At.Place
                    ? new FoundPartDto("failed", Words.Finding(part.Kind, random.Next(3) == 0), by)
                    : new FoundPartDto("fine", By: by)),
            Batches: planned.Parts.ToDictionary(p => p.Id, _ => batch), RanAgain: true));

        async Task Told(WorkChangeDto change) => await tell.Apply(entity, new ChangeRequest(Work: change), stop);
    }

    private async Task Close(CaseEntity entity, string closed, double hours, CancellationToken stop)
    {
        clock.Pass(20);
        entity.Headline.Stage = "prove";
        await tell.Apply(entity, new ChangeRequest(Facts: new Dictionary<string, string>
        {
            ["closed"] = closed,
            [CaseFacts.Meter] = Math.Round(hours, 1).ToString(System.Globalization.CultureInfo.InvariantCulture),
        }), stop);
    }

    private const int Chunks = 4;

    private string Somebody() => People[random.Next(People.Length)];
}
