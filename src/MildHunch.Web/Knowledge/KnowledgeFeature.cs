using MildHunch.Core.Checks;
using MildHunch.Core.Service;
using MildHunch.Core.Service.Findings;
using MildHunch.Core.Service.Proving;

namespace MildHunch.Web.Knowledge;

/// <summary>The catalogue of the trade as it is in force in this shop.</summary>
public static class KnowledgeFeature
{
    /// <summary>What is known of faults, sheets, findings and proofs, with the shop’s own files from its folder.</summary>
    public static void AddKnowledge(this IServiceCollection services, string folder)
    {
        services.AddSingleton(_ => new ShopKnowledge(folder)).AddSingleton(of => of.Known().Catalogue);
        services.AddSingleton(of => new ShopSheets(folder, of.Known().Catalogue));
        services.AddSingleton(of => of.GetRequiredService<ShopSheets>().Sheets);
        services.AddSingleton(of => new Diagnoser(
            of.Known().Catalogue, openings: new SheetOpenings(of.GetRequiredService<ServiceSheets>())));
        services.AddSingleton(of => FindingCatalogue.BuiltIn(of.Known().Catalogue));
        services.AddSingleton(of => ProofStages.BuiltIn(of.Known().Catalogue));
    }

    /// <summary>Reads all of it, so that what is wrong with it shows before anybody asks.</summary>
    public static void LoadKnowledge(this IServiceProvider services)
    {
        services.GetRequiredService<Diagnoser>();
        services.GetRequiredService<FindingCatalogue>();
        services.GetRequiredService<ProofStages>();
    }

    public static void MapKnowledge(this IEndpointRouteBuilder routes)
    {
        KnowledgeEndpoint.Map(routes);
    }

    private static ShopKnowledge Known(this IServiceProvider services) => services.GetRequiredService<ShopKnowledge>();
}
