using MildHunch.Core.Faults;

namespace MildHunch.Core.Evidence;

/// <summary>A sign that ends all work on the running pump, and what was seen that is one.</summary>
/// <param name="Sources">The pieces of evidence, by what they are called.</param>
public sealed record StopNow(StopSign Sign, IReadOnlyList<string> Sources);

/// <summary>Looks for what must stop the pump at once: a crack, a knock, water in the crankcase, a jet.</summary>
public static class StopSigns
{
    /// <summary>Every sign of which all that it needs was seen, but where another says more.</summary>
    public static IReadOnlyList<StopNow> In(Catalogue catalogue, IReadOnlyList<CueFact> cues)
    {
        StopNow[] seen =
        [
            .. catalogue.StopSigns.Select(sign => (
                Sign: sign, Seen: sign.When.Select(any => cues.Where(c => any.Any(one => Is(catalogue, c, one))).ToArray()).ToArray()))
                .Where(s => s.Seen.All(facts => facts.Length > 0))
                .Select(s => new StopNow(s.Sign, [.. s.Seen.SelectMany(f => f).Select(f => f.Source ?? f.Cue).Distinct()])),
        ];
        return [.. seen.Where(s => s.Sign.Unless is not { } more || seen.All(o => o.Sign.Id != more))];
    }

    private static bool Is(Catalogue catalogue, CueFact fact, Seen seen) =>
        fact.Cue == seen.Cue && catalogue.Cue(fact.Cue)?.Answer(fact.Answer)?.Id == seen.Answer && fact.DropsPerMinute is not 0
            && (fact.Stream || !seen.Stream);
}
