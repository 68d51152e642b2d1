using MildHunch.Core;
using MildHunch.Store;
using MildHunch.Web.Shared;

namespace MildHunch.Web.Cases;

/// <summary>Facts of one kind that stand in a round, each kept as JSON under its name: planned, ticked, found, proved.</summary>
internal sealed class NamedFacts(CaseEntity entity, string prefix)
{
    private const int LongestName = 60;

    private readonly FactEntity[] standing =
        [.. entity.InForce(InRound(entity, prefix))];

    /// <summary>The one of that name; null where it was never set.</summary>
    public T? One<T>(string name)
        where T : class => standing.LastOrDefault(f => f.Name == name) is { } fact ? Stored.Read<T>(fact.Value) : null;

    /// <summary>All whose names begin with this, by what follows.</summary>
    public Dictionary<string, T> All<T>(string beginning) =>
        standing.Where(f => f.Name.StartsWith(beginning, StringComparison.Ordinal)).GroupBy(f => f.Name[beginning.Length..])
            .ToDictionary(g => g.Key, g => Stored.Read<T>(g.Last().Value)!);

    private static IEnumerable<FactEntity> InRound(CaseEntity entity, string prefix)
    {
        var round = entity.Round();
        return entity.Facts.Where(f => f.Round == round && f.Name.StartsWith(prefix, StringComparison.Ordinal));
    }

    /// <summary>Refuses what is kept with a name where nobody is named.</summary>
    public static void Signed(string? by, string field)
    {
        if (string.IsNullOrWhiteSpace(by) || by.Length > LongestName)
            throw new ImpossibleInputException(field, string.IsNullOrWhiteSpace(by) ? "nothing" : $"{by.Length} characters", "your name");
    }
}
