namespace MildHunch.Store.Backup;

/// <summary>
/// Says that a product works in a folder: several may, and while one does nobody restores there. The system lets go of it when the
/// process ends, however it ends.
/// </summary>
public static class ServingLock
{
    private const string FileName = "serving.lock";

    /// <summary>Held as long as the product serves.</summary>
    public static FileStream Serving(string folder)
    {
        var path = Path.Combine(folder, FileName);
        File.Open(path, FileMode.OpenOrCreate, FileAccess.Write, FileShare.ReadWrite).Dispose();
        return new FileStream(path, FileMode.Open, FileAccess.Read, FileShare.Read);
    }

    /// <summary>Held while nobody serves; null where somebody does.</summary>
    public static FileStream? Alone(string folder)
    {
        try
        {
            return new FileStream(Path.Combine(folder, FileName), FileMode.OpenOrCreate, FileAccess.ReadWrite, FileShare.None);
        }
        catch (IOException)
        {
            return null;
        }
    }
}
