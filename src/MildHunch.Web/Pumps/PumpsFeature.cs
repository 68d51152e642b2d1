namespace MildHunch.Web.Pumps;

/// <summary>The shop’s pumps: plate, set-up, figures for their service.</summary>
public static class PumpsFeature
{
    public static void MapPumps(this IEndpointRouteBuilder routes)
    {
        NameplateEndpoint.Map(routes);
        PumpEndpoints.Map(routes);
        PumpSheetEndpoints.Map(routes);
    }
}
