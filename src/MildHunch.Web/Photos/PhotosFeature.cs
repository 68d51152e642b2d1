namespace MildHunch.Web.Photos;

/// <summary>Photographs beside the database.</summary>
public static class PhotosFeature
{
    public static void AddPhotos(this IServiceCollection services, string folder) => services.AddSingleton(new PhotoFiles(folder));

    public static void MapPhotos(this IEndpointRouteBuilder routes)
    {
        PhotoEndpoints.Map(routes);
    }
}
