using System.Globalization;
using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;

namespace MildHunch.Core.Diagnosis;

/// <summary>Answers and places in trade words.</summary>
public static class Sentences
{
    /// <summary>What an answer says, on its own: "Warm cap: discharge 2 is warmer".</summary>
    public static string Say(Catalogue catalogue, CueFact fact) => $"{catalogue.Cue(fact.Cue)!.Name}: {Answer(catalogue, fact)}";

    /// <summary>The same on a small tag: "needle swings", "discharge 2 is warmer".</summary>
    public static string Tag(Catalogue catalogue, CueFact fact) => $"{catalogue.Cue(fact.Cue)!.Short} {Answer(catalogue, fact)}".Trim();

    private static string Answer(Catalogue catalogue, CueFact fact)
    {
        var answer = catalogue.Cue(fact.Cue)!.Answers.First(a => a.Id == fact.Answer);
        var drops = fact.DropsPerMinute is { } d and > 0 ? $", {d.ToString("0.#", CultureInfo.InvariantCulture)}/min" : "";
        return $"{Place(fact.Cylinder, fact.Side)}{(fact.DropsPerMinute is 0 ? "dry" : answer.Text)}{drops}";
    }

    /// <summary>A place in words, with a space behind; empty where there is none.</summary>
    public static string Place(int? cylinder, Side? side) =>
        cylinder is null ? "" : $"{(side is null ? "cylinder" : side.Value.ToString().ToLowerInvariant())} {cylinder} ";
}
