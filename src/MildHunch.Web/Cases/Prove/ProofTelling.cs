using MildHunch.Core;
using MildHunch.Core.Evidence;
using MildHunch.Core.Expectation;
using MildHunch.Core.Faults;
using MildHunch.Core.Quantities;
using MildHunch.Core.Service.Proving;
using MildHunch.Store;
using MildHunch.Web.Diagnosis;
using MildHunch.Web.Proving;
using MildHunch.Web.Pumps;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Cases.Prove;

/// <summary>What a case tells of its proof, as Core judges it.</summary>
public sealed class ProofTelling(ProofStages stages, Catalogue catalogue)
{
    // More than a packing may let out while it beds in (common practice, no source).
    private const double RunInDrops = 20;

    /// <summary>Stages of the pump of a case.</summary>
    internal IReadOnlyList<ProofStage> Stages(PumpResource stored) =>
        stages.For(stored.Pump.ToCore(), stored.Setup.ToCore(), [.. stored.Sheet.Choices ?? []]);

    /// <summary>All of it.</summary>
    internal ProofTold Of(CaseEntity entity, IReadOnlyList<string> unclosed)
    {
        var stored = entity.KnownPump().ToResource();
        var proof = entity.Proof();
        var screw = proof.Screw;
        var setting = screw?.Moves is { Count: > 0 } ? Setting(stored, proof)?.Advice : null;
        var known = Stages(stored);
        return new ProofTold
        {
            Acts = proof.Acts.Keys.ToHashSet(),
            LeftOut = proof.LeftOut.ToDictionary(l => l.Key, l => l.Value.Reason),
            Steps = proof.Steps.ToDictionary(s => s.Key, s => Step(s.Key, s.Value, proof)),
            Shuts = proof.Shuts.ToDictionary(
                s => s.Key, s => Shut(Unsigned(s.Value), "proof.shut", known.FirstOrDefault(k => k.Id == s.Key), setting)),
            ShutBefore = ShutBefore(known, proof),
            Setting = setting,
            Target = screw?.Target.Maybe<GaugePressure>("proof.screw.target"),
            Limits = ControlSetting.Limits(screw?.Limits),
            Unclosed = unclosed,
            StopSigns = [.. StopsAfter(entity)],
            Leaks = [.. Leaks(entity, stored)],
        };
    }

    /// <summary>The control as it is being set; null where nothing was asked, or what was asked is no longer of this pump.</summary>
    internal static SolvedSetting? Setting(PumpResource stored, ProofDto proof)
    {
        if (proof.Screw is not { Target: not null } screw)
            return null;
        try
        {
            return ControlSetting.Solve(CaseProof.Question(stored, screw));
        }
        catch (ImpossibleInputException)
        {
            return null;
        }
    }

    // What proves the setting is read after it was set.
    private static HashSet<string> ShutBefore(IReadOnlyList<ProofStage> known, ProofDto proof)
    {
        var set = known.Where(s => s.Kind == StageKind.Set).Select(s => proof.Steps.GetValueOrDefault(s.SetStep)?.At).FirstOrDefault();
        return
        [
            .. known.Where(s => s.AfterSet && proof.Shuts.TryGetValue(s.Id, out var shut) && (set is null || shut.At < set))
                .Select(s => s.Id),
        ];
    }

    /// <summary>What was read with the outlet shut, as Core knows it.</summary>
    internal static ShutOutlet Shut(ShutReadDto shut, string field, ProofStage? stage = null, SettingAdvice? setting = null) => new()
    {
        Set = stage is { AfterSet: true } && setting?.Curve.HeldPa is { } held ? new GaugePressure(held) : null,
        Gauge = shut.Gauge is null ? null : Mapping.Choice(shut.Gauge, $"{field}.gauge", ShutGauge.Hose),
        Spike = shut.Spike.Maybe<GaugePressure>($"{field}.spike"),
        From = shut.From.Maybe<GaugePressure>($"{field}.from"),
        To = shut.To.Maybe<GaugePressure>($"{field}.to"),
        Over = shut.Seconds is { } seconds ? new Duration(seconds) : null,
        Falls = [.. (shut.Falls ?? []).Select((f, k) => new FallPoint(
            new Duration(f?.Seconds ?? throw Mapping.Missing($"{field}.falls[{k}].seconds", "seconds since it was shut")),
            f.Pressure.Need<GaugePressure>($"{field}.falls[{k}].pressure")))],
        StartsHard = shut.Restart is null ? null : shut.Restart == "hard",
    };

    private static ShutReadDto Unsigned(ShutReadAtDto s) =>
        new(s.By, s.Running, s.Spike, s.From, s.To, s.Seconds, s.Restart, s.Gauge, s.Falls);

    // Held by the server's clock from the start of its timer, or by the watch of whoever read it.
    private static StepTold Step(string id, StepReadAtDto read, ProofDto proof)
    {
        double? timed = proof.Started.TryGetValue(id, out var started) ? Math.Max(0, (read.At - started).TotalSeconds) : null;
        return new StepTold(
            read.Pressure.Need<GaugePressure>("pressure"), Longer(timed, read.HeldSeconds),
            [
                .. new[] { Observables.NozzleFlow, Observables.BypassFlow, Observables.Swing }
                    .Select(w => Reading(read, w)).OfType<Reading>(),
            ],
            read.NoFlow);
    }

    private static double? Longer(double? one, double? other) =>
        one is null ? other : other is null ? one : Math.Max(one.Value, other.Value);

    /// <summary>What was read of this at a step; null where it was not.</summary>
    internal static Reading? Reading(StepReadAtDto? read, Observable what)
    {
        var value = what.Id switch { "nozzle-flow" => read?.NozzleFlow, "bypass-flow" => read?.BypassFlow, _ => read?.Swing };
        return value is null ? null : new Reading(what, Mapping.Amount(value, what.Kind, what.Id));
    }

    private IEnumerable<CueEntity> SeenAfter(CaseEntity entity)
    {
        var round = entity.Round();
        return entity.InForce(entity.Cues).Where(c => c.Mends == round && catalogue.Knows(c));
    }

    private IEnumerable<string> StopsAfter(CaseEntity entity) =>
        StopSigns.In(catalogue, [.. SeenAfter(entity).Select(c => c.ToFact())]).Select(s => s.Sign.Text);

    // A packing that beds in may drip at its weep; anything else that drips is told, and what runs is not mended.
    private IEnumerable<ProofRemark> Leaks(CaseEntity entity, PumpResource stored)
    {
        var beddingIn = Stages(stored).Any(s => s.MayDrip is not null);
        return SeenAfter(entity).Where(c => c.Cue == "leak-at" && catalogue.Cue(c.Cue)!.Answer(c.Answer) is { Healthy: false })
            .Select(c => new ProofRemark(
                c.Stream || c.DropsPerMinute > RunInDrops ? Standing.Off
                    : beddingIn && c is { Answer: "weep", DropsPerMinute: not null } ? Standing.AsExpected
                    : Standing.Doubtful,
                $"{Sentences.Say(catalogue, c.ToFact())}."));
    }
}
