using Microsoft.EntityFrameworkCore;
using MildHunch.Core;
using MildHunch.Core.Checks;
using MildHunch.Core.Diagnosis.Likelihood;
using MildHunch.Core.Evidence;
using MildHunch.Core.Expectation;
using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;
using MildHunch.Store;
using MildHunch.Web.Diagnosis;
using MildHunch.Web.History;
using MildHunch.Web.Pumps;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Cases;

/// <summary>Loads cases, lays changes on them and keeps what we thought after each.</summary>
public sealed class CaseBook(
    MildHunchDb db, Diagnoser diagnoser, Catalogue catalogue, ShopRecord record, TimeProvider clock, ILogger<CaseBook> log)
{
    private const string ContextFact = "context";
    private const string FirstStage = "ask";

    // Kept as JSON in facts of their own: told as a whole, taken back as a whole.
    private const string HoursFact = "hours";
    private const string CouldNotFact = "could-not";
    private const string LimitsFact = "limits";
    private static readonly string[] Inner = [ContextFact, HoursFact, CouldNotFact, LimitsFact];

    /// <summary>
    /// Cases, the open ones first, those changed last before others: so many from a place on. Read from their headlines alone.
    /// </summary>
    public async Task<CasePage> List(int skip, int take, CancellationToken stop)
    {
        var open = db.Cases.AsNoTracking().Where(c => c.Headline.Closed == null);
        var closed = db.Cases.AsNoTracking().Where(c => c.Headline.Closed != null);
        var (opened, all) = (await open.CountAsync(stop), await db.Cases.CountAsync(stop));
        var rows = skip < opened ? await Lines(open, skip, take, stop) : [];
        if (rows.Count < take)
            rows = [.. rows, .. await Lines(closed, Math.Max(0, skip - opened), take - rows.Count, stop)];
        return new CasePage(rows, all);
    }

    private static Task<List<CaseSummary>> Lines(IQueryable<CaseEntity> cases, int skip, int take, CancellationToken stop) => cases
        .OrderByDescending(c => c.Headline.ChangedAt).ThenByDescending(c => c.Id).Skip(skip).Take(take)
        .Select(c => new CaseSummary(
            c.Id, c.PumpId, c.Pump!.Tag, c.Pump.Name, c.Pump.Duty, c.Headline.Complaint, c.Headline.Stage, c.OpenedAt, c.Headline.ChangedAt,
            c.Headline.Closed,
            c.Headline.Leader == null ? null : new LeaderDto(
                c.Headline.Leader, c.Headline.LeaderName!, c.Headline.Probability!.Value, c.Headline.Hunch!), c.Headline.Entries))
        .ToListAsync(stop);

    public async Task<CaseEntity> Load(string id, CancellationToken stop) =>
        await Whole().FirstOrDefaultAsync(c => c.Id == id, stop) ?? throw RefusalException.NotFound("case", id);

    /// <summary>Opens a case; the first change is the complaint itself and is not undone.</summary>
    public async Task<CaseResource> Open(NewCaseRequest request, CancellationToken stop)
    {
        var pump = await db.Pumps.FirstOrDefaultAsync(p => p.Id == request.PumpId, stop)
            ?? throw new ImpossibleInputException(
                "pumpId", request.PumpId is null ? "nothing" : $"“{request.PumpId}”", "the id of a pump of this shop");
        var complaint = request.Complaint?.Trim() ?? "";
        if (complaint.Length is 0 or > ChangeRules.LongestFact)
            throw new ImpossibleInputException(
                "complaint", complaint.Length == 0 ? "nothing" : $"{complaint.Length} characters", "what is wrong, in a sentence");
        var entity = new CaseEntity { Id = Ids.New(), PumpId = pump.Id, Pump = pump, OpenedAt = Now() };
        var change = entity.Begin("Case opened", Now());
        entity.Tell(change, "complaint", complaint);
        entity.Tell(change, "stage", FirstStage);
        if (request.Context is { Count: > 0 })
            entity.Tell(change, ContextFact, string.Join(',', request.Context));
        db.Cases.Add(entity);
        return await Save(entity, stop);
    }

    /// <summary>Lays one change on a case. Everything is checked first: a refusal stores nothing.</summary>
    public async Task<CaseResource> Apply(CaseEntity entity, ChangeRequest request, CancellationToken stop)
    {
        ChangeRules.Check(request, catalogue);
        var stored = PumpEndpoints.Resource(Pump(entity));
        var (pump, setup) = (stored.Pump.ToCore(), stored.Setup.ToCore());
        request = Current(request);
        var evidence = Mapping.ToEvidence(pump, setup, request.Readings, request.Cues, request.Context) with
        {
            Hours = [.. (request.Hours ?? []).Select((h, i) => h.ToCore($"hours[{i}]"))],
        };
        EvidenceRules.Check(catalogue, pump, setup, evidence with { CouldNot = [.. evidence.CouldNot, .. request.CouldNot ?? []] });
        request.Limits.ToCore().Check(catalogue);
        var change = entity.Begin(request.Says?.Trim() is { Length: > 0 } says ? says : Says(request, evidence), Now());
        foreach (var id in request.Remove ?? [])
            (InForce(entity).FirstOrDefault(e => e.Id == id) ?? throw RefusalException.NotFound("entry", id)).RemovedBy = change.Number;
        foreach (var reading in request.Readings ?? [])
        {
            // Read again and combined; or before and after a mend, which are kept apart.
            if (request.Again != true)
                TakeBack(
                    entity.InForce(entity.Readings.Where(r => r.Quantity == reading.Quantity
                        && (r.ReadAt == "after") == (reading.At == "after"))),
                    change);
            entity.Readings.Add(new ReadingEntity
            {
                Id = Ids.New(),
                CaseId = entity.Id,
                AddedBy = change.Number,
                Quantity = reading.Quantity!,
                Value = reading.Value!.Value,
                Unit = reading.Value.Unit,
                Uncertainty = reading.Uncertainty?.Value,
                UncertaintyUnit = reading.Uncertainty?.Unit,
                UpTo = reading.To is { } to ? Converted(to, reading.Value.Unit, reading.Quantity!) : null,
                ReadAt = reading.At,
            });
        }

        foreach (var cue in request.Cues ?? [])
            Answer(entity, change, cue);
        foreach (var (name, value) in request.Facts ?? new Dictionary<string, string>())
            entity.Tell(change, name, value.Trim());
        if (request.Context is not null)
            entity.Tell(change, ContextFact, string.Join(',', request.Context.Distinct()));
        if (request.Hours is not null)
            entity.Tell(change, HoursFact, Stored.Write(request.Hours));
        var inVain = (request.Cues ?? []).Where(c => c.Answer == Mapping.Unknown).Select(c => c.Cue!).ToArray();
        if (request.CouldNot is not null || inVain.Length > 0)
            entity.Tell(
                change, CouldNotFact,
                Stored.Write((request.CouldNot ?? Kept<string[]>(entity, CouldNotFact) ?? []).Concat(inVain).Distinct()));
        if (request.Limits is not null)
            entity.Tell(change, LimitsFact, Stored.Write(request.Limits));
        return await SaveUnlessItSpoils(entity, change, stop);
    }

    public async Task<CaseResource> Undo(CaseEntity entity, CancellationToken stop)
    {
        var change = entity.ToUndo()
            ?? throw new RefusalException(
                StatusCodes.Status409Conflict, "Nothing to undo", "undo", "There is nothing left to undo in this case.");
        change.Undone = true;
        entity.Version++;
        return await Save(entity, stop);
    }

    public async Task<CaseResource> Redo(CaseEntity entity, CancellationToken stop)
    {
        var change = entity.ToRedo()
            ?? throw new RefusalException(
                StatusCodes.Status409Conflict, "Nothing to redo", "redo", "There is nothing to bring back in this case.");
        change.Undone = false;
        entity.Version++;
        return await Save(entity, stop);
    }

    /// <summary>
    /// The case as it stands, with its verdict computed now. What a corrected pump can no longer show stays and is not judged
    /// by; where no verdict can be computed, what stands in its way is told in its place.
    /// </summary>
    public async Task<CaseResource> Show(CaseEntity entity, CancellationToken stop)
    {
        var pump = PumpEndpoints.Resource(Pump(entity));
        var (real, setup) = (pump.Pump.ToCore(), pump.Setup.ToCore());
        var possible = new CueModel(catalogue, real, setup, []);
        ReadingEntryDto[] readings = [.. entity.InForce(entity.Readings).Select(r => ToEntry(r, real, setup))];

        // A shop's own words may go with its file: what was noted in them stays, stands last, and is not judged by.
        CueEntryInForceDto[] cues = [.. entity.InForce(entity.Cues).OrderBy(c => !Known(c)).Select(c => ToEntry(c, possible))];
        string[] context = [.. Context(entity).Where(c => catalogue.Context(c) is not null)];
        var hours = Kept<PartHoursDto[]>(entity, HoursFact) ?? [];
        var request = new DiagnosisRequest(
            pump.Pump, pump.Setup,
            [.. readings.Where(r => r.Judged).Select(r => new ReadingDto(r.Quantity, r.Value, r.Uncertainty, r.To, r.At, r.Id))],
            [.. cues.Where(c => c.Judged)
                .Select(c => new CueDto(
                    c.Cue, c.Answer, c.Cylinder, c.Side, c.DropsPerMinute, Stream: c.Stream ? true : null, When: c.When, At: c.At,
                    Id: c.Id))],
            context,
            [.. hours.Where(h => h.Cylinder is null || h.Cylinder <= real.Cylinders)],
            await record.Found(ShopRecord.TypeOf(pump.Pump), entity, stop),
            [.. (Kept<string[]>(entity, CouldNotFact) ?? []).Where(catalogue.Answerable)],
            Kept<LimitsDto>(entity, LimitsFact) is { } limits
                ? limits with { Without = [.. (limits.Without ?? []).Where(catalogue.Tools.Contains)] }
                : new LimitsDto());
        var facts = entity.InForce(entity.Facts).Where(f => !Inner.Contains(f.Name)).ToDictionary(f => f.Name, f => f.Value);
        var (diagnosis, trouble) = Judge(request, entity.Id);
        return new CaseResource(
            entity.Id, entity.Version, pump, facts.GetValueOrDefault("complaint", ""), facts.GetValueOrDefault("stage", FirstStage),
            facts.GetValueOrDefault("closed"), entity.OpenedAt,
            readings, cues, context, facts,
            [.. entity.Changes.OrderBy(c => c.Number).Select(c => new ChangeDto(c.Number, c.Says, c.At, c.Undone))],
            entity.ToUndo()?.Says, entity.ToRedo()?.Says,
            diagnosis, trouble,
            hours, request.CouldNot!, request.Limits!, request.Found!);
    }

    // A verdict that cannot be computed must not lock anybody out of the case.
    private (DiagnosisResponse? Diagnosis, VerdictTroubleDto? Trouble) Judge(DiagnosisRequest request, string id)
    {
        try
        {
            return (DiagnosisEndpoint.Compute(request, diagnoser, catalogue), null);
        }
        catch (ImpossibleInputException e)
        {
            var entry = request.Readings!.Where((_, i) => e.Field.StartsWith($"readings[{i}]", StringComparison.Ordinal)).Select(r => r.Id)
                .Concat(request.Cues!.Where((_, i) => e.Field.StartsWith($"cues[{i}]", StringComparison.Ordinal)).Select(c => c.Id))
                .FirstOrDefault();
            return (null, new VerdictTroubleDto(e.Field, e.Message, entry));
        }
        catch (Exception e) when (e is not OutOfMemoryException)
        {
            log.LogError(e, "No verdict on case {Case}", id);
            return (
                null,
                new VerdictTroubleDto(
                    "", "No verdict could be computed from what stands here; it has been logged. Take out what was noted last.", null));
        }
    }

    private static ReadingEntryDto ToEntry(ReadingEntity r, ReciprocatingPump pump, Setup setup) => new(
        r.Id, r.Quantity, new QuantityDto(r.Value, r.Unit), r.Uncertainty is { } u ? new QuantityDto(u, r.UncertaintyUnit!) : null,
        r.UpTo is { } to ? new QuantityDto(to, r.Unit) : null, r.ReadAt,
        Readable.On(r.Quantity, pump, setup));

    private bool Known(CueEntity c) => catalogue.Cue(c.Cue)?.Answer(c.Answer) is not null;

    private CueEntryInForceDto ToEntry(CueEntity c, CueModel possible) => Known(c)
        ? new(
            c.Id, c.Cue, catalogue.Cue(c.Cue)!.Answer(c.Answer)!.Id, c.Cylinder, c.Side, c.DropsPerMinute, c.Stream, c.DripsWhen, c.SeenAt,
            Sentences.Say(catalogue, Fact(c)), Sentences.Tag(catalogue, Fact(c)), possible.Allows(Fact(c)))
        : new(
            c.Id, c.Cue, c.Answer, c.Cylinder, c.Side, c.DropsPerMinute, c.Stream, c.DripsWhen, c.SeenAt,
            $"{c.Cue}: {c.Answer} (the catalogue no longer knows this)", $"{c.Cue} {c.Answer}", false);

    private static CueDto ToDto(CueEntity c) =>
        new(c.Cue, c.Answer, c.Cylinder, c.Side, c.DropsPerMinute, Stream: c.Stream ? true : null, When: c.DripsWhen, At: c.SeenAt);

    private static PumpEntity Pump(CaseEntity entity) =>
        entity.Pump ?? throw new InvalidOperationException("A case was loaded without its pump.");

    private static IEnumerable<EntryEntity> InForce(CaseEntity entity) =>
        [.. entity.InForce(entity.Readings), .. entity.InForce(entity.Cues)];

    private static void TakeBack(IEnumerable<EntryEntity> entries, ChangeEntity change)
    {
        foreach (var entry in entries)
            entry.RemovedBy = change.Number;
    }

    private static T? Kept<T>(CaseEntity entity, string fact)
        where T : class => entity.Fact(fact) is { } json ? Stored.Read<T>(json) : null;

    // An end of a range told in another unit is kept in the unit of the other end.
    private static double Converted(QuantityDto to, string unit, string quantity)
    {
        var kind = new ReadingDto(quantity, to).ToCore("readings").Value.Kind;
        return Core.Quantities.Quantity.UnitNamed(kind, unit, "to")
            .FromSi(Core.Quantities.Quantity.UnitNamed(kind, to.Unit, "to").ToSi(to.Value));
    }

    private static string[] Context(CaseEntity entity) => entity.Fact(ContextFact)?.Split(',', StringSplitOptions.RemoveEmptyEntries) ?? [];

    // What is sent may carry names that were used before, and ids of its own: a stored entry has the ids of the case.
    private ChangeRequest Current(ChangeRequest request) => request with
    {
        Cues = request.Cues is null
            ? null
            : [.. request.Cues.Select(c => c?.Cue is { } cue && c.Answer is { } answer && catalogue.Cue(cue)?.Answer(answer) is { } known
                ? c with { Answer = known.Id }
                : c!)],
    };

    private void Answer(CaseEntity entity, ChangeEntity change, CueDto cue)
    {
        // One answer to a question, or one a place; "dry everywhere" and "all tight" speak of every place.
        var question = catalogue.Cue(cue.Cue!)!;
        var unknown = cue.Answer == Mapping.Unknown;
        var told = unknown ? null : cue.ToCore("cue");
        TakeBack(
            entity.InForce(entity.Cues.Where(c => c.Cue == cue.Cue && (c.SeenAt == "after") == (cue.At == "after")
                && (told is null || !Known(c) || EvidenceRules.Exclude(question, Fact(c), told)))),
            change);
        if (unknown)
            return;
        entity.Cues.Add(new CueEntity
        {
            Id = Ids.New(),
            CaseId = entity.Id,
            AddedBy = change.Number,
            Cue = cue.Cue!,
            Answer = cue.Answer!,
            Cylinder = cue.Cylinder,
            Side = cue.Side,
            DropsPerMinute = cue.DropsPerMinute,
            Stream = cue.Stream ?? false,
            DripsWhen = cue.When,
            SeenAt = cue.At,
        });
    }

    private static CueFact Fact(CueEntity c) => ToDto(c).ToCore("cue");

    private string Says(ChangeRequest request, CaseEvidence evidence)
    {
        var told = (request.Readings ?? [])
            .Select(r => $"{NameOf(r.Quantity!)} "
                + Core.Quantities.Quantity.Digits(r.Value!.Value)
                + (r.To is { } to ? $" to {Core.Quantities.Quantity.Digits(to.Value)}" : "") + $" {r.Value.Unit}")
            .Concat(evidence.Cues.Where(c => c.Source?.StartsWith("cues", StringComparison.Ordinal) == true)
                .Select(c => Sentences.Say(catalogue, c)))
            .Concat((request.Facts ?? new Dictionary<string, string>())
                .Select(f => f.Value.Length > 0
                    ? $"{f.Key}: {(f.Value.Length > 60 ? f.Value[..60] + "…" : f.Value)}"
                    : $"{f.Key} cleared"))
            .Concat(request.Context is null ? [] : ["History changed"])
            .Concat(request.Hours is null ? [] : ["Hours noted"])
            .Concat(request.Limits is null ? [] : ["Limits of today changed"])
            .Concat(request.CouldNot is { Count: > 0 } ? ["Could not be had"] : [])
            .ToArray();
        return told.Length > 0 ? string.Join("; ", told) : request.Remove is { Count: > 0 } ? "Entry taken out" : "Nothing";
    }

    private static string NameOf(string quantity) =>
        Observables.Find(quantity)?.Name ?? TakenQuantities.All.First(b => b.Id == quantity).Name;

    // What is new may be good by itself and yet not go with what stands; then it is refused, unless there was no verdict before.
    private async Task<CaseResource> SaveUnlessItSpoils(CaseEntity entity, ChangeEntity change, CancellationToken stop)
    {
        var shown = await Show(entity, stop);
        if (shown.Trouble is { } trouble)
        {
            change.Undone = true;
            var before = await Show(entity, stop);
            change.Undone = false;
            if (before.Trouble is null)
                throw new RefusalException(StatusCodes.Status400BadRequest, "This cannot be", trouble.Field, trouble.Text);
        }

        return await Save(entity, shown, stop);
    }

    private async Task<CaseResource> Save(CaseEntity entity, CancellationToken stop) => await Save(entity, await Show(entity, stop), stop);

    private async Task<CaseResource> Save(CaseEntity entity, CaseResource shown, CancellationToken stop)
    {
        var line = entity.Headline;
        var closed = entity.InForce(entity.Facts.Where(f => f.Name == "closed")).LastOrDefault();
        (line.Complaint, line.Stage, line.Closed, line.Entries) = (
            shown.Complaint, shown.Stage, shown.Closed, shown.Readings.Count + shown.Cues.Count);
        line.ClosedAt = closed is null ? null : entity.Changes.First(c => c.Number == closed.AddedBy).At;
        line.ChangedAt = entity.Changes.Max(c => c.At);
        if (shown.Diagnosis?.Suspects[0] is { } leader)
        {
            (line.Leader, line.LeaderName, line.Probability, line.Hunch) = (leader.Fault, leader.Name, leader.Probability, leader.Hunch);
            entity.Verdicts.Add(new VerdictEntity
            {
                Id = Ids.New(),
                CaseId = entity.Id,
                AfterVersion = entity.Version,
                At = Now(),
                Leader = leader.Fault,
                LeaderName = leader.Name,
                Probability = leader.Probability,
                Hunch = leader.Hunch,
                SuspectsJson = Stored.Write(shown.Diagnosis.Suspects.ToDictionary(s => s.Fault, s => s.Probability)),
            });
        }

        await db.SaveOrRefuse(stop);
        return shown;
    }

    private IQueryable<CaseEntity> Whole() =>
        db.Cases.Include(c => c.Pump).Include(c => c.Changes).Include(c => c.Readings).Include(c => c.Cues).Include(c => c.Facts)
            .AsSplitQuery();

    private DateTime Now() => clock.GetUtcNow().UtcDateTime;
}
