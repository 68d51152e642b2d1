namespace MildHunch.Store.Backup;

/// <summary>
/// Says that a product works in a folder: one at a time, since each keeps in memory what it read, and while one does nobody restores there.
/// The system lets go of it when the process ends, however it ends.
/// </summary>
public static class ServingLock
{
    private const string FileName = "serving.lock";

    // One that is being ended may still write down what it was told.
    private static readonly TimeSpan Patience = TimeSpan.FromSeconds(10);
    private static readonly TimeSpan Look = TimeSpan.FromMilliseconds(100);

    /// <summary>Held as long as the product serves; waits a little for one that is just ending.</summary>
    /// <exception cref="StartException">Another product works in this folder.</exception>
    public static async Task<FileStream> Serving(string folder, TimeSpan? patience = null)
    {
        for (var waited = TimeSpan.Zero; waited < (patience ?? Patience); waited += Look, await Task.Delay(Look))
            if (Alone(folder) is { } held)
                return held;
        throw new StartException(
            $"Another Mild Hunch works in {folder}: two in one folder would not hear of one another. End it first, or name another folder "
                + "by DATA_DIR.");
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
