using MildHunch.Web.Travel.Pumps;

namespace MildHunch.Web.Travel;

/// <summary>Cases, pumps and tables that go from shop to shop.</summary>
public static class TravelFeature
{
    public static void AddTravel(this IServiceCollection services) => services
        .AddSingleton<SentZip>().AddScoped<CaseExport>().AddScoped<PumpExport>().AddScoped<PhotoImport>()
        .AddScoped<CaseImport>().AddScoped<PumpImport>().AddScoped<ImportEndpoint>();

    public static void MapTravel(this IEndpointRouteBuilder routes)
    {
        CaseExport.Map(routes);
        PumpExport.Map(routes);
        ImportEndpoint.Map(routes);
        TableEndpoints.Map(routes);
    }
}
