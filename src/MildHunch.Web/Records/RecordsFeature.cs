using MildHunch.Web.Records.Due;
using MildHunch.Web.Records.Life;
using MildHunch.Web.Records.Shop;

namespace MildHunch.Web.Records;

/// <summary>What is on record of pumps: lives, hours, patterns, what is due, what the shop has seen.</summary>
public static class RecordsFeature
{
    /// <param name="services">Where it is registered.</param>
    /// <param name="ahead">True where the record is read before anybody asks.</param>
    public static void AddRecords(this IServiceCollection services, bool ahead)
    {
        services.AddSingleton<ShopMemory>().AddSingleton<RecordWatch>().AddSingleton<DueView>().AddScoped<DueList>();
        services.AddScoped<LifeView>().AddScoped<LifeEndpoints>().AddScoped<PumpSwap>();
        if (ahead)
            services.AddHostedService<RecordWarmth>();
    }

    public static void MapRecords(this IEndpointRouteBuilder routes)
    {
        LifeEstimateEndpoint.Map(routes);
        PatternTestEndpoint.Map(routes);
        LifeEndpoints.Map(routes);
        PumpLabel.Map(routes);
        PumpSwap.Map(routes);
        PartChangeTable.Map(routes);
        DueEndpoints.Map(routes);
        StockEndpoints.Map(routes);
        ShopRecordEndpoint.Map(routes);
    }
}
