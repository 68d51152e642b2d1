using MildHunch.Web.Shared;

namespace MildHunch.Web.Operations;

/// <summary>How the product is, and what it does by itself.</summary>
public static class OperationsFeature
{
    public static void AddOperations(this IServiceCollection services) => services
        .AddSingleton<ShopHealth>().AddSingleton<CostlyWork>().AddHostedService<OldKeys>();

    public static void MapOperations(this IEndpointRouteBuilder routes)
    {
        ShopHealth.Map(routes);
    }
}
