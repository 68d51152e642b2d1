namespace MildHunch.Store;

/// <summary>Files that are there whole or not at all, on the disk, and nobody's but the shop's.</summary>
public static class WholeFile
{
    private const int Buffer = 81920;

    /// <summary>Writes beside it first, then takes its place.</summary>
    /// <param name="path">Where it will lie; what lies there stays until the new one is whole.</param>
    /// <param name="content">What it will hold.</param>
    /// <param name="stop">Ends it; half a file may be left beside the place, ending in “.part”.</param>
    public static async Task WriteAsync(string path, Stream content, CancellationToken stop)
    {
        Directory.CreateDirectory(Path.GetDirectoryName(path)!);
        var half = $"{path}.{Guid.NewGuid():N}.part";
        var options = new FileStreamOptions
        {
            Mode = FileMode.CreateNew,
            Access = FileAccess.Write,
            Share = FileShare.None,
            BufferSize = Buffer,
            Options = FileOptions.WriteThrough,
        };
        if (!OperatingSystem.IsWindows())
            options.UnixCreateMode = UnixFileMode.UserRead | UnixFileMode.UserWrite;
        await using (var file = new FileStream(half, options))
        {
            await content.CopyToAsync(file, stop);
            file.Flush(flushToDisk: true);
        }

        File.Move(half, path, overwrite: true);
    }
}
