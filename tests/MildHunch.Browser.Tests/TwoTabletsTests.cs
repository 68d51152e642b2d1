using MildHunch.Web.Tests;

namespace MildHunch.Browser.Tests;

/// <summary>Two people on one case: what either types is replaced by nobody else.</summary>
public class TwoTabletsTests
{
    private const string Note = "Notes: open";

    [Fact]
    public async Task A_note_typed_in_both_is_lost_in_neither()
    {
        using var product = new Product();
        using var mine = new Technician(product);
        using var theirs = new Technician(product);
        foreach (var one in new[] { mine, theirs })
        {
            one.Open($"/cases/{await product.CaseOf("FOG-2")}/open");
            one.Sees(Note);
        }

        mine.Type(Note, "seat of 2 looks pitted");
        theirs.Type(Note, "spring of 2 is short");
        theirs.Press(OpenQA.Selenium.Keys.Tab);
        theirs.Until("the note to be stored", () => StoredNote(product) == "spring of 2 is short");

        // Leaving the field is what used to lose it: the other had stored a newer version.
        mine.Press(OpenQA.Selenium.Keys.Tab);
        mine.Sees("Somebody else changed this note");
        mine.Sees("spring of 2 is short");
        mine.Value(Note).ShouldBe("seat of 2 looks pitted");
        mine.Reload();
        mine.Sees("Somebody else changed this note");
        mine.Value(Note).ShouldBe("seat of 2 looks pitted");
        mine.Tap("Keep mine");
        mine.Until("the note to be stored", () => StoredNote(product) == "seat of 2 looks pitted");
    }

    private static string? StoredNote(Product product)
    {
        var shown = product.Get($"/api/cases/{product.CaseOf("FOG-2").GetAwaiter().GetResult()}").GetAwaiter().GetResult();
        return shown["facts"]!["note-open"]?.GetValue<string>();
    }
}
