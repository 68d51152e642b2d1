namespace MildHunch.Core.Tests;

/// <summary>The repository as it lies on disk.</summary>
internal static class Repository
{
    /// <summary>Every C# file written by hand.</summary>
    public static IEnumerable<string> Sources() =>
        new[] { "src", "tests", "bench", "tools" }.SelectMany(top => Directory.EnumerateFiles(
            Path.Combine(Root(), top), "*.cs", SearchOption.AllDirectories))
            .Where(f => !f.Contains($"{Path.DirectorySeparatorChar}obj{Path.DirectorySeparatorChar}")
                && !f.Contains($"{Path.DirectorySeparatorChar}Migrations{Path.DirectorySeparatorChar}"));

    /// <summary>Every file of the client written by hand.</summary>
    public static IEnumerable<string> Client() =>
        Directory.EnumerateFiles(Path.Combine(Root(), "client", "src"), "*", SearchOption.AllDirectories);

    /// <summary>The folder that holds everything.</summary>
    public static string Root()
    {
        var folder = new DirectoryInfo(AppContext.BaseDirectory);
        while (folder.EnumerateFiles("MildHunch.slnx").FirstOrDefault() is null)
            folder = folder.Parent ?? throw new DirectoryNotFoundException("MildHunch.slnx");
        return folder.FullName;
    }
}
