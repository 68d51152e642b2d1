using MildHunch.Core.Quantities;
using MildHunch.Web.Service;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Cases.Work;

/// <summary>What was measured inside, held against the limits of the pump's own figures as they stand now.</summary>
internal static class MeasuredLimits
{
    /// <summary>The work with what lies beyond a limit said at its finding.</summary>
    public static WorkDto Judged(this WorkDto work, PumpSheetDto own) => own.Limits is not { Count: > 0 } limits ? work : work with
    {
        Found = work.Found.ToDictionary(f => f.Key, f => f.Value with { Outside = [.. Outside(f.Key.Split('.')[0], f.Value, limits)] }),
    };

    private static IEnumerable<string> Outside(string part, FoundPartAtDto found, IReadOnlyDictionary<string, LimitDto> limits)
    {
        foreach (var (what, value) in found.Measures ?? new Dictionary<string, QuantityDto>())
        {
            if (!limits.TryGetValue($"{part}: {what}", out var limit))
                continue;
            var measured = value.Need<Length>(what).Si;
            if (limit.Least.Maybe<Length>(what) is { } least && measured < least.Si)
                yield return Says(what, value, "below", limit.Least!);
            if (limit.Most.Maybe<Length>(what) is { } most && measured > most.Si)
                yield return Says(what, value, "above", limit.Most!);
        }
    }

    private static string Says(string what, QuantityDto value, string side, QuantityDto limit) =>
        $"{char.ToUpperInvariant(what[0])}{what[1..]} {Text(value)} is {side} {Text(limit)}: renew it.";

    private static string Text(QuantityDto value) => $"{Quantity.Digits(value.Value, 6)} {value.Unit}";
}
