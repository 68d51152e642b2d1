namespace MildHunch.Web.History;

/// <summary>What closed cases say of the next one.</summary>
public static class HistoryFeature
{
    public static void AddHistory(this IServiceCollection services) => services.AddScoped<ShopRecord>();

    public static void MapHistory(this IEndpointRouteBuilder routes)
    {
        HistoryEndpoints.Map(routes);
    }
}
