using Xunit.Sdk;
using Xunit.v3;

[assembly: TestCollectionOrderer(typeof(MildHunch.Browser.Tests.LongestFirst))]

namespace MildHunch.Browser.Tests;

/// <summary>What takes longest begins first, so that nobody waits for one test alone at the end.</summary>
public sealed class LongestFirst : ITestCollectionOrderer
{
    private static readonly string[] Long = [nameof(WalkTests), nameof(ProvingTests), nameof(DrawingTests), nameof(OpeningTests)];

    public IReadOnlyCollection<TTestCollection> OrderTestCollections<TTestCollection>(IReadOnlyCollection<TTestCollection> testCollections)
        where TTestCollection : ITestCollection =>
        [.. testCollections.OrderBy(c => Array.FindIndex(Long, l => c.TestCollectionDisplayName.Contains(l,
            StringComparison.Ordinal)) is var at
            && at >= 0 ? at : Long.Length)];
}
