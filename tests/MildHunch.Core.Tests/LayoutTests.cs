using System.Text.RegularExpressions;
using NetArchTest.Rules;

namespace MildHunch.Core.Tests;

/// <summary>The rooms of the code: one subject a folder, a folder uses only those above it, a namespace is its folder.</summary>
public partial class LayoutTests
{
    private const int MostFiles = 17;
    private const int MostLetters = 140;

    // From what needs nothing to what needs everything, as a handbook would be read.
    private static readonly string[] TopDown =
    [
        "", "Numerics", "Quantities", "Fluids", "Pumps", "Hydraulics.Motion", "Hydraulics.Cycle", "Hydraulics.Steady", "Simulation",
        "Expectation",
        "Expectation.Everyday", "Faults.Effects", "Faults", "Evidence", "Evidence.Jot", "Diagnosis.Hypotheses", "Diagnosis.Predictions",
        "Diagnosis.Likelihood", "Diagnosis.Verdict", "Checks", "Service.Counts", "Service.Sheets", "Service",
        "Service.Drawing", "Service.Findings", "Service.Proving", "Records.Running", "Records.Lives", "Records.Patterns",
        "Records.Due", "Records.Outcomes",
    ];

    public static TheoryData<string> Folders() => [.. TopDown];

    [Theory]
    [MemberData(nameof(Folders))]
    public void A_folder_of_Core_uses_only_those_above_it(string folder)
    {
        string[] below = [.. TopDown.Skip(Array.IndexOf(TopDown, folder) + 1).SelectMany(TypesIn)];
        var mine = Types.InAssembly(typeof(Guard).Assembly).That().ResideInNamespaceMatching($"^{Regex.Escape(Namespace(folder))}$");
        mine.GetTypes().ShouldNotBeEmpty();
        if (below.Length == 0)
            return;
        var result = mine.ShouldNot().HaveDependencyOnAny(below).GetResult();
        result.IsSuccessful.ShouldBeTrue(string.Join(", ", result.FailingTypeNames ?? []));
    }

    [Fact]
    public void Every_folder_of_Core_has_its_place() =>
        typeof(Guard).Assembly.GetTypes().Select(t => t.Namespace).OfType<string>()
            .Where(n => n.StartsWith("MildHunch", StringComparison.Ordinal)).Distinct()
            .ShouldBeSubsetOf(TopDown.Select(Namespace));

    [Fact]
    public void A_namespace_is_its_folder()
    {
        foreach (var file in Repository.Sources())
            if (NamespaceLine().Match(File.ReadAllText(file)) is { Success: true } found)
                found.Groups[1].Value.ShouldBe(Expected(file), file);
    }

    [Fact]
    public void A_folder_holds_few_files()
    {
        foreach (var folder in Repository.Sources().Concat(Repository.Client()).GroupBy(f => Path.GetDirectoryName(f)!))
            folder.Count().ShouldBeLessThanOrEqualTo(MostFiles, folder.Key);
    }

    [Fact]
    public void No_line_is_longer_than_it_reads()
    {
        var root = Repository.Root();
        Repository.Sources().SelectMany(file => File.ReadLines(file).Index().Where(l => l.Item.Length > MostLetters)
            .Select(l => $"{Path.GetRelativePath(root, file)}:{l.Index + 1}")).ShouldBeEmpty();
    }

    /// <summary>Product and tests go by one clock, a TimeProvider: under another one all of it is on another day.</summary>
    [Fact]
    public void Nobody_looks_at_a_clock_of_his_own()
    {
        var root = Repository.Root();
        Repository.Sources().SelectMany(file => File.ReadLines(file).Index().Where(l => OwnClock().IsMatch(l.Item))
            .Select(l => $"{Path.GetRelativePath(root, file)}:{l.Index + 1}")).ShouldBeEmpty();
    }

    [GeneratedRegex(@"\bDateTime(Offset)?\.(Now|UtcNow|Today)\b")]
    private static partial Regex OwnClock();

    private static string Namespace(string folder) => folder.Length == 0 ? "MildHunch.Core" : $"MildHunch.Core.{folder}";

    private static IEnumerable<string> TypesIn(string folder) =>
        typeof(Guard).Assembly.GetTypes().Where(t => t.Namespace == Namespace(folder) && !t.IsNested).Select(t => t.FullName!);

    // The project's name, then its folders: src/MildHunch.Core/Faults/Effects is MildHunch.Core.Faults.Effects.
    private static string Expected(string file)
    {
        var parts = Path.GetRelativePath(Repository.Root(), Path.GetDirectoryName(file)!).Split(Path.DirectorySeparatorChar);
        return string.Join('.', parts.Skip(1));
    }

    [GeneratedRegex(@"^namespace ([\w.]+);", RegexOptions.Multiline)]
    private static partial Regex NamespaceLine();
}
