using MildHunch.Core.Diagnosis.Likelihood;
using MildHunch.Core.Faults;
using MildHunch.Store;
using MildHunch.Web.Cases.Prove;
using MildHunch.Web.Cases.Rounds;
using MildHunch.Web.Cases.Work;
using MildHunch.Web.Diagnosis;
using MildHunch.Web.Evidence;
using MildHunch.Web.History;
using MildHunch.Web.Pumps;
using MildHunch.Web.Records;

namespace MildHunch.Web.Cases;

/// <summary>
/// A case as it stands, with its verdict computed now. What a corrected pump can no longer show stays and is not judged by;
/// where no verdict can be computed, what stands in its way is said in its place.
/// </summary>
public sealed class CaseView(Catalogue catalogue, CaseVerdict verdict, ShopRecord record, ShopMemory memory, CaseWork work)
{
    /// <summary>The case as it stands.</summary>
    public async Task<CaseResource> Show(CaseEntity entity, CancellationToken stop)
    {
        var pump = entity.KnownPump().ToResource();
        var (real, setup) = (pump.Pump.ToCore(), pump.Setup.ToCore());
        var possible = new CueModel(catalogue, real, setup, []);
        var mends = entity.Mends();
        ReadingEntryDto[] readings = [.. entity.InForce(entity.Readings).Select(r => r.ToEntry(real, setup, mends))];

        // A shop's own words may go with its file: what was noted in them stays, stands last, and is not judged by.
        CueEntryInForceDto[] cues =
        [
            .. entity.InForce(entity.Cues).OrderBy(c => !catalogue.Knows(c)).Select(c => c.ToEntry(catalogue, possible, mends)),
        ];
        var behind = CaseMends.Of(entity, work, catalogue, real.Cylinders);
        var hours = entity.Kept<PartHoursDto[]>(CaseFacts.Hours) ?? [];
        var onRecord = await WearOnRecord.Of(entity, memory, hours, stop);
        var request = new DiagnosisRequest(
            pump.Pump, pump.Setup, Judged(readings, behind), Judged(cues, behind),
            [.. entity.History().Where(c => catalogue.Context(c) is not null)],
            [.. hours.Where(h => h.Cylinder is null || h.Cylinder <= real.Cylinders), .. onRecord.Hours],
            await record.Found(PumpRecord.TypeOf(pump.Pump), entity, stop),
            [.. (entity.Kept<string[]>(CaseFacts.CouldNot) ?? []).Where(catalogue.Answerable)],
            Limits(entity), onRecord.Lives, onRecord.Opened, behind.All);
        var facts = entity.Texts();
        var judged = verdict.Judge(request, entity.Id);
        return new CaseResource(
            entity.Id, entity.Version, pump, facts.GetValueOrDefault(CaseFacts.Complaint, ""),
            entity.Headline.Stage, facts.GetValueOrDefault(CaseFacts.Closed), entity.OpenedAt,
            readings, cues, request.Context!, facts,
            [.. entity.Changes.OrderBy(c => c.Number).Select(c => new ChangeDto(c.Number, c.Says, c.At, c.Undone))],
            entity.ToUndo()?.Says, entity.ToRedo()?.Says, judged.Diagnosis, judged.Trouble,
            hours, onRecord.Hours, request.CouldNot!, request.Limits!, request.Found!, entity.Work().Judged(pump.Sheet), entity.Proof(),
            entity.Round(), mends);
    }

    // What the verdict calls an entry is the entry's own id. Where nobody knows what was mended, what stood before it says nothing.
    private static IReadOnlyList<ReadingDto> Judged(IEnumerable<ReadingEntryDto> readings, CaseMends behind) =>
    [
        .. readings.Where(r => r.Judged && r.Mends >= behind.From)
            .Select(r => new ReadingDto(r.Quantity, r.Value, r.Uncertainty, r.To, behind.At(r.Mends), r.Id)),
    ];

    private static IReadOnlyList<CueDto> Judged(IEnumerable<CueEntryInForceDto> cues, CaseMends behind) =>
    [
        .. cues.Where(c => c.Judged && c.Mends >= behind.From)
            // Where it was opened and nothing was mended, what was seen last counts.
            .GroupBy(c => (At: behind.At(c.Mends), c.Cue)).SelectMany(g => g.Where(c => c.Mends == g.Max(x => x.Mends)))
            .Select(c => new CueDto(
            c.Cue, c.Answer, c.Cylinder, c.Side, c.DropsPerMinute, Stream: c.Stream ? true : null, When: c.When,
            At: behind.At(c.Mends), Id: c.Id)),
    ];

    private LimitsDto Limits(CaseEntity entity) => entity.Kept<LimitsDto>(CaseFacts.Limits) is { } limits
        ? limits with { Without = [.. (limits.Without ?? []).Where(catalogue.Tools.Contains)] }
        : new LimitsDto();
}
