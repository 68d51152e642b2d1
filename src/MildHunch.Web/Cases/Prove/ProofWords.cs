namespace MildHunch.Web.Cases.Prove;

/// <summary>A change of the proof in words, for the list of changes and for undo.</summary>
internal static class ProofWords
{
    public static IEnumerable<string> Of(ProofChangeDto? proof)
    {
        if (proof is null)
            yield break;
        if (proof.Anew == true)
            yield return "Proved anew from the start";
        foreach (var (stage, read) in proof.Acknowledged ?? new Dictionary<string, SignedDto>())
            yield return $"Hazards of proof {Plain(stage)} read by {read.By?.Trim()}";
        foreach (var act in proof.Acts?.Keys ?? [])
            yield return $"Proof {Plain(act)} done";
        foreach (var act in proof.ActsBack ?? [])
            yield return $"Proof {Plain(act)} taken back";
        foreach (var step in proof.Started ?? [])
            yield return $"Timer of proof {Plain(step)} % started";
        foreach (var step in proof.Steps?.Keys ?? [])
            yield return $"Proof {Plain(step)} % read";
        foreach (var step in proof.StepsBack ?? [])
            yield return $"Proof {Plain(step)} % taken back";
        foreach (var _ in proof.AllShuts())
            yield return "Outlet shut and read";
        foreach (var (what, left) in proof.LeftOut ?? new Dictionary<string, LeftOutDto>())
            yield return $"Proof {Plain(what)} left out by {left.By?.Trim()}: {left.Reason?.Trim()}";
        foreach (var what in proof.LeftOutBack ?? [])
            yield return $"Proof {Plain(what)} not left out after all";
        if (proof.Screw is { } screw)
            yield return screw.Moves is { Count: > 0 } moves ? $"Screw read {moves.Count} times" : "Screw noted";
        if (proof.Verdict is { } verdict)
            yield return $"Proof: {Plain(verdict.Outcome ?? "")}, {verdict.By?.Trim()}";
    }

    private static string Plain(string id) => id.Replace('.', ' ').Replace('-', ' ');
}
