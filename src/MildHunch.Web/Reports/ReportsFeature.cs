using MildHunch.Web.Reports.Pdf;

namespace MildHunch.Web.Reports;

/// <summary>What a case came to, on paper.</summary>
public static class ReportsFeature
{
    public static void AddReports(this IServiceCollection services) =>
        services.AddScoped<ReportBuilder>().AddSingleton<ReportPdf>().AddScoped<ReportEndpoints>();

    public static void MapReports(this IEndpointRouteBuilder routes)
    {
        ReportEndpoints.Map(routes);
    }
}
