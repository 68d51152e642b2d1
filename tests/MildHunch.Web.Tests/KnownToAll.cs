using Microsoft.Extensions.DependencyInjection;
using MildHunch.Core.Checks;
using MildHunch.Core.Faults;
using MildHunch.Core.Service;
using MildHunch.Core.Service.Findings;
using MildHunch.Core.Service.Proving;
using MildHunch.Web.Knowledge;

namespace MildHunch.Web.Tests;

/// <summary>
/// What ships is known once for all products of a run: each would read the same catalogue and work out the same pumps anew. A product
/// whose folder holds files of the shop’s own reads them itself.
/// </summary>
internal static class KnownToAll
{
    private static readonly Lazy<ServiceProvider> Once = new(() =>
    {
        var services = new ServiceCollection();
        var folder = Directory.CreateTempSubdirectory("mild-hunch-known-").FullName;
        services.AddKnowledge(folder);
        var known = services.BuildServiceProvider();
        known.LoadKnowledge();
        Directory.Delete(folder);
        return known;
    });

    public static void Share(IServiceCollection services)
    {
        foreach (var type in new[]
        {
            typeof(ShopKnowledge), typeof(Catalogue), typeof(ShopSheets), typeof(ServiceSheets), typeof(Diagnoser),
                typeof(FindingCatalogue),
            typeof(ProofStages),
        })
            services.AddSingleton(type, Once.Value.GetRequiredService(type));
    }
}
