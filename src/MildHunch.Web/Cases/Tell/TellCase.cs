using MildHunch.Core.Diagnosis.Likelihood;
using MildHunch.Core.Evidence;
using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;
using MildHunch.Store;
using MildHunch.Web.Cases.Prove;
using MildHunch.Web.Cases.Work;
using MildHunch.Web.Diagnosis;
using MildHunch.Web.Evidence;
using MildHunch.Web.Pumps;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Cases.Tell;

/// <summary>Lays one change on a case. Everything is checked first: a refusal stores nothing.</summary>
public sealed class TellCase(
    CaseStore store, CaseView view, Catalogue catalogue, CaseWork work, WorkEvidence inside, CaseProof proof)
{
    public static void Map(IEndpointRouteBuilder cases) =>
        cases.MapPost(
            "/{id}/changes",
            (string id, ChangeRequest request, TellCase tell, CaseStore store, HttpContext http, CancellationToken stop) =>
                store.Change(id, http, entity => tell.Apply(entity, request, stop), stop, touched => Contradictions.With(request, touched)))
            .WithSummary("Notes something; needs If-Match. Refused where something that it names was changed since that version.");

    public async Task<CaseResource> Apply(CaseEntity entity, ChangeRequest request, CancellationToken stop)
    {
        ChangeRules.Check(request, catalogue);
        request = Current(request);
        var stood = proof.Stands(entity);
        if (request.Proof is { } toldOf)
            request = request with { Proof = proof.Whole(entity, toldOf) };
        var proved = request.Proof is null ? null : Proved(entity, request);
        if (proved is not null)
            request = request with
            {
                Readings = [.. request.Readings ?? [], .. proved.Readings],
                Cues = [.. request.Cues ?? [], .. proved.Cues],
            };
        var evidence = Checked(entity, request);
        var begins = request.Work is { } planned && work.BeginsRound(entity, planned);
        var change = entity.Begin(
            request.Says?.Trim() is { Length: > 0 } says ? says : ChangeWords.Of(request, evidence, catalogue), store.Now());
        foreach (var id in request.Remove ?? [])
            (entity.AllInForce().FirstOrDefault(e => e.Id == id) ?? throw RefusalException.NotFound("entry", id)).RemovedBy = change.Number;
        CaseEntries.TakeBack(proved?.TakenBack ?? [], change);
        foreach (var reading in request.Readings ?? [])
            Read(entity, change, reading, request.Again == true);
        foreach (var cue in request.Cues ?? [])
            Answer(entity, change, cue, entity.MendsAt(cue.At));
        if (begins)
            entity.BeginRound(change);
        SetFacts(entity, change, request);
        if (request.Work is { } told)
            Tell(entity, change, told);
        if (request.Work?.Plan is { Targets: null or { Count: 0 } })
            entity.LeaveEmptyRound(change);
        if (request.Proof is { } shown)
            entity.Tell(change, shown);

        // What was signed on what no longer stands is signed anew.
        if (stood && request.Proof?.Verdict is null && !proof.Stands(entity))
            entity.Withdraw(change);
        return await SaveUnlessItSpoils(entity, change, stop);
    }

    // What the proof shows at working pressure, or with the outlet shut, is evidence after the mend.
    private ProofEvidence Proved(CaseEntity entity, ChangeRequest request)
    {
        proof.Check(entity, request.Proof!);
        if (request.Proof!.Verdict is not null && request with { Proof = null, Says = null, Sure = null } != new ChangeRequest())
            throw CaseProof.NotAlone();
        return proof.EvidenceOf(entity, request.Proof);
    }

    private CaseEvidence Checked(CaseEntity entity, ChangeRequest request)
    {
        var stored = entity.KnownPump().ToResource();
        var (pump, setup) = (stored.Pump.ToCore(), stored.Setup.ToCore());
        var evidence = EvidenceMapping.ToEvidence(pump, setup, request.Readings, request.Cues, request.Context) with
        {
            Hours = [.. (request.Hours ?? []).Select((h, i) => h.ToCore($"hours[{i}]"))],
        };
        EvidenceRules.Check(catalogue, pump, setup, evidence with { CouldNot = [.. evidence.CouldNot, .. request.CouldNot ?? []] });
        request.Limits.ToCore().Check(catalogue);
        AskBack(request, pump);
        if (request.Work is not null)
            work.Check(entity, request.Work);
        return evidence;
    }

    // A slip of the finger or a wrong unit is asked back before it counts.
    private static void AskBack(ChangeRequest request, ReciprocatingPump pump)
    {
        if (request.Sure == true)
            return;
        DoubtDto[] doubts =
        [
            .. (request.Readings ?? []).SelectMany((r, i) =>
            {
                var believable = Plausibility.OfReading(r.Quantity!, pump);
                return new[]
                {
                    PumpDoubts.About($"readings[{i}].value", r.Value, believable), PumpDoubts.About($"readings[{i}].to", r.To, believable),
                };
            }).OfType<DoubtDto>(),
        ];
        if (doubts.Length > 0)
            throw new DoubtException(doubts);
    }

    // What is sent may carry names that were used before, and ids of its own: a stored entry has the ids of the case.
    private ChangeRequest Current(ChangeRequest request) => request with
    {
        Cues = request.Cues is null
            ? null
            : [.. request.Cues.Select(c => c?.Cue is { } cue && c.Answer is { } answer && catalogue.Cue(cue)?.Answer(answer) is { } known
                ? c with { Answer = known.Id }
                : c!)],
    };

    // Read again and combined; or before and after a mend, which are kept apart.
    private static void Read(CaseEntity entity, ChangeEntity change, ReadingDto reading, bool again)
    {
        var mends = entity.MendsAt(reading.At);
        if (!again)
            CaseEntries.TakeBack(entity.InForce(entity.Readings.Where(r => r.Quantity == reading.Quantity && r.Mends == mends)), change);
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
            Mends = mends,
        });
    }

    // One answer to a question, or one a place; "dry everywhere" and "all tight" speak of every place.
    private void Answer(CaseEntity entity, ChangeEntity change, CueDto cue, int mends)
    {
        var question = catalogue.Cue(cue.Cue!)!;
        var given = cue.Answer == EvidenceMapping.Unknown ? null : cue.ToCore("cue");
        CaseEntries.TakeBack(
            entity.InForce(entity.Cues.Where(c => c.Cue == cue.Cue && c.Mends == mends
                && (given is null || !catalogue.Knows(c) || EvidenceRules.Exclude(question, c.ToFact(), given)))),
            change);
        if (given is null)
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
            Mends = mends,
        });
    }

    private static void SetFacts(CaseEntity entity, ChangeEntity change, ChangeRequest request)
    {
        foreach (var (name, value) in request.Facts ?? new Dictionary<string, string>())
            entity.Tell(change, name, value.Trim());
        if (request.Context is not null)
            entity.Tell(change, CaseFacts.Context, string.Join(',', request.Context.Distinct()));
        if (request.Hours is not null)
            entity.Tell(change, CaseFacts.Hours, Stored.Write(request.Hours));
        var inVain = (request.Cues ?? []).Where(c => c.Answer == EvidenceMapping.Unknown).Select(c => c.Cue!).ToArray();
        if (request.CouldNot is not null || inVain.Length > 0)
            entity.Tell(
                change, CaseFacts.CouldNot,
                Stored.Write((request.CouldNot ?? entity.Kept<string[]>(CaseFacts.CouldNot) ?? []).Concat(inVain).Distinct()));
        if (request.Limits is not null)
            entity.Tell(change, CaseFacts.Limits, Stored.Write(request.Limits));
    }

    // What was found inside is evidence too, as good as certain; what it said before at the same place makes room.
    private void Tell(CaseEntity entity, ChangeEntity change, WorkChangeDto told)
    {
        entity.Tell(change, told);
        string[] places = [.. told.Found?.Keys ?? [], .. told.FoundBack ?? []];
        if (places.Length == 0 || work.Planned(entity) is not { } plan)
            return;
        var mends = entity.Round() - 1;
        var now = inside.Of(plan, entity.Work().Found, places);
        bool Touched(CueEntity cue) =>
            cue.Mends == mends && now.Touched.Any(t => t.Cue == cue.Cue && (cue.Cylinder is null || t.Cylinder == cue.Cylinder));
        CaseEntries.TakeBack(entity.InForce(entity.Cues.Where(Touched)), change);
        foreach (var answer in now.Answers)
            Answer(entity, change, answer, mends);
    }

    // An end of a range given in another unit is kept in the unit of the other end.
    private static double Converted(QuantityDto to, string unit, string quantity)
    {
        var kind = new ReadingDto(quantity, to).ToCore("readings").Value.Kind;
        return Quantity.UnitNamed(kind, unit, "to").FromSi(Quantity.UnitNamed(kind, to.Unit, "to").ToSi(to.Value));
    }

    // What is new may be good by itself and yet not go with what stands; then it is refused, unless there was no verdict before.
    private async Task<CaseResource> SaveUnlessItSpoils(CaseEntity entity, ChangeEntity change, CancellationToken stop)
    {
        var shown = await view.Show(entity, stop);
        if (shown.Trouble is { } trouble)
        {
            change.Undone = true;
            var before = await view.Show(entity, stop);
            change.Undone = false;
            if (before.Trouble is null)
                throw new RefusalException(StatusCodes.Status400BadRequest, "This cannot be", trouble.Field, trouble.Text);
        }

        return await store.Save(entity, shown, stop);
    }
}
