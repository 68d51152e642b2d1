using System.Globalization;
using MildHunch.Store.Backup;

namespace MildHunch.Web.Backup;

/// <summary>Where the shop's files lie.</summary>
public sealed record ShopFolder(string Path);

/// <summary>The whole shop as one file, while it runs.</summary>
public static class BackupEndpoint
{
    public static void Map(IEndpointRouteBuilder routes) =>
        routes.MapGet("/api/backup", async (ShopFolder shop, TimeProvider clock, CancellationToken stop) =>
            {
                var at = clock.GetUtcNow().UtcDateTime;
                var path = Path.Combine(shop.Path, BackupFolder.Name, $"sent-{Guid.NewGuid():N}.tmp");
                await BackupFile.WriteAsync(shop.Path, path, at, stop);
                var sent = new FileStream(
                    path, FileMode.Open, FileAccess.Read, FileShare.Read, 81920, FileOptions.DeleteOnClose | FileOptions.Asynchronous);
                return TypedResults.Stream(
                    sent, "application/zip", string.Create(CultureInfo.InvariantCulture, $"mild-hunch-{at:yyyyMMdd-HHmm}.zip"));
            })
            .Produces(StatusCodes.Status200OK, contentType: "application/zip").WithTags("Operations")
            .WithSummary("The whole shop as one zip: database, photographs, its own knowledge. ./run restore takes it back.");
}
