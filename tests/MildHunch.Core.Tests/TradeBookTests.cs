using System.Text.RegularExpressions;

namespace MildHunch.Core.Tests;

/// <summary>What comments refer to stands in docs/trade.md, and what that names stands in the code.</summary>
public partial class TradeBookTests
{
    private static readonly string Book = File.ReadAllText(Path.Combine(Repository.Root(), "docs", "trade.md"));

    [Fact]
    public void Every_reference_names_a_section()
    {
        string[] sections = [.. Heading().Matches(Book).Select(h => h.Groups[1].Value)];
        var named = Repository.Sources().SelectMany(f => Reference().Matches(Flowing(File.ReadAllText(f)))).ToArray();
        named.Length.ShouldBeGreaterThan(80);
        foreach (var reference in named)
            sections.ShouldContain(s => reference.Groups[1].Value.StartsWith(s, StringComparison.Ordinal), reference.Value);
    }

    [Fact]
    public void Every_file_it_names_is_there()
    {
        string[] files = [.. Repository.Sources().Select(Path.GetFileName).OfType<string>()];
        var named = CodeFile().Matches(Book).Select(m => m.Groups[1].Value).Distinct().ToArray();
        named.Length.ShouldBeGreaterThan(15);
        named.ShouldBeSubsetOf(files);
    }

    [Fact]
    public void Every_folder_of_the_trade_has_a_section()
    {
        string[] mathsAndUnits = ["Numerics", "Quantities"];
        var core = Path.Combine(Repository.Root(), "src", "MildHunch.Core");
        var folders = Directory.EnumerateDirectories(core).Select(d => Path.GetFileName(d)).Except(["bin", "obj", .. mathsAndUnits]);
        foreach (var folder in folders)
            Book.ShouldContain($"`{folder}/", customMessage: folder);
    }

    // A reference may be broken over two lines of a comment.
    private static string Flowing(string text) => LineBreak().Replace(text, " ");

    [GeneratedRegex("^## (.+)$", RegexOptions.Multiline)]
    private static partial Regex Heading();

    [GeneratedRegex(@"docs/trade\.md, ([A-Z][^.;:)""]*)")]
    private static partial Regex Reference();

    [GeneratedRegex(@"`(?:[\w/]+/)?(\w+(?:\.\w+)?\.cs)`")]
    private static partial Regex CodeFile();

    [GeneratedRegex(@"\r?\n\s*///? ?")]
    private static partial Regex LineBreak();
}
