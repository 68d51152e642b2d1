using MildHunch.Core.Service;
using static MildHunch.Core.Tests.Setting;

namespace MildHunch.Core.Tests.Service;

public class DocumentTests
{
    /// <summary>Ids are what shops write in their own files: docs/service.md names every one, and none that is gone.</summary>
    [Fact]
    public void Every_part_and_bolt_group_stands_in_the_table_of_the_docs()
    {
        var rows = File.ReadLines(Path.Combine(Root(), "docs", "service.md"))
            .Where(l => l.StartsWith("| `", StringComparison.Ordinal)).ToArray();
        foreach (var sheet in ServiceSheets.BuiltIn(Known).All)
        {
            var row = rows.SingleOrDefault(r => r.StartsWith($"| `{sheet.Id}` ", StringComparison.Ordinal)).ShouldNotBeNull(sheet.Id);
            var cells = row.Split('|', StringSplitOptions.TrimEntries);
            cells[2].ShouldBe(sheet.Name);
            Ids(cells[3]).ShouldBe(sheet.Parts.Select(p => p.Id), sheet.Id);
            Ids(cells[4]).ShouldBe(sheet.Groups.Select(g => g.Id), sheet.Id);
        }
    }

    private static IEnumerable<string> Ids(string cell) => cell.Split('`').Where((_, k) => k % 2 == 1);

    private static string Root()
    {
        var folder = new DirectoryInfo(AppContext.BaseDirectory);
        while (!File.Exists(Path.Combine(folder!.FullName, "MildHunch.slnx")))
            folder = folder.Parent;
        return folder.FullName;
    }
}
