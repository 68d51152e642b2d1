using MildHunch.Core.Service;
using MildHunch.Core.Service.Drawing;
using MildHunch.Core.Service.Sheets;
using static MildHunch.Core.Tests.Setting;

namespace MildHunch.Core.Tests.Service;

public class DrawingTests
{
    private static readonly ServiceSheets Sheets = ServiceSheets.BuiltIn(Known);

    public static TheoryData<string> Ids => [.. Sheets.All.Select(s => s.Id)];

    /// <summary>What may be fitted the wrong way round or forgotten is what is renewed or judged: each is seen in its cavity.</summary>
    [Theory]
    [MemberData(nameof(Ids))]
    public void Every_part_that_may_be_renewed_is_drawn_in_every_version(string id)
    {
        var sheet = Sheets.All.Single(s => s.Id == id);
        foreach (var built in sheet.Builds.Select(sheet.On))
        {
            var drawn = built.Stacks.SelectMany(s => s.Items).Select(i => i.Part).ToHashSet();
            built.Parts.Where(p => p.Fit != Fit.Again && !drawn.Contains(p.Id)).Select(p => p.Id).ShouldBeEmpty();
        }
    }

    [Theory]
    [MemberData(nameof(Ids))]
    public void Every_drawing_lies_within_its_frame_and_its_words_stand_apart(string id)
    {
        var sheet = Sheets.All.Single(s => s.Id == id);
        var pump = PumpsOfSheets.For(sheet);
        foreach (var built in sheet.Builds.Select(sheet.On))
        {
            PartAt[] everything = [.. built.Parts.SelectMany(p => p.Per.On(pump).Select(at => new PartAt(p, at)))];
            foreach (var picture in built.Stacks.Select(s => StackDrawing.Of(built, s))
                .Concat(built.Groups.Select(BoltDrawing.Of)).Append(CavityMap.Of(pump, everything)))
                Sound(picture);
        }
    }

    /// <summary>Lip seals on either side of one groove look opposite ways (common practice, no source): the shape is turned over.</summary>
    [Fact]
    public void A_piece_that_is_fitted_the_other_way_round_is_drawn_turned_over()
    {
        var sheet = Sheets.All.Single(s => s.Id == "flow-through").On([]);
        var seals = sheet.Stacks.Single(s => s.Id == "seals");
        var turned = StackDrawing.Of(sheet, seals);
        var straight = StackDrawing.Of(
            sheet, seals with { Items = [.. seals.Items.Select(i => i with { Flip = false })] });

        // The lips reach down, so most of the outline's corners lie in the lower half; turned over, in the upper.
        Lean(straight).ShouldBeGreaterThan(0);
        Lean(turned).ShouldBe(-Lean(straight), 1e-9);

        static double Lean(Picture picture)
        {
            var corners = picture.Shapes.Where(s => s is { Kind: ShapeKind.Outline, Key: "hp-seal" }).SelectMany(s => s.Points)
                .Select(p => p.Y).ToArray();
            return corners.Average() - ((corners.Min() + corners.Max()) / 2);
        }
    }

    [Fact]
    public void Each_bolt_and_each_place_has_a_key_of_its_own()
    {
        var sheet = Sheets.All.Single(s => s.Id == "six-caps").On([]);
        BoltDrawing.Of(sheet.Group("head-bolts")!).Shapes.Where(s => s.Kind == ShapeKind.Disc).Select(s => s.Key)
            .ShouldBe(["1", "2", "3", "4", "5", "6", "7", "8"]);
        PartAt[] valves = [.. ServiceTargets.At(sheet.Part("valve")!, Fog2, ServicePlace.Whole)];
        CavityMap.Of(Fog2, valves).Shapes.Where(s => s.Ink == Ink.Part).Select(s => s.Key).Order().ShouldBe(
            ["valve.1.discharge", "valve.1.inlet", "valve.2.discharge", "valve.2.inlet", "valve.3.discharge", "valve.3.inlet"]);
        CavityMap.Of(Fog2, valves[..1]).Shapes.Select(s => s.Key).ShouldBe(
            CavityMap.Of(Fog2, valves).Shapes.Select(s => s.Key), "places that stay shut are on the map too");
    }

    private static void Sound(Picture picture)
    {
        foreach (var point in picture.Shapes.SelectMany(s => s.Points))
        {
            point.X.ShouldBeInRange(0, picture.Width);
            point.Y.ShouldBeInRange(0, picture.Height);
        }

        // Words of one column stand a line apart; letters are some 17 high.
        foreach (var column in picture.Shapes.Where(s => s.Kind == ShapeKind.Words).GroupBy(s => (s.Points[0].X, s.Anchor)))
        {
            var heights = column.Select(s => s.Points[0].Y).Order().ToArray();
            foreach (var (above, below) in heights.Zip(heights.Skip(1)))
                (below - above).ShouldBeGreaterThanOrEqualTo(19);
        }
    }
}
