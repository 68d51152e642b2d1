namespace MildHunch.Web.Cases.Work;

/// <summary>A change of the work in words, for the list of changes.</summary>
internal static class WorkWords
{
    public static IEnumerable<string> Of(WorkChangeDto? work)
    {
        if (work is null)
            yield break;
        if (work.Plan is { } plan)
            yield return plan.Targets is { Count: > 0 } ? "Work planned" : "Plan put away";
        if (work.Acknowledged is { } read)
            yield return $"Hazards read by {read.By?.Trim()}";
        if (work.RanAgain == true)
            yield return "It ran again";
        foreach (var (key, tick) in work.Steps ?? new Dictionary<string, TickDto>())
            yield return $"{Step(key)} {(tick.Taps is { } taps ? $"bolt {taps}" : "done")}";
        foreach (var (key, found) in work.Found ?? new Dictionary<string, FoundPartDto>())
            yield return $"{Plain(key)}: {Plain(found.Finding ?? found.State ?? "")}";
        foreach (var (part, batch) in work.Batches ?? new Dictionary<string, string>())
            yield return $"{Plain(part)}: batch {batch.Trim()}";
        foreach (var key in work.StepsBack ?? [])
            yield return $"{Step(key)} taken back";
        foreach (var key in work.FoundBack ?? [])
            yield return $"{Plain(key)}: not looked at";
    }

    private static string Plain(string id) => id.Replace('.', ' ').Replace('-', ' ');

    // "cap.off.1@2.discharge" reads as "cap off 2 discharge".
    private static string Step(string key)
    {
        var (step, place) = key.IndexOf('@', StringComparison.Ordinal) is var at and >= 0 ? (key[..at], key[(at + 1)..]) : (key, "");
        return Plain($"{step} {place}").Trim();
    }
}
