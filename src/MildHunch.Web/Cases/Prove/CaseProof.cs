using System.Globalization;
using MildHunch.Core;
using MildHunch.Core.Pumps;
using MildHunch.Core.Quantities;
using MildHunch.Core.Service.Proving;
using MildHunch.Store;
using MildHunch.Web.Cases.Work;
using MildHunch.Web.Evidence;
using MildHunch.Web.Proving;
using MildHunch.Web.Pumps;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Cases.Prove;

/// <summary>Checks what is told of the proof: stages that this pump has, hazards read, facings ticked, readings that can be.</summary>
public sealed class CaseProof(CaseWork work, ProofTelling telling)
{
    private const int MostLetters = 1000;
    private const double LongestHold = 86_400;
    private const int MostReasons = 4;
    private const int LongestHeight = 60;

    /// <summary>The verdict on the proof as it stands.</summary>
    internal ProofVerdict Judged(CaseEntity entity)
    {
        var stored = entity.KnownPump().ToResource();
        return ProofJudge.Judge(
            telling.Stages(stored), stored.Pump.ToCore(), stored.Setup.ToCore(), telling.Of(entity, work.Unclosed(entity)));
    }

    /// <summary>True where a pass was signed and what it rests on still allows it.</summary>
    internal bool Stands(CaseEntity entity) => entity.Proof().Verdict is { } signed
        && Mapping.Choice(signed.Outcome, "proof.verdict.outcome", ProofOutcome.Back) is var outcome and not ProofOutcome.Back
        && Judged(entity).Outcome <= outcome;

    /// <summary>The change with what goes along with it: a screw that is moved is no longer read where it was set.</summary>
    internal ProofChangeDto Whole(CaseEntity entity, ProofChangeDto proof)
    {
        if (proof.Screw is not { } screw || proof.Anew == true)
            return proof;
        var before = entity.Proof();
        if (Stored.Write(screw.Target) == Stored.Write(before.Screw?.Target)
            && Stored.Write(screw.Moves ?? []) == Stored.Write(before.Screw?.Moves ?? []))
            return proof;
        var read = telling.Stages(entity.KnownPump().ToResource()).Where(s => s.Kind == StageKind.Set).Select(s => s.SetStep)
            .Where(s => before.Steps.ContainsKey(s) && proof.Steps?.ContainsKey(s) != true).ToArray();
        return read.Length == 0 ? proof : proof with { StepsBack = [.. proof.StepsBack ?? [], .. read] };
    }

    /// <summary>Refuses what cannot be, naming the field; nothing is stored.</summary>
    public void Check(CaseEntity entity, ProofChangeDto proof)
    {
        if (proof == new ProofChangeDto())
            throw Mapping.Missing("proof", "at least one thing that was read, ticked or noted");
        var stored = entity.KnownPump().ToResource();
        var (pump, setup) = (stored.Pump.ToCore(), stored.Setup.ToCore());
        var known = telling.Stages(stored);
        var read = (proof.Acknowledged?.Keys ?? []).Concat(proof.Anew == true ? [] : entity.Proof().Acknowledged.Keys).ToHashSet();
        var may = new StageGate(pump, setup, read, new Lazy<IReadOnlyList<string>>(() => work.Unclosed(entity)));
        foreach (var (id, signed) in proof.Acknowledged ?? new Dictionary<string, SignedDto>())
        {
            Stage(known, id, $"proof.acknowledged.{id}");
            NamedFacts.Signed(signed?.By, $"proof.acknowledged.{id}.by");
        }

        foreach (var (key, done) in proof.Acts ?? new Dictionary<string, SignedDto>())
        {
            NamedFacts.Signed(done?.By, $"proof.acts.{key}.by");
            may.Pass(StageOfAct(known, key, "proof.acts"), $"proof.acts.{key}");
        }

        foreach (var key in proof.ActsBack ?? [])
            StageOfAct(known, key, "proof.actsBack");
        foreach (var key in proof.StepsBack ?? [])
            StageOfStep(known, key, "proof.stepsBack");
        foreach (var key in proof.Started ?? [])
            may.Pass(StageOfStep(known, key, "proof.started"), "proof.started");
        foreach (var (key, step) in proof.Steps ?? new Dictionary<string, StepReadDto>())
        {
            may.Pass(StageOfStep(known, key, "proof.steps"), $"proof.steps.{key}");
            CheckStep(pump, setup, step, $"proof.steps.{key}");
        }

        foreach (var (stage, shut) in proof.AllShuts())
            CheckShut(known, pump, setup, stage, shut, may);
        foreach (var (what, left) in proof.LeftOut ?? new Dictionary<string, LeftOutDto>())
            CheckLeftOut(known, what, left);
        foreach (var what in proof.LeftOutBack ?? [])
            StageOrStep(known, what, "proof.leftOutBack");
        if (proof.Screw is { } screw)
            CheckScrew(known, stored, screw, may);
        if (proof.Verdict is { } verdict)
        {
            // It is judged on what stands: nothing else may come along with it and change that.
            if (proof with { Verdict = null } != new ProofChangeDto())
                throw NotAlone();
            CheckVerdict(entity, verdict);
        }
    }

    /// <summary>What is said where a verdict comes together with something else.</summary>
    internal static ImpossibleInputException NotAlone() => new(
        "proof.verdict", "a verdict together with something else", "a verdict by itself, once all that it rests on is noted");

    /// <summary>What was read at working pressure and with the outlet shut, as evidence after the mend.</summary>
    internal ProofEvidence EvidenceOf(CaseEntity entity, ProofChangeDto proof)
    {
        var stored = entity.KnownPump().ToResource();
        var (pump, setup) = (stored.Pump.ToCore(), stored.Setup.ToCore());
        var known = telling.Stages(stored);

        // At working pressure, and at the end of setting.
        bool Works(string step) => HasStep(known, step) is { } stage
            && (stage.Kind == StageKind.Set || (stage.Flow && stage.StepId(1) == step));

        // Where a reading is taken back, what was read before it at working pressure speaks again.
        var left = proof.Anew == true || proof.StepsBack?.Any(Works) != true ? null : entity.Proof().Steps
            .Where(s => Works(s.Key) && !proof.StepsBack.Contains(s.Key)).Select(s => s.Value).MaxBy(s => s.At);
        ReadingDto[] readings =
        [
            .. left is null ? [] : Readings(left.Pressure, left.NozzleFlow, left.BypassFlow, left.Swing),
            .. (proof.Steps ?? new Dictionary<string, StepReadDto>()).Where(s => Works(s.Key))
                .SelectMany(s => Readings(s.Value.Pressure, s.Value.NozzleFlow, s.Value.BypassFlow, s.Value.Swing)),
        ];
        List<CueDto> cues = [];
        foreach (var (stage, shut) in proof.AllShuts())
        {
            // Shut twice, what was read last speaks.
            cues.Clear();
            var read = ProofTelling.Shut(
                shut, $"proof.shuts.{stage}", known.First(s => s.Id == stage), ProofTelling.Setting(stored, entity.Proof())?.Advice);
            if (read.Answer(pump, setup) is { } answer)
                cues.Add(new CueDto("closed-outlet", answer, At: TakenAt.After));
            if (shut.Restart is { } restart)
                cues.Add(new CueDto("restart", restart, At: TakenAt.After));
        }

        return new ProofEvidence(readings, cues, [.. TakenBack(entity, proof, Works)]);
    }

    // Proved anew, nothing that was read or seen after the last mend speaks any more; with a step, what it brought goes.
    private static IEnumerable<EntryEntity> TakenBack(CaseEntity entity, ProofChangeDto proof, Func<string, bool> works)
    {
        var round = entity.Round();
        var (readings, cues) = (
            entity.InForce(entity.Readings).Where(r => r.Mends == round), entity.InForce(entity.Cues).Where(c => c.Mends == round));
        if (proof.Anew == true)
            return [.. readings, .. cues];
        var steps = entity.Proof().Steps;
        var gone = (proof.StepsBack ?? []).Where(s => works(s) && steps.ContainsKey(s)).Select(s => steps[s])
            .SelectMany(s => Readings(s.Pressure, s.NozzleFlow, s.BypassFlow, s.Swing)).Select(r => r.Quantity).ToHashSet();
        return readings.Where(r => gone.Contains(r.Quantity));
    }

    private static void CheckStep(ReciprocatingPump pump, Setup setup, StepReadDto? read, string field)
    {
        if (read is null)
            throw Mapping.Missing(field, "the pressure that was read, and by whom");
        NamedFacts.Signed(read.By, $"{field}.by");
        var pressure = read.Pressure.Need<GaugePressure>($"{field}.pressure");
        ImpossibleInputException.Under(field, () => StageExpectation.At(pump, setup, pressure));
        Flow(read.NozzleFlow, $"{field}.nozzleFlow");
        Flow(read.BypassFlow, $"{field}.bypassFlow");
        if (read.Swing.Maybe<GaugePressure>($"{field}.swing") is { Si: < 0 } swing)
            throw new ImpossibleInputException($"{field}.swing", swing.Format(Units.Bar), "0 or more");
        if (read.HeldSeconds is { } held && held is not (>= 0 and <= LongestHold))
            throw new ImpossibleInputException(
                $"{field}.heldSeconds", held.ToString(CultureInfo.InvariantCulture), "0 to 86400 seconds");
        if (read.NoFlow?.Length > MostLetters)
            throw new ImpossibleInputException($"{field}.noFlow", $"{read.NoFlow.Length} characters", $"at most {MostLetters} characters");
    }

    private static void CheckLeftOut(IReadOnlyList<ProofStage> known, string what, LeftOutDto? left)
    {
        StageOrStep(known, what, "proof.leftOut");
        NamedFacts.Signed(left?.By, $"proof.leftOut.{what}.by");
        if (string.IsNullOrWhiteSpace(left!.Reason))
            throw Mapping.Missing($"proof.leftOut.{what}.reason", "why it is left out");
        if (left.Reason.Length > MostLetters)
            throw new ImpossibleInputException(
                $"proof.leftOut.{what}.reason", $"{left.Reason.Length} characters", $"at most {MostLetters} characters");
    }

    private static void StageOrStep(IReadOnlyList<ProofStage> known, string what, string field)
    {
        if (known.All(s => s.Id != what) && HasStep(known, what) is null)
            throw new ImpossibleInputException(
                field, $"“{what}”",
                string.Join(", ", known.Select(s => s.Id).Concat(known.SelectMany(s => s.Shares.Select(s.StepId)))));
    }

    private static void Flow(QuantityDto? flow, string field)
    {
        if (flow.Maybe<VolumeFlow>(field) is { Si: < 0 } negative)
            throw new ImpossibleInputException(field, negative.Format(Units.Preferred(QuantityKind.VolumeFlow)), "0 or more");
    }

    private static void CheckShut(
        IReadOnlyList<ProofStage> known, ReciprocatingPump pump, Setup setup, string id, ShutReadDto? shut, StageGate may)
    {
        var field = id == "shut" ? "proof.shut" : $"proof.shuts.{id}";
        if (known.All(s => s.Kind != StageKind.Shut))
            throw new ImpossibleInputException(field, "this pump", "the outlet shut only where a control or a stop switch lets it");
        var stage = known.FirstOrDefault(s => s.Id == id && s.Kind == StageKind.Shut) ?? throw new ImpossibleInputException(
            "proof.shuts", $"“{id}”", string.Join(", ", known.Where(s => s.Kind == StageKind.Shut).Select(s => s.Id)));
        NamedFacts.Signed(shut?.By, $"{field}.by");
        may.Pass(stage, field);
        if (shut!.Restart is not (null or "easy" or "hard"))
            throw new ImpossibleInputException($"{field}.restart", $"“{shut.Restart}”", "easy or hard");
        if (shut.From is null != shut.To is null || shut.From is null != shut.Seconds is null)
            throw Mapping.Missing(
                shut.From is null ? $"{field}.from" : shut.To is null ? $"{field}.to" : $"{field}.seconds",
                "where it stood, where it stands, and the seconds between: all three or none");
        var told = ProofTelling.Shut(shut, field);
        if (shut.Spike is null && shut.From is null && shut.Restart is null)
            throw Mapping.Missing(field, "the spike, the fall, or how it started again");
        ImpossibleInputException.Under(field, () => (told with { Gauge = ShutGauge.Hose }).Fall(pump, setup));
    }

    private static void CheckScrew(IReadOnlyList<ProofStage> known, PumpResource pump, ScrewDto screw, StageGate may)
    {
        var stage = OfKind(known, StageKind.Set, "proof.screw", "a screw only on an unloader or a regulator");
        if (screw.Height?.Length > LongestHeight)
            throw new ImpossibleInputException(
                "proof.screw.height", $"{screw.Height.Length} characters", $"at most {LongestHeight} characters");
        ImpossibleInputException.Under("proof.screw", () => ControlSetting.Limits(screw.Limits));
        if (screw.Moves is not { Count: > 0 } && screw.Target is null)
            return;
        if (screw.Moves is { Count: > 0 })
            may.Pass(stage, "proof.screw.moves");
        ImpossibleInputException.Under("proof.screw", () => ControlSetting.Solve(Question(pump, screw)));
    }

    /// <summary>What the setting of the control asks.</summary>
    internal static ControlSettingRequest Question(PumpResource pump, ScrewDto screw) =>
        new(pump.Pump, pump.Setup, screw.Limits, screw.Target, screw.Moves);

    private void CheckVerdict(CaseEntity entity, ProofSignedDto verdict)
    {
        NamedFacts.Signed(verdict.By, "proof.verdict.by");
        if (verdict.Outcome is null)
            throw Mapping.Missing("proof.verdict.outcome", string.Join(", ", Enum.GetValues<ProofOutcome>().Select(o => o.Named())));
        var outcome = Mapping.Choice(verdict.Outcome, "proof.verdict.outcome", ProofOutcome.Pass);
        if (verdict.Remark?.Length > MostLetters)
            throw new ImpossibleInputException(
                "proof.verdict.remark", verdict.Remark.Length.ToString(CultureInfo.InvariantCulture), $"at most {MostLetters} characters");
        if (outcome == ProofOutcome.PassWithRemark && string.IsNullOrWhiteSpace(verdict.Remark))
            throw Mapping.Missing("proof.verdict.remark", "what is to be kept in view");
        if (outcome == ProofOutcome.NotYet)
            throw new ImpossibleInputException("proof.verdict.outcome", "“not-yet”", "pass, pass-with-remark or back");
        if (outcome == ProofOutcome.Back)
            return;
        var judged = Judged(entity);
        if (judged.Outcome > outcome)
            throw new RefusalException(
                StatusCodes.Status409Conflict, "Not proved", "proof.verdict.outcome",
                $"{(outcome == ProofOutcome.Pass ? "It does not pass" : "It does not pass with a remark")}: "
                    + string.Join(" ", judged.Reasons.Take(MostReasons)));
    }

    private static IEnumerable<ReadingDto> Readings(QuantityDto? pressure, QuantityDto? nozzle, QuantityDto? bypass, QuantityDto? swing) =>
        new[] { ("discharge-pressure", pressure), ("nozzle-flow", nozzle), ("bypass-flow", bypass), ("swing", swing) }
            .Where(r => r.Item2 is not null).Select(r => new ReadingDto(r.Item1, r.Item2, At: TakenAt.After));

    private static ProofStage Stage(IReadOnlyList<ProofStage> known, string id, string field) =>
        known.FirstOrDefault(s => s.Id == id)
        ?? throw new ImpossibleInputException(field, $"“{id}”", string.Join(", ", known.Select(s => s.Id)));

    private static ProofStage StageOfAct(IReadOnlyList<ProofStage> known, string act, string field) =>
        known.FirstOrDefault(s => s.Acts.Any(a => $"{s.Id}.{a.Id}" == act))
        ?? throw new ImpossibleInputException(field, $"“{act}”", "what is done at a stage of this pump");

    private static ProofStage StageOfStep(IReadOnlyList<ProofStage> known, string step, string field) => HasStep(known, step)
        ?? throw new ImpossibleInputException(field, $"“{step}”", string.Join(", ", known.SelectMany(s => s.Shares.Select(s.StepId))));

    // None where the set-up changed since the step was read.
    private static ProofStage? HasStep(IReadOnlyList<ProofStage> known, string step) =>
        known.FirstOrDefault(s => s.Shares.Any(share => s.StepId(share) == step) || (s.Kind == StageKind.Set && s.SetStep == step));

    private static ProofStage OfKind(IReadOnlyList<ProofStage> known, StageKind kind, string field, string accepted) =>
        known.FirstOrDefault(s => s.Kind == kind) ?? throw new ImpossibleInputException(field, "this pump", accepted);
}

/// <summary>What a change of the proof says of the pump, and what stood that no longer speaks.</summary>
internal sealed record ProofEvidence(
    IReadOnlyList<ReadingDto> Readings, IReadOnlyList<CueDto> Cues, IReadOnlyList<EntryEntity> TakenBack);
