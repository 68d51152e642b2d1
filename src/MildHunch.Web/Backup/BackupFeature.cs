namespace MildHunch.Web.Backup;

/// <summary>Copies of all that the shop has.</summary>
public static class BackupFeature
{
    public static void AddBackup(this IServiceCollection services) => services.AddHostedService<NightlyBackups>();

    public static void MapBackup(this IEndpointRouteBuilder routes)
    {
        BackupEndpoint.Map(routes);
    }
}
