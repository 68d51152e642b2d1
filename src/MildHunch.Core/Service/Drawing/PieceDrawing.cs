using MildHunch.Core.Service.Sheets;

namespace MildHunch.Core.Service.Drawing;

/// <summary>Draws a piece cut through its middle.</summary>
internal static class PieceDrawing
{
    /// <summary>The piece drawn on an axis from a height downwards; turned over where it is fitted the other way round.</summary>
    public static IEnumerable<Shape> At(this PieceShape piece, double axis, double top, bool turned, string key)
    {
        Point Placed(double x, double y) => new(axis + x, top + (turned ? piece.Height - y : y));
        foreach (var half in piece.Half)
        {
            Point[] right = [.. half.Select(p => Placed(p[0], p[1]))];
            Point[] left = [.. half.Select(p => Placed(-p[0], p[1]))];
            if (half[0][0] == 0 && half[^1][0] == 0)
            {
                yield return Shape.Outline(Ink.Part, [.. right, .. left.Reverse()], key);
                continue;
            }

            yield return Shape.Outline(Ink.Part, left, key);
            yield return Shape.Outline(Ink.Part, right, key);
        }

        foreach (var disc in piece.Discs)
            foreach (var side in disc[0] == 0 ? new[] { 1.0 } : [-1, 1])
                yield return Shape.Disc(Ink.Part, Placed(side * disc[0], disc[1]), disc[2], key);
        foreach (var line in piece.Lines)
            yield return Shape.Line(Ink.Part, [.. line.Select(p => Placed(p[0], p[1]))], key);
    }
}
