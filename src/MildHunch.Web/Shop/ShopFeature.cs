using MildHunch.Web.Shared;

namespace MildHunch.Web.Shop;

/// <summary>What the shop says of itself, and the days as it counts them.</summary>
public static class ShopFeature
{
    /// <param name="services">Where it is registered.</param>
    /// <param name="told">Section Shop of the configuration.</param>
    public static void AddShop(this IServiceCollection services, IConfigurationSection told) => services
        .AddSingleton(new ShopNow(told.Get<ShopTerms>() ?? new ShopTerms())).AddSingleton<ShopDay>().AddSingleton<ShopSettings>();

    public static void MapShop(this IEndpointRouteBuilder routes)
    {
        ShopSettings.Map(routes);
    }
}
