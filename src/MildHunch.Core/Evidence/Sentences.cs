using System.Globalization;
using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;

namespace MildHunch.Core.Evidence;

/// <summary>Answers and places in trade words.</summary>
public static class Sentences
{
    /// <summary>What an answer says, on its own: "Warm cap: discharge 2 is warmer".</summary>
    public static string Say(Catalogue catalogue, CueFact fact) => $"{catalogue.Cue(fact.Cue)!.Name}: {Answer(catalogue, fact)}";

    /// <summary>The same on a small tag: "needle swings", "weep 2, 30/min".</summary>
    public static string Tag(Catalogue catalogue, CueFact fact)
    {
        var cue = catalogue.Cue(fact.Cue)!;
        var said = cue.Answer(fact.Answer)!.Tag is { } tag
            ? Placed(tag, fact) + (fact.DropsPerMinute is 0 ? " dry" : Drops(fact))
            : Answer(catalogue, fact);
        return $"{cue.Short} {said}".Trim();
    }

    private static string Placed(string tag, CueFact fact) =>
        tag.Replace("{k}", fact.Cylinder?.ToString(CultureInfo.InvariantCulture) ?? "", StringComparison.Ordinal).Trim();

    private static string Drops(CueFact fact)
    {
        var rate = fact.Stream
            ? ", a stream"
            : fact.DropsPerMinute is { } d and > 0
            ? $", {d.ToString("0.#", CultureInfo.InvariantCulture)}/min"
            : "";
        return rate + fact.When switch { Dripping.Standing => ", also standing", Dripping.Running => ", only running", _ => "" };
    }

    private static string Answer(Catalogue catalogue, CueFact fact)
    {
        var answer = catalogue.Cue(fact.Cue)!.Answer(fact.Answer)!;
        return Place(fact.Cylinder, fact.Side, answer.At == AnswerPlace.End)
            + (fact.DropsPerMinute is 0 ? "dry" : answer.Text) + Drops(fact);
    }

    /// <summary>A place in words, with a space behind; empty where there is none.</summary>
    public static string Place(int? cylinder, Side? side, bool end = false) => cylinder switch
    {
        null => "",
        _ when end => cylinder == 1 ? "left end " : "right end ",
        _ => $"{(side is null ? "cylinder" : side.Value.ToString().ToLowerInvariant())} {cylinder} ",
    };
}
