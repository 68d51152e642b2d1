using System.Globalization;

namespace MildHunch.Core.Records.Patterns;

/// <summary>Events at a place, with the share expected there; the other places share what is left where it is not said.</summary>
/// <param name="Of">Out of how many, where places are compared as groups; null where events fall among the places.</param>
public sealed record CountedPlace(string Place, int Events, double? ExpectedShare = null, int? Of = null);

/// <summary>What one table of counts says, looked at once.</summary>
/// <param name="Chance">Exact chance of counts as unlikely as these.</param>
/// <param name="Adjusted">The same where so many such tables are read together, at most 1.</param>
/// <param name="Evidence">What it is worth where it is looked at again and again; null for two groups.</param>
public sealed record SingleAnswer(double Chance, double Adjusted, double? Evidence, bool Told, string Sentence);

/// <summary>One table of counts by itself: exact multinomial test, or Fisher’s where two groups are compared.</summary>
public static class SingleTest
{
    private const double Level = 0.05;
    private const int MostEvents = 10_000;
    private const int MostPlaces = 200;

    /// <summary>Answers.</summary>
    /// <param name="tests">How many such tables are read together, 1 or more.</param>
    /// <exception cref="ImpossibleInputException">Counts below 0, shares that do not fit, one place only.</exception>
    public static SingleAnswer Of(IReadOnlyList<CountedPlace> counts, int tests = 1)
    {
        Guard.Within("tests", tests, 1, MostEvents, $"{tests}", "1 or more");
        Guard.Within(
            "counts", counts.Count, 2, MostPlaces, counts.Count == 1 ? "one place" : $"{counts.Count} places", $"2 to {MostPlaces} places");
        for (var i = 0; i < counts.Count; i++)
            Check(counts[i], $"counts[{i}]");
        return counts.Any(c => c.Of is not null) ? Groups(counts, tests) : Places(counts, tests);
    }

    private static void Check(CountedPlace place, string field)
    {
        if (string.IsNullOrWhiteSpace(place.Place))
            throw new ImpossibleInputException($"{field}.place", "nothing", "the name of the place");
        Guard.Within($"{field}.events", place.Events, 0, MostEvents, $"{place.Events}", $"0 to {MostEvents}");
        if (place.ExpectedShare is { } share)
            Guard.Within($"{field}.expectedShare", share, double.Epsilon, 1, $"{share}", "above 0, at most 1");
        if (place.Of is { } of)
            Guard.Within($"{field}.of", of, Math.Max(1, place.Events), MostEvents, $"{of}", $"at least the {place.Events} events, and 1");
    }

    private static SingleAnswer Groups(IReadOnlyList<CountedPlace> counts, int tests)
    {
        if (counts.Count != 2 || counts.Any(c => c.Of is null || c.ExpectedShare is not null))
            throw new ImpossibleInputException("counts", "groups and places mixed", "two groups, each with of and without expectedShare");
        var chance = FisherExact.TwoSided(new TwoGroups(counts[0].Events, counts[0].Of!.Value, counts[1].Events, counts[1].Of!.Value));
        var worse = counts.MaxBy(c => (double)c.Events / c.Of!.Value)!;
        var other = counts.First(c => c != worse);
        return Answer(
            chance, tests, null, counts.Sum(c => c.Events),
            $"{worse.Place}: {worse.Events} of {worse.Of}, {other.Place}: {other.Events} of {other.Of}");
    }

    private static SingleAnswer Places(IReadOnlyList<CountedPlace> counts, int tests)
    {
        var shares = Shares(counts);
        var events = counts.Sum(c => c.Events);
        Guard.Within("counts", events, 0, MostEvents, $"{events} events in all", $"at most {MostEvents} events in all");
        var evidence = new RunningEvidence(counts.Count);
        for (var i = 0; i < counts.Count; i++)
            for (var n = 0; n < counts[i].Events; n++)
                evidence.Add(i, shares);
        var lead = counts.Select((c, i) => new PlaceCount(c.Place, c.Events, shares[i] * events))
            .MaxBy(p => (p.Events - p.Expected) / Math.Sqrt(Math.Max(p.Expected, 1e-300)))!;
        return Answer(
            ExactMultinomial.Chance([.. counts.Select(c => c.Events)], shares), tests, evidence.Value, events,
            $"{lead.Place}: {PatternWords.Counted(lead, events)}");
    }

    // Shares that are told are kept; what is left is spread over the others. Told for all, they may be weights.
    private static double[] Shares(IReadOnlyList<CountedPlace> counts)
    {
        var told = counts.Sum(c => c.ExpectedShare ?? 0);
        var left = counts.Count(c => c.ExpectedShare is null);
        if (left == 0)
            return [.. counts.Select(c => c.ExpectedShare!.Value / told)];
        if (told >= 1)
            throw new ImpossibleInputException(
                "counts", string.Create(CultureInfo.InvariantCulture, $"shares that add to {told:0.###}"),
                "shares below 1 in all where some are left out");
        return [.. counts.Select(c => c.ExpectedShare ?? ((1 - told) / left))];
    }

    private static SingleAnswer Answer(double chance, int tests, double? evidence, int events, string counted)
    {
        var adjusted = ManyTests.Adjusted(chance, tests);
        var told = adjusted <= Level && events >= Pattern.FewestEvents;
        var verdict = told ? "more than chance"
            : events < Pattern.FewestEvents ? $"too few to tell: it takes {Pattern.FewestEvents}"
            : "may be chance";
        return new SingleAnswer(chance, adjusted, evidence, told, $"{counted} (p {Small(adjusted)}): {verdict}.");
    }

    private static string Small(double chance) => chance < 0.001
        ? "below 0.001"
        : chance.ToString(chance < 0.1 ? "0.000" : "0.00", CultureInfo.InvariantCulture);
}
