using System.Globalization;
using MildHunch.Core.Service.Sheets;

namespace MildHunch.Core.Service.Drawing;

/// <summary>The bolts of a group at their real places, numbered; keys are the numbers.</summary>
public static class BoltDrawing
{
    private const double Width = 620;
    private const double Margin = 70;
    private const double Radius = 34;
    private const double RowsApart = 130;
    private const double CircleWidth = 360;

    /// <summary>The drawing of a group.</summary>
    public static Picture Of(BoltGroup group)
    {
        var places = group.Places.Places;
        var circle = group.Pattern.StartsWith("circle", StringComparison.Ordinal);
        var rows = places.Select(p => p.Y).Distinct().Count();
        var height = (2 * Margin) + (circle ? CircleWidth : RowsApart * (rows - 1));
        Point At(BoltPlace place) => circle
            ? new((Width / 2) + ((place.X - 0.5) * CircleWidth), Margin + (place.Y * CircleWidth))
            : new(Margin + (place.X * (Width - (2 * Margin))), rows == 1 ? Margin : Margin + (place.Y > places[0].Y ? RowsApart : 0));
        return new Picture(
            Width, height,
            [
                circle
                    ? Shape.Disc(Ink.House, new(Width / 2, height / 2), (CircleWidth / 2) + Margin - 8)
                    : Shape.Box(Ink.House, 8, 8, Width - 16, height - 16),
                .. places.SelectMany(p => Bolt(At(p), p.Number.ToString(CultureInfo.InvariantCulture))),
            ]);
    }

    private static IEnumerable<Shape> Bolt(Point at, string number) =>
    [
        Shape.Disc(Ink.Part, at, Radius, number),
        Shape.Words(Ink.Name, at with { Y = at.Y + 10 }, number, Anchor.Middle, number),
    ];
}
