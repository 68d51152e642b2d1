using MildHunch.Core.Pumps;
using MildHunch.Core.Service.Sheets;

namespace MildHunch.Core.Service.Drawing;

/// <summary>Every part that is looked at, by its place in this pump seen from above; keys are ids of places.</summary>
public static class CavityMap
{
    private const double NamesWidth = 210;
    private const double CellWidth = 118;
    private const double CellHeight = 54;
    private const double Gap = 14;
    private const double Top = 40;
    private const int LettersOfAName = 21;
    private const double Line = 20;

    /// <summary>Stable name of a part at a place: "valve", "valve.2", "valve.2.discharge".</summary>
    public static string Key(string part, ServicePlace place) => place == ServicePlace.Whole ? part : $"{part}.{place.Key}";

    /// <summary>The map of these kinds of part at every place of the pump; one row for each, and for each side of it.</summary>
    /// <param name="pump">The pump.</param>
    /// <param name="opened">Parts that are looked at; places of the same part that stay closed are drawn beside them.</param>
    public static Picture Of(ReciprocatingPump pump, IReadOnlyList<PartAt> opened)
    {
        PartAt[] looked = [.. opened.Select(p => p.Part).Distinct().SelectMany(p => p.Per.On(pump).Select(at => new PartAt(p, at)))];
        var rows = looked.Where(p => p.Place.Cylinder is not null).GroupBy(p => (p.Part, p.Place.Side)).ToArray();
        var whole = looked.Where(p => p.Place.Cylinder is null).ToArray();
        var width = NamesWidth + (pump.Cylinders * (CellWidth + Gap)) + Gap;
        var shapes = new List<Shape>();
        for (var k = 1; k <= pump.Cylinders; k++)
            shapes.Add(Shape.Words(Ink.Aside, new Point(Left(k) + (CellWidth / 2), 24), Column(pump, k), Anchor.Middle));
        var y = Top;
        foreach (var row in rows)
        {
            shapes.AddRange(RowName(RowName(row.Key.Part, row.Key.Side), y));
            shapes.AddRange(row.Select(p => Cell(p, Left(p.Place.Cylinder!.Value), y, CellWidth)));
            y += CellHeight + Gap;
        }

        foreach (var part in whole)
        {
            shapes.AddRange(RowName(part.Part.Name, y));
            shapes.Add(Cell(part, Left(1), y, (pump.Cylinders * (CellWidth + Gap)) - Gap));
            y += CellHeight + Gap;
        }

        return new Picture(width, y, [Shape.Box(Ink.House, NamesWidth, 2, width - NamesWidth - 2, y - 4), .. shapes]);
    }

    private static Shape Cell(PartAt at, double x, double y, double width) =>
        Shape.Box(Ink.Part, x, y, width, CellHeight, Key(at.Part.Id, at.Place));

    private static double Left(int cylinder) => NamesWidth + Gap + ((cylinder - 1) * (CellWidth + Gap));

    private static string Column(ReciprocatingPump pump, int k) => pump.Arrangement == Arrangement.Intensifier
        ? k == 1 ? "left" : "right"
        : $"{k}";

    private static string RowName(SheetPart part, Side? side) =>
        part.Per == Per.Valve && side is { } one ? $"{part.Name}, {one.Named()}" : part.Name;

    private static IEnumerable<Shape> RowName(string name, double y)
    {
        string[] lines = [.. TextLines.Of(name, LettersOfAName)];
        return lines.Index().Select(l => Shape.Words(
            Ink.Name, new Point(8, y + (CellHeight / 2) + 6 + (Line * (l.Index - ((lines.Length - 1) / 2.0)))), l.Item, Anchor.Start));
    }
}
