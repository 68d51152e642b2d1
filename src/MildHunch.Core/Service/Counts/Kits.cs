namespace MildHunch.Core.Service.Counts;

/// <summary>What one kit holds: how many of which part, by the part's id.</summary>
public sealed record Kit(string Id, string Name, IReadOnlyDictionary<string, int> Holds);

/// <summary>How many of a kit are needed, and what of them is left over.</summary>
public sealed record KitCount(Kit Kit, int Count, IReadOnlyDictionary<string, int> Covers, IReadOnlyDictionary<string, int> LeftOver);

/// <summary>What the kits come to for a plan.</summary>
/// <param name="Kits">Kits to lay ready.</param>
/// <param name="Beside">Parts that no kit holds: how many to get beside them.</param>
public sealed record KitBill(IReadOnlyList<KitCount> Kits, IReadOnlyDictionary<string, int> Beside);

/// <summary>From parts needed to kits: enough of each, and no more.</summary>
public static class KitCounting
{
    /// <summary>
    /// How many of each kit cover what is needed. A kit that leaves a part out leaves it beside; one that holds one side only is needed
    /// twice for both. Kits are taken in the order given.
    /// </summary>
    /// <exception cref="ImpossibleInputException">A kit without contents, or with fewer than one of a part.</exception>
    public static KitBill Count(IReadOnlyDictionary<string, int> needed, IReadOnlyList<Kit> kits)
    {
        foreach (var kit in kits.Where(k => k.Holds.Count == 0 || k.Holds.Values.Any(n => n < 1)))
            throw new ImpossibleInputException($"kit “{kit.Name}”", "nothing in it", "at least one part, one or more of each");
        var open = needed.Where(n => n.Value > 0).ToDictionary();
        var counted = new List<KitCount>();
        foreach (var kit in kits)
        {
            var covered = kit.Holds.Where(h => open.ContainsKey(h.Key)).ToArray();
            if (covered.Length == 0)
                continue;
            var count = covered.Max(h => (open[h.Key] + h.Value - 1) / h.Value);
            var left = kit.Holds.ToDictionary(h => h.Key, h => (count * h.Value) - open.GetValueOrDefault(h.Key));
            counted.Add(new KitCount(
                kit, count, covered.ToDictionary(h => h.Key, h => open[h.Key]), left.Where(h => h.Value > 0).ToDictionary()));
            foreach (var (part, _) in covered)
                open.Remove(part);
        }

        return new KitBill(counted, open);
    }
}
