using MildHunch.Core.Service;
using MildHunch.Core.Service.Sheets;

namespace MildHunch.Web.Cases.Work;

/// <summary>A part that went in new, as ticked.</summary>
internal sealed record LaidPart(PartCount Part, int Count, IReadOnlyList<ServicePlace> Places)
{
    /// <summary>How many of what, and where.</summary>
    public string Says => $"{Count} x {Part.Name.ToLowerInvariant()}" + (Where.Length > 0 ? $" ({Where})" : "");

    /// <summary>The places, in words; empty where it is the whole pump’s.</summary>
    public string Where => string.Join(", ", Places.Where(x => x != ServicePlace.Whole).Select(x => x.Said()));
}

/// <summary>What was done by what was ticked, not by what was planned.</summary>
internal static class LaidParts
{
    // Longer than two days was not one go.
    private const double MostMinutes = 2880;

    /// <summary>What was ticked as laid ready and counted.</summary>
    public static IReadOnlyList<LaidPart> Of(ServicePlan plan, WorkDto done) =>
    [
        .. from part in plan.Parts
           let places = plan.Laying(part).Ticks.Where(t => done.Ticked(t.Key)).Select(t => t.Place).ToArray()
           where places.Length > 0
           select new LaidPart(part, part.Count / part.Places.Count * places.Length, places),
    ];

    /// <summary>What was mended otherwise: cleaned, lapped, set.</summary>
    public static IEnumerable<ServiceStep> Mended(this ServicePlan plan, WorkDto done) =>
        plan.Steps.Where(s => s.Stage == ServiceStage.Mend && !s.Lays && s.Ticks.Any(t => done.Ticked(t.Key)));

    /// <summary>True once a step is done at its place; bolts begun are not.</summary>
    public static bool Ticked(this WorkDto done, string key) => done.Steps.TryGetValue(key, out var tick) && tick.Taps is null;

    /// <summary>From the first tick to the last; null where it was not gone through step by step, or not in one go.</summary>
    public static double? MinutesTaken(this WorkDto done)
    {
        DateTime[] ticks = [.. done.Steps.Values.Select(s => s.At).Order()];
        var taken = ticks.Length > 1 ? (ticks[^1] - ticks[0]).TotalMinutes : 0;
        return taken is >= 1 and <= MostMinutes ? taken : null;
    }

    /// <summary>A place in words.</summary>
    public static string Said(this ServicePlace place) => place.Key.Replace('.', ' ');

    /// <summary>A part and its place in words.</summary>
    public static string Said(this PartAt at) => at.Place.Said(at.Part.Name);

    /// <summary>Something by name at a place in words.</summary>
    public static string Said(this ServicePlace place, string name) => place == ServicePlace.Whole ? name : $"{name} {place.Said()}";
}
