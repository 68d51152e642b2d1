using MildHunch.Core.Evidence;
using MildHunch.Core.Expectation;
using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;
using MildHunch.Core.Service.Proving;
using MildHunch.Store;
using MildHunch.Web.Diagnosis;
using MildHunch.Web.Proving;
using MildHunch.Web.Pumps;
using MildHunch.Web.Service;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Cases.Prove;

/// <summary>The proof of a case as it is shown: what is expected at each stage, how it stands, what it comes to.</summary>
public sealed class ProofView(CaseProof proof, Catalogue catalogue)
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
        var working = StageExpectation.WorkingPa(pump, setup);
        var remarks = new List<ProofRemark>();
        ProofStageDto[] shown = [.. proof.StagesOf(pump, setup).Select(s => Stage(s, pump, setup, working, told, remarks))];
        ProofRemark[] shut = told.Shut is { } read ? [.. CaseProof.Shut(Unsigned(read)).Remarks(setup)] : [];
        remarks.AddRange(shut);
        remarks.AddRange(Leaks(entity, shown.Any(s => s.RunIn is not null)));
        var verdict = ProofVerdict.Of(
            remarks, [.. shown.Where(s => s is { Forbidden: null, State: not "done" }).Select(s => s.Name.ToLowerInvariant())]);
        var setting = told.Screw is { Target: not null } screw ? ControlSetting.Solve(CaseProof.Question(stored, screw)) : null;
        return new ProofViewResponse(
            now, shown, proof.FacingsMissing(entity), [.. shut.Select(r => r.Text)], setting?.ToDto(),
            setting is null ? null : SettingDrawing.Of(setting.Asked, setting.Advice).ToDto(),
            verdict.Outcome.Named(), verdict.Reasons, Changed(entity));
    }

    private ProofStageDto Stage(
        ProofStage stage, ReciprocatingPump pump, Setup setup, double workingPa, ProofDto told, List<ProofRemark> remarks)
    {
        ProofStepDto[] steps = [.. stage.Shares.Select(share => Step(stage, share, pump, setup, workingPa, told, remarks))];
        ProofActDto[] acts = [.. stage.Acts.Select(a => new ProofActDto(
            a.Id, a.Do, a.Why, a.Mind, told.Acts.GetValueOrDefault($"{stage.Id}.{a.Id}")))];
        var hazards = stage.Hazards.Concat(stage.Acts.SelectMany(a => a.Hazards)).Distinct();
        return new ProofStageDto(
            stage.Id, stage.Name, stage.Kind.Named(), stage.Why, ProofStages.Forbidden(stage, setup),
            [.. hazards.Select(h => new HazardDto(h, catalogue.Hazard(h)!.Text))], told.Acknowledged.GetValueOrDefault(stage.Id), acts,
            steps,
            stage.RunIn?.Says, State(stage, acts, steps, told));
    }

    private static string State(ProofStage stage, ProofActDto[] acts, ProofStepDto[] steps, ProofDto told)
    {
        bool[] parts =
        [
            .. acts.Select(a => a.Done is not null), .. steps.Select(s => s.Read is not null),
            .. stage.Kind == StageKind.Shut ? [told.Shut is not null] : Array.Empty<bool>(),
            .. stage.Kind == StageKind.Set ? [told.Steps.ContainsKey(stage.StepId(1))] : Array.Empty<bool>(),
        ];
        return parts.All(p => p) ? "done" : parts.Any(p => p) || told.Acknowledged.ContainsKey(stage.Id) ? "begun" : "nothing";
    }

    private static ProofStepDto Step(
        ProofStage stage, double share, ReciprocatingPump pump, Setup setup, double workingPa, ProofDto told, List<ProofRemark> remarks)
    {
        var id = stage.StepId(share);
        var read = told.Steps.GetValueOrDefault(id);
        var at = read?.Pressure.Need<GaugePressure>("pressure") ?? new GaugePressure(share * workingPa);
        List<ProofFigureDto> figures = [];
        if (stage.Flow)
        {
            var expected = StageExpectation.At(pump, setup, at);
            foreach (var figure in expected.Figures)
            {
                var reading = Reading(read, figure.What);
                var standing = reading is null ? null : expected.Judge(reading);
                var name = ReadingNames.Full(figure.What.Id);
                if (reading is not null && standing is { } how)
                    remarks.Add(new ProofRemark(how, $"{name} at {at.Format(Units.Preferred(QuantityKind.GaugePressure))}: "
                        + $"{reading.Value.Text()} where {Text(figure, figure.Low)} to {Text(figure, figure.High)} is expected."));
                figures.Add(new ProofFigureDto(
                    figure.What.Id, name, Dto(figure, figure.Value), Dto(figure, figure.Low), Dto(figure, figure.High),
                    reading?.Value.ToDto(), standing?.Named()));
            }
        }

        return new ProofStepDto(
            id, share, new Amount(QuantityKind.GaugePressure, share * workingPa).ToDto(), stage.Seconds,
            told.Started.TryGetValue(id, out var started) ? started : null, figures, read);
    }

    private static Reading? Reading(StepReadAtDto? read, Observable what)
    {
        var value = what.Id switch { "nozzle-flow" => read?.NozzleFlow, "bypass-flow" => read?.BypassFlow, _ => read?.Swing };
        return value is null ? null : new Reading(what, Mapping.Amount(value, what.Kind, what.Id));
    }

    private static QuantityDto Dto(StageFigure figure, double si) => new Amount(figure.What.Kind, si).ToDto();

    private static string Text(StageFigure figure, double si) => new Amount(figure.What.Kind, si).Text();

    // A packing that beds in may drip at its weep; anything else that drips is told, and what runs is not mended.
    private IEnumerable<ProofRemark> Leaks(CaseEntity entity, bool beddingIn) => entity.InForce(entity.Cues)
        .Where(c => c.SeenAt == "after" && c.Cue == "leak-at" && catalogue.Knows(c)
            && catalogue.Cue(c.Cue)!.Answer(c.Answer) is { Healthy: false })
        .Select(c => new ProofRemark(
            c.Stream || c.DropsPerMinute > RunInDrops ? Standing.Off
                : beddingIn && c is { Answer: "weep", DropsPerMinute: not null } ? Standing.AsExpected
                : Standing.Doubtful,
            $"{Sentences.Say(catalogue, c.ToFact())}."));

    // More than a packing may let out while it beds in (common practice, no source).
    private const double RunInDrops = 20;

    private static ShutReadDto Unsigned(ShutReadAtDto s) => new(s.By, s.Running, s.Spike, s.From, s.To, s.Seconds, s.Restart);

    // What was read before the mend and after it, one line a quantity.
    private static BeforeAfterDto[] Changed(CaseEntity entity)
    {
        var readings = entity.InForce(entity.Readings);
        QuantityDto? Last(string quantity, bool after) =>
            readings.LastOrDefault(r => r.Quantity == quantity && (r.ReadAt == "after") == after) is { } found
                ? new QuantityDto(found.Value, found.Unit)
                : null;
        return
        [
            .. readings.Select(r => r.Quantity).Distinct().Select(q => new BeforeAfterDto(
                q, ReadingNames.Full(q), Last(q, false), Last(q, true))),
        ];
    }
}
