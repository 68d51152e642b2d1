namespace MildHunch.Web.Service;

/// <summary>How a pump is opened, mended and closed.</summary>
public static class ServiceFeature
{
    public static void AddService(this IServiceCollection services) => services.AddSingleton<ServicePlanEndpoint>();

    public static void MapService(this IEndpointRouteBuilder routes)
    {
        ServicePlanEndpoint.Map(routes);
        SheetEndpoints.Map(routes);
    }
}
