using MildHunch.Store;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Cases.Prove;

/// <summary>The proof of a case among its facts: each tick, timer and reading is one of its own.</summary>
internal static class ProofFacts
{
    public const string Prefix = "proof/";
    private const string Hazards = Prefix + "hazards/";
    private const string Act = Prefix + "act/";
    private const string Timer = Prefix + "timer/";
    private const string Step = Prefix + "step/";
    private const string Shut = Prefix + "shut";
    private const string Screw = Prefix + "screw";
    private const string Verdict = Prefix + "verdict";
    private const string Shuts = Prefix + "shut/";
    private const string Left = Prefix + "left-out/";
    private const string FirstShut = "shut";

    /// <summary>The proof as it stands.</summary>
    public static ProofDto Proof(this CaseEntity entity)
    {
        var facts = new NamedFacts(entity, Prefix);
        var shuts = facts.All<ShutReadAtDto>(Shuts).ToDictionary();
        if (facts.One<ShutReadAtDto>(Shut) is { } first)
            shuts[FirstShut] = first;
        return new ProofDto(
            facts.All<SignedAtDto>(Hazards), facts.All<SignedAtDto>(Act), facts.All<DateTime>(Timer), facts.All<StepReadAtDto>(Step),
            facts.One<ShutReadAtDto>(Shut), facts.One<ScrewDto>(Screw), facts.One<ProofSignedAtDto>(Verdict),
            shuts, facts.All<LeftOutAtDto>(Left));
    }

    /// <summary>Names of the facts that a change sets or takes back.</summary>
    public static IEnumerable<string> Named(ProofChangeDto proof) =>
    [
        .. (proof.Acknowledged?.Keys ?? []).Select(k => Hazards + k),
        .. (proof.Acts?.Keys ?? []).Concat(proof.ActsBack ?? []).Select(k => Act + k),
        .. (proof.Started ?? []).Concat(proof.StepsBack ?? []).Select(k => Timer + k),
        .. (proof.Steps?.Keys ?? []).Concat(proof.StepsBack ?? []).Select(k => Step + k),
        .. proof.AllShuts().Select(s => s.Key == FirstShut ? Shut : Shuts + s.Key),
        .. (proof.LeftOut?.Keys ?? []).Concat(proof.LeftOutBack ?? []).Select(k => Left + k),
        .. proof.Screw is null ? Array.Empty<string>() : [Screw],
        .. proof.Verdict is null ? Array.Empty<string>() : [Verdict],
    ];

    /// <summary>Lays a change, already checked, on the case.</summary>
    public static void Tell(this CaseEntity entity, ChangeEntity change, ProofChangeDto proof)
    {
        var round = entity.Round();
        void Tell(string name, string value) => entity.TellIn(round, change, name, value);
        if (proof.Anew == true)
            foreach (var fact in entity.InForce(
                entity.Facts.Where(f => f.Round == round && f.Name.StartsWith(Prefix, StringComparison.Ordinal))))
                fact.RemovedBy = change.Number;
        foreach (var (stage, read) in proof.Acknowledged ?? new Dictionary<string, SignedDto>())
            Tell(Hazards + stage, Signed(read, change));
        foreach (var (act, done) in proof.Acts ?? new Dictionary<string, SignedDto>())
            Tell(Act + act, Signed(done, change));
        foreach (var step in proof.Started ?? [])
            Tell(Timer + step, Stored.Write(change.At));
        foreach (var (step, read) in proof.Steps ?? new Dictionary<string, StepReadDto>())
            Tell(Step + step, Stored.Write(new StepReadAtDto(
                read.By!.Trim(), change.At, read.Pressure!, read.NozzleFlow, read.BypassFlow, read.Swing, read.HeldSeconds,
                string.IsNullOrWhiteSpace(read.NoFlow) ? null : read.NoFlow.Trim())));

        // A pressure that is read again is held again.
        foreach (var act in proof.ActsBack ?? [])
            Tell(Act + act, "");
        foreach (var step in proof.StepsBack ?? [])
        {
            Tell(Step + step, "");
            Tell(Timer + step, "");
        }

        foreach (var (stage, shut) in proof.AllShuts())
            Tell(stage == FirstShut ? Shut : Shuts + stage, Stored.Write(new ShutReadAtDto(
                shut.By!.Trim(), change.At, shut.Running, shut.Spike, shut.From, shut.To, shut.Seconds, shut.Restart, shut.Gauge,
                shut.Falls)));
        foreach (var (what, left) in proof.LeftOut ?? new Dictionary<string, LeftOutDto>())
            Tell(Left + what, Stored.Write(new LeftOutAtDto(left.Reason!.Trim(), left.By!.Trim(), change.At)));
        foreach (var back in proof.LeftOutBack ?? [])
            Tell(Left + back, "");
        if (proof.Screw is { } screw)
            Tell(Screw, Stored.Write(screw));
        if (proof.Verdict is { } said)
            Tell(Verdict, Stored.Write(
                new ProofSignedAtDto(said.Outcome!, said.Remark?.Trim(), said.By!.Trim(), change.At)));
    }

    /// <summary>What was signed no longer holds.</summary>
    public static void Withdraw(this CaseEntity entity, ChangeEntity change) => entity.TellIn(entity.Round(), change, Verdict, "");

    /// <summary>What was read with the outlet shut, by stage.</summary>
    public static IEnumerable<KeyValuePair<string, ShutReadDto>> AllShuts(this ProofChangeDto proof)
    {
        foreach (var one in proof.Shuts ?? new Dictionary<string, ShutReadDto>())
            yield return one;
        if (proof.Shut is { } first)
            yield return KeyValuePair.Create(FirstShut, first);
    }

    private static string Signed(SignedDto signed, ChangeEntity change) => Stored.Write(new SignedAtDto(signed.By!.Trim(), change.At));
}
