namespace MildHunch.Web.Tests;

/// <summary>The demo shop as it is filled, nothing added.</summary>
public class StoryTests(Product product)
{
    /// <summary>
    /// The eight stories of the demo setting come out by themselves; where two things are wrong, the second stands among the first
    /// three.
    /// </summary>
    [Theory]
    [InlineData("FOG-2", "discharge-valve-leak", 2, null)]
    [InlineData("DESAL-B", "dampener-charge-lost", null, "inlet-valve-leak", 4)]
    [InlineData("NET-1", "speed-low", null, "nozzle-worn")]
    [InlineData("TEST-3", "discharge-valve-leak", 2, null)]
    [InlineData("MIST-7", "hose-leak-or-restricted", null, "autostop-switch")]
    [InlineData("JUICE-HP", "intens-discharge-check", 2, null)]
    [InlineData("BRINE-4", "supply-restricted", null, null)]
    [InlineData("FROST-R", "regulator-seat-worn", null, null)]
    [InlineData("FROST-S", "no-fault", null, null)]
    public async Task Demo_stories_come_out(string tag, string leader, int? cylinder, string? also, int? alsoCylinder = null)
    {
        var shown = await product.Get($"/api/cases/{await product.CaseOf(tag)}");
        var suspects = shown["diagnosis"]!["suspects"]!.AsArray();
        suspects[0]!["fault"]!.GetValue<string>().ShouldBe(leader);
        if (cylinder is not null)
            suspects[0]!["locations"]![0]!["cylinder"]!.GetValue<int>().ShouldBe(cylinder.Value);
        if (also is not null)
            suspects.Take(3).Select(s => s!["fault"]!.GetValue<string>()).ShouldContain(also);
        if (alsoCylinder is not null)
            suspects.First(s => s!["fault"]!.GetValue<string>() == also)!["locations"]![0]!["cylinder"]!.GetValue<int>()
                .ShouldBe(alsoCylinder.Value);
        shown["diagnosis"]!["contradictions"]!.AsArray().ShouldBeEmpty();
    }
}
