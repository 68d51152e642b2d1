namespace MildHunch.Core.Records.Lives;

/// <summary>Found failed at an opening: still good at the one, failed at the other, hours since it was new.</summary>
public sealed record FoundBetween(double Good, double Failed);

/// <summary>How long one part lasted, or has lasted so far, in hours since it was new.</summary>
/// <param name="Hours">When it failed or was last known to run, above 0.</param>
/// <param name="Failed">It failed; false where it still runs or was changed along with others.</param>
/// <param name="From">Hours it had run when watching began: had it failed earlier, nobody would know of it. 0 where it was watched from
/// new.</param>
/// <param name="Found">Where nobody saw when it failed: between which openings.</param>
public sealed record WatchedLife(double Hours, bool Failed, double From = 0, FoundBetween? Found = null)
{
    // A hundred years: anything longer was typed wrongly.
    private const double Longest = 876_600;

    /// <summary>Refuses what cannot be: hours at or below 0 or beyond a hundred years, watching that began after the end.</summary>
    /// <exception cref="ImpossibleInputException">Names the field under <paramref name="field"/>.</exception>
    public void Check(string field)
    {
        Guard.Within($"{field}.hours", Hours, double.Epsilon, Longest, $"{Hours} h", "hours above 0, at most 876600");
        Guard.Within($"{field}.from", From, 0, Math.BitDecrement(Hours), $"{From} h", $"0 or more and below the {Hours} h of its end");
        if (Found is not { } found)
            return;
        if (!Failed)
            throw new ImpossibleInputException($"{field}.foundBetween", "given", "nothing where the part has not failed");
        Guard.Within(
            $"{field}.foundBetween", found.Failed, double.Epsilon, Longest, $"{found.Good} to {found.Failed} h",
            "hours above 0, at most 876600");
        Guard.Within(
            $"{field}.foundBetween", found.Good, 0, Math.BitDecrement(found.Failed), $"{found.Good} to {found.Failed} h",
            "the earlier hours first, 0 or more");
        Guard.Within(
            $"{field}.from", From, 0, Math.BitDecrement(found.Failed), $"{From} h", $"below the {found.Failed} h when it was found failed");
    }
}
