using System.Globalization;
using MildHunch.Core;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;
using MildHunch.Core.Service;
using MildHunch.Core.Service.Proving;
using MildHunch.Store;
using MildHunch.Web.Cases.Work;
using MildHunch.Web.Evidence;
using MildHunch.Web.Proving;
using MildHunch.Web.Pumps;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Cases.Prove;

/// <summary>Checks what is told of the proof: stages that this pump has, hazards read, facings ticked, readings that can be.</summary>
public sealed class CaseProof(ProofStages stages, CaseWork work)
{
    private const int MostLetters = 1000;
    private const int LongestName = 60;

    /// <summary>Readings at this step, and at the end of setting, count as evidence after the mend.</summary>
    private const double Whole = 1;

    /// <summary>Stages of the pump of a case.</summary>
    internal IReadOnlyList<ProofStage> StagesOf(ReciprocatingPump pump, Setup setup) => stages.For(pump, setup);

    /// <summary>Refuses what cannot be, naming the field; nothing is stored.</summary>
    public void Check(CaseEntity entity, ProofChangeDto proof)
    {
        var stored = entity.KnownPump().ToResource();
        var (pump, setup) = (stored.Pump.ToCore(), stored.Setup.ToCore());
        var known = stages.For(pump, setup);
        var before = proof.Anew == true ? null : entity.Proof();
        bool Read(ProofStage stage) =>
            proof.Acknowledged?.ContainsKey(stage.Id) == true || before?.Acknowledged.ContainsKey(stage.Id) == true;

        foreach (var (id, read) in proof.Acknowledged ?? new Dictionary<string, SignedDto>())
        {
            Stage(known, id, $"proof.acknowledged.{id}");
            Name(read?.By, $"proof.acknowledged.{id}.by");
        }

        foreach (var (key, done) in proof.Acts ?? new Dictionary<string, SignedDto>())
        {
            var field = $"proof.acts.{key}";
            var stage = known.FirstOrDefault(s => s.Acts.Any(a => $"{s.Id}.{a.Id}" == key))
                ?? throw new ImpossibleInputException("proof.acts", $"“{key}”", "what is done at a stage of this pump");
            Name(done?.By, $"{field}.by");
            MayBeDone(entity, stage, setup, Read(stage), field);
        }

        foreach (var key in (proof.Started ?? []).Concat(proof.Steps?.Keys ?? []))
            MayBeDone(entity, StageOfStep(known, key), setup, Read(StageOfStep(known, key)), $"proof.steps.{key}");
        foreach (var (key, read) in proof.Steps ?? new Dictionary<string, StepReadDto>())
            CheckStep(pump, setup, read, $"proof.steps.{key}");
        if (proof.Shut is { } shut)
            CheckShut(entity, known, setup, shut, Read);
        if (proof.Screw is { } screw)
            CheckScrew(entity, known, stored, screw, Read);
        if (proof.Verdict is { } verdict)
            CheckVerdict(verdict);
    }

    /// <summary>What was read at working pressure and with the outlet shut, as evidence after the mend.</summary>
    internal ProofEvidence EvidenceOf(CaseEntity entity, ProofChangeDto proof)
    {
        var stored = entity.KnownPump().ToResource();
        var setup = stored.Setup.ToCore();
        var known = stages.For(stored.Pump.ToCore(), setup);
        ReadingDto[] readings =
        [
            .. (proof.Steps ?? new Dictionary<string, StepReadDto>())
                .Where(s => StageOfStep(known, s.Key) is { } stage && AtWork(stage, s.Key)).SelectMany(s => Readings(s.Value)),
        ];
        if (proof.Shut is not { } shut)
            return new ProofEvidence(readings, []);
        List<CueDto> cues = [];
        if (Shut(shut).Answer(setup) is { } answer)
            cues.Add(new CueDto("closed-outlet", answer, At: "after"));
        if (shut.Restart is { } restart)
            cues.Add(new CueDto("restart", restart, At: "after"));
        return new ProofEvidence(readings, cues);
    }

    /// <summary>Parts that were touched and whose facing nobody ticked.</summary>
    internal IReadOnlyList<string> FacingsMissing(CaseEntity entity)
    {
        var done = entity.Work();
        if (work.Plan(entity, done.Plan) is not { } plan)
            return [];
        bool Ticked(string key) => done.Steps.TryGetValue(key, out var tick) && tick.Taps is null;
        var touched = plan.Steps.Where(s => s.Stage == ServiceStage.Open && s.Part is not null)
            .SelectMany(s => s.Ticks.Where(t => Ticked(t.Key)).Select(t => new PartAt(s.Part!, t.Place))).ToHashSet();
        return
        [
            .. plan.Steps.Where(s => s.Facing).SelectMany(s => s.Ticks.Where(t => touched.Contains(new PartAt(s.Part!, t.Place)))
                .Where(t => !Ticked(t.Key))
                .Select(t => t.Place == ServicePlace.Whole ? s.Part!.Name : $"{s.Part!.Name} {t.Place.Key.Replace('.', ' ')}")),
        ];
    }

    /// <summary>What was read with the outlet shut, as Core knows it.</summary>
    internal static ShutOutlet Shut(ShutReadDto shut) => new(
        shut.Running.Maybe<GaugePressure>("proof.shut.running"), shut.Spike.Maybe<GaugePressure>("proof.shut.spike"),
        shut.From.Maybe<GaugePressure>("proof.shut.from"), shut.To.Maybe<GaugePressure>("proof.shut.to"),
        shut.Seconds is { } seconds ? new Duration(seconds) : null, shut.Restart is null ? null : shut.Restart == "hard");

    private void MayBeDone(CaseEntity entity, ProofStage stage, Setup setup, bool read, string field)
    {
        if (ProofStages.Forbidden(stage, setup) is { } why)
            throw new RefusalException(StatusCodes.Status409Conflict, "Not on this pump", field, why);
        if (!read)
            throw new RefusalException(
                StatusCodes.Status409Conflict, "Hazards first", field, "Read the hazards of this stage and put your name to them.");
        if (FacingsMissing(entity) is { Count: > 0 } missing)
            throw new RefusalException(
                StatusCodes.Status409Conflict, "Not closed yet", field,
                $"Nothing is proved before it is ticked which way every part looks: {string.Join(", ", missing.Take(4))}"
                    + $"{(missing.Count > 4 ? " …" : "")}.");
    }

    private static void CheckStep(ReciprocatingPump pump, Setup setup, StepReadDto read, string field)
    {
        Name(read.By, $"{field}.by");
        var pressure = read.Pressure.Need<GaugePressure>($"{field}.pressure");
        Mapping.Under(field, () => StageExpectation.At(pump, setup, pressure));
        Flow(read.NozzleFlow, $"{field}.nozzleFlow");
        Flow(read.BypassFlow, $"{field}.bypassFlow");
        if (read.Swing.Maybe<GaugePressure>($"{field}.swing") is { Si: < 0 } swing)
            throw new ImpossibleInputException($"{field}.swing", swing.Format(Units.Bar), "0 or more");
        if (read.Note?.Length > MostLetters)
            throw new ImpossibleInputException($"{field}.note", $"{read.Note.Length} characters", $"at most {MostLetters} characters");
    }

    private static void Flow(QuantityDto? flow, string field)
    {
        if (flow.Maybe<VolumeFlow>(field) is { Si: < 0 } negative)
            throw new ImpossibleInputException(field, negative.Format(Units.Preferred(QuantityKind.VolumeFlow)), "0 or more");
    }

    private void CheckShut(CaseEntity entity, IReadOnlyList<ProofStage> known, Setup setup, ShutReadDto shut, Func<ProofStage, bool> read)
    {
        var stage = OfKind(known, StageKind.Shut, "proof.shut", "the outlet shut only where a control or a stop switch lets it");
        Name(shut.By, "proof.shut.by");
        MayBeDone(entity, stage, setup, read(stage), "proof.shut");
        if (shut.Restart is not (null or "easy" or "hard"))
            throw new ImpossibleInputException("proof.shut.restart", $"“{shut.Restart}”", "easy or hard");
        if (shut.From is null != shut.To is null || shut.From is null != shut.Seconds is null)
            throw Mapping.Missing(
                shut.From is null ? "proof.shut.from" : shut.To is null ? "proof.shut.to" : "proof.shut.seconds",
                "where it stood, where it stands, and the seconds between: all three or none");
        var told = Shut(shut);
        if (shut.Spike is null && shut.From is null && shut.Restart is null)
            throw Mapping.Missing("proof.shut", "the spike, the fall, or how it started again");
        Mapping.Under("proof.shut", () => told.Fall(setup));
        if (told.Spike is { } spike && told.Set is { } set && spike.Si < 0.5 * set.Si)
            throw new ImpossibleInputException(
                "proof.shut.spike", spike.Format(Units.Bar), $"a peak no lower than half of what it held, {set.Format(Units.Bar)}");
    }

    private void CheckScrew(
        CaseEntity entity, IReadOnlyList<ProofStage> known, PumpResource pump, ScrewDto screw, Func<ProofStage, bool> read)
    {
        var stage = OfKind(known, StageKind.Set, "proof.screw", "a screw only on an unloader or a regulator");
        if (screw.Height?.Length > LongestName)
            throw new ImpossibleInputException(
                "proof.screw.height", $"{screw.Height.Length} characters", $"at most {LongestName} characters");
        if (screw.Moves is not { Count: > 0 } && screw.Target is null)
            return;
        if (screw.Moves is { Count: > 0 })
            MayBeDone(entity, stage, pump.Setup.ToCore(), read(stage), "proof.screw.moves");
        Mapping.Under("proof.screw", () => ControlSetting.Answer(Question(pump, screw)));
    }

    /// <summary>What the setting of the control asks.</summary>
    internal static ControlSettingRequest Question(PumpResource pump, ScrewDto screw) =>
        new(pump.Pump, pump.Setup, screw.Limits, screw.Target, screw.Moves);

    private static void CheckVerdict(ProofSignedDto verdict)
    {
        Name(verdict.By, "proof.verdict.by");
        if (verdict.Outcome is null)
            throw Mapping.Missing("proof.verdict.outcome", string.Join(", ", Enum.GetValues<ProofOutcome>().Select(o => o.Named())));
        var outcome = Mapping.Choice(verdict.Outcome, "proof.verdict.outcome", ProofOutcome.Pass);
        if (verdict.Remark?.Length > MostLetters)
            throw new ImpossibleInputException(
                "proof.verdict.remark", verdict.Remark.Length.ToString(CultureInfo.InvariantCulture), $"at most {MostLetters} characters");
        if (outcome == ProofOutcome.PassWithRemark && string.IsNullOrWhiteSpace(verdict.Remark))
            throw Mapping.Missing("proof.verdict.remark", "what is to be kept in view");
    }

    /// <summary>True for readings at working pressure with water flowing.</summary>
    internal static bool AtWork(ProofStage stage, string step) =>
        stage.Kind == StageKind.Set || (stage.Flow && stage.StepId(Whole) == step);

    private static IEnumerable<ReadingDto> Readings(StepReadDto read)
    {
        yield return new ReadingDto("discharge-pressure", read.Pressure, At: "after");
        if (read.NozzleFlow is { } nozzle)
            yield return new ReadingDto("nozzle-flow", nozzle, At: "after");
        if (read.BypassFlow is { } bypass)
            yield return new ReadingDto("bypass-flow", bypass, At: "after");
        if (read.Swing is { } swing)
            yield return new ReadingDto("swing", swing, At: "after");
    }

    private static ProofStage Stage(IReadOnlyList<ProofStage> known, string id, string field) =>
        known.FirstOrDefault(s => s.Id == id)
        ?? throw new ImpossibleInputException(field, $"“{id}”", string.Join(", ", known.Select(s => s.Id)));

    private static ProofStage StageOfStep(IReadOnlyList<ProofStage> known, string step) =>
        known.FirstOrDefault(s => s.Shares.Any(share => s.StepId(share) == step) || (s.Kind == StageKind.Set && s.StepId(Whole) == step))
        ?? throw new ImpossibleInputException(
            "proof.steps", $"“{step}”", string.Join(", ", known.SelectMany(s => s.Shares.Select(s.StepId))));

    private static ProofStage OfKind(IReadOnlyList<ProofStage> known, StageKind kind, string field, string accepted) =>
        known.FirstOrDefault(s => s.Kind == kind) ?? throw new ImpossibleInputException(field, "this pump", accepted);

    private static void Name(string? by, string field)
    {
        if (string.IsNullOrWhiteSpace(by) || by.Length > LongestName)
            throw new ImpossibleInputException(field, string.IsNullOrWhiteSpace(by) ? "nothing" : $"{by.Length} characters", "your name");
    }
}

/// <summary>What a change of the proof says of the pump.</summary>
internal sealed record ProofEvidence(IReadOnlyList<ReadingDto> Readings, IReadOnlyList<CueDto> Cues);
