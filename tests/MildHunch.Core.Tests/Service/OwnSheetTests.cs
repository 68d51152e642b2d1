using MildHunch.Core.Faults;
using MildHunch.Core.Pumps;
using MildHunch.Core.Service;
using MildHunch.Core.Service.Sheets;
using static MildHunch.Core.Tests.Setting;

namespace MildHunch.Core.Tests.Service;

/// <summary>A shop's own sheets over those that ship.</summary>
public class OwnSheetTests
{
    private const string File = "shop-sheets.json";

    [Fact]
    public void A_sheet_of_the_same_id_comes_in_place_of_the_one_that_ships()
    {
        var sheets = Read("""{ "id": "six-caps", "name": "Ours", "fits": { "heads": ["six-caps"], "arrangements": ["crank-plunger"] }, """);
        sheets.For(Fog2, Fitting.None).ShouldHaveSingleItem().Name.ShouldBe("Ours");
        sheets.All.Count.ShouldBe(ServiceSheets.BuiltIn(Known).All.Count);
    }

    [Fact]
    public void A_new_one_is_added_and_stands_first_for_its_pumps()
    {
        var sheets = Read("""{ "id": "ours", "name": "Ours", "fits": { "heads": ["six-caps"], "arrangements": ["crank-plunger"] }, """);
        sheets.For(Fog2, Fitting.None).Select(s => s.Id).ShouldBe(["ours", "six-caps"]);
    }

    [Fact]
    public void What_is_like_a_part_that_ships_says_what_that_says_but_for_what_it_says_itself()
    {
        var own = Read("""{ "id": "ours", "name": "Ours", "fits": {}, """).All[0];
        var shipped = ServiceSheets.BuiltIn(Known).All.Single(s => s.Id == "six-caps");
        own.Part("valve")!.Look.ShouldBe(shipped.Part("valve")!.Look);
        own.Part("valve")!.Minutes.ShouldBe(new OffOn(9, 9));
    }

    [Theory]
    [InlineData("{}", "sheets: must be a list of at least one sheet")]
    [InlineData("""{ "sheets": [ { "name": "no id" } ] }""", "sheets[0]: has no id")]
    [InlineData("""{ "sheets": [ { "id": "ours", "name": "x", "fits": {}, "parts": [ { "like": "six-caps.wheel" } ] } ] }""",
        "like “six-caps.wheel”: is nothing that is written out in some sheet")]
    [InlineData("""{ "sheets": [ { "id": "ours", "name": "x", "fits": {}, "parts": [ { "like": "six-caps.valve", "under": [] } ] } ] }""",
        "brings “seat-oring”, which does not stand after it")]
    public void An_unfit_file_names_the_entry(string text, string says) =>
        Should.Throw<CatalogueException>(() => ServiceSheets.With(text, File, Known)).Message.ShouldContain(says);

    /// <summary>What is served to copy from can be read again as it is.</summary>
    [Fact]
    public void Every_sheet_can_be_written_and_read_again()
    {
        foreach (var sheet in ServiceSheets.BuiltIn(Known).All)
        {
            var text = ServiceSheets.Text(sheet);
            var again = ServiceSheets.With($$"""{ "sheets": [ {{text}} ] }""", File, Known).All.Single(s => s.Id == sheet.Id);
            ServiceSheets.Text(again).ShouldBe(text);
        }
    }

    private static ServiceSheets Read(string begin) => ServiceSheets.With(
        $$"""
        { "sheets": [ {{begin}}
          "parts": [ { "like": "six-caps.valve", "under": [], "brings": [], "minutes": { "off": 9, "on": 9 } } ] } ] }
        """,
        File, Known);
}
