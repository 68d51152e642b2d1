using MildHunch.Web.Cases;

namespace MildHunch.Web.Tests;

/// <summary>The server in slices: an endpoint is called over HTTP and by nobody else, and what all share knows none of them.</summary>
public class SliceTests
{
    private static readonly Type[] Types = [.. typeof(CaseEndpoints).Assembly.GetTypes().Where(t => !t.IsNested)];

    private static readonly string[] Sources = [.. Directory.EnumerateFiles(
        Path.Combine(Product.Root(), "src", "MildHunch.Web"), "*.cs", SearchOption.AllDirectories).Where(f => !f.Contains("/obj/")
            && !f.Contains("/bin/"))];

    private static readonly string[] Endpoints =
        [.. Types.Select(t => t.Name).Where(n => n.EndsWith("Endpoint", StringComparison.Ordinal)
            || n.EndsWith("Endpoints", StringComparison.Ordinal))];

    [Fact]
    public void Endpoints_call_no_endpoints()
    {
        Endpoints.Length.ShouldBeGreaterThan(5);
        foreach (var file in Sources.Where(f => Path.GetFileName(f) != "Program.cs"))
        {
            // A feature says which endpoints it has, and nothing more of them.
            var text = string.Join('\n', File.ReadLines(file).Where(l => !l.TrimEnd().EndsWith(".Map(routes);", StringComparison.Ordinal)));
            Endpoints.Where(e => e != Path.GetFileNameWithoutExtension(file) && text.Contains($"{e}.", StringComparison.Ordinal))
                .ShouldBeEmpty(file);
        }
    }

    [Fact]
    public void What_is_shared_knows_no_slice()
    {
        var shared = $"{Path.DirectorySeparatorChar}Shared{Path.DirectorySeparatorChar}";
        foreach (var file in Sources.Where(f => f.Contains(shared, StringComparison.Ordinal)))
            File.ReadLines(file).Where(l => l.StartsWith("using MildHunch.Web.", StringComparison.Ordinal)
                && !l.StartsWith("using MildHunch.Web.Shared.", StringComparison.Ordinal)).ShouldBeEmpty(file);
    }
}
