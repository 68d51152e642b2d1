using MildHunch.Core.Expectation;
using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;
using MildHunch.Core.Service.Proving;
using MildHunch.Store;
using MildHunch.Web.Cases.Work;
using MildHunch.Web.Diagnosis;
using MildHunch.Web.Proving;
using MildHunch.Web.Pumps;
using MildHunch.Web.Service;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Cases.Prove;

/// <summary>The proof of a case as it is shown: what is expected at each stage, how it stands, what it comes to.</summary>
public sealed class ProofView(CaseProof proof, CaseWork work, Catalogue catalogue)
{
    public static void Map(IEndpointRouteBuilder cases) =>
        cases.MapGet(
            "/{id}/proof",
            async (string id, CaseStore store, ProofView view, CancellationToken stop) => view.Of(await store.Load(id, stop), store.Now()))
            .WithSummary("The proof of a case: stages with what is expected at each, how they stand, what they come to.");

    /// <summary>The proof as it stands.</summary>
    public ProofViewResponse Of(CaseEntity entity, DateTime now)
    {
        var stored = entity.KnownPump().ToResource();
        var (pump, setup) = (stored.Pump.ToCore(), stored.Setup.ToCore());
        var told = entity.Proof();
        var judged = proof.Judged(entity);
        var shown = new Shown(pump, setup, StageExpectation.WorkingPa(pump, setup), told);
        var setting = ProofTelling.Setting(stored, told);
        return new ProofViewResponse(
            now, [.. judged.Stages.Select(s => Stage(s, shown))], work.Unclosed(entity), setting?.ToDto(),
            setting is null ? null : SettingDrawing.Of(setting.Asked, setting.Advice).ToDto(),
            judged.Outcome.Named(), judged.Reasons, Changed(entity));
    }

    private ProofStageDto Stage(StageJudged judged, Shown shown)
    {
        var (stage, told) = (judged.Stage, shown.Told);
        var hazards = stage.Hazards.Concat(stage.Acts.SelectMany(a => a.Hazards)).Distinct();
        return new ProofStageDto(
            stage.Id, stage.Name, stage.Kind.Named(), stage.Why, ProofStages.Forbidden(stage, shown.Pump, shown.Setup),
            [.. hazards.Select(h => new HazardDto(h, catalogue.Hazard(h)!.Text))], told.Acknowledged.GetValueOrDefault(stage.Id),
            [.. stage.Acts.Select(a => new ProofActDto(
                a.Id, a.Do, a.Why, a.Mind, told.Acts.GetValueOrDefault($"{stage.Id}.{a.Id}"), a.Optional))],
            [.. stage.Shares.Select(share => Step(stage, share, shown))], stage.MayDrip, judged.State.Named(), judged.Reasons,
            told.LeftOut.GetValueOrDefault(stage.Id), judged.Shut,
            shown.Pump.Control is ControlKind.Unloader or ControlKind.AutoStop, stage.Seconds);
    }

    private static ProofStepDto Step(ProofStage stage, double share, Shown shown)
    {
        var id = stage.StepId(share);
        var read = shown.Told.Steps.GetValueOrDefault(id);
        var at = read?.Pressure.Need<GaugePressure>("pressure") ?? new GaugePressure(share * shown.WorkingPa);
        var expected = stage.Flow ? StageExpectation.At(shown.Pump, shown.Setup, at) : null;
        return new ProofStepDto(
            id, share, new Amount(QuantityKind.GaugePressure, share * shown.WorkingPa).ToDto(), stage.Seconds,
            shown.Told.Started.TryGetValue(id, out var started) ? started : null,
            [.. (expected?.Figures ?? []).Select(figure =>
            {
                var reading = ProofTelling.Reading(read, figure.What);
                return new ProofFigureDto(
                    figure.What.Id, ReadingNames.Full(figure.What.Id), Dto(figure, figure.Value), Dto(figure, figure.Low),
                    Dto(figure, figure.High), reading?.Value.ToDto(), reading is null ? null : expected!.Judge(reading)?.Named());
            })],
            read, shown.Told.LeftOut.GetValueOrDefault(id));
    }

    private sealed record Shown(ReciprocatingPump Pump, Setup Setup, double WorkingPa, ProofDto Told);

    private static QuantityDto Dto(StageFigure figure, double si) => new Amount(figure.What.Kind, si).ToDto();

    // What was read before the mend of this round, last, and after it; one line a quantity.
    internal static BeforeAfterDto[] Changed(CaseEntity entity)
    {
        var (readings, round) = (entity.InForce(entity.Readings).Where(r => r.Mends <= entity.Round()).ToArray(), entity.Round());
        static QuantityDto? Last(IEnumerable<ReadingEntity> of) =>
            of.OrderBy(r => r.Mends).LastOrDefault() is { } found ? new QuantityDto(found.Value, found.Unit) : null;
        return
        [
            .. readings.GroupBy(r => r.Quantity).Select(q => new BeforeAfterDto(
                q.Key, ReadingNames.Full(q.Key), Last(q.Where(r => r.Mends < round)), Last(q.Where(r => r.Mends == round)))),
        ];
    }
}
