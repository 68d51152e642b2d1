using Microsoft.EntityFrameworkCore;
using MildHunch.Core;
using MildHunch.Core.Diagnosis;
using MildHunch.Core.Faults;
using MildHunch.Store;
using MildHunch.Web.Diagnosis;
using MildHunch.Web.History;
using MildHunch.Web.Pumps;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Cases;

/// <summary>Loads cases, lays changes on them and keeps what we thought after each.</summary>
public sealed class CaseBook(MildHunchDb db, Diagnoser diagnoser, Catalogue catalogue, ShopRecord record, TimeProvider clock)
{
    private const string ContextFact = "context";
    private const string FirstStage = "ask";

    // Kept as JSON in facts of their own: told as a whole, taken back as a whole.
    private const string HoursFact = "hours";
    private const string CouldNotFact = "could-not";
    private const string LimitsFact = "limits";
    private static readonly string[] Inner = [ContextFact, HoursFact, CouldNotFact, LimitsFact];

    public async Task<IReadOnlyList<CaseSummary>> List(CancellationToken stop)
    {
        var cases = await Whole().AsNoTracking().ToListAsync(stop);

        // Of all that was thought, only the last thought of each case, and of that only its leader.
        var leaders = await db.Cases
            .Select(c => new { c.Id, Last = c.Verdicts.OrderByDescending(v => v.Id).Select(v => new LeaderDto(v.Leader, v.LeaderName, v.Probability, v.Hunch)).FirstOrDefault() })
            .ToDictionaryAsync(c => c.Id, c => c.Last, stop);
        return [.. cases.Select(c => Summary(c, leaders.GetValueOrDefault(c.Id))).OrderBy(c => c.Closed is not null).ThenByDescending(c => c.ChangedAt)];
    }

    public async Task<CaseEntity> Load(string id, CancellationToken stop) =>
        await Whole().FirstOrDefaultAsync(c => c.Id == id, stop) ?? throw RefusalException.NotFound("case", id);

    /// <summary>Opens a case; the first change is the complaint itself and is not undone.</summary>
    public async Task<CaseResource> Open(NewCaseRequest request, CancellationToken stop)
    {
        var pump = await db.Pumps.FirstOrDefaultAsync(p => p.Id == request.PumpId, stop)
            ?? throw new ImpossibleInputException("pumpId", request.PumpId is null ? "nothing" : $"“{request.PumpId}”", "the id of a pump of this shop");
        var complaint = request.Complaint?.Trim() ?? "";
        if (complaint.Length is 0 or > ChangeRules.LongestFact)
            throw new ImpossibleInputException("complaint", complaint.Length == 0 ? "nothing" : $"{complaint.Length} characters", "what is wrong, in a sentence");
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
        var evidence = Mapping.ToEvidence(pump, setup, request.Readings, request.Cues, request.Context) with { Hours = [.. (request.Hours ?? []).Select((h, i) => h.ToCore($"hours[{i}]"))] };
        EvidenceRules.Check(catalogue, pump, setup, evidence with { CouldNot = [.. evidence.CouldNot, .. request.CouldNot ?? []] });
        request.Limits.ToCore().Check(catalogue);
        var change = entity.Begin(request.Says?.Trim() is { Length: > 0 } says ? says : Says(request, evidence), Now());
        foreach (var id in request.Remove ?? [])
            (Standing(entity).FirstOrDefault(e => e.Id == id) ?? throw RefusalException.NotFound("entry", id)).RemovedBy = change.Number;
        foreach (var reading in request.Readings ?? [])
        {
            // Read again and combined; or before and after a mend, which are kept apart.
            if (request.Again != true)
                TakeBack(entity.Standing(entity.Readings.Where(r => r.Quantity == reading.Quantity && (r.ReadAt == "after") == (reading.At == "after"))), change);
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
        if (request.CouldNot is not null)
            entity.Tell(change, CouldNotFact, Stored.Write(request.CouldNot));
        if (request.Limits is not null)
            entity.Tell(change, LimitsFact, Stored.Write(request.Limits));
        return await Save(entity, stop);
    }

    public async Task<CaseResource> Undo(CaseEntity entity, CancellationToken stop)
    {
        var change = entity.ToUndo() ?? throw new RefusalException(StatusCodes.Status409Conflict, "Nothing to undo", "undo", "There is nothing left to undo in this case.");
        change.Undone = true;
        entity.Version++;
        return await Save(entity, stop);
    }

    public async Task<CaseResource> Redo(CaseEntity entity, CancellationToken stop)
    {
        var change = entity.ToRedo() ?? throw new RefusalException(StatusCodes.Status409Conflict, "Nothing to redo", "redo", "There is nothing to bring back in this case.");
        change.Undone = false;
        entity.Version++;
        return await Save(entity, stop);
    }

    /// <summary>The case as it stands, with its verdict computed now. What a corrected pump can no longer show stays and is not judged by.</summary>
    public Task<CaseResource> Show(CaseEntity entity, CancellationToken stop) => Show(entity, strict: false, stop);

    private async Task<CaseResource> Show(CaseEntity entity, bool strict, CancellationToken stop)
    {
        var readings = entity.Standing(entity.Readings).Select(r => new ReadingEntryDto(
            r.Id, r.Quantity, new QuantityDto(r.Value, r.Unit), r.Uncertainty is { } u ? new QuantityDto(u, r.UncertaintyUnit!) : null, r.UpTo is { } to ? new QuantityDto(to, r.Unit) : null, r.ReadAt)).ToArray();

        // A shop's own words may go with its file: what was told in them stays, is told last, and is not judged by.
        CueEntity[] cues = [.. entity.Standing(entity.Cues).OrderBy(c => !Known(c))];
        string[] context = [.. Context(entity).Where(c => catalogue.Context(c) is not null)];
        var pump = PumpEndpoints.Resource(Pump(entity));
        var real = pump.Pump.ToCore();
        var possible = new CueModel(catalogue, real, pump.Setup.ToCore(), []);
        bool Judged(CueEntity cue) => Known(cue) && (strict || possible.Allows(Fact(cue)));
        var request = new DiagnosisRequest(
            pump.Pump, pump.Setup,
            [.. readings.Where(r => strict || AsTaken.Fits(r.Quantity, real)).Select(r => new ReadingDto(r.Quantity, r.Value, r.Uncertainty, r.To, r.At))],
            [.. cues.Where(Judged).Select(ToDto)],
            context,
            Kept<PartHoursDto[]>(entity, HoursFact) ?? [],
            await record.Found(ShopRecord.TypeOf(pump.Pump), entity.Id, stop),
            [.. (Kept<string[]>(entity, CouldNotFact) ?? []).Where(EvidenceRules.Answerable(catalogue))],
            Kept<LimitsDto>(entity, LimitsFact) is { } limits ? limits with { Without = [.. (limits.Without ?? []).Where(catalogue.Tools.Contains)] } : new LimitsDto());
        var facts = entity.Standing(entity.Facts).Where(f => !Inner.Contains(f.Name)).ToDictionary(f => f.Name, f => f.Value);
        return new CaseResource(
            entity.Id, entity.Version, pump, facts.GetValueOrDefault("complaint", ""), facts.GetValueOrDefault("stage", FirstStage), facts.GetValueOrDefault("closed"), entity.OpenedAt,
            readings,
            [.. cues.Select(ToStanding)],
            context, facts,
            [.. entity.Changes.OrderBy(c => c.Number).Select(c => new ChangeDto(c.Number, c.Says, c.At, c.Undone))],
            entity.ToUndo()?.Says, entity.ToRedo()?.Says,
            DiagnosisEndpoint.Compute(request, diagnoser, catalogue),
            request.Hours!, request.CouldNot!, request.Limits!, request.Found!);
    }

    private bool Known(CueEntity c) => catalogue.Cue(c.Cue)?.Answers.Any(a => a.Id == c.Answer) == true;

    private CueEntryStandingDto ToStanding(CueEntity c) => Known(c)
        ? new(c.Id, c.Cue, c.Answer, c.Cylinder, c.Side, c.DropsPerMinute, c.Stream, c.DripsWhen, c.SeenAt, Sentences.Say(catalogue, Fact(c)), Sentences.Tag(catalogue, Fact(c)))
        : new(c.Id, c.Cue, c.Answer, c.Cylinder, c.Side, c.DropsPerMinute, c.Stream, c.DripsWhen, c.SeenAt, $"{c.Cue}: {c.Answer} (the catalogue no longer knows this)", $"{c.Cue} {c.Answer}");

    private static CueDto ToDto(CueEntity c) => new(c.Cue, c.Answer, c.Cylinder, c.Side, c.DropsPerMinute, Stream: c.Stream ? true : null, When: c.DripsWhen, At: c.SeenAt);

    private static PumpEntity Pump(CaseEntity entity) => entity.Pump ?? throw new InvalidOperationException("A case was loaded without its pump.");

    private static IEnumerable<EntryEntity> Standing(CaseEntity entity) => [.. entity.Standing(entity.Readings), .. entity.Standing(entity.Cues)];

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
        return Core.Quantities.Quantity.UnitNamed(kind, unit, "to").FromSi(Core.Quantities.Quantity.UnitNamed(kind, to.Unit, "to").ToSi(to.Value));
    }

    private static string[] Context(CaseEntity entity) => entity.Fact(ContextFact)?.Split(',', StringSplitOptions.RemoveEmptyEntries) ?? [];

    private void Answer(CaseEntity entity, ChangeEntity change, CueDto cue)
    {
        // One answer to a question; drips are told place by place, and "dry everywhere" speaks of them all.
        var places = catalogue.Cue(cue.Cue!)!.Kind == "places";
        TakeBack(
            entity.Standing(entity.Cues.Where(c => c.Cue == cue.Cue && (c.SeenAt == "after") == (cue.At == "after") && (!places || cue.Answer == "none" || c.Answer == "none" || (c.Answer == cue.Answer && c.Cylinder == cue.Cylinder)))),
            change);
        if (cue.Answer == Mapping.Unknown)
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

    private string Says(ChangeRequest request, Evidence evidence)
    {
        var told = (request.Readings ?? []).Select(r => $"{NameOf(r.Quantity!)} {Core.Quantities.Quantity.Digits(r.Value!.Value)}{(r.To is { } to ? $" to {Core.Quantities.Quantity.Digits(to.Value)}" : "")} {r.Value.Unit}")
            .Concat(evidence.Cues.Where(c => c.Source?.StartsWith("cues", StringComparison.Ordinal) == true).Select(c => Sentences.Say(catalogue, c)))
            .Concat((request.Facts ?? new Dictionary<string, string>()).Select(f => f.Value.Length > 0 ? $"{f.Key}: {(f.Value.Length > 60 ? f.Value[..60] + "…" : f.Value)}" : $"{f.Key} cleared"))
            .Concat(request.Context is null ? [] : ["History changed"])
            .Concat(request.Hours is null ? [] : ["Hours told"])
            .Concat(request.Limits is null ? [] : ["Limits of today changed"])
            .Concat(request.CouldNot is { Count: > 0 } ? ["Could not be had"] : [])
            .ToArray();
        return told.Length > 0 ? string.Join("; ", told) : request.Remove is { Count: > 0 } ? "Entry taken out" : "Nothing";
    }

    private static string NameOf(string quantity) => Observables.Find(quantity)?.Name ?? AsTaken.Beside.First(b => b.Id == quantity).Name;

    private static CaseSummary Summary(CaseEntity c, LeaderDto? leader)
    {
        var pump = Pump(c);
        return new CaseSummary(
            c.Id, c.PumpId, pump.Tag, pump.Name, pump.Duty, c.Fact("complaint") ?? "", c.Fact("stage") ?? FirstStage, c.OpenedAt,
            c.Changes.Max(x => x.At), c.Fact("closed"),
            leader,
            Standing(c).Count());
    }

    private async Task<CaseResource> Save(CaseEntity entity, CancellationToken stop)
    {
        var shown = await Show(entity, strict: true, stop);
        var leader = shown.Diagnosis.Suspects[0];
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
        await db.SaveOrRefuse(stop);
        return shown;
    }

    private IQueryable<CaseEntity> Whole() => db.Cases.Include(c => c.Pump).Include(c => c.Changes).Include(c => c.Readings).Include(c => c.Cues).Include(c => c.Facts).AsSplitQuery();

    private DateTime Now() => clock.GetUtcNow().UtcDateTime;
}
